import type { Member } from '@/core/members/kinds';
import { newMember, starts } from '@/core/project/new-member';
import { addMember, freshId, freshMark } from './commands';
import { useProject } from './project-store';

/** Adds a new member to the project that is open, marked on from the one it follows or, where that is of another kind, from the last of its own. */
export function addFresh(startId: string, after?: Member): Member {
  const project = useProject.getState().project!;
  const { type, mark } = starts.find((s) => s.id === startId)!;
  const last = project.members.filter((m) => m.type === type).at(-1);
  const place = (after ?? last ?? project.members.at(-1))?.place ?? '';
  const like = after?.type === type ? after : last;
  const made = newMember(project, startId, freshId(project), freshMark(project, like?.mark ?? `${mark}0`), place);
  useProject.getState().edit(`add ${made.mark}`, addMember(made, after?.id));
  return made;
}
