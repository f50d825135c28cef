import { silent, type Calc } from '../../calc/calc';
import type { CrackLimits, CrackTableQuestion, FirstCrackQuestion, Skin, SkinQuestion } from '../service-rules';
import { meanTensileStrength } from './materials';
import { formula, symbols } from './symbols';

export const F = {
  size: formula('k_size', 'max(0.65, min(1, 1 - 0.35 * (h - 300) / 500))', '7.3.2(2)', { empirical: 'SI' }),
  web: formula('k_c', 'min(1, 0.4 * (1 - sigma_c / (k_1 * h / min(h, 1000) * f_ct_eff)))', '(7.2)', { empirical: 'SI' }),
  pulled: formula('k_1', '2 * min(h, 1000) / (3 * h)', '7.3.2(2)', { empirical: 'SI' }),
  least: formula('A_s_min', 'k_c * k_size * f_ct_eff * A_ct / sigma_s', '(7.1)'),
  bar: formula('phi_s', 'phi_star * f_ct_eff / 2.9 * k_c * h_cr / (2 * (h - d))', '(7.6N)', { empirical: 'SI' }),
  skin: formula('A_s_skin', '0.5 * k_c * f_ct_eff * A_ct / f_yk', '7.3.3(3)'),
};

const STRESSES = [160, 200, 240, 280, 320, 360, 400, 450];
const WIDTHS = [0.4, 0.3, 0.2];
/** Table 7.2N: largest bars (mm) by stress, for the crack widths above; 0 where the table ends. */
const BARS = [
  [40, 32, 20, 16, 12, 10, 8, 6],
  [32, 25, 16, 12, 10, 8, 6, 5],
  [25, 16, 12, 8, 6, 5, 4, 0],
];
/** Table 7.3N: largest spacings (mm). */
const SPACINGS = [
  [300, 300, 250, 200, 150, 100, 0, 0],
  [300, 250, 200, 150, 100, 50, 0, 0],
  [200, 150, 100, 50, 0, 0, 0, 0],
];

/** A column of a table at a crack width between its columns; wider ones count as the widest. */
function column(table: readonly (readonly number[])[], width: number): number[] {
  const w = Math.min(WIDTHS[0]!, Math.max(WIDTHS[2]!, width));
  const k = w >= WIDTHS[1]! ? 0 : 1;
  const t = (WIDTHS[k]! - w) / (WIDTHS[k]! - WIDTHS[k + 1]!);
  return STRESSES.map((_, i) => table[k]![i]! + t * (table[k + 1]![i]! - table[k]![i]!));
}

function between(values: readonly number[], stress: number): number {
  if (stress <= STRESSES[0]!) return values[0]!;
  const i = STRESSES.findIndex((s) => s >= stress);
  if (i < 0) return 0;
  const t = (stress - STRESSES[i - 1]!) / (STRESSES[i]! - STRESSES[i - 1]!);
  return values[i - 1]! + t * (values[i]! - values[i - 1]!);
}

/** Largest bar (mm) for a stress in the cracked section (MPa) and a crack width (mm), table 7.2N, between its values straight. */
export const largestBar = (stress: number, width: number): number => between(column(BARS, width), stress);
/** Largest spacing of bars (mm), table 7.3N. */
export const largestSpacing = (stress: number, width: number): number => between(column(SPACINGS, width), stress);

/** The stress at which table 7.2N allows a bar (MPa): the other way through the table. */
export function stressForBar(diameter: number, width: number): number {
  const bars = column(BARS, width);
  if (diameter >= bars[0]!) return (STRESSES[0]! * bars[0]!) / diameter;
  const i = bars.findIndex((b) => b <= diameter);
  if (i < 0) return STRESSES[STRESSES.length - 1]!;
  const t = (bars[i - 1]! - diameter) / (bars[i - 1]! - bars[i]!);
  return STRESSES[i - 1]! + t * (STRESSES[i]! - STRESSES[i - 1]!);
}

/** kc of a web or rectangle (7.2); `sigma_c` is the mean compression over the part (MPa, tension negative). */
export function webFactor(c: Calc, h: number, f_ct_eff: number, sigma_c = 0): number {
  const k_1 = sigma_c < 0 ? c.let(F.pulled, { h }) : c.given(symbols.k_1, 1.5, 'compressed, or no axial force');
  return c.let(F.web, { sigma_c, k_1, h, f_ct_eff });
}

