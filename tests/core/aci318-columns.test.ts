import { nonswayFactor, swayFactor } from '@/core/codes/alignment-chart';
import { silent } from '@/core/calc/calc';
import { F as columnF, clearSpacing, leastSteel, spiralRatio, tieRules } from '@/core/codes/aci318/columns';
import { F, effectiveLength, endRestraint, slendernessRule, type SlendernessOptions } from '@/core/codes/aci318/slenderness';
import type { EndForces, SlenderAxis } from '@/core/codes/column-rules';
import type { Materials } from '@/core/codes/design-code';
import { usualTimeDependent } from '../fixtures/usual-time';
import { expectCase, referenceCases } from './reference';

const cases = referenceCases('aci318');
const of = (id: string) => cases.get(id)!;
const [KIP, KIPFT, IN, PSI] = [4448.2216152605, 4448.2216152605 * 304.8, 25.4, 0.006894757293168361];

describe('slender columns to ACI 318 against the reference cases', () => {
  it('SLN-02: k of a frame that sways', () => {
    expectCase(of('SLN-02'), { k_sway: swayFactor(3.1, 1.15) });
  });

  it('SLN-04: stiffness (a) and (b), critical loads', () => {
    const common = { E_c: 26_800, I_g: 2.84e9, beta_dns: 0.58, E_s: 200_000, I_se: 9.4e7 };
    const [a, b] = [F.EIa.evaluate(common), F.EIb.evaluate(common)];
    const Pc = (EI_eff: number) => F.Pc.evaluate({ EI_eff, k: 0.93, l_u: 5150 }) / 1e3;
    expectCase(of('SLN-04'), { EI_a_Nmm2: a, EI_b_Nmm2: b, Pc_a_kN: Pc(a), Pc_b_kN: Pc(b) });
  });

  it('SLN-05: stiffness (c), in US units', () => {
    const I = F.I.evaluate({
      I_g: 13_120 * IN ** 4,
      A_st: 6.32 * IN ** 2,
      A_g: 357 * IN ** 2,
      M_2: 88 * KIPFT,
      P_u: 395 * KIP,
      h: 21 * IN,
      P_o: 1780 * KIP,
    });
    const EI_eff = F.EIc.evaluate({ E_c: 3.9e6 * PSI, I_eff: I, beta_dns: 0.42 });
    expectCase(of('SLN-05'), { I_c_in4: I / IN ** 4, Pc_kip: F.Pc.evaluate({ EI_eff, k: 1, l_u: 196 * IN }) / KIP });
  });

  it('SLN-07: the least moment governs', () => {
    const least = F.M2min.US.evaluate({ P_u: 410 * KIP, h: 15 * IN });
    const Cm = F.Cm.evaluate({ ratio_M: 9 / 14 });
    const delta = F.delta.evaluate({ C_m: Cm, P_u: 410, P_c: 1730 });
    expectCase(of('SLN-07'), {
      M2_min_kipft: least / KIPFT,
      Cm,
      delta,
      Mc_kipft: F.Mc.evaluate({ delta_ns: delta, M_2: Math.max(least, 14 * KIPFT) }) / KIPFT,
    });
  });

  it('SLN-08, 09: magnification for sway', () => {
    const Q = (18_600 * 9.4) / (415 * 3650);
    expectCase(of('SLN-08'), {
      Q,
      nonsway: Q <= 0.05,
      delta_s_Q: F.swayQ.evaluate({ Q }),
      delta_s_sum: F.swaySum.evaluate({ Sigma_P_u: 18_600, Sigma_P_c: 121_000 }),
    });
    const at = (M_1ns: number, M_1s: number) => F.sway.evaluate({ M_1ns, delta_s: 1.31, M_1s });
    const M2 = at(19, 74);
    expectCase(of('SLN-09'), { M1: at(12, 61), M2, ratio_to_first_order: M2 / 93, limit_1_4_ok: M2 / 93 <= 1.4 });
  });

  it('DET-12: clear spacing of column bars', () => {
    expectCase(of('DET-12'), { clear_min_in: clearSpacing(1.41 * IN, IN, 'US').value / IN });
  });
});

