import { CalcError, silent, type Calc } from '../../calc/calc';
import { centroidDepth, concreteResultant, tensionSteel, ultimateState, depthForMoment } from '../../section/flexural-section';
import type { ConcreteLaw, SteelLaw } from '../../section/laws';
import type { BendingResistance, BendingTask, BendingSection, Ductility, RequiredSteel } from '../design-code';
import { strengthReduction } from './materials';
import { formula, symbols, twoForms, type Form } from './symbols';

export const F = {
  aSingle: formula('a', 'A_s * f_y / (0.85 * f_c_prime * b)', '22.2.2.4.1'),
  cFromA: formula('c', 'a / beta_1', '22.2.2.4.1'),
  strain: formula('epsilon_t', '0.003 * (d_t - c)/c', '22.2.1.2'),
  layerStrain: formula('epsilon_i', '0.003 * (c - d_i)/c', '22.2.1.2'),
  layerForce: formula('F_i', 'A_i * f_i', '22.2'),
  MnSingle: formula('M_n', 'A_s * f_y * (d - a/2)', '22.3.1.1'),
  MnConcrete: formula('M_n', 'C_c * (d - y_c)', '22.3.1.1'),
  MnDouble: formula('M_n', 'C_c * (d - y_c) + C_s * (d - d_prime)', '22.3.1.1'),
  MnAxial: formula('M_n', 'C_c * (d - y_c) + C_s * (d - d_prime) - P_n * (d - y_0)', '22.4'),
  Pn: formula('P_n', 'P_u / phi', '22.4'),
  phiMn: formula('phi_M_n', 'phi * M_n', '9.5.1.1'),
  MnRequired: formula('M_n', 'M_u / 0.90', '21.2.2'),
  MnAboutBars: formula('M_n', '(M_u + P_u * (d - y_0)) / 0.90', '21.2.2, 22.4'),
  AsBeside: formula('A_s_req', 'max(0, C_c - P_u / 0.90) / f_y', '22.4'),
  AsPulled: formula('A_s_req', '(M_u - P_u * (y_0 - d_prime)) / (0.90 * f_y * (d - d_prime))', '22.4'),
  aRequired: formula('a', 'd - sqrt(d^2 - 2 * M_n / (0.85 * f_c_prime * b))', '22.2.2.4.1'),
  AsFree: formula('A_s_req', 'C_c / f_y', '22.2'),
  AsRequired: formula('A_s_req', '0.85 * f_c_prime * b * a / f_y', '22.2'),
  Cf: formula('C_f', '0.85 * f_c_prime * (b - b_w) * h_f', '22.2.2.4.1'),
  Mnf: formula('M_nf', 'C_f * (d - h_f/2)', '22.3.1.1'),
  aWeb: formula('a', 'd - sqrt(d^2 - 2 * (M_n - M_nf) / (0.85 * f_c_prime * b_w))', '22.2.2.4.1'),
  AsFlanged: formula('A_s_req', '(C_f + 0.85 * f_c_prime * b_w * a) / f_y', '22.2'),
  cLim: formula('c_lim', '0.003 / (0.003 + epsilon_t_min) * d', '22.2.1.2'),
  MnLim: formula('M_n_lim', 'C_c_lim * (d - y_c)', '22.3.1.1'),
  fsPrime: formula('f_s_prime', 'min(f_y, 0.003 * E_s * (c_lim - d_prime)/c_lim) - 0.85 * f_c_prime', '22.2'),
  AsPrime: formula('A_s_prime', '(M_n - M_n_lim) / (f_s_prime * (d - d_prime))', '22.3.1.1'),
  AsDouble: formula('A_s_req', '(C_c_lim + A_s_prime * f_s_prime) / f_y', '22.2'),
  AsDoubleBeside: formula('A_s_req', 'max(0, C_c_lim + A_s_prime * f_s_prime - P_u / 0.90) / f_y', '22.4'),
  etMin: formula('epsilon_t_min', 'epsilon_ty + 0.003', '9.3.3.1'),
  etRedistributed: formula('epsilon_t_min', 'max(0.0075, (1 - delta)/10)', '6.6.5'),
  AsMin: twoForms(
    'A_s_min',
    'max(0.25 * sqrt(f_c_prime), 1.4) / f_y * b_min * d',
    'max(3 * sqrt(f_c_prime), 200) / f_y * b_min * d',
    '9.6.1.2',
  ),
};

