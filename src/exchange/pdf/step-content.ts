import type { Step } from '@/core/calc/calc';
import { printStep } from '@/core/calc/typeset';
import { printCompared, printStanding, type Block } from '@/core/document/blocks';
import { formatValue, unitLabel } from '@/core/units/format';
import type { UnitSystem } from '@/core/units/quantity';
import { boxes, type FormulaBox } from './formula-boxes';
import { formulaContent } from './formula-content';
import { QUIET, ROWS, title, titled, type Content } from './page-style';

/** Room of the two columns of formulas (points). */
const FORMULA = 150;
const NUMBERS = 200;
const SIZE = 9;

/** A derivation below its check, whose name stands again where it goes on to another page. */
export function stepsContent({ check, isDecided, steps }: Block & { readonly kind: 'steps' }, units: UnitSystem): Content {
  const head: Content = {
    stack: [title(`${check.title} · ${printStanding(check, isDecided)}`), { text: printCompared(check, units), color: QUIET }],
  };
  return titled(
    head,
    [FORMULA, '*', 'auto', 50],
    steps.map((s) => stepRow(s, units)),
    0,
    ROWS,
    8.5,
  );
}

/** Values along the member, under their title. */
function stationsTable({ title, columns, rows }: Step & { kind: 'table' }, units: UnitSystem): Content {
  const head = columns.map(({ name, kind }) => ({ text: `${name} ${unitLabel(kind, units)}`, bold: true, alignment: 'right' as const }));
  const body = rows.map((row) => columns.map(({ kind }, k) => ({ text: formatValue(row[k]!, kind, units), alignment: 'right' as const })));
  return {
    stack: [
      { text: title, italics: true, color: QUIET },
      { table: { headerRows: 1, body: [head, ...body] }, layout: 'lightHorizontalLines' },
    ],
    fontSize: 8,
    colSpan: 4,
  };
}

/** One line of a derivation. */
function stepRow(step: Step, units: UnitSystem): Content[] {
  if (step.kind === 'note')
    return [
      { text: step.text, colSpan: 3, italics: true, color: QUIET },
      {},
      {},
      { text: step.clause ?? '', fontSize: 8, alignment: 'right' },
    ];
  if (step.kind === 'table') return [stationsTable(step, units), {}, {}, {}];
  const text = printStep(step, boxes, units)!;
  const result = { text: `${text.result} ${text.unit}`.replace(/ /g, '\u00a0'), bold: true, alignment: 'right' };
  const quiet = (value: string) => ({ text: value, color: QUIET, fontSize: 8 });
  if (step.symbol === '') return [{ text: step.name, fontSize: 8 }, quiet(step.kind === 'given' ? (step.source ?? '') : ''), result, ''];
  const picture = (box: FormulaBox, most: number) => formulaContent(box, SIZE, most);
  return [
    picture(text.formula ? boxes.equals(text.symbol, text.formula) : text.symbol, FORMULA),
    text.numbers
      ? picture(boxes.equals(null, text.numbers), NUMBERS)
      : quiet(step.kind === 'given' ? [step.name, step.source].filter(Boolean).join('; ') : ''),
    result,
    { text: step.kind === 'formula' ? step.clause : '', fontSize: 8, color: QUIET, alignment: 'right' },
  ];
}
