/**
 * @jest-environment node
 */
import { execFileSync } from 'node:child_process';
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { strFromU8, unzipSync } from 'fflate';
import mammoth from 'mammoth';
import readXlsx from 'read-excel-file/node';
import { reportFile } from '@/cli/papers';
import { printCell, printHead, type Block } from '@/core/document/blocks';
import type { Report } from '@/core/document/report';
import { memberSchedule } from '@/core/project/as-built';
import { designNow } from '@/core/project/design-member';
import { derivedFor, memberPaper } from '@/core/project/member-paper';
import { memberTable } from '@/core/project/member-table';
import type { Project } from '@/core/project/project';
import { projectReport, scheduleReport } from '@/core/project/project-report';
import { readProject } from '@/core/project/read';
import { resultsToJson } from '@/exchange/result-json';
import { tablesToXlsx } from '@/exchange/tables/xlsx';

/** Every paper of the demo projects is written, read by readers that are not ours, and compared number by number. */
const home = '.reports/papers';

function example(name: string): Project {
  const read = readProject(JSON.parse(readFileSync(`examples/${name}.intarsia`, 'utf8')));
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.project;
}

const designed = (project: Project) =>
  project.members.map((member) => {
    const own = { ...member, report: 'working' as const };
    const result = designNow(project, own, derivedFor('working'));
    return { member: own, result, blocks: memberPaper(project, own, result) };
  });

/** Numbers with a unit as a reader meets them: spaces of every kind are one. */
const flat = (text: string) => text.replace(/[\s\u00a0\u202f\u2009]+/g, ' ');
const tight = (text: string) => text.replace(/[\s\u00a0\u202f\u2009]+/g, '');

function pdfText(path: string): string {
  // The reader is a module for Node itself.
  const script = `import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
    import { readFileSync } from 'node:fs';
    const pdf = await getDocument({ data: new Uint8Array(readFileSync('${path}')), verbosity: 0 }).promise;
    const pages = [];
    for (let i = 1; i <= pdf.numPages; i += 1) pages.push((await (await pdf.getPage(i)).getTextContent()).items.map((t) => t.str).join(' '));
    console.log(JSON.stringify(pages.join(' ')));`;
  return JSON.parse(execFileSync(process.execPath, ['--input-type=module', '-e', script], { encoding: 'utf8', maxBuffer: 1e9 })) as string;
}

interface JsonMember {
  readonly mark: string;
  readonly title: string;
  readonly governing: string | null;
  readonly checks: readonly {
    readonly id: string;
    readonly title: string;
    readonly clause: string;
    readonly utilisation: number | null;
    readonly demand: { readonly value: number; readonly unit: string } | null;
  }[];
}

/** The texts of a paper that stand by themselves: cells of its tables, standings and results of its steps. */
function sayings(blocks: readonly Block[], report: Report): string[] {
  return blocks.flatMap((block): string[] => {
    if (block.kind === 'facts') return block.rows.map(([, value]) => printCell(value, report.units));
    if (block.kind === 'table')
      return [
        ...block.columns.map((c) => printHead(c, report.units)),
        ...block.rows.flatMap((row) => row.map((cell, i) => printCell(cell, report.units, block.columns[i]))),
      ];
    if (block.kind === 'checks') return block.rows.flatMap(({ check }) => [check.title, check.clause]);
    return [];
  });
}

