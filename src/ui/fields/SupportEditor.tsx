'use client';
import { entriesOf, type Options } from './Select';
import type { Handle } from '@/core/drawing/shapes';
import { isBeam, supportName, type SupportType } from '@/core/members/beam/input';
import type { LineMember } from '@/core/members/strip/input';
import type { Project } from '@/core/project/project';
import { DrawnPopover } from '@/ui/drawing/DrawnPopover';
import { editorRow, useRows } from './use-rows';

const supportTypes: Options<SupportType> = { pinned: 'pinned', fixed: 'fixed', spring: 'spring', free: 'free end' };

interface SupportProps {
  readonly project: Project;
  readonly member: LineMember;
  readonly index: number;
  readonly target: Element;
  readonly onClose: () => void;
}

/** Everything about one support: type, width, springs, settlement, redistribution. */
export function SupportEditor({ project, member, index, ...place }: SupportProps) {
  const name = supportName(index);
  const { pick, quantity, box } = useRows(project, member, { row: editorRow, part: `of support ${name}` });
  const { type } = member.supports[index]!;
  const isEnd = index === 0 || index === member.spans.length;
  const at = `supports[${index}]` as const;
  return (
    <DrawnPopover title={`Support ${name}`} side="bottom" handle={{ of: 'support', support: index } as Handle} {...place}>
      {pick(
        'Type',
        `${at}.type`,
        entriesOf(supportTypes).filter(([value]) => isEnd || value !== 'free'),
      )}
      {type !== 'free' && (
        <>
          {quantity('Width', 'length', `${at}.width`)}
          {type === 'spring' && [
            quantity('Vertical spring', 'springVertical', `${at}.vertical`, { empty: 'rigid' }),
            quantity('Rotation spring', 'springRotation', `${at}.rotation`, { empty: 'none' }),
          ]}
          {quantity('Settlement', 'smallLength', `${at}.settlement`)}
          {quantity('Redistribution ratio δ', 'ratio', `${at}.redistribution`, { name: 'Redistribution ratio δ' })}
          {isBeam(member) && box('Holds the beam against twisting', `${at}.holdsTwist`)}
          <p className="small">δ is the moment after over the moment before: 0.85 moves 15 % of the support moment into the spans.</p>
        </>
      )}
    </DrawnPopover>
  );
}
