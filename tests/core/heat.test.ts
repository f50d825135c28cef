import fc from 'fast-check';
import { heatCells } from '@/core/analysis/heat/heat-cells';
import { heatFlow, type HeatFire, type HeatLaw } from '@/core/analysis/heat/heat-flow';
import { coolRegion, temperatureAt } from '@/core/analysis/heat/heat-region';
import { barStrength } from '@/core/codes/en1992/fire';
import { concreteHeat, conductivity, densityRatio, specificHeat, standardFire } from '@/core/codes/en1992/heat';
import { FIRE_PERIODS } from '@/core/codes/fire-rules';
import { outlineProperties, type Outline, type Point } from '@/core/geometry/polygon';
import { outlineOfShape } from '@/core/geometry/section-shapes';

const plain: HeatLaw = { conductivity: () => 1.5, capacity: () => 2e6 };
const warm: HeatFire = { gas: () => 1020, convection: 50, emissivity: 0 };
const concrete = concreteHeat(2300, 'usual', 'lower');
const all = () => true;
const box = (b: number, h: number): Outline => ({
  outer: [
    [0, 0],
    [b, 0],
    [b, h],
    [0, h],
  ],
  holes: [],
});
const fromBelow = (a: Point, b: Point) => a[1] === 0 && b[1] === 0;
const slab = (h: number, size: number) => heatCells(box(size, h), size, fromBelow);

/** Complementary error function, Abramowitz and Stegun 7.1.26: within 2e-7. */
function erfc(x: number): number {
  const t = 1 / (1 + 0.3275911 * x);
  return t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429)))) * Math.exp(-x * x);
}

describe('conduction against closed forms', () => {
  it('a deep slab in a gas of one temperature: erfc of the depth', () => {
    const cells = slab(800, 5);
    const [state] = heatFlow(cells, plain, warm, [60]);
    // a = 1.5 / 2e6; theta / 1000 = erfc(u) - exp(h x / k + h2 a t / k2) erfc(u + h sqrt(a t) / k), u = x / (2 sqrt(a t))
    const [at, h, k] = [(1.5 / 2e6) * 3600, 50, 1.5];
    for (const x of [7.5, 22.5, 52.5, 102.5]) {
      const [m, u] = [x / 1000, x / 1000 / (2 * Math.sqrt(at))];
      const theta = 1000 * (erfc(u) - Math.exp((h * m) / k + (h * h * at) / (k * k)) * erfc(u + (h * Math.sqrt(at)) / k));
      expect(temperatureAt(cells, state!, [2.5, x])).toBeCloseTo(20 + theta, -0.5);
    }
  });

  it('a bar heated all round: the product of two slabs heated on both faces', () => {
    const both = (a: Point, b: Point) => a[1] === b[1];
    const thin = (h: number) => heatCells(box(10, h), 10, both);
    const [one, two] = [thin(200), thin(300)];
    const [s1, s2] = [heatFlow(one, plain, warm, [45])[0]!, heatFlow(two, plain, warm, [45])[0]!];
    const square = heatCells(box(200, 300), 10, all);
    const [s] = heatFlow(square, plain, warm, [45]);
    const cold = (theta: number) => (1020 - theta) / 1000;
    for (const [x, y] of [
      [15, 15],
      [45, 25],
      [105, 155],
      [95, 35],
    ] as const) {
      const product = cold(temperatureAt(one, s1, [5, x])) * cold(temperatureAt(two, s2, [5, y]));
      expect(cold(temperatureAt(square, s!, [x, y]))).toBeCloseTo(product, 3);
    }
  });

  it('a section that takes in heat from one side keeps it: content is what the gas has brought', () => {
    // With hardly any resistance inside, the body is of one temperature: exp(-h t / (rho c d)).
    const cells = slab(20, 10);
    const [state] = heatFlow(cells, { conductivity: () => 500, capacity: () => 2e6 }, warm, [20]);
    expect(temperatureAt(cells, state!, [5, 10])).toBeCloseTo(1020 - 1000 * Math.exp((-50 * 1200) / (2e6 * 0.02)), -0.3);
  });
});

