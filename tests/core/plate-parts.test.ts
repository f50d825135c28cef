import fc from 'fast-check';
import type { Combination } from '@/core/analysis/combination';
import { locatorOf, sharesIn, valueAt } from '@/core/analysis/plates/locate';
import { meshOf } from '@/core/analysis/plates/mesh';
import { Mixing } from '@/core/analysis/plates/mixing';
import { addLine, addPatch, addPoint, addPressure, noLoads } from '@/core/analysis/plates/plate-loads';
import { meanAcross, placesAcross } from '@/core/analysis/plates/spread';
import { barTerms, momentOf } from '@/core/analysis/plates/design-moments';
import { box, outlineProperties, signedArea, type Point } from '@/core/geometry/polygon';
import type { PartAnswer } from '@/core/members/plate/analysis';
import { extremesOf } from '@/core/members/plate/envelope';
import { columnAt, columnTurning, depthAt, edgePath, outlineOf } from '@/core/members/plate/geometry';
import type { PlateColumn } from '@/core/members/plate/input';
import { axesOf } from '@/core/members/plate/bar-axes';
import { regionsAbove } from '@/core/members/plate/needy-regions';
import { worstGap } from '@/core/members/plate/straightedges';
import { barMoments } from './wood-armer';

const mesh = meshOf({ outline: { outer: box(0, 0, 4000, 3000), holes: [] }, lines: [], points: [], sizeAt: () => 300 });
const locate = locatorOf(mesh);
const nodes = mesh.at.length / 2;
const alongPlan = axesOf({ axes: { kind: 'straight', angle: 0, between: 90 } });

/** Sum of loads with their moments about the origin. */
function resultant(loads: Float64Array): [force: number, x: number, y: number] {
  let [force, x, y] = [0, 0, 0];
  for (let n = 0; n < nodes; n += 1) {
    force += loads[3 * n]!;
    x += loads[3 * n]! * mesh.at[2 * n]!;
    y += loads[3 * n]! * mesh.at[2 * n + 1]!;
  }
  return [force, x, y];
}

describe('places in a mesh', () => {
  test('every point of the plate is found, and a straight field is read exactly; points off it are not', () => {
    const field = Float64Array.from({ length: nodes }, (_, n) => 2 + 0.003 * mesh.at[2 * n]! - 0.001 * mesh.at[2 * n + 1]!);
    fc.assert(
      fc.property(fc.double({ min: 1, max: 3999, noNaN: true }), fc.double({ min: 1, max: 2999, noNaN: true }), (x, y) => {
        expect(valueAt(mesh, locate([x, y])!, field)).toBeCloseTo(2 + 0.003 * x - 0.001 * y, 8);
      }),
    );
    expect(locate([-10, 100])).toBeUndefined();
    expect(locate([4010, 2900])).toBeUndefined();
  });
  test('a mean across a width of a straight field is its own value inside, and that of what lies on the plate at an edge', () => {
    const field = Float64Array.from({ length: nodes }, (_, n) => mesh.at[2 * n + 1]!);
    const mean = meanAcross(
      mesh,
      placesAcross(
        mesh,
        locate,
        () => [1, 0],
        900,
        () => true,
      ),
      field,
      1,
      0,
    );
    for (let n = 0; n < nodes; n += 1) {
      const y = mesh.at[2 * n + 1]!;
      if (y > 450 && y < 2550) expect(mean[n]).toBeCloseTo(y, 6);
      // At the lower edge the five places of nine that lie on the plate: 0, 100, 200, 300, 400.
      if (y === 0) expect(mean[n]).toBeCloseTo(200, 6);
    }
  });
});

