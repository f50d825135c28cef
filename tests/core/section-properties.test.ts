import fc from 'fast-check';
import { addParabola, addUniform } from '@/core/section/concrete-integral';
import { parabolaStress, type ParabolaLaw } from '@/core/section/laws';
import {
  chordWidth,
  clipLoop,
  crossingEdges,
  insetLoop,
  isInside,
  outlineProperties,
  signedArea,
  type Point,
} from '@/core/geometry/polygon';
import { circleLoop } from '@/core/geometry/section-shapes';
import { bearing, polygonSection, type PointBar } from '@/core/section/polygon-section';
import { ResistanceSurface } from '@/core/section/resistance-surface';
import { emptyState, ultimateAt, type UltimateBasis } from '@/core/section/ultimate';

const parabola: ParabolaLaw = { kind: 'parabola', exponent: 2, peakStrain: 0.002, stress: 20, ultimateStrain: 0.0035 };
const steel = { yield: 435, modulus: 200_000 };
const basis: UltimateBasis = {
  concrete: parabola,
  steel,
  uniformStrain: 0.002,
  deductsDisplaced: false,
  reduction: null,
  axialCap: null,
  squashStress: 400,
};
const bar = (x: number, y: number, area = 491): PointBar => ({ x, y, area, diameter: 25 });
const rectangle = (b: number, h: number): Point[] => [
  [-b / 2, -h / 2],
  [b / 2, -h / 2],
  [b / 2, h / 2],
  [-b / 2, h / 2],
];
/** A star-shaped polygon: simple whatever the radii. */
const star = fc
  .tuple(
    fc.array(fc.double({ min: 60, max: 600, noNaN: true }), { minLength: 3, maxLength: 12 }),
    fc.double({ min: 0, max: 6, noNaN: true }),
  )
  .map(([radii, turn]): Point[] =>
    radii.map((r, i) => [r * Math.cos(turn + (2 * Math.PI * i) / radii.length), r * Math.sin(turn + (2 * Math.PI * i) / radii.length)]),
  );

describe('geometry of polygons', () => {
  it('a rectangle with a hole: area, centroid and second moments by hand', () => {
    // 600 x 400 less 200 x 100 with its centre 100 above: A = 240000 - 20000 = 220000; y = -20000 x 100 / 220000 = -9.0909
    const hole: Point[] = rectangle(200, 100).map(([x, y]) => [x, y + 100]);
    const p = outlineProperties({ outer: rectangle(600, 400), holes: [hole] });
    expect(p.area).toBeCloseTo(220_000, 6);
    expect(p.centroid[1]).toBeCloseTo(-9.0909, 3);
    // Ix = 600 400^3/12 - (200 100^3/12 + 20000 100^2) - 220000 9.0909^2
    expect(p.Ix).toBeCloseTo((600 * 400 ** 3) / 12 - ((200 * 100 ** 3) / 12 + 20_000 * 1e4) - 220_000 * (100 / 11) ** 2, 0);
    expect(p.Iy).toBeCloseTo((400 * 600 ** 3) / 12 - (100 * 200 ** 3) / 12, 0);
    expect(p.perimeter).toBe(2600);
    expect(isInside([0, 100], { outer: rectangle(600, 400), holes: [hole] })).toBe(false);
    expect(chordWidth({ outer: rectangle(600, 400), holes: [hole] }, [0, 1], 100)).toBeCloseTo(400, 9);
  });

  it('sees edges that cross, and corners that run back', () => {
    expect(crossingEdges(rectangle(300, 400))).toBeUndefined();
    expect(
      crossingEdges([
        [0, 0],
        [100, 100],
        [100, 0],
        [0, 100],
      ]),
    ).toEqual([0, 2]);
    expect(
      crossingEdges([
        [0, 0],
        [100, 0],
        [50, 0],
        [50, 80],
      ]),
    ).toBeDefined();
  });

  it('an inset of an L keeps its shape', () => {
    const l: Point[] = [
      [0, 0],
      [600, 0],
      [600, 200],
      [200, 200],
      [200, 500],
      [0, 500],
    ];
    const inner = insetLoop(l, 50);
    expect(inner[3]![0]).toBeCloseTo(150, 9);
    expect(inner[3]![1]).toBeCloseTo(150, 9);
    expect(signedArea(inner)).toBeCloseTo(500 * 100 + 100 * 300, 6);
    expect(signedArea(clipLoop(l, [0, 1], 200))).toBeCloseTo(200 * 300, 6);
  });
});

