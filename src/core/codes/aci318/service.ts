import type { Calc } from '../../calc/calc';
import { cracked } from '../../section/elastic-section';
import type { SectionStiffness } from '../../section/mean-curvature';
import type { Choice, Materials } from '../design-code';
import type {
  CrackQuestion,
  CrackWidth,
  DeflectionStage,
  DeflectionSum,
  LongTerm,
  ServiceRules,
  SpanDepth,
  SpanDepthQuestion,
  StiffnessQuestion,
} from '../service-rules';
import { elasticModulus, INCH, lightweightFactor, ruptureModulus, steelModulus } from './materials';
import { formula, symbols, twoForms, type Form } from './symbols';

export const F = {
  n: formula('n', 'E_s / E_c', '24.2.3'),
  cracking: formula('M_cr', 'f_r * I_g / y_t', '(24.2.3.5)'),
  bound: formula('M_23', '2 / 3 * M_cr', 'table 24.2.3.5'),
  stiffG: formula('K_g', 'E_c * I_g', '24.2.3'),
  stiffCr: formula('K_cr', 'E_c * I_cr', '24.2.3.5'),
  effective: formula('K_e', 'K_cr / (1 - (M_23 / M_a)^2 * (1 - K_cr / K_g))', 'table 24.2.3.5'),
  curvature: formula('kappa', 'M_a / K_e', '24.2.3.4'),
  lambda: formula('lambda_D', 'xi / (1 + 50 * rho_prime)', '(24.2.4.1.1)'),
  spacing: twoForms(
    's_c_max',
    'max(0, min(380 * (280 / f_s) - 2.5 * c_c, 300 * (280 / f_s)))',
    'max(0, min(15 * (40000 / f_s) - 2.5 * c_c, 12 * (40000 / f_s)))',
    'table 24.3.2',
  ),
  strain: formula('beta_s', '(h - c_k) / (d - c_k)', 'estimate'),
  width: formula('w_est', '2 * f_s / E_s * beta_s * sqrt(d_c^2 + (s_b / 2)^2)', 'estimate'),
  fs: formula('f_s', '2 / 3 * f_y', '24.3.2.1'),
};

/** What ACI 318-19 leaves to the engineer in service. */
export const serviceChoices: readonly Choice[] = [
  {
    key: 'deflectionBy',
    title: 'Deflection is checked',
    clause: '9.3.1, 9.3.2',
    topic: 'service',
    only: 'beams',
    options: { curvature: 'by calculation; least depth as information', spanDepth: 'by the least depth alone', both: 'by both' },
  },
  {
    key: 'deflectionInertia',
    title: 'Effective moment of inertia of a span',
    clause: '24.2.3.6, 24.2.3.7',
    topic: 'service',
    only: 'beams',
    options: {
      average: 'mean of midspan and continuous ends',
      midspan: 'that of midspan (support of a cantilever)',
      section: 'each section with its own',
    },
  },
  {
    key: 'barStressInService',
    title: 'Bar stress for crack control',
    clause: '24.3.2.1',
    topic: 'service',
    only: 'beams',
    options: { calculated: 'calculated', twoThirds: '2/3 fy' },
  },
  {
    key: 'cantileverSpan',
    title: 'Span of a cantilever, for limits of deflection',
    clause: '24.2.2',
    topic: 'service',
    only: 'beams',
    options: { '1': 'its length', '2': 'twice its length' },
  },
];

/** xi of table 24.2.4.1.3 after a number of days, straight between the lines of the table; none before the first. */
export function timeFactor(days: number): number {
  const table = [
    [0, 0],
    [91, 1],
    [182, 1.2],
    [365, 1.4],
    [1826, 2],
  ] as const;
  for (let i = 1; i < table.length; i += 1) {
    const [[a, xa], [b, xb]] = [table[i - 1]!, table[i]!];
    if (days <= b) return xa + ((xb - xa) * Math.max(0, days - a)) / (b - a);
  }
  return 2;
}

