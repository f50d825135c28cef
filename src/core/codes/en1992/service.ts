import { remember, silent, type Calc } from '../../calc/calc';
import { cracked, uncracked } from '../../section/elastic-section';
import type { SectionStiffness } from '../../section/mean-curvature';
import type { Choice, Materials } from '../design-code';
import type { DeflectionStage, DeflectionSum, ServiceRules, SpanDepth, SpanDepthQuestion, StiffnessQuestion } from '../service-rules';
import { crackTables, leastCrackSteel, skin, type FirstStress } from './crack-control';
import { crackWidth } from './cracking';
import { creepAt, finalCreep } from './creep';
import { meanTensileStrength, secantModulus, STEEL_MODULUS } from './materials';
import { shrinkage } from './shrinkage';
import { formula, symbols } from './symbols';

export const F = {
  modulus: formula('E_c_eff', 'E_cm / (1 + phi_inf * s_qp)', '(7.20)'),
  effective: formula('E_c_eff', 'E_cm / (1 + phi_t)', '(7.20)'),
  alpha: formula('alpha_ef', 'E_s / E_c_eff', '7.4.3(6)'),
  cracking: formula('M_cr', 'f_ctm * W_t', '7.4.3(3)'),
  stiffI: formula('K_I', 'E_c_eff * I_I', '7.4.3'),
  stiffII: formula('K_II', 'E_c_eff * I_II', '7.4.3'),
  shrinkI: formula('kappa_csI', 'epsilon_cs * alpha_ef * S_I / I_I', '(7.21)'),
  shrinkII: formula('kappa_csII', 'epsilon_cs * alpha_ef * S_II / I_II', '(7.21)'),
  zeta: formula('zeta', '1 - beta_t * (M_cr / M_max)^2', '(7.19)'),
  kappa: formula('kappa', 'zeta * (M / K_II + kappa_csII) + (1 - zeta) * (M / K_I + kappa_csI)', '(7.18)'),
  rho0: formula('rho_0', 'sqrt(f_ck) / 1000', '7.4.2(2)', { empirical: 'SI' }),
  basicLow: formula('l_d', '11 + 1.5 * sqrt(f_ck) * rho_0 / rho + 3.2 * sqrt(f_ck) * (rho_0 / rho - 1)^1.5', '(7.16a)', {
    empirical: 'SI',
  }),
  basicHigh: formula('l_d', '11 + 1.5 * sqrt(f_ck) * rho_0 / (rho - rho_c) + sqrt(f_ck) * sqrt(rho_c / rho_0) / 12', '(7.16b)', {
    empirical: 'SI',
  }),
  limit: formula('l_d_lim', 'K_s * min(l_d, 40) * F_b * F_l * F_s', '7.4.2(2)'),
};

/** What EN 1992-1-1 leaves open in service. */
export const serviceChoices: readonly Choice[] = [
  {
    key: 'cracksBy',
    title: 'Cracks are controlled',
    clause: '7.3.3, 7.3.4',
    topic: 'service',
    only: 'beams',
    options: { width: 'by calculated width', tables: 'by size or spacing of bars, tables 7.2N and 7.3N' },
  },
  {
    key: 'crackSteelStress',
    title: 'Stress of bars when a face first cracks',
    clause: '7.3.2(2)',
    topic: 'service',
    only: 'beams',
    options: {
      table: 'by table 7.2N for these bars: the first cracks keep to the width',
      yield: 'fyk: the bars do not yield, their width is not looked at',
    },
  },
  {
    key: 'deflectionBy',
    title: 'Deflection is checked',
    clause: '7.4.1(6)',
    topic: 'service',
    only: 'beams',
    options: {
      curvature: 'by integrated curvature; span over depth as information',
      spanDepth: 'by span over depth alone',
      both: 'by both',
    },
  },
  {
    key: 'crackedBy',
    title: 'Moment that cracks a section for good',
    clause: '7.4.3(4)',
    topic: 'service',
    only: 'beams',
    options: { largest: 'the largest, characteristic', own: 'that of the state itself' },
  },
  {
    key: 'cantileverSpan',
    title: 'Span of a cantilever, for limits of deflection',
    clause: '7.4.1(4)',
    topic: 'service',
    only: 'beams',
    options: { '1': 'its length', '2': 'twice its length' },
  },
];

