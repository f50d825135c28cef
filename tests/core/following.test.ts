import { runDesign } from '@/cli/design';
import type { PlateMember } from '@/core/members/plate/input';
import type { PlateResult } from '@/core/members/plate/result';
import type { PunchingMember } from '@/core/members/punching/input';
import type { ColumnMember } from '@/core/members/column/input';
import { designNow } from '@/core/project/design-member';
import { asDesigned, letGoOfChanged, neededFor } from '@/core/project/following';
import type { Project } from '@/core/project/project';
import { readProject } from '@/core/project/read';
import { takenBy } from '@/core/project/taken';
import { writeProject } from '@/core/project/write';
import { box } from '@/core/geometry/polygon';

const slab = {
  id: 'a',
  type: 'plate',
  mark: 'PL1',
  h: 240,
  meshSize: 900,
  outline: box(-200, -200, 12_200, 6200).map(([x, y]) => ({ x, y, edge: 'free' })),
  columns: [0, 6000, 12_000].flatMap((x, i) =>
    [0, 6000].map((y, k) => ({ name: `${'AB'[k]}${i + 1}`, x, y, shape: { kind: 'rectangle', b: 400, h: 400 }, below: 3000, above: 3000 })),
  ),
  cases: [{ id: 'G', title: 'Permanent', nature: 'permanent' }],
  loads: [{ type: 'uniform', case: 'G', value: 4 }],
};
const place = { id: 'p', type: 'punching', mark: 'P1', h: 300, sets: [{ name: 'U1', V: 10e3 }], from: { member: 'a', column: 'B2' } };

function projectOf(...members: object[]): Project {
  const read = readProject({ format: 'intarsia', version: 1, name: 'Test', members } as never);
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.project;
}
const placeIn = (p: Project) => p.members.find((m) => m.id === 'p') as PunchingMember;
const slabIn = (p: Project) => p.members.find((m) => m.id === 'a') as PlateMember;

describe('a place of punching that follows a slab', () => {
  const project = projectOf(slab, place);

  test('is designed with what the slab has at its column, whatever stands in it', () => {
    const result = designNow(project, placeIn(project));
    const plate = designNow(project, slabIn(project)) as PlateResult;
    const there = plate.columns.find((c) => c.name === 'B2')!;
    expect(asDesigned(placeIn(project), result)).toMatchObject({ h: 240, edges: there.place!.edges, sets: there.place!.sets });
    const own = plate.checks.find((c) => c.title.startsWith('Punching at B2'))!;
    expect(result.governing!.utilisation).toBeCloseTo(own.utilisation!, 9);
    expect(neededFor(project.members, placeIn(project)).map((m) => m.id)).toEqual(['a']);
  });
  test('a slab that is changed changes it: twice the load beside its own weight', () => {
    const heavier = projectOf({ ...slab, loads: [{ type: 'uniform', case: 'G', value: 14 }] }, place);
    const force = (p: Project) => Math.max(...asDesigned(placeIn(p), designNow(p, placeIn(p))).sets.map((s) => s.V));
    // (0.24 x 25 + 14) / (0.24 x 25 + 4) = 2
    expect(force(heavier) / force(project)).toBeCloseTo(2, 3);
  });
  test('without the slab, or the column, it says so and shows nothing else', () => {
    const alone = projectOf(place);
    expect(designNow(alone, placeIn(alone)).faults).toEqual([{ path: 'from', reason: expect.stringMatching(/not in this project/) }]);
    const other = projectOf(slab, { ...place, from: { member: 'a', column: 'Z9' } });
    expect(designNow(other, placeIn(other)).faults[0]!.reason).toMatch(/no column called Z9/);
    const wrong = projectOf({ ...slab, h: 5 }, place);
    expect(designNow(wrong, placeIn(wrong)).faults[0]!.reason).toMatch(/^The slab that it follows cannot be worked out/);
    const itself = projectOf({ ...place, from: { member: 'p', column: 'B2' } });
    expect(designNow(itself, placeIn(itself)).faults[0]!.reason).toBe('P1 has nothing to give.');
  });
  test('what is changed of what it took lets go; its own links and what else changes do not', () => {
    const changed = (more: object) => {
      const after = { ...project, members: project.members.map((m) => (m.id === 'p' ? ({ ...m, ...more } as PunchingMember) : m)) };
      return placeIn(letGoOfChanged(project, after)).from;
    };
    expect(changed({ cover: 40 })).toBeNull();
    expect(changed({ sets: [] })).toBeNull();
    expect(changed({ beta: 1.4, title: 'Beside the stair' })).toEqual(place.from);
  });
  test('what follows nothing takes nothing', () => {
    const beam = projectOf({ id: 'b', mark: 'B1' });
    expect(takenBy(beam, beam.members, beam.members[0]!)).toBeUndefined();
  });
  test('the link is written and read again, and the command line designs by it', async () => {
    const text = writeProject(project);
    expect(placeIn(projectOf(...(JSON.parse(text) as { members: object[] }).members)).from).toEqual(place.from);
    const { output } = await runDesign(['project.intarsia', '--member', 'P1', '--json'], () => text);
    const told = JSON.parse(output) as { members: { mark: string; utilisation: number; input: { h: number } }[] };
    const found = told.members.find((m) => m.mark === 'P1')!;
    expect(found.utilisation).toBeCloseTo(designNow(project, placeIn(project)).governing!.utilisation!, 6);
    expect(found.input.h).toBe(240);
  });
});

