import fc from 'fast-check';
import { meshOf } from '@/core/analysis/plates/mesh';
import { bandBetween, lineAt, roundLevels } from '@/core/drawing/contours';
import { box, signedArea } from '@/core/geometry/polygon';

const mesh = meshOf({ outline: { outer: box(0, 0, 3000, 2000), holes: [] }, lines: [], points: [], sizeAt: () => 400 });
const valued = (of: (x: number, y: number) => number) => ({
  ...mesh,
  values: Float64Array.from({ length: mesh.at.length / 2 }, (_, n) => of(mesh.at[2 * n]!, mesh.at[2 * n + 1]!)),
});
const areaOf = (parts: ReturnType<typeof bandBetween>) => parts.reduce((sum, p) => sum + signedArea(p), 0);

test('levels are round in the unit shown, and cover the range', () => {
  expect(roundLevels([0.3, 9.7], 5, 1)).toEqual([2, 4, 6, 8]);
  expect(roundLevels([-1200, 3400], 4, 1000)).toEqual([0, 2000]);
  expect(roundLevels([5, 5], 5, 1)).toEqual([]);
});

test('a band of a plane is a strip of the slab: 3 x 2 m, between x = 500 and 1250', () => {
  const plane = valued((x) => x);
  expect(areaOf(bandBetween(plane, 500, 1250))).toBeCloseTo(750 * 2000, 3);
  const pieces = lineAt(plane, 500);
  expect(pieces.reduce((sum, [a, b]) => sum + Math.hypot(b[0] - a[0], b[1] - a[1]), 0)).toBeCloseTo(2000, 6);
  for (const [x] of pieces.flat()) expect(x).toBeCloseTo(500, 6);
});

test('the bands of any values cover the slab once', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.5, max: 4, noNaN: true }),
      fc.array(fc.double({ min: -3, max: 3, noNaN: true }), { maxLength: 6 }),
      (k, cuts) => {
        const wave = valued((x, y) => Math.sin((k * x) / 1000) + 2 * Math.cos((k * y) / 700));
        const bounds = [-Infinity, ...[...cuts].sort((a, b) => a - b), Infinity];
        const sum = bounds.slice(1).reduce((total, high, i) => total + areaOf(bandBetween(wave, bounds[i]!, high)), 0);
        expect(sum).toBeCloseTo(6e6, 1);
      },
    ),
    { numRuns: 40 },
  );
});
