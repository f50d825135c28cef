import type { Calc } from '../../calc/calc';
import { getUnit } from '../../units/unit';
import { formula, symbols, twoForms, type Form } from './symbols';

export const PSI = getUnit('psi').factor;
export const INCH = 25.4;

export const F = {
  Ec: twoForms('E_c', '4700 * sqrt(f_c_prime)', '57000 * sqrt(f_c_prime)', '19.2.2.1(b)'),
  EcDensity: twoForms('E_c', 'w_c^1.5 * 0.043 * sqrt(f_c_prime)', 'w_c^1.5 * 33 * sqrt(f_c_prime)', '19.2.2.1(a)'),
  lambda: twoForms('lambda', 'max(0.75, min(1, 0.00047 * w_c))', 'max(0.75, min(1, 0.0075 * w_c))', '19.2.4.1(a)'),
  fr: twoForms('f_r', '0.62 * lambda * sqrt(f_c_prime)', '7.5 * lambda * sqrt(f_c_prime)', '19.2.3.1'),
  beta1: twoForms(
    'beta_1',
    'max(0.65, min(0.85, 0.85 - 0.05 * (f_c_prime - 28)/7))',
    'max(0.65, min(0.85, 0.85 - 0.05 * (f_c_prime - 4000)/1000))',
    '22.2.2.4.3',
  ),
  ety: formula('epsilon_ty', 'f_y / E_s', '21.2.2.1'),
  phi: formula('phi', 'max(0.65, min(0.90, 0.65 + 0.25 * (epsilon_t - epsilon_ty)/0.003))', '21.2.2'),
  phiSpiral: formula('phi', 'max(0.75, min(0.90, 0.75 + 0.15 * (epsilon_t - epsilon_ty)/0.003))', '21.2.2'),
};

/** Normal density at and above which lambda is 1 and Ec follows from f'c alone: 135 lb/ft3, 2160 kg/m3. */
const isNormalWeight = (density: number, form: Form) =>
  density >= (form === 'SI' ? 2160 * getUnit('kg/m3').factor : 135 * getUnit('pcf').factor);

/** Es: 200 000 MPa, or 29 000 000 psi (20.2.2.2). */
export const steelModulus = (form: Form): number => (form === 'SI' ? 200_000 : 29e6 * PSI);

export function elasticModulus(c: Calc, fc: number, density: number, form: Form): number {
  if (isNormalWeight(density, form)) return c.let(F.Ec[form], { f_c_prime: fc });
  return c.let(F.EcDensity[form], { f_c_prime: fc, w_c: density });
}

/** lambda by density, 19.2.4.1(a). */
export function lightweightFactor(c: Calc, density: number, form: Form): number {
  return isNormalWeight(density, form) ? 1 : c.let(F.lambda[form], { w_c: density });
}

export function ruptureModulus(c: Calc, fc: number, lambda: number, form: Form): number {
  return c.let(F.fr[form], { f_c_prime: fc, lambda });
}

export function beta1(c: Calc, fc: number, form: Form): number {
  c.given(symbols.f_c_prime, fc);
  // The table of the SI edition jumps at 55 MPa from 0.657 to 0.65.
  if (form === 'SI' && fc >= 55) return c.given(symbols.beta_1, 0.65, 'from 55 MPa on, table 22.2.2.4.3');
  return c.let(F.beta1[form], { f_c_prime: fc });
}

/** Yield strain, 21.2.2.1; 0.002 may be taken for Grade 420 / 60. */
export function yieldStrain(c: Calc, fy: number, form: Form, roundGrade60: boolean): number {
  const isGrade60 = form === 'SI' ? Math.abs(fy - 420) < 0.5 : Math.abs(fy / PSI - 60_000) < 50;
  if (roundGrade60 && isGrade60) return c.given(symbols.epsilon_ty, 0.002, 'permitted for this grade, 21.2.2.1');
  return c.let(F.ety, { f_y: fy, E_s: steelModulus(form) });
}

/** phi for moment, 21.2.2; `spiral` for members with spirals. */
export function strengthReduction(c: Calc, epsT: number, epsTy: number, spiral = false): number {
  return c.let(spiral ? F.phiSpiral : F.phi, { epsilon_t: epsT, epsilon_ty: epsTy });
}

/** Strengths that are usually ordered (MPa): in SI by the conversions of the SI edition, in US units whole thousands of psi. */
export const concreteGrades: Readonly<Record<Form, readonly number[]>> = {
  SI: [21, 28, 35, 42, 50, 55, 70],
  US: [3000, 4000, 5000, 6000, 7000, 8000, 10_000].map((psi) => psi * PSI),
};

export function concreteLabel(strength: number, form: Form): string {
  return form === 'SI' ? `f′c ${Number(strength.toFixed(1))} MPa` : `f′c ${Number((strength / PSI).toFixed(0))} psi`;
}

export function steelLabel(strength: number, form: Form): string {
  return `Grade ${form === 'SI' ? Number(strength.toFixed(0)) : Number((strength / PSI / 1000).toFixed(1))}`;
}
