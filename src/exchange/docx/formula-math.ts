import { MathFraction, MathRadical, MathRoundBrackets, MathRun, MathSubScript, MathSuperScript, type MathComponent } from 'docx';
import { splitSymbol, type Notation } from '@/core/calc/typeset';

type Maths = readonly MathComponent[];

const run = (text: string): MathComponent => new MathRun(text);
/** Numbers, indices and names as they stand: not letters of mathematics, and not words that a reader takes for commands (lim, min). */
const word = (text: string): MathComponent => new MathRun({ text, normalText: true });
const operators = { '+': ' + ', '-': ' − ', '*': ' · ' } as const;

function symbol(name: string): Maths {
  const { base, sub, prime } = splitSymbol(name);
  const letters = base + (prime ? '′' : '');
  const head = base.length > 1 ? word(letters) : run(letters);
  return [sub ? new MathSubScript({ children: [head], subScript: [word(sub)] }) : head];
}

/** Formulas as the equations of a Word document, which can be edited there. */
export const math: Notation<Maths> = {
  num: (text) => [word(text)],
  power10: (mantissa, exponent) => [
    word(mantissa),
    run(' × '),
    new MathSuperScript({ children: [word('10')], superScript: [word(String(exponent).replace('-', '−'))] }),
  ],
  sym: symbol,
  binary: (op, a, b) => [...a, run(operators[op]), ...b],
  fraction: (a, b) => [new MathFraction({ numerator: a, denominator: b })],
  power: (a, b) => [new MathSuperScript({ children: a, superScript: b })],
  negative: (a) => [run('−'), ...a],
  group: (a) => [new MathRoundBrackets({ children: a })],
  root: (a) => [new MathRadical({ children: a })],
  call: (name, args) => {
    const list = args.flatMap((a, i) => (i === 0 ? a : [word('; '), ...a]));
    return name === 'abs' ? [run('|'), ...list, run('|')] : [word(name), new MathRoundBrackets({ children: list })];
  },
  equals: (a, b) => [...(a ?? []), run(a ? ' = ' : '= '), ...b],
};
