import { silent, type Calc } from '../../calc/calc';
import type { Limit } from '../design-code';
import { INCH, PSI } from './materials';
import { twelveInches } from './shear';
import { formula, symbols, twoForms, type Form } from './symbols';

export const F = {
  clear: twoForms('s_clear', 'max(25, d_b, 4/3 * d_agg)', 'max(1, d_b, 4/3 * d_agg)', '25.2.1'),
  hold: formula('s_tie', 'min(16 * d_b, 48 * d_tie, b_least)', '9.7.6.4.3'),
  ldSmall: twoForms(
    'l_d1',
    'f_y * psi_t * psi_g / (2.1 * lambda * sqrt_fc) * d_b',
    'f_y * psi_t * psi_g / (25 * lambda * sqrt_fc) * d_b',
    'table 25.4.2.3',
  ),
  ldLarge: twoForms(
    'l_d1',
    'f_y * psi_t * psi_g / (1.7 * lambda * sqrt_fc) * d_b',
    'f_y * psi_t * psi_g / (20 * lambda * sqrt_fc) * d_b',
    'table 25.4.2.3',
  ),
  other: formula('l_d', '1.5 * l_d1', 'table 25.4.2.3'),
  root: twoForms('sqrt_fc', 'min(sqrt(f_c_prime), 8.3)', 'min(sqrt(f_c_prime), 100)', '25.4.1.4'),
};

/** Clear distance between bars of a layer, 25.2.1: 25 mm or 1 in, db, 4/3 of the aggregate. */
export function clearSpacing(diameter: number, aggregate: number, form: Form, c: Calc = silent): Limit {
  return { value: c.let(F.clear[form], { d_b: diameter, d_agg: aggregate }), clause: '25.2.1' };
}

/** Clear distance between layers, 25.2.2. */
export function layerGap(form: Form): Limit {
  return { value: form === 'SI' ? 25 : INCH, clause: '25.2.2' };
}

/** psi_g of table 25.4.2.5: by grade. */
export function gradeFactor(fy: number, form: Form): number {
  const ksi = form === 'SI' ? fy / 7 : fy / PSI / 1000; // 420 MPa stands for 60 ksi, 550 for 80, 690 for 100
  if (ksi <= 60.5) return 1;
  return ksi <= 80.5 ? 1.15 : 1.3;
}

/** A bar with the depth in which it lies and its clear cover (mm). */
interface LyingBar {
  readonly diameter: number;
  readonly isTop: boolean;
  readonly h: number;
  readonly cover: number;
}

/** psi_t, table 25.4.2.5: 1.3 with more than 12 in (300 mm) of fresh concrete placed below the bar. */
export function castingFactor(c: Calc, q: LyingBar, form: Form): number {
  const below = q.h - q.cover - q.diameter;
  const isHigh = q.isTop && below > twelveInches(form) + 1e-6;
  return c.given(symbols.psi_t, isHigh ? 1.3 : 1, isHigh ? 'more than 12 in (300 mm) of fresh concrete below' : 'little concrete below');
}

interface Strengths {
  readonly fc: number;
  readonly fy: number;
  readonly lambda: number;
  readonly form: Form;
}

/** Development length of a straight uncoated bar in tension (mm), table 25.4.2.3, at least 12 in. With less cover than its diameter: other cases. */
export function developmentLength(c: Calc, q: LyingBar, { fc, fy, lambda, form }: Strengths): number {
  const psi_t = castingFactor(c, q, form);
  const psi_g = c.given(symbols.psi_g, gradeFactor(fy, form));
  const sqrt_fc = c.let(F.root[form], { f_c_prime: fc });
  const isSmall = q.diameter <= (form === 'SI' ? 19.2 : 0.755 * INCH);
  const l_d1 = c.let((isSmall ? F.ldSmall : F.ldLarge)[form], { f_y: fy, psi_t, psi_g, lambda, sqrt_fc, d_b: q.diameter });
  return Math.max(q.cover < q.diameter - 0.01 ? c.let(F.other, { l_d1 }) : l_d1, twelveInches(form));
}

/** Stirrups that hold compression bars, 9.7.6.4.3. */
export function compressionStirrupSpacing(bar: number, stirrup: number, leastWidth: number, c: Calc = silent): Limit {
  return { value: c.let(F.hold, { d_b: bar, d_tie: stirrup, b_least: leastWidth }), clause: '9.7.6.4.3' };
}
