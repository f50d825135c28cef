import { silent, type Calc } from '../../calc/calc';
import type { DesignMoments, EndForces, MomentStep, Sense, SlenderAxis, SlendernessRule } from '../column-rules';
import { finalCreep } from './creep';
import { F as materials, designStrength, secantModulus, STEEL_MODULUS } from './materials';
import type { NationalAnnex } from './national';
import { formula, symbols } from './symbols';

export const F = {
  slenderness: formula('lambda_c', 'l_0 / i', '(5.14)'),
  n: formula('n_rel', 'N_Ed / (A_c * f_cd)', '5.8.3.1(1)'),
  omega: formula('omega', 'A_s * f_yd / (A_c * f_cd)', '5.8.3.1(1)'),
  phiEf: formula('phi_ef', 'phi_inf * s_qp', '(5.19)'),
  A: formula('A_lim', '1 / (1 + 0.2 * phi_ef)', '5.8.3.1(1)'),
  B: formula('B_lim', 'sqrt(1 + 2 * omega)', '5.8.3.1(1)'),
  rm: formula('r_m', 'M_typed1 / M_typed2', '5.8.3.1(1)'),
  C: formula('C_lim', '1.7 - r_m', '5.8.3.1(1)'),
  limit: formula('lambda_lim', '20 * A_lim * B_lim * C_lim / sqrt(n_rel)', '(5.13N)'),
  alphaH: formula('alpha_h', 'max(2/3, min(1, 2 / sqrt(l/1000)))', '5.2(5)', { empirical: 'SI' }),
  alphaM: formula('alpha_m', 'sqrt(0.5 * (1 + 1/m_mem))', '5.2(5)'),
  inclination: formula('theta_i', 'theta_0 * alpha_h * alpha_m', '(5.1)'),
  ei: formula('e_i', 'theta_i * l_0 / 2', '(5.2)'),
  e0: formula('e_0', 'max(h / 30, 20)', '6.1(4)', { empirical: 'SI' }),
  M0e: formula('M_0e', 'max(0.6 * M_02 + 0.4 * M_01, 0.4 * M_02)', '(5.32)'),
  nu: formula('n_u', '1 + omega', '5.8.8.3(3)'),
  Kr: formula('K_r', 'max(0, min(1, (n_u - n_rel) / (n_u - n_bal)))', '(5.36)'),
  beta: formula('beta_c', '0.35 + f_ck/200 - lambda_c/150', '5.8.8.3(4)', { empirical: 'SI' }),
  Kphi: formula('K_phi', 'max(1, 1 + beta_c * phi_ef)', '(5.37)'),
  d: formula('d', 'h/2 + i_s', '(5.35)'),
  is: formula('i_s', 'sqrt(I_s / A_s)', '(5.35)'),
  r0: formula('curv_0', 'epsilon_yd / (0.45 * d)', '5.8.8.3(1)'),
  r: formula('curv', 'K_r * K_phi * curv_0', '(5.34)'),
  e2: formula('e_2', 'curv * l_0^2 / c_curv', '5.8.8.2(3)'),
  M2: formula('M_2', 'N_Ed * e_2', '(5.33)'),
  Mmin: formula('M_min', 'N_Ed * e_0', '6.1(4)'),
  // Nominal stiffness
  rho: formula('rho', 'A_s / A_c', '5.8.7.2(2)'),
  Ecd: formula('E_cd', 'E_cm / gamma_CE', '(5.20)'),
  k1: formula('k_1c', 'sqrt(f_ck / 20)', '(5.23)', { empirical: 'SI' }),
  k2: formula('k_2c', 'min(0.20, n_rel * lambda_c / 170)', '(5.24)'),
  Kc: formula('K_c', 'k_1c * k_2c / (1 + phi_ef)', '(5.22)'),
  KcSimple: formula('K_c', '0.3 / (1 + 0.5 * phi_ef)', '(5.26)'),
  EI: formula('EI', 'K_c * E_cd * I_c + K_s * E_s * I_s', '(5.21)'),
  NB: formula('N_B', 'pi^2 * EI / l_0^2', '5.8.7.3(1)'),
  betaM: formula('beta_M', 'pi^2 / c_0', '(5.29)'),
  M2stiff: formula('M_2', 'M_0e * beta_M / (N_B / N_Ed - 1)', '(5.28)'),
};

export interface SlendernessOptions {
  readonly annex: NationalAnnex;
  readonly method: 'curvature' | 'stiffness' | 'simpleStiffness';
  /** Factor c of 5.8.8.2(3) and c0 of 5.8.7.3(2). */
  readonly curvatureShape: number;
  readonly momentShape: number;
  /** Members that lean together, 5.2(5). */
  readonly members: number;
  /** phi_ef taken as zero where 5.8.4(4) allows it. */
  readonly neglectsCreep: boolean;
}

