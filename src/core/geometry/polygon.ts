/** Plane polygons: lengths mm, x to the right, y up. A loop is a list of corners without the first repeated at the end. */
export type Point = readonly [x: number, y: number];
export type Loop = readonly Point[];

/** A list of corners. */
export const corners = (...points: readonly Point[]): Point[] => [...points];

/** The corners of a rectangle, anticlockwise from the bottom left one. */
export const box = (left: number, bottom: number, right: number, top: number): Point[] =>
  corners([left, bottom], [right, bottom], [right, top], [left, top]);

/** An outline with openings. Orientation as given does not matter; {@link oriented} sees to it. */
export interface Outline {
  readonly outer: Loop;
  readonly holes: readonly Loop[];
}

/** Area enclosed by a loop, positive when its corners run anticlockwise (mm2). */
export function signedArea(loop: Loop): number {
  let sum = 0;
  for (let i = 0; i < loop.length; i += 1) {
    const [x1, y1] = loop[i]!;
    const [x2, y2] = loop[(i + 1) % loop.length]!;
    sum += x1 * y2 - x2 * y1;
  }
  return sum / 2;
}

/** All loops of an outline with the outer one anticlockwise and the holes clockwise, so that line integrals take the holes out. */
export function oriented({ outer, holes }: Outline): Loop[] {
  const turn = (loop: Loop, sign: 1 | -1): Loop => (signedArea(loop) * sign >= 0 ? loop : [...loop].reverse());
  return [turn(outer, 1), ...holes.map((h) => turn(h, -1))];
}

/** Properties of the plain concrete about axes through its centroid (mm, mm2, mm4). */
export interface OutlineProperties {
  readonly area: number;
  readonly centroid: Point;
  readonly Ix: number;
  readonly Iy: number;
  readonly Ixy: number;
  /** Length of all edges that are exposed, holes included. */
  readonly perimeter: number;
}

/** Area, centroid and second moments by line integrals over the loops. */
export function outlineProperties(outline: Outline): OutlineProperties {
  let [a, sx, sy, xx, yy, xy, perimeter] = [0, 0, 0, 0, 0, 0, 0];
  // About the first corner, so that an outline far from the origin loses no digits.
  const [ox, oy] = outline.outer[0]!;
  for (const loop of oriented(outline)) {
    loop.forEach(([px, py], i) => {
      const [qx, qy] = loop[(i + 1) % loop.length]!;
      const [x1, y1, x2, y2] = [px - ox, py - oy, qx - ox, qy - oy];
      const cross = x1 * y2 - x2 * y1;
      a += cross / 2;
      sx += (cross * (y1 + y2)) / 6;
      sy += (cross * (x1 + x2)) / 6;
      xx += (cross * (y1 * y1 + y1 * y2 + y2 * y2)) / 12;
      yy += (cross * (x1 * x1 + x1 * x2 + x2 * x2)) / 12;
      xy += (cross * (x1 * y2 + 2 * x1 * y1 + 2 * x2 * y2 + x2 * y1)) / 24;
      perimeter += Math.hypot(x2 - x1, y2 - y1);
    });
  }
  const [cx, cy] = [sy / a, sx / a];
  return { area: a, centroid: [cx + ox, cy + oy], Ix: xx - a * cy * cy, Iy: yy - a * cx * cx, Ixy: xy - a * cx * cy, perimeter };
}

export interface Bounds {
  readonly left: number;
  readonly right: number;
  readonly bottom: number;
  readonly top: number;
}

export function boundsOf(loop: Loop): Bounds {
  let [left, right, bottom, top] = [Infinity, -Infinity, Infinity, -Infinity];
  for (const [x, y] of loop) {
    if (x < left) left = x;
    if (x > right) right = x;
    if (y < bottom) bottom = y;
    if (y > top) top = y;
  }
  return { left, right, bottom, top };
}

