import { prepareBeam } from '@/core/members/beam/prepared';
import { spanMasks, maskLabel } from '@/core/analysis/arrangements';
import { handCheck, simpleMidspanMoment, totalLoad } from '@/core/analysis/hand-check';
import { solveBanded } from '@/core/analysis/banded';
import { makeMesh, analyse, deflectionAt, MechanismError, type LineBeam } from '@/core/analysis/line-beam';
import { makeCode } from '@/core/codes/registry';
import { catalogues, findBar } from '@/core/materials/bars';
import { finishChecks, governing, guarded, makeCheck, statusOf, worstFirst } from '@/core/checks/check';
import { CalcError } from '@/core/calc/calc';
import { chooseLinks, legsAcross } from '@/core/members/beam/choose-links';
import { shearBetween, shiftedMoments } from '@/core/members/beam/demand';
import { holdsMoment } from '@/core/members/beam/holds-moment';
import { supportName } from '@/core/members/beam/input';
import { SteelMap, type BeamSteel } from '@/core/members/beam/steel';
import { designNow } from '@/core/project/design-member';
import type { Project } from '@/core/project/project';
import type { BeamMember } from '@/core/members/beam/input';
import { readProject } from '@/core/project/read';
import { roundDown, roundNear, roundUp } from '@/core/reinforcement/usual-sizes';
import { barLabel, sizeOf } from '@/core/members/parts/bar-labels';

function project(member: Record<string, unknown> = {}, code: Record<string, unknown> = { id: 'en1992', variant: 'uk' }): Project {
  const read = readProject({ format: 'intarsia', version: 1, code, members: [member] });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.project;
}
const code = makeCode({ id: 'en1992', variant: 'uk', choices: {} });

describe('arrangements', () => {
  test('alternate and adjacent, by name', () => {
    expect(spanMasks(3, 'alternateAndAdjacent').map(maskLabel)).toEqual(['spans 1, 3', 'span 2', 'spans 1, 2', 'spans 2, 3']);
    expect(spanMasks(3, 'allAndAlternate').map(maskLabel)).toEqual(['all spans', 'spans 1, 3', 'span 2']);
    expect(spanMasks(1, 'alternateAndAdjacent').map(maskLabel)).toEqual(['loaded', 'unloaded']);
    expect(spanMasks(2, 'allSpans').map(maskLabel)).toEqual(['all spans']);
  });
});

describe('checks by hand beside the analysis', () => {
  test('simple-beam moments: w L2/8, P a b / L at midspan, partial and triangular loads', () => {
    const L = 6000;
    expect(simpleMidspanMoment([{ kind: 'distributed', span: 0, from: 0, to: L, start: 20, end: 20 }], L)).toBeCloseTo((20 * L * L) / 8, 3);
    expect(simpleMidspanMoment([{ kind: 'point', span: 0, at: 2000, force: 30_000 }], L)).toBeCloseTo(30_000 * 1000, 3);
    // Triangle 0 to q: R = qL/6, M(L/2) = qL/6 L/2 - q/2 (L/2) / 2 (L/2) / 3 = qL2/16
    expect(simpleMidspanMoment([{ kind: 'distributed', span: 0, from: 0, to: L, start: 0, end: 20 }], L)).toBeCloseTo((20 * L * L) / 16, 3);
    // 20 kN/m on the left half: reaction at the right 20 * 3 * 1.5 / 6 = 15 kN; M = 15 * 3 = 45 kNm
    expect(simpleMidspanMoment([{ kind: 'distributed', span: 0, from: 0, to: 3000, start: 20, end: 20 }], L)).toBeCloseTo(45e6, 0);
  });
  test('totals, and a difference is seen', () => {
    expect(totalLoad({ kind: 'distributed', span: 0, from: 0, to: 4000, start: 5, end: 15 })).toBe(40_000);
    expect(totalLoad({ kind: 'moment', span: 0, at: 0, moment: 1 })).toBe(0);
    expect(handCheck('', 'force', 100_000, 100_000.001).agrees).toBe(true);
    expect(handCheck('', 'force', 100_000, 100_500).agrees).toBe(false);
  });
});

