import fc from 'fast-check';
import { silent } from '@/core/calc/calc';
import { crackTables, crackWidth, skin } from '@/core/codes/as3600/cracking';
import { longTermFactor } from '@/core/codes/as3600/service';
import { fourSides } from '@/core/codes/as3600/slabs';
import { effectiveLoad, inertiaFactor, spanDepth } from '@/core/codes/as3600/span-depth';
import { basicCreepOf, creep, shrinkage } from '@/core/codes/as3600/time';
import type { StiffnessQuestion } from '@/core/codes/service-rules';
import { makeCode } from '@/core/codes/registry';
import { referenceCases } from './reference';

const cases = referenceCases('as3600');
const expected = (id: string, key: string) => cases.get(id)!.expected[key] as number;
const codeWith = (choices: Record<string, string> = {}) => makeCode({ id: 'as3600', variant: '2018', choices });
const code = codeWith();
const materials = (concreteStrength: number) => ({ ...code.defaults, concreteStrength });
const interior = { environment: 'interior', place: 'sydney' };

describe('AS 3600: creep and shrinkage', () => {
  test('MAT-05: (0.07 x 40 - 0.5) x 50e-6 = 115e-6 and 1.347 x 0.65 x 0.7 x 800e-6 = 490e-6', () => {
    // th = 2A / u = 150 mm for a slab of 150 that dries on both faces.
    expect(shrinkage(silent, 40, 150 * 1000, 2000, 10_000, interior) / expected('MAT-05', 'eps_cs')).toBeCloseTo(1, 3);
  });
  test('MAT-06: 1.125 x 1.258 x 0.6 x 3.4 = 2.887', () => {
    const found = creep(silent, 32, 250 * 1000, 2000, 14, 10_014, { environment: 'temperate', place: 'elsewhere' });
    expect(found / expected('MAT-06', 'phi_cc')).toBeCloseTo(1, 3);
  });
  test('the table of basic creep between its strengths; nothing before the load is there', () => {
    expect(basicCreepOf(36)).toBeCloseTo(3.1, 9);
    expect(basicCreepOf(20)).toBe(5.2);
    expect(basicCreepOf(100)).toBe(1.5);
    expect(creep(silent, 32, 250e3, 2000, 28, 28, interior)).toBe(0);
  });
  test('both grow with time and with dryness, fall with thickness and with strength', () => {
    fc.assert(
      fc.property(fc.integer({ min: 20, max: 95 }), fc.integer({ min: 80, max: 600 }), fc.integer({ min: 60, max: 5000 }), (f, h, t) => {
        const cs = (fcPrime: number, depth: number, days: number, environment = 'interior') =>
          shrinkage(silent, fcPrime, depth * 1000, 2000, days, { environment, place: 'elsewhere' });
        const cc = (fcPrime: number, depth: number, days: number, environment = 'interior') =>
          creep(silent, fcPrime, depth * 1000, 2000, 28, days, { environment, place: 'elsewhere' });
        expect(cs(f, h, t + 30)).toBeGreaterThan(cs(f, h, t));
        expect(cc(f, h, t + 30)).toBeGreaterThan(cc(f, h, t));
        expect(cs(f, h, t, 'arid')).toBeGreaterThan(cs(f, h, t, 'coastal'));
        expect(cc(f, h, t, 'arid')).toBeGreaterThan(cc(f, h, t, 'coastal'));
        expect(cs(f, h + 50, t)).toBeLessThan(cs(f, h, t));
        expect(cc(f, h + 50, t)).toBeLessThan(cc(f, h, t));
        expect(cc(f + 5, h, t)).toBeLessThan(cc(f, h, t) + 1e-12);
      }),
      { numRuns: 100 },
    );
  });
});

