import { asJob, atOnce, Stopped, type Job, type Steps } from '../job';
import { kindOf, type Member, type MemberResult, type ResultOf } from '../members/kinds';
import { workOf } from '../members/works';
import { codeOf, type ProjectBasis } from '../members/member';
import { companions } from './groups';
import { errorOfProgram, notDesigned } from './not-designed';
import { takenBy } from './taken';

/** What a design needs of its project: the other members for what those of a group share, and the one that a member follows. */
export type DesignBasis = ProjectBasis & { readonly members?: readonly Member[] };

type Wanted = Omit<Job, 'units'>;

function work<M extends Member>(project: DesignBasis, member: M, derive: Job['derive']) {
  const all = project.members ?? [];
  const others = companions(all, member);
  const design = (m: Member) => workOf(m).design(m, codeOf(project, m), { derive, units: project.display }, others);
  const taken = takenBy(project, all, member);
  if (taken === undefined) return design(member);
  if (typeof taken === 'string') return kindOf(member).empty([{ path: 'from', reason: taken }]);
  return tellingOf(taken, design({ ...member, ...taken }));
}

/** A design that tells what was taken from the member that it follows. */
function* tellingOf(taken: object, work: MemberResult | Steps<MemberResult>): Steps<MemberResult> {
  const result = 'checks' in work ? work : yield* work;
  return { ...result, taken };
}

/** The one way through: a validated member to its result. Pure. Rejects with Stopped when the job is no longer wanted. */
export async function designMember<M extends Member>(project: DesignBasis, member: M, job: Wanted): Promise<ResultOf<M>> {
  // A kind gives results of its own type.
  return (await asJob(work(project, member, job.derive), job)) as ResultOf<M>;
}

/** For whoever wants an answer for every member: one whose design stops with an error of the program does not take the others along. */
export async function designOrSay(project: DesignBasis, member: Member, job: Wanted): Promise<MemberResult> {
  try {
    return await designMember(project, member, job);
  } catch (error) {
    if (error instanceof Stopped) throw error;
    return notDesigned(member, errorOfProgram(error));
  }
}

/** The same in one go, for whoever cannot wait. */
export const designNow = <M extends Member>(project: DesignBasis, member: M, derive: Job['derive'] = []): ResultOf<M> =>
  atOnce(work(project, member, derive)) as ResultOf<M>;
