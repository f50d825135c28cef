import { remember, silent, type Calc } from '../../calc/calc';
import type { LinkRequirement, Links, ShearResistance, ShearSection } from '../design-code';
import { INCH, PSI } from './materials';
import { formula, symbols, twoForms, type Form } from './symbols';

export const PHI_SHEAR = 0.75; // 21.2.1

export const F = {
  both: formula('u_V', 'max(u_Vx, u_Vy, (u_Vx + u_Vy) / 1.5)', '22.5.1.11'),
  apart: formula('u_V', 'max(u_Vx, u_Vy)', '22.5.1.10'),
  rho: formula('rho_w', 'A_s / (b_w * d)', '22.5.5.1'),
  sigmaN: formula('sigma_N', 'N_u / (6 * A_g)', '22.5.5.1'),
  size: twoForms('lambda_s', 'min(1, sqrt(2 / (1 + 0.004 * d)))', 'min(1, sqrt(2 / (1 + d/10)))', '22.5.5.1.3'),
  root: twoForms('sqrt_fc', 'min(sqrt(f_c_prime), 8.3)', 'min(sqrt(f_c_prime), 100)', '22.5.3.1'),
  rootFree: twoForms('sqrt_fc', 'sqrt(f_c_prime)', 'sqrt(f_c_prime)', '22.5.3.2'),
  VcA: twoForms('V_c', '(0.17 * lambda * sqrt_fc + sigma_N) * b_w * d', '(2 * lambda * sqrt_fc + sigma_N) * b_w * d', 'table 22.5.5.1(a)'),
  VcB: twoForms(
    'V_c',
    '(0.66 * lambda * rho_w^(1/3) * sqrt_fc + sigma_N) * b_w * d',
    '(8 * lambda * rho_w^(1/3) * sqrt_fc + sigma_N) * b_w * d',
    'table 22.5.5.1(b)',
  ),
  VcC: twoForms(
    'V_c',
    '(0.66 * lambda_s * lambda * rho_w^(1/3) * sqrt_fc + sigma_N) * b_w * d',
    '(8 * lambda_s * lambda * rho_w^(1/3) * sqrt_fc + sigma_N) * b_w * d',
    'table 22.5.5.1(c)',
  ),
  VcMax: twoForms('V_c_max', '0.42 * lambda * sqrt_fc * b_w * d', '5 * lambda * sqrt_fc * b_w * d', '22.5.5.1.1'),
  Vs: formula('V_s', 'A_v * f_yt * d / s', '22.5.8.5.3'),
  VsMax: twoForms('V_s_max', '0.66 * sqrt(f_c_prime) * b_w * d', '8 * sqrt(f_c_prime) * b_w * d', '22.5.1.2'),
  VsClose: twoForms('V_s_close', '0.33 * sqrt(f_c_prime) * b_w * d', '4 * sqrt(f_c_prime) * b_w * d', '9.7.6.2.2'),
  phiVn: formula('phi_V_n', 'phi_v * (V_c + min(V_s, V_s_max))', '22.5.1.1'),
  VsReq: formula('V_s_req', 'max(0, V_u / phi_v - V_c)', '22.5.8.1'),
  av: formula('a_v', 'V_s_req / (f_yt * d)', '22.5.8.5.3'),
  avMin: twoForms('a_v_min', 'max(0.062 * sqrt(f_c_prime), 0.35) * b_w / f_yt', 'max(0.75 * sqrt(f_c_prime), 50) * b_w / f_yt', '9.6.3.4'),
  threshold: twoForms(
    'V_threshold',
    'phi_v * 0.083 * lambda * sqrt(f_c_prime) * b_w * d',
    'phi_v * lambda * sqrt(f_c_prime) * b_w * d',
    '9.6.3.1',
  ),
  sMax: twoForms('s_max', 'min(d/2, 600)', 'min(d/2, 24)', 'table 9.7.6.2.2'),
  sMaxClose: twoForms('s_max', 'min(d/4, 300)', 'min(d/4, 12)', 'table 9.7.6.2.2'),
  across: twoForms('s_w_max', 'min(d, 600)', 'min(d, 24)', 'table 9.7.6.2.2'),
  acrossClose: twoForms('s_w_max', 'min(d/2, 300)', 'min(d/2, 12)', 'table 9.7.6.2.2'),
};

export interface ShearBasis {
  readonly form: Form;
  readonly fc: number;
  readonly lambda: number;
  /** fyt as counted: at most 420 MPa or 60 ksi, table 20.2.2.4(a). */
  readonly fyt: number;
  /** Which row of table 22.5.5.1 is taken with at least least stirrups. */
  readonly row: 'larger' | 'a' | 'b';
  /** What does not depend on the force, for searches with one set of materials. */
  readonly known?: WeakMap<ShearSection, SectionNeeds>;
}

interface SectionNeeds {
  readonly V_c: number;
  readonly threshold: number;
  readonly minimum: number;
  readonly close: number;
  readonly most: number;
}

