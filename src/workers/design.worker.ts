import { expose } from 'comlink';
import { designMember, type Member, type MemberResult, type Project } from '@/core/project/project';

/** What a design needs to know of its project. */
export type DesignBasis = Pick<Project, 'code' | 'display'>;

const api = {
  design(basis: DesignBasis, member: Member, derive: readonly string[] | 'all'): MemberResult {
    return designMember(basis, member, derive);
  },
};
export type DesignApi = typeof api;
expose(api);