/** Minimum reinforcement in a part that is pulled, 7.3.2(2) (mm2); `k_c` 1 for pure tension. */
export function leastSteel(c: Calc, k_c: number, h: number, A_ct: number, f_ct_eff: number, sigma_s: number): number {
  return c.let(F.least, { k_c, k_size: c.let(F.size, { h }), f_ct_eff, A_ct, sigma_s });
}

/** Largest bar under loads, adjusted for the depth of the pulled zone before cracking (7.6N). */
export const adjustedBar = (c: Calc, phi_star: number, f_ct_eff: number, k_c: number, h_cr: number, h: number, d: number): number =>
  c.let(F.bar, { phi_star, f_ct_eff, k_c, h_cr, h, d });

/** The stress of 7.3.2(2) that bars may have when a face first cracks: for a crack width by table 7.2N, or the yield strength. */
export type FirstStress = 'table' | 'yield';

/**
 * Minimum reinforcement of a face of a beam for its first cracks, 7.3.2(2) (mm2): the web in bending. What the other stress would give is said
 * beside it.
 */
export function leastCrackSteel(c: Calc, q: FirstCrackQuestion, by: FirstStress) {
  const { steelStrength } = q.materials;
  const f_ct_eff = c.given(symbols.f_ct_eff, meanTensileStrength(c, q.materials.concreteStrength), 'fctm, cracking after 28 days');
  const k_c = webFactor(c, q.h, f_ct_eff);
  // (7.6N) the other way round: the bar of the table that stands for this one.
  const factor = F.bar.evaluate({ phi_star: 1, f_ct_eff, k_c, h_cr: q.tensionDepth, h: q.h, d: q.d });
  const byTable = Math.min(steelStrength, stressForBar(q.diameter / factor, q.width));
  const A_ct = c.given(symbols.A_ct, q.tensionArea, 'web below the centroid of the plain section');
  if (c.recording) {
    const [stress, name] = by === 'table' ? [steelStrength, 'with fyk'] : [byTable, 'with the stress of table 7.2N'];
    c.state(`minimum reinforcement ${name}`, leastSteel(silent, k_c, q.h, A_ct, f_ct_eff, stress), 'area', 'for comparison');
  }
  const sigma_s =
    by === 'table'
      ? c.given(symbols.sigma_s, byTable, 'table 7.2N with (7.6N), for these bars and this crack width')
      : c.given(symbols.sigma_s, steelStrength, 'fyk, by choice: the bars do not yield when the face cracks');
  return { value: leastSteel(c, k_c, q.h, A_ct, f_ct_eff, sigma_s), clause: '7.3.2(2)' };
}

/** Control without a calculated width, 7.3.3(2): for cracks from loads the size or the spacing is to be kept. */
export function crackTables(c: Calc, q: CrackTableQuestion, width: number): CrackLimits {
  const f_ct_eff = meanTensileStrength(c, q.materials.concreteStrength);
  const sigma_s = c.given(symbols.sigma_s, q.steelStress, 'cracked section');
  const phi_star = c.given(symbols.phi_star, largestBar(sigma_s, width), 'table 7.2N');
  const k_c = webFactor(c, q.h, f_ct_eff);
  const bar = adjustedBar(c, phi_star, f_ct_eff, k_c, q.tensionDepth, q.h, q.d);
  const spacing = c.given(symbols.s_table, largestSpacing(sigma_s, width), 'table 7.3N');
  return { bar, spacing, clause: '7.3.3(2)' };
}

const DEEP = 1000;

/** Bars along the sides of deep beams, 7.3.3(3): half the stress of the main bars decides their spacing, as in pure tension. */
export function skin(c: Calc, q: SkinQuestion): Skin | null {
  if (q.h < DEEP) return null;
  const f_ct_eff = c.given(symbols.f_ct_eff, meanTensileStrength(c, q.materials.concreteStrength));
  const k_c = webFactor(c, q.h, f_ct_eff);
  const A_ct = c.given(symbols.A_ct, q.tensionArea, 'web below the centroid of the plain section');
  const area = c.let(F.skin, { k_c, f_ct_eff, A_ct, f_yk: q.materials.steelStrength });
  const half = c.given(symbols.sigma_s, q.steelStress / 2, 'half that of the main bars');
  const spacing = c.given(symbols.s_table, largestSpacing(half, q.width), 'table 7.3N');
  return { area, spacing, clause: '7.3.3(3)' };
}