describe('AS 3600: deflection', () => {
  /** A rectangle of 300 x 600 with bars at 540. */
  const question = (area: number, fcPrime = 40, age: StiffnessQuestion['age'] = 'immediate'): StiffnessQuestion => ({
    section: { h: 600, strips: [{ from: 0, to: 600, width: 300 }], layers: [{ depth: 540, area }] },
    materials: materials(fcPrime),
    area: 180e3,
    perimeter: 1800,
    inertia: (300 * 600 ** 3) / 12,
    toTensionFace: 300,
    age,
    partitionAge: 60,
  });

  test('SVC-03: Ief = Icr / (1 - (1 - Icr / I)(Mcr / Ms)²) is what the curvature rests on', () => {
    const [I, Icr, Mcr, Ms] = [5040393333.333333, 1892890944.5235991, 27.80230977577059e6, 140e6];
    const s = { crackingMoment: Mcr, beta: 1, uncracked: 32_800 * I, cracked: 32_800 * Icr, shrinkageUncracked: 0, shrinkageCracked: 0 };
    expect(Ms / code.service.curvature(silent, s, Ms, 0) / 32_800 / expected('SVC-03', 'Ief_mm4')).toBeCloseTo(1, 5);
    // With the moment that has cracked it the larger one, the same law.
    expect(code.service.curvature(silent, s, 0.5 * Ms, Ms)).toBeCloseTo(0.5 * code.service.curvature(silent, s, Ms, 0), 12);
  });

  test('by hand: 1800 mm² in 300 x 540: pw 0.0111, shrinkage 2.5 x 0.0111 / 1.556 x 2e5 x eps less 3.795 MPa on 18e6 mm³', () => {
    const eps = shrinkage(silent, 40, 180e3, 1800, Infinity, { environment: 'interior', place: 'elsewhere' });
    const sigma = ((2.5 * (1800 / 162_000)) / (1 + 50 * (1800 / 162_000))) * 200_000 * eps;
    const s = code.service.stiffness(silent, question(1800));
    expect(s.crackingMoment).toBeCloseTo(18e6 * (0.6 * Math.sqrt(40) - sigma), 0);
    // n = 200 000 / 32 800 = 6.098: 150 x² = 6.098 x 1800 (540 - x), x = 165.5 mm, Icr = 100 x³ + n As (540 - x)² = 1.993e9.
    expect(s.cracked / 32_800 / 1.993e9).toBeCloseTo(1, 2);
    expect(s.uncracked).toBeCloseTo((32_800 * 300 * 600 ** 3) / 12, 0);
  });

  test('with less than 0.5 % of steel 0.6 of the gross inertia is the most', () => {
    expect(code.service.stiffness(silent, question(600)).uncracked).toBeCloseTo((0.6 * 32_800 * 300 * 600 ** 3) / 12, 0);
  });

  test('more steel lowers the moment that cracks it, as its shrinkage is held more; never below nothing', () => {
    fc.assert(
      fc.property(fc.integer({ min: 300, max: 6000 }), fc.constantFrom(20, 32, 50, 80), (area, f) => {
        const m = (a: number) => code.service.stiffness(silent, question(a, f)).crackingMoment;
        expect(m(area + 200)).toBeLessThanOrEqual(m(area) + 1e-6);
        expect(m(area)).toBeGreaterThanOrEqual(0);
      }),
    );
  });

  test('SVC-05: kcs = 2 - 1.2 / 3 = 1.6, at least 0.8', () => {
    expect(longTermFactor(silent, { compressionRatio: 620 / 162e3, tensionRatio: 1860 / 162e3 })).toBeCloseTo(expected('SVC-05', 'kcs'), 9);
    expect(longTermFactor(silent, { compressionRatio: 0.02, tensionRatio: 0.01 })).toBe(0.8);
    expect(longTermFactor(silent, { compressionRatio: 0, tensionRatio: 0 })).toBe(2);
  });

  test('sums: total = service + kcs sustained; after partitions less what the permanent loads made at once', () => {
    const sums = code.service.sums(silent, { partitionAge: 60, hasPartitions: true, compressionRatio: 0, tensionRatio: 0.01 });
    expect(sums.map((s) => [s.id, s.usual])).toEqual([
      ['total', 250],
      ['after', 500],
    ]);
    expect(sums[0]!.terms).toEqual([
      { stage: 'full', factor: 1 },
      { stage: 'sustained', factor: 2 },
    ]);
    expect(sums[1]!.terms.at(-1)).toEqual({ stage: 'dead', factor: -1 });
    expect(code.service.sums(silent, { partitionAge: 60, hasPartitions: false, compressionRatio: 0, tensionRatio: 0 })).toHaveLength(1);
  });

  test('by creep and shrinkage: the aged section is softer and bends by itself', () => {
    const refined = codeWith({ longTermBy: 'creep' });
    const now = refined.service.stiffness(silent, question(1800));
    const end = refined.service.stiffness(silent, question(1800, 40, 'end'));
    expect(end.uncracked).toBeLessThan(now.uncracked);
    expect(end.cracked).toBeLessThan(now.cracked);
    expect(end.shrinkageCracked).toBeGreaterThan(0);
    expect(refined.service.stages.map((s) => s.id)).toContain('end');
    // At the end the whole sag is more than kcs 2 makes of it for few compressed bars? It lies in the same range: two to four times the immediate one.
    const [M, Mmax] = [120e6, 160e6];
    const ratio = refined.service.curvature(silent, end, M, Mmax) / refined.service.curvature(silent, now, M, Mmax);
    expect(ratio).toBeGreaterThan(1.3);
    expect(ratio).toBeLessThan(4);
  });

  test('SVC-04: p 0.00463 is above 0.001 x 3.175 / 2.520: (5 - 1.28) p + 0.002 = 0.01922', () => {
    expect(inertiaFactor(silent, 32, 3000 / (1200 * 540), 4)).toBeCloseTo(expected('SVC-04', 'k1'), 8);
  });
  test('SVC-06: the span over depth of a beam that may sink by a 250th: [0.04123 x 310 x 32 800 / (250 x 5/384 x 38)]^(1/3) = 15.02', () => {
    const q = {
      materials: materials(40),
      system: 'simple' as const,
      length: 7200,
      h: 580,
      d: 520,
      ratio: 1860 / (310 * 520),
      compressionRatio: 0,
      provided: 1,
      flange: 1,
      hasPartitions: false,
      loads: { service: 38, sustained: 0, permanent: 20, width: 310 },
    };
    expect(spanDepth(silent, q).limit / expected('SVC-06', 'Lef_d_max')).toBeCloseTo(1, 5);
    expect(spanDepth(silent, { ...q, loads: undefined }).refusal).toMatch(/uniform loads/);
    expect(spanDepth(silent, { ...q, system: 'cantilever' }).refusal).toMatch(/cantilever/);
  });
  test('SVC-07: a slab of an end span that may sink by a 500th under 14.2 kPa: 1.75 (0.002 x 30 100 / 0.0142)^(1/3) = 28.3', () => {
    const q = {
      materials: materials(32),
      system: 'oneEnd' as const,
      length: 5000,
      h: 200,
      d: 170,
      ratio: 0.004,
      compressionRatio: 0,
      provided: 1,
      flange: 1,
      isSlab: true,
      hasPartitions: true,
      // kcs 2: w_s + 2 w_l - w_g = 14.2 N/mm on a metre, and the limit after partitions governs.
      loads: { service: 7.2, sustained: 6, permanent: 5, width: 1000 },
    };
    expect(effectiveLoad(silent, q.loads, 2, true)).toEqual({ F_def: 14.2, r_def: 1 / 500 });
    expect(spanDepth(silent, q).limit / expected('SVC-07', 'Lef_d_max')).toBeCloseTo(1, 5);
  });
  test('SVC-08: two adjacent edges that end, sides 1.4 to 1: between 2.50 and 2.25', () => {
    expect(fourSides(1, 1, 1.4)).toBeCloseTo(expected('SVC-08', 'k4'), 9);
    expect(fourSides(2, 2, 1)).toBe(3.6);
    expect(fourSides(0, 0, 3)).toBe(1.5);
    for (const long of [0, 1, 2])
      for (const short of [0, 1, 2]) expect(fourSides(long, short, 1.7)).toBeLessThanOrEqual(fourSides(long, short, 1.3));
  });
});

