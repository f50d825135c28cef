import type { HandCheck } from '../../analysis/hand-check';
import type { Combination } from '../../analysis/combination';
import type { ColumnBar } from '../../reinforcement/column-bars';
import type { Check } from '../check';
import type { Fault } from '../fault';
import type { LoadSet, Place } from './input';

/** One load set in the table: where it is worst, what is to be carried there, and how far that uses the section. */
export interface SetSummary {
  readonly index: number;
  readonly place: Place;
  readonly N: number;
  readonly Mx: number;
  readonly My: number;
  readonly utilisation: number | null;
  readonly refusal?: string;
}

export interface ColumnQuantities {
  /** mm3, kg, kg, mm2 */
  readonly concrete: number;
  readonly bars: number;
  readonly links: number;
  readonly formwork: number;
}

/** Everything that the design of a column or wall gives. Plain data. */
export interface ColumnResult {
  readonly type: 'column' | 'wall';
  readonly faults: readonly Fault[];
  /** The sets checked: as typed, or combined. */
  readonly sets: readonly LoadSet[];
  readonly summaries: readonly SetSummary[];
  readonly combinations: readonly Combination[];
  readonly bars: readonly ColumnBar[];
  /** Area of bars over gross area. */
  readonly steelRatio: number;
  readonly slenderness: Readonly<
    Record<'x' | 'y', { readonly l0: number; readonly value: number; readonly limit: number; readonly isSlender: boolean } | null>
  >;
  readonly checks: readonly Check[];
  readonly governing: Check | null;
  readonly quantities: ColumnQuantities | null;
  readonly handChecks: readonly HandCheck[];
}

export function emptyColumnResult(type: 'column' | 'wall', faults: readonly Fault[]): ColumnResult {
  return {
    type,
    faults,
    sets: [],
    summaries: [],
    combinations: [],
    bars: [],
    steelRatio: 0,
    slenderness: { x: null, y: null },
    checks: [],
    governing: null,
    quantities: null,
    handChecks: [],
  };
}
