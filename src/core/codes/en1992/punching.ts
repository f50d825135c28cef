import { CalcError, silent, type Calc } from '../../calc/calc';
import { perimeterSums, staticMoment } from '../../geometry/control-perimeter';
import type { ColumnPosition, PunchingQuestion, PunchingRules, PunchingSteel } from '../punching-rules';
import { designStrength } from './materials';
import type { NationalAnnex } from './national';
import { basePunching } from './punching-base';
import { F as S, shearStrength } from './shear';
import { formula, symbols } from './symbols';

export const F = {
  oneAxis: formula('beta_V', '1 + k_e * M_Ed / V_Ed * u_1p / W_1', '(6.39)'),
  circle: formula('beta_V', '1 + 0.6 * pi * M_Ed / V_Ed / (D + 4 * d)', '(6.42)'),
  twoAxes: formula('beta_V', '1 + 1.8 * sqrt((e_x / b_y)^2 + (e_y / b_x)^2)', '(6.43)'),
  edge: formula('beta_V', 'u_1p / u_1s + k_e * u_1p / W_1 * e_par', '(6.44)'),
  corner: formula('beta_V', 'u_1p / u_1s', '(6.46)'),
  stress: formula('v_Ed_1', 'beta_V * V_Ed / (u_1 * d)', '(6.38)'),
  atColumn: formula('v_Ed_0', 'beta_V * V_Ed / (u_0 * d)', '(6.53)'),
  vRdc: formula('v_Rd_c', 'max(C_Rd_c * k * (100 * min(rho_m, 0.02) * f_ck)^(1/3), v_min) + 0.1 * sigma_cp', '(6.47)', { empirical: 'SI' }),
  nu: formula('nu', '0.6 * (1 - f_ck/250)', '(6.6N)', { empirical: 'SI' }),
  vRdmax: formula('v_Rd_max', 'k_v * nu * f_cd', '6.4.5(3)'),
  fywdef: formula('f_ywd_ef', 'min(250 + 0.25 * d, f_ywd)', '6.4.5(1)', { empirical: 'SI' }),
  fywd: formula('f_ywd', 'f_ywk / gamma_S', '6.4.5(1)'),
  vRdcs: formula('v_Rd_cs', 'min(0.75 * v_Rd_c + 1.5 * A_sw_1 / s_r * f_ywd_ef / u_1, k_max * v_Rd_c)', '(6.52)'),
  need: formula('A_sw_1', 'max(0, (v_Ed_1 - 0.75 * v_Rd_c) * u_1 * s_r / (1.5 * f_ywd_ef))', '(6.52)'),
  uout: formula('u_out', 'beta_V * V_Ed / (v_Rd_c * d)', '(6.54)'),
  least: formula('A_leg_min', '0.08 * sqrt(f_ck) / f_ywk * s_r * s_t / 1.5', '(9.11)', { empirical: 'SI' }),
};

/** Usual factors for braced frames with spans within a quarter of each other, 6.4.3(6). */
const usual: Partial<Record<ColumnPosition, number>> = { internal: 1.15, edge: 1.4, corner: 1.5 };

/** Table 6.1, straight between its values. */
export function momentShare(ratio: number): number {
  const [x, y] = [
    [0.5, 1, 2, 3],
    [0.45, 0.6, 0.7, 0.8],
  ] as const;
  if (ratio <= x[0]) return y[0];
  for (let i = 1; i < x.length; i += 1)
    if (ratio <= x[i]!) return y[i - 1]! + ((y[i]! - y[i - 1]!) * (ratio - x[i - 1]!)) / (x[i]! - x[i - 1]!);
  return y[3];
}

const critical = (d: number) => 2 * d;

