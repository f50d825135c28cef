import { signedArea, type Loop, type Point } from '../../geometry/polygon';
import { cornersAt, sharesIn, type Located, type Locate } from './locate';
import type { PlateMesh } from './mesh';
import type { Piece } from './mesh-lines';
import { PER_NODE } from './multifrontal';

/** Loads on the unknowns of a plate (N, down), to be added to. */
export type PlateLoads = Float64Array;

/** No loads yet, on the nodes of a mesh and the middles of its columns. */
export const noLoads = (unknowns: number): PlateLoads => new Float64Array(unknowns);

/** Adds a force (N) at a place of a triangle, shared by its corners so that force and moment stay. */
function addForce(loads: PlateLoads, { triangles }: PlateMesh, { triangle, shares }: Located, force: number): void {
  shares.forEach((share, k) => (loads[PER_NODE * triangles[3 * triangle + k]!]! += share * force));
}

/** Adds a pressure (N/mm2) over triangles, whole ones. */
export function addPressure(loads: PlateLoads, mesh: PlateMesh, on: (triangle: number) => number): void {
  for (let e = 0; e < mesh.triangles.length / 3; e += 1) {
    const force = on(e) * signedArea(cornersAt(mesh, e));
    if (force !== 0) addForce(loads, mesh, { triangle: e, shares: [1 / 3, 1 / 3, 1 / 3] }, force);
  }
}

/**
 * Adds a pressure (N/mm2) over a loop of any shape, as far as it lies on the plate and on triangles that count: those that it cuts carry their part of
 * it, in its middle.
 */
export function addPatch(
  loads: PlateLoads,
  mesh: PlateMesh,
  loop: Loop,
  pressure: number,
  counts: (triangle: number) => boolean = () => true,
): void {
  const xs = loop.map(([x]) => x);
  const ys = loop.map(([, y]) => y);
  const [left, right, bottom, top] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const sense = Math.sign(signedArea(loop));
  for (let triangle = 0; triangle < mesh.triangles.length / 3; triangle += 1) {
    if (!counts(triangle)) continue;
    const corners = cornersAt(mesh, triangle);
    if (corners.every(([x]) => x <= left) || corners.every(([x]) => x >= right)) continue;
    if (corners.every(([, y]) => y <= bottom) || corners.every(([, y]) => y >= top)) continue;
    const part = cutByTriangle(loop, corners);
    const area = sense * signedArea(part);
    if (!(area > 1e-9)) continue;
    addForce(loads, mesh, { triangle, shares: sharesIn(corners, middleOf(part)) }, pressure * area);
  }
}

/** The part of a loop within a triangle. Parts that lie apart are joined by lines along its sides, which enclose nothing. */
function cutByTriangle(loop: Loop, corners: readonly [Point, Point, Point]): Loop {
  return corners.reduce<Loop>((left, a, k) => {
    const b = corners[(k + 1) % 3]!;
    const beside = ([x, y]: Point) => (b[0] - a[0]) * (y - a[1]) - (b[1] - a[1]) * (x - a[0]);
    return left.flatMap((p, i): Point[] => {
      const q = left[(i + 1) % left.length]!;
      const [sp, sq] = [beside(p), beside(q)];
      const kept: Point[] = sp >= 0 ? [p] : [];
      if (sp >= 0 === sq >= 0) return kept;
      const t = sp / (sp - sq);
      return [...kept, [p[0] + t * (q[0] - p[0]), p[1] + t * (q[1] - p[1])]];
    });
  }, loop);
}

/** The centroid of a loop that encloses something. */
function middleOf(loop: Loop): Point {
  const [ox, oy] = loop[0]!;
  let [double, sx, sy] = [0, 0, 0];
  loop.forEach(([px, py], i) => {
    const [qx, qy] = loop[(i + 1) % loop.length]!;
    const [x1, y1, x2, y2] = [px - ox, py - oy, qx - ox, qy - oy];
    const cross = x1 * y2 - x2 * y1;
    double += cross;
    sx += cross * (x1 + x2);
    sy += cross * (y1 + y2);
  });
  return [ox + sx / (3 * double), oy + sy / (3 * double)];
}

/** Adds a load along a straight line (N/mm), as far as it lies on the plate: each triangle that it crosses carries its piece, in its middle. */
export function addLine(loads: PlateLoads, mesh: PlateMesh, locate: Locate, [a, b]: Piece, perLength: number): void {
  const length = Math.hypot(b[0] - a[0], b[1] - a[1]);
  const at = (t: number): Point => [a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1])];
  const cuts = [...new Set([0, 1, ...crossings(mesh, [a, b])])].sort((s, t) => s - t);
  cuts.slice(1).forEach((t, i) => {
    const s = cuts[i]!;
    if ((t - s) * length < 1e-6) return;
    const found = locate(at((s + t) / 2));
    if (found) addForce(loads, mesh, found, perLength * length * (t - s));
  });
}

/** Where a line crosses sides of triangles, over its length. */
function crossings(mesh: PlateMesh, [a, b]: Piece): number[] {
  const [ux, uy] = [b[0] - a[0], b[1] - a[1]];
  const found: number[] = [];
  for (let e = 0; e < mesh.triangles.length / 3; e += 1) {
    const corners = cornersAt(mesh, e);
    const beside = corners.map(([x, y]) => ux * (y - a[1]) - uy * (x - a[0]));
    if (beside.every((s) => s > 0) || beside.every((s) => s < 0)) continue;
    corners.forEach(([x, y], k) => {
      const [s, t] = [beside[k]!, beside[(k + 1) % 3]!];
      if (s > 0 === t > 0 || s === t) return;
      const [nx, ny] = corners[(k + 1) % 3]!;
      const share = s / (s - t);
      const along = ((x + share * (nx - x) - a[0]) * ux + (y + share * (ny - y) - a[1]) * uy) / (ux * ux + uy * uy);
      if (along > 0 && along < 1) found.push(along);
    });
  }
  return found;
}

/** Adds a force (N) at a place; nothing where it lies off the plate. */
export function addPoint(loads: PlateLoads, mesh: PlateMesh, locate: Locate, at: Point, force: number): void {
  const found = locate(at);
  if (found) addForce(loads, mesh, found, force);
}
