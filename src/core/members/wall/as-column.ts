import { silent } from '../../calc/calc';
import type { DesignCode } from '../../codes/design-code';
import { catalogues, findBar } from '../../materials/bars';
import type { GivenEnd } from '../column/ends';
import type { ColumnAxis, ColumnInput } from '../column/input';
import { wallLength, type WallInput } from './input';

const known = new WeakMap<WallInput, { code: DesignCode['settings']; column: ColumnInput }>();

/** A wall as the upright section that it is: a rectangle with bars at both faces, its horizontal bars serving in-plane shear. */
export function wallAsColumn(wall: WallInput, code: DesignCode): ColumnInput {
  const before = known.get(wall);
  if (before && JSON.stringify(before.code) === JSON.stringify(code.settings)) return before.column;
  const { horizontal, axes } = wall;
  const factor = effectiveFactor(wall, code);
  const column: ColumnInput = {
    ...wall,
    shape: { kind: 'rectangle', b: wallLength(wall), h: wall.thickness },
    bars: { kind: 'list', bars: faceBars(wall) },
    ties: { size: horizontal.size, spacing: horizontal.spacing, spacingEnds: null, cross: null },
    transverse: 'ties',
    axes: { x: factor === null ? withFloors(axes.x, wall) : { ...axes.x, mode: 'factor', factor }, y: axes.y },
    tiesAcross: false,
    isSection: false,
    from: null,
  };
  known.set(wall, { code: code.settings, column });
  return column;
}

/** Floors at an end of a wall: as wide as the wall that they hold. */
export const asFloors = (end: GivenEnd, wall: WallInput): GivenEnd => ({
  ...end,
  beams: end.beams.map((b) => ({ ...b, b: wallLength(wall) })),
  column: end.column && { ...end.column, b: wallLength(wall) },
});

const withFloors = (axis: ColumnAxis, wall: WallInput): ColumnAxis => ({
  ...axis,
  top: asFloors(axis.top, wall),
  bottom: asFloors(axis.bottom, wall),
});

const barsOfMetre = (wall: WallInput): number => Math.max(1, Math.floor(wallLength(wall) / wall.vertical.spacing + 1e-9));

/** The part of its bars that a wall has of each: more than one where a metre holds two and a half, and two are laid out. */
export const barShare = (wall: WallInput): number => (wall.isStrip ? wallLength(wall) / wall.vertical.spacing / barsOfMetre(wall) : 1);

/** More in a face than 30 m with a bar every 50 mm. */
const MOST_BARS = 601;

/**
 * Vertical bars of both faces, evenly, half a spacing from the ends of a strip, a cover from those of a whole wall. A metre of wall that holds no
 * whole number of bars has those that it holds at their spacing, each with a larger share: the steel is what there is per metre.
 */
function faceBars(wall: WallInput): { x: number; y: number; size: string; share: number }[] {
  const catalogue = catalogues[wall.catalogue];
  const v = findBar(catalogue, wall.vertical.size);
  const h = findBar(catalogue, wall.horizontal.size);
  if (!v || !h) return [];
  const length = wallLength(wall);
  const y = wall.thickness / 2 - wall.cover - (wall.horizontalOutside ? h.diameter : 0) - v.diameter / 2;
  const end = wall.isStrip ? wall.vertical.spacing / 2 : wall.cover + h.diameter + v.diameter / 2;
  const room = length - 2 * end;
  const n = wall.isStrip ? barsOfMetre(wall) : Math.max(2, Math.ceil(room / wall.vertical.spacing - 1e-9) + 1);
  // A length or a spacing that cannot be meant is a fault of its field: no bars are laid out for it, also not on the sheet.
  if (!(n <= MOST_BARS)) return [];
  const step = wall.isStrip ? wall.vertical.spacing : room / (n - 1);
  const from = wall.isStrip ? (-step * (n - 1)) / 2 : -length / 2 + end;
  const share = barShare(wall);
  return [1, -1].flatMap((side) => Array.from({ length: n }, (_, i) => ({ x: from + i * step, y: side * y, size: v.name, share })));
}

/** Effective length over clear height out of plane, by how the edges are held; null where it is given. */
export function effectiveFactor(wall: WallInput, code: DesignCode): number | null {
  if (wall.restraint === 'given') return null;
  const clear = wall.axes.x.clear ?? wall.height;
  return code.column.wallFactor(silent, { restraint: wall.restraint, height: clear, between: wall.between });
}
