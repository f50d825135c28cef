import { type ResultBase } from '../../checks/result';
import type { ColumnPosition } from '../../codes/punching-rules';
import type { Fault } from '../../checks/fault';

/** Everything that the design of a slab at a column gives. Plain data. */
export interface PunchingResult extends ResultBase {
  readonly type: 'punching';
  /** The sections checked, the one at the column first: where it stands, effective depth, ratio of steel, distance of its perimeter. */
  readonly stages: readonly {
    readonly id: 'column' | 'drop';
    readonly position: ColumnPosition;
    readonly d: number;
    readonly ratio: number;
    readonly critical: number;
  }[];
  /** Legs of one perimeter (mm2) at a spacing, how far out the last must be (mm), and why none are enough; null where none are needed. */
  readonly needed: {
    readonly spacing: number;
    readonly area: number;
    /** Null where no line within the slab is far enough. */ readonly last: number | null;
    readonly beyond: string | null;
  } | null;
  /** Legs that are there, and the length of one (mm); null without any. */
  readonly legs: { readonly count: number; readonly length: number } | null;
  readonly quantities: { readonly concrete: number; readonly bars: number; readonly links: number; readonly formwork: number } | null;
}

export const emptyPunchingResult = (faults: readonly Fault[]): PunchingResult => ({
  type: 'punching',
  faults,
  checks: [],
  governing: null,
  stages: [],
  needed: null,
  legs: null,
  quantities: null,
  combinations: [],
  handChecks: [],
});