export interface FlexureBasis {
  readonly concrete: ConcreteLaw & { readonly kind: 'block' };
  readonly steel: SteelLaw;
  readonly fc: number;
  readonly epsTy: number;
  readonly form: Form;
  readonly countCompressionBars: boolean;
  readonly deductDisplaced: boolean;
}

/**
 * Design moment strength phi Mn about the centroid of the plain section by strain compatibility (22.2, 21.2.2), with the axial force of the
 * section. Undefined when there is no tension steel, or the neutral axis would leave the section.
 */
export function bendingResistance(c: Calc, full: BendingSection, basis: FlexureBasis): BendingResistance | undefined {
  const { concrete, steel, deductDisplaced } = basis;
  const N = full.axial ?? 0;
  const dt = Math.max(...full.layers.map((l) => l.depth));
  // The nominal axial force depends on phi, and with it on the strain.
  const nominal = (x: number) => (N === 0 ? 0 : N / strengthReduction(silent, (0.003 * (dt - x)) / x, basis.epsTy));
  const solve = (section: BendingSection) =>
    ultimateState(section, concrete, steel, deductDisplaced, nominal, N > 0 ? section.h : undefined);
  let s = full;
  let state = solve(s);
  if (!basis.countCompressionBars) {
    for (let i = 0; i < 4 && state && s.layers.some((layer) => layer.depth <= state!.x); i += 1) {
      const { x } = state;
      s = { ...s, layers: s.layers.filter((layer) => layer.depth > x) };
      state = solve(s);
    }
  }
  if (!state) return undefined;
  const tension = tensionSteel(s, state.x);
  if (tension.area === 0) return undefined;
  if (c.recording) recordForces(c, s, basis, state, tension);
  const epsilon_t = c.let(F.strain, { d_t: tension.furthest, c: state.x });
  const phi = strengthReduction(c, epsilon_t, basis.epsTy);
  const P_n = N === 0 ? 0 : c.let(F.Pn, { P_u: c.given(symbols.P_u, N, 'at the centroid of the section'), phi });
  if (c.recording) recordMoment(c, s, basis, state, tension, P_n);
  const moment = c.let(F.phiMn, { phi, M_n: state.moment + P_n * centroidDepth(s) });
  return {
    moment,
    x: state.x,
    d: tension.d,
    dt: tension.furthest,
    tensionArea: tension.area,
    tensionStrain: epsilon_t,
    compressionForce: state.concrete.force,
    compressionDepth: state.concrete.depth,
  };
}

type State = NonNullable<ReturnType<typeof ultimateState>>;
type Tension = ReturnType<typeof tensionSteel>;

/** Whether the hand form As fy (d - a/2) holds: bars in tension only, all yielding, block within one width. */
function isSimple(s: BendingSection, { steel, concrete }: FlexureBasis, state: State): boolean {
  const allYield = state.layers.every((layer) => layer.stress <= -steel.yield + 1e-9);
  return !s.isFree && !s.axial && allYield && (s.hf === 0 || concrete.depthFactor * state.x <= s.hf);
}

function recordForces(c: Calc, s: BendingSection, basis: FlexureBasis, state: State, tension: Tension): void {
  const { concrete, steel, fc } = basis;
  c.given(symbols.A_s, tension.area, 'bars in tension at this place');
  c.given(symbols.d, tension.d, 'from the section and the bars');
  if (isSimple(s, basis, state)) {
    const a = c.let(F.aSingle, { A_s: tension.area, f_y: steel.yield, f_c_prime: fc, b: s.b });
    c.let(F.cFromA, { a, beta_1: concrete.depthFactor });
    return;
  }
  c.note(
    'The neutral axis is found where the forces of concrete and of all bars balance; the strains are those of a plane section.',
    '22.2.1',
  );
  c.given(symbols.c, state.x, 'solved for balance of forces');
  state.layers.forEach((layer, i) => {
    const { depth, area } = s.layers[i]!;
    c.let(F.layerStrain, { c: state.x, d_i: depth });
    c.let(F.layerForce, { A_i: area, f_i: layer.force / area });
  });
  if (basis.deductDisplaced) c.note('The stress of compressed bars is less the concrete that they displace.');
}

