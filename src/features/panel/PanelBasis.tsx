'use client';
import { useChange } from '@/ui/fields/use-change';
import { CheckBox } from '@/ui/fields/CheckBox';
import type { Fault } from '@/core/checks/fault';
import type { PanelMethod } from '@/core/members/panel/input';
import type { Project } from '@/core/project/project';
import { kindOf } from '@/core/members/kinds';
import { codeOf } from '@/core/members/member';
import type { PanelMember } from '@/core/members/panel/input';
import { formatQuantity } from '@/core/units/format';
import { Assumptions } from '@/ui/sheet/Assumptions';
import { basisRows, slabMaterialRows } from '@/ui/fields/basis-rows';
import type { LoadTable } from '@/ui/tables/LoadsTable';

interface PanelProps {
  readonly project: Project;
  readonly member: PanelMember;
  readonly faults: readonly Fault[];
}

/** The loads over a panel as a table. */
export const panelLoads: LoadTable<PanelMember, PanelMember['loads'][number]> = {
  title: 'Loads over the whole panel',
  values: [['Value', [['value', 'areaLoad']]]],
  fresh: (id) => ({ case: id, value: 2e-3, note: '' }),
};

const methods: readonly (readonly [PanelMethod, string])[] = [
  ['strips', 'strips both ways'],
  ['yieldLines', 'yield lines, at collapse'],
  ['coefficients', 'coefficients of the code'],
];
const yesNo = [
  ['yes', 'held down'],
  ['no', 'may lift'],
] as const;
const outers = [
  ['x', 'bars along x'],
  ['y', 'bars along y'],
] as const;

/** What a panel rests on besides its plan: names, method, materials, cover, and everything the code leaves open. */
export function PanelBasis({ project, member, faults }: PanelProps) {
  const change = useChange(member);
  const code = codeOf(project, member);
  const rows = basisRows<PanelMember>({ project, faults, change });
  const { quantity, optional } = rows;
  return (
    <div className="grid grid-cols-2 gap-x-8 gap-y-3 overflow-auto px-3.5 py-2">
      <section>
        <h2>Member</h2>
        {rows.text('Mark', member.mark, (m, v) => void (m.mark = v))}
        {rows.text('Title', member.title, (m, v) => void (m.title = v))}
        {rows.text('Place', member.place, (m, v) => void (m.place = v))}
        {quantity('Side along x', 'span', 'lx', member.lx, (m, v) => void (m.lx = v))}
        {quantity('Side along y', 'span', 'ly', member.ly, (m, v) => void (m.ly = v))}
        {quantity('Depth h', 'length', 'h', member.h, (m, v) => void (m.h = v))}
        {quantity('Width of supports', 'length', 'supportWidth', member.supportWidth, (m, v) => void (m.supportWidth = v))}
        {code.slab.usesBeamStiffness &&
          optional(
            'Beams over slab, αfm',
            'ratio',
            'beamStiffness',
            member.beamStiffness,
            (m, v) => void (m.beamStiffness = v),
            'stiff, over 2',
          )}
        {rows.pick('Corners', member.isHeldDown ? 'yes' : 'no', yesNo, (m, v) => void (m.isHeldDown = v === 'yes'))}
        <h2 className="mt-3">How moments are found</h2>
        {rows.pick(
          'Method',
          member.method,
          methods.filter(([k]) => k !== 'coefficients' || member.method === k || code.slab.panelCoefficients !== undefined),
          (m, v) => void (m.method = v),
        )}
        {member.method === 'strips' ? (
          optional('Load along x', 'percent', 'share', member.share, (m, v) => void (m.share = v), 'from equal deflections')
        ) : member.method === 'yieldLines' ? (
          <>
            {quantity('Hogging over sagging', 'ratio', 'supportRatio', member.supportRatio, (m, v) => void (m.supportRatio = v))}
            {optional('Along y over along x', 'ratio', 'mu', member.mu, (m, v) => void (m.mu = v), 'square of the sides')}
          </>
        ) : null}
        {rows.fault('method')}
        <p className="small">
          Self-weight {formatQuantity(member.h * member.unitWeight, 'areaLoad', project.display)}. Both methods answer quickly and by hand;
          neither knows the stiffness of the beams below.
        </p>
      </section>
      <section>
        <h2>Materials and cover</h2>
        {slabMaterialRows(rows, codeOf(project, member), member)}
        {rows.pick('Outermost are the', member.outer, outers, (m, v) => void (m.outer = v))}
        <CheckBox
          label="Partitions or finishes that can be damaged"
          checked={member.hasPartitions}
          onCheck={(on) => change('partitions', (m) => void (m.hasPartitions = on))}
        />
      </section>
      <section>
        <h2>What the code leaves open</h2>
        <Assumptions choices={kindOf(member).choices(code)} code={code} member={member} />
      </section>
    </div>
  );
}
