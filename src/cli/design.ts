import { isUnproven } from '@/core/checks/check';
import { codeVariants } from '@/core/codes/registry';
import { designOrSay } from '@/core/project/design-member';
import { asDesigned } from '@/core/project/following';
import type { Project } from '@/core/project/project';
import type { Member, MemberResult } from '@/core/members/kinds';
import { printCell } from '@/core/document/blocks';
import { memberTable } from '@/core/project/member-table';
import { readProjectText } from '@/exchange/project-text';
import { resultsToJson } from '@/exchange/result-json';
import { tablesToCsv } from '@/exchange/tables/csv';
import { tablesToXlsx } from '@/exchange/tables/xlsx';
import { projectSheets } from '@/core/sheets/member-sheet';
import type { Sheet } from '@/core/sheets/sheet';
import { sheetsDxf } from '@/exchange/dxf/sheet-dxf';
import { projectIfc } from '@/exchange/ifc/project-ifc';
import { sheetsSvg } from '@/exchange/svg/sheet-svg';
import { scheduleTables } from '@/core/project/scheduled';
import type { Fault } from '@/core/checks/fault';
import type { Report } from '@/core/document/report';
import { derivedFor, memberPaper } from '@/core/project/member-paper';
import { projectReport, scheduleReport } from '@/core/project/project-report';

export interface Run {
  readonly output: string;
  readonly errors: string;
  /** What is written beside the output. */
  readonly files?: readonly { readonly path: string; readonly content: string | Uint8Array }[];
  /** 0 all hold, 1 something exceeds or cannot be computed, 2 the file or the call is wrong. */
  readonly exitCode: 0 | 1 | 2;
}

const USAGE = `Usage: npm run design -- FILE [--json] [--member MARK]... [--code CODE/VARIANT] [--PAPER FILE]...

  --json            complete results as JSON on standard output
  --member MARK     only members with this mark or id; may be repeated
  --report FILE     report of these members, as .pdf, .docx or .html
  --drawing FILE    drawings of these members to scale, as .pdf, .svg or .dxf
  --ifc FILE        these members with their bars as IFC 4, as .ifc
  --schedule FILE   bar schedule of these members and bars by size, as .pdf, .xlsx or .csv
  --code CODE       design to another code: ${codeVariants.map((v) => `${v.id}/${v.variant}`).join(', ')}

Exit code: 0 all hold, 1 something exceeds, 2 the file or the call is wrong.
`;

/** The files that a report can be written to, by their endings. */
export type ReportEnding = 'pdf' | 'docx' | 'html';

/** What makes files that need typefaces and the like, which lie elsewhere outside a browser: so it is handed in. */
export interface PaperMaker {
  report(report: Report, ending: ReportEnding): Promise<Uint8Array | string>;
  drawings(sheets: readonly Sheet[]): Promise<Uint8Array>;
}

/** What can be asked for beside the output, and the endings of its files. */
const papers = { report: ['pdf', 'docx', 'html'], drawing: ['pdf', 'svg', 'dxf'], ifc: ['ifc'], schedule: ['pdf', 'xlsx', 'csv'] } as const;
type Paper = keyof typeof papers;

interface Asked {
  readonly paper: Paper;
  readonly path: string;
  readonly ending: string;
}

function readPaper(paper: Paper, path: string): Asked | string {
  const ending = /\.([a-z]+)$/i.exec(path)?.[1]?.toLowerCase() ?? '';
  const endings: readonly string[] = papers[paper];
  return endings.includes(ending) ? { paper, path, ending } : `--${paper} writes ${endings.map((e) => `.${e}`).join(', ')}, not ${path}`;
}

interface Call {
  file: string;
  json: boolean;
  members: string[];
  code: string | undefined;
  papers: Asked[];
}

function readCall(args: readonly string[]): Call | string {
  const call: Call = { file: '', json: false, members: [], code: undefined, papers: [] };
  for (let i = 0; i < args.length; i += 1) {
    const arg = args[i]!;
    if (arg === '--json') call.json = true;
    else if (arg === '--member' || arg === '--code' || arg.slice(2) in papers) {
      const value = args[(i += 1)];
      if (value === undefined) return `${arg} needs a value`;
      if (arg === '--member') call.members.push(value);
      else if (arg === '--code') call.code = value;
      else {
        const asked = readPaper(arg.slice(2) as Paper, value);
        if (typeof asked === 'string') return asked;
        call.papers.push(asked);
      }
    } else if (arg.startsWith('--')) return `unknown option ${arg}`;
    else if (call.file) return `one file at a time: ${arg}`;
    else call.file = arg;
  }
  return call.file ? call : 'no file given';
}

const wrong = (errors: string): Run => ({ output: '', errors, exitCode: 2 });
const listFaults = (faults: readonly Fault[]) => faults.map((f) => `  ${f.path || '(file)'}: ${f.reason}\n`).join('');

