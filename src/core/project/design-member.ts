import { asJob, atOnce, type Job } from '../job';
import { kindOf, type Member, type ResultOf } from '../members/kinds';
import { codeOf, type ProjectBasis } from '../members/member';
import { companions } from './groups';

/** What a design needs of its project: the other members for what those of a group share. */
export type DesignBasis = ProjectBasis & { readonly members?: readonly Member[] };

type Wanted = Omit<Job, 'units'>;

function work<M extends Member>(project: DesignBasis, member: M, derive: Job['derive']) {
  const others = companions(project.members ?? [], member);
  return kindOf(member).design(member, codeOf(project, member), { derive, units: project.display }, others);
}

/** The one way through: a validated member to its result. Pure. Rejects with Stopped when the job is no longer wanted. */
export async function designMember<M extends Member>(project: DesignBasis, member: M, job: Wanted): Promise<ResultOf<M>> {
  // A kind gives results of its own type.
  return (await asJob(work(project, member, job.derive), job)) as ResultOf<M>;
}

/** The same in one go, for whoever cannot wait. */
export const designNow = <M extends Member>(project: DesignBasis, member: M, derive: Job['derive'] = []): ResultOf<M> =>
  atOnce(work(project, member, derive)) as ResultOf<M>;
