import fc from 'fast-check';
import { silent } from '@/core/calc/calc';
import type { ColumnMember } from '@/core/members/column/input';
import { codeOf } from '@/core/members/member';
import { designNow } from '@/core/project/design-member';
import { readProject } from '@/core/project/read';
import { capacityAlongRay } from '@/core/section/capacity';
import { polygonSection } from '@/core/section/polygon-section';
import { ResistanceSurface } from '@/core/section/resistance-surface';
import { outlineOfShape } from '@/core/geometry/section-shapes';
import { catalogues } from '@/core/materials/bars';
import { placeColumnBars } from '@/core/reinforcement/column-bars';

/** Columns and walls looked at from both sides: nothing may depend on which sense, which end or which face is named first. */

function project(member: Record<string, unknown>, code: object = { id: 'en1992', variant: 'recommended' }) {
  const read = readProject({ format: 'intarsia', version: 1, code, members: [member] });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.project;
}
const checksOf = (member: Record<string, unknown>, code?: object) => {
  const p = project(member, code);
  return designNow(p, p.members[0]!).checks;
};
const use = (member: Record<string, unknown>, id: string, code?: object) => checksOf(member, code).find((c) => c.id === id)!.utilisation!;

const unevenL = {
  type: 'column',
  shape: { kind: 'L', b: 600, h: 600, tx: 250, ty: 250 },
  height: 6000,
  bars: { kind: 'outline', size: '20', spacing: 250 },
  sustained: 0.6,
  axes: { x: { isBraced: true, factor: 0.8 }, y: { isBraced: false, factor: 1.6 } },
};

test('an uneven section that sways is checked at both ends in both senses', () => {
  // About y nothing is typed: lambda = 9600 / i is slender. Imperfection N ei = 1500 x (1/200 x 2/sqrt 6) x 9.6/2 = 29.4 kNm,
  // with second order 162.5: 191.9 kNm to either side at either end, beside Mx = 250 at the foot.
  const checks = checksOf({ ...unevenL, sets: [{ name: 'a', N: 1500, mxTop: 20, mxBottom: 250 }] });
  const foot = checks.find((c) => c.id === 'strength-foot')!;
  expect(foot.utilisation).toBeCloseTo(0.8723, 3);
  // The same column standing on its head.
  const turned = checksOf({ ...unevenL, sets: [{ name: 'a', N: 1500, mxTop: 250, mxBottom: 20 }] });
  expect(turned.find((c) => c.id === 'strength-top')!.utilisation).toBeCloseTo(foot.utilisation!, 9);
});

test('a column on its head, or in a mirror, has the same utilisation', () => {
  const moment = fc.integer({ min: -150, max: 150 });
  const loads = fc.record({ N: fc.integer({ min: 50, max: 3000 }), top: fc.tuple(moment, moment), foot: fc.tuple(moment, moment) });
  const isBraced = fc.boolean();
  const codes = fc.constantFrom(
    { id: 'en1992', variant: 'recommended' },
    { id: 'en1992', variant: 'uk', choices: { secondOrder: 'stiffness' } },
    { id: 'aci318', variant: 'SI' },
    { id: 'as3600', variant: '2018' },
  );
  fc.assert(
    fc.property(loads, isBraced, codes, ({ N, top, foot }, braced, code) => {
      const base = {
        type: 'column',
        ...(code.id === 'aci318' ? { materials: { steelStrength: 420, linkStrength: 420 }, catalogue: 'softMetric' } : {}),
        shape: { kind: 'T', b: 500, h: 450, web: 200, flange: 180 },
        height: 5000,
        bars: { kind: 'outline', size: code.id === 'aci318' ? 'No.19' : '20', spacing: 200 },
        ties: { size: code.id === 'aci318' ? 'No.10' : '8', spacing: 150 },
        sustained: 0.5,
        storey: { Q: 0.1 },
        sway: 0.5,
        axes: { x: { isBraced: braced, factor: braced ? 0.9 : 1.3 }, y: { isBraced: braced, factor: braced ? 0.9 : 1.3 } },
      };
      const set = (t: readonly number[], f: readonly number[], sy = 1) => ({
        ...base,
        sets: [{ name: 's', N, mxTop: t[0], myTop: sy * t[1]!, mxBottom: f[0], myBottom: sy * f[1]! }],
      });
      const worst = (m: Record<string, unknown>) =>
        checksOf(m, code)
          .filter((c) => c.id.startsWith('strength') || c.id.startsWith('growth'))
          .map((c) => [c.id.replace('foot', 'end').replace('top', 'end'), c.utilisation] as const)
          .sort((a, b) => a[0].localeCompare(b[0]) || (a[1] ?? 0) - (b[1] ?? 0));
      const [as, head, mirror] = [worst(set(top, foot)), worst(set(foot, top)), worst(set(top, foot, -1))];
      for (const other of [head, mirror]) {
        expect(other.map((c) => c[0])).toEqual(as.map((c) => c[0]));
        // The T is its own picture about the y-axis: a moment My to the other side is the same.
        other.forEach(([, u], i) => (u === null ? expect(as[i]![1]).toBeNull() : expect(u / as[i]![1]!).toBeCloseTo(1, 4)));
      }
    }),
    { numRuns: 25, seed: 21 },
  );
});

