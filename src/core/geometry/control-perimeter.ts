import { convexHull, insetLoop, type Loop, type Point } from './polygon';

/**
 * Control perimeters around a column as true geometry: the outline of the column moved outwards, cut by the edges of the slab and by the shadows of
 * openings. The column's centre is the origin; lengths mm.
 */

export const slabSides = ['left', 'right', 'bottom', 'top'] as const;
export type SlabSide = (typeof slabSides)[number];

/** Distances from the column's centre to the edges of the slab; null where the slab goes on. */
export type SlabEdges = Readonly<Record<SlabSide, number | null>> & {
  /** A corner of the slab that points inwards: beyond it, away from the column, there is no slab. */
  readonly corner: Point | null;
};

/** Two tangents from the column's centre to an opening, the second one to the left of the first, as directions. */
export interface Shadow {
  readonly from: Point;
  readonly to: Point;
}

/** A straight piece of a perimeter. */
export interface Piece {
  readonly a: Point;
  readonly b: Point;
}

export interface ControlPerimeter {
  /** What counts: within the slab and out of all shadows. */
  readonly pieces: readonly Piece[];
  /** What the shadows of openings take away. */
  readonly lost: readonly Piece[];
  readonly length: number;
  /** Edges of the slab to which the perimeter runs straight. */
  readonly meets: readonly SlabSide[];
}

export type Corners = 'round' | 'square';

/** Turn between two points of a rounded corner: length right to one in ten thousand. */
const ARC = (2 * Math.PI) / 180;

const cross = ([ax, ay]: Point, [bx, by]: Point) => ax * by - ay * bx;

/** A convex loop (anticlockwise) moved outwards, its corners rounded or square. */
export function offsetLoop(loop: Loop, distance: number, corners: Corners): Point[] {
  if (corners === 'square') return insetLoop(loop, -distance);
  const n = loop.length;
  return loop.flatMap((p, i) => {
    const [before, after] = [loop[(i + n - 1) % n]!, loop[(i + 1) % n]!];
    const start = Math.atan2(p[1] - before[1], p[0] - before[0]) - Math.PI / 2;
    let turn = Math.atan2(after[1] - p[1], after[0] - p[0]) - Math.PI / 2 - start;
    while (turn < 0) turn += 2 * Math.PI;
    const steps = Math.max(1, Math.ceil(turn / ARC));
    return Array.from({ length: steps + 1 }, (_, k): Point => {
      const t = start + (turn * k) / steps;
      return [p[0] + distance * Math.cos(t), p[1] + distance * Math.sin(t)];
    });
  });
}

/** Whether there is slab at a point. */
export function isOnSlab([x, y]: Point, slab: SlabEdges): boolean {
  const { left, right, bottom, top, corner } = slab;
  if ((left !== null && x < -left) || (right !== null && x > right)) return false;
  if ((bottom !== null && y < -bottom) || (top !== null && y > top)) return false;
  return !(corner && (x - corner[0]) * away(corner[0]) > 0 && (y - corner[1]) * away(corner[1]) > 0);
}

/** The side on which a re-entrant corner has no slab. */
const away = (v: number) => (v < 0 ? -1 : 1);

export const isInShadow = (p: Point, { from, to }: Shadow): boolean => cross(from, p) > 0 && cross(p, to) > 0;

/** The tangents from the column's centre to an opening; undefined where the opening lies over the centre. */
export function shadowOf(opening: Loop): Shadow | undefined {
  const first = opening[0]!;
  // Angles are counted from the first corner, so that the opening may lie on any side.
  const angles = opening.map((p) => Math.atan2(cross(first, p), first[0] * p[0] + first[1] * p[1]));
  const [low, high] = [Math.min(...angles), Math.max(...angles)];
  if (high - low >= Math.PI - 1e-9) return undefined;
  return { from: opening[angles.indexOf(low)]!, to: opening[angles.indexOf(high)]! };
}

/** The perimeter of least length: closed, or running straight to any of the edges. */
export function controlPerimeter(
  column: Loop,
  distance: number,
  corners: Corners,
  slab: SlabEdges,
  shadows: readonly Shadow[] = [],
): ControlPerimeter {
  const present = slabSides.filter((s) => slab[s] !== null);
  let best: { meets: readonly SlabSide[]; pieces: Piece[]; length: number } | undefined;
  for (let mask = 0; mask < 2 ** present.length; mask += 1) {
    const meets = present.filter((_, i) => (mask >> i) & 1);
    const loop = offsetLoop(sweptTo(column, meets, slab), distance, corners);
    const pieces = cutLoop(loop, slab);
    const length = lengthOf(pieces);
    // Of equal ones that which runs to more edges: the column stands at them.
    if (length > 0 && (!best || length < best.length + 1e-6)) best = { meets, pieces, length };
  }
  const { meets, pieces } = best ?? { meets: [], pieces: [] };
  const parts = pieces.flatMap((p) => splitByShadows(p, shadows));
  const counted = parts.filter((p) => !shadows.some((s) => isInShadow(middle(p), s)));
  const lost = parts.filter((p) => shadows.some((s) => isInShadow(middle(p), s)));
  return { pieces: counted, lost, length: lengthOf(counted), meets };
}

/** The column drawn out to some edges of the slab, as a convex outline. */
function sweptTo(column: Loop, sides: readonly SlabSide[], slab: SlabEdges): Point[] {
  const onSide = ([x, y]: Point, side: SlabSide): Point => {
    const at = slab[side]!;
    return side === 'left' ? [-at, y] : side === 'right' ? [at, y] : side === 'bottom' ? [x, -at] : [x, at];
  };
  let points: Point[] = [...column];
  for (const side of sides) points = [...points, ...points.map((p) => onSide(p, side))];
  return convexHull(points);
}

