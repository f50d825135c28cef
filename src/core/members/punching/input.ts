import { box, convexHull, type Loop, type Point } from '../../geometry/polygon';
import { outlineOfShape } from '../../geometry/section-shapes';
import { layerOf } from '../../reinforcement/slab-bars';
import type { InputOf } from '../parts/schema-parts';
import type { punchingFields } from './schema';
import type { MemberOf } from '../member';

export type PunchingInput = InputOf<typeof punchingFields>;
/** A slab at a column in a project. */
export type PunchingMember = MemberOf<'punching', PunchingInput>;
export type PunchingColumn = PunchingInput['column'];
export type SlabOpening = PunchingInput['openings'][number];
export type PunchingForces = PunchingInput['sets'][number];
export type PunchingLegs = NonNullable<PunchingInput['legs']>;

/** Told by the forces that it takes: the shear and moments that a slab brings to a column. */
export const isAtColumn = (member: object): member is PunchingMember => 'momentsBy' in member && 'sets' in member;

/** Half extents of the column, to which distances from its faces are added. */
export function columnSize(column: PunchingColumn): { readonly cx: number; readonly cy: number } {
  return column.kind === 'circle' ? { cx: column.diameter, cy: column.diameter } : { cx: column.b, cy: column.h };
}

/** The convex outline that a perimeter goes round. A round column has so many sides that its length is right to one in ten thousand. */
export function columnLoop(column: PunchingColumn): Loop {
  if (column.kind !== 'circle') return convexHull(outlineOfShape(column).outer);
  const r = column.diameter / 2;
  return Array.from({ length: 180 }, (_, i): Point => [r * Math.cos((i * Math.PI) / 90), r * Math.sin((i * Math.PI) / 90)]);
}

export const rectangleLoop = (b: number, h: number, x = 0, y = 0): Loop => box(x - b / 2, y - h / 2, x + b / 2, y + h / 2);

export function openingLoop(o: SlabOpening): Loop {
  if (o.kind === 'rectangle') return rectangleLoop(o.b, o.h, o.x, o.y);
  const r = o.diameter / 2;
  return Array.from({ length: 72 }, (_, i): Point => [o.x + r * Math.cos((i * Math.PI) / 36), o.y + r * Math.sin((i * Math.PI) / 36)]);
}

/** Effective depths of both layers with their mean, and the mean ratio of steel, for a slab of a depth. */
export function depthsOf(p: PunchingInput, h = p.h) {
  const [x, y] = [layerOf(p.barsX, p.catalogue), layerOf(p.barsY, p.catalogue)];
  const outer = p.outer === 'x' ? x : y;
  const inset = (layer: typeof x, isOuter: boolean) => h - p.cover - (isOuter ? 0 : outer.diameter) - layer.diameter / 2;
  const [dx, dy] = [inset(x, p.outer === 'x'), inset(y, p.outer === 'y')];
  return { dx, dy, d: (dx + dy) / 2, ratioX: x.area / dx, ratioY: y.area / dy, ratio: Math.sqrt((x.area / dx) * (y.area / dy)) };
}
