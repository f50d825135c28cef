import type { PlateResult } from '@/core/members/plate/result';
import { box } from '@/core/geometry/polygon';
import { checkOf, corners, slabs } from './plate-slabs';

const { design } = slabs((more) => ({ h: 200, meshSize: 400, outline: corners(box(0, 0, 6000, 4000)), ...more }));
const american = { id: 'aci318' };
const most = (r: PlateResult, along: 'x' | 'y') =>
  Math.max(...r.sections.filter((s) => s.face === 'bottom' && s.along === along).map((s) => s.moment));

describe('top bars at simple edges', () => {
  const slab = design();

  test('carry 0.15 of the largest moment of the span across them, and lie over 0.2 of it', () => {
    for (const along of ['x', 'y'] as const) {
      const check = checkOf(slab, `held-edges-${along}`);
      expect(check.status === 'exceeds').toBe(false);
      // Spans of x are 6 m between the left and the right edge, of y 4 m.
      expect(check.demand!.value / (0.15 * most(slab, along))).toBeCloseTo(1, 1);
      const span = along === 'x' ? 6000 : 4000;
      const strips = slab.steel.extra.filter((e) => e.face === 'top' && e.along === along);
      const mesh = slab.steel.meshes.find((m) => m.face === 'top' && m.along === along)!.bars;
      if (mesh) continue;
      const [low, high] = along === 'x' ? (['x1', 'x2'] as const) : (['y1', 'y2'] as const);
      expect(Math.max(...strips.filter((e) => e[low] <= 0).map((e) => e[high]))).toBeGreaterThanOrEqual(0.2 * span);
      expect(Math.min(...strips.filter((e) => e[high] >= span).map((e) => e[low]))).toBeLessThanOrEqual(0.8 * span);
    }
  });

  test('are missed where none are laid, and told with what there is', () => {
    const bare = design({ bars: { extra: [], top: { x: null, y: null } } });
    const set = design({
      bars: { extra: [], top: { x: { size: '8', alternate: null, spacing: 400 }, y: { size: '8', alternate: null, spacing: 400 } } },
    });
    expect(checkOf(bare, 'held-edges-y').status).not.toBe('exceeds');
    expect(checkOf(set, 'held-edges-y').utilisation).toBeGreaterThan(checkOf(bare, 'held-edges-y').utilisation!);
  });

  test('are not asked for at edges that are clamped, free or on springs, nor where they rest freely', () => {
    for (const edge of ['clamped', 'spring'])
      expect(
        design({ outline: corners(box(0, 0, 6000, 4000), [edge, edge, edge, edge]) }).checks.some((c) => c.id.startsWith('held-edges')),
      ).toBe(false);
    const one = design({ outline: corners(box(0, 0, 6000, 4000), ['simple', 'free', 'simple', 'free']) });
    expect(one.checks.map((c) => c.id).filter((id) => id.startsWith('held-edges'))).toEqual(['held-edges-y']);
  });

  test('at an inclined edge bars both ways carry it: of a slab turned by 45 degrees each the whole of it', () => {
    const side = 4000 / Math.SQRT2;
    const turned = design({
      outline: corners([
        [0, -side],
        [side, 0],
        [0, side],
        [-side, 0],
      ]),
    });
    const straight = design({ outline: corners(box(0, 0, 4000, 4000)) });
    // nx2 + |nx ny| = 0.5 + 0.5 of 0.15 of the moment across: that of bars at 45 degrees is no less than that of bars along the spans.
    const asked = checkOf(turned, 'held-edges-x').demand!.value;
    expect(asked).toBeGreaterThan(0.9 * checkOf(straight, 'held-edges-x').demand!.value);
    expect(asked / (0.15 * most(turned, 'x'))).toBeLessThan(1.05);
  });

  test('are no rule of ACI 318', () => {
    expect(design({}, american).checks.some((c) => c.id.startsWith('held-edges'))).toBe(false);
  });
});
