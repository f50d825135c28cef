import { distanceToSegment, type Point } from '../../geometry/polygon';

/** A straight piece that sides of triangles follow. */
export type Piece = readonly [Point, Point];

/** Nearer than this (mm) two points are one. */
export const ONE_POINT = 0.5;

/** The wanted length of sides at a place (mm). */
export type SizeAt = (at: Point) => number;

/** Pieces cut where they cross, touch or carry a point that is to be a node, so that they meet only at their ends. */
export function cutAtCrossings(pieces: readonly Piece[], points: readonly Point[]): Piece[] {
  const ends = pieces.flatMap(([a, b]) => [a, b]);
  const whole = pieces.flatMap(([a, b], i) => {
    const on = [...points, ...ends, ...pieces.flatMap((other, k) => (k === i ? [] : crossing([a, b], other)))].filter(
      (p) => distanceToSegment(p, a, b) < ONE_POINT,
    );
    const along = (p: Point) => ((p[0] - a[0]) * (b[0] - a[0]) + (p[1] - a[1]) * (b[1] - a[1])) / Math.hypot(b[0] - a[0], b[1] - a[1]);
    const places = [a, ...on.sort((p, q) => along(p) - along(q)), b].filter(
      (p, k, all) => k === 0 || along(p) - along(all[k - 1]!) > ONE_POINT,
    );
    // Where the last of them is all but the end, the end stands for it.
    if (places.length > 1 && places[places.length - 1] !== b) places[places.length - 1] = b;
    return places.slice(1).map((p, k): Piece => [places[k]!, p]);
  });
  return withoutTwins(whole);
}

/** Where two pieces cross within both; nothing for parallel ones, whose ends then lie on each other. */
function crossing([a, b]: Piece, [c, d]: Piece): Point[] {
  const [ux, uy, vx, vy] = [b[0] - a[0], b[1] - a[1], d[0] - c[0], d[1] - c[1]];
  const turn = ux * vy - uy * vx;
  if (Math.abs(turn) < 1e-9 * Math.hypot(ux, uy) * Math.hypot(vx, vy)) return [];
  const t = ((c[0] - a[0]) * vy - (c[1] - a[1]) * vx) / turn;
  const s = ((c[0] - a[0]) * uy - (c[1] - a[1]) * ux) / turn;
  return t >= 0 && t <= 1 && s >= 0 && s <= 1 ? [[a[0] + t * ux, a[1] + t * uy]] : [];
}

const keyOf = ([x, y]: Point) => `${Math.round(x / ONE_POINT)} ${Math.round(y / ONE_POINT)}`;

function withoutTwins(pieces: readonly Piece[]): Piece[] {
  const seen = new Set<string>();
  return pieces.filter(([a, b]) => {
    const key = [keyOf(a), keyOf(b)].sort().join(' ');
    return seen.has(key) ? false : seen.add(key);
  });
}

/** Points along a piece, its ends among them, as far apart as is wanted there. */
export function spaced([a, b]: Piece, sizeAt: SizeAt): Point[] {
  const LOOKS = 32;
  const length = Math.hypot(b[0] - a[0], b[1] - a[1]);
  const at = (t: number): Point => [a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1])];
  // How many sides there are room for up to each place; they are spread evenly over that.
  const room = new Float64Array(LOOKS + 1);
  for (let i = 0; i < LOOKS; i += 1) room[i + 1] = room[i]! + length / LOOKS / sizeAt(at((i + 0.5) / LOOKS));
  const sides = Math.max(1, Math.ceil(room[LOOKS]! - 1e-6));
  const points: Point[] = [a];
  for (let n = 1, i = 0; n < sides; n += 1) {
    const wanted = (n / sides) * room[LOOKS]!;
    while (room[i + 1]! < wanted) i += 1;
    points.push(at((i + (wanted - room[i]!) / (room[i + 1]! - room[i]!)) / LOOKS));
  }
  return [...points, b];
}