describe('the banded solver', () => {
  test('solves and refuses what is singular', () => {
    // [4 1; 1 3] x = [1; 2]: x = [1/11, 7/11]
    const f = Float64Array.from([1, 2]);
    expect(solveBanded(Float64Array.from([4, 0, 3, 1]), 2, 1, [f])).toBe(true);
    expect(f[0]).toBeCloseTo(1 / 11, 12);
    expect(f[1]).toBeCloseTo(7 / 11, 12);
    expect(solveBanded(Float64Array.from([1, 0, 1, 1]), 2, 1, [Float64Array.from([1, 1])])).toBe(false);
  });
});

describe('line beams', () => {
  const beam = (supports: LineBeam['supports'], length = 4000): LineBeam => ({ spans: [{ length, stiffness: 2e13 }], supports });
  const load = { loads: [{ kind: 'point', span: 0, at: 4000, force: 10_000 } as const] };
  test('a cantilever: P L3 / 3 EI at its end', () => {
    const b = beam([
      { vertical: 'held', rotation: 'held' },
      { vertical: 'free', rotation: 'free' },
    ]);
    const mesh = makeMesh(b, [load]);
    const [r] = analyse(b, mesh, [load]);
    expect(deflectionAt(r!.elements, mesh, 0, 4000)).toBeCloseTo((10_000 * 4000 ** 3) / (3 * 2e13), 6);
    expect(r!.supportMoments[0]).toBeCloseTo(-4e7, 0);
  });
  test('a spring under one end sinks by R / k', () => {
    const b = beam([
      { vertical: 'held', rotation: 'free' },
      { vertical: 500, rotation: 'free' },
    ]);
    const mid = { loads: [{ kind: 'point', span: 0, at: 2000, force: 10_000 } as const] };
    const mesh = makeMesh(b, [mid]);
    const [r] = analyse(b, mesh, [mid]);
    expect(deflectionAt(r!.elements, mesh, 1, 2000)).toBeCloseTo(5000 / 500, 6);
    expect(r!.reactions[1]).toBeCloseTo(5000, 6);
  });
  test('what could fall or turn is a mechanism', () => {
    for (const supports of [
      [
        { vertical: 'free', rotation: 'free' },
        { vertical: 'free', rotation: 'free' },
      ],
      [
        { vertical: 'held', rotation: 'free' },
        { vertical: 'free', rotation: 'free' },
      ],
    ] as LineBeam['supports'][])
      expect(() => analyse(beam(supports), makeMesh(beam(supports), [load]), [load])).toThrow(MechanismError);
  });
});

describe('shift of the moment line', () => {
  const stations = Array.from({ length: 11 }, (_, i) => ({ element: 0, s: i * 100, x: i * 100, span: 0 }));
  const triangle = Float64Array.from(stations, (s) => Math.max(0, 500 - Math.abs(s.x - 500)));
  test('moves a triangle outwards by the shift and leaves its peak', () => {
    const { sagging, hogging } = shiftedMoments(stations, { maxM: triangle, minM: triangle.map((v) => -v / 2) }, () => 200);
    expect([...sagging]).toEqual([200, 300, 400, 500, 500, 500, 500, 500, 400, 300, 200]);
    expect([...hogging]).toEqual([...sagging].map((v) => v / 2));
  });
  test('no shift, the moment itself', () => {
    expect([...shiftedMoments(stations, { maxM: triangle, minM: triangle }, () => 0).sagging]).toEqual([...triangle]);
  });
  test('shear between two places, by straight lines at the ends', () => {
    const curves = { x: [0, 100, 200], span: [0, 0, 0], maxV: Float64Array.from([50, 30, 10]), minV: Float64Array.from([40, 20, -5]) };
    expect(shearBetween(curves, 0, 25, 150)).toEqual([
      { x: 25, force: 45, station: 0 },
      { x: 100, force: 30, station: 1 },
      { x: 150, force: 20, station: 2 },
    ]);
  });
});

