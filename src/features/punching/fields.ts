import type { Draft } from 'immer';
import { slabSides, type SlabSide } from '@/core/geometry/control-perimeter';
import { layerLabel } from '@/core/members/parts/bar-labels';
import type { Project } from '@/core/project/project';
import type { PunchingMember } from '@/core/members/punching/input';
import { readSlabBars } from '@/ui/slab-bars-field';
import { quantityField, type Field } from '@/ui/value-field';

type M = Draft<PunchingMember>;

function layerField(project: Project, member: PunchingMember, key: 'barsX' | 'barsY'): Field<PunchingMember> {
  return {
    label: `Top bars along ${key === 'barsX' ? 'x' : 'y'}`,
    hint: 'sizes that alternate are parted by a stroke',
    unit: '',
    text: layerLabel(member[key], project),
    parse: (text) => {
      const read = readSlabBars(text, member, project.display);
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
  if ((path === 'base.b' || path === 'base.h') && member.base) {
    const key = path.slice(5) as 'b' | 'h';
    return length(
      `Footing along ${key === 'b' ? 'x' : 'y'}`,
      'the column stands in its middle',
      member.base[key],
      (m, v) => void (m.base![key] = v),
    );
  }
  if (path === 'h') return length('Depth of the slab', 'without the thicker part', member.h, (m, v) => void (m.h = v));
  if (path === 'barsX' || path === 'barsY') return layerField(project, member, path);
  const key = /^column\.(b|h|diameter)$/.exec(path)?.[1] as 'b' | 'h' | 'diameter' | undefined;
  if (!key || !(key in member.column)) return undefined;
  const value = (member.column as unknown as Record<string, number>)[key]!;
  const names = { b: 'Column along x', h: 'Column along y', diameter: 'Diameter of the column' };
  return length(names[key], 'outside', value, (m, v) => void Object.assign(m.column, { [key]: v }));
}
