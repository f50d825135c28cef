import fc from 'fast-check';
import { analyse, makeMesh, type LineBeam } from '@/core/analysis/line-beam';
import type { Check } from '@/core/checks/check';
import { designNow } from '@/core/project/design-member';
import { readProject } from '@/core/project/read';

/** Moments applied within a span: they jump there, and what is found from both sides must not depend on where the steps lie. */

const L = 6000;
/** Gross stiffness of 300 x 500 with f'c 28 MPa (N mm2): 4700 sqrt(28) x 300 x 500^3 / 12. */
const K_G = (4700 * Math.sqrt(28) * 300 * 500 ** 3) / 12;

function checksOf(moment: number, at: number, inertia: string): readonly Check[] {
  const read = readProject({
    format: 'intarsia',
    version: 1,
    code: { id: 'aci318', variant: 'SI', choices: { deflectionInertia: inertia } },
    members: [
      {
        section: { b: 300, h: 500 },
        catalogue: 'softMetric',
        materials: { concreteStrength: 28, steelStrength: 420, linkStrength: 420 },
        spans: [{ length: L }],
        supports: [{ width: 0 }, { width: 0 }],
        selfWeight: false,
        cases: [
          { id: 'G', nature: 'permanent' },
          { id: 'Q', nature: 'imposed' },
        ],
        loads: [
          { type: 'uniform', case: 'G', value: 1e-6 },
          { type: 'moment', case: 'Q', span: 0, at, moment },
        ],
        bars: { bottom: [{ main: { count: 2, size: 'No.22' } }], top: [{ main: { count: 2, size: 'No.16' } }] },
      },
    ],
  });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  const member = read.project.members[0]!;
  return designNow(read.project, member, 'all').checks;
}

const liveOf = (checks: readonly Check[]) => checks.find(({ id }) => id === 'deflection-live-1')!;

/** Largest deflection of a simple span with a moment (N mm, clockwise) at a place, its curvature given by the moment: 60,000 steps. */
function byIntegration(moment: number, a: number, curvature: (m: number) => number): number {
  const n = 60_000;
  const h = L / n;
  let [slope, w] = [0, 0];
  const down = Array.from({ length: n }, (_, i) => {
    const x = (i + 0.5) * h;
    slope -= curvature(x > a ? moment * (1 - x / L) : (-moment * x) / L) * h;
    return (w += slope * h);
  });
  return down.reduce((most, v, i) => Math.max(most, Math.abs(v - (w * (i + 1)) / n)), 0);
}

describe('fixed-end moments of an applied moment', () => {
  it('are those of a span with both ends held, wherever it is applied', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 99 }), fc.integer({ min: 20, max: 90 }), (percent, length) => {
        const span = length * 100;
        const at = (percent / 100) * span;
        const held = { vertical: 'held', rotation: 'held' } as const;
        const beam: LineBeam = { spans: [{ length: span, stiffness: 1e13 }], supports: [held, held] };
        const unit = { loads: [{ kind: 'moment', span: 0, at, moment: 50e6 }] } as const;
        const [response] = analyse(beam, makeMesh(beam, [unit]), [unit]);
        // By hand: M b (b - 2a) / L2 hogs the left end, M a (2b - a) / L2 the right one.
        const [a, b] = [at / span, 1 - at / span];
        expect(response!.fixedEndMoments[0]! / 50e6).toBeCloseTo(b * (b - 2 * a), 6);
        expect(response!.fixedEndMoments[1]! / 50e6).toBeCloseTo(a * (2 * b - a), 6);
        // The same by the displacement method: moments at the ends, sagging positive.
        expect(-response!.elements[1]! / 50e6).toBeCloseTo(b * (b - 2 * a), 6);
      }),
    );
  });
});

describe('deflection under an applied moment', () => {
  it('before anything cracks: that of the elastic line, also where the moment is applied within a step', () => {
    fc.assert(
      // Also just in the middle of a step of 50 mm.
      fc.property(
        fc.oneof(
          fc.integer({ min: 30, max: L - 30 }),
          fc.integer({ min: 1, max: 118 }).map((k) => 50 * k + 25),
        ),
        (at) => {
          const exact = byIntegration(20e6, at, (m) => m / K_G);
          expect(Math.abs(liveOf(checksOf(20, at, 'section')).demand!.value / exact - 1)).toBeLessThan(0.002);
        },
      ),
      { numRuns: 25 },
    );
  });

  it('with cracked sections: that of a fine integration', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1200, max: 1700 }), (at) => {
        const live = liveOf(checksOf(90, at, 'section'));
        const [cracked, limit] = ['K_cr', 'M_23'].map((name) => {
          const step = live.derivation!.find((s) => 'symbol' in s && s.symbol === name) as unknown as { readonly value: number };
          return step.value;
        }) as [number, number];
        const exact = byIntegration(90e6, at, (m) =>
          Math.abs(m) <= limit ? m / K_G : m * (1 / cracked - (limit / m) ** 2 * (1 / cracked - 1 / K_G)),
        );
        expect(Math.abs(live.demand!.value / exact - 1)).toBeLessThan(0.006);
      }),
      { numRuns: 25 },
    );
  });

  it('one stiffness for a simple span is that of its critical section: a pinned end that hogs just inside is no continuous end (24.2.3.6)', () => {
    // 90 kNm at a third: M_a = 60, 2/3 Mcr = 27.34, Kcr = 21 406, Kg = 77 719 kNm2: Ke = 21 406 / (1 - 0.2076 x 0.7246) = 25 197 kNm2.
    // Elastic with Kg: 1.4557 mm; 1.4557 x 77 719 / 25 197 = 4.49 mm. With the mean of Ke and Kg it would be 2.2 mm.
    const live = liveOf(checksOf(90, 2000, 'average')).demand!.value;
    expect(live).toBeGreaterThan(4.46);
    expect(live).toBeLessThan(4.52);
    // From the other end it is the mirror image: the same size.
    expect(liveOf(checksOf(-90, 4000, 'average')).demand!.value / live).toBeCloseTo(1, 3);
  });
});
