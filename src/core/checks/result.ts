import type { Combination } from '../analysis/combination';
import type { HandCheck } from '../analysis/hand-check';
import type { Check } from './check';
import type { Fault } from './fault';

/** What a member takes: mm3, kg, kg, mm2. */
export interface Quantities {
  readonly concrete: number;
  readonly bars: number;
  readonly links: number;
  readonly formwork: number;
}

/** What the design of a member of any kind gives. Plain data. */
export interface ResultBase {
  /** Where the whole result is still to come: what this one lacks, in words. */
  readonly early?: string;
  /** Fields that a member that follows another took from it: what was designed. */
  readonly taken?: object;
  /** The kind of member. */
  readonly type: string;
  /** Faults in the input: when there are any, nothing else was worked out. */
  readonly faults: readonly Fault[];
  readonly combinations: readonly Combination[];
  readonly handChecks: readonly HandCheck[];
  readonly checks: readonly Check[];
  readonly governing: Check | null;
  readonly quantities: Quantities | null;
}

/** The part of a result that all kinds share, where nothing was worked out. */
export const nothingDesigned = (faults: readonly Fault[]): Omit<ResultBase, 'type'> => ({
  faults,
  combinations: [],
  handChecks: [],
  checks: [],
  governing: null,
  quantities: null,
});