export function countedStirrupStrength(fyt: number, form: Form): number {
  return Math.min(fyt, form === 'SI' ? 420 : 60_000 * PSI);
}

/** Nominal shear strength of concrete (N), table 22.5.5.1. `N` is the factored axial force, compression positive. */
export function concreteStrength(c: Calc, s: ShearSection, basis: ShearBasis, hasLeastStirrups: boolean, N = s.axial ?? 0): number {
  const { form, fc, lambda, row } = basis;
  const rho_w = c.let(F.rho, { A_s: s.tensionArea, b_w: s.bw, d: s.d });
  // The axial term is limited to 0.05 f'c (22.5.5.1.2).
  const sigma_N = N === 0 ? 0 : Math.min(c.let(F.sigmaN, { N_u: N, A_g: s.grossArea }), 0.05 * fc);
  const sqrt_fc = c.let((hasLeastStirrups ? F.rootFree : F.root)[form], { f_c_prime: fc });
  const common = { lambda, sqrt_fc, sigma_N, b_w: s.bw, d: s.d, rho_w };
  const most = c.let(F.VcMax[form], common);
  let value: number;
  if (!hasLeastStirrups) {
    value = c.let(F.VcC[form], { ...common, lambda_s: c.let(F.size[form], { d: s.d }) });
  } else if (row === 'larger') {
    const a = F.VcA[form].evaluate(common);
    const b = F.VcB[form].evaluate(common);
    value = c.let((a >= b ? F.VcA : F.VcB)[form], common);
  } else value = c.let((row === 'a' ? F.VcA : F.VcB)[form], common);
  return Math.max(0, Math.min(value, most));
}

/** Design shear strength with given stirrups (N), 22.5. */
export function shearResistance(c: Calc, s: ShearSection, links: Links, basis: ShearBasis, N = s.axial ?? 0): ShearResistance {
  const { form, fc, fyt } = basis;
  const least = c.let(F.avMin[form], { f_c_prime: fc, b_w: s.bw, f_yt: fyt });
  const V_c = concreteStrength(c, s, basis, links.area / links.spacing >= least * (1 - 1e-9), N);
  const V_s = c.let(F.Vs, { A_v: links.area, f_yt: fyt, d: s.d, s: links.spacing });
  const V_s_max = c.let(F.VsMax[form], { f_c_prime: fc, b_w: s.bw, d: s.d });
  const force = c.let(F.phiVn, { phi_v: PHI_SHEAR, V_c, V_s, V_s_max });
  return { force, limit: PHI_SHEAR * (V_c + V_s_max), shift: runOn(s) };
}

/** How far bars run on beyond where they are no longer needed (mm), 9.7.3.3 and 7.7.3.3: the effective depth, and twelve diameters. */
export const runOn = ({ d, bar = 0 }: Pick<ShearSection, 'd' | 'bar'>): number => Math.max(d, 12 * bar);

/** Stirrups needed for a factored shear (N), with their minimum and spacing limits (9.6.3, 9.7.6.2.2). */
export function linkRequirement(c: Calc, force: number, s: ShearSection, basis: ShearBasis): LinkRequirement {
  const { form, fyt } = basis;
  const V_u = c.given(symbols.V_u, force);
  const { V_c, threshold, minimum, close, most } = remember(basis.known ?? new WeakMap<ShearSection, SectionNeeds>(), s, c, () =>
    sectionNeeds(c, s, basis),
  );
  const V_s_req = c.let(F.VsReq, { V_u, phi_v: PHI_SHEAR, V_c });
  const strength = c.let(F.av, { V_s_req, f_yt: fyt, d: s.d });
  const isClose = V_s_req > close;
  return {
    areaPerLength: Math.max(strength, force > threshold ? minimum : 0),
    minimum: force > threshold ? minimum : 0,
    maxAlong: c.let((isClose ? F.sMaxClose : F.sMax)[form], { d: s.d }),
    maxAcross: c.let((isClose ? F.acrossClose : F.across)[form], { d: s.d }),
    isCrushed: V_s_req > most,
  };
}

function sectionNeeds(c: Calc, s: ShearSection, basis: ShearBasis): SectionNeeds {
  const { form, fc, fyt, lambda } = basis;
  const size = { f_c_prime: fc, b_w: s.bw, d: s.d };
  return {
    V_c: concreteStrength(c, s, basis, true),
    threshold: c.let(F.threshold[form], { ...size, phi_v: PHI_SHEAR, lambda }),
    minimum: c.let(F.avMin[form], { ...size, f_yt: fyt }),
    close: c.let(F.VsClose[form], size),
    most: F.VsMax[form].evaluate(size),
  };
}

/** Shear in two directions, 22.5.1.10 and 22.5.1.11: the sum of both ratios may reach 1.5 when both pass 0.5. */
export function biaxialUtilisation(u_Vx: number, u_Vy: number, c: Calc = silent): number {
  return c.let(u_Vx > 0.5 && u_Vy > 0.5 ? F.both : F.apart, { u_Vx, u_Vy });
}

export const twelveInches = (form: Form): number => (form === 'SI' ? 300 : 12 * INCH);
