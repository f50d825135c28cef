import { displayUnit, type QuantityKind, type UnitSystem } from './quantity';
import { findUnit, sameDimension, type Unit } from './unit';

export type Parsed = { readonly ok: true; readonly value: number } | { readonly ok: false; readonly reason: string };

const fail = (reason: string): Parsed => ({ ok: false, reason });

/** The most characters that a value can have; what is longer was not meant as one. */
const MOST_TYPED = 200;

/** A typed text with single blanks, so that no pattern looks at runs of them over and over; undefined for one that is no value by its length. */
export const tidied = (text: string): string | undefined => (text.length > MOST_TYPED ? undefined : text.trim().replace(/\s+/g, ' '));

/**
 * Reads a typed quantity into internal units (N, mm, MPa, N mm, rad).
 *
 * Accepts "350", "14 in", "0,35 m", `1'-2"`, `1' 2 1/2"`, "25 kN/m", "2.5e3", and sums and products of plain numbers such as
 * "2*175 + 50". A number without a unit is taken in `assumed`, by default the display unit of the kind.
 */
export function parseQuantity(text: string, kind: QuantityKind, system: UnitSystem, assumed?: Unit): Parsed {
  const unit = assumed ?? displayUnit(kind, system).unit;
  const clean = tidied(text)
    ?.replace(/\u2212/g, '-')
    .replace(/[\u2018\u2019]/g, "'")
    .replace(/[\u201c\u201d]/g, '"');
  if (clean === undefined) return fail(`"${shorten(text)}" is not a number.`);
  if (clean === '') return fail('Type a value.');
  const feet = unit.dimension[1] === 1 && unit.dimension[0] === 0 ? feetAndInches(clean) : undefined;
  if (feet !== undefined) return { ok: true, value: feet };

  const plain = evaluateSum(clean);
  if (plain !== undefined) return Number.isFinite(plain) ? { ok: true, value: plain * unit.factor } : fail('The number is too large.');
  const match = /^(.*?[\d.)])\s*([^\d\s()*+/.,-][^\s]*(?:\s*[·*/-]\s*[A-Za-z]+[²³\d]?)?|%)?$/u.exec(clean);
  if (!match) return fail(`"${shorten(text)}" is not a number.`);
  const number = evaluateSum(match[1]!);
  if (number === undefined) return fail(`"${shorten(text)}" is not a number.`);
  if (!Number.isFinite(number)) return fail('The number is too large.');

  const suffix = match[2]?.trim();
  if (!suffix) return { ok: true, value: number * unit.factor };
  const typed = findUnit(suffix);
  if (!typed) return fail(`"${shorten(suffix)}" is not a unit known here.`);
  if (!sameDimension(typed.dimension, unit.dimension))
    return fail(`${typed.name || 'a plain number'} is not a unit for this value; use ${unit.name || 'a plain number'}.`);
  return { ok: true, value: number * typed.factor };
}

/** What was typed, as a message repeats it. */
export const shorten = (s: string) => (s.length > 30 ? s.slice(0, 30) + '...' : s);

/** Reads forms such as 1'-2", 1' 2 1/2", 6", 3/4" into mm; undefined when the text is of another form. */
function feetAndInches(text: string): number | undefined {
  const m = /^(-)?\s*(?:(\d+(?:\.\d+)?)\s*(?:'|ft))?\s*-?\s*(?:(\d+(?:\.\d+)?)?\s*(?:(\d+)\/(\d+))?\s*(?:"|in))?$/.exec(text);
  if (!m || (m[2] === undefined && m[3] === undefined && m[4] === undefined)) return undefined;
  const inches = Number(m[3] ?? 0) + (m[4] ? Number(m[4]) / Number(m[5]) : 0);
  const value = (Number(m[2] ?? 0) * 12 + inches) * 25.4;
  return Number.isFinite(value) ? (m[1] ? -value : value) : undefined;
}

/** Sums and products of plain numbers, decimal point or comma; thin or plain blanks between digits are skipped. */
function evaluateSum(text: string): number | undefined {
  const compact = text.replace(/(\d)[\s\u2009\u202f](?=\d{3}(\D|$))/g, '$1').replace(/(\d),(?=\d)/g, commaToPoint(text));
  let pos = 0;
  const skip = () => {
    while (compact[pos] === ' ') pos += 1;
  };
  function factor(): number | undefined {
    skip();
    if (compact[pos] === '(') {
      pos += 1;
      const inner = sum();
      skip();
      if (compact[pos] !== ')') return undefined;
      pos += 1;
      return inner;
    }
    const m = /^[-+]?(?:\d+\.?\d*|\.\d+)(?:[eE][-+]?\d+)?/.exec(compact.slice(pos));
    if (!m) return undefined;
    pos += m[0].length;
    return Number(m[0]);
  }
  function chain(next: () => number | undefined, plus: string, minus: string, apply: (a: number, op: string, b: number) => number) {
    let left = next();
    for (;;) {
      skip();
      const op = compact[pos];
      if (left === undefined || (op !== plus && op !== minus)) return left;
      pos += 1;
      const right = next();
      if (right === undefined) return undefined;
      left = apply(left, op, right);
    }
  }
  const product = () => chain(factor, '*', '/', (a, op, b) => (op === '*' ? a * b : a / b));
  const sum = () => chain(product, '+', '-', (a, op, b) => (op === '+' ? a + b : a - b));
  const value = sum();
  skip();
  return pos === compact.length ? value : undefined;
}

/** "1,234.5" and "1,234,567" group thousands; any other single comma is a decimal mark. */
function commaToPoint(text: string): string {
  const commas = text.split(',').length - 1;
  const groups = /^\s*[-+]?\d{1,3}(,\d{3})+(\.\d+)?\s*$/.test(text) && (commas > 1 || text.includes('.'));
  return groups ? '$1' : '$1.';
}
