import { slabOf, slabs } from './plate-slabs';
import { platePlan } from '@/core/members/plate/drawing';
import { columnGrid } from '@/core/members/plate/grid';
import { planScale } from '@/core/members/plate/plan-scale';
import { plateLabels } from '@/core/members/plate/labels';
import { profileDrawing } from '@/core/members/plate/profile-drawing';
import { plateMaps, type PlateResult } from '@/core/members/plate/result';
import { designPunching } from '@/core/members/punching/design-punching';
import { codeOf } from '@/core/members/member';
import { modelOf } from '@/core/project/as-built';
import { designNow } from '@/core/project/design-member';
import { readProject } from '@/core/project/read';
import { box } from '@/core/geometry/polygon';

/** Two by two bays of 6 m on columns of 400, 240 deep. */
const { project, design } = slabs((more) => ({
  h: 240,
  meshSize: 900,
  outline: box(-200, -200, 12_200, 12_200).map(([x, y]) => ({ x, y, edge: 'free' })),
  columns: [0, 6000, 12_000].flatMap((x, i) =>
    [0, 6000, 12_000].map((y, k) => ({
      name: `${'ABC'[k]}${i + 1}`,
      x,
      y,
      shape: { kind: 'rectangle', b: 400, h: 400 },
      below: 3000,
      above: 3000,
    })),
  ),
  ...more,
}));
const memberOf = slabOf;
const at = (r: PlateResult, name: string) => r.columns.find((c) => c.name === name)!;
const most = (r: PlateResult, name: string) => Math.max(...at(r, name).forces.map((f) => f.V));

// 1.35 (0.24 x 25 + 1.5) + 1.5 x 3 = 14.625 kN/m2 on 12.4 x 12.4 m
const w = 14.625e-3;
const once = design();

