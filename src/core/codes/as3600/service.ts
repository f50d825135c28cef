import { silent, type Calc } from '../../calc/calc';
import { cracked, uncracked } from '../../section/elastic-section';
import { meanCurvature, type SectionStiffness } from '../../section/mean-curvature';
import type { Choice, Materials } from '../design-code';
import type { DeflectionStage, DeflectionSum, LongTerm, ServiceRules, StiffnessQuestion } from '../service-rules';
import { crackTables, crackWidth, skin } from './cracking';
import { elasticModulus, flexuralTension, STEEL_MODULUS } from './materials';
import { spanDepth } from './span-depth';
import { formula, symbols } from './symbols';
import { creep, environments, places, shrinkage, type Exposure } from './time';

export const F = {
  n: formula('n_e', 'E_s / E_c', '8.5.3.1'),
  effective: formula('E_c_eff', 'E_c / (1 + phi_cc)', '3.1.8, 8.5.3'),
  nEffective: formula('n_e', 'E_s / E_c_eff', '8.5.3'),
  web: formula('p_w', 'A_st / (b_w * d)', '8.5.3.1'),
  webCompressed: formula('p_cw', 'A_sc / (b_w * d)', '8.5.3.1'),
  stress: formula('sigma_cs', 'max(0, (2.5 * p_w - 0.8 * p_cw) / (1 + 50 * p_w) * E_s * eps_cs)', '8.5.3.1'),
  cracking: formula('M_cr', 'max(0, Z_t * (f_ctf - sigma_cs))', '8.5.3.1'),
  gross: formula('K_g', 'E_c * I_g', '8.5.3.1'),
  grossLow: formula('K_g', '0.6 * E_c * I_g', '8.5.3.1'),
  crackedStiff: formula('K_cr', 'E_c * I_cr', '8.5.3.1'),
  aged: formula('K_g', 'E_c_eff * I_un', '8.5.3'),
  agedCracked: formula('K_cr', 'E_c_eff * I_cr', '8.5.3'),
  shrinks: formula('kappa_cs_g', 'eps_cs * n_e * S_un / I_un', '8.5.3'),
  shrinksCracked: formula('kappa_cs_cr', 'eps_cs * n_e * S_cr / I_cr', '8.5.3'),
  ief: formula('K_ef', 'K_cr / (1 - (1 - K_cr / K_g) * (M_cr / M_s)^2)', '8.5.3.1'),
  curvature: formula('kappa', 'M_s / K_ef', '8.5.3'),
  kcs: formula('k_cs', 'max(0.8, 2 - 1.2 * A_sc / A_st)', '8.5.3.2'),
};

/** How long-term deflection is found. */
type LongTermBy = 'factor' | 'creep';

/** What AS 3600 leaves open in service. */
export const serviceChoices: readonly Choice[] = [
  {
    key: 'environment',
    title: 'Environment, for shrinkage and creep',
    clause: '3.1.7.2, 3.1.8.3',
    topic: 'service',
    options: Object.fromEntries(Object.entries(environments).map(([id, [title]]) => [id, title])),
  },
  {
    key: 'shrinkagePlace',
    title: 'Final basic drying shrinkage',
    clause: '3.1.7.2',
    topic: 'service',
    options: Object.fromEntries(Object.entries(places).map(([id, [title]]) => [id, title])),
  },
  {
    key: 'cracksBy',
    title: 'Cracks are controlled',
    clause: '8.6.1, 8.6.2',
    topic: 'service',
    only: 'beams',
    options: { width: 'by calculated width, 8.6.2.3', tables: 'by size or spacing of bars, tables of the edition of 2009' },
  },
  {
    key: 'longTermBy',
    title: 'Long-term deflection',
    clause: '8.5.3.2',
    topic: 'service',
    options: { factor: 'kcs times that of the sustained loads', creep: 'by creep and shrinkage of 3.1.7, 3.1.8' },
  },
  {
    key: 'deflectionBy',
    title: 'Deflection is checked',
    clause: '8.5.1, 9.4.1',
    topic: 'service',
    only: 'beams',
    options: { curvature: 'by calculation; span over depth as information', spanDepth: 'by span over depth alone', both: 'by both' },
  },
  {
    key: 'deflectionInertia',
    title: 'Stiffness along a span',
    clause: '8.5.3.1',
    topic: 'service',
    only: 'beams',
    options: {
      average: 'half that of midspan, half that of the supports',
      midspan: 'of midspan (of the support of a cantilever)',
      section: 'each section with its own',
    },
  },
];