describe('a standard fire on concrete, EN 1992-1-2 3.3', () => {
  it('the properties by hand', () => {
    expect(specificHeat(50, 'usual')).toBe(900);
    expect(specificHeat(110, 'usual')).toBe(1470);
    // 1470 - 470 (157.5 - 115) / 85 = 1235
    expect(specificHeat(157.5, 'usual')).toBeCloseTo(1235, 9);
    expect(specificHeat(150, 'dry')).toBe(950);
    expect(specificHeat(300, 'wet')).toBe(1050);
    expect(specificHeat(900, 'wet')).toBe(1100);
    expect(densityRatio(200)).toBeCloseTo(0.98, 9);
    expect(densityRatio(300)).toBeCloseTo(0.965, 9);
    expect(densityRatio(1200)).toBeCloseTo(0.88, 9);
    // 1.36 - 0.136 5 + 0.0057 25 = 0.8225; 2 - 0.2451 5 + 0.0107 25 = 1.042
    expect(conductivity(500, 'lower')).toBeCloseTo(0.8225, 9);
    expect(conductivity(500, 'upper')).toBeCloseTo(1.042, 9);
    // 20 + 345 log10(481) = 945.3
    expect(standardFire.gas(60)).toBeCloseTo(945.34, 1);
  });

  it('the bars of columns, curve 3: 0.7 at 400, 0.57 at 500, 0.1 at 700, nothing at 1200 degrees', () => {
    expect([20, 100, 400, 500, 600, 700, 1200].map(barStrength)).toEqual([1, 1, 0.7, 0.57, expect.closeTo(0.335, 9) as number, 0.1, 0]);
    fc.assert(fc.property(fc.double({ min: 20, max: 1300, noNaN: true }), (t) => barStrength(t + 1) <= barStrength(t) + 1e-12));
  });

  it('500 degrees stand at the depths that figure A.2 shows for a slab', () => {
    const cells = slab(200, 5);
    const states = heatFlow(cells, concrete, standardFire, FIRE_PERIODS);
    // Read from the figure, as it is remembered: within two millimetres.
    const shown = [10, 21, 30, 37, 50, 60];
    states.forEach((s, k) => {
      const region = coolRegion(cells, s, 500)!;
      expect(Math.abs(Math.min(...region.outer.map(([, y]) => y)) - shown[k]!)).toBeLessThan(2);
    });
  });

  it('coarse cells are within ten degrees of fine ones, all round as well', () => {
    const outline = outlineOfShape({ kind: 'rectangle', b: 350, h: 350 });
    const at = (size: number) => {
      const cells = heatCells(outline, size, all);
      return heatFlow(cells, concrete, standardFire, [60, 120]).flatMap((s) =>
        [
          [-125, -125],
          [-125, 0],
          [0, 0],
          [-110, 60],
        ].map(([x, y]) => temperatureAt(cells, s, [x!, y!])),
      );
    };
    const [coarse, fine] = [at(12), at(6)];
    coarse.forEach((t, i) => expect(Math.abs(t - fine[i]!)).toBeLessThan(10));
  });

  it('an outline at any angle has the same temperatures', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.05, max: 1.5, noNaN: true }), (angle) => {
        const [c, s] = [Math.cos(angle), Math.sin(angle)];
        const turn = ([x, y]: Point): Point => [x * c - y * s, x * s + y * c];
        const square: Point[] = [
          [-150, -150],
          [150, -150],
          [150, 150],
          [-150, 150],
        ];
        const [straight, turned] = [square, square.map(turn)].map((outer) => heatCells({ outer, holes: [] }, 10, all));
        const [a, b] = [straight!, turned!].map((cells) => heatFlow(cells, concrete, standardFire, [90])[0]!);
        for (const p of [
          [-105, -105],
          [-105, 0],
          [0, 0],
        ] as Point[])
          expect(Math.abs(temperatureAt(straight!, a!, p) - temperatureAt(turned!, b!, turn(p)))).toBeLessThan(14);
      }),
      { numRuns: 6 },
    );
  });

  it('more sides, more time, a better conductor and dry concrete are never cooler inside', () => {
    const outline = outlineOfShape({ kind: 'T', b: 600, h: 500, web: 250, flange: 150 });
    const run = (law: HeatLaw, isExposed: (a: Point, b: Point) => boolean) => {
      const cells = heatCells(outline, 15, isExposed);
      return heatFlow(cells, law, standardFire, FIRE_PERIODS).map((s) => [...s.cells]);
    };
    const below = (a: Point, b: Point) => !(a[1] > 249 && b[1] > 249);
    const base = run(concrete, below);
    const cooler = (one: number[][], other: number[][]) =>
      one.forEach((s, k) => s.forEach((t, i) => expect(t).toBeLessThanOrEqual(other[k]![i]! + 0.5)));
    cooler(base, run(concrete, all));
    cooler(base, run(concreteHeat(2300, 'dry', 'lower'), below));
    cooler(base.slice(0, -1), base.slice(1));
  });
});

