import { catalogues, findBar, type CatalogueId } from '@/core/materials/bars';
import type { Project } from '@/core/project/project';
import type { SlabBars } from '@/core/reinforcement/slab-bars';
import { parseQuantity } from '@/core/units/parse';

type ReadSlabBars = { readonly ok: true; readonly bars: SlabBars } | { readonly ok: false; readonly reason: string };

/** Reads "H16 @ 150" or "H16 / H12 @ 125". */
export function readSlabBars(text: string, member: { readonly catalogue: CatalogueId }, display: Project['display']): ReadSlabBars {
  const match = /^\s*(.+?)\s*(?:@|at)\s*(.+)$/.exec(text);
  if (!match) return { ok: false, reason: 'Type sizes and a spacing, such as H16 @ 150 or H16 / H12 @ 125.' };
  const catalogue = catalogues[member.catalogue];
  const bars = match[1]!.split('/').map((s) => findBar(catalogue, s.trim()));
  if (bars.length > 2 || bars.some((b) => !b))
    return { ok: false, reason: `No such size; there are ${catalogue.bars.map((b) => b.name).join(', ')}.` };
  const spacing = parseQuantity(match[2]!, 'length', display);
  if (!spacing.ok) return spacing;
  return { ok: true, bars: { size: bars[0]!.name, alternate: bars[1]?.name ?? null, spacing: spacing.value } };
}