export const lengthOf = (pieces: readonly Piece[]): number =>
  pieces.reduce((sum, { a, b }) => sum + Math.sqrt((b[0] - a[0]) ** 2 + (b[1] - a[1]) ** 2), 0);

const middle = ({ a, b }: Piece): Point => [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];

const split = ({ a, b }: Piece, at: readonly number[]): Piece[] => {
  const point = (t: number): Point => [a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1])];
  const ts = [0, ...at.filter((t) => t > 1e-12 && t < 1 - 1e-12).sort((x, y) => x - y), 1];
  return ts.slice(1).map((t, i) => ({ a: point(ts[i]!), b: point(t) }));
};

/** The pieces of a loop on the slab, cut exactly at its edges. */
function cutLoop(loop: Loop, slab: SlabEdges): Piece[] {
  const { left, right, bottom, top, corner } = slab;
  const xs = [left === null ? null : -left, right, corner ? corner[0] : null].filter((v): v is number => v !== null);
  const ys = [bottom === null ? null : -bottom, top, corner ? corner[1] : null].filter((v): v is number => v !== null);
  return loop.flatMap((a, i) => {
    const b = loop[(i + 1) % loop.length]!;
    const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
    if (Math.hypot(dx, dy) < 1e-9) return [];
    const at = [
      ...(Math.abs(dx) > 1e-12 ? xs.map((x) => (x - a[0]) / dx) : []),
      ...(Math.abs(dy) > 1e-12 ? ys.map((y) => (y - a[1]) / dy) : []),
    ];
    return split({ a, b }, at).filter((p) => isOnSlab(middle(p), slab) && !liesOnEdge(p, slab));
  });
}

/** A piece along an edge of the slab is no part of a perimeter: nothing supports the slab beyond it. */
function liesOnEdge({ a, b }: Piece, { left, right, bottom, top, corner }: SlabEdges): boolean {
  const on = (k: 0 | 1, at: number | null) => at !== null && Math.abs(a[k] - at) < 1e-6 && Math.abs(b[k] - at) < 1e-6;
  const m = middle({ a, b });
  const onCorner =
    corner !== null &&
    ((on(0, corner[0]) && (m[1] - corner[1]) * away(corner[1]) > 0) || (on(1, corner[1]) && (m[0] - corner[0]) * away(corner[0]) > 0));
  return on(0, left === null ? null : -left) || on(0, right) || on(1, bottom === null ? null : -bottom) || on(1, top) || onCorner;
}

function splitByShadows(piece: Piece, shadows: readonly Shadow[]): Piece[] {
  const { a, b } = piece;
  const d: Point = [b[0] - a[0], b[1] - a[1]];
  // The crossing of the piece with a ray from the centre: a + t d has no part across the ray.
  const at = shadows.flatMap(({ from, to }) => [from, to].map((ray) => -cross(a, ray) / cross(d, ray))).filter(Number.isFinite);
  return split(piece, at);
}

/** Sums over a perimeter about axes through a point: all per length of line. */
export interface PerimeterSums {
  readonly length: number;
  readonly centroid: Point;
  /** Second moments of the line about the centroid's axes, and of its direction: what stands upright along x and y (mm3, mm). */
  readonly xx: number;
  readonly yy: number;
  readonly alongX: number;
  readonly alongY: number;
  /** Half widths of the box around it. */
  readonly box: { readonly left: number; readonly right: number; readonly bottom: number; readonly top: number };
}

export function perimeterSums(pieces: readonly Piece[]): PerimeterSums {
  let [length, sx, sy, xx, yy, alongX, alongY] = [0, 0, 0, 0, 0, 0, 0];
  const box = { left: Infinity, right: -Infinity, bottom: Infinity, top: -Infinity };
  for (const { a, b } of pieces) {
    const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
    const l = Math.hypot(dx, dy);
    length += l;
    sx += (l * (a[0] + b[0])) / 2;
    sy += (l * (a[1] + b[1])) / 2;
    xx += (l * (a[0] ** 2 + a[0] * b[0] + b[0] ** 2)) / 3;
    yy += (l * (a[1] ** 2 + a[1] * b[1] + b[1] ** 2)) / 3;
    alongX += dx ** 2 / l;
    alongY += dy ** 2 / l;
    for (const [x, y] of [a, b]) {
      box.left = Math.min(box.left, x);
      box.right = Math.max(box.right, x);
      box.bottom = Math.min(box.bottom, y);
      box.top = Math.max(box.top, y);
    }
  }
  const centroid: Point = [sx / length, sy / length];
  return { length, centroid, xx: xx - length * centroid[0] ** 2, yy: yy - length * centroid[1] ** 2, alongX, alongY, box };
}

/** First moment without sign, about the line x = at or y = at: the integral of |e| along the perimeter (mm2). */
export function staticMoment(pieces: readonly Piece[], axis: 'x' | 'y', at: number): number {
  const k = axis === 'x' ? 0 : 1;
  return pieces.reduce((sum, { a, b }) => {
    const l = Math.hypot(b[0] - a[0], b[1] - a[1]);
    const [u, v] = [a[k] - at, b[k] - at];
    if (u * v >= 0) return sum + (l * Math.abs(u + v)) / 2;
    return sum + (l * (u * u + v * v)) / (2 * Math.abs(u - v));
  }, 0);
}
