import type { Point } from '../geometry/polygon';

/** How far a drawn line may pass from a point that it leaves out (sheet units, 1/96 in): less than a printer shows. */
const NEAR = 0.15;

/** A line through fewer points, none of those left out further from it than can be seen. Its ends and corners stay. */
export function simplified(points: readonly Point[], near = NEAR): Point[] {
  if (points.length < 3) return [...points];
  const isKept = new Uint8Array(points.length);
  isKept[0] = isKept[points.length - 1] = 1;
  const stretches: [number, number][] = [[0, points.length - 1]];
  for (let stretch = stretches.pop(); stretch; stretch = stretches.pop()) {
    const [from, to] = stretch;
    const furthest = furthestBetween(points, from, to, near);
    if (furthest < 0) continue;
    isKept[furthest] = 1;
    stretches.push([from, furthest], [furthest, to]);
  }
  return points.filter((_, i) => isKept[i] === 1);
}

/** The point between two others that is furthest from the line between them, where it is further than may be; -1 where none is. */
function furthestBetween(points: readonly Point[], from: number, to: number, near: number): number {
  const [[ax, ay], [bx, by]] = [points[from]!, points[to]!];
  const [dx, dy] = [bx - ax, by - ay];
  const length2 = dx * dx + dy * dy;
  let [furthest, most] = [-1, near * near];
  for (let i = from + 1; i < to; i += 1) {
    const [x, y] = [points[i]![0] - ax, points[i]![1] - ay];
    const along = length2 > 0 ? Math.max(0, Math.min(1, (x * dx + y * dy) / length2)) : 0;
    const distance2 = (x - along * dx) ** 2 + (y - along * dy) ** 2;
    if (distance2 > most) [furthest, most] = [i, distance2];
  }
  return furthest;
}