describe('a flat slab', () => {
  test('with all loads on the columns carry them all; bays that are empty give an inner column no less and others less', () => {
    expect(once.faults).toEqual([]);
    const whole = once.columns.reduce((sum, c) => sum + c.forces[0]!.V, 0);
    expect(whole / (w * 12_400 ** 2)).toBeCloseTo(1, 6);
    // The inner column carries more than its even share of 6 x 6 m: 14.625 x 36 = 526.5 kN, here about 1.15 times.
    expect(most(once, 'B2') / (w * 6000 ** 2)).toBeGreaterThan(1.05);
    expect(most(once, 'B2') / (w * 6000 ** 2)).toBeLessThan(1.3);
    expect(Math.min(...at(once, 'B2').forces.map((f) => f.V))).toBeLessThan(most(once, 'B2'));
    const static_ = once.handChecks.filter((h) => h.title.startsWith('Static moment'));
    expect(static_).toHaveLength(4);
    expect(static_.map((h) => h.agrees)).toEqual([true, true, true, true]);
    // A quarter of a column off the faces: w l2 ln2 / 8 = 14.625 x 12.4 x 5.4^2 / 8 = 661.0 kNm
    expect(static_[0]!.byHand / 661.0e6).toBeCloseTo(1, 3);
  });
  test('columns that mirror each other have forces that do: moments push the shear into the slab', () => {
    const [left, right] = [at(once, 'B1').forces[0]!, at(once, 'B3').forces[0]!];
    expect(left.V / right.V).toBeCloseTo(1, 1);
    expect(left.My / -right.My).toBeCloseTo(1, 1);
    expect(left.My).toBeGreaterThan(0);
    expect(at(once, 'A1').forces[0]!.Mx).toBeGreaterThan(0);
    expect(at(once, 'C1').forces[0]!.Mx).toBeLessThan(0);
  });
  test('punching of every column is that of a place of its own with the same edges, bars and forces', () => {
    const p = project();
    const code = codeOf(p, memberOf(p));
    const place = at(once, 'B1').place!;
    expect(place.edges.left).toBeCloseTo(0, 0);
    expect(place.edges.right).toBeNull();
    expect(place.sets.length).toBeGreaterThan(3);
    const own = designPunching(place, code, { derive: [], units: 'SI' });
    const check = once.checks.find((c) => c.id === 'punching-2')!;
    expect(check.utilisation).toBeCloseTo(own.governing!.utilisation!, 9);
    expect(once.checks.filter((c) => c.id.startsWith('punching-'))).toHaveLength(9);
  });
  test('bars over columns are chosen with their anchorage, and every part holds', () => {
    expect(once.steel.extra.length).toBeGreaterThan(0);
    for (const c of once.checks.filter((k) => k.id.startsWith('bending-'))) expect(c.status).not.toBe('exceeds');
    const [top] = once.steel.extra.filter((e) => e.face === 'top' && e.x1 < 6000 && e.x2 > 6000 && e.y1 < 6000 && e.y2 > 6000);
    expect(top).toBeDefined();
    const p = project();
    const bars = modelOf(p, memberOf(p), once).bars.filter((b) => b.source && 'index' in b.source);
    expect(bars.length).toBeGreaterThan(0);
  });
  test('set to none, bars over parts are none, and the mesh carries it all or says that it does not', () => {
    const r = design({ bars: { extra: [], top: { x: { size: '10', spacing: 200 }, y: { size: '10', spacing: 200 } } } });
    expect(r.steel.extra).toEqual([]);
    expect(r.checks.find((c) => c.id === 'bending-top-x')!.status).toBe('exceeds');
  });
  test('stiffer columns and more load, each as it should', () => {
    const pinned = design({ columns: memberOf(project()).columns.map((c) => ({ ...c, below: 0, above: 0 })) });
    expect(Math.abs(at(pinned, 'B1').forces[0]!.My)).toBeLessThan(1);
    expect(most(pinned, 'B2')).toBeGreaterThan(most(once, 'B2'));
    const deflection = (r: PlateResult) => r.maps!.deflection!.reduce((a, b) => Math.max(a, b), 0);
    expect(deflection(pinned)).toBeGreaterThan(deflection(once));
    const own = design({ service: { twist: 'own' } });
    expect(deflection(own)).toBeLessThan(deflection(once));
    expect(deflection(design({ service: { tension: 0.7 } }))).toBeGreaterThan(deflection(once));
  });
  test('how far it has cracked is shown of the state with most load, also where states are added up', () => {
    const cracked = (value: number) => {
      const loads = [
        { type: 'uniform', case: 'G', value: 1.5 },
        { type: 'uniform', case: 'Q', value },
      ];
      return design({ loads, meshSize: 1500 }, { id: 'aci318' }).maps!.crackedX!.reduce((a, b) => a + b, 0);
    };
    expect(cracked(6)).toBeGreaterThan(1.3 * cracked(0.5));
  });
  test('straightedges lie between columns; one that crosses nothing says so', () => {
    expect(once.lines.length).toBeGreaterThanOrEqual(12);
    expect(once.checks.filter((c) => c.id.startsWith('deflection-')).length).toBe(once.lines.length);
    const off = design({ straightedges: [{ name: 'X', x1: 20_000, y1: 0, x2: 30_000, y2: 0 }] });
    expect(off.checks.find((c) => c.id === 'deflection')!.reason).toMatch(/No line crosses this slab/);
  });
  test('a history of loads: each stage sinks further, what came earlier creeps more', () => {
    const stages = (days: number) => [
      { title: 'props out', days, factors: [{ caseId: 'SW', factor: 1 }] },
      {
        title: 'in use',
        days: 365,
        factors: [
          { caseId: 'SW', factor: 1 },
          { caseId: 'G', factor: 1 },
          { caseId: 'Q', factor: 0.3 },
        ],
      },
    ];
    const [early, late] = [design({ stages: stages(7) }), design({ stages: stages(90) })];
    expect(early.history.map((p) => p.title)).toEqual(['props out', 'props out, end', 'in use', 'in use, end']);
    for (const { history } of [early, late])
      history.slice(1).forEach((p, i) => expect(p.deflection).toBeGreaterThanOrEqual(history[i]!.deflection * 0.999));
    expect(early.history[3]!.deflection).toBeGreaterThan(late.history[3]!.deflection);
  });
});

