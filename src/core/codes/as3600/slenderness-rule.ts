import { silent, type Calc } from '../../calc/calc';
import type { DesignMoments, EndForces, MomentStep, Sense, SlenderAxis, SlendernessRule } from '../column-rules';
import { bracedMagnifier, bucklingLoad, momentRatio, SHORT_UNBRACED, shortLimit, sustainedPart, swayMagnifier } from './slenderness';
import { formula, symbols } from './symbols';

export const F = {
  rRectangle: formula('r_g', '0.3 * D', '10.5.2'),
  rCircle: formula('r_g', '0.25 * D', '10.5.2'),
  r: formula('r_g', 'sqrt(I_g / A_g)', '10.5.2'),
  lambda: formula('lambda_e', 'L_e / r_g', '10.3.1'),
  least: formula('M_min', '0.05 * D * N_comp', '10.1.2'),
  along: formula('M_along', 'max(delta_b, delta_s) * M_2', '10.4.1'),
  top: formula('M_top', 'delta_s * M_star', '10.4.3'),
  foot: formula('M_foot', 'delta_s * M_star', '10.4.3'),
};

/** Below one newton there is no compression to speak of. */
const LEAST_FORCE = 1;

/** Slenderness and moment magnification about one axis: 10.3, 10.4. */
export function slendernessRule(axis: SlenderAxis): SlendernessRule {
  return {
    moments: (c, f, accidental, sense) => designMoments(c, axis, f, accidental, sense),
    section: (c, N, moment, sense) => {
      const least = N > 0 ? c.let(F.least, { D: axis.h, N_comp: N }) : 0;
      return Math.abs(moment) < least ? sense * least : moment;
    },
    steps: (f, accidental, sense) => momentSteps(axis, f, accidental, designMoments(silent, axis, f, accidental, sense), sense),
  };
}

function gyration(c: Calc, a: SlenderAxis): number {
  if (a.shape === 'rectangle') return c.let(F.rRectangle, { D: a.h });
  if (a.shape === 'circle') return c.let(F.rCircle, { D: a.h });
  return c.let(F.r, { I_g: a.inertia, A_g: a.area });
}

const leastMoment = (c: Calc, a: SlenderAxis, f: EndForces, accidental: boolean) =>
  accidental && f.N > 0 ? c.let(F.least, { D: a.h, N_comp: f.N }) : 0;

/** Magnifier of the storey, 10.4.3; a text where it cannot be had. */
function storeyMagnifier(c: Calc, { storey: { sumP, sumPc } }: SlenderAxis): number | string {
  if (sumP === null || sumPc === null)
    return 'Give the sway of the storey on the basis: the sums of the axial forces and of the buckling loads of its columns (10.4.3).';
  const delta = swayMagnifier(c, sumP, sumPc);
  return Number.isFinite(delta) ? delta : 'The storey is unstable: its axial forces reach the sum of its buckling loads (10.4.3).';
}

