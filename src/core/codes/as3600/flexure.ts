import { silent, type Calc } from '../../calc/calc';
import { axialForceAt, centroidDepth, tensionSteel, ultimateState, type FlexuralSection } from '../../section/flexural-section';
import type { ConcreteLaw, SteelLaw } from '../../section/laws';
import type { BendingResistance, BendingSection, Ductility as DuctilityCheck } from '../design-code';
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
  /** Whether alpha2 counts less where the width falls towards the compressed edge. */
  readonly reducesNarrow: boolean;
  readonly deductsDisplaced: boolean;
}

/** Parts of alpha2 that are left where the width falls towards the compressed edge, 8.1.3. */
const NARROWING = 0.9;

/** The block of a section with the neutral axis at a depth (mm): less of alpha2 where the section is wider there, or above it, than at its compressed edge. */
export function blockOf(section: FlexuralSection, { concrete, reducesNarrow }: FlexureBasis, x: number): FlexureBasis['concrete'] {
  if (!reducesNarrow) return concrete;
  const edge = section.strips[0]!.width * (1 + 1e-3);
  const isNarrowing = section.strips.some((strip) => strip.from < x - 1e-9 && strip.width > edge);
  return isNarrowing ? { ...concrete, stress: NARROWING * concrete.stress } : concrete;
}

/** Nominal axial strengths that phi of a bent section rests on, for this sense of bending (N). */
function axialBounds(section: FlexuralSection, basis: FlexureBasis, d_o: number) {
  const { steel } = basis;
  const balanced = (ULTIMATE_STRAIN / (ULTIMATE_STRAIN + steel.yield / steel.modulus)) * d_o;
  return {
    Nub: axialForceAt(section, balanced, blockOf(section, basis, balanced), steel, basis.deductsDisplaced),
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

/** The least positive root t of t (b + a t) = n, in the form that loses no figures where a is next to nothing. */
const growing = (b: number, a: number, n: number): number => (2 * n) / (b + Math.sqrt(b ** 2 + 4 * a * n));

/**
 * Design strength in bending phi Mu about the centroid of the plain section by strain compatibility (8.1.2, 8.1.3), with the axial force of the section
 * (compression positive): phi by table 2.2.2 from kuo in bending alone and from Nu against balance. Concrete displaced by compressed bars is
 * deducted, unless it was chosen to be kept. Undefined without tension steel, or where no neutral axis carries the axial force.
 */
export function bendingResistance(c: Calc, section: BendingSection, basis: FlexureBasis): BendingResistance | undefined {
  const { ductility } = basis;
  const N = section.axial ?? 0;
  const d_o = Math.max(...section.layers.map((l) => l.depth));
  const solve = (Nu: number) => stateUnder(section, basis, Nu);
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

/** The state that carries a nominal axial force. What counts of the block rests on the depth of the neutral axis: the full block is tried first. */
function stateUnder(section: FlexuralSection, basis: FlexureBasis, Nu: number) {
  const solve = (concrete: FlexureBasis['concrete']) =>
    ultimateState(section, concrete, basis.steel, basis.deductsDisplaced, () => Nu, Nu > 0 ? section.h * 4 : undefined);
  const full = solve(basis.concrete);
  const x = full?.x ?? section.h;
  const block = blockOf(section, basis, x);
  return block === basis.concrete ? full : solve(block);
}

/**
 * Most kuo with moments that were redistributed, 6.2.7.2: up to 30 % with 0.2, and 75 (0.4 - kuo) per cent beyond that; without redistribution, and at most
 * in any case, `most` (8.1.5).
 */
export function mostDepth(delta: number, most: number): number {
  const part = Math.max(0, 1 - delta);
  return Math.min(most, part <= 0.15 ? 0.4 - part / 0.75 : 0.2);
}

/** kuo against its limit, 8.1.5, 6.2.7.2. Beside a compression the neutral axis is deeper than in bending alone, never less. */
export function ductility(c: Calc, r: BendingResistance, most: number): DuctilityCheck {
  const k_uo = c.let(F.kuo, { d_n: r.x, d_o: r.dt });
  c.given(symbols.k_uo_max, most, '8.1.5, 6.2.7.2');
  return { title: 'Neutral axis depth kuo', clause: '8.1.5', demand: k_uo, capacity: most, utilisation: k_uo / most, kind: 'ratio' };
}

/**
 * Least tension steel of a section (mm2), 8.1.6.1: with a flange on the compressed side, or on the stretched one; any other outline by its mean width in
 * tension as a rectangle.
 */
export function minimumSteel(c: Calc, s: BendingSection, d: number, f_ctf: number, f_sy: number): number {
  const last = s.strips.at(-1)!;
  const common = { D: s.h, d, f_ctf, f_sy };
  if (s.isFree) return leastSteel(c, { ...common, bw: s.tensionWidth, flange: null });
  const flange =
    s.hf > 0
      ? ({ side: 'compressed', bef: s.b, Ds: s.hf } as const)
      : last.width > s.bw + 1e-6
        ? ({ side: 'stretched', bef: last.width, Ds: last.to - last.from } as const)
        : null;
  return leastSteel(c, { ...common, bw: s.bw, flange });
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
