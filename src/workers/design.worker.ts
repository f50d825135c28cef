import { expose } from 'comlink';
import { proposeColumn, type ColumnProposal, type Search } from '@/core/advice/column-proposals';
import { codeOf, designMember, type ColumnMember, type Member, type MemberResult, type Project } from '@/core/project/project';

/** What a design needs to know of its project. */
export type DesignBasis = Pick<Project, 'code' | 'display'>;

const api = {
  design(basis: DesignBasis, member: Member, derive: readonly string[] | 'all'): MemberResult {
    return designMember(basis, member, derive);
  },
  propose(basis: DesignBasis, column: ColumnMember, search: Search): ColumnProposal[] {
    return proposeColumn(column, codeOf(basis, column), search);
  },
};
export type DesignApi = typeof api;
expose(api);
