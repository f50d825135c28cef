import type { Calc } from '../../calc/calc';
import type { PunchingQuestion } from '../punching-rules';
import { formula, symbols } from './symbols';

export const F = {
  stress: formula('f_cv', 'min(0.17 * (1 + 2 / beta_h), 0.34) * sqrt(f_c_prime)', '9.3.3', { empirical: 'SI' }),
  plain: formula('V_uo', 'u * d_om * (f_cv + 0.3 * sigma_cp)', '9.3.3'),
};

/** Distance of the critical perimeter from the column (mm), 9.3.1.3. */
export const critical = (d: number): number => d / 2;

/** Strength of the slab without moments, before reduction, 9.3.3 (N). */
export function unfactored(c: Calc, q: PunchingQuestion): number {
  const u = c.given(symbols.u, q.around(critical(q.d)).length, 'from the plan');
  const beta_h = c.given(symbols.beta_h, Math.max(q.cx, q.cy) / Math.min(q.cx, q.cy), 'longer over shorter side of the column');
  const f_cv = c.let(F.stress, { beta_h, f_c_prime: q.materials.concreteStrength });
  return c.let(F.plain, { u, d_om: q.d, f_cv, sigma_cp: q.inPlane });
}
