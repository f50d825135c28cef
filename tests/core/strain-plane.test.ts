import fc from 'fast-check';
import { elasticConcrete, elasticSteel } from '@/core/section/laws';
import { polygonSection, type PointBar } from '@/core/section/polygon-section';
import { forcesOf, momentCurvature, solvePlane, strainAt } from '@/core/section/strain-plane';
import { ResistanceSurface } from '@/core/section/resistance-surface';
import { expectCase, referenceCases } from './reference';

const rectangle = (b: number, h: number) => ({
  outer: [
    [-b / 2, -h / 2],
    [b / 2, -h / 2],
    [b / 2, h / 2],
    [-b / 2, h / 2],
  ] as [number, number][],
  holes: [],
});
const bar = (x: number, y: number, area: number): PointBar => ({ x, y, area, diameter: 20 });

describe('cracked elastic sections', () => {
  it('crk-01: stress of steel and depth of the neutral axis in a beam', () => {
    const c = referenceCases('en1992').get('crk-01')!;
    const [Ecm, phi] = [22_000 * 4 ** 0.3, 1.7];
    const section = polygonSection(rectangle(315, 545), [bar(-100, 272.5 - 489, 1473 / 2), bar(100, 272.5 - 489, 1473 / 2)]);
    const laws = { concrete: elasticConcrete(Ecm / (1 + phi)), steel: elasticSteel(200_000), deductsDisplaced: false };
    const plane = solvePlane(section, { N: 0, Mx: 168e6, My: 0 }, laws)!;
    const x = 272.5 + plane.e0 / plane.kx;
    expectCase(c, { x_mm: x, sigma_s_MPa: -strainAt(plane, -100, 272.5 - 489) * 200_000 }, ['rho_p_eff', 'wk_mm', 'sr_max_mm']);
  });

  it('crk-04: with axial compression', () => {
    const c = referenceCases('en1992').get('crk-04')!;
    const E = (22_000 * 4.2 ** 0.3) / 2.4;
    const section = polygonSection(rectangle(335, 470), [
      ...[-90, 90].map((x) => bar(x, 235 - 416, 1257 / 2)),
      ...[-90, 90].map((x) => bar(x, 235 - 54, 628 / 2)),
    ]);
    const laws = { concrete: elasticConcrete(E), steel: elasticSteel(200_000), deductsDisplaced: false };
    const plane = solvePlane(section, { N: 152e3, Mx: 121e6, My: 0 }, laws)!;
    expectCase(c, { x_mm: 235 + plane.e0 / plane.kx, sigma_s_MPa: -strainAt(plane, 90, 235 - 416) * 200_000 }, ['wk_mm', 'hc_ef_mm']);
  });

  it('uncracked, the stresses are those of the transformed section: N/A + M y/I by hand', () => {
    // 300 x 400, four bars of 500 mm2 at 150, 100; E 20 GPa, alpha 10. A = 120000 + 10 2000 = 140000; I = 300 400^3/12 + 10 2000 150^2
    const section = polygonSection(rectangle(300, 400), [
      bar(-100, -150, 500),
      bar(100, -150, 500),
      bar(-100, 150, 500),
      bar(100, 150, 500),
    ]);
    const laws = { concrete: elasticConcrete(20_000), steel: elasticSteel(200_000), deductsDisplaced: false };
    const plane = solvePlane(section, { N: 1e6, Mx: 3e7, My: 0 }, laws)!;
    const I = (300 * 400 ** 3) / 12 + 10 * 2000 * 150 ** 2;
    expect(20_000 * strainAt(plane, 0, 200)).toBeCloseTo(1e6 / 140_000 + (3e7 * 200) / I, 6);
    expect(20_000 * strainAt(plane, 0, -200)).toBeCloseTo(1e6 / 140_000 - (3e7 * 200) / I, 6);
  });

  it('any plane that is found is in equilibrium, and no plane is found where steel yields everywhere', () => {
    const section = polygonSection(rectangle(400, 500), [
      bar(-150, -200, 491),
      bar(150, -200, 491),
      bar(-150, 200, 491),
      bar(150, 200, 491),
    ]);
    const concrete = { kind: 'parabola', exponent: 2, peakStrain: 0.002, stress: 20, ultimateStrain: 0.0035 } as const;
    const laws = { concrete, steel: { yield: 435, modulus: 200_000 }, deductsDisplaced: true };
    fc.assert(
      fc.property(
        fc.double({ min: 1e5, max: 2.5e6, noNaN: true }),
        fc.double({ min: -1.5e8, max: 1.5e8, noNaN: true }),
        fc.double({ min: -1e8, max: 1e8, noNaN: true }),
        (N, Mx, My) => {
          const plane = solvePlane(section, { N, Mx, My }, laws);
          if (!plane) return;
          const f = forcesOf(section, plane, laws);
          expect(Math.abs(f.N - N)).toBeLessThan(10);
          expect(Math.abs(f.Mx - Mx)).toBeLessThan(1e4);
          expect(Math.abs(f.My - My)).toBeLessThan(1e4);
        },
      ),
    );
    expect(solvePlane(section, { N: -1e6, Mx: 0, My: 0 }, laws)).toBeUndefined();
  });

  it('moment against curvature ends at the moment of the resistance surface', () => {
    const section = polygonSection(rectangle(400, 500), [
      bar(-150, -200, 491),
      bar(150, -200, 491),
      bar(-150, 200, 491),
      bar(150, 200, 491),
    ]);
    const concrete = { kind: 'parabola', exponent: 2, peakStrain: 0.002, stress: 20, ultimateStrain: 0.0035 } as const;
    const laws = { concrete, steel: { yield: 435, modulus: 200_000 }, deductsDisplaced: false };
    const curve = momentCurvature(section, 1e6, Math.PI / 2, laws, 200);
    const basis = { ...laws, uniformStrain: 0.002, reduction: null, axialCap: null, squashStress: 400 };
    const M = new ResistanceSurface(section, basis).capacity(1e6, 1, 0)!.Mx;
    expect(curve.length).toBeGreaterThan(50);
    expect(Math.max(...curve.map((p) => p.moment)) / M).toBeCloseTo(1, 2);
    curve.slice(1).forEach((p, i) => expect(p.edgeStrain).toBeGreaterThan(curve[i]!.edgeStrain));
  });
});
