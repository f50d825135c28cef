import { nothingDesigned, type ResultBase } from '../../checks/result';
import { straightEnds, type BentEnds } from '../beam/bar-runs';
import type { SupportReaction } from '../beam/reactions';
import type { BeamResult, BeamStrips, ServiceStrips } from '../beam/result';
import type { Fault } from '../../checks/fault';
import type { StripSteel } from './steel';

/** Everything that the design of a slab spanning one way gives. Curves and reactions are those of a strip of `width`; checks are per length. */
export interface StripResult extends ResultBase {
  readonly type: 'strip';
  /** Width of the strip (mm). */
  readonly width: number;
  readonly strips: BeamStrips | null;
  readonly service: ServiceStrips | null;
  readonly arrangements: BeamResult['arrangements'];
  readonly reactions: readonly SupportReaction[];
  readonly steel: StripSteel | null;
  /** Ends at which its bars are bent. */
  readonly bent: BentEnds;
}

export function emptyStripResult(faults: readonly Fault[], width = 1000): StripResult {
  return {
    type: 'strip',
    ...nothingDesigned(faults),
    width,
    strips: null,
    service: null,
    arrangements: [],
    reactions: [],
    steel: null,
    bent: straightEnds,
  };
}
