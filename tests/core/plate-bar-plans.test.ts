import fc from 'fast-check';
import { codeOf } from '@/core/members/member';
import { barPlans } from '@/core/members/plate/bar-plans';
import { designPlate } from '@/core/members/plate/design-plate';
import { atOnce } from '@/core/job';
import { box } from '@/core/geometry/polygon';
import type { ExtraBars } from '@/core/members/plate/input';
import { mirrorsOf, symmetricExtras } from '@/core/members/plate/symmetric-bars';
import { corners, slabOf, slabs } from './plate-slabs';

/** Four columns under a slab of 8 by 7 m, one bay with overhangs. */
const { project } = slabs((more) => ({
  h: 260,
  meshSize: 700,
  outline: corners(box(-1000, -1000, 7000, 6000), ['free', 'free', 'free', 'free']),
  columns: [
    [0, 0],
    [6000, 0],
    [6000, 5000],
    [0, 5000],
  ].map(([x, y], i) => ({ name: `C${i + 1}`, x, y, shape: { kind: 'rectangle', b: 400, h: 400 } })),
  ...more,
}));

describe('plans of bars', () => {
  const p = project();
  const plate = slabOf(p);
  const plans = barPlans(plate, codeOf(p, plate), p.rates, p);
  const again = (i: number) => atOnce(designPlate({ ...plate, ...plans[i]!.change }, codeOf(p, plate), { derive: [], units: 'SI' }));

  test('are whole: set as they are, the slab has just these bars, and holds as was said', () => {
    expect(plans.length).toBeGreaterThan(2);
    plans.forEach((plan, i) => {
      const { steel, governing } = again(i);
      const { bars } = plan.change;
      expect(steel.extra).toEqual(bars!.extra);
      for (const m of steel.meshes) expect(m.bars).toEqual(bars![m.face][m.along]);
      expect(governing!.utilisation).toBeCloseTo(plan.utilisation, 9);
    });
  });

  test('those that hold come first, and none is given twice or is what lies there', () => {
    const holds = plans.map((plan) => plan.holds);
    expect(holds).toEqual([...holds].sort((a, b) => Number(b) - Number(a)));
    const keys = plans.map((plan) => JSON.stringify(plan.change.bars));
    expect(new Set(keys).size).toBe(keys.length);
  });

  test('are what they are called', () => {
    const named = (words: string) => plans.find((plan) => plan.title.startsWith(words))?.change.bars;
    const alone = plans.find((plan) => /^H\d+ alone/.test(plan.title))!;
    const sizes = new Set([...alone.change.bars!.extra!.map((e) => e.bars.size), alone.change.bars!.bottom.x!.size]);
    expect(sizes.size).toBe(1);
    expect(named('meshes alone')!.extra).toEqual([]);
    const round = named('round spacings');
    for (const e of round?.extra ?? []) expect(e.bars.spacing % 50).toBe(0);
    const alike = named('extra bars alike')?.extra ?? [];
    expect(new Set(alike.filter((e) => e.face === 'top').map((e) => JSON.stringify(e.bars))).size).toBeLessThanOrEqual(1);
  });

  test('meshes alone take more steel than bars where they are needed', () => {
    const meshes = plans.find((plan) => plan.title.startsWith('meshes alone'))!;
    expect(meshes.cost).toBeGreaterThan(1);
  });

  test('of a slab that cannot be are none', () => {
    const wrong = slabOf(project({ h: 5 }));
    expect(barPlans(wrong, codeOf(p, wrong), p.rates, p)).toEqual([]);
  });
});

describe('bars that are their own image', () => {
  const plate = slabOf(project());
  const extra = (x1: number, y1: number, x2: number, y2: number, spacing: number): ExtraBars => ({
    face: 'top',
    along: 'x',
    x1,
    y1,
    x2,
    y2,
    bars: { size: 'H12', alternate: null, spacing },
  });
  test('a slab and its columns are their own image about both middles, with another column about neither', () => {
    expect(mirrorsOf(plate)).toEqual([
      { along: 'x', at: 3000 },
      { along: 'y', at: 2500 },
    ]);
    expect(mirrorsOf({ ...plate, columns: [...plate.columns, { ...plate.columns[0]!, x: 3100, y: 2000 }] })).toEqual([]);
    expect(mirrorsOf({ ...plate, axes: { kind: 'straight', angle: 10, between: 90 } })).toEqual([]);
  });
  test('by hand: over one column the wider part with the closer bars of both, and as much over its images', () => {
    // About x = 3000: -500 to 600 is 5400 to 6500 there; with 5500 to 6600 that makes 5400 to 6600, and back -600 to 600.
    const both = symmetricExtras(plate, [extra(-500, -400, 600, 400, 200), extra(5500, -300, 6600, 500, 150)]);
    const found = both.map(({ x1, y1, x2, y2, bars }) => [x1, y1, x2, y2, bars.spacing]);
    expect(found).toHaveLength(4);
    expect(found).toEqual(
      expect.arrayContaining([
        [-600, -400, 600, 500, 150],
        [-600, 4500, 600, 5400, 150],
        [5400, -400, 6600, 500, 150],
        [5400, 4500, 6600, 5400, 150],
      ]),
    );
    // One over a middle is its own image there.
    expect(symmetricExtras(plate, [extra(2000, 2400, 3900, 2700, 200)]).map(({ x1, y1, x2, y2 }) => [x1, y1, x2, y2])).toEqual([
      [2000, 2300, 4000, 2700],
    ]);
  });
  test('whatever lies there, afterwards every part has its image and no place has less', () => {
    const at = fc.integer({ min: -1000, max: 7000 });
    const some = fc.record({
      x: at,
      y: at,
      w: fc.integer({ min: 300, max: 3000 }),
      h: fc.integer({ min: 300, max: 3000 }),
      s: fc.constantFrom(100, 150, 200),
    });
    fc.assert(
      fc.property(fc.array(some, { maxLength: 6 }), (given) => {
        const before = given.map(({ x, y, w, h, s }) => extra(x, y, x + w, y + h, s));
        const after = symmetricExtras(plate, before);
        const key = ({ x1, y1, x2, y2, bars }: ExtraBars) => [x1, y1, x2, y2, bars.spacing].join(' ');
        const keys = after.map(key).sort();
        expect(after.map((e) => key({ ...e, x1: 6000 - e.x2, x2: 6000 - e.x1 })).sort()).toEqual(keys);
        expect(after.map((e) => key({ ...e, y1: 5000 - e.y2, y2: 5000 - e.y1 })).sort()).toEqual(keys);
        for (const e of before)
          expect(after.some((a) => a.x1 <= e.x1 && a.y1 <= e.y1 && a.x2 >= e.x2 && a.y2 >= e.y2 && a.bars.spacing <= e.bars.spacing)).toBe(
            true,
          );
      }),
    );
  });
});
