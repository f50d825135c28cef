import { designNow } from '@/core/project/design-member';
import { readProject } from '@/core/project/read';
import type { BeamResult } from '@/core/members/beam/result';
import fc from 'fast-check';

const cases = (n: number) => [{ id: 'G' }, ...Array.from({ length: n }, (_, i) => ({ id: `W${i + 1}`, nature: 'wind' }))];
function design(member: object, code = { id: 'en1992', variant: 'recommended' }) {
  const read = readProject({ format: 'intarsia', version: 1, code, members: [member] });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return designNow(read.project, read.project.members[0]!);
}

/** A beam of two spans with a wind load of some size on a part of a span for each case, up or down. */
const beam = (winds: readonly { readonly span: number; readonly from: number; readonly value: number }[]) => ({
  type: 'beam',
  spans: [{ length: 6000 }, { length: 5000 }],
  supports: [{ type: 'pinned' }, { type: 'pinned' }, { type: 'pinned' }],
  cases: cases(winds.length),
  loads: [
    { type: 'uniform', case: 'G', span: 'all', value: 12 },
    ...winds.map((w, i) => ({ type: 'partial', case: `W${i + 1}`, span: w.span, from: w.from, to: w.from + 2000, value: w.value })),
  ],
});
const wind = fc.record({
  span: fc.constantFrom(0, 1),
  from: fc.integer({ min: 0, max: 3000 }),
  value: fc.double({ min: -15, max: 15, noNaN: true }),
});

describe('many variable cases of a beam', () => {
  test('five and six of them have the envelope of all their states, each typed as a combination by itself', () => {
    const combination = (id: string, of: readonly string[]) => ({
      id,
      kind: 'ultimate',
      factors: [{ caseId: 'G', factor: 1.35 }, ...of.map((caseId) => ({ caseId, factor: 1.5 }))],
    });
    fc.assert(
      fc.property(fc.array(wind, { minLength: 5, maxLength: 6 }), (winds) => {
        const plain = beam(winds);
        const combinationsOff = (design(plain) as BeamResult).combinations.map((c) => c.id);
        const names = winds.map((_, i) => `W${i + 1}`);
        const found = design({ ...plain, selfWeight: false, combinationsOff, ownCombinations: [combination('ALL', names)] }) as BeamResult;
        // The other way: every presence and absence as a combination, of cases that are always there.
        const states = Array.from({ length: 2 ** names.length }, (_, bits) => names.filter((_, i) => (bits >> i) & 1));
        const always = {
          ...plain,
          selfWeight: false,
          cases: plain.cases.map((c) => ({ ...c, nature: 'permanent' })),
          combinationsOff: [
            ...combinationsOff,
            ...(design({ ...plain, cases: plain.cases.map((c) => ({ ...c, nature: 'permanent' })) }) as BeamResult).combinations.map(
              (c) => c.id,
            ),
          ],
          ownCombinations: states.map((of, i) => combination(`S${i}`, of)),
        };
        const every = design(always) as BeamResult;
        const most = (r: BeamResult, key: 'maxM' | 'minM' | 'maxV' | 'minV') => Math.max(...r.strips![key].map(Math.abs));
        // Stations stand where peaks are, which differ by parts of ten thousand.
        for (const key of ['maxM', 'minM', 'maxV', 'minV'] as const) expect(most(found, key) / most(every, key)).toBeCloseTo(1, 3);
      }),
      { numRuns: 6 },
    );
  });

  test('30 of them are answered at once', () => {
    const many = Array.from({ length: 30 }, (_, i) => ({ span: i % 2, from: 100 * i, value: i % 3 === 0 ? -4 : 6 }));
    const started = performance.now();
    const result = design(beam(many)) as BeamResult;
    expect(result.faults).toEqual([]);
    expect(result.arrangements.length).toBeLessThan(10_000);
    // Not a measure of speed: 2 to the power of 30 states would take a year.
    expect(performance.now() - started).toBeLessThan(60_000);
  });
});

test('a column with more variable cases than can be tried says so at its cases, up to eight are all tried', () => {
  const column = (n: number) => ({
    type: 'column',
    mode: 'cases',
    cases: cases(n),
    caseForces: cases(n).map(({ id }) => ({ case: id, N: 100, mxTop: 5, mxBottom: 5 })),
  });
  expect(design(column(18)).faults).toEqual([
    { path: 'cases', reason: expect.stringMatching(/^Combination .* has more than 8 variable cases/) as string },
  ]);
  const found = design(column(8)) as unknown as { sets: readonly { name: string; kind: string }[] };
  expect(found.sets.filter((s) => s.kind === 'ultimate').length).toBeGreaterThanOrEqual(256);
});
