import { castDraft, current } from 'immer';
import type { PlateInput, PlateMember } from '@/core/members/plate/input';
import { addedToPlan } from '@/core/members/plate/plan-changes';
import { nothingChosen, type PlanPart } from '@/core/members/plate/plan-parts';
import { onMember, type Recipe } from '@/store/commands';
import { useProject, type Refusal } from '@/store/project-store';

/** Changes a slab as one edit with a name. */
export function usePlateChange(member: PlateMember): (label: string, recipe: Recipe<PlateMember>) => Refusal {
  const edit = useProject((s) => s.edit);
  return (label, recipe) => edit(`${label} of ${member.mark}`, onMember(member, recipe));
}

/** A change of some of a slab's own fields, worked out from the slab as it stands when the change is made. */
export const withFields =
  (make: (now: PlateMember) => Partial<PlateInput>): Recipe<PlateMember> =>
  (m) =>
    void Object.assign(m, castDraft(make(current(m) as PlateMember)));

/** Adds a part of the plan where such parts usually go; of bars and lines, to those that are chosen now. */
export function useAddPart(member: PlateMember, chosen = nothingChosen): (label: string, part: PlanPart) => Refusal {
  const change = usePlateChange(member);
  return (label, part) =>
    change(
      label,
      withFields((now) => addedToPlan(part, now, chosen)),
    );
}
