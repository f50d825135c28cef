import pdfMake from 'pdfmake/build/pdfmake.js';
import { reportDocument, type MemberPages } from '@/exchange/pdf/report-pdf';
import { hostWorker } from './worker-host';

export interface ReportTask {
  readonly project: Parameters<typeof reportDocument>[0];
  readonly members: readonly MemberPages[];
}

/** Makes the PDF of some members from results that are there. */
hostWorker<ReportTask, Uint8Array>(async ({ project, members }, { progress }) => {
  const base = self.location.origin;
  const font = (style: string) => `${base}/fonts/Roboto-${style}.ttf`;
  pdfMake.setFonts({ Roboto: { normal: font('Regular'), bold: font('Medium'), italics: font('Italic'), bolditalics: font('Medium') } });
  const pages = reportDocument(project, members, (share) => void progress({ share, words: 'setting pages' }));
  return pdfMake.createPdf(pages).getBuffer();
});
