import type { Draft } from 'immer';
import type { Member } from '@/core/members/kinds';
import { onMember } from '@/store/commands';
import { useProject, type Refusal } from '@/store/project-store';

export type Change<M extends Member> = (label: string, recipe: (m: Draft<M>) => void) => Refusal;

/** Changes a member as one edit with a name: "depth of B1". */
export function useChange<M extends Member>(member: M): Change<M> {
  const edit = useProject((s) => s.edit);
  return (label, recipe) => edit(`${label} of ${member.mark}`, onMember<M>(member, recipe));
}
