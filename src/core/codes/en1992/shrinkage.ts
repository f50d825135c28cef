import type { Calc } from '../../calc/calc';
import type { Materials } from '../design-code';
import { F as creep } from './creep';
import { meanStrength } from './materials';
import { formula, symbols } from './symbols';

export const F = {
  humidity: formula('beta_RH', '1.55 * (1 - RH^3)', '(B.12)'),
  drying: formula('epsilon_cd0', '0.85 * (220 + 110 * alpha_ds1) * exp(-alpha_ds2 * f_cm / 10) / 1000000 * beta_RH', '(B.11)', {
    empirical: 'SI',
  }),
  time: formula('beta_ds', 't_s / (t_s + 0.04 * sqrt(h_0^3))', '(3.10)', { empirical: 'SI' }),
  dried: formula('epsilon_cd', 'beta_ds * k_h * epsilon_cd0', '(3.9)'),
  autogenousFinal: formula('epsilon_ca_inf', '2.5 * (f_ck - 10) / 1000000', '(3.12)', { empirical: 'SI' }),
  autogenousTime: formula('beta_as', '1 - exp(-0.2 * sqrt(t))', '(3.13)', { empirical: 'SI' }),
  total: formula('epsilon_cs', 'epsilon_cd + beta_as * epsilon_ca_inf', '(3.8)'),
};

/** alpha_ds1 and alpha_ds2 by cement, annex B.2. */
const usualCement = [4, 0.12] as const;
const cementFactors: Readonly<Record<string, readonly [number, number]>> = { S: [3, 0.13], N: usualCement, R: [6, 0.11] };

/** k_h of table 3.3 by notional size (mm), straight between the lines of the table. */
export function sizeFactor(h0: number): number {
  const table = [
    [100, 1],
    [200, 0.85],
    [300, 0.75],
    [500, 0.7],
  ] as const;
  if (h0 <= 100) return 1;
  for (let i = 1; i < table.length; i += 1) {
    const [[a, ka], [b, kb]] = [table[i - 1]!, table[i]!];
    if (h0 <= b) return ka + ((kb - ka) * (h0 - a)) / (b - a);
  }
  return 0.7;
}

/** Shrinkage strain at an age in days (Infinity: at the end), 3.1.4(6) and annex B.2. Area mm2, perimeter exposed to drying mm. */
export function shrinkage(c: Calc, m: Materials, area: number, perimeter: number, age: number): number {
  const { humidity, dryingAge, cement } = m.timeDependent;
  const f_cm = meanStrength(c, m.concreteStrength);
  const [alpha_ds1, alpha_ds2] = cementFactors[cement] ?? usualCement;
  const RH = c.given(symbols.RH, humidity, 'of the surroundings');
  const h_0 = c.let(creep.h0, { A_c: area, u: perimeter });
  const beta_RH = c.let(F.humidity, { RH });
  const epsilon_cd0 = c.let(F.drying, { alpha_ds1, alpha_ds2, f_cm, beta_RH });
  const k_h = c.given(symbols.k_h, sizeFactor(h_0), 'table 3.3');
  const isFinal = !Number.isFinite(age);
  const beta_ds = isFinal ? c.given(symbols.beta_ds, 1, 'at the end') : c.let(F.time, { t_s: Math.max(0, age - dryingAge), h_0 });
  const epsilon_cd = c.let(F.dried, { beta_ds, k_h, epsilon_cd0 });
  const epsilon_ca_inf = c.let(F.autogenousFinal, { f_ck: m.concreteStrength });
  const beta_as = isFinal ? c.given(symbols.beta_as, 1, 'at the end') : c.let(F.autogenousTime, { t: age });
  return c.let(F.total, { epsilon_cd, beta_as, epsilon_ca_inf });
}
