import fc from 'fast-check';
import type { PlateResult } from '@/core/members/plate/result';
import { corners, slabs } from './plate-slabs';

const outline = corners([
  [0, 0],
  [6000, 0],
  [6000, 4000],
  [0, 4000],
]);
const { design } = slabs((more) => ({ h: 200, meshSize: 400, outline, ...more }));
const caseSum = (r: PlateResult, id: string) =>
  r.reactions.reduce((sum, line) => sum + (line.cases.find((c) => c.caseId === id)?.force ?? 0), 0);

describe('reactions of edges and walls', () => {
  const slab = design();

  test('carry all of each case: 4 x 6 m with 1.5 and 3 kN/m2, and 25 kN/m3 of its own 0.2 m', () => {
    expect(caseSum(slab, 'G') / 36e3).toBeCloseTo(1, 6);
    expect(caseSum(slab, 'Q') / 72e3).toBeCloseTo(1, 6);
    expect(slab.reactions.map((r) => r.title)).toEqual(['edge 1', 'edge 2', 'edge 3', 'edge 4']);
    const total = slab.reactions.reduce((sum, r) => sum + r.resultant, 0);
    expect(total / (slab.load * 24e6)).toBeCloseTo(1, 6);
  });

  test('are alike at edges across from each other, their resultants in the middle; corners are held down', () => {
    const [bottom, right, top, left] = slab.reactions as [PlateResult['reactions'][number], ...PlateResult['reactions']];
    expect(bottom.resultant / top!.resultant).toBeCloseTo(1, 2);
    expect(right!.resultant / left!.resultant).toBeCloseTo(1, 2);
    expect(bottom.centre).toBeCloseTo(3000, -1.5);
    expect(bottom.perLength[0]!).toBeLessThan(bottom.perLength[Math.floor(bottom.perLength.length / 2)]!);
    expect(bottom.most).toBeGreaterThan(bottom.resultant / 6000);
    expect(bottom.turning).toBeLessThan(1e-6);
  });

  test('a clamped edge has its moment: 6 m strip, q L2 / 8 at the clamped end, 5/8 of the load there', () => {
    const strip = design({
      outline: corners(
        [
          [0, 0],
          [6000, 0],
          [6000, 1000],
          [0, 1000],
        ],
        ['free', 'simple', 'free', 'clamped'],
      ),
      poisson: 0,
      meshSize: 200,
      selfWeight: false,
      loads: [{ type: 'uniform', case: 'Q', value: 10 }],
    });
    // 1.5 x 10 kN/m2: 15 x 36 / 8 = 67.5 kNm/m; 15 x 6 x 5/8 = 56.25 kN.
    const clamped = strip.reactions.find((r) => r.title === 'edge 4')!;
    expect(Math.abs(clamped.turning / 67.5e3 - 1)).toBeLessThan(0.02);
    expect(clamped.resultant / 56.25e3).toBeCloseTo(1, 2);
    // Means over 600 mm of the 1,000: what twists at the free edges is in them.
    expect(Math.abs(clamped.most / (clamped.resultant / 1000) - 1)).toBeLessThan(0.03);
  });

  test('of a wall and edges on springs are those that balance the loads, whatever stands where', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 500, max: 5500 }),
        fc.integer({ min: 500, max: 3500 }),
        fc.integer({ min: 1, max: 300 }),
        (x, y, force) => {
          const r = design({
            meshSize: 600,
            outline: outline.map((c, i) => ({ ...c, edge: i % 2 === 0 ? 'spring' : 'simple', sinks: 20_000 })),
            walls: [{ x1: 3000, y1: 500, x2: 3000, y2: 3000, sinks: 50_000, turns: 2000 }],
            loads: [{ type: 'point', case: 'Q', force, x1: x, y1: y }],
          });
          expect(caseSum(r, 'Q') / (1000 * force)).toBeCloseTo(1, 6);
        },
      ),
      { numRuns: 5 },
    );
  });

  test('a wall under an opening carries nothing where there is no slab', () => {
    const r = design({
      walls: [{ x1: 1000, y1: 2000, x2: 5000, y2: 2000 }],
      openings: [
        {
          corners: [
            [1500, 1500],
            [2500, 1500],
            [2500, 2500],
            [1500, 2500],
          ],
        },
      ],
    });
    const wall = r.reactions.find((line) => line.title === 'wall 1')!;
    expect(wall.places.every(([x]) => x <= 1501 || x >= 2499)).toBe(true);
    expect(wall.most).toBeGreaterThan(wall.resultant / 3000);
  });
});
