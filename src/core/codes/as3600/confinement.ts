import type { Calc } from '../../calc/calc';
import type { ConfinedSection, ConfinementRules, RoundCore, TiedCore } from '../column-rules';
import type { Limit } from '../design-code';
import { LEAST } from './capacity-factors';
import { formula } from './symbols';

export const F = {
  pressure: formula('f_r', 'A_f * f_syf / (d_s * s)', '10.7.3.3'),
  pressureRound: formula('f_r', '2 * A_f * f_syf / (d_s * s)', '10.7.3.3'),
  effective: formula('k_e', 'max(0, 1 - sum_w2 / (6 * b_c * d_c)) * max(0, 1 - s / (2 * b_c)) * max(0, 1 - s / (2 * d_c))', '10.7.3.3'),
  effectiveHelix: formula('k_e', 'max(0, 1 - s / (2 * d_s))', '10.7.3.3'),
  effectiveRings: formula('k_e', 'max(0, 1 - s / (2 * d_s))^2', '10.7.3.3'),
  reached: formula('f_r_eff', 'k_e * f_r', '10.7.3.3'),
  asked: formula('f_r_min', '0.01 * f_c_prime', '10.7.3.2'),
};

/** Effective confining pressure of a rectangular core by rational calculation (MPa), 10.7.3.3: the lesser of both directions. */
export function tiedPressure(c: Calc, core: TiedCore): number {
  const { b_c, d_c, spacing: s, fsy: f_syf } = core;
  const sum_w2 = core.between.reduce((sum, w) => sum + w ** 2, 0);
  const k_e = c.let(F.effective, { sum_w2, b_c, d_c, s });
  // Legs along x press across the width along y.
  const [alongX, alongY] = [core.alongX / d_c, core.alongY / b_c];
  const [A_f, d_s] = alongX <= alongY ? [core.alongX, d_c] : [core.alongY, b_c];
  const f_r = c.let(F.pressure, { A_f, f_syf, d_s, s });
  return c.let(F.reached, { k_e, f_r });
}

/** The same of a round core. */
export function roundPressure(c: Calc, o: RoundCore): number {
  const k_e = c.let(o.isHelix ? F.effectiveHelix : F.effectiveRings, { s: o.spacing, d_s: o.d_s });
  return c.let(F.reached, { k_e, f_r: c.let(F.pressureRound, { A_f: o.area, f_syf: o.fsy, d_s: o.d_s, s: o.spacing }) });
}

/** Least effective pressure where confinement is asked for (MPa), 10.7.3.2. */
export const leastPressure = (c: Calc, f_c_prime: number): number => c.let(F.asked, { f_c_prime });

/** Up to this strength (MPa) detailing alone gives confinement, 10.7.3.1. */
const PLAIN_FC = 50;

/** The part of phi Mu from which on the core has to be confined, 10.7.3.1: above 50 MPa all of it from 0.75 phi Nuo on, from 0.6 with 0.3 phi f'c Ag. */
export function confinedFrom({ N, squash, area, materials: { concreteStrength: fc } }: Omit<ConfinedSection, 'M' | 'capacity'>): number {
  if (fc <= PLAIN_FC) return Infinity;
  if (N >= 0.75 * squash) return 0;
  return N >= 0.3 * LEAST * fc * area ? 0.6 : Infinity;
}

/** Whether the core has to be confined under some forces, 10.7.3.1. */
export const isConfinementAsked = (q: ConfinedSection): boolean => {
  const from = confinedFrom(q);
  return Number.isFinite(from) && q.M >= from * q.capacity;
};

export const confinement: ConfinementRules = {
  isAsked: isConfinementAsked,
  askedFrom: confinedFrom,
  needed: (c, m) => leastPressure(c, m.concreteStrength),
  tied: tiedPressure,
  round: roundPressure,
  clause: '10.7.3',
};

/** Least diameter of fitments for bars (mm), table 10.7.4.3. */
export function leastFitment(barDiameter: number, isBundled = false): Limit {
  const value = isBundled ? 12 : barDiameter <= 20 ? 6 : barDiameter <= 36 ? 10 : 12;
  return { value, clause: 'table 10.7.4.3' };
}

/** Largest spacing of fitments that hold bars (mm), 10.7.4.3: Dc and 15 db; for bundles half of each. `Dc` is the smaller side. */
export function fitmentSpacing(Dc: number, barDiameter: number, isBundled = false): Limit {
  const share = isBundled ? 0.5 : 1;
  return { value: share * Math.min(Dc, 15 * barDiameter), clause: '10.7.4.3' };
}
