import { readProject } from '@/core/project/read';
import { gateFaults } from '@/core/project/gate';
import { judge, random, seeds } from '../tools/fuzz';

const all = seeds();

/** A part of what `npm run fuzz` does, always the same; run it with other seeds and more runs after a change to reading or to a design. */
describe('files changed at random', () => {
  test.each([1, 2, 3, 4])(
    'are read or refused in words, designed and written without a fault: part %d',
    (part) => {
      const pick = random(1000 + part);
      const findings = Array.from({ length: 500 }, () => Math.floor(pick() * 2 ** 31)).flatMap(
        (run) => judge(all[run % all.length]!, run).findings,
      );
      // How long it takes is told by the script: a machine that tests is busy.
      expect(findings.filter((f) => f.bad !== 'slow')).toEqual([]);
    },
    600_000,
  );
});

describe('the gate', () => {
  const nested = (depth: number): unknown => {
    let inner: unknown = 1;
    for (let i = 0; i < depth; i += 1) inner = [inner];
    return inner;
  };
  test('figures that are none, words of the language, and what is too deep are refused at their path', () => {
    const raw = JSON.parse('{"a":{"__proto__":1,"b":[1,"toString"]},"c":1e999}') as unknown;
    expect(gateFaults(raw).map((f) => f.path)).toEqual(['a.__proto__', 'a.b[1]', 'c']);
    expect(gateFaults({ a: nested(200_000) })).toEqual([
      { path: expect.stringMatching(/^a\[0\]/) as string, reason: 'stands more than 40 levels deep' },
    ]);
    expect(gateFaults({ x: 'a'.repeat(500_001) })[0]!.reason).toMatch(/at most 500,000 characters/);
  });
  test('a file of ours passes, and a hostile one is told no more than fifty faults', () => {
    expect(gateFaults(all[0])).toEqual([]);
    expect(gateFaults(Array.from({ length: 500 }, () => Infinity)).length).toBe(50);
  });
  test.each([
    [{ choices: { nonsense: 'yes' } }, 'members[0].choices.nonsense', /no code has/],
    [{ choices: { fireReduction: '7' } }, 'members[0].choices.fireReduction', /values that the code allows/],
  ])('choices that nothing knows are said: %j', (member, path, reason) => {
    const read = readProject({ format: 'intarsia', version: 1, members: [member] });
    expect(read.ok ? [] : read.faults).toEqual([{ path, reason: expect.stringMatching(reason) as string }]);
  });
});
