import fc from 'fast-check';
import { silent } from '@/core/calc/calc';
import { creepAt, finalCreep } from '@/core/codes/en1992/creep';
import { spanDepth as enSpanDepth, stiffness as enStiffness } from '@/core/codes/en1992/service';
import { shrinkage, sizeFactor } from '@/core/codes/en1992/shrinkage';
import * as aci from '@/core/codes/aci318/service';
import type { Materials } from '@/core/codes/design-code';
import { usualTimeDependent } from '../fixtures/usual-time';
import type { FlexuralSection } from '@/core/section/flexural-section';
import { cracked, uncracked } from '@/core/section/elastic-section';
import { meanCurvature, meanCurvatureOver, meanStiffness, type SectionStiffness } from '@/core/section/mean-curvature';
import { heldSpan, integrateCurvature } from '@/core/analysis/curvature';
import { designNow } from '@/core/project/design-member';
import type { Project } from '@/core/project/project';
import type { BeamMember } from '@/core/members/beam/input';
import { readProject } from '@/core/project/read';
import { expectCase, referenceCases } from './reference';

const en = referenceCases('en1992');
const us = referenceCases('aci318');
const analysis = referenceCases('analysis');
const materials = (fck: number, more: Partial<Materials> = {}): Materials => ({
  concreteStrength: fck,
  density: 2500e-9,
  aggregateSize: 20,
  steelStrength: 500,
  ductility: 'B',
  linkStrength: 500,
  timeDependent: usualTimeDependent,
  ...more,
});
const rectangle = (b: number, h: number, layers: readonly (readonly [depth: number, area: number])[]): FlexuralSection => ({
  h,
  strips: [{ from: 0, to: h, width: b }],
  layers: layers.map(([depth, area]) => ({ depth, area })),
});

describe('elastic sections', () => {
  it('SRV-01: neutral axis, cracked inertia, cracking moment and bar stress', () => {
    const section = rectangle(305, 575, [[512, 1710]]);
    const n = 200_000 / (4700 * Math.sqrt(29.5));
    const state = cracked(section, n, true)!;
    const gross = (305 * 575 ** 3) / 12;
    const s = aci.stiffness(
      silent,
      { ...question(section, materials(29.5, { density: 2400e-9 })), inertia: gross, toTensionFace: 287.5 },
      'SI',
    );
    expectCase(us.get('SRV-01')!, {
      x_mm: state.x,
      Icr_mm4: state.inertia,
      Ig_mm4: gross,
      Mcr_kNm: (1.5 * s.crackingMoment) / 1e6,
      fs_MPa: (n * 138e6 * (512 - state.x)) / state.inertia,
    });
  });

  it('SRV-02: a T with compression steel, in inches', () => {
    const section: FlexuralSection = {
      h: 24,
      strips: [
        { from: 0, to: 4, width: 44 },
        { from: 4, to: 24, width: 12 },
      ],
      layers: [
        { depth: 2.4, area: 0.88 },
        { depth: 21.3, area: 3.95 },
      ],
    };
    const state = cracked(section, 29e6 / (57_000 * Math.sqrt(4200)), true)!;
    expectCase(us.get('SRV-02')!, { x_in: state.x, Icr_in4: state.inertia }, ['yt_in', 'Mcr_kipft']);
  });

  it('without bars in tension there is no cracked section; uncracked, a plain rectangle is b h3/12', () => {
    expect(cracked(rectangle(300, 500, []), 7, true)).toBeUndefined();
    expect(uncracked(rectangle(300, 500, []), 7, true)).toEqual({ x: 250, inertia: (300 * 500 ** 3) / 12, steelMoment: 0 });
  });

  it('at the neutral axis found the first moments balance, for any strips and layers', () => {
    const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
    fc.assert(
      fc.property(
        number(200, 1500),
        number(60, 250),
        number(200, 600),
        number(100, 6000),
        number(0, 3000),
        number(5, 30),
        (bf, hf, bw, As, A2, n) => {
          const section: FlexuralSection = {
            h: 700,
            strips: [
              { from: 0, to: hf, width: bf },
              { from: hf, to: 700, width: bw },
            ],
            layers: [
              { depth: 50, area: A2 },
              { depth: 640, area: As },
            ],
          };
          const { x, inertia } = cracked(section, n, true)!;
          const flange = Math.min(x, hf);
          const web = Math.max(0, x - hf);
          const bars = (
            [
              [50, A2],
              [640, As],
            ] as const
          ).map(([d, a]) => [d, (n - (d < x ? 1 : 0)) * a] as const);
          const first = bf * flange * (x - flange / 2) + (bw * web ** 2) / 2 + bars.reduce((sum, [d, a]) => sum + a * (x - d), 0);
          expect(Math.abs(first)).toBeLessThan(1e-7 * As * n * 640);
          const second =
            (bf * (x ** 3 - (x - flange) ** 3)) / 3 + (bw * web ** 3) / 3 + bars.reduce((sum, [d, a]) => sum + a * (x - d) ** 2, 0);
          expect(inertia / second).toBeCloseTo(1, 9);
        },
      ),
    );
  });
});