/** Modulus with creep for the sustained part of the load, (7.20). */
export function serviceModulus(c: Calc, m: Materials, area: number, perimeter: number, sustained: number): number {
  const phi_inf = finalCreep(c, m, area, perimeter);
  return c.let(F.modulus, { E_cm: secantModulus(c, m.concreteStrength), phi_inf, s_qp: c.given(symbols.s_qp, sustained) });
}

const stages = (crackedBy: DeflectionStage['crackedBy']): readonly DeflectionStage[] => [
  { id: 'end', loads: 'quasiPermanent', age: 'end', crackedBy },
  { id: 'partitions', loads: 'permanent', age: 'partitions', crackedBy: 'own' },
];

/** Deflections that 7.4.1(4) and (5) limit: under quasi-permanent loads in all, and the part after partitions and finishes. */
const sums: readonly DeflectionSum[] = [
  { id: 'total', title: 'Deflection', clause: '7.4.1(4)', usual: 250, terms: [{ stage: 'end', factor: 1 }] },
  {
    id: 'after',
    title: 'Deflection after partitions',
    clause: '7.4.1(5)',
    usual: 500,
    terms: [
      { stage: 'end', factor: 1 },
      { stage: 'partitions', factor: -1 },
    ],
  },
];

interface CreepAndShrinkage {
  readonly creep: number;
  readonly epsilon_cs: number;
}

const knownAged = new WeakMap<Materials, Map<string, CreepAndShrinkage>>();

/** Creep coefficient and shrinkage strain at an age; the same for every section of one outline, so worked out once for it. */
function agedConcrete(c: Calc, { materials, area, perimeter, age, partitionAge }: StiffnessQuestion): CreepAndShrinkage {
  if (typeof age === 'object') return { creep: age.creep, epsilon_cs: age.shrinkage };
  if (age === 'immediate') return { creep: 0, epsilon_cs: 0 };
  const days = age === 'end' ? Infinity : partitionAge;
  const make = () => ({ creep: creepAt(c, materials, area, perimeter, days), epsilon_cs: shrinkage(c, materials, area, perimeter, days) });
  if (c.recording) return make();
  const known = remember(knownAged, materials, c, () => new Map<string, CreepAndShrinkage>());
  const key = `${area} ${perimeter} ${days}`;
  const before = known.get(key);
  if (before) return before;
  const made = make();
  known.set(key, made);
  return made;
}

/**
 * Uncracked and cracked stiffness with creep and shrinkage at an age, 7.4.3: bars by the ratio of moduli, the concrete that they displace
 * taken off. The cracking moment is that of the gross section with fctm.
 */
export function stiffness(c: Calc, q: StiffnessQuestion): SectionStiffness {
  const { materials: m, section } = q;
  const E_cm = secantModulus(c, m.concreteStrength);
  const isImmediate = typeof q.age === 'object' ? !q.age.isLasting : q.age === 'immediate';
  const { creep, epsilon_cs } = agedConcrete(c, q);
  const phi_t = c.given(symbols.phi_t, creep, 'annex B');
  const E_c_eff = c.let(F.effective, { E_cm, phi_t });
  const alpha_ef = c.let(F.alpha, { E_s: STEEL_MODULUS, E_c_eff });
  const first = uncracked(section, alpha_ef, true);
  const second = cracked(section, alpha_ef, true);
  const f_ctm = meanTensileStrength(c, m.concreteStrength);
  const W_t = c.given(symbols.W_t, q.inertia / q.toTensionFace);
  const M_cr = c.let(F.cracking, { f_ctm, W_t });
  c.given(symbols.x_I, first.x, 'solved');
  const I_I = c.given(symbols.I_I, first.inertia);
  const S_I = c.given(symbols.S_I, first.steelMoment);
  const K_I = c.let(F.stiffI, { E_c_eff, I_I });
  const kappa_csI = c.let(F.shrinkI, { epsilon_cs, alpha_ef, S_I, I_I });
  if (!second) c.note('No bar is in tension: a cracked section would carry nothing.');
  else c.given(symbols.x_II, second.x, 'solved');
  const I_II = second ? c.given(symbols.I_II, second.inertia) : 0;
  const S_II = second ? c.given(symbols.S_II, second.steelMoment) : 0;
  const beta = c.given(symbols.beta_t, isImmediate ? 1 : 0.5, isImmediate ? 'a single short load' : 'lasting or repeated load');
  return {
    crackingMoment: M_cr,
    beta,
    uncracked: K_I,
    cracked: second ? c.let(F.stiffII, { E_c_eff, I_II }) : 1e-6 * K_I,
    shrinkageUncracked: kappa_csI,
    shrinkageCracked: second ? c.let(F.shrinkII, { epsilon_cs, alpha_ef, S_II, I_II }) : kappa_csI,
  };
}

