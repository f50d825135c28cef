import { HeadingLevel, ImageRun, Math as Equation, Paragraph, TextRun, type FileChild } from 'docx';
import type { Step } from '@/core/calc/calc';
import { printStep } from '@/core/calc/typeset';
import {
  CHECK_COLUMNS,
  printCell,
  printCheck,
  printCompared,
  printGoverning,
  printHead,
  printStanding,
  type Block,
} from '@/core/document/blocks';
import type { Drawing } from '@/core/drawing/shapes';
import { formatUtilisation, formatValue, unitLabel } from '@/core/units/format';
import type { UnitSystem } from '@/core/units/quantity';
import { boxes } from '../pdf/formula-boxes';
import { drawingSvg } from '../svg/drawing-svg';
import type { Painter } from '../svg/painter';
import { math } from './formula-math';
import { sharesOf, wordTable, type CellContent } from './word-table';

/** Room for a drawing (pixels of 1/96 inch). */
const ROOM = [655, 330] as const;
/** Pixels of the picture for each pixel on the page, for readers that show no vectors. */
const SHARPNESS = 2.5;
const QUIET = '51473C';
const OVER = 'A30F38';

const title = (text: string) => new Paragraph({ heading: HeadingLevel.HEADING_2, keepNext: true, text });
const quiet = (text: string, keepNext = false) => new Paragraph({ keepNext, children: [new TextRun({ text, color: QUIET })] });
const foot = (text: string | undefined): FileChild[] => (text ? [quiet(text)] : []);

/** A block as Word has it: native headings, tables and equations; drawings as vectors with a picture for readers without. */
export function blockParts(block: Block, units: UnitSystem, paint: Painter): FileChild[] {
  switch (block.kind) {
    case 'heading':
      return [
        new Paragraph({ heading: block.level === 1 ? HeadingLevel.HEADING_1 : HeadingLevel.HEADING_2, keepNext: true, text: block.text }),
      ];
    case 'text':
      return [new Paragraph({ children: [new TextRun({ text: block.text, ...tones[block.tone] })] })];
    case 'facts':
      return [
        title(block.title),
        wordTable(
          [{ share: 1 }, { share: 3 }],
          null,
          block.rows.map(([label, value]) => [[new TextRun({ text: label, color: QUIET, size: 16 })], printCell(value, units) || '–']),
        ),
      ];
    case 'table': {
      const head = block.columns.map((c) => printHead(c, units));
      const rows = block.rows.map((row) => row.map((cell, i) => printCell(cell, units, block.columns[i])));
      const shares = sharesOf([head, ...rows]);
      const columns = block.columns.map(({ isNumber }, i) => ({ share: shares[i]!, ...(isNumber ? { isNumber } : {}) }));
      return [title(block.title), wordTable(columns, head, rows), ...foot(block.foot)];
    }
    case 'figure':
      return [quiet(block.caption, true), figure(block.drawing, block.caption, paint)];
    case 'governs':
      return [
        new Paragraph({
          children: [new TextRun({ text: 'Governs: ', bold: true }), new TextRun(printGoverning(block.check, block.isDecided))],
        }),
      ];
    case 'checks':
      return [title('Checks'), checksTable(block, units), ...foot(block.foot)];
    case 'steps':
      return [
        title(`${block.check.title} · ${printStanding(block.check, block.isDecided)}`),
        quiet(printCompared(block.check, units), true),
        ...stepsParts(block.steps, units),
      ];
    case 'decision': {
      const { title, utilisation, reason, by } = block.decision;
      const said = `Engineer’s decision. ${title} accepted at ${formatUtilisation(utilisation)}. `;
      return [new Paragraph({ children: [new TextRun({ text: said, bold: true }), new TextRun(`${reason} ${by}`)] })];
    }
  }
}

const tones = { plain: {}, quiet: { color: QUIET }, fault: { color: OVER } };

