import { derive, silent, type Calc } from '../calc/calc';
import { formatQuantity } from '../units/format';
import type { QuantityKind, UnitSystem } from '../units/quantity';
import { isOver, makeCheck, type CheckDraft, type DerivableCheck } from './check';

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
  /** Units in which the reason is written. */
  readonly units: UnitSystem;
  /** How a figure is written, where that is not a number with its unit. */
  readonly show?: (value: number, kind: QuantityKind) => string;
  /** Finds both figures: run silent for the check, and again with recording for its steps. */
  readonly compare: (c: Calc) => Compared;
  /** Said where the check exceeds, with both figures as they are shown. */
  readonly fails?: (demand: string, capacity: string) => string;
}

/** Demand over capacity: nothing needed holds, and nothing there does not. */
const ratio = (demand: number, capacity: number): number => (capacity === 0 ? (demand > 0 ? Infinity : 0) : demand / capacity);

/**
 * A check from its calculation. The figures are those that the calculation gives, so they cannot differ from its steps; those that no formula
 * gives stand as lines of their own at the end, with their origin.
 */
export function compareCheck({ kind, units, show, compare, fails, ...draft }: Comparison): DerivableCheck {
  const { demand, capacity, utilisation = ratio(demand, capacity) } = compare(silent);
  const measured = (value: number) => (Number.isFinite(value) ? { value, kind } : null);
  const text = (v: number) => show?.(v, kind) ?? formatQuantity(v, kind, units);
  return makeCheck(
    {
      ...draft,
      demand: measured(demand),
      capacity: measured(capacity),
      utilisation,
      ...(fails && utilisation !== null && isOver(utilisation) ? { reason: fails(text(demand), text(capacity)) } : {}),
    },
    () =>
      derive((c) => {
        const found = compare(c);
        if (found.demandIs && Number.isFinite(found.demand)) c.state(found.demandIs[0], found.demand, kind, found.demandIs[1]);
        if (found.capacityIs && Number.isFinite(found.capacity)) c.state(found.capacityIs[0], found.capacity, kind, found.capacityIs[1]);
      }),
  );
}
