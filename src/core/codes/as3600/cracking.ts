import type { Calc } from '../../calc/calc';
import type { CrackLimits, CrackQuestion, CrackTableQuestion, CrackWidth, SkinQuestion, Skin } from '../service-rules';
import { directTension, elasticModulus, STEEL_MODULUS } from './materials';
import { formula, symbols } from './symbols';
import { shrinkage, type Exposure } from './time';

export const F = {
  depth: formula('h_c_ef', 'min(2.5 * (D - d), (D - d_n) / 3, D / 2)', '8.6.2.3'),
  depthTension: formula('h_c_ef', 'min(2.5 * (D - d), D / 2)', '8.6.2.3'),
  ratio: formula('rho_p_eff', 'A_st / A_c_eff', '8.6.2.3'),
  n: formula('n_e', 'E_s / E_c', '8.6.2.3'),
  spread: formula('k_t2', '(strain_1 + strain_2) / (2 * strain_1)', '8.6.2.3'),
  spacing: formula('s_r_max', '3.4 * cover + 0.3 * k_t1 * k_t2 * d_b / rho_p_eff', '8.6.2.3'),
  spacingWide: formula('s_r_max', '1.3 * (D - d_n)', '8.6.2.3'),
  strain: formula(
    'eps_diff',
    'max(0.6 * sigma_s / E_s, (sigma_s - 0.6 * f_ct / rho_p_eff * (1 + n_e * rho_p_eff)) / E_s) + eps_cs',
    '8.6.2.3',
  ),
  strainLeast: formula('eps_diff', '0.6 * sigma_s / E_s + eps_cs', '8.6.2.3'),
  width: formula('w_cr', 's_r_max * eps_diff', '8.6.2.3'),
};

/** Final shrinkage of the concrete round a section in bending: the plain section within its depth, with the faces that dry. */
function shrinkageOf(c: Calc, q: CrackQuestion, exposure: Exposure): number {
  const { concrete } = q.strip(q.h);
  return shrinkage(c, q.materials.concreteStrength, concrete, 2 * (q.h + concrete / q.h), Infinity, exposure);
}

/**
 * Calculated crack width (mm), 8.6.2.3. The tensile strength is the characteristic one of 3.1.1.3: the width falls with it, and the mean is higher; what
 * 8.6.2.3 has is not remembered for sure.
 */
export function crackWidth(c: Calc, q: CrackQuestion, exposure: Exposure): CrackWidth {
  const { h: D, d, x: d_n, materials: m } = q;
  const [strain_1, strain_2] = q.strains;
  const allTension = strain_2 > 0;
  const h_c_ef = allTension ? c.let(F.depthTension, { D, d }) : c.let(F.depth, { D, d, d_n });
  const strip = q.strip(h_c_ef);
  const A_c_eff = c.given(symbols.A_c_eff, strip.concrete, 'of the section within that depth');
  const A_st = c.given(symbols.A_st, strip.steel, 'bars within that depth');
  const sigma_s = c.given(symbols.sigma_s, q.steelStress, 'cracked section');
  const eps_cs = shrinkageOf(c, q, exposure);
  if (A_st === 0) {
    c.note('No bar lies in the effective area: spacing of cracks as for bars far apart.', '8.6.2.3');
    const eps_diff = c.let(F.strainLeast, { sigma_s, E_s: STEEL_MODULUS, eps_cs });
    return { width: c.let(F.width, { s_r_max: c.let(F.spacingWide, { D, d_n }), eps_diff }), clause: '8.6.2.3' };
  }
  const rho_p_eff = c.let(F.ratio, { A_st, A_c_eff });
  const n_e = c.let(F.n, { E_s: STEEL_MODULUS, E_c: elasticModulus(c, m.concreteStrength, m.density) });
  const f_ct = directTension(c, m.concreteStrength);
  const eps_diff = c.let(F.strain, { sigma_s, E_s: STEEL_MODULUS, f_ct, rho_p_eff, n_e, eps_cs });
  const isWide = q.spacing > 5 * (q.cover + q.diameter / 2);
  const s_r_max =
    isWide && !allTension
      ? c.let(F.spacingWide, { D, d_n })
      : c.let(F.spacing, { cover: q.cover, k_t1: 0.8, k_t2: c.let(F.spread, { strain_1, strain_2 }), d_b: q.diameter, rho_p_eff });
  return { width: c.let(F.width, { s_r_max, eps_diff }), clause: '8.6.2.3' };
}

/** Steel stress that a bar of a diameter, and bars at a spacing, may have: tables 8.6.1(A) and (B) of the edition of 2009 (mm, MPa). */
const byDiameter = [
  [10, 360],
  [12, 330],
  [16, 280],
  [20, 240],
  [24, 210],
  [28, 185],
  [32, 160],
  [36, 140],
  [40, 120],
] as const;
const bySpacing = [
  [50, 360],
  [100, 320],
  [150, 280],
  [200, 240],
  [250, 200],
  [300, 160],
] as const;

/** Where a table that falls passes a stress (mm): its last size for less stress than it has, none above its first. */
function sizeFor(table: readonly (readonly [size: number, stress: number])[], stress: number): number {
  if (stress > table[0]![1]) return 0;
  for (let i = 1; i < table.length; i += 1) {
    const [[s1, f1], [s2, f2]] = [table[i - 1]!, table[i]!];
    if (stress >= f2) return s1 + ((s2 - s1) * (f1 - stress)) / (f1 - f2);
  }
  return table.at(-1)![0];
}

/** Control without a calculated width by the tables of the edition of 2009: the size or the spacing of the bars is to be kept. */
export function crackTables(c: Calc, q: CrackTableQuestion): CrackLimits {
  const stress = c.given(symbols.sigma_s, q.steelStress, 'cracked section');
  return {
    bar: c.given(symbols.d_b_max, sizeFor(byDiameter, stress), 'table 8.6.1(A), 2009'),
    spacing: c.given(symbols.s_b_max, sizeFor(bySpacing, stress), 'table 8.6.1(B), 2009'),
    clause: '8.6.1 (2009)',
  };
}

/** Bars along the sides of beams deeper than 750 mm, 8.6.3: 12 mm at 200 mm, 16 mm at 300 mm. The closer one is asked for. */
export function skin(_c: Calc, q: SkinQuestion): Skin | null {
  return q.h > 750 ? { area: 0, spacing: 200, clause: '8.6.3' } : null;
}
