import type { ColumnProposal, Search } from '@/core/advice/column-proposals';
import type { ColumnMember, Project } from '@/core/project/project';
import { startDesignWorker } from '@/workers/start-worker';

let searcher: ReturnType<typeof startDesignWorker> | undefined;

/** Looks for other bars or sizes in a worker of its own, so that designing goes on meanwhile. */
export function propose(basis: Pick<Project, 'code' | 'display'>, column: ColumnMember, search: Search): Promise<ColumnProposal[]> {
  searcher ??= startDesignWorker();
  return searcher.propose(basis, column, search);
}
