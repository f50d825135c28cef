import type { BeamProposal, BeamSearch } from '@/core/advice/beam-proposals';
import type { ColumnStep } from '@/core/advice/column-changes';
import type { ColumnProposal, Search } from '@/core/advice/column-proposals';
import type { PanelProposal } from '@/core/advice/panel-proposals';
import type { PunchingProposal } from '@/core/advice/punching-proposals';
import type { StripProposal, StripSearch } from '@/core/advice/strip-proposals';
import type { WallStep } from '@/core/advice/wall-changes';
import type { BeamMember, ColumnMember, PanelMember, Project, PunchingMember, StripMember, WallMember } from '@/core/project/project';
import { startDesignWorker } from '@/workers/start-worker';

type Basis = Pick<Project, 'code' | 'display' | 'rates'>;

let searcher: ReturnType<typeof startDesignWorker> | undefined;

/** Looks for other bars or sizes in a worker of its own, so that designing goes on meanwhile. */
export function propose(basis: Basis, column: ColumnMember, search: Search): Promise<ColumnProposal[]> {
  searcher ??= startDesignWorker();
  return searcher.propose(basis, column, search);
}

/** Single changes of a column. */
export function stepsForColumn(basis: Basis, column: ColumnMember): Promise<ColumnStep[]> {
  searcher ??= startDesignWorker();
  return searcher.proposeColumnSteps(basis, column);
}

/** The same for a wall. */
export function stepsForWall(basis: Basis, wall: WallMember): Promise<WallStep[]> {
  searcher ??= startDesignWorker();
  return searcher.proposeWallSteps(basis, wall);
}

/** The same for a beam. */
export function proposeForBeam(basis: Basis, beam: BeamMember, search: BeamSearch): Promise<BeamProposal[]> {
  searcher ??= startDesignWorker();
  return searcher.proposeBeam(basis, beam, search);
}

/** The same for a slab that spans one way. */
export function proposeForStrip(basis: Basis, strip: StripMember, search: StripSearch): Promise<StripProposal[]> {
  searcher ??= startDesignWorker();
  return searcher.proposeStrip(basis, strip, search);
}

/** The same for a panel on four edges. */
export function proposeForPanel(basis: Basis, panel: PanelMember): Promise<PanelProposal[]> {
  searcher ??= startDesignWorker();
  return searcher.proposePanel(basis, panel);
}

/** The same for a slab at a column. */
export function proposeForPunching(basis: Basis, place: PunchingMember): Promise<PunchingProposal[]> {
  searcher ??= startDesignWorker();
  return searcher.proposePunching(basis, place);
}