const below = {
  id: 'c',
  type: 'column',
  mark: 'C1',
  shape: { kind: 'circle', diameter: 300 },
  height: 2760,
  from: { member: 'a', column: 'A1' },
};
const columnIn = (p: Project) => p.members.find((m) => m.id === 'c') as ColumnMember;
const followed = (p: Project) => asDesigned(columnIn(p), designNow(p, columnIn(p)));

describe('a column that follows the slab above it', () => {
  const at = (column: string, more: object = {}, above?: object) => {
    const from = { member: 'a', column, ...(above ? { above } : {}) };
    return followed(projectOf({ ...slab, ...more }, { ...below, from }));
  };
  const ultimate = (c: ColumnMember) => c.sets.filter((s) => s.kind === 'ultimate');

  test('has its shape, and all that the slab brings to it', () => {
    const project = projectOf(slab, below);
    const plate = designNow(project, slabIn(project)) as PlateResult;
    const forces = plate.columns.find((c) => c.name === 'A1')!.forces;
    const column = followed(project);
    expect(column.shape).toEqual({ kind: 'rectangle', b: 400, h: 400 });
    expect(ultimate(column).map((s) => [s.name, s.N])).toEqual(forces.map((f) => [f.name, f.V]));
    // Storeys of one height share the moments of the joint; half of it goes to the fixed foot, turned the other way.
    ultimate(column).forEach((s, i) => {
      expect(s.mxTop).toBeCloseTo(forces[i]!.Mx / 2, 6);
      expect(s.mxBottom).toBeCloseTo(-forces[i]!.Mx / 4, 6);
      // (M + M / 2) / 3 m
      expect(s.vy).toBeCloseTo((0.75 * forces[i]!.Mx) / 3000, 6);
    });
    expect(column.sets.some((s) => s.kind === 'quasiPermanent')).toBe(true);
  });

  test('is pressed at the side on which the slab lies', () => {
    // A1 stands at the left, below; B3 at the right, above.
    const [first, last] = [ultimate(at('A1'))[0]!, ultimate(at('B3'))[0]!];
    expect(Math.min(first.mxTop, first.myTop)).toBeGreaterThan(1e6);
    expect(Math.max(last.mxTop, last.myTop)).toBeLessThan(-1e6);
    expect(last.mxTop / first.mxTop).toBeCloseTo(-1, 1);
  });

  test('takes all of the moment where nothing stands above, none of it to a pinned foot', () => {
    const columns = slab.columns.map((c) => ({ ...c, above: 0, farEnds: 'pinned' }));
    const [set] = ultimate(at('A1', { columns }));
    const p = projectOf({ ...slab, columns });
    const [force] = (designNow(p, slabIn(p)) as PlateResult).columns[0]!.forces;
    expect([set!.mxTop, set!.mxBottom]).toEqual([force!.Mx, 0]);
  });

  test('has what stands above on it, the least of it in sets of their own', () => {
    const alone = at('A2');
    const under = at('A2', {}, { most: 800, least: 300, service: 500 });
    expect(ultimate(under)).toHaveLength(2 * ultimate(alone).length);
    const [a, b] = ultimate(under);
    const [plain] = ultimate(alone);
    expect([a!.N - plain!.N, b!.N - plain!.N].map(Math.round)).toEqual([800e3, 300e3]);
    expect(b!.name).toBe(`${plain!.name}, least above`);
    const service = (c: ColumnMember) => c.sets.find((s) => s.kind === 'quasiPermanent')!.N;
    expect(service(under) - service(alone)).toBeCloseTo(500e3, 3);
    expect(ultimate(at('A2', {}, { most: 800 }))).toHaveLength(ultimate(alone).length);
  });

  test('is not there without a storey below, and stands by itself once its forces are changed by hand', () => {
    const none = projectOf({ ...slab, columns: slab.columns.map((c) => ({ ...c, below: 0 })) }, below);
    expect(designNow(none, columnIn(none)).faults[0]!.reason).toMatch(/no storey below column A1/);
    const project = projectOf(slab, below);
    const change = (more: object) =>
      columnIn(
        letGoOfChanged(project, {
          ...project,
          members: project.members.map((m) => (m.id === 'c' ? ({ ...m, ...more } as ColumnMember) : m)),
        }),
      ).from;
    expect(change({ sets: [] })).toBeNull();
    expect(change({ height: 3100 })).not.toBeNull();
  });
});
