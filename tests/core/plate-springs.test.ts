import fc from 'fast-check';
import { liftingPlate } from '@/core/analysis/plates/lifting';
import { meshOf } from '@/core/analysis/plates/mesh';
import { addPressure, noLoads } from '@/core/analysis/plates/plate-loads';
import { plateModel, type PlateModel } from '@/core/analysis/plates/plate-model';
import { nodesResting, supportsOf, type LineSupport } from '@/core/analysis/plates/supports';
import { evenRigidity } from '@/core/analysis/plates/triangle';
import { kindOf } from '@/core/members/kinds';
import type { PlateResult } from '@/core/members/plate/result';
import { designNow } from '@/core/project/design-member';
import { codeOf } from '@/core/members/member';
import { plateFaults } from '@/core/members/plate/faults';
import type { Point } from '@/core/geometry/polygon';
import { corners, slabOf, slabs } from './plate-slabs';

const E = 30_000;
const h = 200;
const rigidity = evenRigidity(E, 0, h);
/** Bending stiffness per width of a strip without Poisson's ratio: 30,000 x 200^3 / 12 = 2e10 N mm. */
const D = (E * h ** 3) / 12;
const [L, WIDE] = [6000, 1000];
/** 10 kN/m2. */
const q = 0.01;

const turned = ([x, y]: Point, angle: number): Point => [
  x * Math.cos(angle) - y * Math.sin(angle),
  x * Math.sin(angle) + y * Math.cos(angle),
];

/** A strip between two short edges on springs, at an angle on the plan. */
function strip(ends: Omit<LineSupport, 'piece'>, angle = 0): PlateModel {
  const at = (x: number, y: number) => turned([x, y], angle);
  const outline = [at(0, 0), at(L, 0), at(L, WIDE), at(0, WIDE)];
  const lines: LineSupport[] = [
    { piece: [outline[1]!, outline[2]!], ...ends },
    { piece: [outline[3]!, outline[0]!], ...ends },
  ];
  const mesh = meshOf({
    outline: { outer: outline, holes: [] },
    lines: lines.map((l) => l.piece),
    points: [at(L / 2, WIDE / 2)],
    sizeAt: () => 150,
  });
  return plateModel(mesh, () => rigidity, supportsOf(mesh, lines, [], D));
}

const pressed = (model: PlateModel) => {
  const loads = noLoads(model.unknowns);
  addPressure(loads, model.mesh, () => q);
  return loads;
};

/** Deflection and the moment along the strip at its middle, deflection of an end, the sum of reactions. */
function seen(model: PlateModel, angle = 0) {
  const state = model.solve(pressed(model));
  const { at } = model.mesh;
  const nodeAt = (p: Point) => {
    const [x, y] = turned(p, angle);
    let best = 0;
    for (let n = 1; n < at.length / 2; n += 1)
      if (Math.hypot(at[2 * n]! - x, at[2 * n + 1]! - y) < Math.hypot(at[2 * best]! - x, at[2 * best + 1]! - y)) best = n;
    return best;
  };
  const [middle, end] = [nodeAt([L / 2, WIDE / 2]), nodeAt([0, 0])];
  const moments = model.moments(state);
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  const [mx, my, mxy] = [0, 1, 2].map((k) => moments[3 * middle + k]!) as [number, number, number];
  return {
    middle: state.moved[3 * middle]!,
    end: state.moved[3 * end]!,
    moment: mx * c * c + my * s * s + 2 * mxy * s * c,
    sum: state.held.reduce((sum, v, i) => (i % 3 === 0 ? sum + v : sum), 0),
    held: state.held,
  };
}

describe('a strip on springs at its ends', () => {
  const rigid = seen(strip({ how: 'soft' }));

  test('sinks by its reaction over the spring, and bends as before', () => {
    // 10 kN/m2 x 6 m / 2 = 30 kN/m at each end; a spring of 10,000 kN/m per m (10 N/mm2) sinks by 3 mm.
    const on = seen(strip({ how: 'sinking', sinks: 10 }));
    expect(on.end).toBeCloseTo(3, 3);
    expect(on.middle - rigid.middle).toBeCloseTo(3, 3);
    // q L2 / 8 = 45 kNm/m.
    expect(on.moment / 45e3).toBeCloseTo(1, 2);
    expect(on.sum / (q * L * WIDE)).toBeCloseTo(1, 9);
  });

  test('is turned back by springs against turning: by hand', () => {
    // Ends turn by q L3 / 24 D - M L / 2 D, and M = k of that: with k = 1e7 N mm/rad per mm (10,000 kNm/rad per m),
    // q L3 / 24 D = 0.01 x 6000^3 / 24 / 2e10 = 0.0045 rad; k L / 2 D = 1e7 x 6000 / 4e10 = 1.5; M = 1e7 x 0.0045 / 2.5 = 18,000 N: 18 kNm/m.
    const on = seen(strip({ how: 'soft', turns: 1e7 }));
    expect(on.moment / (45e3 - 18e3)).toBeCloseTo(1, 2);
    // 5 q L4 / 384 D = 8.4375 mm less M L2 / 8 D = 4.05 mm; what shears is the same as on hinges.
    expect((rigid.middle - on.middle) / 4.05).toBeCloseTo(1, 2);
  });

  test('lies at any angle on the plan', () => {
    const ends = { how: 'sinking', sinks: 4, turns: 5e6 } as const;
    const straight = seen(strip(ends));
    for (const angle of [0.4, 1.1, 2.5]) {
      const on = seen(strip(ends, angle), angle);
      expect(on.middle / straight.middle).toBeCloseTo(1, 2);
      expect(on.end / straight.end).toBeCloseTo(1, 3);
      expect(on.moment / straight.moment).toBeCloseTo(1, 2);
    }
  });

  test('stiff springs are a rigid line and a clamped one', () => {
    expect(seen(strip({ how: 'sinking', sinks: 1e7 })).middle / rigid.middle).toBeCloseTo(1, 4);
    expect(seen(strip({ how: 'soft', turns: 1e13 })).middle / seen(strip({ how: 'clamped' })).middle).toBeCloseTo(1, 3);
  });
});

