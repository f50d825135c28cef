import type { Draft } from 'immer';
import { slabSides, type SlabSide } from '@/core/geometry/control-perimeter';
import { catalogues, findBar } from '@/core/materials/bars';
import { layerLabel } from '@/core/project/labels';
import type { Project, PunchingMember } from '@/core/project/project';
import type { SlabBars } from '@/core/reinforcement/slab-bars';
import { parseQuantity } from '@/core/units/parse';
import { quantityField, type Field } from '@/ui/value-field';

type M = Draft<PunchingMember>;

type ReadLayer = { readonly ok: true; readonly bars: SlabBars } | { readonly ok: false; readonly reason: string };

export function readLayer(text: string, member: Pick<PunchingMember, 'catalogue'>, display: Project['display']): ReadLayer {
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

function layerField(project: Project, member: PunchingMember, key: 'barsX' | 'barsY'): Field<PunchingMember> {
  return {
    label: `Top bars along ${key === 'barsX' ? 'x' : 'y'}`,
    hint: 'sizes that alternate are parted by a stroke',
    unit: '',
    text: layerLabel(member[key], project),
    parse: (text) => {
      const read = readLayer(text, member, project.display);
      return read.ok ? { ok: true, apply: (m: M) => void (m[key] = read.bars) } : read;
    },
  };
}

/** The field of a value on the plan; undefined for what has an editor of its own. */
export function punchingField(path: string, project: Project, member: PunchingMember): Field<PunchingMember> | undefined {
  const length = (label: string, hint: string, value: number, set: (m: M, v: number) => void) =>
    quantityField<PunchingMember>({ project }, label, hint, 'length', value, set);
  const side = /^edges\.(\w+)$/.exec(path)?.[1] as SlabSide | undefined;
  if (side && slabSides.includes(side) && member.edges[side] !== null)
    return length(`To the ${side} edge`, 'from the face of the column', member.edges[side], (m, v) => void (m.edges[side] = v));
  if (path === 'h') return length('Depth of the slab', 'without the thicker part', member.h, (m, v) => void (m.h = v));
  if (path === 'barsX' || path === 'barsY') return layerField(project, member, path);
  const key = /^column\.(b|h|diameter)$/.exec(path)?.[1] as 'b' | 'h' | 'diameter' | undefined;
  if (!key || !(key in member.column)) return undefined;
  const value = (member.column as unknown as Record<string, number>)[key]!;
  const names = { b: 'Column along x', h: 'Column along y', diameter: 'Diameter of the column' };
  return length(names[key], 'outside', value, (m, v) => void Object.assign(m.column, { [key]: v }));
}
