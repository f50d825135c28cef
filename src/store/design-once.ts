import type { Project } from '@/core/project/project';
import type { Member, MemberResult } from '@/core/members/kinds';
import { getPool } from './designing';

let count = 0;

/** Designs a state of a member that is not in the project, or derives a check of one that is, by the same workers. */
export function designOnce(
  basis: Pick<Project, 'code' | 'display'> & { readonly members?: readonly Member[] },
  member: Member,
  derive: readonly string[] = [],
): Promise<MemberResult | null> {
  count += 1;
  return getPool().submit({ key: `once ${count}`, basis, member, derive, isUrgent: derive.length > 0 });
}
