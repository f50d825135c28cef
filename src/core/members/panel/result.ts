import { nothingDesigned, type ResultBase } from '../../checks/result';
import type { PanelMoments } from '../../analysis/panel';
import type { SlabBars } from '../../reinforcement/slab-bars';
import type { Fault } from '../../checks/fault';
import type { PanelPlace } from './input';

/** Bars at a place of a panel with what they carry there: moments N mm/mm, areas mm2/mm, depth mm. */
export interface PanelSection {
  readonly place: PanelPlace;
  readonly bars: SlabBars;
  readonly d: number;
  readonly moment: number;
  readonly resistance: number;
  /** Null where no steel is enough. */
  readonly required: number | null;
  readonly provided: number;
}

/** Everything that the design of a panel gives. */
export interface PanelResult extends ResultBase {
  readonly type: 'panel';
  /** The largest ultimate load (N/mm2), the combination that brings it, and its moments. */
  readonly load: number;
  readonly combination: string;
  readonly moments: PanelMoments | null;
  readonly sections: readonly PanelSection[];
}

export function emptyPanelResult(faults: readonly Fault[]): PanelResult {
  return { type: 'panel', ...nothingDesigned(faults), load: 0, combination: '', moments: null, sections: [] };
}
