import type { Way } from '@/core/members/kind';
import type { Member } from '@/core/members/kinds';
import type { ProposalBasis } from '@/workers/design.worker';
import { startDesignWorker } from '@/workers/start-worker';

let searcher: ReturnType<typeof startDesignWorker> | undefined;

/** Looks for other states of a member in a worker of its own, so that designing goes on meanwhile. */
export function propose<M extends Member>(basis: ProposalBasis, member: M, search: string): Promise<readonly Way<M>[]> {
  searcher ??= startDesignWorker();
  return searcher.propose(basis, member, search) as Promise<readonly Way<M>[]>;
}
