import { catalogues, findBar, type CatalogueId } from '../materials/bars';
import type { BarGroup } from './bar-groups';

/** A layer of bars in a slab: one size, or two that alternate, at one spacing (mm). */
export interface SlabBars {
  readonly size: string;
  readonly alternate: string | null;
  readonly spacing: number;
}

/** Area of the bars of a layer per length (mm2/mm), and the thickest of them. */
export function layerOf(bars: SlabBars, catalogue: CatalogueId): { readonly area: number; readonly diameter: number } {
  const sizes = [bars.size, bars.alternate ?? bars.size].map((s) => findBar(catalogues[catalogue], s)!);
  return { area: (sizes[0]!.area + sizes[1]!.area) / 2 / bars.spacing, diameter: Math.max(...sizes.map((s) => s.diameter)) };
}

/** The bars of a layer that lie in a strip of a width (mm): their number is no whole one. */
export function groupsIn(bars: SlabBars, width: number): BarGroup[] {
  const count = width / bars.spacing;
  if (!bars.alternate) return [{ count, size: bars.size }];
  return [
    { count: count / 2, size: bars.size },
    { count: count / 2, size: bars.alternate },
  ];
}
