import type { Point } from '../geometry/polygon';
import { onBar, type BarSet } from '../model/bar-set';
import { pointsAlong, type Place } from '../model/centre-line';
import type { MemberModel } from '../model/member-model';

/** From which side a member is seen: what runs to the right and what upwards. */
export type Seen = (p: Place) => Point;
export const fromSide: Seen = ([x, , z]) => [x, z];
export const alongX: Seen = ([, y, z]) => [y, z];
export const fromAbove: Seen = ([x, y]) => [x, y];

/** How a member lies: along a line, upright, or flat. */
export type Posture = 'lying' | 'upright' | 'flat';

export function postureOf({ concrete }: MemberModel): Posture {
  const [first] = concrete;
  if (!first || first.along === 'x') return first ? 'lying' : 'flat';
  const points = first.outline.outer;
  const breadth = (k: 0 | 1) => Math.max(...points.map((p) => p[k])) - Math.min(...points.map((p) => p[k]));
  return first.to - first.from >= Math.min(breadth(0), breadth(1)) ? 'upright' : 'flat';
}

const keyOf = (points: readonly Point[]) => points.map(([x, y]) => `${Math.round(x * 10)},${Math.round(y * 10)}`).join(' ');

/** Consecutive points that are one on the drawing, once. */
const thinned = (points: readonly Point[]) =>
  points.filter((p, i) => i === 0 || Math.hypot(p[0] - points[i - 1]![0], p[1] - points[i - 1]![1]) > 0.05);

/** The bars of a set as lines that are seen; those behind each other are one. */
export function linesSeen(set: BarSet, seen: Seen): Point[][] {
  const points = pointsAlong(set.corners);
  const lines = new Map<string, Point[]>();
  set.shifts.forEach((_, k) => {
    const line = thinned(points.map((p) => seen(onBar(set, k, p))));
    if (line.length < 2) return;
    const [own, back] = [keyOf(line), keyOf([...line].reverse())];
    if (!lines.has(own) && !lines.has(back)) lines.set(own, line);
  });
  return [...lines.values()];
}

/** Bars that are seen from their end, as places; those behind each other are one. */
export function endsSeen(set: BarSet, seen: Seen): Point[] {
  const places = new Map<string, Point>();
  set.shifts.forEach((_, k) => {
    const at = seen(onBar(set, k, set.corners[0]!.at));
    places.set(keyOf([at]), at);
  });
  return [...places.values()];
}

/** Where the bars of a set go through a plane square to an axis (0 x, 2 z), as places on the section. */
export function cutsOf(set: BarSet, axis: 0 | 2, at: number, seen: Seen): Point[] {
  const points = pointsAlong(set.corners);
  return set.shifts.flatMap((_, k) => {
    const line = points.map((p) => onBar(set, k, p));
    return line.slice(1).flatMap((b, i) => {
      const a = line[i]!;
      const [low, high] = [Math.min(a[axis], b[axis]), Math.max(a[axis], b[axis])];
      if (high - low < 1e-6 || at < low - 1e-6 || at >= high - 1e-6) return [];
      const t = (at - a[axis]) / (b[axis] - a[axis]);
      return [seen([a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1]), a[2] + t * (b[2] - a[2])])];
    });
  });
}
