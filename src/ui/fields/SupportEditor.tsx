'use client';
import { Select } from '@/ui/fields/Select';
import { CheckBox } from '@/ui/fields/CheckBox';
import { Popover } from 'radix-ui';
import { keyOf, type Handle } from '@/core/drawing/shapes';
import { isBeam, supportName, type BeamSupport, type SupportType } from '@/core/members/beam/input';
import type { Project } from '@/core/project/project';
import type { LineMember } from '@/core/members/strip/input';
import { onMember } from '@/store/commands';
import { useProject } from '@/store/project-store';
import { QuantityInput } from './QuantityInput';
import { useDrawnAnchor } from '@/ui/drawing/use-drawn-anchor';

const supportTypes: readonly (readonly [SupportType, string])[] = [
  ['pinned', 'pinned'],
  ['fixed', 'fixed'],
  ['spring', 'spring'],
];

/** Everything about one support: type, width, springs, settlement, redistribution. */
export function SupportEditor({
  project,
  member,
  index,
  target,
  onClose,
}: {
  project: Project;
  member: LineMember;
  index: number;
  target: Element;
  onClose: () => void;
}) {
  const edit = useProject((s) => s.edit);
  const support = member.supports[index]!;
  const name = supportName(index);
  const anchor = useDrawnAnchor(keyOf({ of: 'support', support: index } as Handle), target);
  const set = (what: string, patch: Partial<BeamSupport>) =>
    edit(
      `${what} of support ${name} of ${member.mark}`,
      onMember(member, (m) => void Object.assign(m.supports[index]!, patch)),
    );
  const isEnd = index === 0 || index === member.spans.length;
  const row = 'grid grid-cols-[7rem_1fr] items-center gap-2 py-0.5';
  const number = (
    label: string,
    kind: Parameters<typeof QuantityInput>[0]['kind'],
    value: number | null,
    key: keyof BeamSupport,
    empty?: string,
  ) => (
    <label className={row}>
      {label}
      <QuantityInput
        kind={kind}
        system={project.display}
        value={value}
        placeholder={empty}
        label={label}
        onKeep={(v) => set(label.toLowerCase(), { [key]: v ?? null })}
        allowEmpty={empty !== undefined}
      />
    </label>
  );
  return (
    <Popover.Root open onOpenChange={(open) => !open && onClose()}>
      <Popover.Anchor virtualRef={anchor} />
      <Popover.Portal>
        <Popover.Content
          side="bottom"
          sideOffset={10}
          collisionPadding={8}
          className="framed z-30 w-72 px-3 py-2"
          aria-label={`Support ${name}`}
        >
          <b className="font-semibold">Support {name}</b>
          <label className={row}>
            Type
            <Select<SupportType>
              label="Type"
              value={support.type}
              options={isEnd ? [...supportTypes, ['free', 'free end']] : supportTypes}
              onPick={(type) => set('type', { type })}
            />
          </label>
          {support.type !== 'free' && (
            <>
              {number('Width', 'length', support.width, 'width')}
              {support.type === 'spring' && number('Vertical spring', 'springVertical', support.vertical, 'vertical', 'rigid')}
              {support.type === 'spring' && number('Rotation spring', 'springRotation', support.rotation, 'rotation', 'none')}
              {number('Settlement', 'smallLength', support.settlement, 'settlement')}
              <label className={row}>
                Moment kept
                <QuantityInput
                  kind="percent"
                  system={project.display}
                  value={support.redistribution}
                  label="Moment kept after redistribution"
                  onKeep={(v) => set('redistribution', { redistribution: v ?? 1 })}
                />
              </label>
              {isBeam(member) && (
                <CheckBox
                  label="Holds the beam against twisting"
                  checked={support.holdsTwist !== false}
                  onCheck={(on) => set('hold against twisting', { holdsTwist: on })}
                />
              )}
              <p className="small">Moment kept: 85 % redistributes 15 % of the support moment into the spans.</p>
            </>
          )}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
