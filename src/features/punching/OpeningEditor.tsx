'use client';
import { castDraft } from 'immer';
import type { PunchingMember, SlabOpening } from '@/core/members/punching/input';
import { DrawnPopover, type EditorProps } from '@/ui/drawing/DrawnPopover';
import { entriesOf } from '@/ui/fields/Select';
import { editorRow, useRows } from '@/ui/fields/use-rows';

const shapes = { rectangle: 'rectangle', circle: 'circle' };
const centre = { x: 'Centre x', y: 'Centre y' };
const fields = { circle: { ...centre, diameter: 'Diameter' }, rectangle: { ...centre, b: 'Along x', h: 'Along y' } };

/** An opening near the column: where it is from the column's centre, and how large. */
export function OpeningEditor({ project, member, index, ...place }: EditorProps<PunchingMember> & { index: number }) {
  const name = `opening ${index + 1}`;
  const { change, choose, quantity } = useRows(project, member, { row: editorRow, part: `of ${name}` });
  const opening = member.openings[index];
  if (!opening) return null;
  const takeAway = () => {
    change(name, (m) => void m.openings.splice(index, 1));
    place.onClose();
  };
  return (
    <DrawnPopover title={`Opening ${index + 1}`} {...place}>
      {choose(
        'Shape',
        opening.kind,
        shapes,
        (m, kind) => void (m.openings[index] = castDraft(reshaped(opening, kind))),
        'Shape of the opening',
      )}
      {entriesOf<'x' | 'y' | 'b' | 'h' | 'diameter'>(fields[opening.kind]).map(([key, label]) =>
        quantity(label, 'length', `openings[${index}].${key}`, { name: `${label} of ${name}` }),
      )}
      <button type="button" className="link" onClick={takeAway}>
        take this opening away
      </button>
    </DrawnPopover>
  );
}

function reshaped(o: SlabOpening, kind: SlabOpening['kind']): SlabOpening {
  const size = o.kind === 'circle' ? o.diameter : Math.min(o.b, o.h);
  return kind === 'circle' ? { kind, x: o.x, y: o.y, diameter: size } : { kind, x: o.x, y: o.y, b: size, h: size };
}
