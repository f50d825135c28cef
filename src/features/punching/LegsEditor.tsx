'use client';
import type { Draft } from 'immer';
import { catalogues } from '@/core/materials/bars';
import type { PunchingLegs } from '@/core/members/punching/input';
import type { PunchingMember } from '@/core/members/punching/input';
import { usualSizes } from '@/core/reinforcement/usual-sizes';
import { onMember } from '@/store/commands';
import { useProject } from '@/store/project-store';
import { DrawnPopover, editorRow, type EditorProps } from '@/ui/drawing/DrawnPopover';
import { QuantityInput } from '@/ui/fields/QuantityInput';
import { Select } from '@/ui/fields/Select';

type Kind = PunchingLegs['kind'] | 'none';

/** Legs around the column: links on perimeters or rails of studs, how many, and where. */
export function LegsEditor({ project, member, ...place }: EditorProps<PunchingMember>) {
  const edit = useProject((s) => s.edit);
  const { legs } = member;
  const change = (recipe: (m: Draft<PunchingMember>) => void) => edit(`legs of ${member.mark}`, onMember(member, recipe));
  const setKind = (kind: Kind) =>
    change((m) => {
      if (kind === 'none') m.legs = null;
      else if (m.legs) m.legs.kind = kind;
      else {
        const usual = usualSizes[m.catalogue];
        const about = Math.round((0.4 * m.h) / usual.spacingStep) * usual.spacingStep;
        m.legs = { kind, layout: 'round', size: usual.links[1]!, legs: 12, perimeters: 3, first: about, spacing: about };
      }
    });
  const number = (key: 'legs' | 'perimeters', label: string) => (
    <label className={editorRow}>
      {label}
      <QuantityInput
        kind="number"
        system={project.display}
        value={legs![key]}
        label={label}
        onKeep={(v) => v !== null && change((m) => void (m.legs![key] = v))}
      />
    </label>
  );
  const length = (key: 'first' | 'spacing', label: string) => (
    <label className={editorRow}>
      {label}
      <QuantityInput
        kind="length"
        system={project.display}
        value={legs![key]}
        label={label}
        onKeep={(v) => v !== null && change((m) => void (m.legs![key] = v))}
      />
    </label>
  );
  return (
    <DrawnPopover title="Legs in the slab" {...place}>
      <label className={editorRow}>
        Kind
        <Select<Kind>
          label="Kind of legs"
          value={legs?.kind ?? 'none'}
          options={[
            ['none', 'none'],
            ['links', 'links on perimeters'],
            ['studs', 'studs on rails'],
          ]}
          onPick={setKind}
        />
      </label>
      {legs && (
        <>
          <label className={editorRow}>
            Size
            <Select
              label="Size of the legs"
              value={legs.size}
              options={catalogues[member.catalogue].bars.map((b) => [b.name, b.name] as const)}
              onPick={(size) => change((m) => void (m.legs!.size = size))}
            />
          </label>
          {legs.kind === 'links' && (
            <label className={editorRow}>
              Perimeters
              <Select
                label="Shape of the perimeters"
                value={legs.layout ?? 'round'}
                options={[
                  ['round', 'round the column'],
                  ['rectangular', 'with square corners'],
                ]}
                onPick={(layout) => change((m) => void (m.legs!.layout = layout))}
              />
            </label>
          )}
          {number('legs', legs.kind === 'links' ? 'Legs on a perimeter' : 'Rails')}
          {number('perimeters', legs.kind === 'links' ? 'Perimeters' : 'Studs on a rail')}
          {length('first', 'First from the column')}
          {length('spacing', 'Then every')}
        </>
      )}
    </DrawnPopover>
  );
}