/** Mean curvature, (7.18). */
export function curvature(c: Calc, s: SectionStiffness, moment: number, largest: number): number {
  const M = c.given(symbols.M, moment);
  const M_max = c.given(symbols.M_max, Math.max(moment, largest));
  if (M_max <= s.crackingMoment) c.note('The section is not cracked.');
  const zeta = M_max <= s.crackingMoment ? c.given(symbols.zeta, 0) : c.let(F.zeta, { beta_t: s.beta, M_cr: s.crackingMoment, M_max });
  return c.let(F.kappa, { zeta, M, K_I: s.uncracked, K_II: s.cracked, kappa_csI: s.shrinkageUncracked, kappa_csII: s.shrinkageCracked });
}

/** K of table 7.4N. */
const systemFactors: Record<SpanDepthQuestion['system'], number> = { simple: 1, oneEnd: 1.3, bothEnds: 1.5, cantilever: 0.4 };

/** Span over depth without a calculation of deflection, 7.4.2. */
export function spanDepth(c: Calc, q: SpanDepthQuestion): SpanDepth {
  const f_ck = c.given(symbols.f_ck, q.materials.concreteStrength);
  const rho_0 = c.let(F.rho0, { f_ck });
  const rho = c.given(symbols.rho, Math.max(q.ratio, 1e-5));
  const rho_c = c.given(symbols.rho_c, q.compressionRatio);
  const l_d = rho <= rho_0 ? c.let(F.basicLow, { f_ck, rho_0, rho }) : c.let(F.basicHigh, { f_ck, rho_0, rho, rho_c });
  const K_s = c.given(symbols.K_s, systemFactors[q.system], 'table 7.4N');
  const F_b = c.given(symbols.F_b, q.flange > 3 ? 0.8 : 1, 'b/bw above 3: 0.8');
  const F_l = q.hasPartitions && q.length > 7000 ? 7000 / c.given(symbols.l_eff, q.length) : 1;
  c.given(symbols.F_l, F_l, 'spans over 7 m with partitions that can be damaged: 7 m over the span');
  // 310/sigma_s with the bars stressed in proportion to what is required (7.17); not above 1.5.
  const fyk = q.materials.steelStrength;
  const F_s = c.given(symbols.F_s, Math.min(1.5, (500 / fyk) * q.provided), '500/fyk As,prov/As,req, at most 1.5');
  return { actual: q.length / q.d, limit: c.let(F.limit, { K_s, l_d, F_b, F_l, F_s }), clause: '7.4.2' };
}

/** The rules of EN 1992-1-1 in service. */
export function serviceRules(choose: (key: string) => string): ServiceRules {
  return {
    modulus: serviceModulus,
    stressLimits: (m, kind) => ({
      concrete:
        kind === 'characteristic'
          ? { value: 0.6 * m.concreteStrength, clause: '7.2(2)' }
          : kind === 'quasiPermanent'
            ? { value: 0.45 * m.concreteStrength, clause: '7.2(3)' }
            : null,
      steel: kind === 'characteristic' ? { value: 0.8 * m.steelStrength, clause: '7.2(5)' } : null,
    }),
    crack: crackWidth,
    leastCrackSteel: (c, q) => leastCrackSteel(c, q, choose('crackSteelStress') as FirstStress),
    ...(choose('cracksBy') === 'tables' ? { crackTables } : {}),
    skin,
    crackLoads: 'quasiPermanent',
    crackClause: '7.3.4',
    fullLoads: 'characteristic',
    stages: stages(choose('crackedBy') as DeflectionStage['crackedBy']),
    // Where nothing can be damaged, what comes after partitions needs no limit.
    sums: (_c, q) => (q.hasPartitions ? sums : sums.filter((s) => s.id !== 'after')),
    stiffness,
    aged: (m, { area, perimeter }, loaded, at) => ({
      creep: creepAt(silent, { ...m, timeDependent: { ...m.timeDependent, loadingAge: loaded } }, area, perimeter, at),
      shrinkage: shrinkage(silent, m, area, perimeter, at),
    }),
    curvature,
    cantileverSpan: Number(choose('cantileverSpan')),
    deflectionBy: choose('deflectionBy') as ServiceRules['deflectionBy'],
    spanDepthTitle: 'Span over depth',
    stiffnessBy: 'section',
    spanDepth,
  };
}
