import { tex } from '@/core/calc/notations';
import { printStep } from '@/core/calc/typeset';
import type { Step } from '@/core/calc/calc';
import {
  CHECK_COLUMNS,
  printCell,
  printCheck,
  printCompared,
  printGoverning,
  printHead,
  printStanding,
  type Block,
  type Fact,
} from '@/core/document/blocks';
import type { ReportDetail } from '@/core/members/member';
import type { Project } from '@/core/project/project';
import type { UnitSystem } from '@/core/units/quantity';
import { formatUtilisation, formatValue, unitLabel } from '@/core/units/format';
import { drawingSvg } from './drawing-svg';
import { formulaSvg } from './formula-svg';

type Content = Record<string, unknown> | string;

const FONT = 'Roboto';
const ROWS = {
  hLineWidth: () => 0.5,
  vLineWidth: () => 0,
  hLineColor: () => '#CDC2AB',
  paddingTop: () => 2.5,
  paddingBottom: () => 2.5,
  paddingLeft: () => 0,
  paddingRight: () => 6,
};

/** The PDF's typeface has no narrow no-break space: everywhere a plain no-break space stands for it. */
function withPlainSpaces<T>(value: T): T {
  if (typeof value === 'string') return value.replace(/\u202f/g, '\u00a0') as T;
  if (Array.isArray(value)) return value.map(withPlainSpaces) as T;
  if (typeof value === 'object' && value !== null)
    return Object.fromEntries(Object.entries(value).map(([k, v]) => [k, withPlainSpaces(v)])) as T;
  return value;
}

/** A member's paper, as it is handed to be set on pages. */
export interface MemberPages {
  readonly codeTitle: string;
  readonly level: ReportDetail;
  readonly blocks: readonly Block[];
}

/** The document for pdfmake: title block on every page, and the blocks of every member. */
export function reportDocument(
  project: Pick<Project, 'name' | 'info' | 'paper' | 'display'>,
  members: readonly MemberPages[],
  onProgress: (done: number) => void = () => undefined,
): Record<string, unknown> {
  const { info } = project;
  const cells = (page: number, pages: number) => [
    ['Project', project.name],
    ['Number', info.number],
    ['Code', members[0]?.codeTitle ?? ''],
    ['By', info.author],
    ['Checked', info.checker],
    ['Revision', info.revision],
    ['Date', info.date],
    ['Page', `${page} / ${pages}`],
  ];
  const content: Content[] = [];
  members.forEach((member, i) => {
    content.push(...memberContent(member, project.display, i > 0));
    onProgress((i + 1) / members.length);
  });
  return {
    pageSize: project.paper === 'Letter' ? 'LETTER' : 'A4',
    pageMargins: [45, 78, 45, 46],
    info: { title: `${project.name}, calculation`, author: info.author || undefined },
    defaultStyle: { font: FONT, fontSize: 8.5, color: '#231E19' },
    header: (page: number, pages: number) => ({
      margin: [45, 26, 45, 0],
      table: {
        widths: ['*', 'auto', 'auto', 'auto', 'auto', 'auto', 'auto', 'auto'],
        body: [
          cells(page, pages).map(([name, value]) => ({
            stack: [
              { text: name, fontSize: 7, color: '#51473C' },
              { text: value || ' ', bold: true },
            ],
          })),
        ],
      },
      layout: { hLineWidth: () => 1, vLineWidth: () => 0.5, vLineColor: () => '#B3A68D' },
    }),
    footer: () => ({ margin: [45, 14, 45, 0], text: 'Intarsia calculation', fontSize: 7.5, color: '#51473C' }),
    content: withPlainSpaces(content),
  };
}

function heading(text: string, level: 1 | 2, above = 10): Content {
  const size = above < 10 ? 9 : 11.5;
  return {
    text,
    fontSize: level === 1 ? 16 : size,
    bold: level === 2,
    margin: [0, level === 1 ? 0 : above, 0, above < 10 ? 1 : 4],
    headlineLevel: level,
  };
}

const QUIET = '#51473C';
const OVER = '#A30F38';

function memberContent({ blocks, level }: MemberPages, units: UnitSystem, isNext: boolean): Content[] {
  const setting = level === 'summary' ? onePage : usual;
  const content = blocks.flatMap((block) => blockContent(block, units, setting));
  const [first, ...rest] = content;
  return [isNext ? { ...(first as Record<string, unknown>), pageBreak: 'before' } : first!, ...rest];
}

/** How blocks are set: sizes in points. */
interface Setting {
  readonly figure: number;
  readonly table: number;
  readonly above: number;
  /** Facts in two columns. */
  readonly isPaired: boolean;
  readonly layout: object;
}

const usual: Setting = { figure: 180, table: 7.8, above: 10, isPaired: false, layout: ROWS };
/** One page is one page: all stands closer, and drawings give way. */
const onePage: Setting = {
  figure: 140,
  table: 6.8,
  above: 4,
  isPaired: true,
  layout: { ...ROWS, paddingTop: () => 0.8, paddingBottom: () => 0.8 },
};

