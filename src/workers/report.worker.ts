import pdfMake from 'pdfmake/build/pdfmake.js';
import type { Report } from '@/core/document/report';
import { pageFonts } from '@/exchange/pdf/fonts';
import { reportDocument } from '@/exchange/pdf/report-pdf';
import { reportDocx } from '@/exchange/docx/report-docx';
import { reportHtml } from '@/exchange/html/report-html';
import { makePainter } from '@/exchange/svg/painter';
import { hostWorker } from './worker-host';

/** Of the time that a PDF takes, the share before its pages are written. */
const SETTING = 0.3;

export type ReportFormat = 'pdf' | 'docx' | 'html';

export interface ReportTask {
  readonly report: Report;
  readonly format: ReportFormat;
}

const font = (file: string) => `${self.location.origin}/fonts/${file}`;

function pdf(report: Report, tell: (share: number) => void): Promise<Uint8Array> {
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
  return pdfMake.createPdf(reportDocument(report, (share) => tell(share * SETTING))).getBuffer();
}

let painter: ReturnType<typeof makePainter> | undefined;
/** Paints drawings as pictures; read when first needed. */
const getPainter = () => (painter ??= loadPainter());

async function loadPainter() {
  const bytes = async (path: string) => new Uint8Array(await (await fetch(`${self.location.origin}${path}`)).arrayBuffer());
  return makePainter(await bytes('/resvg.wasm'), [await bytes('/fonts/Roboto-Regular.ttf')]);
}

/** Makes the file of a report in a format. */
hostWorker<ReportTask, Uint8Array>(async ({ report, format }, { progress }) => {
  const tell = (share: number) => void progress({ share, words: 'setting pages' });
  if (format === 'pdf') return pdf(report, tell);
  if (format === 'html') return new TextEncoder().encode(reportHtml(report));
  return reportDocx(report, await getPainter(), tell);
});
