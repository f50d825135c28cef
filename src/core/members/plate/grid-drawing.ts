import { dimension, type Point, type Shape } from '../../drawing/shapes';
import { boundsOf } from '../../geometry/polygon';
import { outlineOf } from './geometry';
import { columnGrid } from './grid';
import type { PlateHandle, PlatePicture } from './picture';

/** From the edge of the slab to the chain of dimensions, beyond what is said of the edge (px). */
const [LEFT, DOWN] = [58, 66];
/** Dimensions shorter than this (px) have no room for their figure. */
const SHORTEST = 30;

/** From column to column, below the slab and to its left, where columns stand in rows. */
export function gridShapes({ plate, labels }: PlatePicture, on: (p: Point) => Point): Shape<PlateHandle>[] {
  const grid = columnGrid(plate);
  if (!grid) return [];
  const { left, bottom } = boundsOf(outlineOf(plate).outer);
  const [x0, y0] = on([left, bottom]);
  const chain = (places: readonly number[], at: (v: number) => Point) =>
    places.slice(1).flatMap((to, i): Shape<PlateHandle>[] => {
      const [a, b] = [at(places[i]!), at(to)];
      const isLong = Math.hypot(b[0] - a[0], b[1] - a[1]) >= SHORTEST;
      return dimension<PlateHandle>(a, b, labels.span(to - places[i]!)).filter((s) => isLong || s.kind !== 'text');
    });
  return [...chain(grid.x, (x) => [on([x, bottom])[0], y0 + DOWN]), ...chain(grid.y, (y) => [x0 - LEFT, on([left, y])[1]])];
}