/** Below one newton there is no compression to speak of, and the limit of slenderness has no end. */
const LEAST_FORCE = 1;

interface Fixed {
  readonly l_0: number;
  readonly lambda_c: number;
  readonly f_cd: number;
  readonly f_yd: number;
  readonly omega: number;
  readonly e_i: number;
  readonly e_0: number;
  readonly creep: number;
  readonly d: number;
}

/** Slenderness, imperfections and second-order moments about one axis: 5.2, 5.8.3, 5.8.7, 5.8.8. */
export function slendernessRule(axis: SlenderAxis, o: SlendernessOptions): SlendernessRule {
  const fixed = fixedValues(silent, axis, o);
  const rule = {
    moments: (c: Calc, f: EndForces, accidental: boolean, sense: Sense) =>
      designMoments(c, axis, o, c.recording ? fixedValues(c, axis, o) : fixed, f, accidental, sense).moments,
    section: (c: Calc, N: number, moment: number, sense: Sense) => sectionMoment(c, axis.h, N, moment, sense),
    steps: (f: EndForces, accidental: boolean, sense: Sense) =>
      momentSteps(axis, o, f, designMoments(silent, axis, o, fixed, f, accidental, sense)),
  };
  return rule;
}

/** At least N e0 in a section under compression, 6.1(4). */
function sectionMoment(c: Calc, h: number, N: number, moment: number, sense: Sense): number {
  if (N < LEAST_FORCE) return moment;
  const least = c.let(F.Mmin, { N_Ed: c.given(symbols.N_Ed, N), e_0: c.let(F.e0, { h }) });
  return Math.abs(moment) < least ? sense * least : moment;
}

function fixedValues(c: Calc, a: SlenderAxis, o: SlendernessOptions): Fixed {
  const { materials: m } = a;
  const f_cd = designStrength(c, m.concreteStrength, o.annex.alphaCC, o.annex.gammaC);
  const f_yd = c.let(materials.fyd, { f_yk: m.steelStrength, gamma_S: o.annex.gammaS });
  const l_0 = c.given(symbols.l_0, a.l0);
  const lambda_c = c.let(F.slenderness, { l_0, i: c.given(symbols.i, Math.sqrt(a.inertia / a.area), 'of the uncracked concrete') });
  const omega = c.let(F.omega, { A_s: a.steelArea, f_yd, A_c: a.area, f_cd });
  const alpha_h = c.let(F.alphaH, { l: a.clear });
  const alpha_m = c.let(F.alphaM, { m_mem: o.members });
  const e_i = c.let(F.ei, { theta_i: c.let(F.inclination, { theta_0: 1 / 200, alpha_h, alpha_m }), l_0 });
  const d = c.let(F.d, { h: a.h, i_s: c.let(F.is, { I_s: a.steelInertia, A_s: a.steelArea }) });
  return { l_0, lambda_c, f_cd, f_yd, omega, e_i, e_0: c.let(F.e0, { h: a.h }), d, creep: finalCreep(c, m, a.area, a.perimeter) };
}

/** End moments in order of size, the larger one positive; and the sign it had. */
function inOrder(f: Ends) {
  const topLarger = Math.abs(f.top) >= Math.abs(f.bottom);
  const [large, small] = topLarger ? [f.top, f.bottom] : [f.bottom, f.top];
  const sign = large < 0 ? -1 : 1;
  return { M_2: large * sign, M_1: small * sign, sign, topLarger };
}

/** The design moments of one axis, and what they are made of. */
interface Way {
  readonly moments: DesignMoments;
  /** At the ends and between: imperfection, second order (a pair of ends and the bow between), least moment. Undefined without compression. */
  readonly parts?: {
    readonly lean: Ends;
    readonly equivalent: number;
    readonly second: Ends & { readonly mid: number };
    readonly least: Ends;
  };
}

interface Ends {
  readonly top: number;
  readonly bottom: number;
}

/**
 * Imperfection, second order and least eccentricity in one sense. Held at both ends the column bows, so both ends go one way; where it sways,
 * the moments of the sway turn the ends against each other (in the sense of bending).
 */
