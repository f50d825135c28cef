import type { Draft } from 'immer';
import type { PunchingHandle } from '@/core/members/punching/drawing';
import { layerLabel } from '@/core/members/parts/bar-labels';
import type { Project } from '@/core/project/project';
import type { PunchingMember } from '@/core/members/punching/input';
import { readSlabBars } from '@/ui/fields/slab-bars-field';
import { quantityField, type Field } from '@/ui/fields/value-field';

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

const columnNames = { b: 'Column along x', h: 'Column along y', diameter: 'Diameter of the column' };

/** The field of a value on the plan; undefined for what has an editor of its own. */
export function punchingField(handle: PunchingHandle, project: Project, member: PunchingMember): Field<PunchingMember> | undefined {
  const length = (label: string, hint: string, value: number, set: (m: M, v: number) => void) =>
    quantityField<PunchingMember>({ project }, label, hint, 'length', value, set);
  switch (handle.of) {
    case 'edge': {
      const { edge } = handle;
      const value = member.edges[edge];
      if (value === null) return undefined;
      return length(`To the ${edge} edge`, 'from the face of the column', value, (m, v) => void (m.edges[edge] = v));
    }
    case 'base': {
      const { side } = handle;
      if (!member.base) return undefined;
      const title = `Footing along ${side === 'b' ? 'x' : 'y'}`;
      return length(title, 'the column stands in its middle', member.base[side], (m, v) => void (m.base![side] = v));
    }
    case 'depth':
      return length('Depth of the slab', 'without the thicker part', member.h, (m, v) => void (m.h = v));
    case 'bars':
      return layerField(project, member, handle.along === 'x' ? 'barsX' : 'barsY');
    case 'columnSide': {
      const { side } = handle;
      if (!(side in member.column)) return undefined;
      const value = (member.column as unknown as Record<string, number>)[side]!;
      return length(columnNames[side], 'outside', value, (m, v) => void Object.assign(m.column, { [side]: v }));
    }
    case 'opening':
    case 'legs':
      return undefined;
  }
}
