import fc from 'fast-check';
import { analyse, makeMesh, momentAt, type LineBeam, type LineLoad } from '@/core/analysis/line-beam';
import { redistribute } from '@/core/analysis/redistribution';
import { arrange, envelope, peakPositions, placeStations, type CaseResponse } from '@/core/analysis/envelope';
import { everyMask } from '@/core/analysis/arrangements';
import type { Combination, LoadCase } from '@/core/analysis/combination';
import { silent } from '@/core/calc/calc';
import { makeCode } from '@/core/codes/registry';
import type { BendingSection } from '@/core/codes/design-code';
import { ultimateState } from '@/core/section/flexural-section';
import type { ConcreteLaw } from '@/core/section/laws';

/**
 * Support moments of a continuous beam on pins by the three-moment equation: for uniform loads
 * M(i-1) L(i) + 2 M(i) (L(i) + L(i+1)) + M(i+1) L(i+1) = -(w(i) L(i)^3 + w(i+1) L(i+1)^3) / 4.
 */
function threeMoments(lengths: readonly number[], loads: readonly number[]): number[] {
  const n = lengths.length - 1;
  const a = Array.from({ length: n }, (_, i) =>
    Array.from({ length: n + 1 }, (_, j) => {
      if (j === n) return -(loads[i]! * lengths[i]! ** 3 + loads[i + 1]! * lengths[i + 1]! ** 3) / 4;
      if (j === i) return 2 * (lengths[i]! + lengths[i + 1]!);
      if (j === i - 1) return lengths[i]!;
      return j === i + 1 ? lengths[i + 1]! : 0;
    }),
  );
  for (let p = 0; p < n; p += 1) {
    for (let r = p + 1; r < n; r += 1) {
      const f = a[r]![p]! / a[p]![p]!;
      for (let c = p; c <= n; c += 1) a[r]![c]! -= f * a[p]![c]!;
    }
  }
  const m = new Array<number>(n).fill(0);
  for (let i = n - 1; i >= 0; i -= 1) m[i] = (a[i]![n]! - m.reduce((s, v, j) => (j > i ? s + a[i]![j]! * v : s), 0)) / a[i]![i]!;
  return [0, ...m, 0];
}

const pins = (lengths: readonly number[]): LineBeam => ({
  spans: lengths.map((length) => ({ length, stiffness: 3e13 })),
  supports: Array.from({ length: lengths.length + 1 }, () => ({ vertical: 'held' as const, rotation: 'free' as const })),
});
const uniform = (lengths: readonly number[], loads: readonly number[]): LineLoad[] =>
  lengths.map((length, span) => ({ kind: 'distributed', span, from: 0, to: length, start: loads[span]!, end: loads[span]! }));

const lengths = fc.array(fc.double({ min: 2500, max: 11_000, noNaN: true }), { minLength: 2, maxLength: 12 });

describe('the displacement method against the three-moment equation', () => {
  test('support moments of 300 random beams', () => {
    fc.assert(
      fc.property(lengths, fc.infiniteStream(fc.double({ min: 0, max: 60, noNaN: true })), (ls, stream) => {
        const loads = ls.map(() => stream.next().value!);
        const beam = pins(ls);
        const unit = { loads: uniform(ls, loads) };
        const mesh = makeMesh(beam, [unit]);
        const [r] = analyse(beam, mesh, [unit]);
        const expected = threeMoments(ls, loads);
        const scale = Math.max(...expected.map(Math.abs), 1);
        for (let i = 1; i < ls.length; i += 1)
          expect(Math.abs(momentAt(r!.elements, mesh.supportNode[i]!, 0) - expected[i]!)).toBeLessThan(1e-7 * scale);
      }),
      { numRuns: 300, seed: 31 },
    );
  });
  test('settlement: M = 6 E I s / (L1 L2) * ... by the three-moment equation with settlement terms', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 3000, max: 9000, noNaN: true }),
        fc.double({ min: 3000, max: 9000, noNaN: true }),
        fc.double({ min: -20, max: 20, noNaN: true }),
        (a, b, s) => {
          // 2 M (a + b) = 6 E I (s/a + s/b) for a middle support that sinks by s.
          const beam = pins([a, b]);
          const unit = { loads: [], settlements: [{ support: 1, value: s }] };
          const mesh = makeMesh(beam, [unit]);
          const [r] = analyse(beam, mesh, [unit]);
          const expected = (3 * 3e13 * s * (1 / a + 1 / b)) / (a + b);
          expect(Math.abs(momentAt(r!.elements, 1, 0) - expected)).toBeLessThan(1e-6 * Math.abs(expected) + 1);
        },
      ),
      { numRuns: 100, seed: 8 },
    );
  });
});

