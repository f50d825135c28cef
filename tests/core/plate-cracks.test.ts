import { silent } from '@/core/calc/calc';
import { codeOf } from '@/core/members/member';
import type { PlateResult } from '@/core/members/plate/result';
import { designNow } from '@/core/project/design-member';
import { readProject } from '@/core/project/read';
import { box } from '@/core/geometry/polygon';
import { checkOf, corners, slabOf, slabs } from './plate-slabs';

const mesh = (size: string, spacing: number) => ({ size, spacing });
/** 5 m from edge to edge, 3 m wide, 250 deep, H12 at 150 below. */
/** Edges that rest freely: no top bars at them, which would be pressed in the middle. */
const free = { id: 'en1992', choices: { heldEnds: 'free' } };
const oneWay = slabs(
  (more) => ({
    meshSize: 250,
    h: 250,
    poisson: 0,
    outline: corners(box(0, 0, 5000, 3000), ['free', 'simple', 'free', 'simple']),
    loads: [
      { type: 'uniform', case: 'G', value: 2 },
      { type: 'uniform', case: 'Q', value: 4 },
    ],
    bars: { extra: [], bottom: { x: mesh('H12', 150), y: mesh('H10', 200) } },
    ...more,
  }),
  free,
);
const value = (r: PlateResult, id: string) => checkOf(r, id).demand!.value;
const within = (a: number, b: number, part: number) => {
  expect(a / b).toBeGreaterThan(1 - part);
  expect(a / b).toBeLessThan(1 + part);
};

describe('cracks of a slab that spans one way', () => {
  const project = oneWay.project();
  const r = designNow(project, slabOf(project), []) as PlateResult;
  // Quasi-permanent 0.25 x 25 + 2 + 0.3 x 4 = 9.45 kN/m2, 9.45 x 25 / 8 = 29.53 kNm/m; characteristic 12.25: 38.28 > 30.2 = 2.896 x 250^2 / 6 kNm/m, cracked.
  const M = 29.53e6;
  const alpha = 200_000 / codeOf(project, slabOf(project)).service.modulus(silent, slabOf(project).materials, 250e3, 2000, 1);
  // A metre: 754 mm2 at d = 250 - 25 - 6 = 219; 500 x2 = alpha A (219 - x).
  const [A, d] = [754, 219];
  const x = (-alpha * A + Math.sqrt((alpha * A) ** 2 + 2000 * alpha * A * d)) / 1000;
  const sigma = M / (A * (d - x / 3));

  test('by hand: EN 1992-1-1 7.3.4', () => {
    // hc,ef = (250 - x) / 3, the least of it, 2.5 x 31 and 125; sr,max = 3.4 x 25 + 0.8 x 0.5 x 0.425 x 12 / rho.
    const rho = A / ((1000 * (250 - x)) / 3);
    const spacing = 85 + (0.8 * 0.5 * 0.425 * 12) / rho;
    // (198 - 0.4 x 2.896 / 0.0122 (1 + 6.09 x 0.0122)) / 200000 is less than 0.6 x 198 / 200000 = 0.00059.
    const strain = Math.max((sigma - ((0.4 * 2.896) / rho) * (1 + (200_000 / 32_837) * rho)) / 200_000, (0.6 * sigma) / 200_000);
    within(sigma, 198, 0.01);
    within(value(r, 'crack-bottom-x'), spacing * strain, 0.01);
    // About 252 x 0.000595 = 0.150 mm.
    within(value(r, 'crack-bottom-x'), 0.15, 0.02);
    expect(checkOf(r, 'crack-bottom-x').status).toBe('holds');
    within(value(r, 'stress-concrete-quasiPermanent'), (2 * sigma * A) / (1000 * x), 0.01);
  });
  test('the map shows what the check does; faces that are nowhere cracked have none', () => {
    within(Math.max(...r.maps!.crackBottom!), value(r, 'crack-bottom-x'), 1e-9);
    expect(Math.max(...r.maps!.crackTop!)).toBe(0);
    expect(r.checks.filter((c) => c.id.startsWith('crack-')).map((c) => c.id)).toEqual(['crack-bottom-x']);
  });
  test('kind against kind: the same strip', () => {
    const main = mesh('H12', 150);
    const strip = {
      id: 'b',
      type: 'strip',
      mark: 'S1',
      h: 250,
      spans: [{ length: 5000 }],
      supports: [{ type: 'pinned' }, { type: 'pinned' }],
      cases: slabOf(project).cases,
      loads: [
        { type: 'uniform', case: 'G', value: 2, span: 'all' },
        { type: 'uniform', case: 'Q', value: 4, span: 'all' },
      ],
      bars: { bottom: [{ main }] },
    };
    const read = readProject({ format: 'intarsia', version: 1, name: 'Test', code: free, members: [strip] } as never);
    if (!read.ok) throw new Error(JSON.stringify(read.faults));
    const beam = designNow(read.project, read.project.members[0]!, []);
    const of = (id: string) => beam.checks.find((c) => c.id === id)!.demand!.value;
    within(value(r, 'crack-bottom-x'), of('crack-span-1'), 0.015);
    within(value(r, 'stress-steel-characteristic'), of('stress-steel-characteristic'), 0.015);
    within(value(r, 'stress-concrete-quasiPermanent'), of('stress-concrete-quasiPermanent'), 0.015);
  });
  test('along y it is the same slab', () => {
    const turned = oneWay.design({
      outline: corners(box(0, 0, 3000, 5000), ['simple', 'free', 'simple', 'free']),
      outer: 'y',
      bars: { extra: [], bottom: { x: mesh('H10', 200), y: mesh('H12', 150) } },
    });
    within(value(turned, 'crack-bottom-y'), value(r, 'crack-bottom-x'), 0.01);
  });
  test('restraint that uses tensile strength lets it crack; loads below that crack nothing', () => {
    const light = { loads: [{ type: 'uniform', case: 'G', value: 1 }] };
    // 7.25 x 25 / 8 = 22.7 kNm/m is less than 30.2, and more than half of it.
    expect(checkOf(oneWay.design(light), 'cracks').status).toBe('notApplicable');
    expect(value(oneWay.design({ ...light, service: { tension: 0.5 } }), 'crack-bottom-x')).toBeGreaterThan(0.05);
  });
  test('by tables: one of size and spacing is enough', () => {
    const tables = oneWay.design({}, { ...free, choices: { ...free.choices, cracksBy: 'tables' } });
    // At 198 MPa and 0.3 mm table 7.3N has 250 + 2/40 x 50 = 253 mm; table 7.2N has 25.4 mm, by (7.6N) 25.4 x 0.4 x 125 / (2 x 31) = 20.4: 12 / 20.4 = 0.59.
    const found = checkOf(tables, 'crack-bottom-x');
    expect(found.title).toBe('Bar size for cracks, bottom, along x');
    within(found.utilisation!, 12 / 20.4, 0.02);
  });
});