function designMoments(c: Calc, a: SlenderAxis, o: SlendernessOptions, v: Fixed, f: EndForces, accidental: boolean, sense: Sense): Way {
  const N_Ed = c.given(symbols.N_Ed, f.N);
  const typed = inOrder(f);
  const none = { firstOrder: typed.M_2, slenderness: v.lambda_c, buckling: null };
  const without = (m: Omit<DesignMoments, keyof typeof none>): Way => ({ moments: { ...m, ...none } });
  if (N_Ed < LEAST_FORCE) {
    c.note('No second-order effects without compression.', '5.8');
    return without({ top: f.top, mid: (f.top + f.bottom) / 2, bottom: f.bottom, isSlender: false, limit: Infinity });
  }
  const n_rel = c.let(F.n, { N_Ed, A_c: a.area, f_cd: v.f_cd });
  if (f.sustained === null) {
    const refusal = 'State which part of the load is sustained: creep depends on it.';
    return without({ top: NaN, mid: NaN, bottom: NaN, isSlender: true, limit: NaN, refusal });
  }
  const phi_ef = effectiveCreep(c, a, o, v, f, typed.M_2);
  const limit = slendernessLimit(c, a, v, n_rel, phi_ef, typed.M_1, typed.M_2, f.N * v.e_i);
  const isSlender = v.lambda_c > limit;
  const turn = a.isBraced ? 1 : -1;
  const bothEnds = (value: number): Ends => ({ top: sense * value, bottom: turn * sense * value });
  const lean = bothEnds(accidental ? f.N * v.e_i : 0);
  const first = { top: f.top + lean.top, bottom: f.bottom + lean.bottom };
  const { M_1, M_2, sign, topLarger } = inOrder(first);
  const said = accidental ? `with imperfections to the ${sense > 0 ? 'positive' : 'negative'} side, 5.2(7)` : 'as typed';
  const M_01 = c.given(symbols.M_01, M_1, said);
  const M_02 = c.given(symbols.M_02, M_2, said);
  const M_0e = c.let(F.M0e, { M_01, M_02 });
  const leastMoment = accidental ? c.let(F.Mmin, { N_Ed, e_0: v.e_0 }) : 0;
  const least = bothEnds(leastMoment);
  let M2 = 0;
  let buckling: number | null = null;
  if (isSlender) {
    const result = secondOrder(c, a, o, v, { N_Ed, n_rel, phi_ef, M_0e: a.isBraced ? M_0e : M_02 });
    if (typeof result === 'string') return without({ top: NaN, mid: NaN, bottom: NaN, isSlender, limit, refusal: result });
    M2 = result.M2;
    buckling = result.buckling;
  } else c.note('Not slender: second-order effects are neglected.', '5.8.3.1(1)');
  // The bow follows the first-order moments; without any it may go either way.
  const bow = M_02 > 0 ? sign : sense;
  const second = a.isBraced ? { ...halfAtSmaller(M_01, bow, topLarger, M2), mid: bow * M2 } : { ...bothEnds(M2), mid: 0 };
  const atLeast = (m: number, side: number) => (Math.abs(m) < leastMoment ? side : m);
  const top = atLeast(first.top + second.top, least.top);
  const bottom = atLeast(first.bottom + second.bottom, least.bottom);
  const between = a.isBraced ? bow * M_0e + second.mid : (top + bottom) / 2;
  const mid = atLeast(between, sense * leastMoment);
  return { moments: { top, mid, bottom, isSlender, limit, ...none, buckling }, parts: { lean, equivalent: bow * M_0e, second, least } };
}

/** Braced: the deflection is between the ends, with half of its moment, by practice, at the end of the smaller one where that makes it larger. */
function halfAtSmaller(M_01: number, bow: number, topLarger: boolean, M2: number): Ends {
  const half = Math.abs(M_01 + 0.5 * M2) > Math.abs(M_01) ? bow * 0.5 * M2 : 0;
  return topLarger ? { top: 0, bottom: half } : { top: half, bottom: 0 };
}

/** 5.8.4: final creep times the sustained part of the first-order moment; zero where (4) allows it and it is asked for. */
function effectiveCreep(c: Calc, a: SlenderAxis, o: SlendernessOptions, v: Fixed, f: EndForces, moment: number): number {
  if (o.neglectsCreep && v.creep <= 2 && v.lambda_c <= 75 && moment / f.N >= a.h)
    return c.given(symbols.phi_ef, 0, 'may be neglected, 5.8.4(4)');
  return c.let(F.phiEf, { phi_inf: v.creep, s_qp: c.given(symbols.s_qp, f.sustained ?? 1) });
}

function slendernessLimit(
  c: Calc,
  a: SlenderAxis,
  v: Fixed,
  n_rel: number,
  phi_ef: number,
  M_1: number,
  M_2: number,
  imperfection: number,
): number {
  const A_lim = c.let(F.A, { phi_ef });
  const B_lim = c.let(F.B, { omega: v.omega });
  // rm = 1 for unbraced members, and where the moments come mainly from imperfections.
  const counts = a.isBraced && M_2 > imperfection && M_2 > 0;
  const r_m = counts
    ? c.let(F.rm, { M_typed1: M_1, M_typed2: M_2 })
    : c.given(symbols.r_m, 1, a.isBraced ? 'moments mainly of imperfections' : 'unbraced');
  return c.let(F.limit, { A_lim, B_lim, C_lim: c.let(F.C, { r_m }), n_rel });
}