describe('redistribution', () => {
  test('keeps every span in equilibrium: midspan moment plus mean of ends stays w L2 / 8', () => {
    fc.assert(
      fc.property(lengths, fc.double({ min: 0.7, max: 1, noNaN: true }), (ls, delta) => {
        const beam = pins(ls);
        const unit = {
          loads: uniform(
            ls,
            ls.map(() => 20),
          ),
        };
        const mesh = makeMesh(beam, [unit]);
        const before = analyse(beam, mesh, [unit])[0]!;
        const after = redistribute(beam, mesh, before, ls.map(() => delta).concat(delta));
        ls.forEach((L, i) => {
          const left = momentAt(after.elements, i, 0);
          const right = momentAt(after.elements, i, L);
          expect(Math.abs(momentAt(after.elements, i, L / 2) - (left + right) / 2 - (20 * L * L) / 8)).toBeLessThan(1);
          expect(Math.abs(left - delta * momentAt(before.elements, i, 0))).toBeLessThan(1);
        });
        const sum = (r: typeof before) => r.reactions.reduce((s, v) => s + v, 0);
        expect(Math.abs(sum(after) - sum(before))).toBeLessThan(1e-3);
      }),
      { numRuns: 60, seed: 12 },
    );
  });
});

describe('envelopes', () => {
  const loadCase = (id: string, nature: LoadCase['nature'], pattern: boolean): LoadCase => ({
    id,
    title: id,
    nature,
    category: 'A',
    pattern,
  });
  test('the exhaustive rule for eight spans equals all 256 arrangements at every station', () => {
    const ls = [5000, 6500, 4000, 7000, 5500, 6000, 4500, 5200];
    const beam = pins(ls);
    const units = [
      {
        loads: uniform(
          ls,
          ls.map(() => 15),
        ),
      },
      ...ls.map((_, i) => ({
        loads: uniform(
          ls,
          ls.map((_l, j) => (i === j ? 22 : 0)),
        ),
      })),
    ];
    const mesh = makeMesh(beam, units);
    const responses = analyse(beam, mesh, units);
    const cases: CaseResponse[] = [
      { loadCase: loadCase('G', 'permanent', false), parts: [{ span: undefined, response: responses[0]! }] },
      { loadCase: loadCase('Q', 'imposed', true), parts: ls.map((_, span) => ({ span, response: responses[span + 1]! })) },
    ];
    const combination: Combination = {
      id: 'U1',
      title: '',
      kind: 'ultimate',
      clause: '',
      factors: [
        { caseId: 'G', factor: 1.35 },
        { caseId: 'Q', factor: 1.5 },
      ],
    };
    const list = arrange([combination], cases, mesh, ls.length, 'exhaustive');
    expect(list.length).toBeLessThan(256);
    const stations = placeStations(mesh, peakPositions(mesh, list), 8);
    const env = envelope(
      mesh,
      beam,
      list,
      stations,
      beam.supports.map(() => ({ half: 0, rule: 'face' as const })),
    );
    const masks = everyMask(ls.length);
    // At the places that were sampled: eighths of each span.
    for (let span = 0; span < ls.length; span += 1) {
      for (let k = 0; k <= 8; k += 1) {
        const s = (k * ls[span]!) / 8;
        const effects = ls.map((_, j) => 1.5 * momentAt(responses[j + 1]!.elements, span, s));
        const g = 1.35 * momentAt(responses[0]!.elements, span, s);
        const all = masks.map((mask) => g + effects.reduce((sum, e, j) => sum + (mask[j] ? e : 0), 0));
        const i = stations.findIndex((st) => st.element === span && Math.abs(st.s - s) < 0.5);
        expect(Math.abs(env.maxM[i]! - Math.max(...all))).toBeLessThan(1e-6 * Math.max(...all.map(Math.abs)) + 1);
        expect(Math.abs(env.minM[i]! - Math.min(...all))).toBeLessThan(1e-6 * Math.max(...all.map(Math.abs)) + 1);
      }
    }
  });
  test('an envelope never shrinks when a combination is added', () => {
    const ls = [6000, 6000];
    const beam = pins(ls);
    const units = [{ loads: uniform(ls, [10, 10]) }, { loads: uniform(ls, [8, 8]) }];
    const mesh = makeMesh(beam, units);
    const [g, q] = analyse(beam, mesh, units);
    const cases: CaseResponse[] = [
      { loadCase: loadCase('G', 'permanent', false), parts: [{ span: undefined, response: g! }] },
      { loadCase: loadCase('W', 'wind', false), parts: [{ span: undefined, response: q! }] },
    ];
    const make = (id: string, factor: number): Combination => ({
      id,
      title: '',
      kind: 'ultimate',
      clause: '',
      factors: [
        { caseId: 'G', factor: 1.35 },
        { caseId: 'W', factor },
      ],
    });
    const zones = beam.supports.map(() => ({ half: 0, rule: 'face' as const }));
    const one = arrange([make('U1', 1.5)], cases, mesh, 2, 'allSpans');
    const two = arrange([make('U1', 1.5), make('U2', -1.5)], cases, mesh, 2, 'allSpans');
    // With wind, without wind; the other sense adds one state, its absence is the same state again.
    expect([one.length, two.length]).toEqual([2, 3]);
    const stations = placeStations(mesh, [], 20);
    const [a, b] = [envelope(mesh, beam, one, stations, zones), envelope(mesh, beam, two, stations, zones)];
    stations.forEach((_, i) => {
      expect(b.maxM[i]!).toBeGreaterThanOrEqual(a.maxM[i]!);
      expect(b.minM[i]!).toBeLessThanOrEqual(a.minM[i]!);
    });
  });
});

