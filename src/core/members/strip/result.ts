import type { Combination } from '../../analysis/combination';
import type { HandCheck } from '../../analysis/hand-check';
import type { BeamQuantities, BeamResult, BeamStrips, ServiceStrips, SupportReaction } from '../beam/result';
import type { Check } from '../check';
import type { Fault } from '../fault';
import type { StripSteel } from './steel';

/** Everything that the design of a slab spanning one way gives. Curves and reactions are those of a strip of `width`; checks are per length. */
export interface StripResult {
  readonly type: 'strip';
  /** Faults in the input: when there are any, nothing else was worked out. */
  readonly faults: readonly Fault[];
  /** Width of the strip (mm). */
  readonly width: number;
  readonly strips: BeamStrips | null;
  readonly service: ServiceStrips | null;
  readonly arrangements: BeamResult['arrangements'];
  readonly combinations: readonly Combination[];
  readonly reactions: readonly SupportReaction[];
  readonly handChecks: readonly HandCheck[];
  readonly steel: StripSteel | null;
  readonly checks: readonly Check[];
  readonly governing: Check | null;
  /** Of the whole slab; it has no links. */
  readonly quantities: BeamQuantities | null;
}

export function emptyStripResult(faults: readonly Fault[], width = 1000): StripResult {
  return {
    type: 'strip',
    faults,
    width,
    strips: null,
    service: null,
    arrangements: [],
    combinations: [],
    reactions: [],
    handChecks: [],
    steel: null,
    checks: [],
    governing: null,
    quantities: null,
  };
}
