'use client';
import type { Draft } from 'immer';
import type { PunchingLegs, PunchingMember } from '@/core/members/punching/input';
import { usualSizes } from '@/core/reinforcement/usual-sizes';
import { DrawnPopover, type EditorProps } from '@/ui/drawing/DrawnPopover';
import { editorRow, sizeOptions, useRows } from '@/ui/fields/use-rows';

type Kind = PunchingLegs['kind'] | 'none';
const kinds = { none: 'none', links: 'links on perimeters', studs: 'studs on rails' };
const layouts = { round: 'round the column', rectangular: 'with square corners' };

/** Legs around the column: links on perimeters or rails of studs, how many, and where. */
export function LegsEditor({ project, member, ...place }: EditorProps<PunchingMember>) {
  const { choose, pick, quantity } = useRows(project, member, { row: editorRow, part: 'of the legs' });
  const { legs } = member;
  const areLinks = legs?.kind === 'links';
  return (
    <DrawnPopover title="Legs in the slab" {...place}>
      {choose('Kind', legs?.kind ?? 'none', kinds, setKind, 'Kind of legs')}
      {legs && (
        <>
          {pick('Size', 'legs.size', sizeOptions(member.catalogue), 'Size of the legs')}
          {areLinks && pick('Perimeters', 'legs.layout', layouts, 'Shape of the perimeters')}
          {quantity(areLinks ? 'Legs on a perimeter' : 'Rails', 'number', 'legs.legs')}
          {quantity(areLinks ? 'Perimeters' : 'Studs on a rail', 'number', 'legs.perimeters')}
          {quantity('First from the column', 'length', 'legs.first')}
          {quantity('Then every', 'length', 'legs.spacing')}
        </>
      )}
    </DrawnPopover>
  );
}

function setKind(m: Draft<PunchingMember>, kind: Kind): void {
  if (kind === 'none') m.legs = null;
  else if (m.legs) m.legs.kind = kind;
  else {
    const usual = usualSizes[m.catalogue];
    const about = Math.round((0.4 * m.h) / usual.spacingStep) * usual.spacingStep;
    m.legs = { kind, layout: 'round', size: usual.links[1]!, legs: 12, perimeters: 3, first: about, spacing: about };
  }
}
