import { readFileSync } from 'node:fs';
import { designNow } from '@/core/project/design-member';
import type { Project } from '@/core/project/project';
import type { Member, MemberResult } from '@/core/members/kinds';
import { readProject } from '@/core/project/read';

/**
 * Every number of every member of the demo is set to what nobody means: nothing, less than nothing, far too much. Each time there is a
 * result without NaN, or faults that say where; never an error of the program.
 */

function example(file: string): Project {
  const read = readProject(JSON.parse(readFileSync(`examples/${file}`, 'utf8')));
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.project;
}

type Path = readonly (string | number)[];

/** Paths of all numbers of a member that are input: not its id, decisions or variants. */
function numbersIn(value: unknown, path: Path = []): Path[] {
  if (typeof value === 'number') return [path];
  if (value === null || typeof value !== 'object') return [];
  if (path.length === 1 && ['variants', 'decisions', 'id'].includes(String(path[0]))) return [];
  // Of long tables the first rows stand for the others.
  const entries = Array.isArray(value) ? [...value.entries()].slice(0, 2) : Object.entries(value);
  return entries.flatMap(([key, v]: [string | number, unknown]) => numbersIn(v, [...path, key]));
}

function withNumber<T>(value: T, path: Path, n: number): T {
  if (path.length === 0) return n as T;
  const [key, ...rest] = path;
  const copy = (Array.isArray(value) ? [...(value as unknown[])] : { ...value }) as Record<string | number, unknown>;
  copy[key!] = withNumber(copy[key!], rest, n);
  return copy as T;
}

function expectSound(r: MemberResult): void {
  for (const f of r.faults) {
    expect(f.path).not.toBe('');
    expect(f.reason).not.toMatch(/NaN|undefined|Infinity/);
    expect(f.reason.length).toBeGreaterThan(10);
  }
  for (const c of r.checks) {
    if (c.utilisation !== null) expect([c.id, Number.isNaN(c.utilisation)]).toEqual([c.id, false]);
    expect(`${c.title} ${c.reason ?? ''} ${c.place.label}`).not.toMatch(/NaN|undefined/);
    if (c.status === 'failed' || c.status === 'exceeds')
      expect([c.id, c.utilisation === null ? (c.reason ?? '') : 'has a figure']).not.toEqual([c.id, '']);
  }
}

const wrong = [0, -1, 1e9, -1e9];

describe.each(['alderlight-playhouse.intarsia', 'alderlight-annex-us.intarsia', 'alderlight-ferry-house.intarsia'])(
  '%s with values that nobody means',
  (file) => {
    const project = example(file);
    test.each(project.members.map((m) => [m.mark, m] as [string, Member]))('%s', (_mark, member) => {
      const paths = numbersIn(member);
      expect(paths.length).toBeGreaterThan(8);
      // Every number, another wrong value for each in turn: over all members every kind of number meets every kind of value.
      paths.forEach((path, i) => {
        const value = wrong[i % wrong.length]!;
        const changed = withNumber(member, path, value);
        let result: MemberResult;
        try {
          result = designNow(project, changed);
        } catch (error) {
          throw new Error(`${path.join('.')} = ${value}: ${String(error)}`);
        }
        expectSound(result);
      });
    });
  },
);
