import { boundsOf, type Point } from '../../geometry/polygon';
import { outlineOf } from './geometry';
import type { Along, Layer, PlateInput } from './input';

type Given = Pick<PlateInput, 'axes'>;

/**
 * Where the bars of a slab run, and how a place lies to them: for straight bars along both directions (mm), for radial ones by its distance from their
 * middle (mm) and the angle around it (rad, from x towards y).
 */
export interface BarAxes {
  /** Directions of the bars "x" and "y" at a place, unit vectors. */
  readonly at: (p: Point) => Readonly<Record<Along, Point>>;
  readonly placeOf: (p: Point) => Point;
  readonly pointAt: (place: Point) => Point;
  /** Radial bars and rings: their middle, and how far from it a mesh along the axes of the plan lies in their place. */
  readonly ring: { readonly middle: Point; readonly inner: number } | null;
  /** Sine of the angle between both directions. */
  readonly sine: number;
}

const RIGHT = 90;
const inRadians = (degrees: number): number => (degrees * Math.PI) / 180;
/** Whether bars run along the axes of the plan. */
export const isAlongPlan = ({ axes }: Given): boolean => axes.kind === 'straight' && axes.angle === 0 && axes.between === RIGHT;

const alongPlan: BarAxes = { at: () => ({ x: [1, 0], y: [0, 1] }), placeOf: (p) => p, pointAt: (p) => p, ring: null, sine: 1 };

/** Whether both directions of bars are square to each other. */
export const isSquare = ({ axes }: Given): boolean => axes.kind === 'ring' || axes.between === RIGHT;

/** The directions of the bars of a slab. */
export function axesOf(plate: Given): BarAxes {
  const { axes } = plate;
  if (isAlongPlan(plate)) return alongPlan;
  return axes.kind === 'straight' ? straight(axes.angle, axes.between) : around([axes.x, axes.y], axes.inner);
}

function straight(angle: number, between: number): BarAxes {
  const direction = (degrees: number): Point => [Math.cos(inRadians(degrees)), Math.sin(inRadians(degrees))];
  const [x, y] = [direction(angle), direction(angle + between)];
  const sine = x[0] * y[1] - x[1] * y[0];
  const directions = { x, y };
  return {
    at: () => directions,
    placeOf: ([px, py]) => [(px * y[1] - py * y[0]) / sine, (py * x[0] - px * x[1]) / sine],
    pointAt: ([s, t]) => [s * x[0] + t * y[0], s * x[1] + t * y[1]],
    ring: null,
    sine,
  };
}

function around(middle: Point, inner: number): BarAxes {
  const from = ([x, y]: Point): Point => [x - middle[0], y - middle[1]];
  return {
    at: (p) => {
      const [x, y] = from(p);
      const r = Math.hypot(x, y);
      if (r < inner || r < 1) return alongPlan.at(p);
      return { x: [x / r, y / r], y: [-y / r, x / r] };
    },
    placeOf: (p) => {
      const [x, y] = from(p);
      return [Math.hypot(x, y), Math.atan2(y, x)];
    },
    pointAt: ([r, angle]) => [middle[0] + r * Math.cos(angle), middle[1] + r * Math.sin(angle)],
    ring: { middle, inner },
    sine: 1,
  };
}

/** A direction less than a whole turn, without figures that rounding makes: "30", "22.5". */
const degrees = (v: number): string => String(Number((((v % 360) + 360) % 180).toFixed(1)));

/** "along x", "at 30°", "radial", "around" */
export function directionWords(plate: Given, along: Along): string {
  const { axes } = plate;
  if (axes.kind === 'ring') return along === 'x' ? 'radial' : 'around';
  if (isAlongPlan(plate)) return `along ${along}`;
  return `at ${degrees(along === 'x' ? axes.angle : axes.angle + axes.between)}°`;
}

/** The same where room is short: "x", "radial" */
export const shortWords = (plate: Given, along: Along): string => (isAlongPlan(plate) ? along : directionWords(plate, along));

/** "bottom, along x" */
export const layerTitle = (plate: Given, { face, along }: Layer): string => `${face}, ${directionWords(plate, along)}`;

/** Radial bars and rings about the middle of a slab, with a mesh over a quarter of its radius. */
export function aroundMiddle(plate: Pick<PlateInput, 'outline' | 'openings'>): Extract<PlateInput['axes'], { kind: 'ring' }> {
  const { left, right, bottom, top } = boundsOf(outlineOf(plate).outer);
  const inner = Math.round(Math.min(right - left, top - bottom) / 8 / 100) * 100;
  return { kind: 'ring', x: Math.round((left + right) / 2), y: Math.round((bottom + top) / 2), inner: Math.max(200, inner) };
}
