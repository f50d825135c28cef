import fc from 'fast-check';
import { barMoments } from './wood-armer';
import { expectCase, referenceCases } from './reference';

const cases = referenceCases('analysis');
interface Moments {
  mx_kNm_per_m: number;
  my_kNm_per_m: number;
  mxy_kNm_per_m: number;
  alpha_deg: number;
}
const of = (id: string) => {
  const { mx_kNm_per_m: mx, my_kNm_per_m: my, mxy_kNm_per_m: mxy, alpha_deg } = cases.get(id)!.inputs as unknown as Moments;
  const angle = (alpha_deg * Math.PI) / 180;
  return { mx, my, mxy, angle };
};

describe('moments for bars in two directions', () => {
  test('by hand: both faces, bars at right angles', () => {
    // mx 20, my 8, mxy 6: below 20 + 6 and 8 + 6; above -20 + 6 < 0, then -8 + 36/20 < 0: nothing.
    expect(barMoments(20, 8, 6)).toEqual({ x: 26, other: 14 });
    expect(barMoments(-20, -8, -6)).toEqual({ x: 0, other: 0 });
    // mx 2, my 3, mxy 6: below 8 and 9, above -2 + 6 = 4 and -3 + 6 = 3.
    expect(barMoments(2, 3, 6)).toEqual({ x: 8, other: 9 });
    expect(barMoments(-2, -3, -6)).toEqual({ x: 4, other: 3 });
  });
  test('PL-15: signs that differ', () => {
    const { mx, my, mxy } = of('PL-15');
    const [below, above] = [barMoments(mx, my, mxy), barMoments(-mx, -my, -mxy)];
    expectCase(cases.get('PL-15')!, {
      mx_bottom_kNm_per_m: below.x,
      my_bottom_kNm_per_m: below.other,
      mx_top_kNm_per_m: -above.x,
      my_top_kNm_per_m: -above.other,
    });
  });
  test('PL-17: bars at 60 degrees', () => {
    const { mx, my, mxy, angle } = of('PL-17');
    const [below, above] = [barMoments(mx, my, mxy, angle), barMoments(-mx, -my, -mxy, angle)];
    expect(below.x).toBeCloseTo(18.143593539448986, 9);
    expect(below.other).toBeCloseTo(17.071796769724497, 9);
    expect(above).toEqual({ x: 0, other: 0 });
  });
  test('in no direction is more asked than both give; with less of either, somewhere it is', () => {
    const moment = fc.double({ min: -50, max: 50, noNaN: true });
    fc.assert(
      fc.property(moment, moment, moment, fc.double({ min: 0.6, max: 2.5, noNaN: true }), (mx, my, mxy, angle) => {
        const { x, other } = barMoments(mx, my, mxy, angle);
        const spare = (a: number, b: number) =>
          Math.min(
            ...Array.from({ length: 720 }, (_, i) => {
              const t = (i * Math.PI) / 720;
              const [c, s] = [Math.cos(t), Math.sin(t)];
              return a * c * c + b * Math.cos(t - angle) ** 2 - (mx * c * c + my * s * s + 2 * mxy * c * s);
            }),
          );
        const scale = Math.abs(mx) + Math.abs(my) + Math.abs(mxy);
        expect(spare(x, other)).toBeGreaterThan(-1e-9 * (1 + scale));
        expect(x).toBeGreaterThanOrEqual(0);
        expect(other).toBeGreaterThanOrEqual(0);
        if (x > 0.1 && other > 0.1) {
          expect(spare(0.95 * x - 0.01, other)).toBeLessThan(0);
          expect(spare(x, 0.95 * other - 0.01)).toBeLessThan(0);
        }
      }),
      { numRuns: 400 },
    );
  });
  test('the mirror of a plate has the same bars', () => {
    const moment = fc.double({ min: -50, max: 50, noNaN: true });
    fc.assert(
      fc.property(moment, moment, moment, fc.double({ min: 0.6, max: 2.5, noNaN: true }), (mx, my, mxy, angle) => {
        const [a, b] = [barMoments(mx, my, mxy, angle), barMoments(mx, my, -mxy, Math.PI - angle)];
        expect(b.x).toBeCloseTo(a.x, 6);
        expect(b.other).toBeCloseTo(a.other, 6);
      }),
    );
  });
});
