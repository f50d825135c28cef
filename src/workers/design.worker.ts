import { expose } from 'comlink';
import type { DesignOptions } from '@/core/checks/check';
import type { Way } from '@/core/members/kind';
import { kindOf, type Member, type MemberResult } from '@/core/members/kinds';
import { codeOf } from '@/core/members/member';
import { designMember, type DesignBasis } from '@/core/project/design-member';
import type { Project } from '@/core/project/project';

export type ProposalBasis = Pick<Project, 'code' | 'display' | 'rates'>;

const api = {
  design(basis: DesignBasis, member: Member, derive: DesignOptions['derive']): MemberResult {
    return designMember(basis, member, derive);
  },
  propose(project: ProposalBasis, member: Member, search: string): readonly Way<Member>[] {
    return kindOf(member).propose(member, search, { project, code: codeOf(project, member), rates: project.rates });
  },
};
export type DesignApi = typeof api;
expose(api);