const immediate: readonly DeflectionStage[] = [
  { id: 'dead', loads: 'permanent', age: 'immediate', crackedBy: 'own' },
  { id: 'full', loads: 'service', age: 'immediate', crackedBy: 'own' },
  { id: 'sustained', loads: 'sustained', age: 'immediate', crackedBy: 'largest' },
];
const atTheEnd: DeflectionStage = { id: 'end', loads: 'sustained', age: 'end', crackedBy: 'largest' };

/** Total deflection, and that after partitions are there, 2.3.2: immediate of the short-term loads, with the long-term part of the sustained ones. */
function sums(c: Calc, q: LongTerm, by: LongTermBy): readonly DeflectionSum[] {
  const long =
    by === 'creep'
      ? [
          { stage: 'end', factor: 1 },
          { stage: 'sustained', factor: -1 },
        ]
      : [{ stage: 'sustained', factor: longTermFactor(c, q) }];
  const total: DeflectionSum = {
    id: 'total',
    title: 'Deflection',
    clause: '2.3.2',
    usual: 250,
    terms: [{ stage: 'full', factor: 1 }, ...long],
  };
  const after: DeflectionSum = {
    id: 'after',
    title: 'Deflection after partitions',
    clause: '2.3.2',
    usual: 500,
    terms: [...total.terms, { stage: 'dead', factor: -1 }],
  };
  return q.hasPartitions ? [total, after] : [total];
}

/** kcs, 8.5.3.2, by the bars of both faces at midspan or at the support of a cantilever. */
export const longTermFactor = (c: Calc, q: Pick<LongTerm, 'compressionRatio' | 'tensionRatio'>): number =>
  c.let(F.kcs, { A_sc: q.compressionRatio, A_st: Math.max(q.tensionRatio, 1e-9) });

/** Ratio of tension steel below which no more than 0.6 of the gross inertia counts, 8.5.3.1. */
const LOW_STEEL = 0.005;

/** Bars in tension and in compression of a section bent one way, by the neutral axis of its cracked state. */
function steelOf({ section }: StiffnessQuestion, x: number) {
  const sum = (test: (depth: number) => boolean) => section.layers.filter((l) => test(l.depth)).reduce((a, l) => a + l.area, 0);
  const A_st = sum((depth) => depth > x);
  const d = A_st > 0 ? section.layers.filter((l) => l.depth > x).reduce((a, l) => a + l.area * l.depth, 0) / A_st : section.h;
  return { A_st, A_sc: sum((depth) => depth <= x), d, b_w: Math.min(...section.strips.map((s) => s.width)), b: section.strips[0]!.width };
}

/**
 * Gross and cracked stiffness with the cracking moment less the stress of shrinkage, 8.5.3.1. With few bars 0.6 of the gross inertia is the most that counts:
 * it is put in place of the gross one, which gives no more than the clause. By creep and shrinkage, the sections have the modulus with creep.
 */
function stiffness(c: Calc, q: StiffnessQuestion, exposure: Exposure): SectionStiffness {
  const { materials: m } = q;
  const E_c = elasticModulus(c, m.concreteStrength, m.density);
  const final = shrinkage(c, m.concreteStrength, q.area, q.perimeter, Infinity, exposure);
  const n_e = c.let(F.n, { E_s: STEEL_MODULUS, E_c });
  const second = cracked(q.section, n_e, true);
  const { A_st, A_sc, d, b_w, b } = steelOf(q, second?.x ?? q.section.h / 2);
  const p_w = c.let(F.web, { A_st, b_w, d });
  const sigma_cs = c.let(F.stress, { p_w, p_cw: c.let(F.webCompressed, { A_sc, b_w, d }), E_s: STEEL_MODULUS, eps_cs: final });
  const Z_t = c.given(symbols.Z_t, q.inertia / q.toTensionFace, 'gross section, tension face');
  const M_cr = c.let(F.cracking, { Z_t, f_ctf: flexuralTension(c, m.concreteStrength), sigma_cs });
  if (!second) c.note('No bar is in tension: a cracked section would carry nothing.');
  if (q.age !== 'immediate') return agedStiffness(c, q, { E_c, M_cr, exposure });
  const I_g = c.given(symbols.I_g, q.inertia);
  const K_g = c.let(A_st / (b * d) < LOW_STEEL ? F.grossLow : F.gross, { E_c, I_g });
  const K_cr = second ? c.let(F.crackedStiff, { E_c, I_cr: c.given(symbols.I_cr, second.inertia, 'solved') }) : 1e-6 * K_g;
  return { crackingMoment: M_cr, beta: 1, uncracked: K_g, cracked: Math.min(K_g, K_cr), shrinkageUncracked: 0, shrinkageCracked: 0 };
}

interface Aged {
  readonly E_c: number;
  readonly M_cr: number;
  readonly exposure: Exposure;
}

