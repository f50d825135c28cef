'use client';
import { castDraft, type Draft } from 'immer';
import type { SlabOpening } from '@/core/members/punching/input';
import type { PunchingMember } from '@/core/members/punching/input';
import { onMember } from '@/store/commands';
import { useProject } from '@/store/project-store';
import { DrawnPopover, editorRow, type EditorProps } from '@/ui/drawing/DrawnPopover';
import { QuantityInput } from '@/ui/fields/QuantityInput';
import { Select } from '@/ui/fields/Select';

/** An opening near the column: where it is from the column's centre, and how large. */
export function OpeningEditor({ project, member, index, ...place }: EditorProps<PunchingMember> & { index: number }) {
  const edit = useProject((s) => s.edit);
  const opening = member.openings[index];
  if (!opening) return null;
  const name = `opening ${index + 1}`;
  const change = (recipe: (m: Draft<PunchingMember>) => void) => edit(`${name} of ${member.mark}`, onMember(member, recipe));
  const fields: readonly (readonly [string, string])[] =
    opening.kind === 'circle'
      ? [['x', 'Centre x'], ['y', 'Centre y'], ['diameter', 'Diameter']]
      : [['x', 'Centre x'], ['y', 'Centre y'], ['b', 'Along x'], ['h', 'Along y']]; // prettier-ignore
  return (
    <DrawnPopover title={`Opening ${index + 1}`} {...place}>
      <label className={editorRow}>
        Shape
        <Select
          label="Shape of the opening"
          value={opening.kind}
          options={[
            ['rectangle', 'rectangle'],
            ['circle', 'circle'],
          ]}
          onPick={(kind) => change((m) => void (m.openings[index] = castDraft(reshaped(opening, kind))))}
        />
      </label>
      {fields.map(([key, label]) => (
        <label key={key} className={editorRow}>
          {label}
          <QuantityInput
            kind="length"
            system={project.display}
            value={(opening as unknown as Record<string, number>)[key]!}
            label={`${label} of ${name}`}
            onKeep={(v) => v !== null && change((m) => void Object.assign(m.openings[index]!, { [key]: v }))}
          />
        </label>
      ))}
      <button
        type="button"
        className="link"
        onClick={() => {
          change((m) => void m.openings.splice(index, 1));
          place.onClose();
        }}
      >
        take this opening away
      </button>
    </DrawnPopover>
  );
}

function reshaped(o: SlabOpening, kind: SlabOpening['kind']): SlabOpening {
  const size = o.kind === 'circle' ? o.diameter : Math.min(o.b, o.h);
  return kind === 'circle' ? { kind, x: o.x, y: o.y, diameter: size } : { kind, x: o.x, y: o.y, b: size, h: size };
}
