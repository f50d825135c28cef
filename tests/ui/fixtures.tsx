import { designNow } from '@/core/project/design-member';
import type { Project } from '@/core/project/project';
import type { BeamMember } from '@/core/members/beam/input';
import { newMember } from '@/core/project/new-member';
import type { Member } from '@/core/members/kinds';
import type { ColumnMember } from '@/core/members/column/input';
import type { WallMember } from '@/core/members/wall/input';
import type { StripMember } from '@/core/members/strip/input';
import type { PunchingMember } from '@/core/members/punching/input';
import { readProject } from '@/core/project/read';
import { useProject } from '@/store/project-store';

/** A project of one beam, read from the least of a file. */
export function projectOf(member: Record<string, unknown> = {}, rest: Record<string, unknown> = {}): Project {
  const read = readProject({
    format: 'intarsia',
    version: 1,
    id: 'p',
    name: 'Test house',
    info: { author: 'E. Tester' },
    code: { id: 'en1992', variant: 'uk' },
    members: [
      {
        id: 'a',
        mark: 'B1',
        title: 'Test beam',
        place: 'Hall',
        section: { b: 300, h: 450 },
        spans: [{ length: 6000 }, { length: 6000 }],
        supports: [{ width: 300 }, { width: 300 }, { width: 300 }],
        cases: [
          { id: 'G', title: 'Floor', nature: 'permanent' },
          { id: 'Q', title: 'People', nature: 'imposed', category: 'C' },
        ],
        loads: [
          { type: 'uniform', case: 'G', value: 15 },
          { type: 'uniform', case: 'Q', value: 12 },
        ],
        ...member,
      },
    ],
    ...rest,
  });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.project;
}

export const firstMember = (project: Project): BeamMember => project.members[0] as BeamMember;

/** Opens a project in the store with the results of its members, as the workers would put them. */
export function openWithResults(project: Project, derive: readonly string[] | 'all' = []): void {
  useProject.getState().open(project);
  for (const member of project.members) {
    useProject
      .getState()
      .putResults([{ result: designNow(project, member, derive), member, code: project.code, display: project.display }]);
  }
}

/** jsdom lacks what the primitives ask the browser for. */
export function stubBrowser(): void {
  class Observer {
    observe() {}
    unobserve() {}
    disconnect() {}
  }
  Object.assign(globalThis, { ResizeObserver: Observer });
  Element.prototype.scrollIntoView ??= () => undefined;
  Element.prototype.hasPointerCapture ??= () => false;
  globalThis.CSS ??= { escape: (s: string) => s.replace(/["\\]/g, '\\$&') } as typeof CSS;
}

export const starting =
  <M extends Member>(start: string) =>
  (project: Project, id: string, mark: string, place: string) =>
    newMember(project, start, id, mark, place) as M;
export const newColumn = starting<ColumnMember>('column');
export const newWall = starting<WallMember>('wall');
export const newStrip = starting<StripMember>('strip');
export const newPunching = starting<PunchingMember>('punching');

/** A project of one new member, open with its results. */
export function openNew<M extends Member>(
  make: (p: Project, id: string, mark: string, place: string) => M,
): { project: Project; member: M } {
  const empty = projectOf({}, { members: [] });
  const project: Project = { ...empty, members: [make(empty, 'a', 'S1', 'Hall')] };
  openWithResults(project, 'all');
  return { project, member: project.members[0] as M };
}
