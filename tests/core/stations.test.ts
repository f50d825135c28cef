import type { Arrangement } from '@/core/analysis/envelope';
import { momentAt, shearAt } from '@/core/analysis/line-beam';
import { torqueAt } from '@/core/analysis/torsion';
import { makeCode } from '@/core/codes/registry';
import { analyseBeam, type BeamAnalysis } from '@/core/members/beam/analysis';
import { beamFaults } from '@/core/members/beam/faults';
import type { BeamMember, StationForces, StationSet } from '@/core/members/beam/input';
import { isOneState, piecesOf } from '@/core/members/beam/known-forces';
import { prepareBeam } from '@/core/members/beam/prepared';
import type { BeamResult } from '@/core/members/beam/result';
import { serviceArrangements } from '@/core/members/beam/service/service-moments';
import { designNow } from '@/core/project/design-member';
import { firstMember, projectOf } from '../ui/fixtures';

const names = { code: { id: 'en1992', variant: 'recommended', choices: {} }, aci: { id: 'aci318', variant: 'SI', choices: {} } };
const [code, aci] = [makeCode(names.code), makeCode(names.aci)];
const designed = (member: BeamMember, of = code): BeamResult =>
  designNow({ ...projectOf({}, { code: of === aci ? names.aci : names.code }), members: [member] }, member, []) as BeamResult;

/** Two spans and a cantilever under loads of their own. Values as in a file: mm, kN, kN/m. */
const loadedBeam = (more: Record<string, unknown> = {}): BeamMember =>
  firstMember(
    projectOf({
      section: { b: 300, h: 600 },
      spans: [{ length: 6000 }, { length: 7500 }, { length: 1800 }],
      supports: [{ width: 300 }, { width: 400 }, { width: 300 }, { type: 'free' }],
      loads: [
        { type: 'uniform', case: 'G', value: 18 },
        { type: 'uniform', case: 'Q', value: 14 },
        { type: 'point', case: 'G', span: 1, at: 3000, force: 40 },
        { type: 'trapezoidal', case: 'Q', span: 0, from: 1000, to: 4000, start: 0, end: 9 },
      ],
      ...more,
    }),
  );

/** The forces of some arrangements as an analysis prints them: at both ends of each element, and at parts of it. */
function printed(analysis: BeamAnalysis, arrangements: readonly Arrangement[], use: StationSet['use'], parts = 4) {
  const { mesh } = analysis;
  const sets = arrangements.map((_, k): StationSet => ({ name: `${use} ${k + 1}`, use }));
  const rows = arrangements.flatMap(({ response }, k): StationForces[] =>
    [...mesh.stiffness.keys()].flatMap((e) => {
      const [span, l] = [mesh.spanOf[e]!, mesh.x[e + 1]! - mesh.x[e]!];
      const start = mesh.x[mesh.supportNode[span]!]!;
      return Array.from({ length: parts + 1 }, (_, i): StationForces => {
        const s = (i * l) / parts;
        const [moment, shear] = [momentAt(response.elements, e, s), shearAt(response.elements, e, s)];
        return { set: sets[k]!.name, span, at: mesh.x[e]! + s - start, moment, shear, torsion: torqueAt(response.torsion, e, s) };
      });
    }),
  );
  return { sets, rows: rows.filter((r, i) => i === 0 || !isRepeated(rows[i - 1]!, r)) };
}

/** The same place and the same forces: the end of one element and the beginning of the next. */
const isRepeated = (a: StationForces, b: StationForces) =>
  a.set === b.set && a.span === b.span && Math.abs(a.at - b.at) < 1e-6 && Math.abs(a.shear - b.shear) < 1e-6 && a.torsion === b.torsion;

/** A beam that knows the forces of another one and nothing of its loads. */
function knowing(member: BeamMember, of = code, uses: readonly StationSet['use'][] = ['characteristic', 'quasiPermanent']): BeamMember {
  const beam = prepareBeam(member, of);
  const analysis = analyseBeam(beam, of);
  const all = [
    printed(analysis, analysis.arrangements, 'ultimate'),
    ...uses.map((use) => printed(analysis, serviceArrangements(beam, of, analysis, use as 'characteristic'), use)),
  ];
  return {
    ...member,
    mode: 'stations',
    loads: [],
    cases: [],
    stationSets: all.flatMap((a) => a.sets),
    stations: all.flatMap((a) => a.rows),
  };
}

const byId = (result: BeamResult) => new Map(result.checks.map((c) => [c.id, c.utilisation]));

