import type { QuantityKind } from '../units/quantity';
import type { LineLoad } from './line-beam';

/** A figure that can be worked out on the back of an envelope, beside the one of the analysis. */
export interface HandCheck {
  readonly title: string;
  readonly byHand: number;
  readonly byAnalysis: number;
  readonly kind: QuantityKind;
  readonly agrees: boolean;
}

/** Downward force of a load (N). */
export function totalLoad(load: LineLoad): number {
  if (load.kind === 'distributed') return ((load.start + load.end) / 2) * (load.to - load.from);
  return load.kind === 'point' ? load.force : 0;
}

/**
 * Moment of a simply supported span just left of midspan (N mm), from statics alone; w L2 / 8 for a uniform load.
 * A trapezium is summed as its uniform part and its triangle.
 */
export function simpleMidspanMoment(loads: readonly LineLoad[], L: number): number {
  let moment = 0;
  for (const load of loads) {
    if (load.kind === 'moment') moment += load.at > L / 2 - 1e-6 ? -load.moment / 2 : load.moment / 2;
    else if (load.kind === 'point') moment += pointMoment(load.force, load.at, L);
    else moment += stripMoment(load, L);
  }
  return moment;
}

const pointMoment = (p: number, a: number, L: number) => (p * Math.min(a, L - a)) / 2;

function stripMoment(load: LineLoad & { kind: 'distributed' }, L: number): number {
  const slope = load.to > load.from ? (load.end - load.start) / (load.to - load.from) : 0;
  const q = (x: number) => load.start + slope * (x - load.from);
  let moment = 0;
  // Each part on one side of midspan; the load on it is a trapezium, the influence line is straight: three-point rule is exact.
  for (const [a, b] of [
    [load.from, Math.min(load.to, L / 2)],
    [Math.max(load.from, L / 2), load.to],
  ] as const) {
    if (b <= a) continue;
    const m = (a + b) / 2;
    moment += ((b - a) / 6) * (pointMoment(q(a), a, L) + 4 * pointMoment(q(m), m, L) + pointMoment(q(b), b, L));
  }
  return moment;
}

/** Sets a figure by hand beside that of the analysis; they agree within a relative difference. */
export function handCheck(title: string, kind: QuantityKind, byHand: number, byAnalysis: number, within = 1e-6): HandCheck {
  const scale = Math.max(Math.abs(byHand), Math.abs(byAnalysis), 1);
  return { title, kind, byHand, byAnalysis, agrees: Math.abs(byHand - byAnalysis) < within * scale + 1e-3 };
}
