import type { Combination } from '../../analysis/combination';
import type { HandCheck } from '../../analysis/hand-check';
import type { PanelMoments } from '../../analysis/panel';
import type { SlabBars } from '../../reinforcement/slab-bars';
import type { BeamQuantities } from '../beam/result';
import type { Check } from '../check';
import type { Fault } from '../fault';
import type { PanelPlace } from './input';

/** Bars at a place of a panel with what they carry there: moments N mm/mm, areas mm2/mm, depth mm. */
export interface PanelSection {
  readonly place: PanelPlace;
  readonly bars: SlabBars;
  readonly d: number;
  readonly moment: number;
  readonly resistance: number;
  readonly required: number;
  readonly provided: number;
}

/** Everything that the design of a panel gives. */
export interface PanelResult {
  readonly type: 'panel';
  readonly faults: readonly Fault[];
  /** The largest ultimate load (N/mm2), the combination that brings it, and its moments. */
  readonly load: number;
  readonly combination: string;
  readonly moments: PanelMoments | null;
  readonly sections: readonly PanelSection[];
  readonly combinations: readonly Combination[];
  readonly handChecks: readonly HandCheck[];
  readonly checks: readonly Check[];
  readonly governing: Check | null;
  readonly quantities: BeamQuantities | null;
}

export function emptyPanelResult(faults: readonly Fault[]): PanelResult {
  return {
    type: 'panel',
    faults,
    load: 0,
    combination: '',
    moments: null,
    sections: [],
    combinations: [],
    handChecks: [],
    checks: [],
    governing: null,
    quantities: null,
  };
}
