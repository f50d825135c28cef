import { nothingDesigned, type ResultBase } from '../../checks/result';
import type { ColumnBar } from '../../reinforcement/column-bars';
import type { Fault } from '../../checks/fault';
import type { LoadSet, Place } from './input';

/** One load set in the table: where it is worst, what is to be carried there, and how far that uses the section. */
export interface SetSummary {
  readonly index: number;
  readonly place: Place;
  readonly N: number;
  /** Null where no moments could be found. */
  readonly Mx: number | null;
  readonly My: number | null;
  readonly utilisation: number | null;
  readonly refusal?: string;
}

/** Everything that the design of a column or wall gives. Plain data. */
export interface ColumnResult extends ResultBase {
  readonly type: 'column' | 'wall';
  /** The sets checked: as typed, or combined. */
  readonly sets: readonly LoadSet[];
  readonly summaries: readonly SetSummary[];
  readonly bars: readonly ColumnBar[];
  /** Area of bars over gross area. */
  readonly steelRatio: number;
  readonly slenderness: Readonly<
    Record<'x' | 'y', { readonly l0: number; readonly value: number; readonly limit: number; readonly isSlender: boolean } | null>
  >;
}

export function emptyColumnResult(type: 'column' | 'wall', faults: readonly Fault[]): ColumnResult {
  return { type, ...nothingDesigned(faults), sets: [], summaries: [], bars: [], steelRatio: 0, slenderness: { x: null, y: null } };
}