const question = (section: FlexuralSection, m: Materials) => ({
  section,
  materials: m,
  area: section.strips[0]!.width * section.h,
  perimeter: 2 * (section.strips[0]!.width + section.h),
  inertia: (section.strips[0]!.width * section.h ** 3) / 12,
  toTensionFace: section.h / 2,
  age: 'end' as const,
  partitionAge: 60,
});

describe('shrinkage and creep', () => {
  it('cs-05: shrinkage at an age, rapid cement', () => {
    const m = materials(38, { timeDependent: { humidity: 0.71, loadingAge: 28, dryingAge: 5, cement: 'R' } });
    // A notional size of 243 mm: 2 A / u.
    expectCase(en.get('cs-05')!, { eps_cs_micro: shrinkage(silent, m, 243, 2, 400) * 1e6 }, ['beta_ds', 'beta_as']);
  });

  it('shrinkage and creep grow with time to their final values; creep begins with the load', () => {
    const m = materials(30);
    const s = (age: number) => shrinkage(silent, m, 150_000, 1600, age);
    const c = (age: number) => creepAt(silent, m, 150_000, 1600, age);
    expect(c(28)).toBe(0);
    for (const [a, b] of [
      [28, 60],
      [60, 365],
      [365, 20_000],
      [20_000, Infinity],
    ] as const) {
      expect(s(b)).toBeGreaterThan(s(a));
      expect(c(b)).toBeGreaterThan(c(a));
    }
    expect(c(Infinity)).toBe(finalCreep(silent, m, 150_000, 1600));
    expect(c(36_500) / c(Infinity)).toBeGreaterThan(0.97);
  });

  it('the factor for the size is that of table 3.3, straight between its lines', () => {
    expect([50, 100, 150, 200, 300, 400, 500, 900].map(sizeFactor)).toEqual([1, 1, 0.925, 0.85, 0.75, 0.725, 0.7, 0.7]);
  });
});