describe('loads on parts of a plate', () => {
  test('a patch of any shape keeps force and place, also where it hangs over the edge or has a notch', () => {
    const shapes: Point[][] = [
      box(500, 400, 1700, 2100),
      [
        [300, 300],
        [2600, 500],
        [1400, 1200],
        [2500, 2600],
        [400, 2200],
      ],
    ];
    for (const shape of shapes) {
      const loads = noLoads(3 * nodes);
      addPatch(loads, mesh, shape, 2e-3);
      const { area, centroid } = outlineProperties({ outer: shape, holes: [] });
      const [force, x, y] = resultant(loads);
      expect(force / (2e-3 * area)).toBeCloseTo(1, 9);
      expect(x / force).toBeCloseTo(centroid[0], 6);
      expect(y / force).toBeCloseTo(centroid[1], 6);
    }
    const over = noLoads(3 * nodes);
    addPatch(over, mesh, box(3000, 2000, 5000, 5000), 1e-3);
    expect(resultant(over)[0]).toBeCloseTo(1e-3 * 1000 * 1000, 6);
    const all = noLoads(3 * nodes);
    addPressure(all, mesh, () => 1e-3);
    const patch = noLoads(3 * nodes);
    addPatch(patch, mesh, box(-1, -1, 4001, 3001), 1e-3);
    all.forEach((v, i) => expect(patch[i]).toBeCloseTo(v, 6));
  });
  test('lines and points keep force and place at any angle', () => {
    const at = fc.tuple(fc.double({ min: 50, max: 3950, noNaN: true }), fc.double({ min: 50, max: 2950, noNaN: true }));
    fc.assert(
      fc.property(at, at, (a, b) => {
        const length = Math.hypot(b[0] - a[0], b[1] - a[1]);
        fc.pre(length > 20);
        const loads = noLoads(3 * nodes);
        addLine(loads, mesh, locate, [a, b], 5);
        addPoint(loads, mesh, locate, a, 700);
        const [force, x, y] = resultant(loads);
        expect(force).toBeCloseTo(5 * length + 700, 4);
        expect(x).toBeCloseTo((5 * length * (a[0] + b[0])) / 2 + 700 * a[0], 0);
        expect(y).toBeCloseTo((5 * length * (a[1] + b[1])) / 2 + 700 * a[1], 0);
      }),
      { numRuns: 60 },
    );
  });
  test('shares in a triangle', () => {
    expect(
      sharesIn(
        [
          [0, 0],
          [3, 0],
          [0, 3],
        ],
        [1, 1],
      ).map((v) => v.toFixed(6)),
    ).toEqual(['0.333333', '0.333333', '0.333333']);
  });
});

describe('the largest over all arrangements', () => {
  test('sums of moments for bars are never less than the least bars, and are right in every direction', () => {
    const m = fc.double({ min: -50, max: 50, noNaN: true });
    const termsAlong = (along: 'x' | 'y') => (along === 'x' ? barTerms([1, 0], [0, 1]) : barTerms([0, 1], [1, 0]));
    fc.assert(
      fc.property(m, m, m, (mx, my, mxy) => {
        const asked = (along: 'x' | 'y') => Math.max(0, ...termsAlong(along).map((t) => momentOf(t, [mx, my, mxy])));
        const least = barMoments(mx, my, mxy);
        expect(asked('x')).toBeGreaterThanOrEqual(least.x - 1e-9);
        expect(asked('y')).toBeGreaterThanOrEqual(least.other - 1e-9);
      }),
    );
  });
  test('no arrangement of variable parts gives more than the extremes, and one gives them: all of them tried', () => {
    const effect = fc.double({ min: -20, max: 20, noNaN: true });
    const factor = fc.constantFrom(0, 1, 1.35, 1.5);
    fc.assert(
      fc.property(fc.array(fc.tuple(effect, effect, factor, factor, fc.boolean()), { minLength: 1, maxLength: 5 }), (given) => {
        const parts = given.map(([a, b, , , isVariable], i) => ({ caseId: `${i}`, isVariable, field: Float64Array.of(a, b) }));
        const combinations = [2, 3].map(
          (k) => ({ id: `${k}`, factors: given.map((g, i) => ({ caseId: `${i}`, factor: g[k as 2 | 3] })) }) as unknown as Combination,
        );
        for (const sense of [1, -1] as const) {
          const found = extremesOf(
            parts as unknown as PartAnswer[],
            combinations,
            sense,
            (p) => (p as unknown as { field: Float64Array }).field,
          );
          const tried = [0, 1].map((n) => {
            const all = combinations.flatMap((c) =>
              Array.from({ length: 2 ** parts.length }, (_, on) =>
                parts.reduce((sum, p, i) => sum + (!p.isVariable || (on >> i) & 1 ? c.factors[i]!.factor * p.field[n]! : 0), 0),
              ),
            );
            return sense === 1 ? Math.max(...all) : Math.min(...all);
          });
          found.values.forEach((v, n) => expect(v).toBeCloseTo(tried[n]!, 9));
        }
      }),
    );
  });
});

