import type { ColumnMember } from '@/core/members/column/input';
import type { ColumnResult } from '@/core/members/column/result';
import { designNow } from '@/core/project/design-member';
import { newMember } from '@/core/project/new-member';
import { readProject } from '@/core/project/read';
import { guessReadings, readTable } from '@/exchange/mapped-table';
import { readSets, setVocabulary } from '@/exchange/paste-sets';

const section = {
  type: 'column',
  isSection: true,
  catalogue: 'metric',
  ties: { size: '8', spacing: 200 },
  shape: { kind: 'rectangle', b: 300, h: 500 },
  cover: 30,
  bars: { kind: 'sides', corner: '20', alongX: 1, sizeX: '20', alongY: 1, sizeY: '16' },
};
const projectOf = (member: object, code: object = { id: 'en1992', variant: 'recommended' }) => {
  const read = readProject({ format: 'intarsia', version: 1, code, members: [{ ...section, ...member }] });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.project;
};
const design = (member: object, code?: object) => {
  const p = projectOf(member, code);
  return designNow(p, p.members[0]!, 'all') as ColumnResult;
};
const set = (more: object) => ({ sets: [{ name: 'L1', N: 700, mxTop: 90, myTop: 35, ...more }] });
const strength = (r: ColumnResult) => r.checks.find((c) => c.id === 'strength-top')!;

describe('a section by itself under N, Mx and My', () => {
  test('it stands once on the ladder, without a height, second order or rules of columns', () => {
    const r = design(set({ vx: 20, vy: 60, torsion: 4 }));
    const ids = r.checks.map((c) => c.id);
    expect(ids).toEqual(expect.arrayContaining(['strength-top', 'axial-force', 'shear-x', 'shear-y', 'torsion-ties']));
    expect(ids.filter((id) => /strength-(mid|foot)|growth|buckling|least-steel|bar-count|tie-spacing|laps/.test(id))).toEqual([]);
    expect(r.checks.filter((c) => c.clause === 'section by itself').map((c) => c.status)).toEqual(['notCovered', 'notCovered']);
    expect(r.slenderness).toEqual({ x: null, y: null });
    expect(strength(r).title).toBe('N and M');
  });
  test.each([
    ['EN', { id: 'en1992', variant: 'recommended' }],
    ['ACI', { id: 'aci318', variant: 'SI' }],
  ])('%s: as a column that is so short that nothing grows', (_, code) => {
    for (const [N, mxTop, myTop] of [
      [700, 90, 35],
      [1500, -60, 45],
      [0, 120, -30],
      [-150, 50, 20],
      [2400, 30, 0],
    ]) {
      const forces = { N, mxTop, mxBottom: mxTop, myTop, myBottom: myTop };
      const short = { mode: 'length', length: 50 };
      const column = design(
        { isSection: false, sustained: 0.5, height: 300, axes: { x: short, y: short }, sets: [{ name: 'L1', ...forces }] },
        code,
      );
      const alone = design({ sets: [{ name: 'L1', N, mxTop, myTop }] }, code);
      // What is left of the imperfection of 50 mm is an eccentricity of an eighth of a millimetre.
      expect([N, strength(alone).utilisation]).toEqual([N, expect.closeTo(strength(column).utilisation!, 2)]);
    }
  });
  test('EN: at least N e0, 700 x 20 mm = 14 kNm about one axis; ACI has no least moment of a section', () => {
    // e0 = max(500/30, 20) = 20 mm about x and max(300/30, 20) = 20 mm about y, one at a time.
    const own = design(set({ mxTop: 0, myTop: 0 })).summaries[0]!;
    expect(Math.max(Math.abs(own.Mx!), Math.abs(own.My!)) / 1e6).toBeCloseTo(14, 9);
    const aci = design(set({ mxTop: 0, myTop: 0 }), { id: 'aci318', variant: 'SI' }).summaries[0]!;
    expect([aci.Mx, aci.My]).toEqual([0, 0]);
  });
  test('height, braces and forces at a foot change nothing', () => {
    const plain = strength(design(set({}))).utilisation;
    const other = { height: 9000, axes: { x: { isBraced: false, factor: 2 }, y: { isBraced: false } }, signs: 'turning' };
    expect(strength(design({ ...other, ...set({ mxBottom: -200, myBottom: 90, nBottom: 1500 }) })).utilisation).toBe(plain);
  });
  test('turned signs of both moments use an even section alike; more of both uses more', () => {
    const u = (mxTop: number, myTop: number) => strength(design(set({ mxTop, myTop }))).utilisation!;
    expect(u(-90, -35)).toBeCloseTo(u(90, 35), 6);
    expect(u(90, -35)).toBeCloseTo(u(90, 35), 6);
    expect(u(99, 38.5)).toBeGreaterThan(u(90, 35));
  });
  test('cracks and stresses of sets in service, once', () => {
    const r = design({
      sets: [
        { name: 'S', kind: 'quasiPermanent', N: 100, mxTop: 60, myTop: 10 },
        { name: 'U', N: 200, mxTop: 90 },
      ],
    });
    const crack = r.checks.filter((c) => c.id === 'crack-width');
    expect(crack).toHaveLength(1);
    expect(crack[0]!.utilisation).toBeGreaterThan(0.05);
  });
  test('an outline with its origin anywhere, and bars by coordinates', () => {
    const at = (dx: number, dy: number) => ({
      shape: {
        kind: 'free',
        outer: [
          [0, 0],
          [500, 0],
          [500, 180],
          [180, 180],
          [180, 600],
          [0, 600],
        ].map(([x, y]) => [x! + dx, y! + dy]),
        holes: [],
      },
      bars: {
        kind: 'list',
        bars: [
          [50, 50],
          [450, 50],
          [450, 130],
          [50, 550],
          [130, 550],
          [130, 130],
        ].map(([x, y]) => ({ x: x! + dx, y: y! + dy, size: '20' })),
      },
      ...set({ N: 500, mxTop: 60, myTop: -30 }),
    });
    const [a, b] = [design(at(0, 0)), design(at(12_500, -7300))];
    expect(a.faults).toEqual([]);
    expect(strength(b).utilisation).toBeCloseTo(strength(a).utilisation!, 6);
  });
});

test('a section to begin with has no failure, and its bars can be proposed', () => {
  const base = projectOf({});
  const fresh = newMember(base, 'section', 'x', 'X1', '') as ColumnMember;
  expect(fresh.isSection).toBe(true);
  expect(designNow({ ...base, members: [fresh] }, fresh).checks.filter((c) => c.status === 'failed' || c.status === 'exceeds')).toEqual([]);
});

test('rows of several stations pasted into a section stay sets of their own', () => {
  const table = readTable('Case\tStation\tN\tMy\tMz\tVy\tVz\nU1\t0\t400\t50\t10\t5\t30\nU1\t3.2\t390\t-60\t12\t5\t28');
  const readings = guessReadings(setVocabulary, table, 'SI');
  const { rows } = readSets(table, { readings, system: 'SI', compressionNegative: false, kind: 'ultimate', isSection: true });
  expect(rows.map((r) => [r.value!.name, r.value!.mxTop / 1e6, r.value!.vy / 1e3])).toEqual([
    ['U1 at 0.00 m', 50, 30],
    ['U1 at 3.20 m', -60, 28],
  ]);
});
