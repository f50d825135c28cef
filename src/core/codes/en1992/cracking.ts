import type { Calc } from '../../calc/calc';
import type { CrackQuestion, CrackWidth } from '../service-rules';
import { meanTensileStrength, secantModulus, STEEL_MODULUS } from './materials';
import { formula, symbols } from './symbols';

export const F = {
  depth: formula('h_c_ef', 'min(2.5 * (h - d), (h - x)/3, h/2)', '7.3.2(3)'),
  depthTension: formula('h_c_ef', 'min(2.5 * (h - d), h/2)', '7.3.2(3)'),
  ratio: formula('rho_p_eff', 'A_s / A_c_eff', '(7.10)'),
  alpha: formula('alpha_e', 'E_s / E_cm', '7.3.4(2)'),
  strain: formula(
    'epsilon_cr',
    'max((sigma_s - k_t * f_ct_eff / rho_p_eff * (1 + alpha_e * rho_p_eff)) / E_s, 0.6 * sigma_s / E_s)',
    '(7.9)',
  ),
  strainLeast: formula('epsilon_cr', '0.6 * sigma_s / E_s', '(7.9)'),
  ks: formula('k_s', '(epsilon_1 + epsilon_2) / (2 * epsilon_1)', '(7.13)'),
  spacing: formula('s_r_max', 'k_3 * c_nom + k_b * k_s * k_4 * phi / rho_p_eff', '(7.11)'),
  spacingWide: formula('s_r_max', '1.3 * (h - x)', '(7.14)'),
  width: formula('w_k', 's_r_max * epsilon_cr', '(7.8)'),
};

/** Calculated crack width (mm), 7.3.4, for high-bond bars. */
export function crackWidth(c: Calc, q: CrackQuestion): CrackWidth {
  const fck = q.materials.concreteStrength;
  const { h, d, x } = q;
  const [epsilon_1, epsilon_2] = q.strains;
  const allTension = epsilon_2 > 0;
  const h_c_ef = allTension ? c.let(F.depthTension, { h, d }) : c.let(F.depth, { h, d, x });
  const strip = q.strip(h_c_ef);
  const A_c_eff = c.given(symbols.A_c_eff, strip.concrete, 'of the section within that depth');
  const A_s = c.given(symbols.A_s, strip.steel, 'bars within that depth');
  if (A_s === 0) {
    c.note('No bar lies in the effective area: spacing of cracks as for bars far apart.', '7.3.4(3)');
    const sigma = c.given(symbols.sigma_s, q.steelStress, 'cracked section');
    const s_r_max = c.let(F.spacingWide, { h, x });
    return {
      width: c.let(F.width, { s_r_max, epsilon_cr: c.let(F.strainLeast, { sigma_s: sigma, E_s: STEEL_MODULUS }) }),
      clause: '7.3.4',
    };
  }
  const rho_p_eff = c.let(F.ratio, { A_s, A_c_eff });
  const f_ct_eff = c.given(symbols.f_ct_eff, meanTensileStrength(c, fck), 'fctm, cracking after 28 days');
  const alpha_e = c.let(F.alpha, { E_s: STEEL_MODULUS, E_cm: secantModulus(c, fck) });
  const k_t = c.given(symbols.k_t, q.isSustained ? 0.4 : 0.6, q.isSustained ? 'long-term loading' : 'short-term loading');
  const sigma_s = c.given(symbols.sigma_s, q.steelStress, 'cracked section');
  const strain = c.let(F.strain, { sigma_s, k_t, f_ct_eff, rho_p_eff, alpha_e, E_s: STEEL_MODULUS });
  const isWide = q.spacing > 5 * (q.cover + q.diameter / 2);
  let s_r_max: number;
  if (isWide && !allTension) {
    c.note(`Bars further apart than 5 (c + φ/2) = ${(5 * (q.cover + q.diameter / 2)).toFixed(0)} mm.`, '7.3.4(3)');
    s_r_max = c.let(F.spacingWide, { h, x });
  } else {
    const k_s = c.let(F.ks, { epsilon_1, epsilon_2 });
    s_r_max = c.let(F.spacing, { k_3: 3.4, c_nom: q.cover, k_b: 0.8, k_s, k_4: 0.425, phi: q.diameter, rho_p_eff });
  }
  return { width: c.let(F.width, { s_r_max, epsilon_cr: strain }), clause: '7.3.4' };
}
