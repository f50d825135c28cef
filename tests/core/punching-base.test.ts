import { keyOf } from '@/core/drawing/shapes';
import fc from 'fast-check';
import { silent } from '@/core/calc/calc';
import { plainStrength } from '@/core/codes/en1992/punching';
import { baseAt } from '@/core/codes/en1992/punching-base';
import { findAnnex } from '@/core/codes/en1992/national';
import { stagesOf, questionOf } from '@/core/members/punching/stage';
import type { PunchingResult } from '@/core/members/punching/result';
import { designNow } from '@/core/project/design-member';
import { codeOf } from '@/core/members/member';
import type { PunchingMember } from '@/core/members/punching/input';
import { punchingDrawing } from '@/core/members/punching/drawing';
import { punchingLabels } from '@/core/members/punching/labels';
import { readProject } from '@/core/project/read';
import { expectCase, referenceCases } from './reference';

const EN = { id: 'en1992', variant: 'recommended' };

function footing(change: object = {}, code: object = EN) {
  const read = readProject({
    format: 'intarsia',
    version: 1,
    code,
    members: [
      {
        type: 'punching',
        mark: 'F1',
        h: 540,
        cover: 50,
        column: { kind: 'rectangle', b: 400, h: 400 },
        base: { b: 2400, h: 2400 },
        barsX: { size: '16', spacing: 150 },
        barsY: { size: '16', spacing: 150 },
        sets: [{ name: 'U1', V: 1800 }],
        ...change,
      },
    ],
  });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return { project: read.project, member: read.project.members[0] as PunchingMember };
}
const design = (...args: Parameters<typeof footing>): PunchingResult => {
  const { project, member } = footing(...args);
  return designNow(project, member, 'all');
};
const check = (r: PunchingResult, id: string) => r.checks.find((c) => c.id === id)!;

it('pun-13: a footing at a perimeter of 430 mm', () => {
  const reference = referenceCases('en1992').get('pun-13')!;
  const i = reference.inputs as Record<string, number>;
  const { project, member } = footing({
    column: { kind: 'rectangle', b: i.c1_mm, h: i.c2_mm },
    base: { b: i.B_mm, h: i.L_mm },
    materials: { concreteStrength: i.fck_MPa },
    sets: [{ name: 'U1', V: i.VEd_kN }],
  });
  const stage = stagesOf(member, codeOf(project, member))[0]!;
  const q = { ...questionOf(member, stage, member.sets[0]!), d: i.d_mm!, ratio: Math.sqrt(i.rho_y! * i.rho_z!) };
  const at = baseAt(silent, q, q.soil!, i.a_mm!, plainStrength(silent, q, findAnnex('recommended')), () => 0.6);
  expectCase(reference, { VEd_red_kN: at.reduced / 1e3, vEd_MPa: at.stress, vRd_MPa: at.strength });
});

it('a square footing by hand', () => {
  // d = 540 - 50 - 16 = 474; rho = 201.1/150/474 = 0.00283; k = 1 + sqrt(200/474) = 1.650; fck 30:
  // 0.12 x 1.650 (0.283 x 30)^(1/3) = 0.404; least 0.035 x 1.650^1.5 sqrt(30) = 0.406 MPa.
  const r = design();
  const c = check(r, 'plain');
  const best = { ratio: 0, demand: 0, capacity: 0 };
  for (let a = 0.05 * 474; a <= 2 * 474 + 1; a += 0.05 * 474) {
    const A = 400 ** 2 + 1600 * a + Math.PI * a ** 2;
    const u = 1600 + 2 * Math.PI * a;
    const [demand, capacity] = [(1800e3 * (1 - A / 2400 ** 2)) / (u * 474), (0.406 * 2 * 474) / a];
    if (demand / capacity > best.ratio) Object.assign(best, { ratio: demand / capacity, demand, capacity });
  }
  expect(c.demand!.value / best.demand).toBeCloseTo(1, 2);
  expect(c.capacity!.value / best.capacity).toBeCloseTo(1, 2);
  expect(c.clause).toBe('6.4.4(2)');
  expect(c.derivation!.length).toBeGreaterThan(6);
});

it('moments add to it, about either axis alike for a square', () => {
  const of = (Mx: number, My: number) => check(design({ sets: [{ name: 'U1', V: 1800, Mx, My }] }), 'plain').utilisation!;
  expect(of(150, 0)).toBeGreaterThan(of(0, 0) * 1.05);
  expect(of(150, 0)).toBeCloseTo(of(0, 150), 6);
  expect(of(-150, 0)).toBeCloseTo(of(150, 0), 6);
});

it('deeper footings, and the more soil below the column, the less it is used', () => {
  fc.assert(
    fc.property(fc.integer({ min: 300, max: 900 }), fc.integer({ min: 1400, max: 4000 }), (h, b) => {
      const of = (depth: number) => check(design({ h: depth, base: { b, h: b } }), 'plain').utilisation!;
      expect(of(h + 50)).toBeLessThan(of(h));
    }),
    { numRuns: 12 },
  );
});

it('ACI: the soil within the critical section takes its part', () => {
  const aci = { id: 'aci318', variant: 'SI' };
  const sizes = { barsX: { size: 'No.16', spacing: 150 }, barsY: { size: 'No.16', spacing: 150 } };
  const of = (base: object | null) => check(design({ ...sizes, base }, aci), 'plain');
  // d = 540 - 50 - 15.9 = 474.1: (400 + 474.1)^2 of 2400^2 is 13.26 %.
  const [slab, foot] = [of(null), of({ b: 2400, h: 2400 })];
  expect(foot.demand!.value / slab.demand!.value).toBeCloseTo(1 - 874.1 ** 2 / 2400 ** 2, 3);
  expect(foot.capacity!.value).toBeCloseTo(slab.capacity!.value, 9);
});

it.each([
  ['base.b', { base: { b: 450, h: 2000 } }],
  ['legs', { legs: { kind: 'links', size: '10', legs: 12, perimeters: 3, first: 100, spacing: 200 } }],
  ['drop', { drop: { cx: 900, cy: 900, depth: 100 } }],
  ['openings', { openings: [{ kind: 'circle', x: 700, y: 0, diameter: 150 }] }],
])('what does not go with a footing is named: %s', (path, change) => {
  expect(design(change).faults.map((f) => f.path)).toContain(path);
});

it('its plan shows the whole footing with both sizes to edit', () => {
  const { project, member } = footing();
  const drawing = punchingDrawing({ place: member, code: codeOf(project, member), labels: punchingLabels(project, member) }, 700, 500);
  const edits = drawing.shapes.flatMap((s) => (s.kind === 'text' && s.edit ? [keyOf(s.edit)] : []));
  expect(edits).toEqual(expect.arrayContaining(['base.b', 'base.h', 'columnSide.b', 'bars.x']));
  for (const s of drawing.shapes)
    for (const [x, y] of s.kind === 'path' ? s.points : [s.at]) expect(x > -1 && x < 701 && y > -1 && y < 501).toBe(true);
});
