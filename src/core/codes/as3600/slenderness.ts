import type { Calc } from '../../calc/calc';
import { formula, symbols } from './symbols';

export const F = {
  alphaCLow: formula('alpha_c', 'sqrt(1 / (3.5 * N_star / (0.6 * N_uo)))', '10.3.1'),
  alphaC: formula('alpha_c', 'sqrt(2.25 - 2.5 * N_star / (0.6 * N_uo))', '10.3.1'),
  short: formula('lambda_short', 'max(25, alpha_c * (38 - f_c_prime / 15) * (1 + r_M))', '10.3.1(a)', { empirical: 'SI' }),
  Nc: formula('N_c', 'pi^2 / L_e^2 * (182 * d_o * phi * M_ub / (1 + beta_d))', '10.4.4'),
  km: formula('k_m', 'max(0.4, min(1.0, 0.6 - 0.4 * r_M))', '10.4.2'),
  braced: formula('delta_b', 'max(1.0, k_m / (1 - N_star / N_c))', '10.4.2'),
  sway: formula('delta_s', '1 / (1 - sum_N / sum_N_c)', '10.4.3'),
  betaD: formula('beta_d', 'G_ax / (G_ax + Q_ax)', '10.4.4'),
  alphaN: formula('alpha_n', 'max(1.0, min(2.0, 0.7 + 1.7 * N_star / (0.6 * N_uo)))', '10.6.4'),
};

/** From this share of 0.6 Nuo on, alpha_c is by the line of larger forces; above 0.9 of it there is no short column but by the least limit. */
const [LOW, HIGH] = [0.15, 0.9];

export interface EndMoments {
  /** Smaller and larger by size, same sign in double curvature (N mm). */
  readonly M1: number;
  readonly M2: number;
  /** N* (N) and the depth in the plane of bending (mm). */
  readonly N: number;
  readonly D: number;
}

/** Ratio of end moments, 10.3.1: positive in double curvature; -1 where the larger moment is no more than 0.05 D N*. */
export const momentRatio = ({ M1, M2, N, D }: EndMoments): number => (Math.abs(M2) <= 0.05 * D * N ? -1 : M1 / M2);

/** Slenderness Le/r up to which a braced column is short, 10.3.1(a). `N` and `Nuo` in N. */
export function shortLimit(c: Calc, r_M: number, N: number, Nuo: number, fc: number): number {
  const share = N / (0.6 * Nuo);
  const common = { N_star: N, N_uo: Nuo };
  const alpha_c =
    share >= HIGH
      ? c.given(symbols.alpha_c, 0, 'N* of at least 0.9 of 0.6 Nuo, 10.3.1')
      : c.let(share < LOW ? F.alphaCLow : F.alphaC, common);
  return c.let(F.short, { alpha_c, f_c_prime: fc, r_M });
}

/** Slenderness up to which a column of an unbraced frame is short, 10.3.1(b). */
export const SHORT_UNBRACED = 22;

/** Buckling load (N), 10.4.4, from the strength at balance; d_o to the outermost bars. */
export const bucklingLoad = (
  c: Calc,
  q: { readonly Le: number; readonly d_o: number; readonly Mub: number; readonly beta_d: number },
): number => c.let(F.Nc, { L_e: q.Le, d_o: q.d_o, M_ub: q.Mub, beta_d: q.beta_d, phi: c.given(symbols.phi, 0.65, 'at balance, 10.4.4') });

/** The part of the axial force that is permanent; zero for stout columns under little axial force, 10.4.4. */
export function sustainedPart(
  c: Calc,
  {
    G,
    Q,
    slenderness,
    N,
    M,
    D,
  }: { readonly G: number; readonly Q: number; readonly slenderness: number; readonly N: number; readonly M: number; readonly D: number },
): number {
  if (slenderness <= 40 && N <= M / (2 * D)) return c.given(symbols.beta_d, 0, 'Le/r of at most 40 and N* of at most M* / 2D, 10.4.4');
  return c.let(F.betaD, { G_ax: G, Q_ax: Q });
}

/** Magnifier of a braced column, 10.4.2; Infinity where the axial force reaches the buckling load. */
export const bracedMagnifier = (c: Calc, r_M: number, N: number, Nc: number): number =>
  N >= Nc ? Infinity : c.let(F.braced, { k_m: c.let(F.km, { r_M }), N_star: N, N_c: Nc });

/** Magnifier of the columns of a storey that sways, 10.4.3; Infinity where their axial forces reach their buckling loads. */
export const swayMagnifier = (c: Calc, sumN: number, sumNc: number): number =>
  sumN >= sumNc ? Infinity : c.let(F.sway, { sum_N: sumN, sum_N_c: sumNc });

/** Exponent of the sum of both bendings, 10.6.4. */
export const biaxialExponent = (c: Calc, N: number, Nuo: number): number => c.let(F.alphaN, { N_star: N, N_uo: Nuo });
