import { printCell, printCheck, printGoverning, printHead, CHECK_COLUMNS, type Block, type Fact } from '@/core/document/blocks';
import { formatUtilisation } from '@/core/units/format';
import type { UnitSystem } from '@/core/units/quantity';
import { drawingSvg } from '../svg/drawing-svg';
import { FONT, OVER, QUIET, title, titled, type Content, type Setting } from './page-style';
import { stepsContent } from './step-content';

/** A block as pdfmake sets it. */
export function blockContent(block: Block, units: UnitSystem, setting: Setting): Content[] {
  switch (block.kind) {
    case 'heading':
      return [block.level === 1 ? { text: block.text, fontSize: 16, margin: [0, 0, 0, 4] } : title(block.text, setting.above)];
    case 'text':
      return [
        { text: block.text, color: block.tone === 'fault' ? OVER : block.tone === 'quiet' ? QUIET : undefined, margin: [0, 2, 0, 4] },
      ];
    case 'facts':
      return [factsTable(block, units, setting)];
    case 'table':
      return [tableContent(block, units, setting), ...foot(block.foot)];
    case 'figure':
      return [
        {
          unbreakable: true,
          stack: [
            { text: block.caption, fontSize: 7.5, color: QUIET, margin: [0, 3, 0, 0] },
            { svg: drawingSvg(block.drawing, FONT), fit: [505, setting.figure], margin: [0, 1, 0, 3] },
          ],
        },
      ];
    case 'governs':
      return [{ text: [{ text: 'Governs: ', bold: true }, printGoverning(block.check, block.isDecided)], margin: [0, 4, 0, 4] }];
    case 'checks':
      return [checksTable(block, units, setting), ...foot(block.foot)];
    case 'steps':
      return [stepsContent(block, units)];
    case 'decision': {
      const { title, utilisation, reason, by } = block.decision;
      const said = { text: `Engineer’s decision. ${title} accepted at ${formatUtilisation(utilisation)}. `, bold: true };
      return [{ text: [said, reason, ` ${by}`], margin: [0, 4, 0, 3] }];
    }
  }
}

const factCells = ([label, value]: Fact, units: UnitSystem): Content[] => [{ text: label, color: QUIET }, printCell(value, units) || '–'];

/** Label and value; on one page short ones side by side. */
function factsTable({ title: name, rows }: Block & { readonly kind: 'facts' }, units: UnitSystem, setting: Setting): Content {
  const { isPaired, table, layout, above } = setting;
  const head = title(name, above);
  if (!isPaired)
    return titled(
      head,
      [120, '*'],
      rows.map((row) => factCells(row, units)),
      0,
      layout,
      table + 0.2,
    );
  const isLong = (row: Fact) => printCell(row[1], units).length > 62;
  const short = rows.filter((r) => !isLong(r));
  const body = Array.from({ length: Math.ceil(short.length / 2) }, (_, i) => [
    ...factCells(short[2 * i]!, units),
    ...(short[2 * i + 1] ? factCells(short[2 * i + 1]!, units) : ['', '']),
  ]);
  const long = rows.filter(isLong).map((row) => {
    const [label, value] = factCells(row, units);
    return [label!, { text: value, colSpan: 3 }, '', ''];
  });
  return titled(head, [82, '*', 82, '*'], [...body, ...long], 0, layout, table);
}

const foot = (text: string | undefined): Content[] => (text ? [{ text, fontSize: 7.5, color: QUIET }] : []);

function tableContent({ title: name, columns, rows }: Block & { readonly kind: 'table' }, units: UnitSystem, setting: Setting): Content {
  // The widest words take what is left.
  const long = columns.findIndex((_, i) => rows.some((r) => typeof r[i] === 'string' && r[i].length > 24));
  const widest = long >= 0 || columns.at(-1)!.isNumber ? long : columns.length - 1;
  return titled(
    title(name, setting.above),
    columns.map((_, i) => (i === widest ? '*' : 'auto')),
    [
      columns.map((c) => ({ text: printHead(c, units), bold: true, alignment: c.isNumber ? 'right' : 'left' })),
      ...rows.map((row) =>
        row.map((cell, i) => ({ text: printCell(cell, units, columns[i]), alignment: columns[i]!.isNumber ? 'right' : 'left' })),
      ),
    ],
    1,
    setting.layout,
    setting.table,
  );
}

function checksTable({ rows }: Block & { readonly kind: 'checks' }, units: UnitSystem, setting: Setting): Content {
  return titled(
    title('Checks', setting.above),
    ['auto', 'auto', 'auto', 'auto', 'auto', '*', 'auto'],
    [
      CHECK_COLUMNS.map(({ title }) => ({ text: title, bold: true })),
      ...rows.map(({ check, isDecided }) => {
        const cells = printCheck(check, isDecided, units);
        const isOver = check.status === 'exceeds';
        return [...cells.slice(0, -1), { text: cells.at(-1)!, bold: isOver, color: isOver ? OVER : undefined }];
      }),
    ],
    1,
    setting.layout,
    setting.table,
  );
}
