import { BorderStyle, Paragraph, Table, TableCell, TableRow, TextRun, WidthType, AlignmentType, type ParagraphChild } from 'docx';

/** What stands in a cell: text, what a paragraph is made of, or such paragraphs in a cell over several columns. */
export type CellContent =
  string | readonly ParagraphChild[] | { readonly lines: readonly (readonly ParagraphChild[])[]; readonly span: number };

export interface WordColumn {
  /** Share of the breadth. */
  readonly share: number;
  readonly isNumber?: boolean;
}

/** Breadth of the text on A4 with the margins of the page (twips). */
export const BREADTH = 9900;
const rule = { style: BorderStyle.SINGLE, size: 4, color: 'CDC2AB' };
const none = { style: BorderStyle.NONE, size: 0, color: 'FFFFFF' };

/** A table with rules between its rows; its head stands again on each page, and no row is broken. */
export function wordTable(
  columns: readonly WordColumn[],
  head: readonly string[] | null,
  rows: readonly (readonly CellContent[])[],
  size = 16,
): Table {
  const whole = columns.reduce((sum, c) => sum + c.share, 0);
  const breadths = columns.map((c) => Math.round((BREADTH * c.share) / whole));
  const linesOf = (content: CellContent, isHead: boolean): readonly (readonly ParagraphChild[])[] => {
    if (typeof content === 'string') return [[new TextRun({ text: content, bold: isHead, size })]];
    return 'lines' in content ? content.lines : [content];
  };
  const spanOf = (content: CellContent) => (typeof content === 'object' && 'span' in content ? content.span : 1);
  const cell = (content: CellContent, i: number, isHead: boolean) =>
    new TableCell({
      width: { size: breadths.slice(i, i + spanOf(content)).reduce((a, b) => a + b, 0), type: WidthType.DXA },
      columnSpan: spanOf(content),
      margins: { top: 30, bottom: 30, left: 0, right: 90 },
      children: linesOf(content, isHead).map(
        (children) =>
          new Paragraph({
            style: 'Cell',
            keepNext: isHead,
            alignment: columns[i]!.isNumber ? AlignmentType.RIGHT : AlignmentType.LEFT,
            children,
          }),
      ),
    });
  const line = (cells: readonly CellContent[], isHead: boolean) => {
    let at = 0;
    const made = cells.map((content) => {
      const own = cell(content, at, isHead);
      at += spanOf(content);
      return own;
    });
    return new TableRow({ tableHeader: isHead, cantSplit: true, children: made });
  };
  return new Table({
    width: { size: BREADTH, type: WidthType.DXA },
    columnWidths: breadths,
    borders: { top: rule, bottom: rule, insideHorizontal: rule, left: none, right: none, insideVertical: none },
    rows: [...(head ? [line(head, true)] : []), ...rows.map((r) => line(r, false))],
  });
}

/** Shares of columns by their longest text up to a sentence; none is narrower than its longest word. */
export function sharesOf(rows: readonly (readonly string[])[]): number[] {
  const n = rows[0]?.length ?? 0;
  const longest = (texts: readonly string[]) => Math.max(0, ...texts.map((t) => t.length));
  return Array.from({ length: n }, (_, i) => {
    const texts = rows.map((r) => r[i] ?? '');
    return Math.max(3 + 1.15 * longest(texts.flatMap((t) => t.split(/[ -]/))), Math.min(34, longest(texts)));
  });
}
