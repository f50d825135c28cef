import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import pdfMake from 'pdfmake';
import type { Report } from '@/core/document/report';
import type { Sheet } from '@/core/sheets/sheet';
import { reportDocx } from '@/exchange/docx/report-docx';
import { reportHtml } from '@/exchange/html/report-html';
import type { ReportEnding } from './design';
import { pageFonts } from '@/exchange/pdf/fonts';
import { reportDocument } from '@/exchange/pdf/report-pdf';
import { drawingsDocument } from '@/exchange/pdf/drawings-pdf';
import { makePainter } from '@/exchange/svg/painter';

// Packages close what is in them to all but imports: their files are found where npm puts them.
const homeOf = (name: string) => join(process.cwd(), 'node_modules', name);
const plainFont = (file: string) => join(homeOf('pdfmake'), 'build/fonts/Roboto', file);
const formulaFont = (face: string) => join(homeOf('@fontsource/libertinus-serif'), 'files', `${face}.woff`);

const bytesOf = (path: string) => new Uint8Array(readFileSync(path));

function prepare() {
  pdfMake.setFonts(pageFonts(plainFont, formulaFont));
  pdfMake.setUrlAccessPolicy(() => false);
  pdfMake.setLocalAccessPolicy((path) => path.includes('Roboto-') || path.includes('libertinus-serif'));
}

/** Drawings as a PDF, each on its page, to scale. */
export function drawingsPdf(sheets: readonly Sheet[]): Promise<Uint8Array> {
  prepare();
  return pdfMake.createPdf(drawingsDocument(sheets)).getBuffer();
}

/** A report as the bytes of a file, made outside a browser. */
export async function reportFile(report: Report, ending: ReportEnding): Promise<Uint8Array | string> {
  if (ending === 'html') return reportHtml(report);
  if (ending === 'docx') {
    const painter = await makePainter(bytesOf(join(homeOf('@resvg/resvg-wasm'), 'index_bg.wasm')), [
      bytesOf(plainFont('Roboto-Regular.ttf')),
    ]);
    return reportDocx(report, painter);
  }
  prepare();
  return pdfMake.createPdf(reportDocument(report)).getBuffer();
}
