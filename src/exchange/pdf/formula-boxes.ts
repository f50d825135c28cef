import { splitSymbol, type Notation } from '@/core/calc/typeset';
import { glyphWidths } from './glyph-widths';

/** The faces that a formula is set in: symbols slanted, numbers and indices upright, Greek from files of its own. */
export type Face = keyof typeof glyphWidths;

/** Text from a place to the right, on its baseline; y downwards from the baseline of the whole. In em of the whole. */
interface Run {
  readonly x: number;
  readonly y: number;
  readonly size: number;
  readonly face: Face;
  readonly text: string;
}
/** A rule, a root or the sides of a bracket, as points. */
interface Stroke {
  readonly points: readonly (readonly [x: number, y: number])[];
  readonly width: number;
}

/** A piece of a formula that is set: how much room it takes about its baseline, and what is in it. Lengths in em. */
export interface FormulaBox {
  readonly width: number;
  readonly ascent: number;
  readonly descent: number;
  readonly runs: readonly Run[];
  readonly strokes: readonly Stroke[];
}

/** Half a line above the baseline: where rules of fractions lie, and what brackets are centred about. */
const AXIS = 0.25;
const RULE = 0.045;
const GAP = 0.11;
const ASCENT = 0.68;
const DESCENT = 0.2;
const INDEX = 0.7;

const widths = new Map(
  (Object.keys(glyphWidths) as Face[]).map((face) => {
    const { signs, widths } = glyphWidths[face];
    return [face, new Map([...signs].map((sign, i) => [sign, widths[i]! / 1000]))];
  }),
);

/** The face of a sign: that which is asked for, or the first that has it. */
function faceOf(sign: string, isSlanted: boolean): Face {
  const wanted: Face[] = isSlanted ? ['italic', 'greekItalic', 'upright', 'greek'] : ['upright', 'greek'];
  return wanted.find((face) => widths.get(face)!.has(sign)) ?? 'other';
}

const widthOf = (sign: string, face: Face) => widths.get(face)!.get(sign) ?? 0.5;

/** Signs in a row at a size, in as few runs as faces allow. */
function text(value: string, size = 1, isSlanted = false): FormulaBox {
  const runs: Run[] = [];
  let x = 0;
  for (const sign of value.replace(/[\u202f\u00a0\u2009]/g, ' ')) {
    const face = faceOf(sign, isSlanted && sign !== ' ');
    const last = runs.at(-1);
    if (last?.face === face) runs[runs.length - 1] = { ...last, text: last.text + sign };
    else runs.push({ x, y: 0, size, face, text: sign });
    x += widthOf(sign, face) * size;
  }
  return { width: x, ascent: ASCENT * size, descent: DESCENT * size, runs, strokes: [] };
}

const moved = (box: FormulaBox, x: number, y: number) => ({
  runs: box.runs.map((r) => ({ ...r, x: r.x + x, y: r.y + y })),
  strokes: box.strokes.map((s) => ({ ...s, points: s.points.map(([px, py]) => [px + x, py + y] as const) })),
});

/** Runs that go on where another of their kind ends are one: a page is set from fewer of them. */
function joined(runs: readonly Run[]): Run[] {
  const list: Run[] = [];
  for (const run of runs) {
    const last = list.at(-1);
    const isOn = last && last.face === run.face && last.size === run.size && last.y === run.y && Math.abs(endOf(last) - run.x) < 1e-9;
    if (isOn) list[list.length - 1] = { ...last, text: last.text + run.text };
    else list.push(run);
  }
  return list;
}

const endOf = ({ x, size, face, text }: Run) => x + [...text].reduce((sum, sign) => sum + widthOf(sign, face), 0) * size;

/** Boxes side by side on one baseline. */
function row(...boxes: readonly FormulaBox[]): FormulaBox {
  let x = 0;
  const parts = boxes.map((box) => {
    const part = moved(box, x, 0);
    x += box.width;
    return part;
  });
  return {
    width: x,
    ascent: Math.max(0, ...boxes.map((b) => b.ascent)),
    descent: Math.max(0, ...boxes.map((b) => b.descent)),
    runs: joined(parts.flatMap((p) => p.runs)),
    strokes: parts.flatMap((p) => p.strokes),
  };
}

/** A run without the spaces that it begins and ends with, at the place where its first sign stands: page makers cut them off. */
export function withoutEndSpaces(run: Run): Run {
  const text = run.text.trimStart();
  const before = (run.text.length - text.length) * widthOf(' ', run.face) * run.size;
  return { ...run, text: text.trimEnd(), x: run.x + before };
}