/** The integrals by many thin strips, with the chord by the even-odd rule: a method of its own. */
function byStrips(
  outline: { outer: readonly Point[]; holes: readonly (readonly Point[])[] },
  stress: (v: number) => number,
  strips: number,
) {
  const ys = outline.outer.map(([, y]) => y);
  const [low, high] = [Math.min(...ys), Math.max(...ys)];
  const dv = (high - low) / strips;
  let [force, moment] = [0, 0];
  for (let i = 0; i < strips; i += 1) {
    const v = low + (i + 0.5) * dv;
    const f = stress(v) * chordWidth(outline, [0, 1], v) * dv;
    force += f;
    moment += f * v;
  }
  return { force, moment };
}

describe('integration of stress over a polygon', () => {
  it.each([2, 1, 1.6])('agrees with fine strips on 700 random polygons, exponent %s', (exponent) => {
    const law: ParabolaLaw = { ...parabola, exponent };
    fc.assert(
      fc.property(
        star,
        fc.double({ min: -500, max: 400, noNaN: true }),
        fc.double({ min: 20, max: 900, noNaN: true }),
        (outer, from, length) => {
          const section = polygonSection({ outer, holes: [] }, []);
          const b = bearing(section, Math.PI / 2);
          const sums = new Float64Array(3);
          addParabola(b.edges, from, from + length, law, sums);
          const check = byStrips(section.outline, (v) => parabolaStress(((v - from) / length) * law.peakStrain, law), 3000);
          const scale = law.stress * section.gross.area;
          expect(Math.abs(sums[0]! - check.force) / scale).toBeLessThan(2e-4);
          expect(Math.abs(sums[1]! - check.moment) / (scale * 600)).toBeLessThan(2e-4);
        },
      ),
      { numRuns: 700 },
    );
  });

  it('both integrals of a full section are its area and first moments: zero about the centroid', () => {
    fc.assert(
      fc.property(star, fc.double({ min: 0, max: 6.28, noNaN: true }), (outer, theta) => {
        const section = polygonSection({ outer, holes: [] }, []);
        const sums = new Float64Array(3);
        addUniform(bearing(section, theta).edges, -1e5, 1, sums);
        expect(sums[0]! / section.gross.area).toBeCloseTo(1, 9);
        expect(Math.abs(sums[1]!) / section.gross.area).toBeLessThan(1e-7);
        expect(Math.abs(sums[2]!) / section.gross.area).toBeLessThan(1e-7);
      }),
    );
  });

  it('a polygon with more and more sides tends to the circle', () => {
    // Segment of a circle above v = 60 with R = 200, by its closed form.
    const [R, v] = [200, 60];
    const half = Math.acos(v / R);
    const exact = R * R * (half - Math.sin(half) * Math.cos(half));
    const errors = [16, 32, 64].map((n) => {
      const sums = new Float64Array(3);
      addUniform(bearing(polygonSection({ outer: circleLoop(2 * R, n), holes: [] }, []), 0.3).edges, v, 1, sums);
      return Math.abs(sums[0]! / exact - 1);
    });
    expect(errors[2]!).toBeLessThan(1e-3);
    expect(errors[1]!).toBeLessThan(errors[0]! * 0.6);
    expect(errors[2]!).toBeLessThan(errors[1]! * 0.6);
  });
});

const bars = [bar(-150, -200), bar(150, -200), bar(150, 200), bar(-150, 200), bar(0, -200, 314)];
const turn = (p: Point, a: number): Point => [p[0] * Math.cos(a) - p[1] * Math.sin(a), p[0] * Math.sin(a) + p[1] * Math.cos(a)];