describe.each(['alderlight-playhouse', 'alderlight-annex-us', 'alderlight-floors', 'alderlight-ferry-house'])('papers of %s', (name) => {
  const project = example(name);
  const members = designed(project);
  const report = projectReport(project, members, true);
  const files: Record<string, string> = {};
  let docx: Buffer;

  beforeAll(async () => {
    mkdirSync(home, { recursive: true });
    for (const ending of ['pdf', 'docx', 'html'] as const) writeFileSync(`${home}/${name}.${ending}`, await reportFile(report, ending));
    docx = readFileSync(`${home}/${name}.docx`);
    files.PDF = tight(pdfText(`${home}/${name}.pdf`));
    files.DOCX = tight((await mammoth.extractRawText({ buffer: docx })).value);
    files.HTML = tight(
      readFileSync(`${home}/${name}.html`, 'utf8')
        .replace(/<svg.*?<\/svg>/gs, ' ')
        .replace(/<[^>]+>/g, ' ')
        .replace(/&quot;/g, '"')
        .replace(/&lt;/g, '<')
        .replace(/&gt;/g, '>')
        .replace(/&amp;/g, '&'),
    );
  }, 240_000);

  test.each(['PDF', 'DOCX', 'HTML'])('%s says all that stands in the blocks, for every member', (format) => {
    for (const { member, blocks } of members) {
      const missing = sayings(blocks, report).filter((text) => !files[format]!.includes(tight(text)));
      expect([member.mark, missing]).toEqual([member.mark, []]);
    }
  });

  test('the bar schedule by itself says every bar, the letters of its shapes and what is to be bought', async () => {
    const schedule = scheduleReport(project, members);
    writeFileSync(`${home}/${name}-bars.pdf`, await reportFile(schedule, 'pdf'));
    const text = tight(pdfText(`${home}/${name}-bars.pdf`));
    const said = schedule.parts.flatMap(({ blocks }) => sayings(blocks, schedule));
    expect(said.length).toBeGreaterThan(100);
    expect(said.filter((cell) => !text.includes(tight(cell)))).toEqual([]);
    const pictures = schedule.parts.flatMap(({ blocks }) => blocks).flatMap((b) => (b.kind === 'figure' ? b.drawing.shapes : []));
    const written = pictures.flatMap((s) => (s.kind === 'text' ? [s.text] : []));
    expect(written.filter((word) => !text.includes(tight(word)))).toEqual([]);
    const items = members.flatMap(({ member, result }) => memberSchedule(project, member, result).items);
    for (const { shapeCode, dimensions, letters } of items)
      expect(written).toEqual(expect.arrayContaining([shapeCode, ...letters.slice(0, dimensions.length)]));
  });

  test.each(['PDF', 'DOCX', 'HTML'])('%s has the utilisation and the figures of JSON, for every member', (format) => {
    const wanted = (resultsToJson(project, members) as unknown as { members: JsonMember[] }).members;
    let compared = 0;
    for (const { mark, title, checks, governing } of wanted) {
      const [, line] = members.find((m) => m.member.mark === mark)!.blocks;
      const head = tight(`${title} ${mark}${line!.kind === 'text' ? line!.text : ''}`);
      const at = files[format]!.indexOf(head);
      expect([mark, at > 0]).toEqual([mark, true]);
      const own = files[format]!.slice(at);
      const worst = checks.find((c) => c.id === governing);
      if (worst?.utilisation != null) {
        const said = new RegExp(`${escape(tight(worst.title))},utilisation(\\d+\\.\\d\\d)`).exec(own);
        expect([mark, said && Math.abs(Number(said[1]) - worst.utilisation) <= 0.0051]).toEqual([mark, true]);
      }
      for (const { title, clause, demand, utilisation } of checks) {
        if (utilisation === null || demand === null || Math.abs(demand.value) < 1 || demand.unit === '‰' || demand.unit === '') continue;
        const told = [...own.matchAll(new RegExp(`${escape(tight(title + clause))}([−-]?\\d[\\d.]*)`, 'g'))].map((m) =>
          m[1]!.replace('−', '-'),
        );
        // Half of the last figure that is shown.
        const isSame = (text: string) => Math.abs(Number(text) - demand.value) <= 0.5001 * 10 ** -(text.split('.')[1]?.length ?? 0);
        expect([mark, title, told.some(isSame)]).toEqual([mark, title, true]);
        compared += 1;
      }
    }
    expect(compared).toBeGreaterThan(50);
  });

  test('XLSX has the list of members that the report has', async () => {
    const table = memberTable(project, members);
    const [{ data: rows }] = (await readXlsx(Buffer.from(await tablesToXlsx([table], project.display)))) as unknown as [
      { data: unknown[][] },
    ];
    for (const { member, result } of members) {
      const row = rows.find((r) => r[0] === member.mark)!;
      const utilisation = result.governing?.utilisation;
      if (utilisation == null) continue;
      expect(Number(row[table.columns.findIndex((c) => c.title === 'Util.')])).toBeCloseTo(utilisation, 2);
      for (const format of ['PDF', 'DOCX', 'HTML']) expect(files[format]).toContain(tight(String(row[3])));
    }
  });

  test('contents, cover and what is not covered stand before the members', () => {
    const hasTopics = members.some(({ result }) => result.checks.some((c) => c.status === 'notCovered'));
    for (const format of ['PDF', 'DOCX', 'HTML']) {
      const text = files[format]!;
      const order = [
        report.cover!.title,
        'Contents',
        'Assumptionsoftheproject',
        ...(hasTopics ? ['To be checked by other means'] : []),
        tight(members[0]!.blocks[1]!.kind === 'text' ? members[0]!.blocks[1]!.text : ''),
      ];
      expect(text.includes(tight('To be checked by other means'))).toBe(hasTopics);
      const places = order.map((words) => text.indexOf(tight(words)));
      expect(places.every((p) => p >= 0)).toBe(true);
      expect([...places].sort((a, b) => a - b)).toEqual(places);
    }
  });

  test('equations of the document can be edited: one for every formula and its numbers', () => {
    const xml = strFromU8(unzipSync(docx)['word/document.xml']!);
    const formulas = members
      .flatMap(({ blocks }) => blocks.flatMap((b) => (b.kind === 'steps' ? b.steps : [])))
      .filter((s) => s.kind === 'formula').length;
    const givens = members
      .flatMap(({ blocks }) => blocks.flatMap((b) => (b.kind === 'steps' ? b.steps : [])))
      .filter((s) => s.kind === 'given' && s.symbol !== '').length;
    expect(xml.match(/<m:oMath>/g)).toHaveLength(2 * formulas + givens);
    expect(flat(xml)).not.toContain('NaN');
  });

  test('a web page in one file: nothing runs in it, nothing is fetched', () => {
    const html = readFileSync(`${home}/${name}.html`, 'utf8');
    expect(html).not.toMatch(/<script|<link|<iframe|src="http|url\(/i);
    expect(html).toContain("default-src 'none'");
    expect(html.match(/<math /g)!.length).toBeGreaterThan(100);
  });
});

const escape = (text: string) => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
