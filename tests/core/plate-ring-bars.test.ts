import fc from 'fast-check';
import { arcAround, arcAroundBoth, arcsMeet, isInArc, isWhole, turnBetween, TURN, type Arc } from '@/core/geometry/arcs';
import { isInside, type Point } from '@/core/geometry/polygon';
import { codeOf } from '@/core/members/member';
import { axesOf, type BarAxes } from '@/core/members/plate/bar-axes';
import { areaOf, cornersOf, goesAllRound, isOver, loopsOf, movedCorner, partOf, pointsOf } from '@/core/members/plate/bar-parts';
import { strengthAlone } from '@/core/members/plate/design-plate';
import { plateFaults } from '@/core/members/plate/faults';
import { outlineOf } from '@/core/members/plate/geometry';
import type { PlateInput } from '@/core/members/plate/input';
import { plateModelOf } from '@/core/members/plate/model';
import { countOf, dimensionsOf, onBar, type BarSet } from '@/core/model/bar-set';
import { lengthAlong, pointsAlong } from '@/core/model/centre-line';
import { signedArea } from '@/core/geometry/polygon';
import { slabOf, slabs } from './plate-slabs';

const R = 6000;
const ring = { kind: 'ring', x: 0, y: 0, inner: 1500 } as const;
const mesh = (size: string, spacing: number) => ({ size, spacing });
const allOf = (size: string, spacing: number) => ({ x: mesh(size, spacing), y: mesh(size, spacing) });
const round = slabs((more) => ({
  h: 250,
  meshSize: 800,
  outline: [-R, R].map((x) => ({ x, y: 0, edge: 'simple', rise: R })),
  axes: ring,
  ...more,
}));
const laid = (more: object = {}) => {
  const p = round.project(more);
  const plate = slabOf(p);
  const code = codeOf(p, plate);
  const result = strengthAlone(plate, code);
  return { plate, result, bars: plateModelOf(plate, code, result.steel).bars };
};
const angle = fc.double({ min: -10, max: 10, noNaN: true });

describe('arcs', () => {
  const arc = fc.tuple(angle, fc.double({ min: 0.01, max: 6.2, noNaN: true })).map(([a, w]): Arc => [a, a + w]);
  test('around angles: all lie in it, and no shorter one has them all', () => {
    fc.assert(
      fc.property(fc.array(angle, { minLength: 1, maxLength: 12 }), (angles) => {
        const found = arcAround(angles, 0.1);
        const wide: Arc = [found[0] - 1e-9, found[1] + 1e-9];
        angles.forEach((a) => expect(isInArc(a, wide)).toBe(true));
        // Both ends are angles of their own, unless it goes all round.
        if (!isWhole(found))
          for (const end of found)
            expect(Math.min(...angles.map((a) => Math.min(turnBetween(a, end), turnBetween(end, a))))).toBeLessThan(1e-9);
        const sorted = angles.map((a) => turnBetween(0, a)).sort((a, b) => a - b);
        const widest = Math.max(...sorted.map((a, i) => (sorted[i + 1] ?? sorted[0]! + TURN) - a));
        expect(found[1] - found[0]).toBeCloseTo(widest <= 0.1 ? TURN : TURN - widest, 9);
      }),
    );
  });
  test('two that meet are in the one around both, whichever comes first', () => {
    fc.assert(
      fc.property(arc, arc, angle, (a, b, p) => {
        expect(arcsMeet(a, b)).toBe(arcsMeet(b, a));
        if (!arcsMeet(a, b)) return;
        const both = arcAroundBoth(a, b, 0);
        const wide: Arc = [both[0] - 1e-9, both[1] + 1e-9];
        if (isInArc(p, a) || isInArc(p, b)) expect(isInArc(p, wide)).toBe(true);
        expect(both[1] - both[0]).toBeLessThanOrEqual(Math.min(TURN, a[1] - a[0] + b[1] - b[0]) + 1e-9);
      }),
    );
  });
});

