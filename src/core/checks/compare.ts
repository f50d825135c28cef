import { derive, silent, type Calc } from '../calc/calc';
import type { QuantityKind } from '../units/quantity';
import { isOver, makeCheck, type CheckDraft, type DerivableCheck, type Show } from './check';

/** What a figure is and where it came from: typed, drawn, a default, the analysis, another check. */
export type Origin = readonly [name: string, source: string];

/** Two figures of one kind, as a calculation finds them. A figure that is not the result of one of its formulas says what it is. */
export interface Compared {
  readonly demand: number;
  readonly capacity: number;
  readonly demandIs?: Origin;
  readonly capacityIs?: Origin;
  /** Where it is not the one over the other. */
  readonly utilisation?: number | null;
}

export interface Comparison extends Omit<CheckDraft, 'demand' | 'capacity' | 'utilisation'> {
  readonly kind: QuantityKind;
  /** How both figures are written, where that is not a number with its unit. */
  readonly write?: (value: number) => string;
  /** Finds both figures: run silent for the check, and again with recording for its steps. */
  readonly compare: (c: Calc) => Compared;
  /** Said where the check exceeds, with both figures as they are shown, and with what shows others. */
  readonly fails?: (demand: string, capacity: string, show: Show) => string;
}

/** Demand over capacity: nothing needed holds, and nothing there, or less than nothing, does not. */
function ratio(demand: number, capacity: number): number {
  if (demand > 0 && capacity <= 0) return Infinity;
  return capacity === 0 ? 0 : demand / capacity;
}

/**
 * A check from its calculation. The figures are those that the calculation gives, so they cannot differ from its steps; those that no formula
 * gives stand as lines of their own at the end, with their origin.
 */
export function compareCheck({ kind, write, compare, fails, ...draft }: Comparison): DerivableCheck {
  const { demand, capacity, utilisation = ratio(demand, capacity) } = compare(silent);
  const measured = (value: number) => (Number.isFinite(value) ? { value, kind } : null);
  const steps = () =>
    derive((c) => {
      const found = compare(c);
      if (found.demandIs && Number.isFinite(found.demand)) c.state(found.demandIs[0], found.demand, kind, found.demandIs[1]);
      if (found.capacityIs && Number.isFinite(found.capacity)) c.state(found.capacityIs[0], found.capacity, kind, found.capacityIs[1]);
    });
  const exceeds = fails && utilisation !== null && isOver(utilisation);
  return makeCheck(
    { ...draft, demand: measured(demand), capacity: measured(capacity), utilisation },
    {
      derive: steps,
      ...(exceeds
        ? { why: (show) => fails(...([demand, capacity].map((v) => write?.(v) ?? show(v, kind)) as [string, string]), show) }
        : {}),
    },
  );
}
