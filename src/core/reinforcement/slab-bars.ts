import { catalogues, findBar, type CatalogueId } from '../materials/bars';
import type { BarGroup } from './bar-groups';
import { usualSizes } from './usual-sizes';

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

const isSlabSpacing = (spacing: number) => spacing >= 40 && spacing <= 1000;
const SPACING = 'Bars of a slab stand between 40 mm and 1 m apart.';

/** A size that the catalogue does not have, or a spacing that cannot be meant. */
export function slabBarFaults(path: string, bars: SlabBars | null, id: CatalogueId): { readonly path: string; readonly reason: string }[] {
  if (!bars) return [];
  const catalogue = catalogues[id];
  const missing = [bars.size, ...(bars.alternate ? [bars.alternate] : [])].find((s) => !findBar(catalogue, s));
  if (missing !== undefined) return [{ path: `${path}.size`, reason: `There is no bar "${missing}" among ${catalogue.title} bars.` }];
  return isSlabSpacing(bars.spacing) ? [] : [{ path: `${path}.spacing`, reason: SPACING }];
}

/** What a choice of bars may use; an empty list is everything usual. */
export interface SlabBarRules {
  readonly sizes: readonly string[];
  readonly spacings: readonly number[];
}

/** Sizes that the catalogue does not have, or spacings that cannot be meant, among what may be chosen. */
export function slabRuleFaults({ sizes, spacings }: SlabBarRules, id: CatalogueId): { readonly path: string; readonly reason: string }[] {
  const catalogue = catalogues[id];
  return [
    ...sizes.flatMap((size, i) =>
      findBar(catalogue, size)
        ? []
        : [{ path: `barRules.sizes[${i}]`, reason: `There is no bar "${size}" among ${catalogue.title} bars.` }],
    ),
    ...spacings.flatMap((spacing, i) => (isSlabSpacing(spacing) ? [] : [{ path: `barRules.spacings[${i}]`, reason: SPACING }])),
  ];
}

/** The layers that may be chosen, thinnest and closest first. */
export function slabOptions({ catalogue, barRules }: { readonly catalogue: CatalogueId; readonly barRules: SlabBarRules }): SlabBars[] {
  const usual = usualSizes[catalogue].slab;
  const sizes = barRules.sizes.length > 0 ? barRules.sizes : usual.sizes;
  const spacings = barRules.spacings.length > 0 ? [...barRules.spacings].sort((a, b) => a - b) : usual.spacings;
  return sizes.flatMap((size) => spacings.map((spacing) => ({ size, alternate: null, spacing })));
}

/** What an arrangement costs beside its steel: bars closer than is easy to lay. */
export const layingScore = (area: number, spacing: number): number => area * (1 + Math.max(0, (150 - spacing) / 1000));