/** Designs the members of a project file and prints a schedule or JSON. Pure but for `read`. */
export async function runDesign(args: readonly string[], read: (path: string) => string, maker?: PaperMaker): Promise<Run> {
  if (args.includes('--help')) return { output: USAGE, errors: '', exitCode: 0 };
  const call = readCall(args);
  if (typeof call === 'string') return wrong(`${call}\n\n${USAGE}`);
  let text: string;
  try {
    text = read(call.file);
  } catch (error) {
    return wrong(`Cannot read ${call.file}: ${(error as Error).message}\n`);
  }
  const opened = readProjectText(text);
  if (!opened.ok) return wrong(`${call.file} has faults:\n${listFaults(opened.faults)}`);
  const project = withCode(opened.project, call.code);
  if (!project) return wrong(`No such code: ${call.code}\n\n${USAGE}`);
  const chosen =
    call.members.length === 0
      ? project.members
      : project.members.filter((m) => call.members.includes(m.mark) || call.members.includes(m.id));
  const missing = call.members.filter((name) => !project.members.some((m) => m.mark === name || m.id === name));
  if (missing.length > 0) return wrong(`No member called ${missing.join(', ')} in ${call.file}\n`);
  const results: { readonly member: Member; readonly result: MemberResult }[] = [];
  for (const member of chosen) {
    const derive = call.json ? 'all' : call.papers.some((p) => p.paper === 'report') ? derivedFor(member.report) : [];
    const result = await designOrSay(project, member, { derive });
    results.push({ member: asDesigned(member, result), result });
  }
  const faults = results.flatMap(({ member, result }) =>
    result.faults.map((f) => ({ path: `members.${member.mark}.${f.path}`, reason: f.reason })),
  );
  const output = call.json ? JSON.stringify(resultsToJson(project, results), null, 2) + '\n' : schedule(project, results);
  const files = await Promise.all(
    call.papers.map(async (asked) => ({ path: asked.path, content: await writePaper(asked, project, results, maker) })),
  );
  if (faults.length > 0) return { output, errors: `Faults in the input:\n${listFaults(faults)}`, files, exitCode: 2 };
  const exceeds = results.some(({ result }) => result.checks.some(isUnproven));
  return { output, errors: '', files, exitCode: exceeds ? 1 : 0 };
}

type Designed = readonly { readonly member: Member; readonly result: MemberResult }[];

async function writePaper({ paper, ending }: Asked, project: Project, designed: Designed, maker: PaperMaker | undefined) {
  if (!maker && (paper === 'report' || ending === 'pdf')) throw new Error('No maker of papers was handed in');
  if (paper === 'drawing') {
    const { sheets } = projectSheets(project, designed);
    return ending === 'dxf' ? sheetsDxf(sheets) : ending === 'svg' ? sheetsSvg(sheets) : maker!.drawings(sheets);
  }
  if (paper === 'report') {
    const pages = designed.map((d) => ({ ...d, blocks: memberPaper(project, d.member, d.result) }));
    return maker!.report(projectReport(project, pages, designed.length > 1), ending as ReportEnding);
  }
  if (paper === 'ifc') return projectIfc(project, designed);
  if (ending === 'pdf') return maker!.report(scheduleReport(project, designed), 'pdf');
  const tables = scheduleTables(project, designed);
  return ending === 'csv' ? tablesToCsv(tables, project.display) : tablesToXlsx(tables, project.display);
}

function withCode(project: Project, code: string | undefined): Project | undefined {
  if (code === undefined) return project;
  const [id, variant] = code.split('/');
  const found = codeVariants.find((v) => v.id === id && (variant === undefined || v.variant === variant));
  return found && { ...project, code: { id: found.id, variant: found.variant, choices: {} } };
}

/** What the printed table has of that of members. */
const PRINTED: readonly string[] = ['Member', 'Title', 'Size', 'Bars', 'Governing check', 'Util.', 'Place', 'Combination'];

/** A table with a row for each member. */
function schedule(project: Project, results: readonly { member: Member; result: MemberResult }[]): string {
  const { columns, rows: all } = memberTable(project, results);
  const shown = PRINTED.map((title) => columns.findIndex((c) => c.title === title));
  const rows = all.map((row) => shown.map((k) => printCell(row[k]!, project.display, columns[k])));
  const widths = PRINTED.map((h, i) => Math.max(h.length, ...rows.map((r) => r[i]!.length)));
  const line = (cells: readonly string[]) =>
    cells
      .map((c, i) => c.padEnd(widths[i]!))
      .join('  ')
      .trimEnd();
  return [line(PRINTED), line(widths.map((w) => '-'.repeat(w))), ...rows.map(line)].join('\n') + '\n';
}