describe('parts by the directions of bars', () => {
  const axes = (given: PlateInput['axes']) => axesOf({ axes: given });
  const every: BarAxes[] = [
    axes({ kind: 'straight', angle: 0, between: 90 }),
    axes({ kind: 'straight', angle: 25, between: 70 }),
    axes(ring),
  ];
  const at = fc.double({ min: -6000, max: 6000, noNaN: true });
  const corners = fc.record({ x1: at, y1: at, x2: at, y2: at });
  test('a place by both directions is that place again', () => {
    fc.assert(
      fc.property(fc.constantFrom(...every), at, at, (a, x, y) => {
        const [u, v] = a.pointAt(a.placeOf([x, y]));
        expect(u).toBeCloseTo(x, 6);
        expect(v).toBeCloseTo(y, 6);
      }),
    );
  });
  test('corners give the part that they came from; its loops have its area and hold its places', () => {
    fc.assert(
      fc.property(fc.constantFrom(...every), corners, at, at, (a, c, x, y) => {
        const part = partOf(c, a);
        const again = partOf(cornersOf(part, a), a);
        // Corners are kept to a hundredth of a millimetre; about a degree from closing it may go all round.
        const turn = part.y[1] - part.y[0];
        if (a.ring && (turn < 0.02 || Math.abs(turn - TURN) < 0.02) && !goesAllRound(part, a)) return;
        const off = { x: 0.03, y: a.ring ? 0.03 / Math.max(1, part.x[0]) : 0.03 };
        for (const k of ['x', 'y'] as const) expect(Math.abs(again[k][1] - again[k][0] - (part[k][1] - part[k][0]))).toBeLessThan(off[k]);
        if (part.x[1] <= part.x[0]) return;
        const loops = loopsOf(part, a);
        const area = Math.abs(loops.reduce((sum, loop) => sum + signedArea(loop), 0));
        // Arcs are chords.
        expect(Math.abs(area - areaOf(part, a))).toBeLessThan(0.003 * Math.PI * part.x[1] ** 2 + 1);
        const inLoops = isInside([x, y], { outer: loops[0]!, holes: loops.slice(1) });
        // Next to a side, or between chords and arcs, it may be either.
        const [r, t] = a.placeOf([x, y]);
        const clear = a.ring ? 0.003 * r + 1 : 1;
        const far = (v: number, side: number) => (a.ring ? r * Math.min(turnBetween(v, side), turnBetween(side, v)) : Math.abs(v - side));
        const isClear = part.x.every((side) => Math.abs(side - r) > clear) && part.y.every((side) => far(t, side) > 1);
        if (isClear) expect(isOver([x, y], part, a)).toBe(inLoops);
      }),
    );
  });
  test('by hand: from 10 to 80 degrees between 2 and 4 m; all round from one angle; within the mesh at the middle all of it', () => {
    const a = axes(ring);
    const on = (r: number, degrees: number): Point => [r * Math.cos((degrees * Math.PI) / 180), r * Math.sin((degrees * Math.PI) / 180)];
    const between = ([x1, y1]: Point, [x2, y2]: Point) => partOf({ x1, y1, x2, y2 }, a);
    const sector = between(on(2000, 10), on(4000, 80));
    expect(isOver(on(3000, 45), sector, a)).toBe(true);
    expect(isOver(on(3000, 85), sector, a)).toBe(false);
    expect(isOver(on(1900, 45), sector, a)).toBe(false);
    // The other way round it is the rest of the ring.
    const rest = between(on(2000, 80), on(4000, 10));
    expect(isOver(on(3000, 45), rest, a)).toBe(false);
    expect(isOver(on(3000, 200), rest, a)).toBe(true);
    expect(goesAllRound(between(on(2000, 30), on(4000, 30)), a)).toBe(true);
    // 1 m lies within the mesh of 1.5 m: all round it covers that, in a sector it begins beyond it.
    expect(between(on(1000, 0), on(4000, 0)).x).toEqual([0, 4000]);
    expect(between(on(1000, 0), on(4000, 90)).x[0]).toBe(1500);
    expect(areaOf(sector, a)).toBeCloseTo(((16e6 - 4e6) / 2) * ((70 * Math.PI) / 180), 0);
  });
  test('a corner that is moved is where it was moved to; what goes all round stays so', () => {
    fc.assert(
      fc.property(fc.constantFrom(...every), corners, fc.nat(3), at, at, (a, c, end, x, y) => {
        if (a.ring && goesAllRound(partOf(c, a), a)) return;
        const [u, v] = pointsOf(movedCorner(c, end, [x, y], a), a)[end]!;
        expect(u).toBeCloseTo(x, 4);
        expect(v).toBeCloseTo(y, 4);
      }),
    );
    const whole = { x1: 2000, y1: 0, x2: 4000, y2: 0 };
    const moved = partOf(movedCorner(whole, 2, [3000, 3000], axes(ring)), axes(ring));
    expect(goesAllRound(moved, axes(ring))).toBe(true);
    expect(moved.x[1]).toBeCloseTo(Math.hypot(3000, 3000), 6);
  });
});

/** Every bar of some sets as points on the plan. */
const inPlan = (sets: readonly BarSet[]) =>
  sets.flatMap((set) => Array.from({ length: countOf(set) }, (_, k) => pointsAlong(set.corners).map((p) => onBar(set, k, p))));