describe('AS 3600: cracks', () => {
  const question = (steelStress: number) => ({
    materials: materials(40),
    steelStress,
    diameter: 28,
    cover: 40,
    spacing: 100,
    h: 580,
    d: 520,
    x: 161.8768962579352,
    tensionDepth: 290,
    strip: (depth: number) => ({ concrete: 310 * depth, steel: depth > 60 ? 1860 : 0 }),
    strains: [1, 0] as const,
    isSustained: false,
  });

  test('SVC-11: 3.4 x 40 + 0.3 x 0.8 x 0.5 x 28 / 0.0430 = 214.0; the strain beside shrinkage (240 - 0.6 x 2.277 / 0.0430 x 1.262) / 2e5', () => {
    const eps = shrinkage(silent, 40, 310 * 580, 2 * (580 + 310), Infinity, interior);
    const { width } = crackWidth(silent, question(240), interior);
    // The case has 0.0003 of shrinkage and 2.28 MPa.
    const wanted = expected('SVC-11', 'w_mm') + (eps - 0.0003) * expected('SVC-11', 'sr_max_mm');
    expect(width / wanted).toBeCloseTo(1, 3);
  });
  test('the width grows with the stress; with the bars far apart by the depth in tension', () => {
    fc.assert(
      fc.property(fc.integer({ min: 20, max: 400 }), (stress) => {
        expect(crackWidth(silent, question(stress + 10), interior).width).toBeGreaterThan(
          crackWidth(silent, question(stress), interior).width,
        );
      }),
    );
    const far = crackWidth(silent, { ...question(240), spacing: 400 }, interior).width;
    expect(far).toBeGreaterThan(crackWidth(silent, question(240), interior).width);
  });
  test('tables of the edition of 2009: 240 MPa for bars of 20, or at 200; between their lines; nothing above 360 MPa', () => {
    expect(crackTables(silent, question(240))).toMatchObject({ bar: 20, spacing: 200 });
    expect(crackTables(silent, question(260))).toMatchObject({ bar: 18, spacing: 175 });
    expect(crackTables(silent, question(361))).toMatchObject({ bar: 0, spacing: 0 });
    expect(crackTables(silent, question(50))).toMatchObject({ bar: 40, spacing: 300 });
  });
  test('bars along the sides from 750 mm on', () => {
    const q = { materials: materials(40), tensionArea: 1e5, steelStress: 200, width: 0.3, cover: 40 };
    expect(skin(silent, { ...q, h: 750 })).toBeNull();
    expect(skin(silent, { ...q, h: 760 })!.spacing).toBe(200);
  });
});

