import type { Way } from '@/core/members/kind';
import type { Member } from '@/core/members/kinds';
import type { ProposalBasis, SearchTask, Ways } from '@/workers/design.worker';
import { JobPool } from '@/workers/job-pool';
import { startSearcher } from '@/workers/start-worker';

let pool: JobPool<SearchTask, Ways> | undefined;

/** Looks for other states of a member in a worker of its own, so that designing goes on meanwhile. */
export async function propose<M extends Member>(project: ProposalBasis, member: M, search: string): Promise<readonly Way<M>[]> {
  pool ??= new JobPool(startSearcher, 1);
  const ways = await pool.submit({ key: 'search', task: { project, member, search }, isUrgent: true });
  return (ways ?? []) as readonly Way<M>[];
}