function recordMoment(c: Calc, s: BendingSection, basis: FlexureBasis, state: State, tension: Tension, P_n: number): void {
  if (isSimple(s, basis, state)) {
    const a = basis.concrete.depthFactor * state.x;
    c.let(F.MnSingle, { A_s: tension.area, f_y: basis.steel.yield, d: tension.d, a });
    return;
  }
  const withDepth = state.layers.map((layer, i) => ({ force: layer.force, depth: s.layers[i]!.depth }));
  const centre = (list: typeof withDepth) =>
    list.reduce((sum, l) => sum + l.force * l.depth, 0) / list.reduce((sum, l) => sum + l.force, 0);
  const d = centre(withDepth.filter((l) => l.depth > state.x));
  const compression = withDepth.filter((l) => l.depth <= state.x);
  const C_s = compression.reduce((sum, l) => sum + l.force, 0);
  c.given(symbols.C_c, state.concrete.force, 'resultant of the compressed concrete');
  c.given(symbols.y_c, state.concrete.depth, 'depth of that resultant');
  const common = { C_c: state.concrete.force, d, y_c: state.concrete.depth };
  const d_prime = C_s !== 0 ? centre(compression) : 0;
  if (P_n !== 0) c.let(F.MnAxial, { ...common, C_s, d_prime, P_n, y_0: c.given(symbols.y_0, centroidDepth(s), 'from the section') });
  else if (C_s > 0) c.let(F.MnDouble, { ...common, C_s, d_prime });
  else c.let(F.MnConcrete, common);
}

/** Least strain of the extreme tension bars: 9.3.3.1, and 6.6.5 where moments are redistributed. */
export function leastStrain(c: Calc, epsTy: number, delta: number): number {
  const basic = c.let(F.etMin, { epsilon_ty: epsTy });
  return delta < 1 ? Math.max(basic, c.let(F.etRedistributed, { delta })) : basic;
}

/**
 * Steel for a factored moment (N mm) about the centroid, with the axial force of the section (N), tension-controlled (phi 0.90); compression
 * steel where the strain limit would be passed. 22.2, 22.4, 21.2.2. Under a tension that leaves no compression the face alone is answered for.
 */
export function bendingSteel(
  c: Calc,
  { moment, section: s, d, d2: dPrime, singlyOnly }: Omit<BendingTask, 'materials' | 'delta'>,
  basis: FlexureBasis,
  epsMin: number,
): RequiredSteel {
  const { fc, steel, concrete } = basis;
  const P_u = s.axial ?? 0;
  if (moment <= 0 && P_u === 0) return { tension: 0, compression: 0 };
  const M_n = aboutBars(c, moment, s, d);
  if (M_n < 0) {
    c.note('The tension lies between the bars of both faces: no concrete is compressed, and the other face is pulled as well.', '22.4');
    const y_0 = centroidDepth(s);
    return { tension: c.let(F.AsPulled, { M_u: moment, P_u, y_0, d_prime: dPrime, f_y: steel.yield, d }), compression: 0 };
  }
  const cLim = F.cLim.evaluate({ epsilon_t_min: epsMin, d });
  const atLimit = concreteResultant(s.strips, cLim, concrete);
  const MnLim = atLimit.force * (d - atLimit.depth);
  if (M_n <= MnLim) return { tension: singleSteel(c, M_n, s, d, basis), compression: 0 };

  c.let(F.cLim, { epsilon_t_min: epsMin, d });
  c.given(symbols.C_c_lim, atLimit.force, 'concrete at the strain limit');
  c.given(symbols.y_c, atLimit.depth, 'depth of that force');
  c.let(F.MnLim, { C_c_lim: atLimit.force, d, y_c: atLimit.depth });
  if (singlyOnly) {
    return {
      tension: NaN,
      compression: NaN,
      refusal: `needs compression steel, which is switched off: the strain would fall below ${epsMin.toFixed(4)}`,
    };
  }
  const f_s_prime = F.fsPrime.evaluate({ f_y: steel.yield, E_s: steel.modulus, c_lim: cLim, d_prime: dPrime, f_c_prime: fc });
  if (dPrime >= cLim || f_s_prime <= 0) {
    return { tension: NaN, compression: NaN, refusal: 'is too shallow: compression steel would do no work' };
  }
  c.let(F.fsPrime, { f_y: steel.yield, E_s: steel.modulus, c_lim: cLim, d_prime: dPrime, f_c_prime: fc });
  const compression = c.let(F.AsPrime, { M_n, M_n_lim: MnLim, f_s_prime, d, d_prime: dPrime });
  const parts = { C_c_lim: atLimit.force, A_s_prime: compression, f_s_prime, f_y: steel.yield };
  return { tension: P_u === 0 ? c.let(F.AsDouble, parts) : c.let(F.AsDoubleBeside, { ...parts, P_u }), compression };
}

