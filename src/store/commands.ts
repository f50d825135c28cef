import { castDraft, produce, type Draft } from 'immer';
import type { Project } from '@/core/project/project';
import type { Member } from '@/core/members/kinds';

type Change = (project: Project) => Project;

/** What a command does to a member. */
export type Recipe<M extends Member> = (member: Draft<M>) => void;

/**
 * Changes one member; the others stay the same objects, so their results stay current. Nothing happens when the member is no longer of the kind
 * that it was.
 */
export function onMember<M extends Member>({ id, type }: M, recipe: Recipe<M>): Change {
  return (project) => {
    const index = project.members.findIndex((m) => m.id === id && m.type === type);
    if (index < 0) return project;
    // Of the same type, it is what the recipe is for.
    return produce(project, (draft) => void recipe(draft.members[index] as Draft<M>));
  };
}

export function onProject(recipe: (project: Draft<Project>) => void): Change {
  return (project) => produce(project, recipe);
}

/** Puts a whole new state in the place of a member. */
export function replaceMember(next: Member): Change {
  return onProject((p) => {
    const index = p.members.findIndex((m) => m.id === next.id);
    if (index >= 0) p.members[index] = castDraft(next);
  });
}

/** Adds a member after another, or at the end. */
export function addMember(member: Member, after?: string): Change {
  return onProject((p) => {
    const at = after === undefined ? p.members.length : p.members.findIndex((m) => m.id === after) + 1;
    p.members.splice(at, 0, castDraft(member));
  });
}

export function deleteMember(id: string): Change {
  return onProject((p) => {
    p.members = p.members.filter((m) => m.id !== id);
  });
}

/** Moves a member up (-1) or down (+1) in the list. */
export function moveMember(id: string, by: -1 | 1): Change {
  return onProject((p) => {
    const from = p.members.findIndex((m) => m.id === id);
    const to = from + by;
    if (from < 0 || to < 0 || to >= p.members.length) return;
    const [member] = p.members.splice(from, 1);
    p.members.splice(to, 0, member!);
  });
}

/** The first of stem + n, stem + (n + 1), … that is not taken. */
export function firstFree(stem: string, n: number, taken: readonly string[]): string {
  return taken.includes(`${stem}${n}`) ? firstFree(stem, n + 1, taken) : `${stem}${n}`;
}

/** An id that no member has yet. */
export function freshId({ members }: Project): string {
  return firstFree(
    'm',
    members.length + 1,
    members.map((m) => m.id),
  );
}

/** A mark that no member has yet, after the pattern of another: G2 becomes G3. */
export function freshMark({ members }: Project, like: string): string {
  const [, stem = '', number = '0'] = /^(.*?)(\d*)$/.exec(like) ?? [];
  return firstFree(
    stem || 'B',
    Number(number) + 1,
    members.map((m) => m.mark),
  );
}

/** A copy of a member with its own id and mark. */
export function copyMember(project: Project, id: string): { readonly change: Change; readonly id: string } {
  const source = project.members.find((m) => m.id === id)!;
  const copy: Member = { ...source, id: freshId(project), mark: freshMark(project, source.mark), decisions: [] };
  return { change: addMember(copy, id), id: copy.id };
}