/** Factor on the shear, 6.4.3. Openings are left out of it: they only shorten u1 and uout. */
export function beta(c: Calc, q: PunchingQuestion): number {
  if (q.momentsBy === 'given') return c.given(symbols.beta_V, q.beta, 'given');
  if (q.momentsBy === 'position') {
    const value = usual[q.position];
    if (value === undefined) throw new CalcError('beta_V', 'the code has no factor for a re-entrant corner: give one');
    return c.given(symbols.beta_V, value, `6.4.3(6), ${q.position} column`);
  }
  if (q.position === 'reentrant') throw new CalcError('beta_V', 'the code has no rule for moments at a re-entrant corner: give a factor');
  if (q.position !== 'internal' && q.shape !== 'rectangle')
    throw new CalcError('beta_V', 'the code has rules for moments at edges for rectangular columns only: give a factor');
  if (q.position === 'internal') return internalBeta(c, q);
  return q.position === 'edge' ? edgeBeta(c, q) : cornerBeta(c, q);
}

function internalBeta(c: Calc, q: PunchingQuestion): number {
  const { d, Mx, My } = q;
  const V_Ed = q.V;
  if (q.shape === 'circle') return c.let(F.circle, { M_Ed: Math.hypot(Mx, My), V_Ed, D: q.cx, d });
  if (Mx !== 0 && My !== 0) {
    const e_x = c.given(symbols.e_x, Math.abs(My) / V_Ed, 'My / V');
    const e_y = c.given(symbols.e_y, Math.abs(Mx) / V_Ed, 'Mx / V');
    return c.let(F.twoAxes, { e_x, e_y, b_x: q.cx + 4 * d, b_y: q.cy + 4 * d });
  }
  const alongX = My !== 0;
  const plain = q.withoutOpenings(critical(d));
  const W_1 = c.given(symbols.W_1, staticMoment(plain.pieces, alongX ? 'x' : 'y', 0), '(6.40), from the perimeter');
  const k_e = c.given(symbols.k_e, momentShare(alongX ? q.cx / q.cy : q.cy / q.cx), 'table 6.1');
  return c.let(F.oneAxis, { k_e, M_Ed: Math.abs(Mx + My), V_Ed, u_1p: plain.length, W_1 });
}

/** Straight parts at an edge that count in the reduced perimeter, figure 6.20. */
const reducedLeg = (size: number, d: number) => Math.min(1.5 * d, 0.5 * size);

function edgeBeta(c: Calc, q: PunchingQuestion): number {
  const { d, V } = q;
  const isAcrossX = q.across === 'x';
  const [c1, c2] = isAcrossX ? [q.cx, q.cy] : [q.cy, q.cx];
  const [outward, along] = isAcrossX ? [q.My, q.Mx] : [q.Mx, q.My];
  const plain = q.withoutOpenings(critical(d));
  // The slab lies away from the edge, wherever the centroid of the perimeter is; a moment of the other sign moves the shear outwards.
  if (outward * q.inwards[isAcrossX ? 'x' : 'y'] < 0) {
    const centre = perimeterSums(plain.pieces).centroid[isAcrossX ? 0 : 1];
    const W_1 = c.given(symbols.W_1, staticMoment(plain.pieces, isAcrossX ? 'x' : 'y', centre), 'about the centroid of the perimeter');
    const k_e = c.given(symbols.k_e, momentShare(c1 / c2), 'table 6.1');
    c.note('The shear lies off the centre towards the edge.', '6.4.3(4)');
    return c.let(F.oneAxis, { k_e, M_Ed: Math.abs(outward), V_Ed: V, u_1p: plain.length, W_1 });
  }
  const u_1s = c.given(symbols.u_1s, c2 + 2 * reducedLeg(c1, d) + 2 * Math.PI * d, 'figure 6.20a');
  const W_1 = c.given(symbols.W_1, staticMoment(plain.pieces, isAcrossX ? 'y' : 'x', 0), '(6.45), from the perimeter');
  const k_e = c.given(symbols.k_e, momentShare(c1 / (2 * c2)), 'table 6.1 with c1 / 2 c2');
  return c.let(F.edge, { u_1p: plain.length, u_1s, k_e, W_1, e_par: c.given(symbols.e_par, Math.abs(along) / V, 'M / V') });
}

function cornerBeta(c: Calc, q: PunchingQuestion): number {
  const { d } = q;
  const plain = q.withoutOpenings(critical(d));
  if (q.My * q.inwards.x < 0 || q.Mx * q.inwards.y < 0)
    throw new CalcError('beta_V', 'the shear lies off the centre towards the corner: the code has no rule for that, give a factor');
  const u_1s = c.given(symbols.u_1s, Math.PI * d + reducedLeg(q.cx, d) + reducedLeg(q.cy, d), 'figure 6.20b');
  return c.let(F.corner, { u_1p: plain.length, u_1s });
}

