import pdfMake from 'pdfmake';
import { readFileSync } from 'node:fs';
import type { Member } from '@/core/members/kinds';
import { designNow } from '@/core/project/design-member';
import { memberPaper } from '@/core/project/member-paper';
import type { Project } from '@/core/project/project';
import { readProject } from '@/core/project/read';
import { projectReport } from '@/core/project/project-report';
import { pageFonts } from '@/exchange/pdf/fonts';
import { reportDocument } from '@/exchange/pdf/report-pdf';

const font = (file: string) => `node_modules/pdfmake/build/fonts/Roboto/${file}`;
const serif = (face: string) => `node_modules/@fontsource/libertinus-serif/files/${face}.woff`;
beforeAll(() => {
  pdfMake.setFonts(pageFonts(font, serif));
  pdfMake.setUrlAccessPolicy(() => false);
  pdfMake.setLocalAccessPolicy(() => true);
});

function example(file: string): Project {
  const read = readProject(JSON.parse(readFileSync(`examples/${file}`, 'utf8')));
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.project;
}
const demos = ['alderlight-playhouse.intarsia', 'alderlight-annex-us.intarsia'].map(example);

/** Pages of a PDF: each has an object of its own. */
async function pagesOf(project: Project, member: Member): Promise<number> {
  const result = designNow(project, member);
  const pages = { member: { ...member, report: 'summary' } as Member, result, blocks: memberPaper(project, member, result, 'summary') };
  const pdf = await pdfMake.createPdf(reportDocument(projectReport(project, [pages], false))).getBuffer();
  return Buffer.from(pdf)
    .toString('latin1')
    .match(/\/Type \/Page\b(?!s)/g)!.length;
}

describe('one page is one page', () => {
  for (const project of demos)
    test.each(project.members.map((m) => [m.mark, m] as const))(`%s on ${project.paper}`, async (_mark, member) => {
      expect(await pagesOf(project, member)).toBe(1);
    });
});
