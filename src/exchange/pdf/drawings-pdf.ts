import type { Sheet } from '@/core/sheets/sheet';
import { sheetSvg } from '../svg/sheet-svg';
import { FONT } from './page-style';

/** Points of a millimetre. */
const POINTS = 72 / 25.4;

/** Sheets for pdfmake, one on a page of its own size; all are of one size. */
export function drawingsDocument(sheets: readonly Sheet[]): Record<string, unknown> {
  const { width, height } = sheets[0]?.paper ?? { width: 297, height: 210 };
  const size = { width: width * POINTS, height: height * POINTS };
  return {
    pageSize: size,
    pageMargins: 0,
    info: { title: sheets[0]?.title ?? 'Drawings' },
    defaultStyle: { font: FONT },
    content:
      sheets.length === 0
        ? 'There is nothing to draw.'
        : sheets.map((sheet, i) => ({
            svg: sheetSvg(sheet, FONT).replace(/ width="[^"]*mm" height="[^"]*mm"/, ''),
            width: size.width,
            absolutePosition: { x: 0, y: 0 },
            ...(i > 0 ? { pageBreak: 'before' } : {}),
          })),
  };
}