test('growth of a symmetric column does not depend on the order in which its axes are looked at (ACI)', () => {
  const square = (set: object) => ({
    type: 'column',
    catalogue: 'softMetric',
    materials: { steelStrength: 420, linkStrength: 420 },
    shape: { kind: 'rectangle', b: 300, h: 300 },
    height: 5500,
    bars: { kind: 'sides', corner: 'No.22' },
    ties: { size: 'No.10', spacing: 150 },
    sustained: 0.5,
    sets: [{ name: 's', N: 600, ...set }],
  });
  const aci = { id: 'aci318', variant: 'SI' };
  const growth = (set: object) => {
    const checks = checksOf(square(set), aci);
    return (['x', 'y'] as const).map((axis) => checks.find((c) => c.id === `growth-${axis}`)?.demand?.value ?? 0);
  };
  const [x, y] = growth({ mxTop: 12, mxBottom: 12, myTop: 4, myBottom: 4 });
  const [swappedX, swappedY] = growth({ mxTop: 4, mxBottom: 4, myTop: 12, myBottom: 12 });
  expect(x).toBeGreaterThan(1);
  expect([swappedY! / x!, swappedX! / y!].map((r) => r.toFixed(6))).toEqual(['1.000000', '1.000000']);
  const [same, alike] = growth({});
  expect(same! / alike!).toBeCloseTo(1, 9);
});

test('wind comes from either side in service as in ultimate combinations, EN 1990 6.5.3', () => {
  const column = {
    type: 'column',
    shape: { kind: 'rectangle', b: 350, h: 350 },
    mode: 'cases',
    sustained: 0.5,
    cases: [
      { id: 'G', nature: 'permanent' },
      { id: 'W', nature: 'wind' },
    ],
  };
  const forces = (sign: number) => [
    { case: 'G', N: 300, mxTop: 40, mxBottom: 40 },
    { case: 'W', N: 0, mxTop: 60 * sign, mxBottom: 60 * sign },
  ];
  const against = checksOf({ ...column, caseForces: forces(-1) });
  const along = checksOf({ ...column, caseForces: forces(1) });
  // Characteristic: 40 + 60 = 100 kNm whichever way the wind was typed.
  for (const id of ['stress-concrete-characteristic', 'stress-steel-characteristic', 'crack-width'])
    expect([id, against.find((c) => c.id === id)!.utilisation!.toFixed(9)]).toEqual([
      id,
      along.find((c) => c.id === id)!.utilisation!.toFixed(9),
    ]);
  expect(against.find((c) => c.id === 'stress-steel-characteristic')!.demand!.value).toBeCloseTo(367.15, 1);
});

