import { type Member } from '@/core/members/kinds';
import { workOf } from '@/core/members/works';
import { codeOf } from '@/core/members/member';
import type { Project } from '@/core/project/project';

/** Ways forward without a worker: the same search, at once. */
export const propose = (project: Project, member: Member, search: string) =>
  Promise.resolve(workOf(member).propose(member, search, { project, code: codeOf(project, member), rates: project.rates }));
