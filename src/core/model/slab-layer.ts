import { catalogues, type Bar, type CatalogueId } from '../materials/bars';
import type { SlabBars } from '../reinforcement/slab-bars';
import { barNamed, betweenEnds, type BendType, type DraftSet } from './bar-set';
import type { Corner, Place } from './centre-line';

/** A layer of slab bars side by side: the concrete that they are spread over, less its covers, and what one of them looks like. */
export interface SlabLayer extends Pick<DraftSet, 'zone' | 'face' | 'layer' | 'span' | 'source'> {
  readonly bars: SlabBars;
  readonly over: readonly [from: number, to: number];
  /** The bar that stands at a place of the row. */
  readonly shape: (bar: Bar, at: number) => { readonly bend: BendType; readonly corners: readonly Corner[] };
  /** The direction of the row. */
  readonly row: 'x' | 'y';
}

/** The sets of a layer: one, or two where sizes alternate. Bars stand no further apart than their spacing, the outer ones at the covers. */
export function layerSets({ bars, over, shape, row, ...base }: SlabLayer, id: CatalogueId): DraftSet[] {
  const sizes = [bars.size, ...(bars.alternate ? [bars.alternate] : [])].map((size) => barNamed(size, catalogues[id]));
  const half = Math.max(...sizes.map((b) => b.diameter)) / 2;
  const all = betweenEnds(over[0] + half, over[1] - half, bars.spacing);
  return sizes.map((bar, i): DraftSet => {
    const own = all.filter((_, k) => k % sizes.length === i);
    const shift = (v: number): Place => (row === 'x' ? [v, 0, 0] : [0, v, 0]);
    return {
      ...base,
      role: 'bar',
      bar,
      ...shape(bar, own[0] ?? 0),
      hook: 0,
      shifts: own.map((v) => shift(v - own[0]!)),
      spacing: bars.spacing * sizes.length,
    };
  });
}
