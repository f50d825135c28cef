import { WorkerLost } from '@/workers/job-pool';
import { neededFor } from '@/core/project/following';
import type { Project } from '@/core/project/project';
import { errorOfProgram, notDesigned } from '@/core/project/not-designed';
import type { Member, MemberResult } from '@/core/members/kinds';
import { clearStopped, hideJob, markStopped, showJob, useJobs } from './jobs';
import { isCurrent, useProject, type ResultEntry } from './project-store';
import { forgetResult, getPool, resultOf } from './results';

/** What was asked for last, so that nothing is asked for twice. */
const asked = new Map<
  string,
  { member: Member; code: Project['code']; display: Project['display']; derive: string; shares: readonly Member[] }
>();

const isSame = (a: readonly Member[], b: readonly Member[]) => a.length === b.length && a.every((m, i) => m === b[i]);

function request(project: Project, member: Member, derive: readonly string[], isUrgent: boolean): void {
  const before = asked.get(member.id);
  const { code, display } = project;
  const wanted = { member, code, display, derive: derive.join(), shares: neededFor(project.members, member) };
  if (
    before?.member === member &&
    before.code === code &&
    before.display === display &&
    before.derive === wanted.derive &&
    isSame(before.shares, wanted.shares)
  )
    return;
  asked.set(member.id, wanted);
  const { shares } = wanted;
  clearStopped(member.id);
  void resultOf({ code, display, members: shares }, member, {
    derive,
    isUrgent,
    key: member.id,
    onProgress: ({ early, ...progress }) => {
      showJob({ key: member.id, mark: member.mark, ...progress });
      // What a design says early is a result of its own kind; only who looks at the member wants it.
      if (early && member.id === active && asked.get(member.id) === wanted)
        put({ result: early as MemberResult, member, code, display, companions: shares }, true);
    },
  })
    .catch((error: unknown) => failed(member, error))
    // A state that was gone on from, or undone, may be finished later than the one that stands now: it is of no use then.
    .then(
      (result) =>
        result && (asked.get(member.id) ?? wanted) === wanted && put({ result, member, code, display, companions: shares }, isUrgent),
    )
    .finally(() => hideJob(member.id));
}

/** What stands in the place of a result that there is none of. */
function failed(member: Member, error: unknown): MemberResult {
  console.error(error);
  return notDesigned(
    member,
    error instanceof WorkerLost ? `The design of ${member.mark} was given up: its worker stopped twice.` : errorOfProgram(error),
  );
}

/** Results of the list are put down several at once: a list of hundreds is not drawn anew for each of them. */
const gatherFor = (waiting: number) => (waiting > 40 ? 800 : 120);
let gathered: ResultEntry[] = [];
let timer: ReturnType<typeof setTimeout> | undefined;

function put(entry: ResultEntry, isUrgent: boolean): void {
  gathered.push(entry);
  if (isUrgent) putGathered();
  else timer ??= setTimeout(putGathered, gatherFor(getPool().backlog));
}

function putGathered(): void {
  clearTimeout(timer);
  timer = undefined;
  const entries = gathered;
  gathered = [];
  useProject.getState().putResults(entries);
}

let active: string | null = null;

/** The member on screen: it is designed first, with the derivations of its open rungs. */
export function setActiveMember(id: string | null): void {
  active = id;
  refresh();
}

let isStopped = false;

/** Leaves what has not begun; the member on screen is still designed. */
export function stopDesigning(): void {
  isStopped = true;
  getPool().cancelWaiting();
  // What was taken back may be asked for again.
  const { project, results } = useProject.getState();
  for (const member of project?.members ?? []) if (project && !isCurrent(results[member.id], project, member)) asked.delete(member.id);
}

/** Stops the design of one member that takes long; its last results stay, marked as old. */
export function stopJob(key: string): void {
  const job = useJobs.getState().running.find((r) => r.key === key);
  getPool().cancel(key);
  // Who goes on before the work has ended waits for new work, not for that which ends with nothing.
  const stopped = asked.get(key)?.member;
  if (stopped) forgetResult(stopped);
  if (job) markStopped(key, job.mark);
}

/** Begins again what was stopped by hand. */
export function beginAgain(key: string): void {
  asked.delete(key);
  clearStopped(key);
  refresh();
}

/** Goes on with what is missing. */
export function goOnDesigning(): void {
  isStopped = false;
  refresh();
}

/** Designs every member anew. */
export function designAllAgain(): void {
  asked.clear();
  useProject.getState().project?.members.forEach(forgetResult);
  useProject.getState().forgetResults();
  goOnDesigning();
}

/** Asks for every result that is missing or older than its input. While a value is typed, for the tentative member. */
function refresh(): void {
  const { project, preview, results, openChecks } = useProject.getState();
  const shown = preview ?? project;
  if (!shown) return;
  const current = shown.members.find((m) => m.id === active);
  if (current) request(shown, current, openChecks, true);
  if (isStopped) return;
  for (const member of shown.members) {
    if (member.id !== active && !isCurrent(results[member.id], shown, member)) request(shown, member, [], false);
  }
}

/** Keeps all results up to date with the project. Returns the way to stop. */
export function startDesigning(): () => void {
  refresh();
  return useProject.subscribe((state, before) => {
    if (state.project?.id !== before.project?.id) {
      asked.clear();
      clearStopped();
    }
    if (state.project !== before.project || state.preview !== before.preview || state.openChecks !== before.openChecks) refresh();
  });
}