describe('curvature and deflection', () => {
  it('def-04: curvature of a cracked section with creep and shrinkage', () => {
    const c = en.get('def-04')!;
    const section = rectangle(295, 480, [[429, 1257]]);
    const E = (22_000 * 3.7 ** 0.3) / 2.8;
    const alpha = 200_000 / E;
    const [first, second] = [uncracked(section, alpha, false), cracked(section, alpha, false)!];
    // This case takes the cracking moment of the section with its bars.
    const fctm = 0.3 * 29 ** (2 / 3);
    const s: SectionStiffness = {
      crackingMoment: (fctm * first.inertia) / (480 - first.x),
      beta: 0.5,
      uncracked: E * first.inertia,
      cracked: E * second.inertia,
      shrinkageUncracked: (370e-6 * alpha * first.steelMoment) / first.inertia,
      shrinkageCracked: (370e-6 * alpha * second.steelMoment) / second.inertia,
    };
    const load = meanCurvature({ ...s, shrinkageUncracked: 0, shrinkageCracked: 0 }, 103e6, 0);
    const whole = meanCurvature(s, 103e6, 0);
    expectCase(c, {
      x_II_mm: second.x,
      I_II_mm4: second.inertia,
      I_I_mm4: first.inertia,
      zeta: 1 - 0.5 * (s.crackingMoment / 103e6) ** 2,
      kappa_load_per_m: load * 1e3,
      kappa_cs_per_m: (whole - load) * 1e3,
      kappa_total_per_m: whole * 1e3,
    });
    // def-05: the same section as a simply supported beam of 6.3 m under 18.7 kN/m
    const w = simpleBeam(6300, (x) => meanCurvature(s, (18.7 * x * (6300 - x)) / 2, 0));
    const part = simpleBeam(6300, (x) =>
      meanCurvature({ ...s, shrinkageUncracked: 0, shrinkageCracked: 0 }, (18.7 * x * (6300 - x)) / 2, 0),
    );
    expectCase(en.get('def-05')!, { deflection_mid_mm: w, load_part_mid_mm: part });
  });

  it('CR-07 and CR-08: a slab just cracked and a cantilever, short and long term, cracked for good by the first', () => {
    const slab = rectangle(1000, 220, [
      [184, 754],
      [35, 335],
    ]);
    const stage = (
      section: FlexuralSection,
      flip: boolean,
      h: number,
      phi: number,
      fct: number,
      beta: number,
      eps: number,
    ): SectionStiffness => {
      const s = flip ? { ...section, layers: section.layers.map((l) => ({ ...l, depth: h - l.depth })) } : section;
      const E = 32_000 / (1 + phi);
      const alpha = 200_000 / E;
      const [a, b] = [uncracked(s, alpha, true), cracked(s, alpha, true)!];
      return {
        crackingMoment: (fct * 1000 * h ** 2) / 6,
        beta,
        uncracked: E * a.inertia,
        cracked: E * b.inertia,
        shrinkageUncracked: (eps * alpha * a.steelMoment) / a.inertia,
        shrinkageCracked: (eps * alpha * b.steelMoment) / b.inertia,
      };
    };
    const M = (q: number, x: number) => (q * x * (5600 - x)) / 2;
    const [short, long] = [stage(slab, false, 220, 0, 2.6, 1, 0), stage(slab, false, 220, 2.4, 2.6, 0.5, 0.00045)];
    const wShort = simpleBeam(5600, (x) => meanCurvature(short, M(9, x), 0));
    const wLong = simpleBeam(5600, (x) => meanCurvature(long, M(7.2, x), M(9, x)));
    const dry = simpleBeam(5600, (x) => meanCurvature({ ...long, shrinkageUncracked: 0, shrinkageCracked: 0 }, M(7.2, x), M(9, x)));
    expectCase(analysis.get('CR-07')!, { w_short_mm: wShort, w_long_mm: wLong, w_shrinkage_part_mm: wLong - dry }, [
      'zeta_mid_long',
      'cracked_fraction_long',
    ]);
    const canti = rectangle(1000, 230, [
      [36, 905],
      [195, 393],
    ]);
    const tip = (s: SectionStiffness, q: number, most: number) => {
      const n = 2000;
      const at = (w: number, i: number) => (w * (2200 - ((i + 0.5) * 2200) / n) ** 2) / 2 + 6000 * (2200 - ((i + 0.5) * 2200) / n);
      const kappa = Float64Array.from({ length: n }, (_, i) => -meanCurvature(s, at(q, i), at(most, i)));
      return integrateCurvature(2200 / n, kappa).deflection[n]!;
    };
    const cs = (phi: number, beta: number, eps: number) => stage(canti, true, 230, phi, 2.8, beta, eps);
    expectCase(analysis.get('CR-08')!, { w_tip_short_mm: tip(cs(0, 1, 0), 13, 13), w_tip_long_mm: tip(cs(2.3, 0.5, 0.00042), 11, 13) });
  });

  it('SRV-03 and SRV-09: the effective inertia of table 24.2.3.5, at one moment and along a span', () => {
    const s: SectionStiffness = {
      crackingMoment: (2 / 3) * 58.6e6,
      beta: 1,
      uncracked: 26_400 * 4.83e9,
      cracked: 26_400 * 1.92e9,
      shrinkageUncracked: 0,
      shrinkageCracked: 0,
    };
    expectCase(us.get('SRV-03')!, { Ie_mm4: meanStiffness(s, 121e6) / 26_400 });
    expectCase(us.get('SRV-09')!, { deflection_mid_mm: simpleBeam(6850, (x) => meanCurvature(s, (18.5 * x * (6850 - x)) / 2, 0)) });
  });

  it('SRV-06: long-term over immediate deflection; its time factor by the table', () => {
    const rules = aci.serviceRules('SI', () => 'average');
    const total = rules
      .sums(silent, { partitionAge: 91, hasPartitions: true, compressionRatio: 0.0042, tensionRatio: 0.01 })
      .find((q) => q.id === 'total')!;
    expectCase(us.get('SRV-06')!, { xi: aci.timeFactor(60 * 30.5), lambda_delta: total.terms[1]!.factor });
    expect([0, 91, 182, 365, 1826, 99_999].map(aci.timeFactor)).toEqual([0, 1, 1.2, 1.4, 2, 2]);
  });

  it('def-01 and SRV-10: span over depth', () => {
    const base = { length: 6000, h: 500, d: 450, compressionRatio: 0, flange: 1, hasPartitions: true, materials: materials(31) };
    const { limit } = enSpanDepth(silent, { ...base, system: 'oneEnd', ratio: 0.0038, provided: 804 / 712 });
    expectCase(en.get('def-01')!, { l_over_d_limit: limit }, ['l_over_d_basic_without_K']);
    const least = aci.spanDepth(
      silent,
      { ...base, system: 'oneEnd', ratio: 0, provided: 1, materials: materials(30, { density: 2400e-9 }) },
      'SI',
    );
    expectCase(us.get('SRV-10')!, { h_min_mm: 6850 / least.limit });
  });

  it('integrated curvature against virtual work with fine steps on 300 random beams, within 0.5 %', () => {
    const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
    let count = 0;
    fc.assert(
      fc.property(
        fc.record({
          L: number(3000, 12_000),
          h: number(250, 900),
          rho: number(0.003, 0.02),
          load: number(0.6, 4),
          end: number(0, 0.9),
          phi: number(0, 3),
        }),
        ({ L, h, rho, load, end, phi }) => {
          count += 1;
          const section = rectangle(300, h, [
            [0.1 * h, 0.4 * rho * 300 * h],
            [0.9 * h, rho * 300 * h],
          ]);
          const s = enStiffness(silent, { ...question(section, materials(30)), age: phi > 1.5 ? 'end' : 'immediate' });
          const q = (load * 8 * s.crackingMoment) / L ** 2;
          const m = (x: number) => (q * x * (L - x)) / 2 - end * ((q * L ** 2) / 12) * (x / L);
          const kappa = (x: number) => Math.sign(m(x)) * meanCurvature(s, Math.abs(m(x)), 0);
          const over = (x: number, h: number) =>
            Math.sign(m(x)) * meanCurvatureOver(s, Math.abs(m(x)), Math.abs(m(x - h / 2)), Math.abs(m(x)), Math.abs(m(x + h / 2)));
          const fine = virtualWork(L, kappa);
          expect(Math.abs(simpleBeam(L, over) / fine - 1)).toBeLessThan(0.005);
        },
      ),
      { numRuns: 300 },
    );
    expect(count).toBeGreaterThanOrEqual(300);
  });

  it('elastic, the deflection is 5 q L4 / 384 EI, and q L4 / 8 EI for a cantilever', () => {
    const EI = 3e13;
    expect(simpleBeam(6000, (x) => (10 * x * (6000 - x)) / 2 / EI) / ((5 * 10 * 6000 ** 4) / (384 * EI))).toBeCloseTo(1, 4);
    const kappa = Float64Array.from({ length: 120 }, (_, i) => -(10 * (2000 - ((i + 0.5) * 2000) / 120) ** 2) / 2 / EI);
    expect(integrateCurvature(2000 / 120, kappa).deflection[120]! / ((10 * 2000 ** 4) / (8 * EI))).toBeCloseTo(1, 4);
  });
});

