import { isInArc, isWhole, turnBetween, TURN } from '../../geometry/arcs';
import { box, type Loop, type Point } from '../../geometry/polygon';
import type { BarAxes } from './bar-axes';
import { spanOf, type Span, type TwoCorners } from './geometry';

/** A part that goes round but for less than this (rad), or by less, goes all round. */
const CLOSED = TURN / 360;
/** Corners are kept to this (mm), and what lies so near to the side of a part lies over it. */
const EXACT = 0.01;
const kept = (v: number): number => Number(v.toFixed(2)) || 0;
/** Nearer to the middle than this (mm) a corner has no angle. */
const AT_MIDDLE = 1;

/**
 * The part of a slab that lies between two corners, by the directions of its bars: straight bars along both (mm), radial ones from and to a distance from
 * the middle (mm) and from the first corner counterclockwise to the second one (rad), all round where both lie at one angle. What goes all round
 * and begins within the mesh at the middle covers all of that; what does not begins beyond it.
 */
export function partOf(corners: TwoCorners, axes: BarAxes): Span {
  const [a, b] = [axes.placeOf([corners.x1, corners.y1]), axes.placeOf([corners.x2, corners.y2])];
  if (!axes.ring) return spanOf({ x1: a[0], y1: a[1], x2: b[0], y2: b[1] });
  const turned = turnBetween(a[1], b[1]);
  const [near, far] = [Math.min(a[0], b[0]), Math.max(a[0], b[0])];
  const isAllRound = turned < CLOSED || turned > TURN - CLOSED || near < AT_MIDDLE;
  const { inner } = axes.ring;
  if (!isAllRound) return { x: [Math.max(near, inner), far], y: [a[1], a[1] + turned] };
  return { x: [near < inner ? 0 : near, far], y: [a[1], a[1] + TURN] };
}

export const goesAllRound = ({ y }: Span, { ring }: BarAxes): boolean => ring !== null && isWhole(y);

/** Whether a place lies over a part. */
export function isOver(p: Point, part: Span, axes: BarAxes): boolean {
  const [s, t] = axes.placeOf(p);
  if (s < part.x[0] - EXACT || s > part.x[1] + EXACT) return false;
  if (!axes.ring) return t >= part.y[0] - EXACT && t <= part.y[1] + EXACT;
  const [from, to] = part.y;
  const slack = EXACT / Math.max(1, part.x[0]);
  return isInArc(t, [from - slack, to + slack]);
}

/** Corners that give a part again. */
export function cornersOf({ x, y }: Span, axes: BarAxes): TwoCorners {
  const [[x1, y1], [x2, y2]] = [axes.pointAt([x[0], y[0]]), axes.pointAt([x[1], y[1]])];
  return { x1: kept(x1), y1: kept(y1), x2: kept(x2), y2: kept(y2) };
}

/** Four points by which a part is held: along its first side, and back along the other one. */
export function pointsOf(corners: TwoCorners, axes: BarAxes): Point[] {
  const [a, b] = [axes.placeOf([corners.x1, corners.y1]), axes.placeOf([corners.x2, corners.y2])];
  return [a, [b[0], a[1]] as Point, b, [a[0], b[1]] as Point].map(axes.pointAt);
}

/** A part with one of its four points moved: its sides go with it. What goes all round goes on to do so. */
export function movedCorner(corners: TwoCorners, end: number, to: Point, axes: BarAxes): TwoCorners {
  const [a, b] = [axes.placeOf([corners.x1, corners.y1]), axes.placeOf([corners.x2, corners.y2])];
  const [s, t] = goesAllRound(partOf(corners, axes), axes) ? [axes.placeOf(to)[0], a[1]] : axes.placeOf(to);
  const isFirstS = end === 0 || end === 3;
  const isFirstT = end < 2;
  const [[x1, y1], [x2, y2]] = [
    axes.pointAt([isFirstS ? s : a[0], isFirstT ? t : a[1]]),
    axes.pointAt([isFirstS ? b[0] : s, isFirstT ? b[1] : t]),
  ];
  return { x1, y1, x2, y2 };
}

/** Chords of a whole turn. */
const CHORDS = 96;

/** A part as it lies on the plan: one loop, two where it goes all round away from the middle. */
export function loopsOf(part: Span, axes: BarAxes): Loop[] {
  const { x, y } = part;
  if (!axes.ring) return [box(x[0], y[0], x[1], y[1]).map(axes.pointAt)];
  const count = Math.max(1, Math.round(((y[1] - y[0]) / TURN) * CHORDS));
  const arc = (r: number) => Array.from({ length: count + 1 }, (_, k) => axes.pointAt([r, y[0] + (k / count) * (y[1] - y[0])]));
  if (!goesAllRound(part, axes)) return [[...arc(x[1]), ...arc(x[0]).reverse()]];
  return [arc(x[1]).slice(1), ...(x[0] > 1 ? [arc(x[0]).slice(1).reverse()] : [])];
}

/** Area of a part (mm2). */
export function areaOf({ x, y }: Span, axes: BarAxes): number {
  return axes.ring ? ((x[1] ** 2 - x[0] ** 2) / 2) * (y[1] - y[0]) : (x[1] - x[0]) * (y[1] - y[0]) * axes.sine;
}

/** Directions in which a place to write at is looked for on what goes all round. */
const LOOKS = 24;

/** The middle of a part on the plan; of one that goes all round, halfway between its rings where it is furthest from what stands there. */
export function middleOf(part: Span, axes: BarAxes, others: readonly Point[] = []): Point {
  const r = (part.x[0] + part.x[1]) / 2;
  if (!goesAllRound(part, axes)) return axes.pointAt([r, (part.y[0] + part.y[1]) / 2]);
  const places = Array.from({ length: LOOKS }, (_, k) => axes.pointAt([r, part.y[0] + (k / LOOKS) * TURN]));
  const clear = ([x, y]: Point) => others.reduce((least, [a, b]) => Math.min(least, Math.hypot(x - a, y - b)), Infinity);
  return places.reduce((a, b) => (clear(b) > clear(a) + 1 ? b : a));
}
