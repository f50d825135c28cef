import fc from 'fast-check';
import {
  addedToPlan,
  holdsOf,
  holdTitle,
  laidBy,
  laidOnPlan,
  movedOnPlan,
  pointsMoved,
  restOf,
  takenOffPlan,
} from '@/core/members/plate/plan-changes';
import { outlineProperties } from '@/core/geometry/polygon';
import { outlineOf } from '@/core/members/plate/geometry';
import type { PlateInput, PlateMember } from '@/core/members/plate/input';
import { nothingChosen, planParts, type ChosenParts, type PlanPart } from '@/core/members/plate/plan-parts';
import { placesInRing, placesInRows, roundOutline, withColumnsAt } from '@/core/members/plate/set-out';
import { restOnPlan } from '@/core/members/plate/snap';
import { plateFaults } from '@/core/members/plate/faults';
import { codeOf } from '@/core/members/member';
import { corners, slabOf, slabs } from './plate-slabs';

const { project } = slabs((more) => ({
  h: 200,
  outline: corners([
    [0, 0],
    [6000, 0],
    [6000, 5000],
    [0, 5000],
  ]),
  ...more,
}));
const opened = project({
  columns: [
    { name: 'C1', x: 2000, y: 2000 },
    { name: 'C2', x: 4000, y: 2050 },
  ],
});
const slab = slabOf(opened);
const chosen: ChosenParts = {
  ...nothingChosen,
  extra: [{ face: 'top', along: 'x', x1: 0, y1: 0, x2: 1000, y2: 1000, bars: { size: '12', alternate: null, spacing: 150 } }],
  lines: [{ name: 'S1', x1: 0, y1: 2500, x2: 6000, y2: 2500 }],
};
const withAll = planParts.reduce((m, part) => ({ ...m, ...addedToPlan(part, m, chosen) }), slab as PlateMember);
const apply = (m: PlateMember, patch: Partial<PlateMember>): PlateMember => ({ ...m, ...patch });

describe('parts of a plan', () => {
  test.each(planParts)('%s are added, each kept by the schema, and taken out again', (part) => {
    const before = holdsOf(part, slab, chosen).filter((h) => h.end !== 'whole');
    const after = apply(slab, addedToPlan(part, slab, chosen));
    const added = holdsOf(part, after, chosen).filter((h) => h.end !== 'whole');
    expect(added.length).toBeGreaterThan(before.length);
    const last = added.find((h) => !before.some((b) => b.index === h.index))!;
    const back = apply(after, takenOffPlan(last, after, chosen));
    expect(holdsOf(part, back, chosen).filter((h) => h.end !== 'whole')).toHaveLength(before.length);
  });
  test('what is chosen is all set when one of it is moved', () => {
    const hold = holdsOf('lines', slab, chosen).find((h) => h.end === 1)!;
    expect(movedOnPlan(hold, [6000, 1000], slab, chosen).straightedges).toEqual([{ name: 'S1', x1: 0, y1: 2500, x2: 6000, y2: 1000 }]);
    const bars = holdsOf('bars', slab, chosen).find((h) => h.end === 3)!;
    // The fourth corner is that of the first x and the second y.
    expect(movedOnPlan(bars, [-100, 1200], slab, chosen).bars!.extra![0]).toMatchObject({ x1: -100, y1: 0, x2: 1000, y2: 1200 });
  });
  test('only bars of the layer that is shown are held', () => {
    expect(holdsOf('bars', slab, { ...chosen, layer: { face: 'bottom', along: 'x' } })).toHaveLength(0);
    expect(holdsOf('bars', slab, { ...chosen, layer: { face: 'top', along: 'x' } })).toHaveLength(5);
    const laid = laidOnPlan('bars', [0, 0], [500, 500], slab, { ...chosen, layer: { face: 'bottom', along: 'y' } });
    expect(laid.bars!.extra!.at(-1)).toMatchObject({ face: 'bottom', along: 'y', x2: 500 });
  });
  test('a corner divides the edge that is nearest, and is held as that edge; three corners stay', () => {
    const outline = laidOnPlan('corners', [0, 0], [3000, -200], slab, chosen).outline!;
    expect(outline.map((c) => [c.x, c.y])).toEqual([
      [0, 0],
      [3000, -200],
      [6000, 0],
      [6000, 5000],
      [0, 5000],
    ]);
    const three = apply(slab, { outline: slab.outline.slice(0, 3) });
    expect(takenOffPlan({ part: 'corners', index: 0, end: 0 }, three, chosen)).toEqual({});
  });
  test('names are those that nothing else has', () => {
    const taken = apply(slab, { columns: slab.columns.slice(1) });
    expect(addedToPlan('columns', taken, chosen).columns!.map((c) => c.name)).toEqual(['C2', 'C3']);
    expect(holdTitle({ part: 'columns', index: 0, end: 0 }, slab, chosen)).toBe('column C1');
    expect(holdTitle({ part: 'bars', index: 0, end: 2 }, slab, chosen)).toBe('bars 1, corner 3');
  });
  test('a slab with one of everything is still a slab', () => {
    expect(
      // A wall and a load along a line would run over the opening.
      plateFaults({ ...withAll, openings: [] }, codeOf(opened, withAll))
        .map((f) => f.path)
        .filter((p) => /^(outline|openings|walls|loads|regions)/.test(p)),
    ).toEqual([]);
  });
});

