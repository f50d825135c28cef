import fc from 'fast-check';
import { codeOf } from '@/core/members/member';
import { proposePlate } from '@/core/members/plate/changes';
import { plateFaults } from '@/core/members/plate/faults';
import type { PlateResult } from '@/core/members/plate/result';
import { corners, slabOf, slabs } from './plate-slabs';

/** A strip of 6 m between two walls, 180 deep, loaded so that it sinks. */
const { project, design } = slabs((more) => ({
  h: 180,
  meshSize: 400,
  outline: corners(
    [
      [0, 0],
      [6000, 0],
      [6000, 2000],
      [0, 2000],
    ],
    ['free', 'simple', 'free', 'simple'],
  ),
  straightedges: [{ name: 'S1', x1: 0, y1: 1000, x2: 6000, y2: 1000 }],
  ...more,
}));
const gap = (r: PlateResult, id: string) => r.lines[0]!.gaps.find((g) => g.id === id)!.deflection;
const most = (values: Float64Array) => values.reduce((a, b) => Math.max(a, b), 0);

describe('the camber of a slab', () => {
  const plain = design();
  const cambered = design({ camber: 12 });

  test('comes off the deflection in all, where the slab sinks most all of it; not off what comes after partitions', () => {
    // At the free edges, which sink most, the camber is whole, along the middle of the strip 2 % less, at the walls nothing.
    expect(Math.abs(gap(plain, 'total') - gap(cambered, 'total') - 12)).toBeLessThan(0.3);
    expect(gap(cambered, 'after')).toBeCloseTo(gap(plain, 'after'), 9);
    expect(most(plain.maps!.deflection!) - most(cambered.maps!.level!)).toBeCloseTo(12, 1);
    expect(cambered.maps!.deflection).toEqual(plain.maps!.deflection);
    expect(plain.maps!.level).toBeUndefined();
  });

  test('more of it never makes the deflection in all larger, and takes nothing from strength', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 15 }), fc.integer({ min: 1, max: 10 }), (a, more) => {
        const [low, high] = [design({ camber: a }), design({ camber: a + more })];
        expect(gap(high, 'total')).toBeLessThanOrEqual(gap(low, 'total') + 1e-9);
        expect(high.sections).toEqual(low.sections);
      }),
      { numRuns: 5 },
    );
  });

  test('is a way forward, no higher than the span over 250 (24 mm)', () => {
    const p = project({ service: { limits: { total: 700 } } });
    const plate = slabOf(p);
    const rates = { cost: p.rates.cost, carbon: p.rates.carbon };
    const ways = proposePlate(plate, codeOf(p, plate), rates).filter((w) => w.about === 'camber');
    expect(ways.map((w) => w.title)).toEqual(expect.arrayContaining(['camber 10 mm']));
    expect(ways.every((w) => w.change.camber! <= 24 && w.cost === 1)).toBe(true);
  });

  test('stands no higher than the length over 250, which is told', () => {
    // 6,000 / 250 = 24 mm, and 2 % less than 24 mm along the middle.
    const check = (camber: number) => design({ camber }).checks.find((c) => c.id === 'camber')!;
    expect(check(24).utilisation).toBeCloseTo(0.98, 1);
    expect(check(26).status).toBe('exceeds');
    expect(plain.checks.some((c) => c.id === 'camber')).toBe(false);
  });

  test('of less than nothing is refused', () => {
    const p = project({ camber: -5 });
    expect(plateFaults(slabOf(p), codeOf(p, slabOf(p))).map((f) => f.path)).toEqual(['camber']);
  });
});
