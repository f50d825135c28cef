import type { Job } from '@/core/job';
import type { Way } from '@/core/members/kind';
import type { Member, MemberResult } from '@/core/members/kinds';
import { codeOf } from '@/core/members/member';
import { workOf } from '@/core/members/works';
import { designMember, type DesignBasis } from '@/core/project/design-member';
import type { Project } from '@/core/project/project';
import { hostWorker } from './worker-host';

export interface DesignTask {
  readonly basis: DesignBasis;
  readonly member: Member;
  readonly derive: Job['derive'];
}

export type ProposalBasis = Pick<Project, 'code' | 'display' | 'rates'>;
export interface SearchTask {
  readonly project: ProposalBasis;
  readonly member: Member;
  readonly search: string;
}

export type Ways = readonly Way<Member>[];

hostWorker<DesignTask | SearchTask, MemberResult | Ways>((task, job) => {
  if ('basis' in task) return designMember(task.basis, task.member, { ...job, derive: task.derive });
  const { project, member, search } = task;
  return workOf(member).propose(member, search, { project, code: codeOf(project, member), rates: project.rates });
});
