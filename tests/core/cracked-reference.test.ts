import { heldSpan } from '@/core/analysis/curvature';
import { outlineProperties } from '@/core/geometry/polygon';
import { cracked, uncracked } from '@/core/section/elastic-section';
import type { FlexuralSection } from '@/core/section/flexural-section';
import { meanCurvature, type SectionStiffness } from '@/core/section/mean-curvature';
import { polygonSection } from '@/core/section/polygon-section';
import { momentCurvature, type StrainLaws } from '@/core/section/strain-plane';
import { expectCase, referenceCases } from './reference';

const analysis = referenceCases('analysis');
const ES = 200_000;

/** Bars as [depth from the top, area] (mm, mm2), nothing displaced. */
type Layers = readonly (readonly [depth: number, area: number])[];

const section = (b: number, h: number, layers: Layers): FlexuralSection => ({
  h,
  strips: [{ from: 0, to: h, width: b }],
  layers: layers.map(([depth, area]) => ({ depth, area })),
});

/** Turned over, for a hogging moment. */
const turned = (s: FlexuralSection): FlexuralSection => ({ ...s, layers: s.layers.map((l) => ({ ...l, depth: s.h - l.depth })) });

function stiffness(s: FlexuralSection, b: number, E: number, fct: number, beta: number, strain: number): SectionStiffness {
  const alpha = ES / E;
  const [first, second] = [uncracked(s, alpha, false), cracked(s, alpha, false)!];
  return {
    crackingMoment: (fct * b * s.h ** 2) / 6,
    beta,
    uncracked: E * first.inertia,
    cracked: E * second.inertia,
    shrinkageUncracked: (strain * alpha * first.steelMoment) / first.inertia,
    shrinkageCracked: (strain * alpha * second.steelMoment) / second.inertia,
  };
}

describe('cracked sections and spans, worked out elsewhere', () => {
  it('CR-04: moment against curvature of a rectangle with a parabola and rectangle of stress, and its mean curvature', () => {
    const bars = [
      { x: 0, y: 275 - 500, area: 1473, diameter: 25 },
      { x: 0, y: 275 - 50, area: 402, diameter: 16 },
    ];
    const outer = [
      [-150, -275],
      [150, -275],
      [150, 275],
      [-150, 275],
    ] as const;
    const laws: StrainLaws = {
      concrete: { kind: 'parabola', exponent: 2, peakStrain: 0.002, stress: 20, ultimateStrain: 0.0035 },
      steel: { yield: 435, modulus: ES },
      deductsDisplaced: false,
    };
    const curve = momentCurvature(polygonSection({ outer, holes: [] }, bars), 0, Math.PI / 2, laws, 600);
    /** Straight between the two points of the curve around a value of one of its columns. */
    const read = (from: 'curvature' | 'moment', to: 'curvature' | 'moment', value: number) => {
      const i = curve.findIndex((p) => p[from] >= value);
      const [a, b] = [curve[i - 1]!, curve[i]!];
      return a[to] + ((b[to] - a[to]) * (value - a[from])) / (b[from] - a[from]);
    };
    const at = (perMetre: number) => read('curvature', 'moment', perMetre / 1000) / 1e6;
    const last = curve.at(-1)!;
    // State II of this case follows the parabola; state I is elastic with the bars, fct on the gross section.
    const crackedCurvature = read('moment', 'curvature', 120e6);
    const first = uncracked(
      section(300, 550, [
        [500, 1473],
        [50, 402],
      ]),
      ES / 33_000,
      true,
    );
    const s: SectionStiffness = {
      crackingMoment: (2.9 * 300 * 550 ** 2) / 6,
      beta: 1,
      uncracked: 33_000 * first.inertia,
      cracked: 120e6 / crackedCurvature,
      shrinkageUncracked: 0,
      shrinkageCracked: 0,
    };
    expectCase(analysis.get('CR-04')!, {
      M_at_0_002_kNm: at(0.002),
      M_at_0_006_kNm: at(0.006),
      M_at_0_015_kNm: at(0.015),
      kappa_II_at_120_1e6_per_m: crackedCurvature * 1e9,
      kappa_mean_at_120_1e6_per_m: meanCurvature(s, 120e6, 0) * 1e9,
      M_ult_kNm: last.moment / 1e6,
      x_ult_mm: last.edgeStrain / last.curvature,
    });
  });

  it('CR-09: a span of three regions of bars with moments at its ends, cracked for good by the short loads', () => {
    const L = 7000;
    const regions = [
      { to: 1500, layers: [[450, 628], [50, 1257]] as Layers }, // prettier-ignore
      { to: 5500, layers: [[450, 1257], [50, 402]] as Layers }, // prettier-ignore
      { to: 7000, layers: [[450, 628], [50, 1608]] as Layers }, // prettier-ignore
    ];
    const moment = (q: number, left: number, right: number) => (x: number) =>
      (q * x * (L - x)) / 2 + (left + ((right - left) * x) / L) * 1e6;
    const [short, long] = [moment(30, -70, -115), moment(24, -56, -92)];
    const n = 4000;
    const deflection = (of: (x: number) => number, phi: number, beta: number, strain: number) => {
      const states = regions.map((r) => {
        const s = section(300, 500, r.layers);
        return {
          sagging: stiffness(s, 300, 33_000 / (1 + phi), 2.9, beta, strain),
          hogging: stiffness(turned(s), 300, 33_000 / (1 + phi), 2.9, beta, strain),
        };
      });
      const kappa = Float64Array.from({ length: n }, (_, i) => {
        const x = ((i + 0.5) * L) / n;
        const state = states[regions.findIndex((r) => x <= r.to)]!;
        const [m, most] = [of(x), short(x)];
        // Shrinkage bends towards the face with more bars, whatever the sense of the moment.
        return m >= 0 ? meanCurvature(state.sagging, m, most) : -meanCurvature(state.hogging, -m, -most);
      });
      const w = heldSpan(L / n, kappa).deflection;
      const at = w.reduce((best, v, i) => (v > w[best]! ? i : best), 0);
      return { w: w[at]!, x: (at * L) / n };
    };
    const [now, later] = [deflection(short, 0, 1, 0), deflection(long, 2, 0.5, 0.0004)];
    expectCase(analysis.get('CR-09')!, { w_short_mm: now.w, w_long_mm: later.w, x_long_m: later.x / 1000 });
  });

  it('SE-01: a T by its corners', () => {
    const outer = [[300, 0], [600, 0], [600, 450], [900, 450], [900, 600], [0, 600], [0, 450], [300, 450]] as const; // prettier-ignore
    const p = outlineProperties({ outer, holes: [] });
    expectCase(analysis.get('SE-01')!, {
      A_mm2: p.area,
      cx_mm: p.centroid[0],
      cy_mm: p.centroid[1],
      Ixx_mm4: p.Ix,
      Iyy_mm4: p.Iy,
      W_top_mm3: p.Ix / (600 - p.centroid[1]),
      W_bottom_mm3: p.Ix / p.centroid[1],
    });
  });
});
