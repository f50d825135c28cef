import fc from 'fast-check';
import {
  controlPerimeter,
  isOnSlab,
  offsetLoop,
  perimeterSums,
  shadowOf,
  slabSides,
  staticMoment,
  type SlabEdges,
} from '@/core/geometry/control-perimeter';
import { convexHull, type Loop, type Point } from '@/core/geometry/polygon';

const endless: SlabEdges = { left: null, right: null, bottom: null, top: null, corner: null };
const rectangle = (b: number, h: number, x = 0, y = 0): Loop => [
  [x - b / 2, y - h / 2],
  [x + b / 2, y - h / 2],
  [x + b / 2, y + h / 2],
  [x - b / 2, y + h / 2],
];
const around = (column: Loop, r: number, slab: Partial<SlabEdges> = {}, openings: Loop[] = []) =>
  controlPerimeter(
    column,
    r,
    'round',
    { ...endless, ...slab },
    openings.map((o) => shadowOf(o)!),
  );

describe('control perimeters by hand', () => {
  const column = rectangle(400, 300);
  it('inside a slab: straight sides and a full circle', () => {
    expect(around(column, 400).length).toBeCloseTo(1400 + 2 * Math.PI * 400, 0);
    expect(controlPerimeter(column, 90, 'square', endless).length).toBeCloseTo(2 * (580 + 480), 9);
  });
  it('at an edge and at a corner it runs straight to the edge: 2 c1 + c2 + pi r, and c1 + c2 + pi r / 2', () => {
    const edge = around(column, 400, { left: 200 });
    expect(edge.length).toBeCloseTo(2 * 400 + 300 + Math.PI * 400, 0);
    expect(edge.meets).toEqual(['left']);
    const corner = around(column, 400, { left: 200, bottom: 150 });
    expect(corner.length).toBeCloseTo(400 + 300 + (Math.PI * 400) / 2, 0);
    expect(corner.meets).toEqual(['left', 'bottom']);
  });
  it('with the slab going on beyond the column, the shorter of both forms: straight to a near edge, closed around one far away', () => {
    expect(around(column, 400, { left: 260 }).length).toBeCloseTo(2 * 460 + 300 + Math.PI * 400, 0);
    const far = around(column, 400, { left: 3000 });
    expect(far.meets).toEqual([]);
    expect(far.length).toBeCloseTo(around(column, 400).length, 9);
  });
  it('a re-entrant corner takes a quarter away', () => {
    const p = around(rectangle(400, 400), 400, { corner: [200, 200] });
    // Of 1600 + 2 pi 400 the quarter arc at the missing corner goes.
    expect(p.length).toBeCloseTo(1600 + 1.5 * Math.PI * 400, 0);
  });
  it('an opening takes what its tangents enclose, on whichever side it lies', () => {
    // A face at 600 from the centre, tangents to corners (420, -120) and (420, 60): 180 * 600 / 420 of it is lost.
    const column2 = rectangle(400, 2400);
    const lost = (turn: number) => {
      const spin = ([x, y]: Point): Point => [x * Math.cos(turn) - y * Math.sin(turn), x * Math.sin(turn) + y * Math.cos(turn)];
      const opening = rectangle(190, 180, 515, -30).map(spin);
      const p = controlPerimeter(convexHull(column2.map(spin)), 400, 'round', endless, [shadowOf(opening)!]);
      return around(column2, 400).length - p.length;
    };
    for (const turn of [0, 1, 2.2, 3.1, 4.4, 6]) expect(lost(turn)).toBeCloseTo((180 * 600) / 420, 1);
    expect(shadowOf(rectangle(100, 100))).toBeUndefined();
  });
  it('sums: a rectangle of lines has its second moments and static moment', () => {
    // b = 600, h = 400 as lines: about y: 2 * 400 * 300^2 + 2 * 600^3 / 12
    const { pieces } = controlPerimeter(rectangle(600, 400), 1e-9, 'square', endless);
    const s = perimeterSums(pieces);
    expect(s.xx / (2 * 400 * 300 ** 2 + (2 * 600 ** 3) / 12)).toBeCloseTo(1, 6);
    expect(s.alongX).toBeCloseTo(1200, 3);
    // |x| along both long sides 2 * 600^2 / 4, and 300 along both short ones
    expect(staticMoment(pieces, 'x', 0)).toBeCloseTo(2 * (600 ** 2 / 4) + 2 * 400 * 300, 1);
  });
});

// Looked up once: the test's sandbox is slow to find what is global.
const { max, min, sqrt } = Math;
const FAR = Infinity;

/** Distance to a convex outline, 0 within it: by its own arithmetic. */
function distanceTo(px: number, py: number, loop: Loop): number {
  let isInside = true;
  let best = FAR;
  for (let i = 0; i < loop.length; i += 1) {
    const a = loop[i]!;
    const b = loop[(i + 1) % loop.length]!;
    const ex = b[0] - a[0];
    const ey = b[1] - a[1];
    const wx = px - a[0];
    const wy = py - a[1];
    if (ex * wy - ey * wx < 0) isInside = false;
    const t = max(0, min(1, (wx * ex + wy * ey) / (ex * ex + ey * ey)));
    best = min(best, (wx - t * ex) ** 2 + (wy - t * ey) ** 2);
  }
  return isInside ? 0 : sqrt(best);
}