/** Both stiffnesses with creep, and the curvatures that shrinkage brings, at an age. */
function agedStiffness(c: Calc, q: StiffnessQuestion, { E_c, M_cr, exposure }: Aged): SectionStiffness {
  const { materials: m, age } = q;
  const given = typeof age === 'object' ? age : null;
  const days = age === 'end' ? Infinity : q.partitionAge;
  const creepNow = () => creep(c, m.concreteStrength, q.area, q.perimeter, m.timeDependent.loadingAge, days, exposure);
  const phi_cc = c.given(symbols.phi_cc, given ? given.creep : creepNow());
  const eps_cs = given ? given.shrinkage : shrinkage(c, m.concreteStrength, q.area, q.perimeter, days, exposure);
  const E_c_eff = c.let(F.effective, { E_c, phi_cc });
  const n_e = c.let(F.nEffective, { E_s: STEEL_MODULUS, E_c_eff });
  const first = uncracked(q.section, n_e, true);
  const second = cracked(q.section, n_e, true);
  const whole = {
    I_un: c.given(symbols.I_un, first.inertia, 'with the bars'),
    S_un: c.given(symbols.S_un, first.steelMoment),
    n_e,
    eps_cs,
  };
  const K_g = c.let(F.aged, { E_c_eff, ...whole });
  const kappa = c.let(F.shrinks, whole);
  const base = { crackingMoment: M_cr, beta: given && !given.isLasting ? 1 : 0.5, uncracked: K_g, shrinkageUncracked: kappa };
  if (!second) return { ...base, cracked: 1e-6 * K_g, shrinkageCracked: kappa };
  const open = { I_cr: c.given(symbols.I_cr, second.inertia, 'solved'), S_cr: c.given(symbols.S_cr, second.steelMoment), n_e, eps_cs };
  return { ...base, cracked: Math.min(K_g, c.let(F.agedCracked, { E_c_eff, ...open })), shrinkageCracked: c.let(F.shrinksCracked, open) };
}

/** Curvature (1/mm) with the effective stiffness for the moment, 8.5.3.1; `largest` is the moment that has cracked the section. */
function curvature(c: Calc, s: SectionStiffness, moment: number, largest: number): number {
  const M_s = c.given(symbols.M_s, Math.max(moment, largest));
  if (s.shrinkageUncracked !== 0 || s.shrinkageCracked !== 0 || largest > moment)
    return c.given(symbols.kappa, meanCurvature(s, moment, largest), 'between both states as Ief is, with the shrinkage of each');
  const K_ef =
    M_s <= s.crackingMoment
      ? c.given(symbols.K_ef, s.uncracked, 'the section is not cracked')
      : c.let(F.ief, { K_cr: s.cracked, K_g: s.uncracked, M_cr: s.crackingMoment, M_s });
  return c.let(F.curvature, { M_s, K_ef });
}

/** The rules of AS 3600 in service. */
export function serviceRules(choose: (key: string) => string): ServiceRules {
  const exposure: Exposure = { environment: choose('environment'), place: choose('shrinkagePlace') };
  const by = choose('longTermBy') as LongTermBy;
  const tables = choose('cracksBy') === 'tables';
  return {
    modulus: (c: Calc, m: Materials) => elasticModulus(c, m.concreteStrength, m.density),
    stressLimits: () => ({ concrete: null, steel: null }),
    crack: (c, q) => crackWidth(c, q, exposure),
    ...(tables ? { crackTables } : {}),
    // 8.6.1(b): bars near the tension face of a beam stand no further apart than 300 mm.
    crackSpacing: (c) => ({ value: c.given(symbols.s_c_max, 300, 'bars near the tension face, 8.6.1(b)'), clause: '8.6.1(b)' }),
    skin,
    crackLoads: 'service',
    crackClause: '8.6.2.3',
    fullLoads: 'service',
    stages: by === 'creep' ? [...immediate, atTheEnd] : immediate,
    sums: (c, q) => sums(c, q, by),
    stiffness: (c, q) => stiffness(c, q, exposure),
    ...(by === 'creep'
      ? {
          aged: (m: Materials, { area, perimeter }: { readonly area: number; readonly perimeter: number }, loaded: number, at: number) => ({
            creep: creep(silent, m.concreteStrength, area, perimeter, loaded, at, exposure),
            shrinkage: shrinkage(silent, m.concreteStrength, area, perimeter, at, exposure),
          }),
        }
      : {}),
    curvature,
    cantileverSpan: 1,
    deflectionBy: choose('deflectionBy') as ServiceRules['deflectionBy'],
    spanDepthTitle: 'Span over depth',
    stiffnessBy: choose('deflectionInertia') as ServiceRules['stiffnessBy'],
    spanDepth,
  };
}
