import { getUnit, type Dimension, type Unit } from '../units/unit';
import { compile, parseExpression, symbolsOf, type Expr, type Values } from './expression';

/** A symbol of a code: what it is, and the unit in which it is shown by default (SI) and in US customary units. */
export interface SymbolDef {
  readonly symbol: string;
  readonly name: string;
  readonly unit: Unit;
  readonly unitUS: Unit;
}

/** A formula of a code. Evaluation, printing and dimensions all come from the one expression. */
export interface Formula {
  readonly result: SymbolDef;
  readonly expr: Expr;
  readonly inputs: readonly SymbolDef[];
  readonly clause: string;
  /** Its numbers carry units (an empirical formula), so it holds in one system of units only. */
  readonly empirical?: 'SI' | 'US';
  /** Values in internal units in, result in internal units out. */
  readonly evaluate: (values: Values) => number;
}

/** The unit an empirical US formula is evaluated in, by dimension: lb, in, psi, pcf. */
const usBase: Record<string, string> = {
  mm: 'in',
  mm2: 'in2',
  mm3: 'in3',
  mm4: 'in4',
  'mm2/mm': 'in2/in',
  N: 'lb',
  MPa: 'psi',
  Nmm: 'lb-in',
  'N/mm': 'lb/in',
  'kg/mm3': 'pcf',
  'kg/m3': 'pcf',
  '1/mm': '1/in',
  kN: 'lb',
  kNm: 'lb-in',
  GPa: 'psi',
  m: 'in',
  'N/mm3': 'lbf/in3',
  kNm2: 'lb-in2',
  '1/m': '1/in',
};
const siBase: Record<string, string> = {
  kN: 'N',
  kNm: 'Nmm',
  GPa: 'MPa',
  m: 'mm',
  m2: 'mm2',
  'kN/m': 'N/mm',
  '‰': '',
  '%': '',
  deg: 'rad',
  in: 'mm',
  'kN/m3': 'N/mm3',
  kNm2: 'Nmm2',
  '1/m': '1/mm',
};

/** The unit in which a value is put into a formula, so that the arithmetic can be followed by hand. */
export function workingUnit(symbol: SymbolDef, system: 'SI' | 'US'): Unit {
  if (system === 'SI') return getUnit(siBase[symbol.unit.name] ?? symbol.unit.name);
  return getUnit(usBase[symbol.unit.name] ?? siBase[symbol.unit.name] ?? symbol.unit.name);
}

const usShown: Record<string, string> = {
  mm: 'in',
  mm2: 'in2',
  mm3: 'in3',
  mm4: 'in4',
  'mm2/mm': 'in2/in',
  N: 'kip',
  kN: 'kip',
  MPa: 'psi',
  Nmm: 'kip-ft',
  kNm: 'kip-ft',
  'N/mm': 'kip/ft',
  'kg/m3': 'pcf',
  GPa: 'ksi',
  m: 'ft',
  '1/mm': '1/in',
  kNm2: 'kip-in2',
  '1/m': '1/in',
};

/** Defines the symbols of a code: `{ A_s: ['area of tension steel', 'mm2'] }`. */
export function defineSymbols<T extends Record<string, readonly [name: string, unit: string]>>(
  table: T,
): Record<keyof T & string, SymbolDef> {
  const entries = Object.entries(table).map(([symbol, [name, unit]]) => [
    symbol,
    { symbol, name, unit: getUnit(unit), unitUS: getUnit(usShown[unit] ?? unit) },
  ]);
  return Object.fromEntries(entries);
}

/** All formulas ever defined, so that a test can walk through them. */
export const allFormulas: Formula[] = [];

/** Makes the formula maker of one code, bound to its symbols. Throws RangeError when a formula uses an unknown symbol. */
export function formulary(symbols: Record<string, SymbolDef>) {
  const find = (name: string): SymbolDef => {
    const def = symbols[name];
    if (!def) throw new RangeError(`Symbol ${name} is not defined`);
    return def;
  };
  return function formula(result: string, text: string, clause: string, options: { empirical?: 'SI' | 'US' } = {}): Formula {
    const expr = parseExpression(text);
    const inputs = symbolsOf(expr).map(find);
    const direct = compile(expr);
    const made: Formula = {
      result: find(result),
      expr,
      inputs,
      clause,
      ...options,
      evaluate: options.empirical ? inWorkingUnits(direct, find(result), inputs, options.empirical) : direct,
    };
    allFormulas.push(made);
    return made;
  };
}

function inWorkingUnits(
  evaluate: (values: Values) => number,
  result: SymbolDef,
  inputs: readonly SymbolDef[],
  system: 'SI' | 'US',
): (values: Values) => number {
  const out = workingUnit(result, system).factor;
  const scales = inputs.map((s) => [s.symbol, workingUnit(s, system).factor] as const);
  if (out === 1 && scales.every(([, factor]) => factor === 1)) return evaluate;
  return (values) => {
    const converted: Record<string, number> = {};
    for (const [symbol, factor] of scales) converted[symbol] = values[symbol]! / factor;
    return evaluate(converted) * out;
  };
}

/**
 * The dimension of an expression, undefined when it does not hold together (mm + MPa, sqrt of a length as an argument of sin...).
 * Numbers are taken as dimensionless; a zero fits anywhere.
 */
export function dimensionOf(expr: Expr, of: (symbol: string) => Dimension): Dimension | undefined {
  const none: Dimension = [0, 0, 0, 0];
  const same = (a?: Dimension, b?: Dimension) =>
    a === ZERO ? b : b === ZERO ? a : a && b && a.every((x, i) => Math.abs(x - b[i]!) < 1e-9) ? a : undefined;
  const combine = (a: Dimension, b: Dimension, sign: number): Dimension => a.map((x, i) => x + sign * b[i]!) as unknown as Dimension;
  switch (expr.op) {
    case 'num':
      return expr.value === 0 ? ZERO : none;
    case 'sym':
      return of(expr.name);
    case 'neg':
      return dimensionOf(expr.a, of);
    case 'call': {
      const args = expr.args.map((arg) => dimensionOf(arg, of));
      if (expr.fn === 'sqrt') return args[0]?.map((x) => x / 2) as unknown as Dimension | undefined;
      if (expr.fn === 'abs') return args[0];
      if (expr.fn === 'min' || expr.fn === 'max') return args.reduce((a, b) => same(a, b));
      return same(args[0], none);
    }
    default: {
      const a = dimensionOf(expr.a, of);
      const b = dimensionOf(expr.b, of);
      if (!a || !b) return undefined;
      if (expr.op === '*') return combine(a, b, 1);
      if (expr.op === '/') return combine(a, b, -1);
      if (expr.op === '^') {
        const power = constantValue(expr.b);
        if (power === undefined) return same(a, none) && same(b, none);
        return a.map((x) => x * power) as unknown as Dimension;
      }
      return same(a, b);
    }
  }
}

/** The dimension of the number 0, which fits any other. */
const ZERO: Dimension = [0, 0, 0, 0];

function constantValue(expr: Expr): number | undefined {
  return symbolsOf(expr).length === 0 ? compile(expr)({}) : undefined;
}
