import type { Loop, Point } from '@/core/geometry/polygon';

/** So much of a turn (rad) lies between two corners of an arc that is taken as straight pieces: 0.4 % of the radius beside it. */
const ARC_STEP = Math.PI / 18;

/** Points of an arc about a centre after its first, the last one included. */
export function alongArc([cx, cy]: Point, radius: number, from: number, turn: number): Point[] {
  const n = Math.max(1, Math.ceil(Math.abs(turn) / ARC_STEP - 1e-9));
  return Array.from({ length: n }, (_, k): Point => {
    const a = from + (turn * (k + 1)) / n;
    return [cx + radius * Math.cos(a), cy + radius * Math.sin(a)];
  });
}

/** Points of a piece of a polyline after its first; `bulge` is the tangent of a quarter of the angle by which it turns, anticlockwise positive. */
export function alongBulge([px, py]: Point, [qx, qy]: Point, bulge: number): Point[] {
  const chord = Math.hypot(qx - px, qy - py);
  if (Math.abs(bulge) < 1e-9 || chord === 0) return [[qx, qy]];
  const turn = 4 * Math.atan(bulge);
  // From the middle of the chord the centre lies to the left of its direction by (1 - b²) / 2b of half the chord.
  const aside = ((1 - bulge ** 2) / (4 * bulge)) * chord;
  const [ux, uy] = [(qx - px) / chord, (qy - py) / chord];
  const [cx, cy] = [(px + qx) / 2 - uy * aside, (py + qy) / 2 + ux * aside];
  const points = alongArc([cx, cy], Math.hypot(px - cx, py - cy), Math.atan2(py - cy, px - cx), turn);
  return [...points.slice(0, -1), [qx, qy]];
}

/** A circle as corners. */
export const aroundCircle = (centre: Point, radius: number): Point[] => alongArc(centre, radius, 0, 2 * Math.PI);

/** Turning by less than this (rad), counted from the last corner that is kept, a line goes straight on. */
const STRAIGHT = 1e-4;

/** By how much a line turns at a corner (rad, without sign). */
function turnAt([ax, ay]: Point, [x, y]: Point, [bx, by]: Point): number {
  const [u, v, w, z] = [x - ax, y - ay, bx - x, by - y];
  return Math.abs(Math.atan2(u * z - v * w, u * w + v * z));
}

/** Without corners that lie within a distance of the one before, or on a straight line. Fine curves keep what bends them. */
export function plainLoop(points: Loop, near: number): Point[] {
  const apart = points.filter((p, i) => {
    const before = points[(i + points.length - 1) % points.length]!;
    return Math.hypot(p[0] - before[0], p[1] - before[1]) > near;
  });
  const kept: Point[] = [];
  apart.forEach((p, i) => {
    const before = kept[kept.length - 1];
    if (!before || turnAt(before, p, apart[(i + 1) % apart.length]!) > STRAIGHT) kept.push(p);
  });
  // Where the line was begun may lie on a side.
  const [first, second, last] = [kept[0], kept[1], kept[kept.length - 1]];
  return kept.length > 3 && turnAt(last!, first!, second!) <= STRAIGHT ? kept.slice(1) : kept;
}

/** Single lines joined where their ends meet within a distance: what closes, and how many chains stay open. Where more than two meet, a chain ends. */
export function joined(pieces: readonly Loop[], near: number): { readonly loops: Point[][]; readonly open: number } {
  const key = ([x, y]: Point) => `${Math.round(x / near)} ${Math.round(y / near)}`;
  const at = new Map<string, number[]>();
  pieces.forEach((piece, i) => {
    for (const end of [piece[0]!, piece[piece.length - 1]!]) at.set(key(end), [...(at.get(key(end)) ?? []), i]);
  });
  const used = new Set<number>();
  const loops: Point[][] = [];
  let open = 0;
  pieces.forEach((first, start) => {
    if (used.has(start)) return;
    used.add(start);
    const chain = [...first];
    for (;;) {
      const end = chain[chain.length - 1]!;
      const here = at.get(key(end))!;
      const next = here.length === 2 ? here.find((i) => !used.has(i)) : undefined;
      if (next === undefined) break;
      used.add(next);
      const piece = pieces[next]!;
      chain.push(...(key(piece[0]!) === key(end) ? piece : [...piece].reverse()).slice(1));
    }
    if (chain.length > 3 && key(chain[0]!) === key(chain[chain.length - 1]!)) loops.push(chain.slice(0, -1));
    else open += 1;
  });
  return { loops, open };
}