describe('outlines and columns', () => {
  const circle = {
    outline: [
      { x: -5000, y: 0, edge: 'free', rise: 5000 },
      { x: 5000, y: 0, edge: 'free', rise: 5000 },
    ],
    openings: [],
  } as const;
  test('two corners with a rise of half their distance are a circle, whichever way they run; an arc may also dent the slab', () => {
    // 96 straight sides: their area is sin(t) / t of the circle's, t = 2 pi / 96: 0.9993.
    for (const outline of [circle.outline, [...circle.outline].reverse()])
      expect(Math.abs(signedArea(outlineOf({ outline, openings: [] }).outer)) / (Math.PI * 5000 ** 2)).toBeCloseTo(0.9993, 3);
    const square = box(0, 0, 4000, 4000).map(([x, y], i) => ({ x, y, edge: 'free' as const, rise: i === 0 ? -800 : 0 }));
    // A segment with chord 4000 and rise 800: r = (2000^2 + 800^2) / 1600 = 2900, half angle asin(2000/2900) = 0.7610,
    // r^2 (a - sin a cos a) = 8.41e6 x (0.7610 - 0.6897 x 0.7241) = 2.200e6.
    expect(signedArea(outlineOf({ outline: square, openings: [] }).outer)).toBeCloseTo(16e6 - 2.2e6, -5);
    const path = edgePath({ outline: square }, 0);
    expect(Math.max(...path.map(([, y]) => y))).toBeGreaterThan(797);
  });
  test('a column resists turning by 4EI/l of each storey, 3EI/l with a pinned far end', () => {
    const column = {
      x: 0,
      y: 0,
      shape: { kind: 'rectangle', b: 300, h: 500 },
      below: 3000,
      above: 4000,
      farEnds: 'fixed',
    } as unknown as PlateColumn;
    const [alongX, alongY] = columnTurning(column, 30_000);
    // Along x the side of 300 bends: 500 x 300^3 / 12 = 1.125e9; 4 x 30000 x 1.125e9 x (1/3000 + 1/4000) = 7.875e10.
    expect(alongX / 7.875e10).toBeCloseTo(1, 9);
    expect(alongY / alongX).toBeCloseTo(25 / 9, 9);
    expect(columnTurning({ ...column, farEnds: 'pinned', above: 0 }, 30_000)[0] / (3 * 30_000 * 1.125e9) / (1 / 3000)).toBeCloseTo(1, 9);
  });
  test('a round column keeps its area; depth is that of the last part over a place', () => {
    const round = { x: 100, y: 200, shape: { kind: 'circle', diameter: 400 } } as unknown as PlateColumn;
    expect(signedArea(columnAt(round)) / (Math.PI * 200 ** 2)).toBeCloseTo(1, 9);
    const plate = {
      h: 250,
      regions: [
        { x1: 2000, y1: 2000, x2: 0, y2: 0, h: 400 },
        { x1: 0, y1: 0, x2: 500, y2: 500, h: 300 },
      ],
    };
    expect([depthAt(plate, [100, 100]), depthAt(plate, [1000, 1000]), depthAt(plate, [3000, 0])]).toEqual([300, 400, 250]);
  });
});

