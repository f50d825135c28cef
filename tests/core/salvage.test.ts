import { readFileSync } from 'fs';
import fc from 'fast-check';
import { readProject } from '@/core/project/read';
import { salvageProject } from '@/core/project/salvage';
import { writeProject } from '@/core/project/write';

const raw = JSON.parse(readFileSync('examples/alderlight-annex-us.intarsia', 'utf8')) as { members: Record<string, unknown>[] };
const read = readProject(raw);
if (!read.ok) throw new Error(JSON.stringify(read.faults));
const whole = read.project;

/** Every place of a value, as keys from its root. */
const placesIn = (value: unknown, keys: readonly string[] = []): (readonly string[])[] => [
  keys,
  ...(typeof value === 'object' && value !== null ? Object.entries(value).flatMap(([k, v]) => placesIn(v, [...keys, k])) : []),
];
const places = placesIn(raw.members).filter((keys) => keys.length > 0);
const junk = fc.oneof(
  fc.constant(null),
  fc.constant(''),
  fc.string({ maxLength: 3000 }),
  fc.double(),
  fc.constant([]),
  fc.constant({}),
  fc.constant(true),
);

describe('a project that was damaged in one place', () => {
  test('always opens: what is wrong is said, other members are as they were, and it can be saved and read again', () => {
    fc.assert(
      fc.property(fc.constantFrom(...places), junk, (keys, value) => {
        const damaged = structuredClone(raw);
        const holder = keys.slice(0, -1).reduce<unknown>((at, k) => (at as Record<string, unknown>)[k], damaged.members);
        (holder as Record<string, unknown>)[keys.at(-1)!] = value;
        const salvaged = salvageProject(damaged)!;
        expect(salvaged).toBeDefined();
        const isWhole = readProject(damaged).ok;
        expect(salvaged.faults.length > 0).toBe(!isWhole);
        for (const m of whole.members)
          if (m !== whole.members[Number(keys[0])]) expect(salvaged.project.members.find((x) => x.id === m.id)).toEqual(m);
        expect(readProject(JSON.parse(writeProject(salvaged.project))).ok).toBe(true);
      }),
      { numRuns: 120 },
    );
  });
  test('what is no project at all is not made one', () => {
    for (const value of [null, [], 'x', {}, { format: 'other' }, { format: 'intarsia', version: 99 }])
      expect(salvageProject(value)).toBeUndefined();
  });
});