/** The same at another size. */
export function scaled(box: FormulaBox, by: number): FormulaBox {
  if (by === 1) return box;
  return {
    width: box.width * by,
    ascent: box.ascent * by,
    descent: box.descent * by,
    runs: box.runs.map((r) => ({ ...r, x: r.x * by, y: r.y * by, size: r.size * by })),
    strokes: box.strokes.map((s) => ({ width: s.width * by, points: s.points.map(([x, y]) => [x * by, y * by] as const) })),
  };
}

/** A small box raised (or lowered) beside another. */
function beside(box: FormulaBox, index: FormulaBox, raise: number): FormulaBox {
  const at = moved(index, box.width + 0.02, -raise);
  return {
    width: box.width + index.width + 0.04,
    ascent: Math.max(box.ascent, raise + index.ascent),
    descent: Math.max(box.descent, index.descent - raise),
    runs: [...box.runs, ...at.runs],
    strokes: [...box.strokes, ...at.strokes],
  };
}

function fraction(a: FormulaBox, b: FormulaBox): FormulaBox {
  const width = Math.max(a.width, b.width) + 0.16;
  const [up, down] = [AXIS + RULE / 2 + GAP + a.descent, -AXIS + RULE / 2 + GAP + b.ascent];
  const [above, below] = [moved(a, (width - a.width) / 2 + 0.04, -up), moved(b, (width - b.width) / 2 + 0.04, down)];
  const rule: Stroke = {
    points: [
      [0.04, -AXIS],
      [width + 0.04, -AXIS],
    ],
    width: RULE,
  };
  return {
    width: width + 0.08,
    ascent: up + a.ascent,
    descent: down + b.descent,
    runs: [...above.runs, ...below.runs],
    strokes: [...above.strokes, ...below.strokes, rule],
  };
}

/** A side of a bracket about a box: an arc that opens to the right or to the left, or an upright. */
function side({ ascent, descent }: FormulaBox, opens: 1 | -1 | 0): FormulaBox {
  const half = Math.max(ascent - AXIS, descent + AXIS) + 0.06;
  const wide = opens === 0 ? 0 : Math.min(0.3, 0.14 + 0.07 * half);
  const points = Array.from({ length: 13 }, (_, i) => {
    const t = -1 + i / 6;
    return [0.09 + wide * (opens > 0 ? t * t : opens < 0 ? 1 - t * t : 0), -AXIS + t * half] as const;
  });
  return {
    width: wide + 0.18,
    ascent: AXIS + half,
    descent: half - AXIS,
    runs: [],
    strokes: [{ points: opens === 0 ? [points[0]!, points[12]!] : points, width: RULE * 1.2 }],
  };
}

/** Brackets as signs about what is as high as a line, drawn about what is higher. */
function bracketed(box: FormulaBox): FormulaBox {
  if (box.ascent <= ASCENT + 0.15 && box.descent <= DESCENT + 0.12) return row(text('('), box, text(')'));
  return row(side(box, 1), box, side(box, -1));
}

function root(a: FormulaBox): FormulaBox {
  const [top, foot] = [a.ascent + 0.12, Math.max(a.descent, 0.05)];
  const under = moved(a, 0.55, 0);
  const sign: Stroke = {
    points: [
      [0.06, -0.28],
      [0.18, -0.34],
      [0.33, foot],
      [0.5, -top],
      [0.6 + a.width, -top],
    ],
    width: RULE,
  };
  return { width: a.width + 0.64, ascent: top + RULE, descent: foot, runs: under.runs, strokes: [...under.strokes, sign] };
}

function symbol(name: string): FormulaBox {
  const { base, sub, prime } = splitSymbol(name);
  const letter = text(base, 1, base.length === 1);
  const head = prime ? row(letter, text('′')) : letter;
  return sub ? beside(head, text(sub, INDEX), -0.16) : head;
}

const power = (a: FormulaBox, b: FormulaBox): FormulaBox => {
  const index = scaled(b, INDEX);
  return beside(a, index, Math.max(0.34, a.ascent - 0.3 + index.descent));
};

const operators = { '+': ' + ', '-': ' − ', '*': ' · ' } as const;

/** Formulas as boxes for a page. */
export const boxes: Notation<FormulaBox> = {
  num: (value) => text(value),
  power10: (mantissa, exponent) => row(text(`${mantissa} × `), power(text('10'), text(String(exponent).replace('-', '−')))),
  sym: symbol,
  binary: (op, a, b) => row(a, text(operators[op]), b),
  fraction,
  power,
  negative: (a) => row(text('−'), a),
  group: bracketed,
  root,
  call: (name, args) => {
    const list = row(...args.flatMap((a, i) => (i === 0 ? [a] : [text('; '), a])));
    return name === 'abs' ? row(side(list, 0), list, side(list, 0)) : row(text(name), bracketed(list));
  },
  equals: (a, b) => row(...(a ? [a, text(' = ')] : [text('= ')]), b),
};
