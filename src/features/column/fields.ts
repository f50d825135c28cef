import type { Draft } from 'immer';
import { catalogues, findBar } from '@/core/materials/bars';
import type { ColumnHandle, SetMoment } from '@/core/members/column/drawing/handles';
import { linkLabel } from '@/core/members/parts/bar-labels';
import type { Project } from '@/core/project/project';
import type { ColumnMember } from '@/core/members/column/input';
import type { WallMember } from '@/core/members/wall/input';
import { isWall, type UprightMember } from '@/core/members/wall/upright';
import { numberField, parseLinks, type Field } from '@/ui/fields/value-field';

type ColumnField = Field<UprightMember>;

const shapeNames = {
  b: 'Width b',
  h: 'Depth h',
  diameter: 'Diameter',
  wall: 'Thickness of the ring',
  tx: 'Thickness of the upright leg',
  ty: 'Thickness of the lying leg',
  web: 'Thickness of the web',
  flange: 'Depth of the flange',
  outer: '',
};
const momentNames = { mxTop: 'Mx at the top', mxBottom: 'Mx at the foot', myTop: 'My at the top', myBottom: 'My at the foot' } as const;

/** The field of a value on the drawings of a column; undefined for what has an editor of its own. */
export function columnField(handle: ColumnHandle, project: Project, column: UprightMember): ColumnField | undefined {
  switch (handle.of) {
    case 'shape':
      return isWall(column) ? wallSide(project, column, handle.side) : sideField(project, column, handle.side);
    case 'cover':
      return numberField({ project, member: column }, 'cover', 'Cover', 'to the outside of the ties', 'smallLength');
    case 'ties':
      return isWall(column) ? undefined : tieField(project, column);
    case 'moment':
      return setField(project, column, handle.set, handle.at);
    case 'bars':
    case 'bar':
    case 'axis':
      return undefined;
  }
}

function sideField(project: Project, column: ColumnMember, side: keyof typeof shapeNames): ColumnField | undefined {
  if (!(side in column.shape) || side === 'outer') return undefined;
  return numberField<UprightMember>({ project, member: column }, `shape.${side}`, shapeNames[side], 'of the section', 'length');
}

/** Thickness and length of a wall, where they are drawn; a strip has no length of its own. */
function wallSide(project: Project, member: WallMember, side: string): ColumnField | undefined {
  if (side === 'h') return numberField<UprightMember>({ project, member }, 'thickness', 'Thickness', 'of the wall', 'length');
  return side === 'b' && !member.isStrip
    ? numberField<UprightMember>({ project, member }, 'length', 'Length', 'of the wall', 'length')
    : undefined;
}

function setField(project: Project, member: UprightMember, i: number, key: SetMoment): ColumnField | undefined {
  const set = member.sets[i];
  if (member.mode !== 'sets' || !set) return undefined;
  const hint = member.signs === 'bending' ? 'same signs: single curvature' : 'same signs: double curvature';
  return numberField({ project, member }, `sets[${i}].${key}`, `${momentNames[key]}, ${set.name}`, hint, 'moment');
}

function tieField(project: Project, column: ColumnMember): ColumnField {
  const step = project.display === 'US' ? 25.4 : 25;
  const label = (size: string, spacing: number) => linkLabel({ size, spacing, legs: 2 }, project);
  const parse = (text: string) => parseLinks(text, column, project.display, 2);
  return {
    label: column.transverse === 'spiral' ? 'Spiral' : 'Ties',
    hint: 'size @ spacing',
    unit: '',
    text: label(column.ties.size, column.ties.spacing),
    parse: (text) => {
      const parsed = parse(text);
      if (!parsed.ok) return parsed;
      const { size, spacing } = parsed.zone;
      return { ok: true, apply: (m: Draft<UprightMember>) => void ('ties' in m && Object.assign(m.ties, { size, spacing })) };
    },
    step: (text, direction, size) => {
      const parsed = parse(text);
      if (!parsed.ok) return text;
      if (size !== 0.1) return label(parsed.zone.size, Math.max(step, parsed.zone.spacing + direction * step * (size === 10 ? 4 : 1)));
      const { bars } = catalogues[column.catalogue];
      const at = bars.indexOf(findBar(catalogues[column.catalogue], parsed.zone.size)!);
      return label(bars[Math.max(0, Math.min(bars.length - 1, at + direction))]!.name, parsed.zone.spacing);
    },
    stepHint: project.display === 'US' ? '1 in' : '25 mm',
  };
}