describe('choice of links', () => {
  const beam = prepareBeam(project({ section: { b: 300, h: 500 }, spans: [{ length: 6000 }] }).members[0] as BeamMember, code);
  const section = { bw: 300, d: 450, h: 500, tensionArea: 1200, grossArea: 150_000 };
  const places = (end: number) => Array.from({ length: 41 }, (_, i) => ({ at: 600 + i * 120, force: Math.abs(1 - i / 20) * end, section }));
  test('light shear: one zone at the widest that is allowed', () => {
    const zones = chooseLinks(beam, code, 0, places(30e3), null);
    expect(zones).toHaveLength(1);
    expect(zones[0]).toMatchObject({ to: 6000, size: '8', legs: 2, spacing: 300 });
  });
  test('heavy shear: close at the ends, wide in the middle, symmetric, in steps of 25 and 50 mm', () => {
    const zones = chooseLinks(beam, code, 0, places(260e3), null);
    expect(zones).toHaveLength(3);
    expect(zones[0]!.spacing).toBe(zones[2]!.spacing);
    expect(zones[0]!.spacing).toBeLessThan(zones[1]!.spacing);
    expect(Math.abs(zones[0]!.to - (6000 - zones[1]!.to))).toBeLessThanOrEqual(50);
    for (const z of zones) expect(z.spacing % 25).toBe(0);
  });
  test('compression bars of 12 mm keep links within 15 diameters', () => {
    expect(chooseLinks(beam, code, 0, places(30e3), { bar: 12 })[0]!.spacing).toBe(175);
  });
  test('very heavy shear takes thicker links before they stand too close', () => {
    const zones = chooseLinks(beam, code, 0, places(520e3), null);
    expect(Math.min(...zones.map((z) => z.spacing))).toBeGreaterThanOrEqual(75);
    expect(zones[0]!.size).not.toBe('8');
  });
  test.each([
    [232, 340, 2],
    [500, 340, 3],
    [1000, 340, 4],
    [340, 340, 2],
  ])('legs across %d mm, at most %d apart: %d', (width, most, legs) => expect(legsAcross(width, most)).toBe(legs));
});

describe('steel along a beam', () => {
  const beam = prepareBeam(
    project({ section: { b: 300, h: 500 }, spans: [{ length: 6000 }, { length: 6000 }] }).members[0] as BeamMember,
    code,
  );
  const zones = [
    { to: 2000, size: '8', legs: 2, spacing: 100 },
    { to: 6000, size: '10', legs: 2, spacing: 200 },
  ];
  const steel: BeamSteel = {
    bottom: [
      { main: { count: 2, size: '20' }, extra: { bars: { count: 2, size: '16' }, from: 1000, to: 5000 } },
      { main: { count: 2, size: '20' }, extra: null },
    ],
    top: [{ main: { count: 2, size: '12' } }, { main: { count: 2, size: '12' } }],
    support: [null, { bars: { count: 4, size: '20' }, from: 4000, to: 8000 }, null],
    links: [zones, zones],
  };
  const map = new SteelMap(beam, steel, code, () => 800);
  const A = (d: number) => (Math.PI * d * d) / 4;
  test('an extra bar grows in strength over its anchorage length', () => {
    const area = (x: number) => map.centroid(map.barsAt('bottom', 0, x)).area;
    expect(area(900)).toBeCloseTo(2 * A(20), 6);
    expect(area(1400)).toBeCloseTo(2 * A(20) + 0.5 * 2 * A(16), 6);
    expect(area(1800)).toBeCloseTo(2 * A(20) + 2 * A(16), 6);
    expect(area(3000)).toBeCloseTo(2 * A(20) + 2 * A(16), 6);
    expect(area(4600)).toBeCloseTo(area(1400), 6);
  });
  test('over a support the lapped bars that give more count', () => {
    const area = (span: number, x: number) => map.centroid(map.barsAt('top', span, x)).area;
    expect(area(0, 3000)).toBeCloseTo(2 * A(12), 6);
    expect(area(0, 6000)).toBeCloseTo(4 * A(20), 6);
    expect(area(1, 6000)).toBeCloseTo(4 * A(20), 6);
    // 100 mm from its end the support bar has 1/8 of its strength, less than the two H12.
    expect(area(1, 7900)).toBeCloseTo(2 * A(12), 6);
  });
  test('zones of links by place; bars stand inside the thickest links', () => {
    expect(map.linkZoneAt(0, 1999).spacing).toBe(100);
    expect(map.linkZoneAt(0, 2001).spacing).toBe(200);
    expect(map.linkZoneAt(1, 8500).spacing).toBe(200);
    expect(map.linkDiameter(0)).toBe(10);
    expect(map.centroid(map.barsAt('bottom', 1, 9000)).fromFace).toBeCloseTo(30 + 10 + 10, 9);
  });
  test('equal bars are one object', () => {
    expect(map.barsAt('bottom', 0, 2500)).toBe(map.barsAt('bottom', 0, 3500));
    expect(map.barsAt('bottom', 0, 2500)).not.toBe(map.barsAt('bottom', 0, 900));
  });
});

