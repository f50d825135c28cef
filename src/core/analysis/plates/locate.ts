import { boundsOf, type Point } from '../../geometry/polygon';
import type { PlateMesh } from './mesh';

/** Where a point lies in a mesh: the triangle, and the share of each of its nodes there. */
export interface Located {
  readonly triangle: number;
  readonly shares: readonly [number, number, number];
}

/** Finds a triangle at a point, of those that count where that is said; undefined where there is none. Along a side either triangle may be found. */
export type Locate = (p: Point, counts?: (triangle: number) => boolean) => Located | undefined;

/** Shares below nothing by this little still count as within a triangle. */
const SLACK = 1e-9;
/** So far beyond its box a triangle is still looked for, in cells. */
const BESIDE = 1e-6;

/** The three corners of a triangle. */
export const cornersAt = ({ at, triangles }: PlateMesh, e: number): [Point, Point, Point] => {
  const corner = (k: number): Point => [at[2 * triangles[3 * e + k]!]!, at[2 * triangles[3 * e + k]! + 1]!];
  return [corner(0), corner(1), corner(2)];
};

export function middleOfTriangle(mesh: PlateMesh, e: number): Point {
  const [a, b, c] = cornersAt(mesh, e);
  return [(a[0] + b[0] + c[0]) / 3, (a[1] + b[1] + c[1]) / 3];
}

/** A way to find triangles, by cells about as large as they are. */
export function locatorOf(mesh: PlateMesh): Locate {
  const count = mesh.triangles.length / 3;
  const all = Array.from({ length: mesh.at.length / 2 }, (_, n): Point => [mesh.at[2 * n]!, mesh.at[2 * n + 1]!]);
  const { left, right, bottom, top } = spanOf(all);
  const cell = Math.max(1, Math.sqrt(((right - left) * (top - bottom)) / count));
  // A column of cells more at both ends: a point on the rim may come out a trace beyond it.
  const across = Math.floor((right - left) / cell) + 3;
  const column = (x: number, slack = 0) => Math.floor((x - left) / cell + slack) + 1;
  const row = (y: number, slack = 0) => Math.floor((y - bottom) / cell + slack) + 1;
  const cells = new Map<number, number[]>();
  for (let e = 0; e < count; e += 1) {
    const b = boundsOf(cornersAt(mesh, e));
    for (let j = row(b.bottom, -BESIDE); j <= row(b.top, BESIDE); j += 1)
      for (let i = column(b.left, -BESIDE); i <= column(b.right, BESIDE); i += 1) {
        const there = cells.get(j * across + i);
        if (there) there.push(e);
        else cells.set(j * across + i, [e]);
      }
  }
  const { at, triangles } = mesh;
  // Asked for very often: what is not the triangle is passed over without making anything.
  const isIn = (triangle: number, x: number, y: number): boolean => {
    const [a, b, c] = [2 * triangles[3 * triangle]!, 2 * triangles[3 * triangle + 1]!, 2 * triangles[3 * triangle + 2]!];
    const [x1, y1] = [at[a]!, at[a + 1]!];
    const [bx, by, cx, cy] = [at[b]! - x1, at[b + 1]! - y1, at[c]! - x1, at[c + 1]! - y1];
    const double = bx * cy - cx * by;
    const second = ((x - x1) * cy - cx * (y - y1)) / double;
    const third = (bx * (y - y1) - (x - x1) * by) / double;
    return second >= -SLACK && third >= -SLACK && 1 - second - third >= -SLACK;
  };
  return ([x, y], counts) => {
    const [i, j] = [column(x), row(y)];
    if (i < 0 || i >= across) return undefined;
    const triangle = cells.get(j * across + i)?.find((e) => (!counts || counts(e)) && isIn(e, x, y));
    return triangle === undefined ? undefined : { triangle, shares: sharesIn(cornersAt(mesh, triangle), [x, y]) };
  };
}

function spanOf(points: readonly Point[]) {
  let [left, right, bottom, top] = [Infinity, -Infinity, Infinity, -Infinity];
  for (const [x, y] of points) {
    [left, right] = [Math.min(left, x), Math.max(right, x)];
    [bottom, top] = [Math.min(bottom, y), Math.max(top, y)];
  }
  return { left, right, bottom, top };
}

/** Area coordinates of a point in a triangle. */
export function sharesIn([[x1, y1], [x2, y2], [x3, y3]]: readonly [Point, Point, Point], [x, y]: Point): [number, number, number] {
  const double = (x2 - x1) * (y3 - y1) - (x3 - x1) * (y2 - y1);
  const second = ((x - x1) * (y3 - y1) - (x3 - x1) * (y - y1)) / double;
  const third = ((x2 - x1) * (y - y1) - (x - x1) * (y2 - y1)) / double;
  return [1 - second - third, second, third];
}

/** The value of a field, given node by node, at a place in a mesh; fields with several values a node by their step and which of them. */
export function valueAt({ triangles }: PlateMesh, { triangle, shares }: Located, values: ArrayLike<number>, step = 1, which = 0): number {
  return shares.reduce((sum, share, k) => sum + share * values[step * triangles[3 * triangle + k]! + which]!, 0);
}
