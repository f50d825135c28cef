import { silent, type Calc } from '../../calc/calc';
import type { Materials } from '../design-code';
import { meanStrength } from './materials';
import { formula, symbols } from './symbols';

export const F = {
  h0: formula('h_0', '2 * A_c / u', '(B.6)'),
  alpha1: formula('alpha_1', '(35 / f_cm)^0.7', '(B.8c)', { empirical: 'SI' }),
  alpha2: formula('alpha_2', '(35 / f_cm)^0.2', '(B.8c)', { empirical: 'SI' }),
  humidityLow: formula('phi_RH', '1 + (1 - RH) / (0.1 * h_0^(1/3))', '(B.3a)', { empirical: 'SI' }),
  humidityHigh: formula('phi_RH', '(1 + (1 - RH) / (0.1 * h_0^(1/3)) * alpha_1) * alpha_2', '(B.3b)', { empirical: 'SI' }),
  strength: formula('beta_fcm', '16.8 / sqrt(f_cm)', '(B.4)', { empirical: 'SI' }),
  age: formula('t_0', 'max(0.5, t_0T * (9 / (2 + t_0T^1.2) + 1)^alpha_cem)', '(B.9)', { empirical: 'SI' }),
  loading: formula('beta_t0', '1 / (0.1 + t_0^0.2)', '(B.5)', { empirical: 'SI' }),
  alpha3: formula('alpha_3', '(35 / f_cm)^0.5', '(B.8c)', { empirical: 'SI' }),
  size: formula('beta_H', 'min(1.5 * (1 + (1.2 * RH)^18) * h_0 + 250 * alpha_3, 1500 * alpha_3)', '(B.8)', { empirical: 'SI' }),
  development: formula('beta_ct', '(t_l / (beta_H + t_l))^0.3', '(B.7)'),
  atAge: formula('phi_t', 'phi_inf * beta_ct', '(B.1)'),
  final: formula('phi_inf', 'phi_RH * beta_fcm * beta_t0', '(B.2)'),
};

const cementPower: Readonly<Record<string, number>> = { S: -1, N: 0, R: 1 };

/** Final creep coefficient phi(infinity, t0) by annex B.1. Area mm2, perimeter exposed to drying mm. */
export function finalCreep(c: Calc, m: Materials, area: number, perimeter: number): number {
  const { humidity, loadingAge, cement } = m.timeDependent;
  const f_cm = meanStrength(c, m.concreteStrength);
  const RH = c.given(symbols.RH, humidity, 'of the surroundings');
  const h_0 = c.let(F.h0, { A_c: area, u: perimeter });
  const phi_RH =
    f_cm <= 35
      ? c.let(F.humidityLow, { RH, h_0 })
      : c.let(F.humidityHigh, { RH, h_0, alpha_1: c.let(F.alpha1, { f_cm }), alpha_2: c.let(F.alpha2, { f_cm }) });
  const t_0 = c.let(F.age, { t_0T: loadingAge, alpha_cem: cementPower[cement] ?? 0 });
  const beta_fcm = c.let(F.strength, { f_cm });
  return c.let(F.final, { phi_RH, beta_fcm, beta_t0: c.let(F.loading, { t_0 }) });
}

/** Creep coefficient at an age in days (Infinity: the final one), annex B.1. */
export function creepAt(c: Calc, m: Materials, area: number, perimeter: number, age: number): number {
  const phi_inf = finalCreep(c, m, area, perimeter);
  if (!Number.isFinite(age)) return phi_inf;
  const f_cm = meanStrength(silent, m.concreteStrength);
  const h_0 = (2 * area) / perimeter;
  const alpha_3 = f_cm <= 35 ? 1 : c.let(F.alpha3, { f_cm });
  const beta_H = c.let(F.size, { RH: m.timeDependent.humidity, h_0, alpha_3 });
  const t_l = c.given(symbols.t_l, Math.max(0, age - m.timeDependent.loadingAge), 'since the first load');
  return c.let(F.atAge, { phi_inf, beta_ct: c.let(F.development, { t_l, beta_H }) });
}
