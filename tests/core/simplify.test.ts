import fc from 'fast-check';
import { simplified } from '@/core/drawing/simplify';
import type { Point } from '@/core/geometry/polygon';

/** Distance of a point from a line of pieces. */
function distance([x, y]: Point, line: readonly Point[]): number {
  return Math.min(
    ...line.slice(1).map(([bx, by], i) => {
      const [ax, ay] = line[i]!;
      const length2 = (bx - ax) ** 2 + (by - ay) ** 2;
      const t = length2 > 0 ? Math.max(0, Math.min(1, ((x - ax) * (bx - ax) + (y - ay) * (by - ay)) / length2)) : 0;
      return Math.hypot(x - ax - t * (bx - ax), y - ay - t * (by - ay));
    }),
  );
}

describe('a drawn line with fewer points', () => {
  test('passes no point further than asked for, begins and ends where it did, and adds nothing', () => {
    const y = fc.oneof(fc.double({ min: -100, max: 100, noNaN: true }), fc.constantFrom(0, 50));
    fc.assert(
      fc.property(fc.array(y, { minLength: 2, maxLength: 60 }), fc.double({ min: 0.05, max: 5, noNaN: true }), (ys, near) => {
        const points = ys.map((v, i): Point => [Math.floor(i / 2), v]);
        const line = simplified(points, near);
        expect([line[0], line.at(-1)]).toEqual([points[0], points.at(-1)]);
        for (const p of points) expect(distance(p, line)).toBeLessThanOrEqual(near + 1e-9);
        expect(line.every((p) => points.includes(p))).toBe(true);
      }),
    );
  });
  test('a straight line of 400 points is its ends, a step keeps both its corners, a parabola of 400 needs a tenth of them', () => {
    const at = (f: (x: number) => number) => Array.from({ length: 400 }, (_, i): Point => [i, f(i)]);
    expect(simplified(at((x) => x / 3))).toEqual([
      [0, 0],
      [399, 133],
    ]);
    expect(simplified(at((x) => (x < 200 ? 0 : 30)))).toHaveLength(4);
    expect(simplified(at((x) => (x * (399 - x)) / 400)).length).toBeLessThan(40);
  });
});
