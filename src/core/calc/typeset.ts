import { formatNumber, prettyUnit, trimZeros } from '../units/format';
import { getUnit } from '../units/unit';
import type { UnitSystem } from '../units/quantity';
import type { Step } from './calc';
import type { Expr } from './expression';

/** A symbol split for typesetting: "V_Rd_max" has base V and subscript "Rd,max"; "f_c_prime" has a prime. */
export interface SymbolParts {
  readonly base: string;
  readonly sub: string;
  readonly prime: boolean;
}

const greek: Record<string, string> = {
  alpha: 'α',
  beta: 'β',
  gamma: 'γ',
  delta: 'δ',
  epsilon: 'ε',
  eta: 'η',
  theta: 'θ',
  kappa: 'κ',
  lambda: 'λ',
  mu: 'μ',
  nu: 'ν',
  xi: 'ξ',
  rho: 'ρ',
  sigma: 'σ',
  tau: 'τ',
  phi: 'φ',
  chi: 'χ',
  psi: 'ψ',
  omega: 'ω',
  zeta: 'ζ',
  Delta: 'Δ',
  Sigma: 'Σ',
  Psi: 'Ψ',
};

/** Splits the identifier of a symbol into what is printed. */
export function splitSymbol(symbol: string): SymbolParts {
  // The root of the strength stands by itself where a code limits it.
  if (symbol === 'sqrt_fc') return { base: '√f', sub: 'c', prime: true };
  if (symbol === 'curv') return { base: '1/r', sub: '', prime: false };
  if (symbol === 'curv_0') return { base: '1/r', sub: '0', prime: false };
  if (symbol.startsWith('cot_')) {
    const [angle = '', ...rest] = symbol.slice(4).split('_');
    return { base: `cot ${greek[angle] ?? angle}`, sub: rest.join(','), prime: false };
  }
  const [base = '', ...subs] = symbol.split('_');
  const prime = subs.includes('prime');
  const sub = subs
    .filter((s) => s !== 'prime')
    .map((s) => greek[s] ?? s)
    .join(',');
  return { base: greek[base] ?? base, sub, prime };
}

/** The symbol as one line of text, e.g. "V_Rd,max". */
export function symbolText(symbol: string): string {
  const { base, sub, prime } = splitSymbol(symbol);
  return base + (prime ? '′' : '') + (sub ? `_${sub}` : '');
}

/** A writer of one notation, each function giving a piece of it: source as text (plain, MathML), or parts of a page or a document. */
export interface Notation<T = string> {
  num(text: string): T;
  /** mantissa x 10^exponent */
  power10(mantissa: string, exponent: number): T;
  sym(name: string): T;
  binary(op: '+' | '-' | '*', a: T, b: T): T;
  fraction(a: T, b: T): T;
  power(a: T, b: T): T;
  negative(a: T): T;
  group(a: T): T;
  root(a: T): T;
  call(name: string, args: T[]): T;
  /** A line of an equation; without a left side it goes on from the line before. */
  equals(a: T | null, b: T): T;
}

/** How each symbol in a formula is written: by its name, or by the number put in for it. */
type Write<T> = (symbol: string) => T;

const precedence = { '+': 1, '-': 1, '*': 2, '/': 3, '^': 4 } as const;

/** Prints an expression in a notation; `write` decides what stands for a symbol. */
export function print<T>(expr: Expr, n: Notation<T>, write: Write<T> = n.sym, isNumeric = false): T {
  const rec = (e: Expr) => print(e, n, write, isNumeric);
  switch (expr.op) {
    case 'num':
      return n.num(expr.text);
    case 'sym':
      return write(expr.name);
    case 'neg':
      return n.negative(wrap(expr.a, 2, n, rec));
    case 'call':
      if (expr.fn === 'sqrt') return n.root(rec(expr.args[0]!));
      if (expr.fn === 'abs') return n.call('abs', expr.args.map(rec));
      return n.call(expr.fn, expr.args.map(rec));
    case '/':
      return n.fraction(rec(expr.a), rec(expr.b));
    case '^':
      return n.power(isNumeric && expr.a.op === 'sym' ? n.group(rec(expr.a)) : wrap(expr.a, 5, n, rec), rec(expr.b));
    default: {
      const level = precedence[expr.op];
      return n.binary(
        expr.op,
        wrap(expr.a, level, n, rec),
        wrap(expr.b, expr.op === '+' ? level : level + (expr.op === '-' ? 1 : 0), n, rec),
      );
    }
  }
}

function wrap<T>(expr: Expr, level: number, n: Notation<T>, rec: (e: Expr) => T): T {
  const own = expr.op === 'neg' ? 1 : expr.op in precedence ? precedence[expr.op as '+'] : 9;
  return own < level ? n.group(rec(expr)) : rec(expr);
}

/** A number for a line of arithmetic: four significant figures or more, powers of ten above 10 million. */
export function workingNumber<T>(value: number, n: Notation<T>): T {
  const size = Math.abs(value);
  if (size >= 1e7 || (size < 1e-3 && size > 0)) {
    const exponent = size >= 1e7 ? Math.floor(Math.log10(size) / 3) * 3 : Math.floor(Math.log10(size));
    return n.power10(significant(value / 10 ** exponent, 4), exponent);
  }
  return n.num(significant(value, 4));
}

/** Rounds to `figures` significant figures but never drops whole digits. */
export function significant(value: number, figures: number): string {
  if (!Number.isFinite(value)) return '–';
  if (value === 0) return '0';
  const digits = Math.max(0, figures - 1 - Math.floor(Math.log10(Math.abs(value))));
  return trimZeros(formatNumber(value, Math.min(digits, 8)));
}

/** The columns of one derivation line in a notation: symbol, formula, numbers put in; and its result with its unit as text. */
export interface StepText<T = string> {
  readonly symbol: T;
  readonly formula?: T;
  readonly numbers?: T;
  readonly result: string;
  readonly unit: string;
}

/** Prints a step of a derivation in a unit system. Undefined for notes and tables. */
export function printStep<T>(step: Step, n: Notation<T>, system: UnitSystem): StepText<T> | undefined {
  if (step.kind === 'note' || step.kind === 'table') return undefined;
  const unit = getUnit(system === 'US' ? step.unitUS : step.unit);
  const shown = { symbol: n.sym(step.symbol), result: significant(step.value / unit.factor, 4), unit: prettyUnit(unit.name) };
  if (step.kind === 'given') return shown;
  // An empirical formula is written in its own system, whatever the project shows.
  const work = step.empirical ?? system;
  const put = (symbol: string) => {
    const input = step.inputs.find((i) => i.symbol === symbol)!;
    const factor = getUnit(work === 'US' ? input.workUS : input.workSI).factor;
    const text = workingNumber(input.value / factor, n);
    return input.value < 0 ? n.group(text) : text;
  };
  return { ...shown, formula: print(step.expr, n), numbers: print(step.expr, n, put, true) };
}
