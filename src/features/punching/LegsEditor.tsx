'use client';
import type { Draft } from 'immer';
import type { PunchingLegs, PunchingMember } from '@/core/members/punching/input';
import { inLines } from '@/core/members/punching/legs';
import { usualSizes } from '@/core/reinforcement/usual-sizes';
import { DrawnPopover, type EditorProps } from '@/ui/drawing/DrawnPopover';
import { editorRow, sizeOptions, useRows } from '@/ui/fields/use-rows';

type Kind = PunchingLegs['kind'] | 'none';
const kinds = { none: 'none', links: 'links', studs: 'studs on rails' };
const layouts = {
  round: 'on perimeters round the column',
  rectangular: 'on perimeters with square corners',
  radial: 'in radial lines',
  orthogonal: 'in lines square to the faces',
};
const railLayouts = { radial: 'radial', orthogonal: 'square to the faces' };

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
          {areLinks
            ? pick('Laid out', 'legs.layout', layouts, 'Layout of the legs')
            : choose(
                'Rails',
                legs.layout === 'orthogonal' ? 'orthogonal' : 'radial',
                railLayouts,
                (m, v) => void (m.legs!.layout = v),
                'Layout of the rails',
              )}
          {quantity(inLines(legs) ? (areLinks ? 'Lines' : 'Number of rails') : 'Legs on a perimeter', 'number', 'legs.legs')}
          {quantity(inLines(legs) ? (areLinks ? 'Legs of a line' : 'Studs on a rail') : 'Perimeters', 'number', 'legs.perimeters')}
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
