import { silent, type Calc } from '../../calc/calc';
import type { Choice } from '../design-code';
import type { SlabRules, TwoWayDepthQuestion } from '../slab-rules';
import type { SpanDepth } from '../service-rules';
import { classOf } from './capacity-factors';
import { elasticModulus, flexuralTension } from './materials';
import { shearResistance, type ShearMethod } from './shear-rules';
import { effectiveLoad, F as depth } from './span-depth';
import { formula, symbols } from './symbols';

export const F = {
  least: formula('A_st_min', 'k_min * (D / d)^2 * f_ctf / f_sy * b_slab * d', '9.1.1'),
  across: formula('A_s_across', 'r_across * A_g', '9.5.3'),
  spacing: formula('s_slab', 'min(2 * D, 300)', '9.5.1', { empirical: 'SI' }),
};

/** What AS 3600 leaves open for slabs. */
export const slabChoices: readonly Choice[] = [
  {
    key: 'slabSupport',
    title: 'Minimum steel of a slab, by its supports',
    clause: '9.1.1',
    topic: 'bending',
    only: 'strips',
    options: { columns: 'on columns (0.24)', lines: 'on beams or walls (0.19)' },
  },
  {
    key: 'crackDegree',
    title: 'Control of cracks by shrinkage and temperature',
    clause: '9.5.3',
    topic: 'service',
    only: 'strips',
    options: { moderate: 'moderate: 3.5 per mille', minor: 'minor: 1.75 per mille', strong: 'strong: 6 per mille' },
  },
];

const LEAST: Readonly<Record<string, number>> = { columns: 0.24, lines: 0.19 };
const ACROSS: Readonly<Record<string, number>> = { moderate: 0.0035, minor: 0.00175, strong: 0.006 };

/** k4 of slabs on four sides, table 9.4.4.2, at ratios of the sides of 1, 1.25, 1.5 and 2. */
const RATIOS = [1, 1.25, 1.5, 2] as const;
type Row = readonly [number, number, number, number];
/** By the continuous edges among the two long and the two short ones. */
const TABLE: Readonly<Record<string, Row>> = {
  '2 2': [3.6, 3.1, 2.8, 2.5],
  '2 1': [3.4, 2.9, 2.7, 2.4],
  '1 2': [3.4, 2.65, 2.4, 2.1],
  '2 0': [3.2, 2.8, 2.6, 2.4],
  '0 2': [3.2, 2.5, 2.0, 1.6],
  '1 1': [2.95, 2.5, 2.25, 2.0],
  '1 0': [2.7, 2.3, 2.2, 1.95],
  '0 1': [2.7, 2.1, 1.9, 1.6],
  '0 0': [2.25, 1.9, 1.7, 1.5],
};

/** k4 of a slab on four sides between the columns of the table; beyond a ratio of 2 its last column. */
export function fourSides(long: number, short: number, ratio: number): number {
  const row = TABLE[`${long} ${short}`]!;
  const above = RATIOS.findIndex((r) => r >= ratio);
  if (above <= 0) return above === 0 ? row[0] : row[3];
  const [r1, r2] = [RATIOS[above - 1]!, RATIOS[above]!];
  return row[above - 1]! + ((row[above]! - row[above - 1]!) * (ratio - r1)) / (r2 - r1);
}

/** Span over depth of a slab on four sides without a calculation of deflection, 9.4.4.2. */
function twoWayDepth(c: Calc, q: TwoWayDepthQuestion): SpanDepth {
  const actual = q.length / q.d;
  const clause = '9.4.4.2';
  if (!q.loads || q.loads.service <= 0) return { actual, limit: NaN, clause, refusal: 'Span over depth needs the loads in service.' };
  // No compression steel is counted on.
  const k_cs = c.given(symbols.k_cs, 2, 'no compression steel');
  const { F_def, r_def } = effectiveLoad(c, q.loads, k_cs, q.hasPartitions);
  const E_c = elasticModulus(c, q.materials.concreteStrength, q.materials.density);
  const k_4s = c.given(symbols.k_4s, fourSides(q.continuous.long, q.continuous.short, q.long / q.length), 'table 9.4.4.2');
  const k_3s = c.given(symbols.k_3s, 1, 'slab on four sides');
  return { actual, limit: c.let(depth.slab, { k_3s, k_4s, r_def, b_ef: q.loads.width, E_c, F_def }), clause };
}

/** Slabs to AS 3600, section 9. */
export function slabRules(choose: (key: string) => string, method: ShearMethod): SlabRules {
  const spacing = (D: number, c: Calc = silent) => ({ value: c.let(F.spacing, { D }), clause: '9.5.1' });
  return {
    plainShear: (c, s, m) => shearResistance(c, s, null, m, method),
    shearOver: 'bay',
    leastSteel: (c, s, d, m) =>
      c.let(F.least, {
        k_min: c.given(symbols.k_min, LEAST[choose('slabSupport')]!, '9.1.1'),
        D: s.h,
        d,
        f_ctf: flexuralTension(c, m.concreteStrength),
        f_sy: m.steelStrength,
        b_slab: s.b,
      }),
    spacing: (h, _place, c) => spacing(h, c),
    acrossSpacing: (h, _place, c) => spacing(h, c),
    twoWaySpacing: (h, _place, c) => spacing(h, c),
    oneWayCracks: null,
    leastAcross: (c, _main, gross) =>
      c.let(F.across, { r_across: c.given(symbols.r_across, ACROSS[choose('crackDegree')]!, '9.5.3'), A_g: gross }),
    shareToSupport: (isContinuous) => (isContinuous ? 1 / 4 : 1 / 2),
    heldEnd: null,
    crackFreeDepth: null,
    panelSpan: (length) => length,
    usesBeamStiffness: false,
    twoWayDepth,
    plasticDepth: (m) => ({
      value: 0.25,
      clause: '6.7.2',
      ...(classOf(m) === 'L' ? { refusal: 'Bars of class L allow no plastic analysis (6.7.1).' } : {}),
    }),
    yieldLineClause: '6.7.3',
    corners: {
      text: 'bars for three quarters of the largest sagging moment, above and below both ways over a fifth of the shorter side',
      clause: '9.1.3.3',
    },
    clauses: { shear: '8.2.4', crushing: '8.2.3.3', least: '9.1.1', across: '9.5.3', toSupport: '9.1.3.1' },
  };
}