describe('the shape of a check', () => {
  const draft = (id: string, utilisation: number | null) =>
    makeCheck({ id, family: 'bending', title: id, clause: '', demand: null, capacity: null, utilisation, place: { x: null, label: '' } });
  test.each([
    [0.5, 'holds'],
    [0.944, 'holds'],
    [0.95, 'near'],
    [1.0, 'near'],
    [1.0004, 'near'],
    [1.001, 'exceeds'],
    [Infinity, 'exceeds'],
    [null, 'failed'],
    [NaN, 'failed'],
  ] as const)('%d %s', (u, status) => expect(statusOf(u)).toBe(status));
  test('worst first, and what could not be computed before all', () => {
    const list = [draft('a', 0.5), draft('b', 1.2), draft('c', null), draft('d', 0.97)].map((d) => d.check);
    expect([...list].sort(worstFirst).map((c) => c.id)).toEqual(['c', 'b', 'd', 'a']);
    expect(governing(list)!.id).toBe('c');
    expect(governing([])).toBeUndefined();
  });
  test('a rule of detailing is kept or broken: at its limit it is not near, and it stands behind what is measured', () => {
    const rule = (id: string, u: number) => ({ ...draft(id, u).check, family: 'detailing' as const, status: statusOf(u, 'detailing') });
    const [atLimit, broken] = [rule('r', 1), rule('x', 1.02)];
    expect([atLimit.status, broken.status]).toEqual(['holds', 'exceeds']);
    const bending = draft('m', 0.4).check;
    expect(governing([atLimit, bending])!.id).toBe('m');
    expect(governing([atLimit, bending, broken])!.id).toBe('x');
    expect(governing([atLimit])!.id).toBe('r');
    expect([atLimit, broken, bending].sort(worstFirst).map((c) => c.id)).toEqual(['x', 'm', 'r']);
  });
  test('only the derivations that are asked for are made', () => {
    let made = 0;
    const withSteps = { check: draft('a', 0.5).check, derive: () => ((made += 1), []) };
    finishChecks([withSteps], { derive: [], units: 'SI' });
    expect(made).toBe(0);
    expect(finishChecks([withSteps], { derive: ['a'], units: 'SI' })[0]!.derivation).toEqual([]);
    finishChecks([withSteps], { derive: 'all', units: 'SI' });
    expect(made).toBe(2);
  });
  test('a calculation without an answer becomes a check that says why; other errors are not hidden', () => {
    const base = { id: 'a', family: 'bending' as const, title: 'A', clause: '1', place: { x: null, label: '' } };
    const failed = guarded(base, () => {
      throw new CalcError('mu', 'too much');
    }).check;
    expect(failed).toMatchObject({ status: 'failed', utilisation: null, reason: 'mu could not be computed: too much' });
    expect(() =>
      guarded(base, () => {
        throw new TypeError('a fault of the program');
      }),
    ).toThrow(TypeError);
  });
});