describe('AS 3600: slabs', () => {
  const metre = {
    h: 220,
    strips: [{ from: 0, to: 220, width: 1000 }],
    layers: [],
    b: 1000,
    bw: 1000,
    hf: 0,
    tensionWidth: 1000,
    grossArea: 220e3,
  };
  test('FLX-10: 0.24 (220 / 184)² x 3.394 / 500 x 1000 x 184 = 428.5 mm²; on walls 0.19 of it', () => {
    const m = materials(32);
    expect(code.slab.leastSteel(silent, metre, 184, m)).toBeCloseTo(expected('FLX-10', 'Ast_min_mm2'), 2);
    expect(codeWith({ slabSupport: 'lines' }).slab.leastSteel(silent, metre, 184, m)).toBeCloseTo(
      (0.19 / 0.24) * expected('FLX-10', 'Ast_min_mm2'),
      2,
    );
  });
  test('SVC-12, SVC-13: 6 per mille of 220 000 mm² for strong control; bars at most 2 Ds or 300 mm apart', () => {
    expect(codeWith({ crackDegree: 'strong' }).slab.leastAcross(silent, 0, 220e3)).toBeCloseTo(expected('SVC-12', 'As_mm2'), 9);
    expect(code.slab.spacing(130, 'peak').value).toBe(expected('SVC-13', 'spacing_limit_mm'));
    expect(code.slab.twoWaySpacing(200, 'elsewhere').value).toBe(300);
  });
  test('bars of class L allow no plastic analysis', () => {
    expect(code.slab.plasticDepth(materials(32))!.refusal).toBeUndefined();
    expect(code.slab.plasticDepth({ ...materials(32), ductility: 'L' })!.refusal).toMatch(/class L/);
  });
});
