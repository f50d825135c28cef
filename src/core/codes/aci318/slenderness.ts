import { silent, type Calc } from '../../calc/calc';
import type {
  ColumnEnd,
  DesignMoments,
  EffectiveLengthInput,
  EndForces,
  MomentStep,
  Sense,
  SlenderAxis,
  SlendernessRule,
} from '../column-rules';
import { HINGE, nonswayFactor, swayFactor } from '../alignment-chart';
import { elasticModulus, steelModulus } from './materials';
import { formula, symbols, twoForms, type Form } from './symbols';

export const F = {
  r: formula('r', 'sqrt(I_g / A_g)', '6.2.5.2'),
  rRectangle: formula('r', '0.30 * h', '6.2.5.2(b)'),
  rCircle: formula('r', '0.25 * h', '6.2.5.2(c)'),
  klr: formula('kl_r', 'k * l_u / r', '6.2.5.1'),
  ratio: formula('ratio_M', '-M_1 / M_2', '6.2.5.1'),
  limit: formula('kl_lim', 'min(40, 34 + 12 * ratio_M)', '6.2.5.1(b), (c)'),
  M2min: twoForms('M_2min', 'P_u * (15 + 0.03 * h)', 'P_u * (0.6 + 0.03 * h)', '6.6.4.5.4'),
  Cm: formula('C_m', '0.6 - 0.4 * ratio_M', '6.6.4.5.3(a)'),
  EIa: formula('EI_eff', '0.4 * E_c * I_g / (1 + beta_dns)', '6.6.4.4.4(a)'),
  EIb: formula('EI_eff', '(0.2 * E_c * I_g + E_s * I_se) / (1 + beta_dns)', '6.6.4.4.4(b)'),
  I: formula(
    'I_eff',
    'max(0.35 * I_g, min(0.875 * I_g, (0.80 + 25 * A_st/A_g) * (1 - M_2/(P_u * h) - 0.5 * P_u/P_o) * I_g))',
    'table 6.6.3.1.1(b)',
  ),
  EIc: formula('EI_eff', 'E_c * I_eff / (1 + beta_dns)', '6.6.4.4.4(c)'),
  Pc: formula('P_c', 'pi^2 * EI_eff / (k * l_u)^2', '6.6.4.4.2'),
  delta: formula('delta_ns', 'max(1, C_m / (1 - P_u / (0.75 * P_c)))', '6.6.4.5.2'),
  Mc: formula('M_c', 'delta_ns * M_2', '6.6.4.5.1'),
  swayQ: formula('delta_s', 'max(1, 1 / (1 - Q))', '6.6.4.6.2(a)'),
  swaySum: formula('delta_s', 'max(1, 1 / (1 - Sigma_P_u / (0.75 * Sigma_P_c)))', '6.6.4.6.2(b)'),
  sway: formula('M_1', 'M_1ns + delta_s * M_1s', '6.6.4.6.1'),
};

export interface SlendernessOptions {
  readonly form: Form;
  /** Which expression of 6.6.4.4.4. */
  readonly stiffness: 'a' | 'b' | 'c';
  /** Cm where the minimum moment governs: from the end moments as they are, or 1. */
  readonly cmWhenLeast: 'ratio' | 'one';
  /** Cm without end moments, where M1 / M2 has no value: 1.0, or 0.6 with the ratio taken as zero. */
  readonly cmWithout: 'ratio' | 'one';
}

const BEAMS = 0.35; // of Ig, table 6.6.3.1.1(a)
const COLUMNS = 0.7;

/** Psi of an end, 6.2.5: EI/l of the columns over EI/l of the beams, with the reduced inertias of table 6.6.3.1.1(a). */
export function endRestraint(end: ColumnEnd, inertia: number, clear: number): number {
  if (end.kind === 'fixed') return 0;
  if (end.kind !== 'framed') return Infinity;
  const columns = COLUMNS * (inertia / clear + (end.column ? (end.column.b * end.column.h ** 3) / 12 / end.column.length : 0));
  // A far end that is hinged or fixed changes the stiffness of a beam against that of equal rotations at both ends.
  const far = { continuous: 1, pinned: 1.5, fixed: 2 } as const;
  const beams = end.beams.reduce((sum, b) => sum + (BEAMS * far[b.far] * ((b.b * b.h ** 3) / 12)) / b.length, 0);
  return beams === 0 ? Infinity : columns / beams;
}

/** Effective length (mm), 6.6.4.4.3, by the alignment chart; a cantilever has k = 2. */
export function effectiveLength(c: Calc, q: EffectiveLengthInput): number {
  const [top, bottom] = [endRestraint(q.top, q.inertia, q.clear), endRestraint(q.bottom, q.inertia, q.clear)];
  const say = (end: ColumnEnd) => (end.kind === 'framed' ? 'columns over beams, 6.6.3.1.1' : end.kind);
  const psiA = c.given(symbols.Psi_top, Math.min(top, HINGE), say(q.top));
  const psiB = c.given(symbols.Psi_bot, Math.min(bottom, HINGE), say(q.bottom));
  c.note('k solves the equation behind the alignment chart.', 'R6.2.5.1');
  const k = c.given(symbols.k, q.isBraced ? nonswayFactor(psiA, psiB) : swayFactor(psiA, psiB));
  return k * q.clear;
}