describe('what is cooler than a temperature', () => {
  it('covers the section where nothing is hot, and nothing where all is', () => {
    const outline = outlineOfShape({ kind: 'rectangle', b: 300, h: 500 });
    const cells = heatCells(outline, 10, all);
    const [state] = heatFlow(cells, concrete, standardFire, [30]);
    expect(outlineProperties(coolRegion(cells, state!, 5000)!).area).toBeCloseTo(300 * 500, -1);
    expect(coolRegion(cells, state!, 10)).toBeNull();
  });

  it('of random outlines: inside the section, growing with the temperature, and no cell within it is hotter', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 200, max: 500 }),
        fc.integer({ min: 200, max: 500 }),
        fc.integer({ min: 90, max: 150 }),
        fc.integer({ min: 250, max: 600 }),
        (b, h, t, limit) => {
          const outline = outlineOfShape({ kind: 'L', b, h, tx: t, ty: t });
          const cells = heatCells(outline, 12, all);
          expect(cells.area.reduce((a, v) => a + v, 0)).toBeCloseTo(outlineProperties(outline).area, 3);
          const [state] = heatFlow(cells, concrete, standardFire, [30]);
          const [less, more] = [coolRegion(cells, state!, limit), coolRegion(cells, state!, limit + 60)];
          const area = (o: Outline | null) => (o ? outlineProperties(o).area : 0);
          expect(area(less)).toBeLessThanOrEqual(area(more) + 1);
          expect(area(more)).toBeLessThan(outlineProperties(outline).area);
          const below = [...state!.cells].reduce((sum, theta, i) => sum + (theta < limit ? cells.area[i]! : 0), 0);
          // By the cells that are cooler: no more than a ring of half cells apart.
          expect(Math.abs(area(less) - below)).toBeLessThan(0.5 * 12 * 2 * (b + h));
        },
      ),
      { numRuns: 8 },
    );
  });

  it('a hollow one has its hole', () => {
    const outline = outlineOfShape({ kind: 'ring', diameter: 600, wall: 180 });
    const cells = heatCells(outline, 10, all);
    const [state] = heatFlow(cells, concrete, standardFire, [60]);
    const region = coolRegion(cells, state!, 500)!;
    expect(region.holes).toHaveLength(1);
    // About 25 mm are lost on both faces of the wall.
    const [R, r] = [300 - 23.5, 120 + 23.5];
    expect(outlineProperties(region).area / (Math.PI * (R * R - r * r))).toBeCloseTo(1, 1);
  });
});
