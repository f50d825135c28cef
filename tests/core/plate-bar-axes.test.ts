import fc from 'fast-check';
import { barTerms, momentOf } from '@/core/analysis/plates/design-moments';
import { evenRigidity, strainedTriangle, triangleForces, triangleStiffness, turnedTriangle } from '@/core/analysis/plates/triangle';
import { box, type Point } from '@/core/geometry/polygon';
import { codeOf } from '@/core/members/member';
import { answerOf } from '@/core/members/plate/analysis';
import { directionWords, layerTitle } from '@/core/members/plate/bar-axes';
import { designNow } from '@/core/project/design-member';
import { strengthAlone } from '@/core/members/plate/design-plate';
import type { PlateResult } from '@/core/members/plate/result';
import { referenceCases } from './reference';
import { corners, slabOf, slabs } from './plate-slabs';
import { barMoments } from './wood-armer';

type Axes = { kind: 'straight'; angle: number; between: number } | { kind: 'ring'; x: number; y: number; inner: number };
const straight = (angle: number, between = 90): Axes => ({ kind: 'straight', angle, between });
const unit = (degrees: number): [number, number] => [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
const free = { id: 'en1992', choices: { heldEnds: 'free' } };
const mesh = (size: string, spacing: number) => ({ size, spacing });
const within = (a: number, b: number, part: number) => {
  expect(a / b).toBeGreaterThan(1 - part);
  expect(a / b).toBeLessThan(1 + part);
};
const most = (values: ArrayLike<number>) => Array.from(values).reduce((a, b) => Math.max(a, b), 0);

describe('moments for bars at any angle', () => {
  const asked = (own: [number, number], other: [number, number], m: readonly [number, number, number]) =>
    Math.max(...barTerms(own, other).map((t) => momentOf(t, m)));
  test('PL-17: bars at 60 degrees; by hand as well', () => {
    const reference = referenceCases('analysis').get('PL-17')!;
    const { mx_kNm_per_m: mx, my_kNm_per_m: my, mxy_kNm_per_m: mxy, alpha_deg } = reference.inputs as unknown as Record<string, number>;
    const m = [mx!, my!, mxy!] as const;
    const [x, other] = [asked([1, 0], unit(alpha_deg!), m), asked(unit(alpha_deg!), [1, 0], m)];
    const { x: least, other: leastOther } = barMoments(mx!, my!, mxy!, (alpha_deg! * Math.PI) / 180);
    expect(x).toBeCloseTo(least, 9);
    expect(other).toBeCloseTo(leastOther, 9);
    // With s = sin 60 and cot 60 = 0.5774: mx - 2 mxy cot + my cot2 + |my cot - mxy| / s, and my / s2 + |my cot - mxy| / s.
    const cot = 1 / Math.tan(Math.PI / 3);
    const twist = Math.abs(my! * cot - mxy!) / Math.sin(Math.PI / 3);
    expect(x).toBeCloseTo(mx! - 2 * mxy! * cot + my! * cot ** 2 + twist, 9);
    expect(other).toBeCloseTo(my! / 0.75 + twist, 9);
    expect(x).toBeCloseTo(18.143593539448986, 9);
    expect(other).toBeCloseTo(17.071796769724497, 9);
  });
  test('in no direction is more asked than both give, and where both pull it is the least that does', () => {
    const m = fc.double({ min: -50, max: 50, noNaN: true });
    const degrees = fc.double({ min: -180, max: 180, noNaN: true });
    fc.assert(
      fc.property(m, m, m, degrees, fc.double({ min: 30, max: 150, noNaN: true }), (mx, my, mxy, angle, between) => {
        const [e, f] = [unit(angle), unit(angle + between)];
        const [a, b] = [Math.max(0, asked(e, f, [mx, my, mxy])), Math.max(0, asked(f, e, [mx, my, mxy]))];
        const scale = 1 + Math.abs(mx) + Math.abs(my) + Math.abs(mxy);
        for (let t = 0; t < 180; t += 1) {
          const [c, s] = unit(t);
          const has = a * (e[0] * c + e[1] * s) ** 2 + b * (f[0] * c + f[1] * s) ** 2;
          expect(has - (mx * c * c + my * s * s + 2 * mxy * c * s)).toBeGreaterThan(-1e-9 * scale);
        }
        // Turned into bars "x" the rule of Wood and Armer says the same, or less where one direction would be pressed.
        const [c, s] = e;
        const turned = [
          mx * c * c + my * s * s + 2 * mxy * c * s,
          mx * s * s + my * c * c - 2 * mxy * c * s,
          (my - mx) * c * s + mxy * (c * c - s * s),
        ] as const;
        const least = barMoments(...turned, (between * Math.PI) / 180);
        expect(a).toBeGreaterThanOrEqual(least.x - 1e-9 * scale);
        expect(b).toBeGreaterThanOrEqual(least.other - 1e-9 * scale);
        if (least.x > 0 && least.other > 0) {
          expect(a).toBeCloseTo(least.x, 6);
          expect(b).toBeCloseTo(least.other, 6);
        }
      }),
    );
  });
});

describe('a triangle that strains by other directions', () => {
  const at = [0, 0, 900, 100, 250, 700] as const;
  const even = evenRigidity(30_000, 0.2, 200);
  const plain = strainedTriangle(at, even);
  const matrixOf = (t: typeof plain, rigidity = even) => triangleStiffness(new Int32Array(3), t, rigidity).matrix;
  const near = (a: ArrayLike<number>, b: ArrayLike<number>) => {
    const scale = most(Array.from(b, Math.abs));
    Array.from(a).forEach((v, i) => expect(Math.abs(v - b[i]!) / scale).toBeLessThan(1e-12));
  };
  test('is as stiff as before where it is alike in all directions', () => {
    fc.assert(
      fc.property(fc.double({ min: -180, max: 180, noNaN: true }), (angle) =>
        near(matrixOf(turnedTriangle(plain, unit(angle))), matrixOf(plain)),
      ),
    );
  });
  test('turned by a right angle has both directions changed over, in stiffness and in what curves without moment', () => {
    const [xx, yy, tt, xy] = [3e10, 1e10, 0.8e10, 0.3e10];
    const [along, across] = [
      { bending: [xx, yy, tt, xy, 0, 0] as const, shear: [4e6, 1e6] as const },
      { bending: [yy, xx, tt, xy, 0, 0] as const, shear: [1e6, 4e6] as const },
    ];
    const turned = turnedTriangle(plain, [0, 1]);
    near(matrixOf(turned, across), matrixOf(plain, along));
    const moved = Float64Array.from({ length: 9 }, (_, i) => Math.sin(i + 1) * 1e-3);
    near(triangleForces(turned, across, moved, [2e-7, 5e-7]), triangleForces(plain, along, moved, [5e-7, 2e-7]));
  });
});

describe('slabs with turned bars', () => {
  const bars = { extra: [], bottom: { x: mesh('H12', 150), y: mesh('H10', 200) }, top: { x: null, y: null } };
  const oblong = slabs(
    (more) => ({ meshSize: 350, h: 200, outline: corners(box(0, 0, 6000, 4000), ['simple', 'simple', 'clamped', 'free']), bars, ...more }),
    free,
  );
  const demands = (more: object) => {
    const p = oblong.project(more);
    const plate = slabOf(p);
    return answerOf(plate, codeOf(p, plate)).parts[0]!.terms;
  };

  test('by a right angle: what bars x carried bars y carry; by half a turn nothing changes', () => {
    // A quarter turn changes the sign of the twisting moment: both terms change places.
    const [now, right, half] = [demands({}), demands({ axes: straight(90) }), demands({ axes: straight(180) })];
    const largest = (f: Float64Array) => most(f.map(Math.abs));
    for (let k = 0; k < now.x[0].length; k += 1) {
      const both = (t: readonly [Float64Array, Float64Array]) => [Math.max(t[0][k]!, t[1][k]!), Math.min(t[0][k]!, t[1][k]!)];
      const scale = largest(now.x[0]);
      both(right.x).forEach((v, i) => expect(Math.abs(v - both(now.y)[i]!) / scale).toBeLessThan(1e-6));
      both(right.y).forEach((v, i) => expect(Math.abs(v - both(now.x)[i]!) / scale).toBeLessThan(1e-6));
      both(half.x).forEach((v, i) => expect(Math.abs(v - both(now.x)[i]!) / scale).toBeLessThan(1e-6));
    }
  });
  test('by a right angle, with the bars of both directions changed over, it cracks and sinks as before', () => {
    const turned = { extra: [], bottom: { x: mesh('H10', 200), y: mesh('H12', 150) }, top: { x: null, y: null } };
    const [a, b] = [oblong.design(), oblong.design({ axes: straight(90), bars: turned, outer: 'y' })];
    within(most(b.maps!.deflection!), most(a.maps!.deflection!), 1e-3);
    const resistances = (r: PlateResult) => r.sections.map((s) => s.resistance).sort((u, v) => u - v);
    resistances(b).forEach((v, i) => within(v, resistances(a)[i]!, 1e-9));
  });
  test.each([20, 45])('turned by %i degrees with its slab it asks for the same bars and sinks as much', (angle) => {
    const [c, s] = unit(angle);
    const turn = ([x, y]: Point): Point => [c * x - s * y, s * x + c * y];
    const outline = corners(box(0, 0, 6000, 4000).map(turn), ['simple', 'simple', 'clamped', 'free']);
    const [a, b] = [oblong.design({ spread: 600 }), oblong.design({ spread: 600, outline, axes: straight(angle) })];
    for (const layer of ['bottom-x', 'bottom-y']) {
      const of = (r: PlateResult) => r.sections.find((x) => x.id === layer)!.moment;
      within(of(b), of(a), 0.02);
    }
    within(most(b.maps!.deflection!), most(a.maps!.deflection!), 0.02);
  });
  test('bars of both directions alike, uncracked: the directions do not matter to what it sinks', () => {
    const alike = { extra: [], bottom: { x: mesh('H10', 150), y: mesh('H10', 150) }, top: { x: null, y: null } };
    const stiff = { bars: alike, poisson: 0.2, loads: [{ type: 'uniform', case: 'G', value: 0.1 }] };
    const [a, b] = [oblong.design(stiff), oblong.design({ ...stiff, axes: straight(33) })];
    expect(most(a.maps!.crackedX!)).toBe(0);
    // Both layers lie at other depths, so both stiffnesses differ by a trace.
    within(most(b.maps!.deflection!), most(a.maps!.deflection!), 0.01);
  });
  test('more slanting bars never raise a deflection, and slanting ones stiffen less than straight ones', () => {
    const strip = slabs(
      (more) => ({
        meshSize: 300,
        h: 200,
        poisson: 0,
        outline: corners(box(0, 0, 5000, 2000), ['free', 'simple', 'free', 'simple']),
        ...more,
      }),
      free,
    );
    const sinks = (spacing: number, axes: Axes) =>
      most(
        strip.design({
          axes,
          bars: { extra: [], bottom: { x: mesh('H10', 200), y: mesh('H16', spacing) }, top: { x: null, y: null } },
          loads: [{ type: 'uniform', case: 'Q', value: 8 }],
        }).maps!.deflection!,
      );
    const at45 = [300, 200, 100].map((spacing) => sinks(spacing, straight(0, 45)));
    expect(at45[1]).toBeLessThanOrEqual(at45[0]! * 1.001);
    expect(at45[2]).toBeLessThanOrEqual(at45[1]! * 1.001);
    // Nearly along the strip they bring nearly all of their area.
    expect(sinks(100, straight(0, 30))).toBeLessThan(at45[2]!);
  });
});

describe('a round slab on its edge, radial bars and rings', () => {
  const R = 5000;
  const round = slabs(
    (more) => ({
      h: 220,
      meshSize: 400,
      spread: 0,
      poisson: 0.2,
      outline: [-R, R].map((x) => ({ x, y: 0, edge: 'simple', rise: R })),
      axes: { kind: 'ring', x: 0, y: 0, inner: 1000 },
      loads: [{ type: 'uniform', case: 'G', value: 5 }],
      ...more,
    }),
    free,
  );
  const result = strengthAlone(slabOf(round.project()), codeOf(round.project(), slabOf(round.project())));

  test('by hand: (3 + nu) w (R2 - r2) / 16 along radii and w [(3 + nu) R2 - (1 + 3 nu) r2] / 16 around, nothing twists', () => {
    // w = 1.35 (0.22 x 25 + 5) = 14.175 kN/m2; in the middle 3.2 x 14.175 x 25 / 16 = 70.9 kNm/m both ways; at 3 m 45.4 along and 58.1 around.
    const w = 1.35 * (0.22 * 25 + 5);
    const radial = (r: number) => (3.2 * w * (25 - r * r)) / 16;
    const around = (r: number) => (w * (3.2 * 25 - 1.6 * r * r)) / 16;
    const { at } = result.mesh!;
    for (let n = 0; n < at.length / 2; n += 1) {
      const r = Math.hypot(at[2 * n]!, at[2 * n + 1]!) / 1000;
      if (r > 4.5) continue;
      expect(Math.abs(result.maps!.mx![n]! / 1000 - radial(r))).toBeLessThan(0.02 * 70.9);
      expect(Math.abs(result.maps!.my![n]! / 1000 - around(r))).toBeLessThan(0.02 * 70.9);
      expect(Math.abs(result.maps!.mxy![n]! / 1000)).toBeLessThan(0.02 * 70.9);
    }
  });
  test('the largest of both is in the middle; above next to nothing is asked for', () => {
    const moments = (id: string) => Math.max(...result.sections.filter((s) => s.id.startsWith(id)).map((s) => s.moment)) / 1000;
    within(moments('bottom-x'), 70.9, 0.02);
    within(moments('bottom-y'), 70.9, 0.02);
    // What a ring of straight edges leaves there, not the slab.
    expect(Math.max(0, ...result.sections.filter((s) => s.face === 'top').map((s) => s.moment / 1000))).toBeLessThan(0.03 * 70.9);
    expect(result.checks.filter((c) => c.id.startsWith('bending')).every((c) => c.status === 'holds' || c.status === 'near')).toBe(true);
  });
});

test('the steps of a check tell the moments in the directions of its bars: with the size of the twist they are what is asked', () => {
  const slab = slabs(
    (more) => ({ meshSize: 500, h: 200, spread: 0, outline: corners(box(0, 0, 6000, 4000)), axes: straight(30, 70), ...more }),
    free,
  ).project({ cases: [{ id: 'G', title: 'Permanent', nature: 'permanent' }], loads: [{ type: 'uniform', case: 'G', value: 5 }] });
  const { checks, sections } = designNow(slab, slabOf(slab), 'all') as PlateResult;
  const largest = sections.filter((s) => s.id.startsWith('bottom-x')).reduce((a, b) => (b.moment > a.moment ? b : a));
  const steps = checks.find((c) => c.id === `bending-${largest.id}`)!.derivation!;
  const told = (words: string) => (steps.find((s) => 'name' in s && s.name === words) as unknown as { value: number }).value;
  // The slab is not spread, so the moment for the bars is that of the place itself.
  expect((told('moment for these bars there') + told('twisting moment there')) / largest.moment).toBeCloseTo(1, 9);
});

test('directions in words', () => {
  const of = (axes: Axes) => [directionWords({ axes }, 'x'), directionWords({ axes }, 'y')];
  expect(of(straight(0))).toEqual(['along x', 'along y']);
  expect(of(straight(30))).toEqual(['at 30°', 'at 120°']);
  expect(of(straight(-22.5, 60))).toEqual(['at 157.5°', 'at 37.5°']);
  expect(of({ kind: 'ring', x: 0, y: 0, inner: 500 })).toEqual(['radial', 'around']);
  expect(layerTitle({ axes: straight(0) }, { face: 'top', along: 'y' })).toBe('top, along y');
});
