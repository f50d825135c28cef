import type { Point } from '../geometry/polygon';

/** Values at the nodes of triangles, to be drawn as a map. */
export interface NodeValues {
  readonly at: ArrayLike<number>;
  readonly triangles: ArrayLike<number>;
  readonly values: ArrayLike<number>;
}

/** Round levels over the range of values, about so many; none where all are alike. */
export function roundLevels(values: ArrayLike<number>, about: number, factor: number): number[] {
  let [low, high] = [Infinity, -Infinity];
  for (let i = 0; i < values.length; i += 1) {
    low = Math.min(low, values[i]! / factor);
    high = Math.max(high, values[i]! / factor);
  }
  if (!(high - low > 1e-9 * Math.max(Math.abs(low), Math.abs(high), 1e-9))) return [];
  const rough = (high - low) / about;
  const power = 10 ** Math.floor(Math.log10(rough));
  const step = [1, 2, 2.5, 5, 10].map((k) => k * power).find((k) => k >= rough * 0.999)!;
  const levels: number[] = [];
  // Nothing is not less than nothing: -0 + 0 is 0.
  for (let k = Math.ceil(low / step); k * step <= high; k += 1) levels.push(k * step * factor + 0);
  return levels;
}

/** The parts of all triangles whose values lie between two levels, with values straight across each triangle. */
export function bandBetween({ at, triangles, values }: NodeValues, low: number, high: number): Point[][] {
  const parts: Point[][] = [];
  for (let e = 0; e < triangles.length; e += 3) {
    const corners = [0, 1, 2].map((k): Valued => {
      const node = triangles[e + k]!;
      return [at[2 * node]!, at[2 * node + 1]!, values[node]!];
    });
    const part = kept(kept(corners, low, 1), high, -1);
    if (part.length > 2) parts.push(part.map(([x, y]): Point => [x, y]));
  }
  return parts;
}

type Valued = readonly [x: number, y: number, value: number];

/** The part of a polygon on one side of a level. */
function kept(corners: readonly Valued[], level: number, side: 1 | -1): Valued[] {
  return corners.flatMap((a, i) => {
    const b = corners[(i + 1) % corners.length]!;
    const [da, db] = [side * (a[2] - level), side * (b[2] - level)];
    const own: Valued[] = da >= 0 ? [a] : [];
    return da >= 0 === db >= 0 ? own : [...own, between(a, b, level)];
  });
}

const between = (a: Valued, b: Valued, level: number): Valued => {
  const t = (level - a[2]) / (b[2] - a[2]);
  return [a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1]), level];
};

/** Pieces of the line along which the values are at a level. */
export function lineAt({ at, triangles, values }: NodeValues, level: number): (readonly [Point, Point])[] {
  const pieces: (readonly [Point, Point])[] = [];
  for (let e = 0; e < triangles.length; e += 3) {
    const ends = [0, 1, 2].flatMap((k): Point[] => {
      const [p, q] = [triangles[e + k]!, triangles[e + ((k + 1) % 3)]!];
      if (values[p]! > level === values[q]! > level) return [];
      const [x, y] = between([at[2 * p]!, at[2 * p + 1]!, values[p]!], [at[2 * q]!, at[2 * q + 1]!, values[q]!], level);
      return [[x, y]];
    });
    if (ends.length === 2) pieces.push([ends[0]!, ends[1]!]);
  }
  return pieces;
}
