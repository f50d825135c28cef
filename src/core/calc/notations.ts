import { splitSymbol, symbolText, type Notation } from './typeset';

/** One line of plain text: for JSON, the terminal and search. */
export const plain: Notation = {
  num: (text) => text,
  power10: (mantissa, exponent) => `${mantissa}e${exponent}`,
  sym: symbolText,
  binary: (op, a, b) => `${a} ${op} ${b}`,
  fraction: (a, b) => `${bracket(a)} / ${bracket(b)}`,
  power: (a, b) => `${bracket(a)}^${bracket(b)}`,
  negative: (a) => `-${a}`,
  group: (a) => `(${a})`,
  root: (a) => `sqrt(${a})`,
  call: (name, args) => `${name}(${args.join(', ')})`,
  equals: (a, b) => (a === null ? `= ${b}` : `${a} = ${b}`),
};

function bracket(text: string): string {
  const isAtom = !text.includes(' ') || /^\([^()]*\)$/.test(text) || /^\w+\([^()]*\)$/.test(text);
  return isAtom ? text : `(${text})`;
}

const escapeXml = (s: string) => s.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;');
const row = (s: string) => `<mrow>${s}</mrow>`;

/** MathML Core, for the screen. The source is made only from the program's own symbols and from numbers. */
export const mathml: Notation = {
  num: (text) => `<mn>${escapeXml(text)}</mn>`,
  power10: (mantissa, exponent) =>
    row(`<mn>${mantissa}</mn><mo>×</mo><msup><mn>10</mn><mn>${exponent < 0 ? `−${-exponent}` : exponent}</mn></msup>`),
  sym: (name) => {
    const { base, sub, prime } = splitSymbol(name);
    const letter = base.length > 1 ? `<mi mathvariant="normal">${escapeXml(base)}</mi>` : `<mi>${escapeXml(base)}</mi>`;
    const head = prime ? `<msup>${letter}<mo>′</mo></msup>` : letter;
    return sub ? `<msub>${head}<mtext>${escapeXml(sub)}</mtext></msub>` : head;
  },
  binary: (op, a, b) => row(`${a}<mo>${op === '*' ? '·' : op === '-' ? '−' : '+'}</mo>${b}`),
  fraction: (a, b) => `<mfrac>${row(a)}${row(b)}</mfrac>`,
  power: (a, b) => `<msup>${row(a)}${row(b)}</msup>`,
  negative: (a) => row(`<mo form="prefix">−</mo>${a}`),
  group: (a) => row(`<mo form="prefix">(</mo>${a}<mo form="postfix">)</mo>`),
  root: (a) => `<msqrt>${row(a)}</msqrt>`,
  call: (name, args) => {
    if (name === 'abs') return row(`<mo form="prefix">|</mo>${args[0]}<mo form="postfix">|</mo>`);
    return row(`<mi>${name}</mi><mo form="prefix">(</mo>${args.join('<mo separator="true">;</mo>')}<mo form="postfix">)</mo>`);
  },
  equals: (a, b) => row(`${a ?? ''}<mo>=</mo>${b}`),
};