/** Perimeter of the column that counts, 6.4.5(3). */
export function columnPerimeter(q: PunchingQuestion): number {
  const { d } = q;
  const [c1, c2] = q.across === 'y' ? [q.cy, q.cx] : [q.cx, q.cy];
  if (q.position === 'edge') return Math.min(c2 + 3 * d, c2 + 2 * c1);
  return q.position === 'corner' ? Math.min(3 * d, q.cx + q.cy) : q.columnPerimeter;
}

/** Strength without links (MPa), 6.4.4(1). */
export function plainStrength(c: Calc, q: PunchingQuestion, annex: NationalAnnex): number {
  const f_ck = c.given(symbols.f_ck, shearStrength(q.materials.concreteStrength, annex));
  const k = c.let(S.k, { d: q.d });
  const C_Rd_c = c.let(S.crdc, { gamma_C: annex.gammaC });
  const v_min = c.let(S.vmin, { k, f_ck });
  return c.let(F.vRdc, {
    C_Rd_c,
    k,
    rho_m: c.given(symbols.rho_m, q.ratio, 'root of the product of both'),
    f_ck,
    v_min,
    sigma_cp: q.inPlane,
  });
}

function stressAt(c: Calc, q: PunchingQuestion): { readonly stress: number; readonly beta: number } {
  const factor = beta(c, q);
  const u_1 = c.given(symbols.u_1, q.around(critical(q.d)).length, 'from the plan');
  return { beta: factor, stress: c.let(F.stress, { beta_V: factor, V_Ed: c.given(symbols.V_Ed, q.V), u_1, d: q.d }) };
}

function linkStrength(c: Calc, q: PunchingQuestion, annex: NationalAnnex): number {
  const f_ywd = c.let(F.fywd, { f_ywk: q.materials.linkStrength, gamma_S: annex.gammaS });
  return c.let(F.fywdef, { d: q.d, f_ywd });
}

/** Distance from the column at which a perimeter reaches a length (mm); Infinity where none does. It grows nearly in a straight line with the distance. */
function distanceFor(q: PunchingQuestion, length: number): number {
  const short = (r: number) => q.around(r).length - length;
  let [low, high] = [0, 30 * q.d];
  let [atLow, atHigh] = [short(low), short(high)];
  if (atHigh < 0) return Infinity;
  if (atLow >= 0) return 0;
  for (let i = 0; i < 30 && high - low > 0.01; i += 1) {
    // A step by the straight line, now and then by halves so that neither end stays where it is.
    const r = i % 4 === 3 ? (low + high) / 2 : low + ((high - low) * -atLow) / (atHigh - atLow);
    const at = short(r);
    if (Math.abs(at) < 1e-3) return r;
    if (at < 0) [low, atLow] = [r, at];
    else [high, atHigh] = [r, at];
  }
  return high;
}

/** Where no links help, 6.4.5(1). */
const beyondCap = (cap: number) => `${cap} vRd,c is the cap: more links do not help; a thicker slab, a wider column or denser top bars do`;

/** Most distance of the outermost links from the perimeter that needs none, over d: 6.4.5(4). */
const BEYOND = 1.5;