const part = fc.constantFrom(...planParts);
const place = fc.tuple(fc.integer({ min: -2000, max: 8000 }), fc.integer({ min: -2000, max: 8000 }));

describe('moving parts', () => {
  test('a point that is moved is where it was moved to, and all else of the slab is as it was', () => {
    fc.assert(
      fc.property(part, fc.nat(40), place, (of: PlanPart, pick, to) => {
        const all = holdsOf(of, withAll, chosen);
        const hold = all[pick % all.length]!;
        const next = apply(withAll, movedOnPlan(hold, to, withAll, chosen));
        const now = holdsOf(of, next, chosen).find((h) => h.index === hold.index && h.end === hold.end)!;
        expect(now.at[0]).toBeCloseTo(to[0], 6);
        expect(now.at[1]).toBeCloseTo(to[1], 6);
        expect(pointsMoved(hold, to, withAll, chosen).length).toBe(laidBy(of) === 'place' ? 1 : laidBy(of) === 'line' ? 2 : 4);
        const others = (m: PlateMember) => holdsOf(of, m, chosen).filter((h) => h.index !== hold.index);
        expect(others(next)).toEqual(others(withAll));
        expect({ ...next, ...movedOnPlan(hold, hold.at, next, chosen) }).toEqual(
          apply(withAll, movedOnPlan(hold, hold.at, withAll, chosen)),
        );
      }),
    );
  });
  test('what is moved as a whole keeps its size', () => {
    const hold = holdsOf('openings', withAll, chosen).find((h) => h.end === 'whole')!;
    const size = (m: PlateMember) =>
      m.openings[0]!.corners.map(([x, y]) => [x - m.openings[0]!.corners[0]![0], y - m.openings[0]!.corners[0]![1]]);
    expect(size(apply(withAll, movedOnPlan(hold, [1000, 900], withAll, chosen)))).toEqual(size(withAll));
  });
});

describe('coming to rest', () => {
  const by = { step: 50, reach: 100 };
  test('at a column that is near, in line with what is near along one direction, else on the grid', () => {
    expect(restOnPlan(slab, [2060, 1950], by)).toMatchObject({ at: [2000, 2000], on: 'at column C1' });
    // x of C2, y of the grid: 3,333 is nearest to 3,350.
    expect(restOnPlan(slab, [3930, 3333], by)).toEqual({ at: [4000, 3350], guides: [[4000, 2050]], on: 'in line with column C2' });
    expect(restOnPlan(slab, [2983, 3333], by)).toEqual({ at: [3000, 3350], guides: [], on: '' });
  });
  test('not at itself; what is moved whole rests by its first corner', () => {
    const c1 = { part: 'columns', index: 0, end: 0 } as const;
    expect(restOf(c1, [2060, 3330], slab, chosen, by)).toEqual({ at: [2050, 3350], guides: [], on: '' });
    const holed = apply(slab, {
      openings: [
        {
          corners: [
            [1010, 3010],
            [1510, 3010],
            [1510, 3410],
            [1010, 3410],
          ],
        },
      ],
    });
    // Its middle is pulled by 83 and 41: its first corner goes to 1,093 and 3,051, and rests at 1,100 and 3,050.
    const rest = restOf({ part: 'openings', index: 0, end: 'whole' }, [1343, 3251], holed, chosen, by);
    expect(rest.at).toEqual([1350, 3250]);
  });
});

describe('parts that are set out at once', () => {
  const base = { outline: [] as PlateInput['outline'], openings: [] };
  test('a circle stands about the middle of what was there, as wide as it is said, and is held as before', () => {
    const from = [
      [0, 0],
      [6000, 0],
      [6000, 4000],
      [0, 4000],
    ].map(([x, y]) => ({ x: x!, y: y!, edge: 'free' as const, rise: 0, sinks: null, turns: null }));
    const outline = roundOutline({ ...base, outline: from }, 8000);
    expect(outline.map(({ x, y, rise, edge }) => [x, y, rise, edge])).toEqual([
      [-1000, 2000, 4000, 'free'],
      [7000, 2000, 4000, 'free'],
    ]);
    const { area } = outlineProperties(outlineOf({ ...base, outline }));
    expect(area / (Math.PI * 4000 ** 2)).toBeCloseTo(1, 2);
  });
  test('columns in a ring and in rows, each place once, all with names of their own', () => {
    expect(placesInRing([1000, 0], 2000, 4)).toEqual([
      [3000, 0],
      [1000, 2000],
      [-1000, 0],
      [1000, -2000],
    ]);
    const rows = placesInRows([0, 5000, 10_000], [0, 6000]);
    expect(rows).toHaveLength(6);
    const once = withColumnsAt({ ...base, columns: [] } as unknown as PlateInput, rows);
    const twice = withColumnsAt({ ...base, columns: once } as unknown as PlateInput, [...rows, [0, 12_000]]);
    expect(twice).toHaveLength(7);
    expect(new Set(twice.map((c) => c.name)).size).toBe(7);
    expect(twice.at(-1)!.shape).toEqual(once[0]!.shape);
  });
});
