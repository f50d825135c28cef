import { readFileSync } from 'node:fs';
import type { Member } from '@/core/members/kinds';
import { designNow } from '@/core/project/design-member';
import { readProject } from '@/core/project/read';

const projects = ['alderlight-playhouse', 'alderlight-annex-us', 'alderlight-ferry-house'].map((name) => {
  const read = readProject(JSON.parse(readFileSync(`examples/${name}.intarsia`, 'utf8')));
  if (!read.ok) throw new Error(name);
  return read.project;
});

/** Lists whose order says nothing: loads, sets of forces, openings, rows at stations. */
const LISTS = ['loads', 'sets', 'forces', 'caseForces', 'openings', 'stations', 'stationSets'] as const;

const reversed = (member: Member): Member =>
  Object.fromEntries(
    Object.entries(member).map(([key, value]) => [
      key,
      (LISTS as readonly string[]).includes(key) && Array.isArray(value) ? [...value].reverse() : value,
    ]),
  ) as unknown as Member;

describe('the order in which loads, sets and openings are typed changes no figure', () => {
  for (const project of projects)
    test.each(project.members.map((m) => [m.mark, m] as const))(`${project.name}, %s`, (_, member) => {
      const [a, b] = [designNow(project, member), designNow(project, reversed(member))];
      // Known forces of a section are checked row by row, and named by their rows.
      const key = (id: string) => id.replace(/-\d+$/, '');
      const worst = (r: typeof a) => {
        const by = new Map<string, number>();
        for (const c of r.checks) by.set(key(c.id), Math.max(by.get(key(c.id)) ?? 0, c.utilisation ?? 0));
        return [...by].sort(([p], [q]) => p.localeCompare(q));
      };
      expect(worst(b).map(([id, u]) => [id, u])).toEqual(worst(a).map(([id, u]) => [id, expect.closeTo(u, 7)]));
      expect(b.governing?.utilisation ?? null).toEqual(
        a.governing?.utilisation == null ? null : expect.closeTo(a.governing.utilisation, 7),
      );
    });
});
