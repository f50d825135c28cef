import type { Draft } from 'immer';
import { catalogues, findBar, type CatalogueId } from '@/core/materials/bars';
import type { Project } from '@/core/project/project';
import type { SlabBars } from '@/core/reinforcement/slab-bars';
import { parseQuantity } from '@/core/units/parse';
import { layerLabel } from '@/core/members/parts/bar-labels';
import type { Field } from './value-field';

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

/** Bars by size at a spacing; arrows change the spacing, the larger step the size. */
export function slabBarsField<M extends { readonly catalogue: CatalogueId }>(
  project: Pick<Project, 'code' | 'display'>,
  member: M,
  label: string,
  own: SlabBars | null,
  shown: SlabBars | null,
  set: (m: Draft<M>, b: SlabBars | null) => void,
): Field<M> {
  const step = project.display === 'US' ? 25.4 : 25;
  return {
    label,
    hint: own ? 'set by hand; sizes that alternate are parted by a stroke' : 'chosen automatically',
    unit: '',
    text: shown ? layerLabel(shown, project) : '',
    parse: (text) => {
      if (/^\s*(auto.*)?$/i.test(text)) return { ok: true, apply: (m: Draft<M>) => set(m, null) };
      const read = readSlabBars(text, member, project.display);
      return read.ok ? { ok: true, apply: (m: Draft<M>) => set(m, read.bars) } : read;
    },
    step: (text, direction, size) => {
      const read = readSlabBars(text, member, project.display);
      if (!read.ok) return text;
      return layerLabel({ ...read.bars, spacing: Math.max(step, read.bars.spacing + direction * (size === 10 ? 4 : 1) * step) }, project);
    },
    stepHint: project.display === 'US' ? '1 in' : '25 mm',
    ...(own ? { reset: (m: Draft<M>) => set(m, null) } : {}),
  };
}
