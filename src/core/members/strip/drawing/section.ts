import { findBar, catalogues, type CatalogueId } from '../../../materials/bars';
import type { SlabBars } from '../../../reinforcement/slab-bars';
import type { StripHandle } from './handles';
import { areaOf, circleAt, textAt, dimension, line, type Drawing, type Point, type Shape } from '../../../drawing/shapes';

/** A layer of bars in a cut: those that the cut goes through. */
export interface CutLayer {
  readonly bars: SlabBars;
  /** Set midway between the bars of the layer before it. */
  readonly isBetween?: boolean;
  readonly label: string;
  readonly edit: StripHandle;
}

export interface SlabSectionPicture {
  readonly h: number;
  readonly width: number;
  readonly cover: { readonly top: number; readonly bottom: number };
  readonly catalogue: CatalogueId;
  readonly top: readonly CutLayer[];
  readonly bottom: readonly CutLayer[];
  /** Bars across, seen from the side. */
  readonly across: { readonly top: SlabBars | null; readonly bottom: SlabBars };
  readonly outer: 'along' | 'across';
  readonly labels: { readonly h: string; readonly width: string; readonly coverTop: string; readonly coverBottom: string };
  /** Whether the depth is that of the slab or of the span. */
  readonly depthEdit: StripHandle;
  /** Depth of the stress block, from the compressed face. */
  readonly block: { readonly face: 'top' | 'bottom'; readonly depth: number } | null;
}

/** A cut through a strip of slab to scale: concrete, bars at their spacing, those across from the side, and what is edited on it. */
export function slabSectionDrawing(p: SlabSectionPicture, width: number, height: number): Drawing<StripHandle> {
  const scale = Math.min((width - 92) / p.width, (height - 74) / p.h);
  const left = (width - p.width * scale) / 2 + 2;
  const top = (height - p.h * scale) / 2;
  const at = (x: number, fromTop: number): Point => [left + x * scale, top + fromTop * scale];
  const box = (from: number, to: number): Point[] => [at(0, from), at(p.width, from), at(p.width, to), at(0, to)];
  const shapes: Shape<StripHandle>[] = [areaOf({ fill: 'concrete' }, ...box(0, p.h))];
  if (p.block) {
    const { face, depth } = p.block;
    shapes.push(areaOf({ fill: 'compression' }, ...(face === 'top' ? box(0, depth) : box(p.h - depth, p.h))));
  }
  // The slab goes on at both sides.
  shapes.push(line(at(0, 0), at(p.width, 0), 'cut'), line(at(0, p.h), at(p.width, p.h), 'cut'));
  for (const x of [0, p.width]) shapes.push(line(at(x, -0.08 * p.h), at(x, 1.08 * p.h), 'grid'));
  shapes.push(...barsOf(p, 'top', at, scale), ...barsOf(p, 'bottom', at, scale));
  const x = left - 14;
  shapes.push(...dimension([x, at(0, p.h)[1]], [x, top], p.labels.h, p.depthEdit, 'Depth of the slab'));
  const y = at(0, p.h)[1] + 36;
  shapes.push(...dimension([left, y], [left + p.width * scale, y], p.labels.width));
  const layers = [...p.top.map((l) => ({ ...l, y: top - 9 })), ...p.bottom.map((l) => ({ ...l, y: at(0, p.h)[1] + 16 }))];
  const count = { top: 0, bottom: 0 };
  for (const layer of layers) {
    const face = layer.y < top ? 'top' : 'bottom';
    const n = count[face]++;
    shapes.push(
      textAt([left + (n + 0.5) * ((p.width * scale) / (face === 'top' ? p.top.length : p.bottom.length)), layer.y], layer.label, 'strong', {
        anchor: 'middle',
        edit: layer.edit,
        label: `${face === 'top' ? 'Top' : 'Bottom'} bars in this section`,
      }),
    );
  }
  const right = left + p.width * scale + 6;
  shapes.push(
    textAt([right, top + 10], p.labels.coverTop, 'plain', { edit: { of: 'cover', face: 'top' }, label: 'Cover, top' }),
    textAt([right, at(0, p.h)[1] - 3], p.labels.coverBottom, 'plain', { edit: { of: 'cover', face: 'bottom' }, label: 'Cover, bottom' }),
  );
  return { width, height, title: 'Section', shapes };
}

const diameterOf = (size: string, catalogue: CatalogueId) => findBar(catalogues[catalogue], size)?.diameter ?? 10;

/** Discs of the bars along the span, and a line for those across. */
function barsOf(p: SlabSectionPicture, face: 'top' | 'bottom', at: (x: number, fromTop: number) => Point, scale: number): Shape<never>[] {
  const across = p.across[face];
  const acrossDiameter = across ? diameterOf(across.size, p.catalogue) : 0;
  const inset = p.cover[face] + (p.outer === 'across' ? acrossDiameter : 0);
  const y = (fromFace: number) => (face === 'top' ? fromFace : p.h - fromFace);
  const layers = p[face];
  const discs = layers.flatMap((layer) => {
    const { size, alternate, spacing } = layer.bars;
    const first = spacing / 2 + (layer.isBetween ? spacing / 2 : 0);
    const count = Math.max(0, Math.floor((p.width - first) / spacing + 1e-6) + 1);
    return Array.from({ length: count }, (_, i): Shape<never> => {
      const diameter = diameterOf(i % 2 === 1 && alternate ? alternate : size, p.catalogue);
      return circleAt(at(first + i * spacing, y(inset + diameter / 2)), Math.max(2.2, (diameter * scale) / 2), { fill: 'steel' });
    });
  });
  const thickest = Math.max(
    0,
    ...layers.flatMap((l) => [l.bars.size, l.bars.alternate ?? l.bars.size].map((s) => diameterOf(s, p.catalogue))),
  );
  const level = p.outer === 'across' ? p.cover[face] + acrossDiameter / 2 : p.cover[face] + thickest + acrossDiameter / 2;
  return [...(across && layers.length > 0 ? [line(at(0, y(level)), at(p.width, y(level)), 'bar')] : []), ...discs];
}
