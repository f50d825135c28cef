import { hasText, rowsOf, sortRows } from '@/features/project/rows';
import { designNow } from '@/core/project/design-member';
import type { ResultEntry } from '@/store/project-store';
import { readProject } from '@/core/project/read';
import { readFileSync } from 'node:fs';

const read = readProject(JSON.parse(readFileSync('examples/alderlight-playhouse.intarsia', 'utf8')));
if (!read.ok) throw new Error('the demo is broken');
const project = read.project;
const results: Record<string, ResultEntry> = Object.fromEntries(
  project.members.map((member) => [
    member.id,
    { result: designNow(project, member), member, code: project.code, display: project.display, companions: [] },
  ]),
);
const rows = rowsOf(project, results);
const marks = (list: typeof rows) => list.map((r) => r.member.mark);

describe('the list of all members', () => {
  it('stands worst first: what is over before what is near', () => {
    const standings = sortRows(rows, 'worst', project).map((r) => r.standing);
    expect(standings.slice(0, 2)).toEqual(['over', 'over']);
    expect(standings.indexOf('within')).toBeGreaterThan(standings.lastIndexOf('near'));
  });
  it('by mark with numbers in their order, by place, and by a family of checks with the largest figure first', () => {
    const byMark = marks(sortRows(rows, 'mark', project));
    expect(byMark.indexOf('D1')).toBeLessThan(byMark.indexOf('D2'));
    expect(byMark[0]).toBe('A1');
    const places = sortRows(rows, 'place', project).map((r) => r.member.place);
    expect([...places]).toEqual([...places].sort());
    const shear = sortRows(rows, 'Shear', project).map((r) =>
      Math.max(-1, ...r.entry!.result.checks.filter((c) => c.family === 'shear' || c.family === 'torsion').map((c) => c.utilisation ?? -1)),
    );
    expect(shear).toEqual([...shear].sort((a, b) => b - a));
  });
  it('finds members by what is shown of them, whatever the case', () => {
    expect(marks(rows.filter((r) => hasText(r, 'RAKER')))).toEqual(['G3']);
    expect(rows.filter((r) => hasText(r, 'gallery')).length).toBeGreaterThan(2);
    expect(rows.filter((r) => hasText(r, 'no such thing'))).toEqual([]);
  });
});
