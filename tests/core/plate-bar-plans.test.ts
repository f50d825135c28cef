import { codeOf } from '@/core/members/member';
import { barPlans } from '@/core/members/plate/bar-plans';
import { designPlate } from '@/core/members/plate/design-plate';
import { atOnce } from '@/core/job';
import { box } from '@/core/geometry/polygon';
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