describe('a metre of wall', () => {
  const wall = (more: object) => ({
    type: 'wall',
    thickness: 200,
    height: 3000,
    isStrip: true,
    vertical: { size: '16', spacing: 200 },
    sustained: 0.7,
    sets: [{ name: 'a', N: 200, mxTop: 60, mxBottom: 60 }],
    ...more,
  });
  test('has the steel of its spacing, also where that is no whole number of bars', () => {
    // 2 faces x 201.1 x 1000 / s
    for (const spacing of [150, 175, 200, 225, 300, 350, 400]) {
      const p = project(wall({ vertical: { size: '16', spacing } }));
      const r = designNow(p, p.members[0]!);
      if (r.type !== 'wall') throw new Error('not a wall');
      expect(r.steelRatio * 200_000).toBeCloseTo((2 * 201.062 * 1000) / spacing, 1);
      // 3 m high: mass of the bars that are there per metre.
      expect(r.quantities!.bars).toBeCloseTo(((2 * 201.062 * 1000) / spacing) * 3000 * 7.85e-6, 1);
    }
  });
  test('closer bars never raise the utilisation', () => {
    const at = [400, 350, 300, 250, 225, 200, 175, 150].map((spacing) => use(wall({ vertical: { size: '16', spacing } }), 'strength-top'));
    at.forEach((u, i) => i > 0 && expect(u).toBeLessThan(at[i - 1]!));
    // Steel of 1005 mm2 at 400: Mx,top = 60 + 200 x 0.0075 = 61.5 kNm over 52.0 kNm.
    expect(at[0]).toBeCloseTo(1.183, 3);
  });
  test('has no second order in its plane, and dries from its faces only', () => {
    const checks = checksOf({
      type: 'wall',
      thickness: 250,
      height: 7000,
      sustained: 1,
      restraint: 'given',
      axes: { x: { factor: 0.5 } },
      sets: [{ name: 'a', N: 2500, mxTop: 50, mxBottom: 0 }],
    });
    expect(Math.max(...checks.filter((c) => c.id.startsWith('strength')).map((c) => c.utilisation!))).toBeCloseTo(0.74, 3);
  });
});

test('beyond the axial cap N and M are measured growing together: better bars never raise the figure', () => {
  const column = (corner: string) => ({
    type: 'column',
    catalogue: 'softMetric',
    materials: { concreteStrength: 35, steelStrength: 420, linkStrength: 420 },
    shape: { kind: 'rectangle', b: 350, h: 350 },
    height: 3000,
    bars: { kind: 'sides', corner, alongX: 1, sizeX: corner, alongY: 1, sizeY: corner },
    ties: { size: 'No.10', spacing: 150 },
    sustained: 0.5,
    sets: [{ name: 's', N: 3600, mxTop: 160, mxBottom: 160 }],
  });
  const aci = { id: 'aci318', variant: 'SI' };
  const figures = ['No.16', 'No.19', 'No.22', 'No.25'].map((size) => use(column(size), 'strength-top', aci));
  figures.forEach((u, i) => i > 0 && expect(u).toBeLessThan(figures[i - 1]!));
  expect(figures.at(-1)).toBeGreaterThan(1);
});

test('the ray ends on the surface: what it allows is on the limit, to 1e-6', () => {
  const shape = { kind: 'rectangle', b: 580, h: 1180 } as const;
  const bars = { kind: 'sides', corner: '16', alongX: 2, sizeX: '12', alongY: 2, sizeY: '16' } as const;
  const p = project({ type: 'column', shape, bars });
  const column = p.members[0] as ColumnMember;
  const section = polygonSection(outlineOfShape(shape), placeColumnBars(shape, bars, 30, 10, catalogues.metric));
  const basis = codeOf(p, column).column.ultimateBasis(silent, { ...column.materials, concreteStrength: 12 }, 'ties');
  const surface = new ResistanceSurface(section, basis);
  fc.assert(
    fc.property(
      fc.integer({ min: -900, max: 4500 }),
      fc.double({ min: 0, max: 6.28, noNaN: true }),
      fc.integer({ min: 5, max: 600 }),
      (N, a, M) => {
        fc.pre(N !== 0);
        const [n, x, y] = [N * 1e3, M * 1e6 * Math.sin(a), M * 1e6 * Math.cos(a)];
        const u = capacityAlongRay(surface, n, x, y);
        const limit = N > 0 ? surface.most : surface.least;
        const s = 1 / u;
        if (Math.abs(s * n) > Math.abs(limit) * (1 - 1e-6)) return;
        const at = surface.capacity(s * n, x, y)!;
        const size = Math.hypot(x, y);
        expect((at.Mx * x + at.My * y) / size / (s * size)).toBeCloseTo(1, 5);
      },
    ),
    { numRuns: 200, seed: 22 },
  );
});