describe('faults and drawing', () => {
  const columns = memberOf(project()).columns;
  test.each([
    ['a column outside', { columns: [...columns, { ...columns[0]!, name: 'X', x: 20_000 }] }, 'columns[9].x'],
    ['a column on another', { columns: [...columns, { ...columns[0]!, name: 'X', x: 100 }] }, 'columns[9].x'],
    ['a load off the slab', { loads: [{ type: 'point', case: 'G', x1: -5000, y1: 0, force: 10 }] }, 'loads[0].x1'],
    ['a line of no length', { loads: [{ type: 'line', case: 'G', x1: 0, y1: 0, x2: 0, y2: 0, perLength: 1 }] }, 'loads[0].x1'],
    ['an area beside it', { loads: [{ type: 'area', case: 'G', x1: 20_000, y1: 0, x2: 30_000, y2: 10, value: 1 }] }, 'loads[0].x1'],
    ['a stage of no case', { stages: [{ title: 'x', days: 10, factors: [{ caseId: 'Z', factor: 1 }] }] }, 'stages[0].factors'],
    ['a part of no depth', { regions: [{ x1: 0, y1: 0, x2: 1000, y2: 1000, h: 20 }] }, 'regions[0].h'],
    [
      'bars over nothing',
      { bars: { extra: [{ face: 'top', along: 'x', x1: 0, y1: 0, x2: 10, y2: 10, bars: { size: '12', spacing: 150 } }] } },
      'bars.extra[0].x1',
    ],
  ])('%s: a word at its field', (_, more, path) => {
    const r = design(more);
    expect(r.faults.map((f) => f.path)).toContain(path);
    expect(r.maps).toBeNull();
  });
  test('every map is drawn, there and back on the sheet; a profile has its largest value', () => {
    const p = project();
    const member = memberOf(p);
    for (const map of plateMaps.filter((m) => once.maps![m])) {
      const drawing = platePlan({ plate: member, result: once, map, labels: plateLabels(p, member, map) }, 740, 560);
      for (const s of drawing.shapes) if (s.kind === 'text') expect(s.text).not.toMatch(/NaN|Infinity/);
    }
    const { on, off } = planScale(member, 740, 560);
    expect(off(on([3210, 4560])).map(Math.round)).toEqual([3210, 4560]);
    const drawn = profileDrawing(
      {
        profile: [
          { s: 0, w: 0 },
          { s: 500, w: 4 },
          { s: 1000, w: null },
          { s: 1500, w: 1 },
        ],
        title: 'S1',
        value: String,
        station: String,
        isDown: true,
      },
      600,
      128,
    );
    expect(drawn.shapes.some((s) => s.kind === 'text' && s.text === '4')).toBe(true);
  });
});

test('a strip that spans one way deflects as the same strip does as a beam, within 2 %: cracked, in the long term, and after partitions', () => {
  const cases = [
    { id: 'G', title: 'Permanent', nature: 'permanent' },
    { id: 'Q', title: 'Imposed', nature: 'imposed', pattern: false },
  ];
  const loads = [
    { type: 'uniform', case: 'G', value: 1.5 },
    { type: 'uniform', case: 'Q', value: 3 },
  ];
  const main = { size: '12', spacing: 150 };
  const plate = {
    id: 'a',
    type: 'plate',
    mark: 'PL1',
    h: 180,
    poisson: 0,
    meshSize: 150,
    outline: box(0, 0, 4500, 1500).map(([x, y], i) => ({ x, y, edge: i % 2 === 0 ? 'free' : 'simple' })),
    cases,
    loads,
    bars: { bottom: { x: main, y: { size: '8', spacing: 250 } }, extra: [] },
  };
  const strip = {
    id: 'b',
    type: 'strip',
    mark: 'S1',
    h: 180,
    spans: [{ length: 4500 }],
    supports: [{ type: 'pinned' }, { type: 'pinned' }],
    cases,
    loads: loads.map((l) => ({ ...l, span: 'all' })),
    bars: { bottom: [{ main }] },
  };
  // Edges that rest freely: what lies above in the plate lies nowhere in the strip.
  const code = { id: 'en1992', choices: { heldEnds: 'free' } };
  const read = readProject({ format: 'intarsia', version: 1, name: 'Test', code, members: [plate, strip] } as never);
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  const [a, b] = read.project.members.map((m) => designNow(read.project, m, [])) as [PlateResult, ReturnType<typeof designNow>];
  const beam = (title: string) => b.checks.find((c) => c.title.startsWith(title))!.demand!.value;
  const gap = (id: string) => a.lines[0]!.gaps.find((g) => g.id === id)!.deflection;
  expect(gap('total') / beam('Deflection, span')).toBeGreaterThan(0.98);
  expect(gap('total') / beam('Deflection, span')).toBeLessThan(1.02);
  expect(gap('after') / beam('Deflection after')).toBeGreaterThan(0.98);
  expect(gap('after') / beam('Deflection after')).toBeLessThan(1.02);
});

describe('columns in rows', () => {
  const at = (places: readonly (readonly [number, number])[]) => columnGrid({ columns: places.map(([x, y]) => ({ x, y })) as never });
  test('lines that columns stand on, a little off too; a ring of them is no grid', () => {
    expect(
      at([
        [0, 0],
        [6000, 40],
        [12_000, 0],
        [0, 5000],
        [6000, 5000],
      ]),
    ).toEqual({ x: [0, 6000, 12_000], y: [40 / 3, 5000] });
    const ring = Array.from({ length: 8 }, (_, k) => [4000 * Math.cos((k * Math.PI) / 4), 4000 * Math.sin((k * Math.PI) / 4)] as const);
    expect(at(ring)).toBeUndefined();
    expect(at([[0, 0]])).toBeUndefined();
  });
});