function designMoments(c: Calc, a: SlenderAxis, f: EndForces, accidental: boolean, sense: Sense): DesignMoments {
  const r_g = gyration(c, a);
  const L_e = c.given(symbols.L_e, a.l0);
  const lambda_e = c.let(F.lambda, { L_e, r_g });
  const N = c.given(symbols.N_comp, f.N);
  const least = leastMoment(c, a, f, accidental);
  const typed = Math.max(Math.abs(f.top), Math.abs(f.bottom));
  const base = { firstOrder: Math.max(typed, least), slenderness: lambda_e, buckling: null };
  // The least moment has no sense of its own; what is larger keeps the one it has.
  const atLeast = (moment: number) => (Math.abs(moment) < least ? sense * least : moment);
  if (N < LEAST_FORCE) {
    c.note('No second-order effects without compression.', '10.4');
    return { top: f.top, mid: (f.top + f.bottom) / 2, bottom: f.bottom, isSlender: false, limit: Infinity, ...base };
  }
  const ratio = endRatio(f, N, a.h);
  const r_M = c.given(
    symbols.r_M,
    ratio,
    ratio === -1 ? 'single curvature, or at most the minimum moment' : 'smaller over larger end moment',
  );
  const limit = a.isBraced ? shortLimit(c, r_M, N, a.squash, a.materials.concreteStrength) : SHORT_UNBRACED;
  const ends = { top: atLeast(f.top), bottom: atLeast(f.bottom) };
  if (lambda_e <= limit) {
    c.note('The column is short: slenderness is neglected.', '10.3.1');
    return { ...ends, mid: atLeast((f.top + f.bottom) / 2), isSlender: false, limit, ...base };
  }
  const refuse = (refusal: string): DesignMoments => ({ top: NaN, mid: NaN, bottom: NaN, isSlender: true, limit, refusal, ...base });
  if (f.sustained === null) return refuse('State which part of the axial force is permanent (βd).');
  const larger = Math.max(typed, least);
  const N_c = buckles(c, a, { N, slenderness: lambda_e, M: larger, sustained: Math.min(1, f.sustained) });
  const buckling = N / N_c;
  if (buckling >= 1) return refuse('The axial force reaches the buckling load Nc (10.4.4).');
  const delta_b = bracedMagnifier(c, r_M, N, N_c);
  const sway = a.isBraced ? 1 : storeyMagnifier(c, a);
  if (typeof sway === 'string') return refuse(sway);
  const delta_s = a.isBraced ? c.given(symbols.delta_s, 1, 'braced') : sway;
  const along = c.let(F.along, { delta_b, delta_s, M_2: c.given(symbols.M_2, larger, 'at least the minimum moment') });
  const signed = typed > least ? Math.sign(Math.abs(f.top) >= Math.abs(f.bottom) ? f.top : f.bottom) : sense;
  // Of a storey that sways the ends grow as well.
  const top = a.isBraced ? ends.top : c.let(F.top, { delta_s, M_star: ends.top });
  const bottom = a.isBraced ? ends.bottom : c.let(F.foot, { delta_s, M_star: ends.bottom });
  return { top, bottom, mid: signed * along, isSlender: true, limit, ...base, buckling };
}

/** Smaller over larger end moment, negative in single curvature, 10.3.1. Here equal signs bend a column in single curvature. */
function endRatio(f: EndForces, N: number, D: number): number {
  const [small, large] = Math.abs(f.top) >= Math.abs(f.bottom) ? [f.bottom, f.top] : [f.top, f.bottom];
  return large === 0 ? -1 : momentRatio({ M1: -small * Math.sign(large), M2: Math.abs(large), N, D });
}

interface Acting {
  readonly N: number;
  readonly slenderness: number;
  /** First-order moment (N mm), and the permanent part of the axial force. */
  readonly M: number;
  readonly sustained: number;
}

/** The buckling load, 10.4.4, from the strength at balance about this axis. */
function buckles(c: Calc, a: SlenderAxis, { N, slenderness, M, sustained }: Acting): number {
  const { moment, depth } = a.balanced();
  const beta_d = sustainedPart(c, { G: sustained, Q: 1 - sustained, slenderness, N, M, D: a.h });
  return bucklingLoad(c, { Le: a.l0, d_o: depth, Mub: c.given(symbols.M_ub, moment, 'at balance, the weaker sense'), beta_d });
}

function momentSteps(a: SlenderAxis, f: EndForces, accidental: boolean, r: DesignMoments, sense: Sense): MomentStep[] {
  const least = sense * leastMoment(silent, a, f, accidental);
  const steps: MomentStep[] = [
    { title: 'as typed', clause: '', top: f.top, mid: (f.top + f.bottom) / 2, bottom: f.bottom },
    { title: 'minimum moment 0.05 D N*', clause: '10.1.2', top: least, mid: least, bottom: least },
  ];
  if (r.isSlender && !r.refusal) {
    const growth = r.firstOrder > 0 ? Math.abs(r.mid) / r.firstOrder : 1;
    const ends = a.isBraced ? { top: null, bottom: null } : { top: r.top, bottom: r.bottom };
    steps.push({ title: `magnified, δ ${growth.toFixed(2)}`, clause: '10.4', mid: r.mid, ...ends });
  }
  steps.push({ title: 'to be carried', clause: '', top: r.top, mid: r.mid, bottom: r.bottom });
  return steps;
}
