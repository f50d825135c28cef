import { displayUnit, type QuantityKind, type UnitSystem } from '../units/quantity';
import type { Expr, Values } from './expression';
import { workingUnit, type Formula, type SymbolDef } from './formula';

/** One line of a derivation, as plain data. Values are in internal units. */
export type Step =
  | {
      readonly kind: 'given';
      /** Empty where the value has only a name. */
      readonly symbol: string;
      readonly name: string;
      readonly value: number;
      readonly unit: string;
      readonly unitUS: string;
      readonly source?: string;
    }
  | {
      readonly kind: 'formula';
      readonly symbol: string;
      readonly name: string;
      readonly value: number;
      readonly unit: string;
      readonly unitUS: string;
      readonly clause: string;
      readonly expr: Expr;
      readonly empirical?: 'SI' | 'US';
      readonly inputs: readonly StepInput[];
    }
  | { readonly kind: 'note'; readonly text: string; readonly clause?: string }
  /** Values along the member, station by station. */
  | {
      readonly kind: 'table';
      readonly title: string;
      readonly columns: readonly StepColumn[];
      readonly rows: readonly (readonly number[])[];
    };

export interface StepColumn {
  readonly name: string;
  readonly kind: QuantityKind;
}

/** A number put into a formula, with the units in which the arithmetic is shown. */
export interface StepInput {
  readonly symbol: string;
  readonly name: string;
  readonly value: number;
  readonly workSI: string;
  readonly workUS: string;
}

/** Raised when a formula has no finite answer; the check then says "could not be computed" and why. */
export class CalcError extends Error {
  constructor(
    readonly symbol: string,
    detail: string,
  ) {
    super(`${symbol} could not be computed: ${detail}`);
  }
}

/**
 * What a calculation writes to. The same statements run silently in loops and searches, and with recording on to
 * produce the derivation of one check.
 */
export interface Calc {
  readonly recording: boolean;
  /** Evaluates a formula with values in internal units. Throws CalcError when the result is not finite. */
  let(formula: Formula, values: Values): number;
  /** States a value that comes from outside this derivation, and where from. Returns the value. */
  given(symbol: SymbolDef, value: number, source?: string): number;
  /** States a value that has no symbol: what it is, and where it came from. Returns the value. */
  state(name: string, value: number, kind: QuantityKind, source: string): number;
  note(text: string, clause?: string): void;
  table(title: string, columns: readonly StepColumn[], rows: readonly (readonly number[])[]): void;
}

function evaluate(formula: Formula, values: Values): number {
  const value = formula.evaluate(values);
  if (!Number.isFinite(value)) {
    const missing = formula.inputs.filter((s) => !Number.isFinite(values[s.symbol]));
    const reason = missing.length > 0 ? `${missing.map((s) => s.symbol).join(', ')} has no value` : 'no finite result';
    throw new CalcError(formula.result.symbol, reason);
  }
  return value;
}

/** A calculation that keeps no record. */
export const silent: Calc = {
  recording: false,
  let: evaluate,
  given: (_symbol, value) => value,
  state: (_name, value) => value,
  note: () => undefined,
  table: () => undefined,
};

/** A calculation that records each statement as a step. */
export class Recorder implements Calc {
  readonly recording = true;
  readonly steps: Step[] = [];

  let(formula: Formula, values: Values): number {
    const value = evaluate(formula, values);
    const { symbol, name, unit, unitUS } = formula.result;
    this.steps.push({
      kind: 'formula',
      symbol,
      name,
      value,
      unit: unit.name,
      unitUS: unitUS.name,
      clause: formula.clause,
      expr: formula.expr,
      ...(formula.empirical ? { empirical: formula.empirical } : {}),
      inputs: formula.inputs.map((s) => ({
        symbol: s.symbol,
        name: s.name,
        value: values[s.symbol]!,
        workSI: workingUnit(s, 'SI').name,
        workUS: workingUnit(s, 'US').name,
      })),
    });
    return value;
  }

  given(symbol: SymbolDef, value: number, source?: string): number {
    const { name, unit, unitUS } = symbol;
    this.steps.push({
      kind: 'given',
      symbol: symbol.symbol,
      name,
      value,
      unit: unit.name,
      unitUS: unitUS.name,
      ...(source ? { source } : {}),
    });
    return value;
  }

  state(name: string, value: number, kind: QuantityKind, source: string): number {
    const unit = (system: UnitSystem) => displayUnit(kind, system).unit.name;
    this.steps.push({ kind: 'given', symbol: '', name, value, unit: unit('SI'), unitUS: unit('US'), source });
    return value;
  }

  note(text: string, clause?: string): void {
    this.steps.push({ kind: 'note', text, ...(clause ? { clause } : {}) });
  }

  table(title: string, columns: readonly StepColumn[], rows: readonly (readonly number[])[]): void {
    this.steps.push({ kind: 'table', title, columns, rows });
  }
}

/**
 * Remembers what a silent calculation gave for an object, since searches ask for the same again and again. A recorded calculation is
 * always run, so that its steps are there.
 */
export function remember<K extends object, T>(known: WeakMap<K, T>, key: K, c: Calc, make: () => T): T {
  const before = c.recording ? undefined : known.get(key);
  if (before !== undefined) return before;
  const made = make();
  if (!c.recording) known.set(key, made);
  return made;
}

/** Runs a calculation with recording on and returns its steps. */
export function derive(run: (calc: Calc) => void): Step[] {
  const recorder = new Recorder();
  run(recorder);
  return recorder.steps;
}
