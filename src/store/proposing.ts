import type { BeamProposal, BeamSearch } from '@/core/advice/beam-proposals';
import type { ColumnProposal, Search } from '@/core/advice/column-proposals';
import type { BeamMember, ColumnMember, Project } from '@/core/project/project';
import { startDesignWorker } from '@/workers/start-worker';

type Basis = Pick<Project, 'code' | 'display' | 'rates'>;

let searcher: ReturnType<typeof startDesignWorker> | undefined;

/** Looks for other bars or sizes in a worker of its own, so that designing goes on meanwhile. */
export function propose(basis: Basis, column: ColumnMember, search: Search): Promise<ColumnProposal[]> {
  searcher ??= startDesignWorker();
  return searcher.propose(basis, column, search);
}

/** The same for a beam. */
export function proposeForBeam(basis: Basis, beam: BeamMember, search: BeamSearch): Promise<BeamProposal[]> {
  searcher ??= startDesignWorker();
  return searcher.proposeBeam(basis, beam, search);
}