describe('radial bars and rings as they are laid', () => {
  const { plate, bars, result } = laid({ bars: { extra: [], bottom: allOf('H12', 200), top: allOf('H10', 250) } });
  const of = (zone: string, bend: string) => bars.filter((b) => b.zone === zone && b.bend === bend);
  const isRadial = (b: BarSet) => b.turned !== undefined;

  const radial = inPlan(of('bottom, radial', 'straight').filter(isRadial));
  const ends = radial.map((p) => [p[0]!, p.at(-1)!].map(([x, y]) => Math.hypot(x, y)).sort((a, b) => a - b) as [number, number]);
  const gapsAt = (r: number) => {
    const there = radial
      .filter((_, i) => ends[i]![0] <= r && ends[i]![1] >= r)
      .map((p) => Math.atan2(p.at(-1)![1], p.at(-1)![0]))
      .sort((a, b) => a - b);
    return there.map((a, i) => ((there[i + 1] ?? there[0]! + TURN) - a) * r);
  };
  test('at every radius radial bars are no further apart than 200, and half of them stop their anchorage within 3 m', () => {
    for (let r = 1500; r < R - 60; r += 50) expect(Math.max(...gapsAt(r))).toBeLessThanOrEqual(200.5);
    // 2 pi 6 m / 0.2 m = 188.5, a multiple of two: 190 bars, 95 of them go on within 3 m.
    expect(radial).toHaveLength(190);
    expect(gapsAt(3100)).toHaveLength(190);
    expect(gapsAt(2300)).toHaveLength(95);
  });
  test('the clear distance where they stand nearest is that of the bars as they lie; with a small mesh at the middle it is too little', () => {
    const clear = result.checks.find((c) => c.id === 'radial-clear-bottom')!;
    const nearest = Math.min(...[...new Set(ends.map(([a]) => a))].map((r) => Math.min(...gapsAt(r))));
    // Ends are rounded inwards by up to 10 mm.
    expect(Math.abs(clear.capacity!.value - (nearest - 12))).toBeLessThan(1);
    expect(clear.status).toBe('holds');
    // Bars over sectors beside each other stand no nearer than those over one of them; over the same sector they do.
    const over = (from: number, to: number) => {
      const [a, b] = [from, to].map((degrees) => (degrees * Math.PI) / 180) as [number, number];
      const corners = { x1: 2000 * Math.cos(a), y1: 2000 * Math.sin(a), x2: 5000 * Math.cos(b), y2: 5000 * Math.sin(b) };
      return { face: 'bottom', along: 'x', ...corners, bars: mesh('H12', 200) };
    };
    const clearWith = (...extra: object[]) =>
      laid({ bars: { extra, bottom: allOf('H12', 200), top: allOf('H10', 250) } }).result.checks.find(
        (c) => c.id === 'radial-clear-bottom',
      )!.capacity!.value;
    const one = clearWith(over(0, 40));
    expect(clearWith(over(0, 40), over(90, 130), over(180, 220))).toBeCloseTo(one, 6);
    expect(clearWith(over(0, 40), over(20, 60))).toBeLessThan(one - 5);
    const small = laid({ axes: { ...ring, inner: 600 }, bars: { extra: [], bottom: allOf('H20', 100), top: allOf('H10', 250) } });
    const tight = small.result.checks.find((c) => c.id === 'radial-clear-bottom')!;
    expect(tight.status).toBe('exceeds');
    expect(tight.reason).toMatch(/a wider mesh at the middle/);
  });
  test('rings are no further apart than their spacing from the mesh to the edge; their pieces come round with a lap each', () => {
    const rings = of('bottom, around', 'arc');
    const radii = rings.map((b) => dimensionsOf(b)[1]!).sort((a, b) => a - b);
    expect(radii[0]!).toBeLessThan(1500 + 200);
    expect(radii.at(-1)!).toBeGreaterThan(R - 200);
    radii.slice(1).forEach((r, i) => expect(r - radii[i]!).toBeLessThanOrEqual(200.001));
    for (const set of rings) {
      const [length, radius] = dimensionsOf(set) as [number, number];
      const over = countOf(set) * length - TURN * radius;
      // EN 1992-1-1 8.7.3 with all laps at one place: 1.5 l_bd, about 1.5 x 40 x 12.
      expect(over / countOf(set)).toBeGreaterThan(500);
      expect(over / countOf(set)).toBeLessThan(900);
      expect(length).toBeLessThanOrEqual(12_000);
      expect(lengthAlong(set.corners)).toBeCloseTo(length, 6);
      pointsAlong(set.corners).forEach(([x, y]) => expect(Math.hypot(x, y)).toBeCloseTo(radius, 6));
    }
  });
  test('the mesh at the middle reaches beyond its rim by more than 300, and nowhere is a bar off the slab', () => {
    const middle = inPlan(bars.filter((b) => b.zone === 'bottom, along x, in the middle'));
    expect(Math.max(...middle.flatMap((p) => p.map(([x, y]) => Math.hypot(x, y))))).toBeGreaterThan(1800);
    const outline = outlineOf(plate);
    for (const p of inPlan(bars))
      for (const [x, y, z] of p) {
        expect(isInside([x, y], outline)).toBe(true);
        expect(z).toBeLessThan(-plate.cover.top);
        expect(z).toBeGreaterThan(plate.cover.bottom - plate.h);
      }
  });
  test('bars end at an opening and go on behind it', () => {
    const hole = {
      corners: [
        [2500, -600],
        [3700, -600],
        [3700, 600],
        [2500, 600],
      ],
    };
    const cut = laid({ openings: [hole], bars: { extra: [], bottom: allOf('H12', 200), top: allOf('H10', 250) } });
    const outline = outlineOf(cut.plate);
    for (const p of inPlan(cut.bars)) for (const [x, y] of p) expect(isInside([x, y], outline)).toBe(true);
    const mass = (sets: readonly BarSet[]) => sets.reduce((sum, b) => sum + countOf(b) * lengthAlong(b.corners), 0);
    expect(mass(cut.bars)).toBeLessThan(mass(bars));
  });
});

