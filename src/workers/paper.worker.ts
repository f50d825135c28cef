import pdfMake from 'pdfmake/build/pdfmake.js';
import type { Report } from '@/core/document/report';
import type { Sheet } from '@/core/sheets/sheet';
import { reportDocx } from '@/exchange/docx/report-docx';
import { sheetsDxf } from '@/exchange/dxf/sheet-dxf';
import { reportHtml } from '@/exchange/html/report-html';
import { drawingsDocument } from '@/exchange/pdf/drawings-pdf';
import { pageFonts } from '@/exchange/pdf/fonts';
import { reportDocument } from '@/exchange/pdf/report-pdf';
import { makePainter } from '@/exchange/svg/painter';
import { sheetsSvg } from '@/exchange/svg/sheet-svg';
import { hostWorker } from './worker-host';

/** Of the time that a PDF takes, the share before its pages are written. */
const SETTING = 0.3;

/** A paper that is to be made, and its format. */
export type PaperTask =
  | { readonly paper: 'report'; readonly report: Report; readonly format: 'pdf' | 'docx' | 'html' }
  | { readonly paper: 'drawings'; readonly sheets: readonly Sheet[]; readonly format: 'pdf' | 'dxf' | 'svg' };

type Tell = (share: number) => void;
const font = (file: string) => `${self.location.origin}/fonts/${file}`;

function pdf(document: Record<string, unknown>, tell: Tell): Promise<Uint8Array> {
  pdfMake.setFonts(pageFonts(font, (face) => font(`${face}.ttf`)));
  // Nothing is fetched but our own typefaces.
  pdfMake.setUrlAccessPolicy((url) => url.startsWith(`${self.location.origin}/fonts/`));
  let told = 0;
  pdfMake.setProgressCallback((share) => {
    // Told only now and then: each word to the screen takes time.
    if (share - told < 0.02) return;
    told = share;
    tell(SETTING + share * (1 - SETTING));
  });
  return pdfMake.createPdf(document).getBuffer();
}

let painter: ReturnType<typeof makePainter> | undefined;
/** Paints drawings as pictures; read when first needed. */
const getPainter = () => (painter ??= loadPainter());

async function loadPainter() {
  const bytes = async (path: string) => new Uint8Array(await (await fetch(`${self.location.origin}${path}`)).arrayBuffer());
  return makePainter(await bytes('/resvg.wasm'), [await bytes('/fonts/Roboto-Regular.ttf')]);
}

/** Makes the file of a paper in a format. */
hostWorker<PaperTask, Uint8Array>(async (task, { progress }) => {
  const tell = (share: number) => void progress({ share, words: 'setting pages' });
  const text = (content: string) => new TextEncoder().encode(content);
  if (task.paper === 'drawings') {
    if (task.format === 'dxf') return text(sheetsDxf(task.sheets));
    return task.format === 'svg' ? text(sheetsSvg(task.sheets)) : pdf(drawingsDocument(task.sheets), tell);
  }
  const { report, format } = task;
  if (format === 'html') return text(reportHtml(report));
  if (format === 'docx') return reportDocx(report, await getPainter(), tell);
  return pdf(
    reportDocument(report, (share) => tell(share * SETTING)),
    tell,
  );
});
