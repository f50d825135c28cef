import { printCell } from '@/core/document/blocks';
import { REVISION_COLUMNS, revisionCells, type Cover, type Report, type ReportPart } from '@/core/document/report';
import { blockContent } from './block-content';
import { FONT, onePage, QUIET, ROWS, titled, usual, title, type Content } from './page-style';

/** The PDF's typeface has no narrow no-break space: everywhere a plain no-break space stands for it. */
function withPlainSpaces<T>(value: T): T {
  if (typeof value === 'string') return value.replace(/\u202f/g, '\u00a0') as T;
  if (Array.isArray(value)) return value.map(withPlainSpaces) as T;
  if (typeof value === 'object' && value !== null) {
    const plain: Record<string, unknown> = {};
    for (const key of Object.keys(value)) plain[key] = withPlainSpaces((value as Record<string, unknown>)[key]);
    return plain as T;
  }
  return value;
}

/** The report for pdfmake: title block on every page, cover and contents where there are some, and the blocks of every part. */
export function reportDocument(report: Report, onProgress: (share: number) => void = () => undefined): Record<string, unknown> {
  const { cover, parts } = report;
  const content: Content[] = cover ? [...coverContent(cover), contents()] : [];
  parts.forEach((part, i) => {
    content.push(...partContent(part, report, i > 0 || cover !== null));
    onProgress((i + 1) / parts.length);
  });
  return {
    pageSize: report.paper === 'Letter' ? 'LETTER' : 'A4',
    pageMargins: [45, 78, 45, 46],
    info: { title: report.title, author: report.author || undefined },
    defaultStyle: { font: FONT, fontSize: 8.5, color: '#231E19' },
    header: (page: number, pages: number) => (cover && page === 1 ? '' : pageHead(report, page, pages)),
    footer: () => ({ margin: [45, 14, 45, 0], text: 'Intarsia calculation', fontSize: 7.5, color: QUIET }),
    content: content.length > 0 ? withPlainSpaces(content) : ' ',
  };
}

const pageHead = ({ titleBlock }: Report, page: number, pages: number): Content => ({
  margin: [45, 26, 45, 0],
  table: {
    widths: ['*', ...titleBlock.map(() => 'auto')],
    body: [
      [...titleBlock, ['Page', `${page} / ${pages}`] as const].map(([name, value]) => ({
        stack: [
          { text: name, fontSize: 7, color: QUIET },
          { text: value || ' ', bold: true },
        ],
      })),
    ],
  },
  layout: { hLineWidth: () => 1, vLineWidth: () => 0.5, vLineColor: () => '#B3A68D' },
});

function coverContent({ title: name, office, logo, facts, revisions }: Cover): Content[] {
  const shown = facts.filter(([, value]) => value !== '');
  return [
    ...(logo ? [{ image: logo, fit: [180, 70], margin: [0, 0, 0, 12] }] : []),
    { text: office || ' ', fontSize: 10, color: QUIET, margin: [0, 0, 0, 150] },
    { text: name, fontSize: 26, margin: [0, 0, 0, 18] },
    {
      table: { widths: [120, '*'], body: shown.map(([label, value]) => [{ text: label, color: QUIET }, printCell(value, 'SI')]) },
      layout: ROWS,
      fontSize: 10,
      margin: [0, 0, 0, 30],
    },
    ...(revisions.length > 0
      ? [
          titled(
            title('Revisions'),
            ['auto', 'auto', '*', 'auto'],
            [REVISION_COLUMNS.map((text) => ({ text, bold: true })), ...revisions.map((r) => [...revisionCells(r)])],
            1,
            ROWS,
            9,
          ),
        ]
      : []),
  ];
}

const contents = (): Content => ({
  toc: { title: { text: 'Contents', fontSize: 16, margin: [0, 0, 0, 8] }, textMargin: [0, 2.5, 0, 0] },
  pageBreak: 'before',
});

function partContent({ title: name, blocks, isOnePage, isRunOn }: ReportPart, { units, cover }: Report, isNext: boolean): Content[] {
  const setting = isOnePage ? onePage : usual;
  const content = blocks.flatMap((block) => blockContent(block, units, setting));
  const [first, ...rest] = content;
  const named = { ...(first as Record<string, unknown>), outline: true, outlineText: name, ...(cover ? { tocItem: true } : {}) };
  // What goes on below another part stays together, so that its heading never ends a page; what is long begins a page.
  if (isRunOn && rowsIn(blocks) <= MOST_TOGETHER) return [{ unbreakable: true, stack: [{ ...named, margin: [0, 24, 0, 4] }, ...rest] }];
  return [{ ...named, ...(isNext ? { pageBreak: 'before' } : {}) }, ...rest];
}

/** Rows of tables that surely stand on one page together. */
const MOST_TOGETHER = 20;
const rowsIn = (blocks: ReportPart['blocks']) => blocks.reduce((sum, b) => sum + (b.kind === 'table' ? b.rows.length : 1), 0);
