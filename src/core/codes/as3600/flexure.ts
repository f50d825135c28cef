import { silent, type Calc } from '../../calc/calc';
import { axialForceAt, centroidDepth, tensionSteel, ultimateState, type FlexuralSection } from '../../section/flexural-section';
import type { ConcreteLaw, SteelLaw } from '../../section/laws';
import type { BendingResistance, BendingSection } from '../design-code';
import { axialFactor, bendingFactor, LEAST, tensionFactor, type AxialState, type Ductility } from './capacity-factors';
import { ULTIMATE_STRAIN } from './materials';
import { formula, symbols } from './symbols';

export const F = {
  kuo: formula('k_uo', 'd_n / d_o', '8.1.5'),
  Mu: formula('M_u', 'M_n + N_u * y_c', '8.1.2, 10.6.1'),
  phiMu: formula('phi_M_u', 'phi * M_u', '2.2.2'),
  web: formula('alpha_b', 'max(0.20 * (b_ef / b_w)^(1 / 4), 0.20 + (b_ef / b_w - 1) * (0.4 * D_s / D - 0.18))', '8.1.6.1(2)(b)'),
  flange: formula('alpha_b', 'max(0.20 * (b_ef / b_w)^(2 / 3), 0.20 + (b_ef / b_w - 1) * (0.25 * D_s / D - 0.08))', '8.1.6.1(2)(c)'),
  least: formula('A_st_min', 'alpha_b * (D / d)^2 * f_ctf / f_sy * b_w * d', '8.1.6.1(2)'),
  Nud: formula('N_u', 'N_d / phi', '2.2.2'),
};

export interface FlexureBasis {
  readonly concrete: ConcreteLaw & { readonly kind: 'block' };
  readonly steel: SteelLaw;
  readonly ductility: Ductility;
}

/** Nominal axial strengths that phi of a bent section rests on, for this sense of bending (N). */
function axialBounds(section: FlexuralSection, { concrete, steel }: FlexureBasis, d_o: number) {
  const balanced = (ULTIMATE_STRAIN / (ULTIMATE_STRAIN + steel.yield / steel.modulus)) * d_o;
  return {
    Nub: axialForceAt(section, balanced, concrete, steel, true),
    Nuot: section.layers.reduce((sum, l) => sum + l.area, 0) * steel.yield,
  };
}

/**
 * The nominal axial force (N) whose design value is N. phi is 0.65 from balance on and changes along a line from bending alone to there, and from
 * bending alone to tension alone, so that phi Nu = N is a quadratic equation in each part; phi Nu grows with Nu throughout.
 */
export function nominalAxial(N: number, { Nub, Nuot, phiBending, phiTension }: Omit<AxialState, 'Nu'>): number {
  if (N === 0) return 0;
  // t (phi_b + (phi_t - phi_b) t / Nuot) = -N for a tension t.
  if (N < 0) return -growing(phiBending, (phiTension - phiBending) / Nuot, -N);
  // phi_b Nu - (phi_b - 0.65) Nu² / Nub = N
  return N >= LEAST * Nub ? N / LEAST : growing(phiBending, (LEAST - phiBending) / Nub, N);
}

/** The least positive root t of t (b + a t) = n. */
const growing = (b: number, a: number, n: number): number => (a === 0 ? n / b : (-b + Math.sqrt(b ** 2 + 4 * a * n)) / (2 * a));

/**
 * Design strength in bending phi Mu about the centroid of the plain section by strain compatibility (8.1.2, 8.1.3), with the axial force of the section
 * (compression positive): phi by table 2.2.2 from kuo in bending alone and from Nu against balance. Concrete displaced by compressed bars is
 * deducted. Undefined without tension steel, or where no neutral axis carries the axial force.
 */
export function bendingResistance(c: Calc, section: BendingSection, basis: FlexureBasis): BendingResistance | undefined {
  const { concrete, steel, ductility } = basis;
  const N = section.axial ?? 0;
  const d_o = Math.max(...section.layers.map((l) => l.depth));
  const solve = (Nu: number) => ultimateState(section, concrete, steel, true, () => Nu, Nu > 0 ? section.h * 4 : undefined);
  const alone = solve(0);
  if (!alone) return undefined;
  const k_uo = c.let(F.kuo, { d_n: c.given(symbols.d_n, alone.x, 'solved for balance of forces in bending alone'), d_o });
  const phiBending = bendingFactor(N === 0 ? c : silent, k_uo, ductility);
  const bounds = { ...axialBounds(section, basis, d_o), phiBending, phiTension: tensionFactor(ductility) };
  const Nu = nominalAxial(N, bounds);
  const state = N === 0 ? alone : solve(Nu);
  if (!state) return undefined;
  const tension = tensionSteel(section, state.x);
  if (tension.area === 0) return undefined;
  let phi = phiBending;
  if (N !== 0) {
    c.given(symbols.phi_b, phiBending, 'table 2.2.2(b)');
    c.given(symbols.N_ub, bounds.Nub, 'at balance');
    phi = axialFactor(c, { Nu, ...bounds });
    c.let(F.Nud, { N_d: c.given(symbols.N_d, N, 'at the centroid of the section'), phi });
    c.given(symbols.d_n, state.x, 'solved for this axial force');
  }
  const M_n = c.given(symbols.M_n, state.moment, 'of concrete and bars');
  const M_u = c.let(F.Mu, { M_n, N_u: Nu, y_c: centroidDepth(section) });
  return {
    moment: c.let(F.phiMu, { phi, M_u }),
    x: state.x,
    d: tension.d,
    dt: tension.furthest,
    tensionArea: tension.area,
    tensionStrain: (ULTIMATE_STRAIN * (tension.furthest - state.x)) / state.x,
    compressionForce: state.concrete.force,
    compressionDepth: state.concrete.depth,
  };
}

/** What the least tension steel of a beam rests on: the web, and a flange on the compressed or the stretched side; mm, MPa. */
export interface LeastSteel {
  readonly bw: number;
  readonly D: number;
  readonly d: number;
  readonly f_ctf: number;
  readonly f_sy: number;
  readonly flange: { readonly side: 'compressed' | 'stretched'; readonly bef: number; readonly Ds: number } | null;
}

/** Tension steel that is deemed to give the least strength in bending (mm2), 8.1.6.1(2). */
export function leastSteel(c: Calc, { bw, D, d, f_ctf, f_sy, flange }: LeastSteel): number {
  const ratio = flange && { b_ef: flange.bef, b_w: bw, D_s: flange.Ds, D };
  const alpha_b = ratio
    ? c.let(flange.side === 'compressed' ? F.web : F.flange, ratio)
    : c.given(symbols.alpha_b, 0.2, 'rectangle, 8.1.6.1(2)(a)');
  return c.let(F.least, { alpha_b, D, d, f_ctf, f_sy, b_w: bw });
}