/** Radius of gyration, 6.2.5.2. */
function gyration(c: Calc, a: SlenderAxis): number {
  if (a.shape === 'rectangle') return c.let(F.rRectangle, { h: a.h });
  if (a.shape === 'circle') return c.let(F.rCircle, { h: a.h });
  return c.let(F.r, { I_g: a.inertia, A_g: a.area });
}

/** Slenderness and moment magnification about one axis: 6.2.5, 6.6.4. */
export function slendernessRule(axis: SlenderAxis, o: SlendernessOptions): SlendernessRule {
  const rule: SlendernessRule = {
    moments: (c, f, accidental, sense) => designMoments(c, axis, o, f, accidental, sense),
    steps: (f, accidental, sense) => momentSteps(axis, o, f, accidental, sense, designMoments(silent, axis, o, f, accidental, sense)),
  };
  return rule;
}

/** Below one newton there is no compression to speak of. */
const LEAST_FORCE = 1;

interface Ordered {
  readonly M_1: number;
  readonly M_2: number;
  readonly sign: number;
  readonly topLarger: boolean;
}

function inOrder(top: number, bottom: number): Ordered {
  const topLarger = Math.abs(top) >= Math.abs(bottom);
  const [large, small] = topLarger ? [top, bottom] : [bottom, top];
  const sign = large < 0 ? -1 : 1;
  return { M_2: large * sign, M_1: small * sign, sign, topLarger };
}

/** Sway magnifier, 6.6.4.6.2: by Q up to 1.5, else by the sums of the storey; a text when it cannot be had. */
function swayMagnifier(c: Calc, a: SlenderAxis): number | string {
  const { Q, sumP, sumPc } = a.storey;
  if (Q !== null) {
    if (Q >= 1) return 'The storey is unstable: Q reaches 1.';
    const delta = c.let(F.swayQ, { Q });
    if (delta <= 1.5) return delta;
    if (sumP === null || sumPc === null) return `δs by Q is ${delta.toFixed(2)}, above 1.5: give ΣPu and ΣPc of the storey (6.6.4.6.2).`;
  }
  if (sumP === null || sumPc === null) return 'Give the sway of the storey on the basis: Q, or ΣPu and ΣPc (6.6.4.6.2).';
  if (sumP >= 0.75 * sumPc) return 'The storey is unstable: ΣPu reaches 0.75 ΣPc.';
  return c.let(F.swaySum, { Sigma_P_u: sumP, Sigma_P_c: sumPc });
}

function designMoments(c: Calc, a: SlenderAxis, o: SlendernessOptions, f: EndForces, accidental: boolean, sense: Sense): DesignMoments {
  const r = gyration(c, a);
  const k = c.given(symbols.k, a.l0 / a.clear);
  const kl_r = c.let(F.klr, { k, l_u: c.given(symbols.l_u, a.clear), r });
  const typed = Math.max(Math.abs(f.top), Math.abs(f.bottom));
  const least = accidental && f.N > 0 ? F.M2min[o.form].evaluate({ P_u: f.N, h: a.h }) : 0;
  const base = { firstOrder: Math.max(typed, least), slenderness: kl_r, buckling: null };
  const refuse = (refusal: string, limit = NaN): DesignMoments => ({
    top: NaN,
    mid: NaN,
    bottom: NaN,
    isSlender: true,
    limit,
    refusal,
    ...base,
  });
  const P_u = c.given(symbols.P_u, f.N);
  if (P_u < LEAST_FORCE) {
    c.note('No second-order effects without compression.', '6.6.4');
    return { top: f.top, mid: (f.top + f.bottom) / 2, bottom: f.bottom, isSlender: false, limit: Infinity, ...base };
  }
  let [top, bottom] = [f.top, f.bottom];
  if (!a.isBraced && kl_r > 22) {
    const magnifier = swayMagnifier(c, a);
    if (typeof magnifier === 'string') return refuse(magnifier, 22);
    top = c.let(F.sway, { M_1ns: f.top - f.swayTop, delta_s: magnifier, M_1s: f.swayTop });
    bottom = c.let(F.sway, { M_1ns: f.bottom - f.swayBottom, delta_s: magnifier, M_1s: f.swayBottom });
  }
  const { M_1, M_2, sign, topLarger } = inOrder(top, bottom);
  // The ends may also sway apart: along the column the magnified moments grow as in a braced one, with k = 1 at most (6.6.4.6.4).
  const kAlong = a.isBraced ? k : Math.min(k, 1);
  const ratio_M = M_2 > 0 ? c.let(F.ratio, { M_1, M_2 }) : -1;
  const limit = a.isBraced ? c.let(F.limit, { ratio_M }) : 22;
  const isSlender = kl_r > limit;
  const M_2min = accidental ? c.let(F.M2min[o.form], { P_u, h: a.h }) : 0;
  const larger = Math.max(M_2, M_2min);
  let along = larger;
  let buckling: number | null = null;
  if (isSlender) {
    if (f.sustained === null) return refuse('State which part of the axial force is sustained (βdns).', limit);
    const P_c = criticalLoad(c, a, o, { P_u, k: kAlong, beta_dns: Math.min(1, f.sustained), M_2: larger });
    buckling = P_u / (0.75 * P_c);
    if (buckling >= 1) return refuse(`The axial force reaches 0.75 Pc: the column buckles (6.6.4.5.2).`, limit);
    const isLeast = M_2min > M_2;
    const C_m =
      M_2 === 0
        ? c.given(symbols.C_m, o.cmWithout === 'one' ? 1 : 0.6, 'no end moments: a choice')
        : isLeast && o.cmWhenLeast === 'one'
          ? c.given(symbols.C_m, 1, 'the minimum moment governs, 6.6.4.5.4')
          : c.let(F.Cm, { ratio_M });
    along = c.let(F.Mc, { delta_ns: c.let(F.delta, { C_m, P_u, P_c }), M_2: larger });
  } else c.note('Slenderness is neglected.', '6.2.5.1');
  // The least moment has no sense of its own; what is larger keeps the one it has.
  const atLeast = (moment: number) => (Math.abs(moment) < M_2min ? sense * M_2min : sign * moment);
  const [end, other] = [atLeast(M_2), atLeast(M_1)];
  const [t, b] = topLarger ? [end, other] : [other, end];
  // For a column that is not slender the larger end moment governs; between the ends nothing grows.
  const mid = isSlender ? (M_2min > M_2 ? sense : sign) * along : atLeast((M_1 + M_2) / 2);
  return { top: t, mid, bottom: b, isSlender, limit, ...base, buckling };
}

