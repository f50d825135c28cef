import { castDraft, produce, type Draft } from 'immer';
import type {
  BeamMember,
  ColumnMember,
  LineMember,
  Member,
  PanelMember,
  Project,
  PunchingMember,
  StripMember,
  UprightMember,
  WallMember,
} from '@/core/project/project';

type Change = (project: Project) => Project;

/** Changes one member; the others stay the same objects, so their results stay current. */
export function onMember(id: string, recipe: (member: Draft<Member>) => void): Change {
  return (project) => {
    const index = project.members.findIndex((m) => m.id === id);
    if (index < 0) return project;
    return produce(project, (draft) => recipe(draft.members[index]!));
  };
}

/** Changes a beam; nothing happens when the member is of another type. */
export function onBeam(id: string, recipe: (beam: Draft<BeamMember>) => void): Change {
  return onMember(id, (m) => {
    if (m.type === 'beam') recipe(m);
  });
}

/** Changes what beams and strips of slab have in common. */
export function onLine(id: string, recipe: (m: Draft<LineMember>) => void): Change {
  return onMember(id, (m) => {
    if (m.type === 'beam' || m.type === 'strip') recipe(m);
  });
}

/** Changes a slab that spans one way; nothing happens when the member is of another type. */
export function onStrip(id: string, recipe: (strip: Draft<StripMember>) => void): Change {
  return onMember(id, (m) => {
    if (m.type === 'strip') recipe(m);
  });
}

/** Changes a panel on four edges; nothing happens when the member is of another type. */
export function onPanel(id: string, recipe: (panel: Draft<PanelMember>) => void): Change {
  return onMember(id, (m) => {
    if (m.type === 'panel') recipe(m);
  });
}

/** Changes what columns and walls have in common. */
export function onUpright(id: string, recipe: (m: Draft<UprightMember>) => void): Change {
  return onMember(id, (m) => {
    if (m.type === 'column' || m.type === 'wall') recipe(m);
  });
}

/** Changes a slab at a column; nothing happens when the member is of another type. */
export function onPunching(id: string, recipe: (m: Draft<PunchingMember>) => void): Change {
  return onMember(id, (m) => {
    if (m.type === 'punching') recipe(m);
  });
}

/** Changes a wall; nothing happens when the member is of another type. */
export function onWall(id: string, recipe: (wall: Draft<WallMember>) => void): Change {
  return onMember(id, (m) => {
    if (m.type === 'wall') recipe(m);
  });
}

/** Changes a column; nothing happens when the member is of another type. */
export function onColumn(id: string, recipe: (column: Draft<ColumnMember>) => void): Change {
  return onMember(id, (m) => {
    if (m.type === 'column') recipe(m);
  });
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
