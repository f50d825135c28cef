import { designNow } from '@/core/project/design-member';
import { readProject } from '@/core/project/read';

/** Two spans with unlike bottom bars, so much load that support B needs steel in compression; or the same from right to left. */
function checksOf(isMirrored: boolean) {
  const turned = <T>(list: readonly T[]) => (isMirrored ? [...list].reverse() : [...list]);
  const bottom = turned([
    { main: { count: 2, size: '12' }, extra: { bars: { count: 0, size: '16' } } },
    { main: { count: 5, size: '25' }, extra: { bars: { count: 0, size: '16' } } },
  ]);
  const read = readProject({
    format: 'intarsia',
    version: 1,
    code: { id: 'en1992', variant: 'recommended' },
    members: [
      {
        mark: 'B1',
        section: { b: 250, h: 450 },
        spans: turned([{ length: 7000 }, { length: 6000 }]),
        supports: [{ width: 250 }, { width: 250 }, { width: 250 }],
        cases: [{ id: 'G', nature: 'permanent' }],
        loads: [{ type: 'uniform', case: 'G', value: 34 }],
        bars: {
          bottom,
          top: [{ main: { count: 2, size: '12' } }, { main: { count: 2, size: '12' } }],
          support: [{}, { bars: { count: 5, size: '25' }, left: 2200, right: 2200 }, {}],
        },
      },
    ],
  });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return designNow(read.project, read.project.members[0]!, []).checks;
}
const use = (isMirrored: boolean, id: string) => checksOf(isMirrored).find((c) => c.id === id)?.utilisation;

test.each(['compression-support-B', 'minimum-steel', 'bending-support-B'])('%s is the worse of both sides, from either end', (id) => {
  const there = use(false, id);
  expect(there).toBeGreaterThan(0);
  expect(use(true, id)! / there!).toBeCloseTo(1, 4);
});

test('compression steel over a support is that of the weaker side', () => {
  // Two bars of 12 are 226 mm2 at the most; five of 25 are 2454.
  const check = checksOf(false).find((c) => c.id === 'compression-support-B')!;
  expect(check.capacity!.value).toBeLessThan(227);
});