describe('a rectangle with one layer: closed form against the search for balance', () => {
  const en = makeCode({ id: 'en1992', variant: 'recommended', choices: {} });
  const m = { ...en.defaults, concreteStrength: 30 };
  test('EN: M = As fyd (d - As fyd / (2 b fcd)) while the steel yields, 500 random sections', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 200, max: 800, noNaN: true }),
        fc.double({ min: 300, max: 1500, noNaN: true }),
        fc.double({ min: 0.002, max: 0.012, noNaN: true }),
        (b, d, rho) => {
          const As = rho * b * d;
          const s: BendingSection = {
            b,
            bw: b,
            h: d + 60,
            hf: 0,
            strips: [{ from: 0, to: d + 60, width: b }],
            layers: [{ depth: d, area: As }],
            tensionWidth: b,
            grossArea: b * (d + 60),
          };
          const T = (As * 500) / 1.15;
          const expected = T * (d - T / (2 * b * 20));
          expect(en.bendingResistance(silent, s, m)!.moment / expected).toBeCloseTo(1, 8);
        },
      ),
      { numRuns: 500, seed: 17 },
    );
  });
  test('parabola and rectangle: force 17/21 f b x and depth 99/238 x for the normal strain limits', () => {
    const law: ConcreteLaw = { kind: 'parabola', exponent: 2, peakStrain: 0.002, stress: 20, ultimateStrain: 0.0035 };
    const state = ultimateState({ h: 600, strips: [{ from: 0, to: 600, width: 300 }], layers: [{ depth: 540, area: 1800 }] }, law, {
      yield: 435,
      modulus: 200_000,
    })!;
    expect(state.concrete.force).toBeCloseTo((17 / 21) * 20 * 300 * state.x, 3);
    expect(state.concrete.depth).toBeCloseTo((99 / 238) * state.x, 6);
    expect(state.concrete.force).toBeCloseTo(1800 * 435, 1);
  });
  test('cut into more strips, layers in another order: the same moment; twice as wide, twice the moment', () => {
    const law: ConcreteLaw = { kind: 'block', depthFactor: 0.8, stress: 20, ultimateStrain: 0.0035 };
    const steel = { yield: 435, modulus: 200_000 };
    const layers = [
      { depth: 60, area: 900 },
      { depth: 540, area: 1500 },
    ];
    const up = ultimateState({ h: 600, strips: [{ from: 0, to: 600, width: 300 }], layers }, law, steel)!;
    const halves = ultimateState(
      {
        h: 600,
        strips: [
          { from: 0, to: 250, width: 300 },
          { from: 250, to: 600, width: 300 },
        ],
        layers: [...layers].reverse(),
      },
      law,
      steel,
    )!;
    expect(halves.moment / up.moment).toBeCloseTo(1, 9);
    const doubled = ultimateState(
      { h: 600, strips: [{ from: 0, to: 600, width: 600 }], layers: layers.map((l) => ({ ...l, area: 2 * l.area })) },
      law,
      steel,
    )!;
    expect(doubled.moment / up.moment).toBeCloseTo(2, 9);
    expect(doubled.x).toBeCloseTo(up.x, 4);
  });
});