const stages: readonly DeflectionStage[] = [
  { id: 'dead', loads: 'permanent', age: 'immediate', crackedBy: 'own' },
  { id: 'full', loads: 'service', age: 'immediate', crackedBy: 'own' },
  { id: 'sustained', loads: 'sustained', age: 'immediate', crackedBy: 'own' },
];

/** The deflections of table 24.2.2, and that of all loads in the long term; long-term parts by lambda_Delta (24.2.4.1). */
function sums(c: Calc, q: LongTerm): readonly DeflectionSum[] {
  const rho_prime = c.given(symbols.rho_prime, q.compressionRatio, 'compression steel over b d');
  const last = c.let(F.lambda, { xi: c.given(symbols.xi, timeFactor(Infinity), 'table 24.2.4.1.3, five years and more'), rho_prime });
  const first = c.let(F.lambda, { xi: c.given(symbols.xi, timeFactor(q.partitionAge), 'when partitions are there'), rho_prime });
  return [
    {
      id: 'live',
      title: 'Deflection by live load',
      clause: '24.2.2',
      usual: 360,
      terms: [
        { stage: 'full', factor: 1 },
        { stage: 'dead', factor: -1 },
      ],
    },
    {
      id: 'after',
      title: 'Deflection after partitions',
      clause: '24.2.2',
      usual: q.hasPartitions ? 480 : 240,
      terms: [
        { stage: 'full', factor: 1 },
        { stage: 'dead', factor: -1 },
        { stage: 'sustained', factor: last - first },
      ],
    },
    {
      id: 'total',
      title: 'Deflection',
      clause: '24.2 (practice)',
      usual: 240,
      terms: [
        { stage: 'full', factor: 1 },
        { stage: 'sustained', factor: last },
      ],
    },
  ];
}

/** Gross and cracked stiffness, table 24.2.3.5: the cracked share 1 - (2/3 Mcr / Ma)2 gives Ie. Long-term effects come by a factor. */
export function stiffness(c: Calc, q: StiffnessQuestion, form: Form): SectionStiffness {
  const { materials: m } = q;
  const E_c = elasticModulus(c, m.concreteStrength, m.density, form);
  const f_r = ruptureModulus(c, m.concreteStrength, lightweightFactor(c, m.density, form), form);
  const I_g = c.given(symbols.I_g, q.inertia);
  const y_t = c.given(symbols.y_t, q.toTensionFace);
  const M_cr = c.let(F.cracking, { f_r, I_g, y_t });
  const n = c.let(F.n, { E_s: steelModulus(form), E_c });
  const second = cracked(q.section, n, true);
  if (second) c.given(symbols.kd, second.x, 'solved');
  const K_g = c.let(F.stiffG, { E_c, I_g });
  return {
    crackingMoment: c.let(F.bound, { M_cr }),
    beta: 1,
    uncracked: K_g,
    cracked: second ? Math.min(K_g, c.let(F.stiffCr, { E_c, I_cr: c.given(symbols.I_cr, second.inertia) })) : 1e-6 * K_g,
    shrinkageUncracked: 0,
    shrinkageCracked: 0,
  };
}

/** Curvature with the effective moment of inertia for the moment (table 24.2.3.5). */
export function curvature(c: Calc, s: SectionStiffness, moment: number): number {
  const M_a = c.given(symbols.M_a, moment);
  const K_e =
    M_a <= s.crackingMoment
      ? c.given(symbols.K_e, s.uncracked, 'the section is not cracked')
      : c.let(F.effective, { K_cr: s.cracked, M_23: s.crackingMoment, M_a, K_g: s.uncracked });
  return c.let(F.curvature, { M_a, K_e });
}

/** Divisors of table 9.3.1.1 for beams, and of table 7.3.1.1 for one-way slabs. */
const depthDivisors: Record<SpanDepthQuestion['system'], number> = { simple: 16, oneEnd: 18.5, bothEnds: 21, cantilever: 8 };
const slabDivisors: Record<SpanDepthQuestion['system'], number> = { simple: 20, oneEnd: 24, bothEnds: 28, cantilever: 10 };