interface Acting {
  readonly N_Ed: number;
  readonly n_rel: number;
  readonly phi_ef: number;
  readonly M_0e: number;
}

/** Second-order moment by nominal curvature (5.8.8) or nominal stiffness (5.8.7); a text when the column buckles. */
function secondOrder(
  c: Calc,
  a: SlenderAxis,
  o: SlendernessOptions,
  v: Fixed,
  q: Acting,
): { M2: number; buckling: number | null } | string {
  if (o.method === 'curvature') {
    const n_u = c.let(F.nu, { omega: v.omega });
    const K_r = c.let(F.Kr, { n_u, n_rel: q.n_rel, n_bal: 0.4 });
    const beta_c = c.let(F.beta, { f_ck: a.materials.concreteStrength, lambda_c: v.lambda_c });
    const K_phi = c.let(F.Kphi, { beta_c, phi_ef: q.phi_ef });
    const curv_0 = c.let(F.r0, { epsilon_yd: v.f_yd / STEEL_MODULUS, d: v.d });
    const curv = c.let(F.r, { K_r, K_phi, curv_0 });
    const e_2 = c.let(F.e2, { curv, l_0: v.l_0, c_curv: o.curvatureShape });
    return { M2: c.let(F.M2, { N_Ed: q.N_Ed, e_2 }), buckling: null };
  }
  const EI = nominalStiffness(c, a, o, v, q);
  const N_B = c.let(F.NB, { EI, l_0: v.l_0 });
  if (q.N_Ed >= N_B) return `The axial force reaches the buckling load of ${(N_B / 1e3).toFixed(0)} kN (5.8.7.3).`;
  const beta_M = c.let(F.betaM, { c_0: o.momentShape });
  return { M2: c.let(F.M2stiff, { M_0e: q.M_0e, beta_M, N_B, N_Ed: q.N_Ed }), buckling: q.N_Ed / N_B };
}

function nominalStiffness(c: Calc, a: SlenderAxis, o: SlendernessOptions, v: Fixed, q: Acting): number {
  const rho = c.let(F.rho, { A_s: a.steelArea, A_c: a.area });
  const E_cm = secantModulus(c, a.materials.concreteStrength);
  const E_cd = c.let(F.Ecd, { E_cm, gamma_CE: 1.2 });
  const common = { E_cd, I_c: a.inertia, E_s: STEEL_MODULUS, I_s: a.steelInertia };
  if (o.method === 'simpleStiffness' && rho >= 0.01) {
    c.note('At least 1 % of steel: the simple factors may be used.', '5.8.7.2(3)');
    return c.let(F.EI, { ...common, K_c: c.let(F.KcSimple, { phi_ef: q.phi_ef }), K_s: 0 });
  }
  const k_1c = c.let(F.k1, { f_ck: a.materials.concreteStrength });
  const k_2c = c.let(F.k2, { n_rel: q.n_rel, lambda_c: v.lambda_c });
  const K_c = c.let(F.Kc, { k_1c, k_2c, phi_ef: q.phi_ef });
  // Below 0.2 % of steel the bars are not counted (5.8.7.2(2)).
  return c.let(F.EI, { ...common, K_c, K_s: rho >= 0.002 ? 1 : 0 });
}

function momentSteps(a: SlenderAxis, o: SlendernessOptions, f: EndForces, { moments: r, parts }: Way): MomentStep[] {
  const steps: MomentStep[] = [{ title: 'as typed', clause: '', top: f.top, mid: (f.top + f.bottom) / 2, bottom: f.bottom }];
  if (parts) {
    const { lean, equivalent, second, least } = parts;
    steps.push({ title: `imperfection N ei`, clause: '5.2(7)', ...lean, mid: a.isBraced ? lean.top : null });
    if (a.isBraced) steps.push({ title: 'equivalent M0e', clause: '(5.32)', top: null, mid: equivalent, bottom: null });
    if (r.isSlender) {
      const clause = o.method === 'curvature' ? '5.8.8' : '5.8.7';
      const shown = (end: number) => (a.isBraced && end === 0 ? null : end);
      const ends = { top: shown(second.top), bottom: shown(second.bottom) };
      steps.push({ title: 'second order M2', clause, ...ends, mid: a.isBraced ? second.mid : null });
    }
    steps.push({ title: 'minimum N e0', clause: '6.1(4)', ...least, mid: least.top });
  }
  steps.push({ title: 'to be carried', clause: '', top: r.top, mid: r.mid, bottom: r.bottom });
  return steps;
}
