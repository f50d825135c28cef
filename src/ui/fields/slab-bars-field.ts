import { catalogues, findBar, type CatalogueId } from '@/core/materials/bars';
import type { Project } from '@/core/project/project';
import type { SlabBars } from '@/core/reinforcement/slab-bars';
import { parseQuantity, tidied } from '@/core/units/parse';
import { layerLabel } from '@/core/members/parts/bar-labels';
import { setAt, valueAt, type FieldOf } from './paths';
import { choosableAt, type Field, type FieldPlace } from './value-field';

type ReadSlabBars = { readonly ok: true; readonly bars: SlabBars } | { readonly ok: false; readonly reason: string };

/** Reads "H16 @ 150" or "H16 / H12 @ 125". */
export function readSlabBars(text: string, member: { readonly catalogue: CatalogueId }, display: Project['display']): ReadSlabBars {
  const match = /^(.+?) ?(?:@|at) ?(.+)$/.exec(tidied(text) ?? '');
  if (!match) return { ok: false, reason: 'Type sizes and a spacing, such as H16 @ 150 or H16 / H12 @ 125.' };
  const catalogue = catalogues[member.catalogue];
  const bars = match[1]!.split('/').map((s) => findBar(catalogue, s.trim()));
  if (bars.length > 2 || bars.some((b) => !b))
    return { ok: false, reason: `No such size; there are ${catalogue.bars.map((b) => b.name).join(', ')}.` };
  const spacing = parseQuantity(match[2]!, 'length', display);
  if (!spacing.ok) return spacing;
  return { ok: true, bars: { size: bars[0]!.name, alternate: bars[1]?.name ?? null, spacing: spacing.value } };
}

/** The layer of bars at a path, by size and spacing; arrows change the spacing. `shown` is the layer
 *  chosen there, where it may be left to be chosen; a layer set by hand is the member's own, as what is shown may be of the input before. */
export function layerField<M extends { readonly catalogue: CatalogueId }>(
  place: FieldPlace<M>,
  path: FieldOf<M, SlabBars>,
  label: string,
  shown?: SlabBars | null,
): Field<M> {
  const { project, member } = place;
  const own = valueAt(member, path) as SlabBars | null;
  const layer = own ?? shown;
  const step = project.display === 'US' ? 25.4 : 25;
  return {
    label,
    hint: own ? `${shown === undefined ? '' : 'set by hand; '}sizes that alternate are parted by a stroke` : 'chosen automatically',
    unit: '',
    text: layer ? layerLabel(layer, project) : '',
    parse: (text) => {
      if (shown !== undefined && /^\s*(auto.*)?$/i.test(text)) return { ok: true, apply: (m) => setAt(m, path, null) };
      const read = readSlabBars(text, member, project.display);
      return read.ok ? { ok: true, apply: (m) => setAt(m, path, read.bars) } : read;
    },
    step: (text, direction, size) => {
      const read = readSlabBars(text, member, project.display);
      if (!read.ok) return text;
      return layerLabel({ ...read.bars, spacing: Math.max(step, read.bars.spacing + direction * (size === 10 ? 4 : 1) * step) }, project);
    },
    stepHint: project.display === 'US' ? '1 in' : '25 mm',
    ...(shown === undefined ? {} : choosableAt(place, path)),
  };
}
