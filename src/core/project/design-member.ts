import type { DesignOptions } from '../checks/check';
import { kindOf, type Member, type ResultOf } from '../members/kinds';
import { codeOf, type ProjectBasis } from '../members/member';
import { companions } from './groups';

/** What a design needs of its project: the other members for what those of a group share. */
export type DesignBasis = ProjectBasis & { readonly members?: readonly Member[] };

/** The one way through: a validated member to its result. Pure. */
export function designMember<M extends Member>(project: DesignBasis, member: M, derive: DesignOptions['derive'] = []): ResultOf<M> {
  const others = companions(project.members ?? [], member);
  const result = kindOf(member).design(member, codeOf(project, member), { derive, units: project.display }, others);
  // A kind gives results of its own type.
  return result as ResultOf<M>;
}