/** Extents of a loop that is a rectangle along the axes, within a thousandth of its longer side; undefined for others. */
export function boxOf(loop: Loop): Bounds | undefined {
  const box = boundsOf(loop);
  const near = 1e-3 * Math.max(box.right - box.left, box.top - box.bottom);
  const isAt = (v: number, a: number, b: number) => Math.min(Math.abs(v - a), Math.abs(v - b)) < near;
  const isBox = loop.length === 4 && loop.every(([x, y]) => isAt(x, box.left, box.right) && isAt(y, box.bottom, box.top));
  return isBox ? box : undefined;
}

/** Whether a point lies inside a loop (even-odd rule; points on an edge may go either way). */
export function isInsideLoop([x, y]: Point, loop: Loop): boolean {
  let inside = false;
  for (let i = 0, j = loop.length - 1; i < loop.length; j = i, i += 1) {
    const [xi, yi] = loop[i]!;
    const [xj, yj] = loop[j]!;
    if (yi > y !== yj > y && x < ((xj - xi) * (y - yi)) / (yj - yi) + xi) inside = !inside;
  }
  return inside;
}

/** Whether a point lies in the concrete: inside the outer loop and in no hole. */
export function isInside(p: Point, { outer, holes }: Outline): boolean {
  return isInsideLoop(p, outer) && !holes.some((h) => isInsideLoop(p, h));
}

/** Distance of a point from a straight piece (mm). */
export function distanceToSegment([px, py]: Point, [ax, ay]: Point, [bx, by]: Point): number {
  const [dx, dy] = [bx - ax, by - ay];
  const length2 = dx * dx + dy * dy;
  const t = length2 === 0 ? 0 : Math.max(0, Math.min(1, ((px - ax) * dx + (py - ay) * dy) / length2));
  return Math.hypot(px - ax - t * dx, py - ay - t * dy);
}

/** Least distance of a point from any edge of an outline (mm). */
export function distanceToEdges(p: Point, { outer, holes }: Outline): number {
  let least = Infinity;
  for (const loop of [outer, ...holes])
    loop.forEach((a, i) => (least = Math.min(least, distanceToSegment(p, a, loop[(i + 1) % loop.length]!))));
  return least;
}

const cross = ([ox, oy]: Point, [ax, ay]: Point, [bx, by]: Point) => (ax - ox) * (by - oy) - (ay - oy) * (bx - ox);

/** Whether two straight pieces cross or touch. */
function meet(a: Point, b: Point, c: Point, d: Point): boolean {
  const [d1, d2, d3, d4] = [cross(c, d, a), cross(c, d, b), cross(a, b, c), cross(a, b, d)];
  if (((d1 > 0 && d2 < 0) || (d1 < 0 && d2 > 0)) && ((d3 > 0 && d4 < 0) || (d3 < 0 && d4 > 0))) return true;
  const on = (p: Point, q: Point, r: Point) =>
    Math.min(p[0], q[0]) <= r[0] && r[0] <= Math.max(p[0], q[0]) && Math.min(p[1], q[1]) <= r[1] && r[1] <= Math.max(p[1], q[1]);
  return (d1 === 0 && on(c, d, a)) || (d2 === 0 && on(c, d, b)) || (d3 === 0 && on(a, b, c)) || (d4 === 0 && on(a, b, d));
}

/** The first two edges of a loop that cross or touch though they are not neighbours, by their numbers from 0; undefined for a simple loop. */
export function crossingEdges(loop: Loop): readonly [number, number] | undefined {
  const n = loop.length;
  for (let i = 0; i < n; i += 1)
    for (let j = i + 1; j < n; j += 1) {
      const adjacent = j === i + 1 || (i === 0 && j === n - 1);
      if (!adjacent && meet(loop[i]!, loop[(i + 1) % n]!, loop[j]!, loop[(j + 1) % n]!)) return [i, j];
      // Neighbours may share their corner, but not run back over each other.
      if (j === i + 1 && n > 2) {
        const [a, b, c] = [loop[i]!, loop[j]!, loop[(j + 1) % n]!];
        const back = (a[0] - b[0]) * (c[0] - b[0]) + (a[1] - b[1]) * (c[1] - b[1]) > 0;
        if (back && cross(a, b, c) === 0) return [i, j];
      }
    }
  return undefined;
}