/** Midspan deflection by the steps that beams are worked out with. */
function simpleBeam(L: number, kappa: (x: number, step: number) => number): number {
  const values = Float64Array.from({ length: 120 }, (_, i) => kappa(((i + 0.5) * L) / 120, L / 120));
  return heldSpan(L / 120, values).deflection[60]!;
}

/** Midspan deflection as the sum of curvature times the moment of a unit load there. */
function virtualWork(L: number, kappa: (x: number) => number): number {
  const n = 5_000;
  let w = 0;
  for (let i = 0; i < n; i += 1) {
    const x = ((i + 0.5) * L) / n;
    w += (kappa(x) * Math.min(x, L - x)) / 2;
  }
  return (w * L) / n;
}

describe('whole beams in service', () => {
  const project = (change: object = {}, code: object = { id: 'en1992', variant: 'uk' }): Project => {
    const beam = {
      section: { b: 300, h: 500 },
      spans: [{ length: 6000 }],
      supports: [{ width: 0 }, { width: 0 }],
      selfWeight: false,
      cases: [
        { id: 'G', nature: 'permanent' },
        { id: 'Q', nature: 'imposed', category: 'B' },
      ],
      loads: [
        { type: 'uniform', case: 'G', value: 14 },
        { type: 'uniform', case: 'Q', value: 10 },
      ],
      bars: { bottom: [{ main: { count: 4, size: id(code, '20') }, extra: { bars: { count: 0, size: id(code, '20') } } }] },
      ...change,
    };
    const read = readProject({ format: 'intarsia', version: 1, code, members: [beam] });
    if (!read.ok) throw new Error(JSON.stringify(read.faults));
    return read.project;
  };
  const id = (code: object, size: string) => ('id' in code && code.id === 'aci318' ? 'No.19' : size);
  const result = (p: Project) => designNow(p, p.members[0] as BeamMember);
  const check = (p: Project, name: string) => result(p).checks.find((c) => c.id === name)!;

  it('the deflection of one span is that of its quasi-permanent moment and section, worked out apart', () => {
    const p = project();
    const r = result(p);
    const w = r.service!.sums.find((s) => s.id === 'total')!;
    // Quasi-permanent 14 + 0.3 x 10 = 17, characteristic 24 kN/m; bars at 30 + 8 + 10 from the bottom, 2H12 at the top.
    const top = r.steel!.top[0]!.main;
    const links = r.steel!.links[0]![0]!.size;
    const area = (d: number) => (Math.PI * d ** 2) / 4;
    const section = rectangle(300, 500, [
      [30 + Number(links) + Number(top.size) / 2, top.count * area(Number(top.size))],
      [500 - 30 - Number(links) - 10, 4 * area(20)],
    ]);
    const s = enStiffness(silent, { ...question(section, (p.members[0] as BeamMember).materials), partitionAge: 60 });
    const M = (q: number, x: number) => (q * x * (6000 - x)) / 2;
    const fine = virtualWork(6000, (x) => meanCurvature(s, M(17, x), M(24, x)));
    expect(w.max[60]! / fine).toBeCloseTo(1, 2);
    expect(check(p, 'deflection-total-1').demand!.value).toBeCloseTo(Math.max(...w.max), 9);
    expect(check(p, 'deflection-total-1').capacity!.value).toBeCloseTo(24, 9);
  });

  it('camber comes off the total and not off what follows partitions; a limit of one’s own is kept', () => {
    const plain = project();
    const cambered = project({ spans: [{ length: 6000, camber: 10 }], service: { limits: { total: 300 }, most: 15 } });
    const value = (p: Project, name: string) => check(p, name).demand!.value;
    expect(value(plain, 'deflection-total-1') - value(cambered, 'deflection-total-1')).toBeCloseTo(10, 1);
    expect(value(plain, 'deflection-after-1')).toBeCloseTo(value(cambered, 'deflection-after-1'), 9);
    expect(check(cambered, 'deflection-total-1').capacity!.value).toBe(15);
    expect(check(project({ service: { hasPartitions: false } }), 'deflection-after-1')).toBeUndefined();
  });

  it('more load, more deflection, wider cracks, higher stresses; more steel, less of all', () => {
    const heavier = project({
      loads: [
        { type: 'uniform', case: 'G', value: 18 },
        { type: 'uniform', case: 'Q', value: 10 },
      ],
    });
    const stronger = project({ bars: { bottom: [{ main: { count: 6, size: '20' }, extra: { bars: { count: 0, size: '20' } } }] } });
    for (const name of ['deflection-total-1', 'crack-span-1', 'stress-steel-characteristic']) {
      expect(check(heavier, name).utilisation!).toBeGreaterThan(check(project(), name).utilisation!);
      expect(check(stronger, name).utilisation!).toBeLessThan(check(project(), name).utilisation!);
    }
  });

  it('a cantilever turns with its root: with a stiff back span its tip sinks, with a loaded back span it can rise', () => {
    const p = project({
      spans: [{ length: 8000 }, { length: 2000 }],
      supports: [{ width: 0 }, { width: 0 }, { type: 'free' }],
      loads: [{ type: 'uniform', case: 'G', span: 0, value: 20 }],
      bars: {},
    });
    const total = result(p).service!.sums.find((s) => s.id === 'total')!;
    expect(total.max[241]!).toBeLessThanOrEqual(0.001);
    expect(total.min[241]!).toBeLessThan(-3);
    // Straight beyond the root where no moment acts: the slope of the root times the length, shrinkage apart.
    const slope = (total.min[120]! - total.min[119]!) / (8000 / 120);
    expect(total.min[241]! / (slope * 2000)).toBeGreaterThan(0.7);
  });

  it('ACI: live load alone, long term by lambda, and bar spacing for cracks', () => {
    const p = project({}, { id: 'aci318', variant: 'SI' });
    const names = result(p).checks.map((c) => c.id);
    for (const name of ['deflection-live-1', 'deflection-after-1', 'deflection-total-1', 'crack-span-1']) expect(names).toContain(name);
    expect(check(p, 'crack-span-1').clause).toBe('24.3.2');
    expect(check(p, 'crack-span-1').warnings[0]).toMatch(/Estimated crack width/);
    const sums = result(p).service!.sums;
    const mid = (k: string) => sums.find((s) => s.id === k)!.max[60]!;
    expect(mid('total')).toBeGreaterThan(mid('after'));
    expect(mid('after')).toBeGreaterThan(mid('live'));
    const section = project({}, { id: 'aci318', variant: 'SI', choices: { deflectionInertia: 'section' } });
    // Each section with its own inertia is stiffer than one from the peak moment.
    expect(check(section, 'deflection-total-1').demand!.value).toBeLessThan(check(p, 'deflection-total-1').demand!.value);
  });

  it('every service check derives, and its last figure is finite', () => {
    for (const code of [
      { id: 'en1992', variant: 'uk' },
      { id: 'aci318', variant: 'SI' },
      { id: 'as3600', variant: '2018' },
    ]) {
      const p = project({}, code);
      const r = designNow(p, p.members[0] as BeamMember, 'all');
      const service = r.checks.filter((c) => c.family === 'deflection' || c.family === 'crack');
      expect(service.length).toBeGreaterThan(3);
      for (const c of service) expect([c.id, c.derivation!.length > 0]).toEqual([c.id, true]);
    }
  });
});