interface Acting {
  readonly P_u: number;
  readonly k: number;
  readonly beta_dns: number;
  readonly M_2: number;
}

/** Pc, 6.6.4.4.2, with the stiffness of 6.6.4.4.4. */
function criticalLoad(c: Calc, a: SlenderAxis, o: SlendernessOptions, q: Acting): number {
  const E_c = elasticModulus(c, a.materials.concreteStrength, a.materials.density, o.form);
  const beta_dns = c.given(symbols.beta_dns, q.beta_dns);
  const I_g = c.given(symbols.I_g, a.inertia);
  let EI_eff: number;
  if (o.stiffness === 'a') EI_eff = c.let(F.EIa, { E_c, I_g, beta_dns });
  else if (o.stiffness === 'b') EI_eff = c.let(F.EIb, { E_c, I_g, E_s: steelModulus(o.form), I_se: a.steelInertia, beta_dns });
  else {
    const I_eff = c.let(F.I, { I_g, A_st: a.steelArea, A_g: a.area, M_2: q.M_2, P_u: q.P_u, h: a.h, P_o: a.squash });
    EI_eff = c.let(F.EIc, { E_c, I_eff, beta_dns });
  }
  return c.let(F.Pc, { EI_eff, k: q.k, l_u: a.clear });
}

function momentSteps(
  a: SlenderAxis,
  o: SlendernessOptions,
  f: EndForces,
  accidental: boolean,
  sense: Sense,
  r: DesignMoments,
): MomentStep[] {
  const least = accidental && f.N > 0 ? F.M2min[o.form].evaluate({ P_u: f.N, h: a.h }) * sense : 0;
  const steps: MomentStep[] = [{ title: 'as typed', clause: '', top: f.top, mid: (f.top + f.bottom) / 2, bottom: f.bottom }];
  if (!a.isBraced && !r.refusal) {
    const magnifier = r.slenderness > 22 ? swayMagnifier(silent, a) : 1;
    if (typeof magnifier === 'number')
      steps.push({
        title: `with sway, δs ${magnifier.toFixed(2)}`,
        clause: '6.6.4.6',
        top: f.top + (magnifier - 1) * f.swayTop,
        mid: null,
        bottom: f.bottom + (magnifier - 1) * f.swayBottom,
      });
  }
  steps.push({ title: 'minimum moment M2,min', clause: '6.6.4.5.4', top: least, mid: least, bottom: least });
  if (r.isSlender && !r.refusal) {
    const before = Math.max(Math.abs(r.top), Math.abs(r.bottom));
    steps.push({
      title: `magnified, δ ${before > 0 ? (Math.abs(r.mid) / before).toFixed(2) : '1.00'}`,
      clause: '6.6.4.5',
      top: null,
      mid: r.mid,
      bottom: null,
    });
  }
  steps.push({ title: 'to be carried', clause: '', top: r.top, mid: r.mid, bottom: r.bottom });
  return steps;
}
