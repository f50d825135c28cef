import type { DesignCode } from '../../codes/design-code';
import { WHOLE } from '../../geometry/arcs';
import { distanceToEdges } from '../../geometry/polygon';
import type { SlabBars } from '../../reinforcement/slab-bars';
import { axesOf } from './bar-axes';
import { outlineOf, type Span } from './geometry';
import type { Face, PlateInput } from './input';
import { anchorageOf } from './layers';

/** How radial bars over a part stand: evenly over its turn (rad), and where they end on the way inwards (mm from the middle). */
export interface RadialLayout {
  readonly turn: number;
  readonly count: number;
  readonly far: number;
  /** Where half of those that are left stop, the outermost first; the rest goes on to the last end. */
  readonly stops: readonly number[];
  readonly last: number;
}

/** The least radius (mm) that anything is laid to. */
const LEAST = 100;

/** How far a slab reaches from the middle of its rings. */
export function farthestOf(plate: PlateInput): number {
  const { placeOf } = axesOf(plate);
  return outlineOf(plate).outer.reduce((most, p) => Math.max(most, placeOf(p)[0]), 0);
}

/**
 * Radial bars over a part of a slab, or over all of it: no further apart than their spacing where they are furthest apart. Where the others are half of it
 * apart every second one stops, its anchorage further in, as long as there is a mesh to come. Undefined where the part lies within that.
 */
export function radialLayout(plate: PlateInput, code: DesignCode, face: Face, bars: SlabBars, over: Span | null): RadialLayout | undefined {
  const { middle, inner } = axesOf(plate).ring!;
  const part: Span = over ?? { x: [0, Infinity], y: WHOLE };
  const far = Math.min(part.x[1], farthestOf(plate));
  const near = Math.max(part.x[0], inner);
  if (far <= near) return undefined;
  const anchorage = anchorageOf(plate, code, face, bars);
  // Where no mesh lies at the middle there is an opening.
  const nearest = Math.max(LEAST, near, inner > 0 ? 0 : distanceToEdges(middle, outlineOf(plate)));
  const halvings = Math.max(0, Math.ceil(Math.log2(far / nearest) - 1e-6) - 1);
  const turn = part.y[1] - part.y[0];
  return {
    turn,
    count: Math.ceil((turn * far) / bars.spacing / 2 ** halvings) * 2 ** halvings,
    far,
    stops: Array.from({ length: halvings }, (_, k) => far / 2 ** (k + 1) - anchorage),
    last: part.x[0] <= inner ? Math.max(0, inner - anchorage) : part.x[0],
  };
}

/** How far inwards the k-th bar of a layout goes. */
export function innerEndOf({ stops, last }: RadialLayout, k: number): number {
  const halving = stops.findIndex((_, v) => (k >> v) % 2 === 1);
  return halving < 0 ? last : Math.max(last, stops[halving]!);
}

/** Bars of a layout at a radius, over its turn (1/rad). */
export function densityAt({ turn, count, far, stops, last }: RadialLayout, r: number): number {
  if (r > far || r < last) return 0;
  const gone = stops.reduce((sum, stop, k) => (r < stop ? sum + count / 2 ** (k + 1) : sum), 0);
  return (count - gone) / turn;
}
