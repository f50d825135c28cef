import type { Calc } from '../../calc/calc';
import { formula, symbols } from './symbols';

const SI = { empirical: 'SI' } as const;

export const F = {
  k2: formula('k_2', '(132 - d_b) / 100', '13.1.2.2', SI),
  k3: formula('k_3', 'max(0.7, min(1.0, 1.0 - 0.15 * (c_d - d_b) / d_b))', '13.1.2.2'),
  basic: formula('L_sytb', 'max(0.058 * f_sy * k_1 * d_b, 0.5 * k_1 * k_3 * f_sy * d_b / (k_2 * sqrt(f_c_prime)))', '13.1.2.2', SI),
  k4: formula('k_4', 'max(0.7, min(1.0, 1.0 - K_tr * lambda_tr))', '13.1.2.3'),
  k5: formula('k_5', 'max(0.7, min(1.0, 1.0 - 0.04 * p_tr))', '13.1.2.3', SI),
  refined: formula('L_syt', 'max(0.7 / k_3, k_4 * k_5) * L_sytb', '13.1.2.3'),
  lap: formula('L_lap', 'max(k_7 * L_syt, 0.058 * f_sy * k_1 * d_b)', '13.2.2', SI),
  lapNarrow: formula('L_lap', 'max(k_7 * L_syt, 0.058 * f_sy * k_1 * d_b, L_syt + 1.5 * s_b)', '13.2.2', SI),
  compression: formula('L_syc', 'max(200, 0.0435 * f_sy * d_b, 0.22 * f_sy * d_b / sqrt(f_c_prime))', '13.1.5.2', SI),
};

/** A bar that is anchored: diameter, cd (cover, or half the clear distance to the next, the lesser), whether more than 300 of concrete lie below it. */
export interface AnchoredBar {
  readonly d_b: number;
  readonly c_d: number;
  readonly isTop: boolean;
}

/** Strength of concrete that counts for development, 13.1.2.2. */
const MOST_FC = 65;

/** What fitments and pressure across a bar do, 13.1.2.3: K by the place of the bars, lambda, and the pressure (MPa). */
export interface Across {
  readonly K: number;
  readonly lambda: number;
  readonly pressure: number;
}

/** Development length of a deformed bar in tension (mm): basic, 13.1.2.2, or refined, 13.1.2.3, where the product k3 k4 k5 is at least 0.7. */
export function developmentLength(
  c: Calc,
  { d_b, c_d, isTop }: AnchoredBar,
  fc: number,
  f_sy: number,
  across: Across | null = null,
): number {
  const k_1 = c.given(symbols.k_1, isTop ? 1.3 : 1, isTop ? 'more than 300 mm of concrete below, 13.1.2.2' : '13.1.2.2');
  const k_2 = c.let(F.k2, { d_b });
  const k_3 = c.let(F.k3, { c_d, d_b });
  const basic = c.let(F.basic, {
    k_1,
    k_2,
    k_3,
    d_b,
    f_sy,
    f_c_prime: c.given(symbols.f_c_prime, Math.min(fc, MOST_FC), 'at most 65 MPa'),
  });
  if (!across) return basic;
  const k_4 = c.let(F.k4, { K_tr: across.K, lambda_tr: across.lambda });
  const k_5 = c.let(F.k5, { p_tr: across.pressure });
  return c.let(F.refined, { k_3, k_4, k_5, L_sytb: basic });
}

/** lambda of 13.1.2.3: fitments across the bar along its length beyond the least, a quarter of the bar in beams and columns, none in slabs. */
export const fitmentsAcross = (sumAtr: number, barArea: number, isSlab: boolean): number =>
  (sumAtr - (isSlab ? 0 : 0.25 * barArea)) / barArea;

/** A lap of bars in tension (mm), 13.2.2. `narrow`: clear distance between lapped bars of beams and columns, where it is more than 3 db. */
export function tensionLap(
  c: Calc,
  { d_b, isTop }: Pick<AnchoredBar, 'd_b' | 'isTop'>,
  L_syt: number,
  f_sy: number,
  { isHalfSpliced, narrow }: { readonly isHalfSpliced: boolean; readonly narrow: number | null },
): number {
  const k_7 = c.given(symbols.k_7, isHalfSpliced ? 1 : 1.25, isHalfSpliced ? 'twice the steel, at most half of it lapped' : '13.2.2');
  const common = { k_7, L_syt, f_sy, k_1: isTop ? 1.3 : 1, d_b };
  return narrow !== null && narrow > 3 * d_b ? c.let(F.lapNarrow, { ...common, s_b: narrow }) : c.let(F.lap, common);
}

/** Development length of a deformed bar in compression (mm), 13.1.5.2. */
export const compressionLength = (c: Calc, d_b: number, fc: number, f_sy: number): number =>
  c.let(F.compression, { d_b, f_sy, f_c_prime: Math.min(fc, MOST_FC) });