describe('forces known along the spans against the beam whose own loads bring them', () => {
  const cases: readonly (readonly [string, Record<string, unknown>, typeof code])[] = [
    ['EN, rectangular', {}, code],
    ['EN, an end held, a T', { section: { shape: 'T', b: 300, h: 600, flangeWidth: 900, flangeDepth: 140 } }, code],
    ['ACI', {}, aci],
    [
      'EN, with a torque',
      {
        loads: [
          { type: 'uniform', case: 'G', value: 20 },
          { type: 'torque', case: 'G', value: 4 },
        ],
      },
      code,
    ],
  ];
  test.each(cases)('%s: the same bars, and the same figure of every check of strength, of detailing and of cracks', (_, more, of) => {
    const member = loadedBeam(more);
    const own = designed(member, of);
    const known = designed(knowing(member, of, of === aci ? ['service', 'sustained'] : undefined), of);
    expect(known.faults).toEqual([]);
    expect(known.steel!.bottom).toEqual(own.steel!.bottom);
    expect(known.steel!.support.map((s) => s?.bars)).toEqual(own.steel!.support.map((s) => s?.bars));
    const figures = byId(known);
    const compared = own.checks.filter((c) => c.family !== 'deflection' && c.utilisation !== null);
    expect(compared.length).toBeGreaterThan(10);
    for (const c of compared) expect([c.id, figures.get(c.id)]).toEqual([c.id, expect.closeTo(c.utilisation!, 2)]);
    expect(known.reactions.map((r) => r.max / 1e3)).toEqual(own.reactions.map((r) => expect.closeTo(r.max / 1e3, 3)));
  });

  test('one span held by nothing but two supports deflects as with its own loads', () => {
    const member = loadedBeam({
      spans: [{ length: 6000 }],
      supports: [{ width: 300 }, { width: 300 }],
      loads: [
        { type: 'uniform', case: 'G', value: 18 },
        { type: 'uniform', case: 'Q', value: 14 },
      ],
      service: { hasPartitions: false },
    });
    const [own, known] = [designed(member), designed(knowing(member))];
    const w = (r: BeamResult) => r.checks.find((c) => c.id === 'deflection-total-1')!.demand!.value;
    expect(w(known)).toBeCloseTo(w(own), 2);
  });
});

/** A span of 6 m with 30 kN/m at three stations: M = 30 x 6²/8 = 135 kNm, V = 90 kN. */
const simple = (more: Partial<BeamMember> = {}, rows: readonly (readonly [number, number, number])[] = threeStations): BeamMember => ({
  ...firstMember(
    projectOf({ section: { b: 300, h: 500 }, spans: [{ length: 6000 }], supports: [{ width: 200 }, { width: 200 }], loads: [], cases: [] }),
  ),
  mode: 'stations',
  stationSets: [{ name: 'U', use: 'ultimate' }],
  stations: rows.map(([at, moment, shear]) => ({ set: 'U', span: 0, at, moment: moment * 1e6, shear: shear * 1e3, torsion: 0 })),
  ...more,
});
const threeStations = [
  [0, 0, 90],
  [3000, 135, 0],
  [6000, 0, -90],
] as const;
const envelopeOf = (member: BeamMember) => analyseBeam(prepareBeam(member, code), code).envelope;
const at = ({ stations, maxM }: ReturnType<typeof envelopeOf>, x: number) =>
  maxM[stations.findIndex((s) => Math.abs(s.x - x) < 0.5)]! / 1e6;

describe('between the stations', () => {
  test('worked by hand: at 1.5 m of 6 m, 90 x 1.5 - 30 x 1.5²/2 = 101.25 kNm, not the mean 67.5', () => {
    expect(at(envelopeOf(simple()), 1500)).toBeCloseTo(101.25, 6);
    expect(at(envelopeOf(simple()), 1500)).not.toBeCloseTo(67.5, 1);
  });
  test('a peak between stations is found: 90 at 2 m with V 50, 0 at 6 m: M = 90 + 50 s - 15 s², largest 131.67 at s = 50/30 = 1.667 m', () => {
    // At the right end of the 4 m: 90 + 200 - 15 x 16 = 50; V = 50 - 120 = -70.
    const rows = [
      [0, -70, 110],
      [2000, 90, 50],
      [6000, 50, -70],
    ] as const;
    expect(Math.max(...envelopeOf(simple({}, rows)).maxM) / 1e6).toBeCloseTo(90 + 50 ** 2 / (2 * 30), 3);
  });
  test('the largest forces of several states have straight lines between them, and their shears stand as given', () => {
    const rows = [
      [0, 0, 120],
      [3000, 135, 60],
      [6000, 0, 30],
    ] as const;
    const member = simple({}, rows);
    expect(isOneState(piecesOf(member, 'U', 0))).toBe(false);
    const env = envelopeOf(member);
    expect(at(env, 1500)).toBeCloseTo(67.5, 6);
    expect(env.maxV[0]! / 1e3).toBeCloseTo(120, 6);
    expect(env.maxV.at(-1)! / 1e3).toBeCloseTo(30, 6);
    expect(analyseBeam(prepareBeam(member, code), code).handChecks[0]!.agrees).toBe(false);
  });
  test('a shear of 100 kN all along beside moments whose slope is 50/3 kN is the shear that is checked, at every station and in every check', () => {
    const rows = [
      [0, 0, 100],
      [3000, 50, 100],
      [6000, 0, 100],
    ] as const;
    const result = designed(simple({}, rows));
    expect([...result.strips!.maxV, ...result.strips!.minV].every((v) => Math.abs(v - 100e3) < 1e-6)).toBe(true);
    const shears = result.checks.filter((c) => c.family === 'shear' && c.demand?.kind === 'force');
    expect(shears.length).toBeGreaterThan(2);
    for (const c of shears) expect([c.id, c.demand!.value]).toEqual([c.id, expect.closeTo(100e3, 3)]);
  });
  test('both sides of a point load stand at one place', () => {
    // 80 kN in the middle: V 40 and -40, M = 120.
    const rows = [
      [0, 0, 40],
      [3000, 120, 40],
      [3000, 120, -40],
      [6000, 0, -40],
    ] as const;
    const env = envelopeOf(simple({}, rows));
    expect(at(env, 1500)).toBeCloseTo(60, 6);
    expect(Math.max(...env.maxM) / 1e6).toBeCloseTo(120, 6);
  });
  test('more stations of the same forces change nothing', () => {
    const parabola = (n: number) =>
      Array.from({ length: n + 1 }, (_, i) => {
        const x = (6 * i) / n;
        return [1000 * x, 90 * x - 15 * x ** 2, 90 - 30 * x] as const;
      });
    const figures = [2, 5, 12].map((n) => byId(designed(simple({}, parabola(n)))));
    for (const found of figures.slice(1))
      for (const [id, u] of figures[0]!) if (u !== null) expect([id, found.get(id)]).toEqual([id, expect.closeTo(u, 3)]);
  });
  test('the order of rows and of sets is the same beam, and a mirrored beam has mirrored forces', () => {
    const two = simple();
    const other = two.stations.map((s) => ({ ...s, set: 'V', moment: s.moment * 0.6, shear: s.shear * 1.1 }));
    const both = {
      ...two,
      stationSets: [...two.stationSets, { name: 'V', use: 'ultimate' as const }],
      stations: [...two.stations, ...other],
    };
    const turned = { ...both, stationSets: [...both.stationSets].reverse(), stations: [...both.stations].reverse() };
    expect(byId(designed(turned))).toEqual(byId(designed(both)));
    const mirrored = { ...both, stations: both.stations.map((s) => ({ ...s, at: 6000 - s.at, shear: -s.shear })) };
    const [a, b] = [byId(designed(both)), byId(designed(mirrored))];
    for (const [id, u] of a) if (u !== null && !/-[AB]$|end|anchor/.test(id)) expect([id, b.get(id)]).toEqual([id, expect.closeTo(u, 6)]);
  });
});

