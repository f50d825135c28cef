import { expose } from 'comlink';
import pdfMake from 'pdfmake/build/pdfmake.js';
import type { Project } from '@/core/project/project';
import type { ReportDetail } from '@/core/members/member';
import { memberReport } from '@/exchange/report-content';
import { reportDocument } from '@/exchange/pdf/report-pdf';

const api = {
  /** Makes the PDF of some members. Progress runs from 0 to 1. */
  async pdf(
    project: Project,
    members: readonly { readonly id: string; readonly detail: ReportDetail }[],
    onProgress: (done: number) => void,
  ): Promise<Uint8Array> {
    const base = self.location.origin;
    const font = (style: string) => `${base}/fonts/Roboto-${style}.ttf`;
    pdfMake.setFonts({ Roboto: { normal: font('Regular'), bold: font('Medium'), italics: font('Italic'), bolditalics: font('Medium') } });
    const reports = members.flatMap(({ id, detail }) => {
      const member = project.members.find((m) => m.id === id);
      return member ? [memberReport(project, member, detail)] : [];
    });
    return pdfMake.createPdf(reportDocument(project, reports, onProgress)).getBuffer();
  },
};
export type ReportApi = typeof api;
expose(api);