describe('names and rounding', () => {
  test('supports as on a grid', () => expect([0, 25, 26, 27, 52].map(supportName)).toEqual(['A', 'Z', 'AA', 'AB', 'BA']));
  test('bars in looser spellings', () => {
    expect(findBar(catalogues.metric, 'H16')!.name).toBe('16');
    expect(findBar(catalogues.us, 'no 5')!.name).toBe('#5');
    expect(findBar(catalogues.softMetric, '19')!.name).toBe('No.19');
    expect(findBar(catalogues.australian, 'N20')!.diameter).toBe(20);
    expect(findBar(catalogues.metric, '15')).toBeUndefined();
    const uk = { code: { id: 'en1992', variant: 'uk', choices: {} } } as const;
    const aci = { code: { id: 'aci318', variant: 'SI', choices: {} } } as const;
    expect(barLabel({ count: 4, size: '20' }, uk)).toBe('4H20');
    expect(barLabel({ count: 5, size: '12' }, aci)).toBe('5ø12');
    expect(barLabel({ count: 10, size: '32' }, { ...aci, barNames: 'number' })).toBe('10 No. 32');
    expect(sizeOf('32', { ...uk, barNames: 'number' })).toBe('ø32');
    // Sizes that have their own sign keep it.
    expect(barLabel({ count: 4, size: '#6' }, { ...uk, barNames: 'number' })).toBe('4 #6');
  });
  test('nominal areas', () => {
    expect(findBar(catalogues.us, '#8')!.area / 25.4 ** 2).toBeCloseTo(0.79, 9);
    expect(findBar(catalogues.metric, '20')!.massPerLength * 1000).toBeCloseTo(2.466, 3);
    for (const c of Object.values(catalogues))
      for (let i = 1; i < c.bars.length; i += 1) expect(c.bars[i]!.diameter).toBeGreaterThan(c.bars[i - 1]!.diameter);
  });
  test('steps', () => {
    expect([roundDown(174, 25), roundDown(175, 25), roundUp(151, 50), roundUp(150, 50), roundNear(160, 25)]).toEqual([
      150, 175, 200, 150, 150,
    ]);
  });
  test('which supports hold a moment', () => {
    const b = project({
      spans: [{ length: 2000 }, { length: 5000 }, { length: 5000 }],
      supports: [{ type: 'free' }, {}, {}, { type: 'spring', rotation: 5000 }],
    }).members[0] as BeamMember;
    expect([0, 1, 2, 3].map((i) => holdsMoment(b, i))).toEqual([false, true, true, true]);
    const simple = project({ supports: [{}, { type: 'fixed' }] }).members[0] as BeamMember;
    expect([0, 1].map((i) => holdsMoment(simple, i))).toEqual([false, true]);
  });
});

describe('known design forces', () => {
  const forces = (change: Record<string, unknown> = {}, id = 'en1992') =>
    project(
      {
        mode: 'forces',
        section: { b: 300, h: 500 },
        forces: [
          { place: 'midspan', moment: 180, shear: 20 },
          { place: 'support', moment: -140, shear: 160 },
        ],
        ...change,
      },
      { id },
    );
  const design = (p: Project) => designNow(p, p.members[0] as BeamMember, 'all');
  test.each(['en1992', 'aci318'])('%s: bars are chosen for both faces and all rows hold', (id) => {
    const r = design(forces({}, id));
    expect(r.faults).toEqual([]);
    expect(r.checks.filter((c) => c.status === 'exceeds').map((c) => c.title)).toEqual([]);
    expect(
      r.checks
        .filter((c) => c.id.startsWith('bending-'))
        .map((c) => c.place.label)
        .sort(),
    ).toEqual(['midspan', 'support']);
    expect(r.checks.find((c) => c.id === 'shear-2')!.demand!.value).toBe(160_000);
  });
  test('bars that are too few say what is needed and what is there', () => {
    const r = design(forces({ bars: { bottom: [{ main: { count: 2, size: '16' } }] } }));
    expect(r.checks.find((c) => c.id === 'bending-1')!.reason).toMatch(/^Bottom bars at midspan: needs \S+ mm², has 402 mm²\.$/);
  });
  test('a shear that no links can carry says so', () => {
    const r = design(forces({ forces: [{ place: 'end', moment: 50, shear: 2000 }] }));
    expect(r.checks.find((c) => c.id === 'shear-1')!.reason).toMatch(/more than the section carries with any links/);
  });
  test('no forces is a fault at its field', () => {
    expect(design(forces({ forces: [] })).faults).toMatchObject([
      { path: 'forces', reason: expect.stringContaining('No design forces yet') },
    ]);
  });
});