/** The length found by walking round the column in small turns and looking how far out the perimeter lies in each direction. */
function byTurning(column: Loop, r: number, slab: SlabEdges, openings: readonly Loop[]): number {
  const N = 400;
  const isShaded = (t: number) =>
    openings.some((o) => {
      const mid = Math.atan2(o.reduce((s, p) => s + p[1], 0), o.reduce((s, p) => s + p[0], 0)); // prettier-ignore
      const rel = o.map((p) => Math.atan2(Math.sin(Math.atan2(p[1], p[0]) - mid), Math.cos(Math.atan2(p[1], p[0]) - mid)));
      const at = Math.atan2(Math.sin(t - mid), Math.cos(t - mid));
      return at > Math.min(...rel) && at < Math.max(...rel);
    });
  const sides = slabSides.filter((s) => slab[s] !== null);
  let closed = Infinity;
  let counted = 0;
  for (let mask = 0; mask < 2 ** sides.length; mask += 1) {
    let points: Point[] = [...column];
    sides.forEach((s, i) => {
      if (!((mask >> i) & 1)) return;
      const e = slab[s]!;
      points = [
        ...points,
        ...points.map(([x, y]): Point => (s === 'left' ? [-e, y] : s === 'right' ? [e, y] : s === 'bottom' ? [x, -e] : [x, e])),
      ];
    });
    const hull = convexHull(points);
    // Along a ray out of the outline the distance only grows.
    const at = (t: number): Point => {
      const [c, d] = [Math.cos(t), Math.sin(t)];
      let [low, high] = [0, 5000];
      for (let k = 0; k < 17; k += 1) {
        const mid = 0.5 * (low + high);
        if (distanceTo(mid * c, mid * d, hull) < r) low = mid;
        else high = mid;
      }
      return [high * c, high * d];
    };
    let [total, kept] = [0, 0];
    let before = at(0);
    for (let i = 1; i <= N; i += 1) {
      const now = at((2 * Math.PI * i) / N);
      const state = (p: Point) => `${isOnSlab(p, slab)} ${isShaded(Math.atan2(p[1], p[0]))}`;
      // Where an edge or a shadow cuts a step, it is looked at in small parts.
      const parts = state(before) === state(now) ? 1 : 20;
      const l = Math.hypot(now[0] - before[0], now[1] - before[1]) / parts;
      for (let k = 0; k < parts; k += 1) {
        const u = (k + 0.5) / parts;
        const mid: Point = [before[0] + u * (now[0] - before[0]), before[1] + u * (now[1] - before[1])];
        if (!isOnSlab(mid, slab)) continue;
        total += l;
        if (!isShaded(Math.atan2(mid[1], mid[0]))) kept += l;
      }
      before = now;
    }
    if (total < closed - 1e-6) [closed, counted] = [total, kept];
  }
  return counted;
}

it('agrees within 1 % with a walk round the column, on 500 random columns, edges and openings', () => {
  const edge = (least: number) => fc.oneof(fc.constant(null), fc.integer({ min: least, max: 1500 }));
  const arrangement = fc.record({
    b: fc.integer({ min: 200, max: 700 }),
    h: fc.integer({ min: 200, max: 700 }),
    r: fc.integer({ min: 100, max: 700 }),
    left: edge(360),
    right: fc.constant(null),
    bottom: edge(360),
    top: fc.constant(null),
    openings: fc.array(
      fc.record({
        angle: fc.double({ min: 0, max: 6.28, noNaN: true }),
        away: fc.integer({ min: 650, max: 1400 }),
        size: fc.integer({ min: 100, max: 400 }),
      }),
      { maxLength: 2 },
    ),
  });
  fc.assert(
    fc.property(arrangement, ({ b, h, r, openings, ...edges }) => {
      const slab: SlabEdges = { ...edges, corner: null };
      const column = rectangle(b, h);
      const loops = openings.map((o) => rectangle(o.size, o.size, o.away * Math.cos(o.angle), o.away * Math.sin(o.angle)));
      const found = controlPerimeter(
        column,
        r,
        'round',
        slab,
        loops.map((l) => shadowOf(l)!),
      ).length;
      const walked = byTurning(column, r, slab, loops);
      expect(Math.abs(found - walked)).toBeLessThan(0.01 * Math.max(walked, 800));
    }),
    { numRuns: 500, seed: 20 },
  );
}, 120_000);

it('an offset of a convex outline has the length of the outline and a full circle, turned as it may be', () => {
  fc.assert(
    fc.property(
      fc.array(fc.tuple(fc.integer({ min: -400, max: 400 }), fc.integer({ min: -400, max: 400 })), { minLength: 4, maxLength: 9 }),
      (points) => {
        const hull = convexHull(points as Point[]);
        if (hull.length < 3) return;
        const length = (l: Loop) =>
          l.reduce((s, [x, y], i) => s + Math.hypot(l[(i + 1) % l.length]![0] - x, l[(i + 1) % l.length]![1] - y), 0);
        expect(length(offsetLoop(hull, 300, 'round')) / (length(hull) + 2 * Math.PI * 300)).toBeCloseTo(1, 3);
      },
    ),
  );
});