/** Span over depth above which deflections must be calculated, tables 9.3.1.1 and 7.3.1.1, for the steel and the density (9.3.1.1.1, 9.3.1.1.2). */
export function spanDepth(c: Calc, q: SpanDepthQuestion, form: Form): SpanDepth {
  const { steelStrength: fy, density } = q.materials;
  const grade = form === 'SI' ? 0.4 + fy / 700 : 0.4 + fy / 6.894757 / 100;
  const w = form === 'SI' ? density * 1e9 : (density * 1e9) / 16.01846;
  const isLight = form === 'SI' ? w >= 1440 && w <= 1840 : w >= 90 && w <= 115;
  const light = !isLight ? 1 : Math.max(1.09, form === 'SI' ? 1.65 - 0.0003 * w : 1.65 - 0.005 * w);
  const [divisor, clause] = q.isSlab ? [slabDivisors[q.system], '7.3.1'] : [depthDivisors[q.system], '9.3.1'];
  c.note(`h at least l / ${divisor} x ${(grade * light).toFixed(3)} for the grade of steel and the density.`, `table ${clause}.1`);
  return { actual: q.length / q.h, limit: divisor / (grade * light), clause };
}

/** An estimate of the crack width at the tension face (mm): the strain of the bars spread to the face over the distance to the nearest bar. */
export function crackEstimate(c: Calc, q: CrackQuestion, form: Form): CrackWidth {
  c.note('ACI 318 limits the spacing of bars instead of crack widths; this width is an estimate for information.');
  const f_s = c.given(symbols.f_s, q.steelStress, 'cracked section');
  const beta_s = c.let(F.strain, { h: q.h, c_k: q.x, d: q.d });
  const d_c = c.given(symbols.d_c, q.cover + q.diameter / 2);
  const s_b = c.given(symbols.s_b, Number.isFinite(q.spacing) ? q.spacing : 2 * d_c);
  return { width: c.let(F.width, { f_s, E_s: steelModulus(form), beta_s, d_c, s_b }), clause: 'estimate' };
}

/** The rules of ACI 318-19 in service. */
export function serviceRules(form: Form, choose: (key: string) => string): ServiceRules {
  return {
    modulus: (c: Calc, m: Materials) => elasticModulus(c, m.concreteStrength, m.density, form),
    stressLimits: () => ({ concrete: null, steel: null }),
    crackEstimate: (c, q) => crackEstimate(c, q, form),
    crackSpacing: (c, stress, cover, m) => {
      const f_s =
        choose('barStressInService') === 'twoThirds'
          ? c.let(F.fs, { f_y: m.steelStrength })
          : c.given(symbols.f_s, stress, 'cracked section');
      return { value: c.let(F.spacing[form], { f_s, c_c: c.given(symbols.c_c, cover) }), clause: '24.3.2' };
    },
    // 9.7.2.3: deeper than 36 in; only the spacing is ruled, by 24.3.2 with the cover of these bars.
    skin: (c, q) => {
      if (q.h <= (form === 'SI' ? 900 : 36 * INCH)) return null;
      const f_s = c.let(F.fs, { f_y: q.materials.steelStrength });
      return { area: 0, spacing: c.let(F.spacing[form], { f_s, c_c: c.given(symbols.c_c, q.cover) }), clause: '9.7.2.3' };
    },
    crackLoads: 'service',
    crackClause: '24.3',
    fullLoads: 'service',
    stages,
    sums,
    stiffness: (c, q) => stiffness(c, q, form),
    curvature,
    cantileverSpan: Number(choose('cantileverSpan')),
    deflectionBy: choose('deflectionBy') as ServiceRules['deflectionBy'],
    spanDepthTitle: 'Span over least depth',
    stiffnessBy: choose('deflectionInertia') as ServiceRules['stiffnessBy'],
    spanDepth: (c, q) => spanDepth(c, q, form),
  };
}
