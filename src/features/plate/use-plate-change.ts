import type { PlateMember } from '@/core/members/plate/input';
import { onMember, type Recipe } from '@/store/commands';
import { useProject, type Refusal } from '@/store/project-store';

/** Changes a slab as one edit with a name. */
export function usePlateChange(member: PlateMember): (label: string, recipe: Recipe<PlateMember>) => Refusal {
  const edit = useProject((s) => s.edit);
  return (label, recipe) => edit(`${label} of ${member.mark}`, onMember(member, recipe));
}
