import { percentTitle } from '@/core/advice/single-changes';
import { workOf } from '@/core/members/works';
import { codeOf } from '@/core/members/member';
import type { PunchingMember } from '@/core/members/punching/input';
import type { PunchingResult } from '@/core/members/punching/result';
import { settingOut } from '@/core/members/punching/setting-out';
import { stagesOf } from '@/core/members/punching/stage';
import { designNow } from '@/core/project/design-member';
import { readProject } from '@/core/project/read';

const EN = { id: 'en1992', variant: 'recommended' };
const ACI = { id: 'aci318', variant: 'SI' };
const legs = { kind: 'links', size: '10', legs: 12, perimeters: 4, first: 90, spacing: 140, layout: 'orthogonal' };
function placeOf(change: object = {}, code: object = EN) {
  const base = {
    type: 'punching',
    catalogue: 'metric',
    h: 250,
    cover: 25,
    materials: { concreteStrength: 30 },
    column: { kind: 'rectangle', b: 400, h: 400 },
    barsX: { size: '16', spacing: 125 },
    barsY: { size: '16', spacing: 125 },
    sets: [{ name: 'U1', V: 700 }],
    momentsBy: 'moments',
    legs,
  };
  const read = readProject({ format: 'intarsia', version: 1, code, members: [{ ...base, ...change }] });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  const member = read.project.members[0] as PunchingMember;
  const [stage] = stagesOf(member, codeOf(read.project, member));
  return { project: read.project, member, stage: stage!, result: designNow(read.project, member, 'all') as PunchingResult };
}
const check = (r: PunchingResult, id: string) => r.checks.find((c) => c.id === id)!;

describe('legs in lines square to the faces', () => {
  const { stage, result } = placeOf();
  test('as many on each face, parallel to an axis, the outer ones at the corners, legs at 90 + 140 k', () => {
    const { lines, legs: all } = stage.placed!;
    expect(lines).toHaveLength(12);
    for (const { from, out, distances } of lines) {
      expect(Math.abs(out[0]) + Math.abs(out[1])).toBe(1);
      expect(Math.max(Math.abs(from[0]), Math.abs(from[1]))).toBeCloseTo(200, 3);
      expect(distances).toEqual([90, 230, 370, 510]);
    }
    expect(all).toHaveLength(48);
    const right = lines.filter((l) => l.out[0] === 1).map((l) => Math.round(l.from[1]));
    expect(right).toEqual([-200, 0, 200]);
  });
  test('EN, by hand: outside them only 400 + 2 d before each face counts: 4 (400 + 2 x 209) = 3272 mm; all round it were 6815', () => {
    // d 209; all round: 1600 + 2 pi (510 + 1.5 x 209).
    const outside = check(result, 'outside');
    expect(outside.capacity!.value).toBeCloseTo(4 * (400 + 2 * stage.d), 0);
    expect(stage.around(510 + 1.5 * stage.d).length).toBeGreaterThan(6700);
  });
  test('EN: across the corner legs stand further apart than 1.5 d within the critical perimeter, and that is said', () => {
    // At 370 mm: 370 sqrt 2 = 523 mm against 1.5 x 209 = 313.5.
    expect(stage.steel!.across).toBeCloseTo(370 * Math.SQRT2, 0);
    expect(check(result, 'leg-across').status).toBe('exceeds');
    // Beyond it the gap between faces does not count, so nothing is asked of it.
    expect(stage.steel!.acrossBeyond).toBeCloseTo(200, 3);
  });
  test('lines of a face further apart than twice d leave a gap in what counts', () => {
    const wide = placeOf({ column: { kind: 'rectangle', b: 1000, h: 400 }, legs: { ...legs, legs: 8 } });
    const counts = wide.stage.placed!.lines.filter((l) => l.out[1] === 1).length;
    const length = check(wide.result, 'outside').capacity!.value;
    const { d } = wide.stage;
    // Three lines at -500, 0 and 500 mm: 500 is more than 2 d = 418, each holds d to both sides.
    expect(counts).toBe(3);
    expect(length).toBeCloseTo(2 * 3 * 2 * d + 2 * (400 + 2 * d), 0);
  });
  test('ACI: outside them the section runs as an octagon around the tips, half of d away', () => {
    const { stage: s, result: r } = placeOf({ momentsBy: 'moments' }, ACI);
    // Tips: 8 points, 400 along the faces and 510 sqrt 2 across the corners; at d/2 each corner of the octagon adds 2 (d/2) tan(45/2).
    const hull = 4 * 400 + 4 * 510 * Math.SQRT2;
    expect(s.steel!.outside.length).toBeCloseTo(hull + 8 * s.d * Math.tan(Math.PI / 8), 0);
    expect(check(r, 'outside').utilisation).toBeGreaterThan(0.1);
  });
  test('a face at an edge has no lines; an opening takes legs and what counts there', () => {
    const edge = placeOf({ edges: { left: 0 } });
    expect(edge.stage.placed!.lines.some((l) => l.out[0] === -1)).toBe(false);
    const open = placeOf({ openings: [{ kind: 'rectangle', x: 600, y: 0, b: 200, h: 700 }] });
    expect(open.stage.placed!.dropped.length).toBeGreaterThan(0);
    expect(check(open.result, 'outside').capacity!.value).toBeLessThan(check(result, 'outside').capacity!.value);
  });
  test('a round column has lines from its outline', () => {
    const { stage: s } = placeOf({ column: { kind: 'circle', diameter: 500 } });
    for (const { from } of s.placed!.lines) expect(Math.hypot(...from)).toBeCloseTo(250, 0);
  });
});

describe('legs in radial lines', () => {
  test('links stand as studs on rails do, and their setting out is one row for each line', () => {
    const links = placeOf({ legs: { ...legs, layout: 'radial' } });
    const studs = placeOf({ legs: { ...legs, kind: 'studs', layout: 'round' } });
    expect(links.stage.placed!.legs).toEqual(studs.stage.placed!.legs);
    const table = settingOut(links.member, links.stage.placed)!;
    expect(table.rows).toHaveLength(12);
    expect(table.rows[0]!.slice(4)).toEqual(['4', { value: 90, kind: 'length' }, { value: 510, kind: 'length' }]);
  });
  test('legs on perimeters are set out perimeter by perimeter', () => {
    const { member, stage } = placeOf({ legs: { ...legs, layout: 'round' } });
    const table = settingOut(member, stage.placed)!;
    expect(table.rows.map((r) => r[2])).toEqual(['12', '12', '12', '12']);
  });
});

test('ways forward of a slab without legs have no infinite cost: what comes from nothing is new, the cheaper first', () => {
  const { project, member } = placeOf({ legs: null });
  const code = codeOf(project, member);
  const ways = workOf(member).propose(member, 'changes', { project, code, rates: project.rates });
  const withLegs = ways.filter((w) => w.about === 'legs');
  expect(withLegs.length).toBeGreaterThan(1);
  expect(withLegs.map((w) => percentTitle(w.cost))).toEqual(withLegs.map(() => 'new'));
  expect(ways.every((w) => Number.isFinite(w.cost) && Number.isFinite(w.carbon))).toBe(true);
});