function figure(drawing: Drawing, caption: string, paint: Painter): Paragraph {
  const fit = Math.min(ROOM[0] / drawing.width, ROOM[1] / drawing.height);
  const [width, height] = [Math.round(drawing.width * fit), Math.round(drawing.height * fit)];
  const svg = drawingSvg(drawing, 'Roboto');
  return new Paragraph({
    children: [
      new ImageRun({
        type: 'svg',
        data: new TextEncoder().encode(svg),
        transformation: { width, height },
        fallback: { type: 'png', data: paint(svg, width * SHARPNESS) },
        altText: { title: caption, description: caption, name: caption },
      }),
    ],
  });
}

function checksTable({ rows }: Block & { readonly kind: 'checks' }, units: UnitSystem): FileChild {
  const printed = rows.map(({ check, isDecided }) => printCheck(check, isDecided, units));
  const shares = sharesOf([CHECK_COLUMNS.map((c) => c.title), ...printed]);
  const cells = printed.map((cells, k): CellContent[] => {
    const isOver = rows[k]!.check.status === 'exceeds';
    return [...cells.slice(0, -1), [new TextRun({ text: cells.at(-1)!, size: 16, ...(isOver ? { bold: true, color: OVER } : {}) })]];
  });
  return wordTable(
    shares.map((share) => ({ share })),
    CHECK_COLUMNS.map((c) => c.title),
    cells,
  );
}

const STEP_COLUMNS = [{ share: 30 }, { share: 38 }, { share: 17, isNumber: true }, { share: 15, isNumber: true }];

/** Lines of a derivation in one table; tables of stations stand between. */
function stepsParts(steps: readonly Step[], units: UnitSystem): FileChild[] {
  const parts: FileChild[] = [];
  let rows: CellContent[][] = [];
  const close = () => {
    if (rows.length > 0) parts.push(wordTable(STEP_COLUMNS, null, rows));
    rows = [];
  };
  for (const step of steps) {
    if (step.kind === 'note') {
      close();
      parts.push(
        new Paragraph({
          keepNext: true,
          children: [new TextRun({ text: [step.text, step.clause].filter(Boolean).join(' '), italics: true, color: QUIET })],
        }),
      );
    } else if (step.kind === 'table') {
      close();
      parts.push(...stations(step, units));
    } else rows.push(stepCells(step, units));
  }
  close();
  return parts;
}

function stations({ title: name, columns, rows }: Step & { kind: 'table' }, units: UnitSystem): FileChild[] {
  const head = columns.map(({ name, kind }) => `${name} ${unitLabel(kind, units)}`.trim());
  const cells = rows.map((row) => columns.map(({ kind }, k) => formatValue(row[k]!, kind, units)));
  return [
    quiet(name, true),
    wordTable(
      columns.map(() => ({ share: 1, isNumber: true })),
      head,
      cells,
    ),
  ];
}

/** Room of a column of formulas (em of the size in which a reader may set them at the most). */
const FORMULA_ROOM = 11.5;
const NUMBERS_ROOM = 14;

/** Whether formula or numbers need more room than their column has: then they stand below each other. */
function isWide(step: Step, units: UnitSystem): boolean {
  const set = printStep(step, boxes, units)!;
  const formula = set.symbol.width + (set.formula?.width ?? 0) + 0.8;
  return formula > FORMULA_ROOM || (set.numbers?.width ?? 0) + 0.8 > NUMBERS_ROOM;
}

/** One line: symbol with its formula, numbers put in, result, clause. */
function stepCells(step: Exclude<Step, { kind: 'note' | 'table' }>, units: UnitSystem): CellContent[] {
  const text = printStep(step, math, units)!;
  const result: CellContent = [new TextRun({ text: `${text.result} ${text.unit}`.trim(), bold: true, size: 16 })];
  const source = step.kind === 'given' ? (step.source ?? '') : '';
  if (step.symbol === '') return [step.name, source, result, ''];
  const equation = (children: typeof text.symbol) => [new Equation({ children })];
  const clause = step.kind === 'formula' ? step.clause : '';
  const formula = equation(text.formula ? math.equals(text.symbol, text.formula) : text.symbol);
  if (!text.numbers) return [formula, [step.name, source].filter(Boolean).join('; '), result, clause];
  const numbers = [new TextRun({ text: '= ', size: 16 }), ...equation(text.numbers)];
  return isWide(step, units) ? [{ lines: [formula, numbers], span: 2 }, result, clause] : [formula, numbers, result, clause];
}
