import type { Member, MemberResult, Project } from '@/core/project/project';
import { getPool } from './designing';

let count = 0;

/** Designs a state of a member that is not in the project, by the same workers. */
export function designOnce(basis: Pick<Project, 'code' | 'display'>, member: Member): Promise<MemberResult | null> {
  count += 1;
  return getPool().submit({ key: `once ${count}`, basis, member, derive: [], isUrgent: false });
}