/** A block as pdfmake sets it. */
function blockContent(block: Block, units: UnitSystem, setting: Setting): Content[] {
  switch (block.kind) {
    case 'heading':
      return [heading(block.text, block.level, setting.above)];
    case 'text':
      return [
        { text: block.text, color: block.tone === 'fault' ? OVER : block.tone === 'quiet' ? QUIET : undefined, margin: [0, 2, 0, 4] },
      ];
    case 'facts':
      return [heading(block.title, 2, setting.above), factsTable(block.rows, units, setting)];
    case 'table':
      return [heading(block.title, 2, setting.above), tableContent(block, units, setting), ...foot(block.foot)];
    case 'figure':
      return [
        { text: block.caption, fontSize: 7.5, color: QUIET, margin: [0, 3, 0, 0] },
        { svg: drawingSvg(block.drawing, FONT), fit: [505, setting.figure], margin: [0, 1, 0, 3] },
      ];
    case 'governs':
      return [{ text: [{ text: 'Governs: ', bold: true }, printGoverning(block.check, block.isDecided)], margin: [0, 4, 0, 4] }];
    case 'checks':
      return [heading('Checks', 2, setting.above), checksTable(block, units, setting), ...foot(block.foot)];
    case 'steps':
      return [
        heading(`${block.check.title} · ${printStanding(block.check, block.isDecided)}`, 2),
        { text: printCompared(block.check, units), color: QUIET, margin: [0, 0, 0, 3] },
        { table: { widths: [150, '*', 64, 50], body: block.steps.map((s) => stepRow(s, units)) }, layout: ROWS },
      ];
    case 'decision': {
      const { title, utilisation, reason, by } = block.decision;
      const said = { text: `Engineer’s decision. ${title} accepted at ${formatUtilisation(utilisation)}. `, bold: true };
      return [{ text: [said, reason, ` ${by}`], margin: [0, 4, 0, 3] }];
    }
  }
}

const factCells = ([label, value]: Fact, units: UnitSystem): Content[] => [{ text: label, color: QUIET }, printCell(value, units) || '–'];

/** Label and value; on one page short ones side by side. */
function factsTable(rows: readonly Fact[], units: UnitSystem, { isPaired, table, layout }: Setting): Content {
  if (!isPaired) return { table: { widths: [120, '*'], body: rows.map((row) => factCells(row, units)) }, layout, fontSize: table + 0.2 };
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
  return { table: { widths: [82, '*', 82, '*'], body: [...body, ...long] }, layout, fontSize: table };
}

const foot = (text: string | undefined): Content[] => (text ? [{ text, fontSize: 7.5, color: QUIET }] : []);

function tableContent({ columns, rows }: Block & { readonly kind: 'table' }, units: UnitSystem, { table, layout }: Setting): Content {
  // The widest words take what is left.
  const long = columns.findIndex((_, i) => rows.some((r) => typeof r[i] === 'string' && r[i].length > 24));
  const widest = long >= 0 ? long : columns.length - 1;
  return {
    table: {
      headerRows: 1,
      widths: columns.map((_, i) => (i === widest ? '*' : 'auto')),
      body: [
        columns.map((c) => ({ text: printHead(c, units), bold: true })),
        ...rows.map((row) =>
          row.map((cell, i) => ({ text: printCell(cell, units, columns[i]), alignment: columns[i]!.isNumber ? 'right' : 'left' })),
        ),
      ],
    },
    layout,
    fontSize: table,
  };
}

function checksTable({ rows }: Block & { readonly kind: 'checks' }, units: UnitSystem, { table, layout }: Setting): Content {
  return {
    table: {
      headerRows: 1,
      widths: ['auto', 'auto', 'auto', 'auto', 'auto', '*', 'auto'],
      body: [
        CHECK_COLUMNS.map(({ title }) => ({ text: title, bold: true })),
        ...rows.map(({ check, isDecided }) => {
          const cells = printCheck(check, isDecided, units);
          const isOver = check.status === 'exceeds';
          return [...cells.slice(0, -1), { text: cells.at(-1)!, bold: isOver, color: isOver ? OVER : undefined }];
        }),
      ],
    },
    layout,
    fontSize: table,
  };
}

/** Values along the member, under their title. */
function stationsTable({ title, columns, rows }: Step & { kind: 'table' }, units: UnitSystem): Content {
  const head = columns.map(({ name, kind }) => ({ text: `${name} ${unitLabel(kind, units)}`, bold: true, alignment: 'right' as const }));
  const body = rows.map((row) => columns.map(({ kind }, k) => ({ text: formatValue(row[k]!, kind, units), alignment: 'right' as const })));
  return {
    stack: [
      { text: title, italics: true, color: '#51473C' },
      { table: { headerRows: 1, body: [head, ...body] }, layout: 'lightHorizontalLines' },
    ],
    fontSize: 8,
    colSpan: 4,
  };
}

/** One line of a derivation: formula and numbers as vectors, the result as text that can be searched. */
function stepRow(step: Step, units: UnitSystem): Content[] {
  if (step.kind === 'note')
    return [
      { text: step.text, colSpan: 3, italics: true, color: '#51473C' },
      {},
      {},
      { text: step.clause ?? '', fontSize: 8, alignment: 'right' },
    ];
  if (step.kind === 'table') return [stationsTable(step, units), {}, {}, {}];
  const text = printStep(step, tex, units)!;
  if (step.symbol === '')
    return [
      { text: step.name, fontSize: 8 },
      { text: step.kind === 'given' ? (step.source ?? '') : '', color: '#51473C', fontSize: 8 },
      { text: `${text.result} ${text.unit}`, bold: true, alignment: 'right' },
      '',
    ];
  const picture = (source: string, most: number) => {
    const p = formulaSvg(`\\displaystyle ${source}`, 8.5);
    return p.width > most ? { svg: p.svg, width: most } : { svg: p.svg };
  };
  return [
    picture(text.formula ? `${text.symbol} = ${text.formula}` : text.symbol, 148),
    text.numbers
      ? picture(`= ${text.numbers}`, 205)
      : { text: step.kind === 'given' ? [step.name, step.source].filter(Boolean).join('; ') : '', color: '#51473C', fontSize: 8 },
    { text: `${text.result} ${text.unit}`, bold: true, alignment: 'right' },
    { text: step.kind === 'formula' ? step.clause : '', fontSize: 8, color: '#51473C', alignment: 'right' },
  ];
}