/** Whether two loops cross or touch anywhere. */
export function loopsMeet(a: Loop, b: Loop): boolean {
  return a.some((p, i) => b.some((q, j) => meet(p, a[(i + 1) % a.length]!, q, b[(j + 1) % b.length]!)));
}

/** The part of a loop on the side of a line where n · p >= level (Sutherland-Hodgman; pieces of a concave loop stay joined by edges on the line). */
export function clipLoop(loop: Loop, [nx, ny]: Point, level: number): Point[] {
  const out: Point[] = [];
  loop.forEach((p, i) => {
    const q = loop[(i + 1) % loop.length]!;
    const [dp, dq] = [nx * p[0] + ny * p[1] - level, nx * q[0] + ny * q[1] - level];
    if (dp >= 0) out.push(p);
    if (dp >= 0 !== dq >= 0) {
      const t = dp / (dp - dq);
      out.push([p[0] + t * (q[0] - p[0]), p[1] + t * (q[1] - p[1])]);
    }
  });
  return out;
}

/** One value for all edges of a loop, or one for each: the first edge runs from the first corner to the second. */
export type PerEdge = number | readonly number[];

export const ofEdge = (values: PerEdge, i: number): number => (typeof values === 'number' ? values : values[i]!);

/**
 * A loop moved inwards, each edge by its distance and staying parallel (the loop anticlockwise). Corners nearly straight are kept: there the
 * mean of both distances counts.
 */
export function insetLoop(loop: Loop, distances: PerEdge): Point[] {
  const n = loop.length;
  return loop.map((p, i) => {
    const k = (i + n - 1) % n;
    const [ax, ay] = direction(loop[k]!, p);
    const [bx, by] = direction(p, loop[(i + 1) % n]!);
    const [da, db] = [ofEdge(distances, k), ofEdge(distances, i)];
    const turn = ax * by - ay * bx;
    if (da === db || Math.abs(turn) < 1e-9) {
      // Along the sum of both inward normals.
      const scale = (da + db) / 2 / Math.max(1e-9, 1 + ax * bx + ay * by);
      return [p[0] - (ay + by) * scale, p[1] + (ax + bx) * scale];
    }
    // Where both moved edges meet.
    return [p[0] + (bx * da - ax * db) / turn, p[1] + (by * da - ay * db) / turn];
  });
}

function direction([ax, ay]: Point, [bx, by]: Point): Point {
  const length = Math.hypot(bx - ax, by - ay) || 1;
  return [(bx - ax) / length, (by - ay) / length];
}

/** Width of an outline along a line across it: the total length inside where n · p = level, n a unit vector (mm). */
export function chordWidth(outline: Outline, [nx, ny]: Point, level: number): number {
  const cuts: number[] = [];
  for (const loop of [outline.outer, ...outline.holes])
    loop.forEach((p, i) => {
      const q = loop[(i + 1) % loop.length]!;
      const [dp, dq] = [nx * p[0] + ny * p[1] - level, nx * q[0] + ny * q[1] - level];
      if (dp >= 0 === dq >= 0) return;
      const t = dp / (dp - dq);
      cuts.push(-ny * (p[0] + t * (q[0] - p[0])) + nx * (p[1] + t * (q[1] - p[1])));
    });
  cuts.sort((a, b) => a - b);
  let width = 0;
  for (let i = 0; i + 1 < cuts.length; i += 2) width += cuts[i + 1]! - cuts[i]!;
  return width;
}

/** The convex hull of some points, anticlockwise; points on its edges are left out. */
export function convexHull(points: readonly Point[]): Point[] {
  const sorted = [...points].sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  const half = (list: readonly Point[]) => {
    const chain: Point[] = [];
    for (const p of list) {
      while (chain.length > 1 && turnOf(chain[chain.length - 2]!, chain[chain.length - 1]!, p) <= 1e-9) chain.pop();
      chain.push(p);
    }
    return chain.slice(0, -1);
  };
  return [...half(sorted), ...half([...sorted].reverse())];
}

const turnOf = ([ax, ay]: Point, [bx, by]: Point, [cx, cy]: Point) => (bx - ax) * (cy - ay) - (by - ay) * (cx - ax);
