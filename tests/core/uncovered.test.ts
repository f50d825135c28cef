import fc from 'fast-check';
import { envelope, peakPositions, placeStations, thatMayGovern, type Arrangement } from '@/core/analysis/envelope';
import { analyse, makeMesh, superpose, type LineBeam, type LineLoad } from '@/core/analysis/line-beam';
import type { SupportZone } from '@/core/analysis/support-moments';
import { uncovered } from '@/core/analysis/uncovered';

/** States that another one covers everywhere are dropped: what is left must have the envelope of all of them, wherever one looks. */

const combination = { id: 'U', title: '', kind: 'ultimate', clause: '', factors: [], isOwn: true } as const;
const small = (most: number) => fc.double({ min: -most, max: most, noNaN: true });

const cases = fc.record({
  spans: fc.array(fc.integer({ min: 2000, max: 9000 }), { minLength: 1, maxLength: 3 }),
  rule: fc.constantFrom('face', 'rounded'),
  half: fc.integer({ min: 0, max: 400 }),
  loads: fc.array(
    fc.record({
      at: fc.double({ min: 0.05, max: 0.95, noNaN: true }),
      force: small(90e3),
      start: small(40),
      end: small(40),
      span: fc.nat(2),
    }),
    { minLength: 2, maxLength: 6 },
  ),
  factors: fc.array(fc.array(small(1.5), { minLength: 6, maxLength: 6 }), { minLength: 17, maxLength: 60 }),
});

test('the envelope of those kept is that of all, at any stations, moments cut over supports or not', () => {
  let dropped = 0;
  fc.assert(
    fc.property(cases, ({ spans, rule, half, loads, factors }) => {
      const beam: LineBeam = {
        spans: spans.map((length) => ({ length, stiffness: 4e13 })),
        supports: [...spans, 0].map(() => ({ vertical: 'held', rotation: 'free' })),
      };
      const units = loads.map(({ at, force, start, end, span }) => {
        const i = span % spans.length;
        const length = spans[i]!;
        const list: LineLoad[] = [
          { kind: 'point', span: i, at: at * length, force },
          { kind: 'distributed', span: i, from: 0, to: at * length, start, end },
        ];
        return { loads: list };
      });
      const mesh = makeMesh(beam, units);
      const responses = analyse(beam, mesh, units);
      const all = factors.map((f): Arrangement => ({ combination, label: '', response: superpose(responses, f) }));
      const zones = beam.supports.map((): SupportZone => ({ half, rule: rule === 'face' ? 'face' : 'rounded' }));
      const which = thatMayGovern(mesh, all, zones);
      dropped += all.length - which.length;
      const stations = placeStations(mesh, [], 53);
      const [whole, kept] = [envelope(mesh, beam, all, stations, zones), envelope(mesh, beam, all, stations, zones, which)];
      for (const key of ['maxM', 'minM', 'maxV', 'minV', 'maxR', 'minR'] as const) {
        const size = Math.max(1, ...whole[key].map(Math.abs));
        whole[key].forEach((v, i) => expect(Math.abs(v - kept[key][i]!)).toBeLessThanOrEqual(1e-9 * size));
      }
    }),
    { numRuns: 80 },
  );
  // A test in which nothing were dropped would show nothing.
  expect(dropped).toBeGreaterThan(500);
});

test('by hand: of three uniform loads on one span the middle one is covered; where two cross both stay', () => {
  const beam: LineBeam = {
    spans: [{ length: 6000, stiffness: 1e13 }],
    supports: [
      { vertical: 'held', rotation: 'free' },
      { vertical: 'held', rotation: 'free' },
    ],
  };
  const uniform = (q: number) => ({ loads: [{ kind: 'distributed', span: 0, from: 0, to: 6000, start: q, end: q } as const] });
  const units = [uniform(10), uniform(20), uniform(30)];
  const mesh = makeMesh(beam, units);
  // 30 has the largest moment q x (L - x) / 2 and shear at every x, 10 the smallest.
  expect([...uncovered(mesh, analyse(beam, mesh, units), () => null)]).toEqual([0, 2]);
  // q1 = 20 (1 - x / L) on the left and q2 = 20 x / L on the right: moments q L2 / 6 (x / L)(1 - x / L)(2 - x / L) and its mirror image cross at midspan.
  const slope = (start: number, end: number) => ({ loads: [{ kind: 'distributed', span: 0, from: 0, to: 6000, start, end } as const] });
  const crossing = [slope(20, 0), slope(0, 20)];
  const cut = makeMesh(beam, crossing);
  expect([...uncovered(cut, analyse(beam, cut, crossing), () => null)]).toEqual([0, 1]);
});

describe('peaks between loads', () => {
  const beam: LineBeam = {
    spans: [{ length: 6000, stiffness: 1e13 }],
    supports: [
      { vertical: 'held', rotation: 'free' },
      { vertical: 'held', rotation: 'free' },
    ],
  };
  const half = (q: number) => ({ loads: [{ kind: 'distributed', span: 0, from: 0, to: 3000, start: q, end: q } as const] });
  const peaksOf = (...loads: number[]) => {
    const units = loads.map(half);
    const mesh = makeMesh(beam, units);
    return peakPositions(
      mesh,
      analyse(beam, mesh, units).map((response): Arrangement => ({ combination, label: '', response })),
    );
  };
  // q over the left half: R = 3 q L / 8, so that V = 0 at 3 L / 8 = 2250 mm, where M = 9 q L2 / 128.
  test('by hand: 2250 mm for loads down, the same for loads up', () => {
    expect(peaksOf(10)).toEqual([expect.closeTo(2250, 6)]);
    expect(peaksOf(-10)).toEqual([expect.closeTo(2250, 6)]);
  });
  test('one down and one up are a peak each, of two down that with more', () => {
    expect(peaksOf(10, -4)).toHaveLength(2);
    expect(peaksOf(10, 4)).toHaveLength(1);
  });
  test('a mirrored sign of all loads has the same peaks, whatever the loads', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: -20, max: 20 }), { minLength: 1, maxLength: 6 }), (loads) => {
        expect(peaksOf(...loads.map((q) => -q))).toEqual(peaksOf(...loads).map((x) => expect.closeTo(x, 6) as number));
      }),
    );
  });
});
