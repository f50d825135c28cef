import pdfMake from 'pdfmake/build/pdfmake.js';
import type { Project } from '@/core/project/project';
import type { MemberReport } from '@/exchange/report-content';
import { reportDocument } from '@/exchange/pdf/report-pdf';
import { hostWorker } from './worker-host';

export interface ReportTask {
  readonly project: Project;
  readonly reports: readonly MemberReport[];
}

/** Makes the PDF of some members from results that are there. */
hostWorker<ReportTask, Uint8Array>(async ({ project, reports }, { progress }) => {
  const base = self.location.origin;
  const font = (style: string) => `${base}/fonts/Roboto-${style}.ttf`;
  pdfMake.setFonts({ Roboto: { normal: font('Regular'), bold: font('Medium'), italics: font('Italic'), bolditalics: font('Medium') } });
  const pages = reportDocument(project, reports, (share) => void progress({ share, words: 'setting pages' }));
  return pdfMake.createPdf(pages).getBuffer();
});
