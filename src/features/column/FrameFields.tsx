'use client';
import { Fragment } from 'react';
import type { Fault } from '@/core/checks/fault';
import type { FrameColumnRules } from '@/core/codes/frame-columns';
import type { ColumnMember, FrameJoints } from '@/core/members/column/input';
import { codeOf } from '@/core/members/member';
import type { Project } from '@/core/project/project';
import { frameOptions } from '@/ui/fields/frame-options';
import { useRows } from '@/ui/fields/use-rows';

const joints: Readonly<Record<FrameJoints['top']['kind'], string>> = {
  joint: 'beams, and a column beyond',
  last: 'beams, no column beyond',
  base: 'the foundation',
};
const bending = { both: 'about both axes', x: 'about x alone', y: 'about y alone' } as const;

interface FrameProps {
  readonly project: Project;
  readonly member: ColumnMember;
  readonly faults: readonly Fault[];
}

/** In which ductile frame a column stands, and what it meets at its joints. */
export function FrameFields({ project, member, faults }: FrameProps) {
  const code = codeOf(project, member);
  const { pick, quantity, fault } = useRows(project, member, { faults });
  const rules = code.frames.columns(member.frame);
  const options = frameOptions(code, member.frame);
  if (Object.keys(options).length < 2) return null;
  return (
    <>
      <h2 className="mt-3">Ductile frame</h2>
      {pick('Class', 'frame', options, 'Ductile frame')}
      {fault('frame')}
      {rules && (
        <>
          <p className="small">Beams with the slab bars that count, in the sense in which they are stronger.</p>
          {pick('Sways', 'frameJoints.about', bending, 'Bending as the frame sways')}
          {quantity('Axial force, most', 'force', 'frameJoints.most', {
            name: 'Largest axial force in an earthquake',
            empty: 'of all load sets',
          })}
          {quantity('Axial force, least', 'force', 'frameJoints.least', {
            name: 'Least axial force in an earthquake',
            empty: 'of all load sets',
          })}
          {rules.asksDrift &&
            quantity('Drift sensitivity θ', 'ratio', 'frameJoints.drift', { empty: 'not known', name: 'Sensitivity to drift θ' })}
          <JointFields project={project} member={member} faults={faults} rules={rules} end="top" />
          <JointFields project={project} member={member} faults={faults} rules={rules} end="foot" />
        </>
      )}
    </>
  );
}

/** Strengths at one end, about the axes about which the column bends as its frame sways. */
function JointFields({ project, member, faults, rules, end }: FrameProps & { rules: FrameColumnRules; end: 'top' | 'foot' }) {
  const { pick, quantity } = useRows(project, member, { faults, part: `at the ${end}` });
  const { about, [end]: joint } = member.frameJoints;
  const axes = about === 'both' ? (['x', 'y'] as const) : [about];
  const hasBeams = joint.kind !== 'base' && (rules.joint !== null || rules.beamsYield !== null);
  return (
    <>
      {pick(`At the ${end}`, `frameJoints.${end}.kind`, joints, `Joint at the ${end}`)}
      {hasBeams &&
        axes.map((axis) => (
          <Fragment key={axis}>
            {quantity(`Beams ΣM, ${axis}`, 'moment', `frameJoints.${end}.${axis}.beams`, {
              name: `Strength of the beams at the ${end}, about ${axis}`,
              empty: 'say it',
            })}
            {rules.beamsYield !== null &&
              quantity(`Beams as they yield, ${axis}`, 'moment', `frameJoints.${end}.${axis}.yielding`, {
                name: `Beams at the ${end} as they yield, about ${axis}`,
                empty: 'the column’s own counts',
              })}
            {joint.kind === 'joint' &&
              quantity(`Column beyond M, ${axis}`, 'moment', `frameJoints.${end}.${axis}.beyond`, {
                name: `Column beyond the ${end}, about ${axis}`,
                empty: 'as this one',
              })}
          </Fragment>
        ))}
    </>
  );
}