describe('cracks of other slabs', () => {
  test('those up to 200 mm need no look; by ACI 318 two ways are not judged, the width is an estimate', () => {
    const thin = oneWay.design({ h: 200 });
    expect(checkOf(thin, 'cracks').clause).toBe('7.3.3(1)');
    expect(checkOf(thin, 'crack-bottom-x')).toBeUndefined();
    expect(
      value(oneWay.design({ h: 200 }, { ...free, choices: { ...free.choices, thinSlabs: 'calculate' } }), 'crack-bottom-x'),
    ).toBeGreaterThan(0.1);
    const aci = oneWay.design({ bars: { extra: [] } }, { id: 'aci318' });
    expect(checkOf(aci, 'cracks')).toMatchObject({ status: 'notApplicable', clause: '24.3.1' });
    expect(checkOf(aci, 'cracks').reason).toMatch(/for information: 0\.\d+ mm/);
    expect(aci.maps!.crackBottom).toBeDefined();
  });
  test('without combinations in service it is said that cracks cannot be worked out', () => {
    const off = slabOf(oneWay.project());
    const ids = oneWay.design().combinations.flatMap((c) => (c.kind === 'quasiPermanent' ? [c.id] : []));
    expect(off.combinationsOff).toEqual([]);
    expect(checkOf(oneWay.design({ combinationsOff: ids }), 'cracks').status).toBe('failed');
  });
  test('more load never narrows and more steel never widens them', () => {
    const at = (load: number, spacing: number) =>
      value(
        oneWay.design({
          loads: [{ type: 'uniform', case: 'G', value: load }],
          bars: { extra: [], bottom: { x: mesh('H12', spacing), y: mesh('H10', 200) } },
        }),
        'crack-bottom-x',
      );
    const widths = [5, 7, 10].map((load) => at(load, 150));
    expect(widths).toEqual([...widths].sort((a, b) => a - b));
    const closer = [200, 150, 125, 100].map((s) => at(7, s));
    expect(closer).toEqual([...closer].sort((a, b) => b - a));
  });
  test('bars that are chosen keep cracks as narrow as is wanted, with more steel; bars that are set stay', () => {
    const wanted = (crackWidth: number) =>
      oneWay.design({ loads: [{ type: 'uniform', case: 'G', value: 6 }], service: { crackWidth }, bars: { extra: [] } });
    const [wide, narrow] = [wanted(0.4), wanted(0.15)];
    const steel = (r: PlateResult) => r.sections.find((s) => s.face === 'bottom' && s.along === 'x')!.provided;
    expect(steel(narrow)).toBeGreaterThan(1.2 * steel(wide));
    for (const r of [wide, narrow]) expect(checkOf(r, 'crack-bottom-x').utilisation).toBeLessThanOrEqual(1);
    const set = oneWay.design({ loads: [{ type: 'uniform', case: 'G', value: 6 }], service: { crackWidth: 0.15 } });
    expect(set.steel.meshes.find((m) => m.face === 'bottom' && m.along === 'x')!.bars).toMatchObject(mesh('H12', 150));
    expect(checkOf(set, 'crack-bottom-x').status).toBe('exceeds');
  });
});

test('maps of steel: what is spare and what is required are together what is laid; the share used is that of the bending check', () => {
  const r = oneWay.design();
  const laid = 754 / 1000;
  r.maps!.bottomX!.forEach((v, n) => expect(v + r.maps!.spareBottomX![n]!).toBeCloseTo(laid, 3));
  const bending = r.checks.filter((c) => c.id.startsWith('bending-')).map((c) => c.utilisation!);
  expect(Math.max(...r.maps!.used!)).toBeCloseTo(Math.max(...bending), 9);
});