/** The nominal moment that is needed (N mm), about the tension steel where there is an axial force. */
function aboutBars(c: Calc, moment: number, s: BendingSection, d: number): number {
  const M_u = c.given(symbols.M_u, moment);
  if (!s.axial) return c.let(F.MnRequired, { M_u });
  const P_u = c.given(symbols.P_u, s.axial, 'at the centroid of the section');
  return c.let(F.MnAboutBars, { M_u, P_u, d, y_0: c.given(symbols.y_0, centroidDepth(s), 'from the section') });
}

function singleSteel(c: Calc, M_n: number, s: BendingSection, d: number, basis: FlexureBasis): number {
  if (s.axial) return c.let(F.AsBeside, { C_c: compressionFor(c, M_n, s, d, basis), P_u: s.axial, f_y: basis.steel.yield });
  if (s.isFree) return c.let(F.AsFree, { C_c: compressionFor(c, M_n, s, d, basis), f_y: basis.steel.yield });
  const common = { f_c_prime: basis.fc, f_y: basis.steel.yield, d, b: s.b, b_w: s.bw, h_f: s.hf };
  const flange = s.hf > 0 ? 0.85 * basis.fc * s.b * s.hf * (d - s.hf / 2) : Infinity;
  if (M_n <= flange) {
    if (2 * M_n > 0.85 * basis.fc * s.b * d * d) throw new CalcError('a', 'the moment is more than the section can carry at all');
    const a = c.let(F.aRequired, { ...common, M_n });
    return c.let(F.AsRequired, { ...common, a });
  }
  const C_f = c.let(F.Cf, common);
  const M_nf = c.let(F.Mnf, { ...common, C_f });
  const a = c.let(F.aWeb, { ...common, M_n, M_nf });
  return c.let(F.AsFlanged, { ...common, C_f, a });
}

/** Force of the compressed concrete that carries a moment about the bars (N), for any outline: the neutral axis is found by trial. */
function compressionFor(c: Calc, M_n: number, s: BendingSection, d: number, { concrete }: FlexureBasis): number {
  const x = depthForMoment(s.strips, d, M_n, concrete);
  if (x === undefined) throw new CalcError('c', 'the moment is more than the section can carry at all');
  c.given(symbols.c, x, 'solved for the moment');
  return c.given(symbols.C_c, concreteResultant(s.strips, x, concrete).force, 'resultant of the compressed concrete');
}

/** Strain of the extreme bars against its least value, 9.3.3.1. */
export function ductility(c: Calc, r: BendingResistance, least: number): Ductility {
  const epsilon_t = c.let(F.strain, { d_t: r.dt, c: r.x });
  return {
    title: 'Strain of tension bars',
    clause: '9.3.3.1',
    demand: least,
    capacity: epsilon_t,
    utilisation: epsilon_t > 0 ? least / epsilon_t : Infinity,
    kind: 'strain',
  };
}

/** Least tension steel, 9.6.1.2. With `doubleWidth`, a flange in tension counts with its width, at most twice the web (statically determinate members). */
export function minimumSteel(c: Calc, s: BendingSection, d: number, fc: number, fy: number, form: Form, doubleWidth: boolean): number {
  const f_y = Math.min(fy, form === 'SI' ? 550 : 80_000 * 0.006894757293168361);
  const b_f = s.strips.at(-1)!.width;
  const b_min = doubleWidth && b_f > s.bw ? Math.min(b_f, 2 * s.bw) : s.bw;
  return c.let(F.AsMin[form], { f_c_prime: fc, f_y, b_min, d });
}