describe('bars that are chosen for a slab whose bars run round', () => {
  test('they carry what is asked everywhere, wherever the slab is loaded and columns stand', () => {
    fc.assert(
      fc.property(
        fc.record({
          count: fc.integer({ min: 3, max: 7 }),
          on: fc.integer({ min: 3000, max: 4800 }),
          load: fc.double({ min: 2, max: 9, noNaN: true }),
          inner: fc.integer({ min: 500, max: 2500 }),
          side: fc.integer({ min: -3000, max: 1000 }),
        }),
        ({ count, on, load, inner, side }) => {
          const columns = Array.from({ length: count }, (_, k) => ({
            name: `C${k}`,
            x: Math.round(on * Math.cos((k / count) * TURN)),
            y: Math.round(on * Math.sin((k / count) * TURN)),
            shape: { kind: 'circle', diameter: 400 },
            below: 3000,
          }));
          const { result } = laid({
            h: 300,
            axes: { ...ring, inner },
            outline: [-R, R].map((x) => ({ x, y: 0, edge: 'free', rise: R })),
            columns,
            loads: [
              { type: 'uniform', case: 'G', value: 1 },
              { type: 'area', case: 'Q', value: load, x1: side, y1: -2500, x2: side + 2000, y2: 2500 },
            ],
          });
          for (const s of result.sections) if (s.bars.length > 0) expect(s.moment / s.resistance).toBeLessThan(1.0001);
          const largest = Math.max(...result.sections.map((s) => s.moment));
          for (const s of result.sections) if (s.bars.length === 0) expect(s.moment).toBeLessThan(0.021 * largest);
        },
      ),
      { numRuns: 6 },
    );
  });
});

test('directions that give no mesh are said at their field', () => {
  const faults = (more: object) => {
    const p = round.project(more);
    return plateFaults(slabOf(p), codeOf(p, slabOf(p))).map((f) => f.path);
  };
  expect(faults({})).toEqual([]);
  expect(faults({ axes: { ...ring, inner: 0 } })).toEqual(['axes.inner']);
  const hole = {
    corners: [
      [-800, -800],
      [800, -800],
      [800, 800],
      [-800, 800],
    ],
  };
  expect(faults({ axes: { ...ring, inner: 0 }, openings: [hole] })).toEqual([]);
  expect(faults({ axes: { kind: 'straight', angle: 10, between: 20 } })).toEqual(['axes.between']);
  expect(faults({ axes: { kind: 'straight', angle: 400, between: 90 } })).toEqual(['axes.angle']);
  const two = { size: 'H12', alternate: 'H10', spacing: 200 };
  expect(faults({ bars: { bottom: { x: two, y: two }, top: { x: null, y: null } } })).toEqual(['bars.bottom.x']);
  const bars = { x1: 3000, y1: 0, x2: 3050, y2: 0, face: 'top', along: 'x', bars: mesh('H12', 200) };
  expect(faults({ bars: { extra: [bars] } })).toEqual(['bars.extra[0].x1']);
});

test('at a simple edge all round radial bars are asked for, rings are not', () => {
  const { result } = laid({ loads: [{ type: 'uniform', case: 'G', value: 4 }] });
  expect(result.checks.some((c) => c.id === 'held-edges-x')).toBe(true);
  expect(result.checks.some((c) => c.id === 'held-edges-y')).toBe(false);
});