/** Punching to EN 1992-1-1 6.4 and 9.4.3. */
export function punchingRules(annex: NationalAnnex): PunchingRules {
  const { crush, cap } = annex.punching;
  return {
    choices: [],
    usualMomentsBy: 'position',
    momentsBy: ['position', 'moments', 'given'],
    // 9.4.3(2) asks so much of each leg.
    leastAreaOf: () => 'leg',
    usualLegs: { first: 0.45, spacing: 0.75 },
    corners: 'round',
    critical,
    openingReach: (d) => 6 * d,
    clauses: { perimeter: '6.4.2', openings: '6.4.2(3)' },
    stress: stressAt,
    face: (c, q) => {
      const u_0 = c.given(symbols.u_0, columnPerimeter(q), '6.4.5(3)');
      const factor = beta(c, q);
      const f_ck = c.given(symbols.f_ck, shearStrength(q.materials.concreteStrength, annex));
      const f_cd = designStrength(c, f_ck, annex.alphaCCShear, annex.gammaC);
      const nu = c.let(F.nu, { f_ck });
      return {
        title: 'Punching at the column',
        clause: '6.4.5(3)',
        capacity: c.let(F.vRdmax, { k_v: c.given(symbols.k_v, crush, annex.title), nu, f_cd }),
        demand: c.let(F.atColumn, { beta_V: factor, V_Ed: q.V, u_0, d: q.d }),
        kind: 'shearStress',
        words: 'At the column the slab is too thin for any links',
      };
    },
    plain: (c, q) =>
      q.soil
        ? basePunching(c, silent, q, q.soil, (k) => plainStrength(k, q, annex), momentShare)
        : {
            title: 'Punching without links',
            clause: '6.4.4(1)',
            capacity: plainStrength(c, q, annex),
            demand: stressAt(c, q).stress,
            kind: 'shearStress',
            words: 'Without links the slab does not carry the shear',
          },
    reinforced: (c, q, steel) => {
      const v_Rd_c = plainStrength(c, q, annex);
      const f_ywd_ef = linkStrength(c, q, annex);
      const { stress } = stressAt(c, q);
      const u_1 = q.around(critical(q.d)).length;
      const k_max = c.given(symbols.k_max, cap, annex.title);
      const A_sw_1 = c.given(symbols.A_sw_1, steel.area, 'legs of one perimeter');
      return {
        title: 'Punching with links',
        clause: '6.4.5(1)',
        capacity: c.let(F.vRdcs, { v_Rd_c, A_sw_1, s_r: steel.spacing, f_ywd_ef, u_1, k_max }),
        demand: stress,
        kind: 'shearStress',
        words: stress > k_max * v_Rd_c ? beyondCap(cap) : 'The links are too few',
      };
    },
    outside: (c, q, steel) => {
      const v_Rd_c = plainStrength(c, q, annex);
      return {
        title: 'Outside the links',
        clause: '6.4.5(4)',
        demand: c.let(F.uout, { beta_V: beta(c, q), V_Ed: q.V, v_Rd_c, d: q.d }),
        capacity: (steel.effective?.(BEYOND * q.d, q.d) ?? q.around(steel.last + BEYOND * q.d)).length,
        kind: 'length',
        words: steel.effective
          ? 'Of the perimeter outside lines square to the faces only part counts: radial lines, or wider faces. Needed and there'
          : 'The perimeter that needs no links is too far out: more perimeters of links. Needed and there',
      };
    },
    needed: (c, q, spacing) => {
      const v_Rd_c = plainStrength(c, q, annex);
      const f_ywd_ef = linkStrength(c, q, annex);
      const { stress, beta: factor } = stressAt(c, q);
      const u_1 = q.around(critical(q.d)).length;
      const area = c.let(F.need, { v_Ed_1: stress, v_Rd_c, u_1, s_r: spacing, f_ywd_ef });
      const u_out = c.let(F.uout, { beta_V: factor, V_Ed: q.V, v_Rd_c, d: q.d });
      return { area, last: Math.max(0, distanceFor(q, u_out) - BEYOND * q.d), beyond: stress > cap * v_Rd_c ? beyondCap(cap) : null };
    },
    detailing: (c, q, steel) => detailing(c, q, steel),
  };
}

function detailing(c: Calc, q: PunchingQuestion, steel: PunchingSteel): ReturnType<PunchingRules['detailing']> {
  const { d } = q;
  const { concreteStrength: f_ck, linkStrength: f_ywk } = q.materials;
  return {
    first: { value: 0.5 * d, least: 0.3 * d, clause: '9.4.3(1)' },
    spacing: { value: 0.75 * d, clause: '9.4.3(1)' },
    across: { value: 1.5 * d, clause: '9.4.3(1)' },
    acrossBeyond: { value: 2 * d, clause: '9.4.3(1)' },
    area: { value: c.let(F.least, { f_ck, f_ywk, s_r: steel.spacing, s_t: Math.min(steel.across, 1.5 * d) }), clause: '(9.11)' },
  };
}
