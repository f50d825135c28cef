import pdfMake from 'pdfmake';
import { readFileSync } from 'node:fs';
import type { Member } from '@/core/members/kinds';
import { designNow } from '@/core/project/design-member';
import { memberPaper } from '@/core/project/member-paper';
import type { Project } from '@/core/project/project';
import { readProject } from '@/core/project/read';
import { reportDocument } from '@/exchange/pdf/report-pdf';

const font = (style: string) => `node_modules/pdfmake/build/fonts/Roboto/Roboto-${style}.ttf`;
beforeAll(() =>
  pdfMake.setFonts({ Roboto: { normal: font('Regular'), bold: font('Medium'), italics: font('Italic'), bolditalics: font('Medium') } }),
);

function example(file: string): Project {
  const read = readProject(JSON.parse(readFileSync(`examples/${file}`, 'utf8')));
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.project;
}
const demos = ['alderlight-playhouse.intarsia', 'alderlight-annex-us.intarsia'].map(example);

/** Pages of a PDF: each has an object of its own. */
async function pagesOf(project: Project, member: Member): Promise<number> {
  const blocks = memberPaper(project, member, designNow(project, member), 'summary');
  const pdf = await pdfMake.createPdf(reportDocument(project, [{ codeTitle: 'Code', level: 'summary', blocks }])).getBuffer();
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