describe('straightedges', () => {
  const along = (f: (s: number) => number | null) => Array.from({ length: 97 }, (_, k) => ({ s: (k / 96) * 6000, w: f((k / 96) * 6000) }));
  const held = () => true;
  test('between two supports the gap is the sag; over three it lies on the middle one', () => {
    const one = worstGap(
      along((s) => 12 * Math.sin((Math.PI * s) / 6000)),
      held,
    )!;
    expect(one.deflection).toBeCloseTo(12, 6);
    expect(one.length).toBe(6000);
    const two = worstGap(
      along((s) => Math.abs(8 * Math.sin((Math.PI * s) / 3000))),
      held,
    )!;
    expect(two.deflection).toBeCloseTo(8, 6);
    expect(two.length).toBe(3000);
  });
  test('a slab that sinks evenly or leans has no gap; what hogs has none either', () => {
    expect(
      worstGap(
        along(() => 7),
        held,
      )!.deflection,
    ).toBeCloseTo(0, 9);
    expect(
      worstGap(
        along((s) => 0.002 * s),
        held,
      )!.deflection,
    ).toBeCloseTo(0, 9);
    expect(
      worstGap(
        along((s) => -5 * Math.sin((Math.PI * s) / 6000)),
        held,
      )!.deflection,
    ).toBeCloseTo(0, 6);
  });
  test('an end that nothing holds is measured over twice its length', () => {
    // A cantilever of 6 m that drops 10 mm: over 12 m.
    const gap = worstGap(
      along((s) => (10 * s ** 2) / 6000 ** 2),
      (s) => s < 1,
    )!;
    expect([gap.deflection, gap.length]).toEqual([10, 12_000]);
  });
  test('off the slab there is nothing; a line that lies nowhere on it says so', () => {
    expect(
      worstGap(
        along(() => null),
        held,
      ),
    ).toBeUndefined();
    const parted = worstGap(
      along((s) => (s > 2500 && s < 3500 ? null : s < 3000 ? 4 * Math.sin((Math.PI * s) / 2500) : 0)),
      held,
    )!;
    expect(parted.deflection).toBeCloseTo(4, 1);
  });
});

test('parts that ask for more are boxes around nodes that hang together; those that meet are one', () => {
  const near = (x: number, y: number, r: number) => (n: number) => Math.hypot(mesh.at[2 * n]! - x, mesh.at[2 * n + 1]! - y) < r;
  const [a, b] = [near(700, 700, 450), near(3300, 2300, 450)];
  const boxes = regionsAbove({ mesh }, alongPlan, (n) => a(n) || b(n));
  expect(boxes).toHaveLength(2);
  for (const box of boxes)
    for (const n of box.nodes) {
      expect(mesh.at[2 * n]!).toBeGreaterThanOrEqual(box.x[0]);
      expect(mesh.at[2 * n + 1]!).toBeLessThanOrEqual(box.y[1]);
    }
  expect(regionsAbove({ mesh }, alongPlan, () => true)).toHaveLength(1);
  expect(regionsAbove({ mesh }, alongPlan, () => false)).toEqual([]);
});

test('guesses that are mixed find what a rule gives back, sooner than the rule by itself', () => {
  // x = 0.3 + 0.6 x has 0.75; by itself it is within 1e-6 after 27 rounds.
  // K u = f with K = [4 1; 1 3], f = [9, 5]: u = [2, 1]. Steps are made with 8 and 5 on the diagonal alone.
  const mixing = new Mixing();
  let moved = Float64Array.of(0, 0);
  for (let round = 0; round < 4; round += 1) {
    const left = Float64Array.of(9 - 4 * moved[0]! - moved[1]!, 5 - moved[0]! - 3 * moved[1]!);
    moved = mixing.next({ moved, step: Float64Array.of(left[0]! / 8, left[1]! / 5), left }) as Float64Array<ArrayBuffer>;
  }
  expect(moved[0]).toBeCloseTo(2, 6);
  expect(moved[1]).toBeCloseTo(1, 6);
});