const materials: Materials = {
  concreteStrength: 32,
  density: 2400e-9,
  aggregateSize: 20,
  steelStrength: 420,
  ductility: 'B',
  linkStrength: 420,
  timeDependent: usualTimeDependent,
};
const axis: SlenderAxis = {
  materials,
  isBraced: true,
  clear: 6000,
  l0: 6000,
  h: 400,
  area: 160_000,
  inertia: 400 ** 4 / 12,
  steelArea: 3200,
  steelInertia: 3200 * 140 ** 2,
  perimeter: 1600,
  shape: 'rectangle',
  squash: 5.6e6,
  balanced: () => ({ moment: 4e8, depth: 440 }),
  storey: { Q: null, sumP: null, sumPc: null },
};
const options: SlendernessOptions = { form: 'SI', stiffness: 'a', cmWhenLeast: 'ratio', cmWithout: 'one' };
const forces = (top: number, bottom: number, more: Partial<EndForces> = {}): EndForces => ({
  N: 1.2e6,
  top,
  bottom,
  swayTop: 0,
  swayBottom: 0,
  sustained: 0.5,
  ...more,
});

describe('magnification by hand', () => {
  it('single curvature 80 and 60 kNm', () => {
    const r = slendernessRule(axis, options).moments(silent, forces(80e6, 60e6), true, 1);
    // kl/r = 6000/120 = 50; limit 34 - 12 60/80 = 25
    expect(r.slenderness).toBeCloseTo(50, 9);
    expect(r.limit).toBeCloseTo(25, 9);
    // Ec = 4700 sqrt(32) = 26587; EI = 0.4 26587 2.1333e9/1.5 = 1.5125e13; Pc = pi2 EI/6000^2 = 4146.6 kN
    const EI = (0.4 * 4700 * Math.sqrt(32) * (400 ** 4 / 12)) / 1.5;
    const Pc = (Math.PI ** 2 * EI) / 6000 ** 2;
    // Cm = 0.6 + 0.4 0.75 = 0.9; delta = 0.9/(1 - 1200/(0.75 4146.6)) = 1.4656; M2min = 1200 (15 + 12) = 32.4 kNm
    const delta = 0.9 / (1 - 1.2e6 / (0.75 * Pc));
    expect(delta).toBeCloseTo(1.4656, 3);
    expect(r.mid / 1e6).toBeCloseTo(80 * delta, 6);
    expect(r.top / 1e6).toBeCloseTo(80, 9);
    expect(r.bottom / 1e6).toBeCloseTo(60, 9);
    expect(r.buckling).toBeCloseTo(1.2e6 / (0.75 * Pc), 9);
  });

  it('without end moments Cm is a choice: 1.0, or 0.6', () => {
    const one = slendernessRule(axis, options).moments(silent, forces(0, 0), true, 1);
    const less = slendernessRule(axis, { ...options, cmWithout: 'ratio' }).moments(silent, forces(0, 0), true, 1);
    // M2min = 1200 (15 + 12) = 32.4 kNm; delta = 1 / (1 - 1200 / (0.75 4146.6)) = 1.6284, and 0.6 of it is less than 1
    expect(one.mid / 1e6).toBeCloseTo(32.4 * 1.6284, 1);
    expect(less.mid / 1e6).toBeCloseTo(32.4, 6);
  });

  it('double curvature is not magnified, and signs follow the moments', () => {
    const rule = slendernessRule(axis, options);
    const r = rule.moments(silent, forces(-80e6, 60e6), true, 1);
    // limit min(40, 34 + 9) = 40 < 50: slender; Cm = 0.3: delta 1
    expect(r.limit).toBe(40);
    expect(r.mid).toBeCloseTo(-80e6, 3);
    expect(rule.moments(silent, forces(80e6, -60e6), true, 1).mid).toBeCloseTo(80e6, 3);
  });

  it('sway columns need the storey, and take it; a buckling column is refused', () => {
    const free = { ...axis, isBraced: false, l0: 1.5 * 6000 };
    const swaying = forces(80e6, -60e6, { swayTop: 50e6, swayBottom: -40e6 });
    expect(slendernessRule(free, options).moments(silent, swaying, true, 1).refusal).toMatch(/storey/);
    const r = slendernessRule({ ...free, storey: { Q: 0.2, sumP: null, sumPc: null } }, options).moments(silent, swaying, true, 1);
    // delta_s = 1/0.8 = 1.25: 30 + 62.5, -20 - 50
    expect(r.top / 1e6).toBeCloseTo(92.5, 9);
    expect(r.bottom / 1e6).toBeCloseTo(-70, 9);
    // The growth of 6.2.5.3 is counted from the moments before sway is magnified.
    expect(r.firstOrder / 1e6).toBeCloseTo(80, 9);
    const long = slendernessRule({ ...axis, clear: 12_000, l0: 12_000 }, options).moments(silent, forces(80e6, 60e6), true, 1);
    expect(long.refusal).toMatch(/buckles/);
  });

  it('k: fixed 0.5 and 1, hinged 1, and the equations hold', () => {
    expect(nonswayFactor(0, 0)).toBe(0.5);
    expect(swayFactor(0, 0)).toBe(1);
    expect(nonswayFactor(Infinity, Infinity)).toBeCloseTo(1, 3);
    expect(nonswayFactor(Infinity, 0)).toBeCloseTo(0.6992, 3);
    const k = nonswayFactor(1.2, 2.4);
    const x = Math.PI / k;
    expect(((1.2 * 2.4) / 4) * x * x + 1.8 * (1 - x / Math.tan(x)) + (2 / x) * Math.tan(x / 2)).toBeCloseTo(1, 8);
    expect(swayFactor(2, 2)).toBeGreaterThan(swayFactor(1, 2));
    const framed = { kind: 'framed', beams: [{ b: 300, h: 500, length: 6000, far: 'continuous' }], column: null } as const;
    // 0.7 2.1333e9/3000 / (0.35 3.125e9/6000) = 2.7307
    expect(endRestraint(framed, 400 ** 4 / 12, 3000)).toBeCloseTo(2.7307, 3);
    expect(
      effectiveLength(silent, { top: { kind: 'pinned' }, bottom: { kind: 'pinned' }, isBraced: true, clear: 3000, inertia: 1e9 }) / 3000,
    ).toBeCloseTo(1, 3);
  });

  it('steel and ties', () => {
    expect(leastSteel(silent, 160_000).value).toBe(1600);
    expect(columnF.most.evaluate({ A_g: 160_000 })).toBe(12_800);
    const q = { largestBar: 25.4, smallestBar: 25.4, tie: 9.5, leastDimension: 400, largestDimension: 400, aggregate: 20, isSpiral: false };
    // min(16 25.4, 48 9.5, 400) = 400
    expect(tieRules(silent, q, 'SI').spacing.value).toBe(400);
    expect(tieRules(silent, { ...q, isSpiral: true }, 'SI').spacing.value).toBeCloseTo(84.5, 9);
    // D 560, cover 40: core 480, Ach 180 956; 0.45 (246 301/180 956 - 1) 35/420 = 0.01354; 4 71/(480 60) = 0.00986
    const spiral = spiralRatio(silent, {
      materials: { ...materials, concreteStrength: 35 },
      gross: 246_301,
      core: 480,
      barArea: 71,
      pitch: 60,
    });
    expect(spiral.needed).toBeCloseTo(0.01354, 5);
    expect(spiral.there).toBeCloseTo(0.00986, 5);
  });
});