describe('what is missing is said', () => {
  const faultsOf = (member: BeamMember) => beamFaults(member, code).map((f) => `${f.path}: ${f.reason}`);
  test('no rows, no set for strength, a row off its span or without its set, and a set that stops short', () => {
    expect(faultsOf(simple({ stations: [] }))[0]).toMatch(/^stations: No forces yet/);
    expect(faultsOf(simple({ stationSets: [{ name: 'U', use: 'characteristic' }] }))[0]).toMatch(/No set is for strength/);
    expect(faultsOf(simple({}, [...threeStations, [7200, 0, 0]]))[0]).toMatch(/^stations\[3\]\.at: Row 4: 7\.2.* lies off span 1/);
    expect(faultsOf(simple({ stationSets: [{ name: 'W', use: 'ultimate' }] }))[0]).toMatch(/there is no set "U"/);
    expect(faultsOf(simple({}, threeStations.slice(0, 2)))[0]).toMatch(/U ends at 3.* of span 1/);
    expect(faultsOf(simple({}, [...threeStations, [3000, 1, 1], [3000, 2, 2]]))[0]).toMatch(/more than two rows at 3/);
  });
  test('without forces in service the ladder says that cracks and deflections are open, and span over depth still stands', () => {
    const { checks } = designed(simple());
    expect(checks.find((c) => c.id === 'service')).toMatchObject({ status: 'notCovered' });
    expect(checks.some((c) => c.id === 'span-depth-1')).toBe(true);
    expect(checks.some((c) => c.family === 'bending' && c.utilisation !== null)).toBe(true);
  });
  test('with characteristic forces alone cracks are checked for them, and deflection is said to be open', () => {
    const member = simple();
    const service = member.stations.map((s) => ({ ...s, set: 'C', moment: s.moment / 1.4, shear: s.shear / 1.4 }));
    const { checks } = designed({
      ...member,
      stationSets: [...member.stationSets, { name: 'C', use: 'characteristic' }],
      stations: [...member.stations, ...service],
    });
    expect(checks.find((c) => c.id === 'service-deflection')!.reason).toMatch(/quasi-permanent/);
    expect(checks.find((c) => c.id === 'service-cracks')!.reason).toMatch(/characteristic/);
    expect(checks.find((c) => c.id === 'crack-span-1')!.utilisation).toBeGreaterThan(0.2);
    expect(checks.some((c) => c.id.startsWith('deflection-'))).toBe(false);
  });
  test('a hogging moment at an end that turns freely has its bars and its check', () => {
    const rows = [
      [0, -60, 100],
      [3000, 105, 10],
      [6000, 0, -80],
    ] as const;
    const { steel, checks } = designed(simple({}, rows));
    expect(steel!.support[0]).not.toBeNull();
    expect(checks.some((c) => c.family === 'bending' && c.place.label === 'support A' && c.utilisation !== null)).toBe(true);
  });
});