describe('the resistance surface', () => {
  const outer = rectangle(400, 500);
  const surface = new ResistanceSurface(polygonSection({ outer, holes: [] }, bars), basis);

  it('mirrored and turned sections have mirrored and turned resistance, to 1e-9', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 6.28, noNaN: true }),
        fc.double({ min: 0.05, max: 1.95, noNaN: true }),
        fc.double({ min: 0.1, max: 3, noNaN: true }),
        (theta, t, a) => {
          const one = surface.point(theta, t);
          const mirrored = polygonSection(
            { outer: outer.map(([x, y]) => [-x, y]), holes: [] },
            bars.map((b) => ({ ...b, x: -b.x })),
          );
          const two = new ResistanceSurface(mirrored, basis, { angles: 4 }).point(Math.PI - theta, t);
          expect(Math.abs(two.N - one.N)).toBeLessThan(1e-9 * 5e6);
          expect(Math.abs(two.Mx - one.Mx)).toBeLessThan(1e-9 * 5e8);
          expect(Math.abs(two.My + one.My)).toBeLessThan(1e-9 * 5e8);
          const turned = polygonSection(
            { outer: outer.map((p) => turn(p, a)), holes: [] },
            bars.map((b) => ({ ...b, x: turn([b.x, b.y], a)[0], y: turn([b.x, b.y], a)[1] })),
          );
          const three = new ResistanceSurface(turned, basis, { angles: 4 }).point(theta + a, t);
          const [mx, my] = [three.My * Math.cos(a) + three.Mx * Math.sin(a), -three.My * Math.sin(a) + three.Mx * Math.cos(a)];
          expect(Math.abs(three.N - one.N)).toBeLessThan(1e-9 * 5e6);
          expect(Math.abs(mx - one.My)).toBeLessThan(1e-9 * 5e8);
          expect(Math.abs(my - one.Mx)).toBeLessThan(1e-9 * 5e8);
        },
      ),
    );
  });

  it('is convex where the code does not reduce strength: chords between points lie inside', () => {
    fc.assert(
      fc.property(
        fc.tuple(fc.double({ min: 0, max: 6.28, noNaN: true }), fc.double({ min: 0.05, max: 1.9, noNaN: true })),
        fc.tuple(fc.double({ min: 0, max: 6.28, noNaN: true }), fc.double({ min: 0.05, max: 1.9, noNaN: true })),
        ([ta, da], [tb, db]) => {
          const [a, b] = [surface.point(ta, da), surface.point(tb, db)];
          const [N, Mx, My] = [(a.N + b.N) / 2, (a.Mx + b.Mx) / 2, (a.My + b.My) / 2];
          const size = Math.hypot(Mx, My);
          // At the tips the surface leaves the axis of N where bars are not symmetric; there N alone is the limit.
          if (size < 1e5 || N > 0.97 * surface.most || N < 0.97 * surface.least) return;
          const p = surface.capacity(N, Mx, My);
          expect(p && Math.hypot(p.Mx, p.My) / size).toBeGreaterThan(1 - 2e-3);
        },
      ),
    );
  });

  it('more steel never lowers N at the same strain plane, when the bar lies where it is compressed, nor raises it in tension', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 6.28, noNaN: true }),
        fc.double({ min: 0.05, max: 1.9, noNaN: true }),
        fc.integer({ min: 0, max: 4 }),
        (theta, t, i) => {
          const more = polygonSection(
            { outer, holes: [] },
            bars.map((b, k) => (k === i ? { ...b, area: b.area * 1.5 } : b)),
          );
          const [one, two] = [emptyState(), emptyState()];
          const b = bearing(surface.section, theta);
          ultimateAt(surface.section, b, t, basis, one);
          ultimateAt(more, bearing(more, theta), t, basis, two);
          // Work of the added force on the strain of its bar is never negative.
          const x = t <= 1 ? t * b.h : b.h / (2 - t);
          const isCompressed = b.bars[i]! > b.vMax - x;
          if (isCompressed) expect(two.N).toBeGreaterThanOrEqual(one.N - 1e-6);
          else expect(two.N).toBeLessThanOrEqual(one.N + 1e-6);
        },
      ),
    );
  });

  it('scales: lengths by 25.4 and forces by their square give the same utilisation (so SI = US)', () => {
    const k = 25.4;
    const small = polygonSection(
      { outer: outer.map(([x, y]) => [x / k, y / k]), holes: [] },
      bars.map((b) => ({ x: b.x / k, y: b.y / k, area: b.area / k / k, diameter: b.diameter / k })),
    );
    const other = new ResistanceSurface(small, basis);
    fc.assert(
      fc.property(
        fc.double({ min: -6e5, max: 4e6, noNaN: true }),
        fc.double({ min: -3e8, max: 3e8, noNaN: true }),
        fc.double({ min: -3e8, max: 3e8, noNaN: true }),
        (N, Mx, My) => {
          if (Math.hypot(Mx, My) < 1e5) return;
          const [a, b] = [surface.capacity(N, Mx, My), other.capacity(N / k ** 2, Mx / k ** 3, My / k ** 3)];
          if (!a || !b) return expect(a === undefined).toBe(b === undefined);
          expect((Math.hypot(b.Mx, b.My) * k ** 3) / Math.hypot(a.Mx, a.My)).toBeCloseTo(1, 6);
        },
      ),
    );
  });

  it('about one axis of a symmetric section the neutral axis lies parallel to it', () => {
    const symmetric = new ResistanceSurface(polygonSection({ outer, holes: [] }, bars.slice(0, 4)), basis);
    const p = symmetric.capacity(1e6, 2e8, 0)!;
    expect(p.theta).toBeCloseTo(Math.PI / 2, 6);
    expect(symmetric.capacity(1e6, -2e8, 0)!.Mx).toBeCloseTo(-p.Mx, -1);
  });
});