test('a square on springs that only press lifts at its corners; what is left presses with its whole load', () => {
  const outline: Point[] = [
    [0, 0],
    [5000, 0],
    [5000, 5000],
    [0, 5000],
  ];
  const lines = outline.map((a, i): LineSupport => ({ piece: [a, outline[(i + 1) % 4]!], how: 'sinking', sinks: 50 }));
  const mesh = meshOf({ outline: { outer: outline, holes: [] }, lines: lines.map((l) => l.piece), points: [], sizeAt: () => 400 });
  const { model, lifted } = liftingPlate(
    (up) => plateModel(mesh, () => rigidity, supportsOf(mesh, lines, [], D, up)),
    nodesResting(mesh, lines),
    pressed,
  );
  const { held } = model.solve(pressed(model));
  const reactions = [...held].filter((_, i) => i % 3 === 0);
  expect(lifted.size).toBeGreaterThanOrEqual(4);
  expect(Math.min(...reactions)).toBeGreaterThan(-1e-6);
  expect(reactions.reduce((a, b) => a + b, 0) / (q * 25e6)).toBeCloseTo(1, 9);
});

const { project, design } = slabs((more) => ({
  h: 200,
  meshSize: 500,
  outline: corners(
    [
      [0, 0],
      [6000, 0],
      [6000, 4000],
      [0, 4000],
    ],
    ['spring', 'simple', 'spring', 'simple'],
  ),
  ...more,
}));
const outlineWith = (sinks: number | null, turns: number | null) => slabOf(project()).outline.map((c) => ({ ...c, sinks, turns }));

describe('a slab with edges on springs', () => {
  test('without figures they are simple edges', () => {
    const simple = design({ outline: outlineWith(null, null).map((c) => ({ ...c, edge: 'simple' })) });
    expect(design().sections.map((s) => s.moment)).toEqual(simple.sections.map((s) => s.moment));
  });

  test('a stiffer spring never lets it sink more, and one against turning never takes hogging away', () => {
    const most = (outline: object) => Math.max(...design({ outline }).maps!.deflection!);
    fc.assert(
      fc.property(fc.integer({ min: 1000, max: 50_000 }), fc.integer({ min: 100, max: 5000 }), (sinks, turns) => {
        const [soft, stiff] = [most(outlineWith(sinks, turns)), most(outlineWith(3 * sinks, turns))];
        expect(stiff).toBeLessThanOrEqual(soft * (1 + 1e-3));
        expect(most(outlineWith(sinks, 3 * turns))).toBeLessThanOrEqual(soft * (1 + 1e-3));
      }),
      { numRuns: 4 },
    );
  });

  test('a spring of nothing is refused at its field', () => {
    const p = project({ outline: outlineWith(0, -5), walls: [{ x1: 3000, y1: 0, x2: 3000, y2: 4000, sinks: -1 }] });
    expect(plateFaults(slabOf(p), codeOf(p, slabOf(p))).map((f) => f.path)).toEqual([
      'outline[0].sinks',
      'outline[0].turns',
      'outline[2].sinks',
      'outline[2].turns',
      'walls[0].sinks',
    ]);
  });
});

test('what holds each line stands in the report with its springs', () => {
  const p = project({ outline: outlineWith(20_000, null), walls: [{ x1: 3000, y1: 500, x2: 3000, y2: 3000, turns: 500 }] });
  const member = slabOf(p);
  const told = JSON.stringify(kindOf(member).inputTables(member, designNow(p, member, []) as PlateResult, p, 'full'));
  expect(told).toMatch(/sinks by 20.000 kN\/m²/);
  expect(told).toContain('does not sink; turns by 500 kNm/rad/m');
});
