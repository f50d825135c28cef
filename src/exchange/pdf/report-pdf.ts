import { tex } from '@/core/calc/notations';
import { printStep } from '@/core/calc/typeset';
import type { Step } from '@/core/calc/calc';
import type { Measured } from '@/core/checks/check';
import type { Project } from '@/core/project/project';
import { kindOf, type Member, type MemberResult } from '@/core/members/kinds';
import { formatQuantity, formatUtilisation } from '@/core/units/format';
import { scheduleRows } from '../schedule-rows';
import type { MemberReport } from '../report-content';
import { drawingSvg } from './drawing-svg';
import { formulaSvg } from './formula-svg';

type Content = Record<string, unknown> | string;

const FONT = 'Roboto';
const ROWS = {
  hLineWidth: () => 0.5,
  vLineWidth: () => 0,
  hLineColor: () => '#CDC2AB',
  paddingTop: () => 2.5,
  paddingBottom: () => 2.5,
  paddingLeft: () => 0,
  paddingRight: () => 6,
};

/** The PDF's typeface has no narrow no-break space: everywhere a plain no-break space stands for it. */
function withPlainSpaces<T>(value: T): T {
  if (typeof value === 'string') return value.replace(/\u202f/g, '\u00a0') as T;
  if (Array.isArray(value)) return value.map(withPlainSpaces) as T;
  if (typeof value === 'object' && value !== null)
    return Object.fromEntries(Object.entries(value).map(([k, v]) => [k, withPlainSpaces(v)])) as T;
  return value;
}

/** The document for pdfmake: title block on every page, members with drawings, checks and steps, assumptions and decisions. */
export function reportDocument(
  project: Project,
  reports: readonly MemberReport[],
  onProgress: (done: number) => void = () => undefined,
): Record<string, unknown> {
  const { info } = project;
  const cells = (page: number, pages: number) => [
    ['Project', project.name],
    ['Number', info.number],
    ['Code', reports[0]?.codeTitle ?? ''],
    ['By', info.author],
    ['Checked', info.checker],
    ['Revision', info.revision],
    ['Date', info.date],
    ['Page', `${page} / ${pages}`],
  ];
  const content: Content[] = [];
  reports.forEach((report, i) => {
    content.push(...memberContent(project, report, i > 0));
    onProgress((i + 1) / reports.length);
  });
  return {
    pageSize: project.paper === 'Letter' ? 'LETTER' : 'A4',
    pageMargins: [45, 78, 45, 46],
    info: { title: `${project.name}, calculation`, author: info.author || undefined },
    defaultStyle: { font: FONT, fontSize: 8.5, color: '#231E19' },
    header: (page: number, pages: number) => ({
      margin: [45, 26, 45, 0],
      table: {
        widths: ['*', 'auto', 'auto', 'auto', 'auto', 'auto', 'auto', 'auto'],
        body: [
          cells(page, pages).map(([name, value]) => ({
            stack: [
              { text: name, fontSize: 7, color: '#51473C' },
              { text: value || ' ', bold: true },
            ],
          })),
        ],
      },
      layout: { hLineWidth: () => 1, vLineWidth: () => 0.5, vLineColor: () => '#B3A68D' },
    }),
    footer: () => ({ margin: [45, 14, 45, 0], text: 'Intarsia calculation', fontSize: 7.5, color: '#51473C' }),
    content: withPlainSpaces(content),
  };
}

function heading(text: string, level: 1 | 2): Content {
  return { text, fontSize: level === 1 ? 16 : 11.5, bold: level === 2, margin: [0, level === 1 ? 0 : 10, 0, 4], headlineLevel: level };
}

function memberContent(project: Project, report: MemberReport, isNext: boolean): Content[] {
  const { member, result } = report;
  const g = result.governing;
  const units = project.display;
  const out: Content[] = [
    { ...(heading(`${member.title} ${member.mark}`, 1) as Record<string, unknown>), ...(isNext ? { pageBreak: 'before' } : {}) },
    {
      text: [report.codeTitle, kindOf(member).sizeLabel(member, units), kindOf(member).steelLabel(member, result, project)]
        .filter(Boolean)
        .join(' · '),
      color: '#51473C',
      margin: [0, 0, 0, 6],
    },
  ];
  if (result.faults.length > 0) {
    out.push({ ul: result.faults.map((f) => `${f.path}: ${f.reason}`), color: '#A30F38' });
    return out;
  }
  for (const { caption, drawing } of kindOf(member).figures(member, result, project)) {
    out.push({ text: caption, fontSize: 7.5, color: '#51473C', margin: [0, 3, 0, 0] });
    out.push({ svg: drawingSvg(drawing, FONT), fit: [505, 180], margin: [0, 1, 0, 3] });
  }
  if (g)
    out.push({
      text: [
        { text: 'Governs: ', bold: true },
        `${g.title}, utilisation ${formatUtilisation(g.utilisation)}`,
        g.reason ? `. ${g.reason}` : '',
      ],
      margin: [0, 4, 0, 4],
    });
  out.push(checksTable(project, report));
  if (report.detail !== 'summary') {
    out.push(...inputTables(project, report));
    for (const { check, showsSteps } of report.checks) {
      if (!showsSteps) continue;
      out.push(heading(`${check.title} · ${formatUtilisation(check.utilisation)}`, 2));
      out.push({
        text: `${show(check.demand, units)} against ${show(check.capacity, units)} · ${[check.place.label, check.combination].filter(Boolean).join(' · ')}`,
        color: '#51473C',
        margin: [0, 0, 0, 3],
      });
      out.push({ table: { widths: [150, '*', 64, 50], body: check.derivation!.map((s) => stepRow(s, units)) }, layout: ROWS });
    }
  }
  if (report.detail !== 'summary') out.push(...schedule(project, member, result));
  out.push(...closing(report));
  return out;
}

/** The bars as they are to be cut and bent. */
function schedule(project: Project, member: Member, result: MemberResult): Content[] {
  const rows = scheduleRows(project, member, result);
  if (!rows) return [];
  return [
    heading('Bar schedule', 2),
    {
      table: {
        headerRows: 1,
        widths: ['auto', '*', 'auto', 'auto', 'auto', 'auto', 'auto', 'auto'],
        body: [rows.head.map((text) => ({ text, bold: true })), ...rows.rows.map((r) => [...r])],
      },
      layout: ROWS,
      fontSize: 7.8,
    },
    { text: rows.foot, fontSize: 7.5, color: '#51473C' },
  ];
}

function show(m: Measured | null, units: Project['display']): string {
  if (!m || !Number.isFinite(m.value)) return '–';
  if (m.kind === 'strain') return m.value.toFixed(4);
  return formatQuantity(m.value, m.kind, units);
}

function checksTable(project: Project, report: MemberReport): Content {
  const units = project.display;
  const head = ['Check', 'Clause', 'Demand', 'Capacity', 'Place', 'Combination', 'Utilisation'].map((text) => ({ text, bold: true }));
  const rows = report.checks.map(({ check, decision }) => [
    check.title,
    check.clause,
    show(check.demand, units),
    show(check.capacity, units),
    check.place.x === null ? check.place.label : `${formatQuantity(check.place.x, 'station', units)}, ${check.place.label}`,
    check.combination,
    {
      text: formatUtilisation(check.utilisation) + (decision ? ' decided' : check.status === 'exceeds' ? ' over' : ''),
      bold: check.status === 'exceeds',
      color: check.status === 'exceeds' ? '#A30F38' : '#231E19',
    },
  ]);
  return {
    table: { headerRows: 1, widths: ['auto', 'auto', 'auto', 'auto', 'auto', '*', 'auto'], body: [head, ...rows] },
    layout: ROWS,
    fontSize: 7.8,
  };
}

function inputTables(project: Project, { member, result }: MemberReport): Content[] {
  const lines = kindOf(member).facts(member, result, project);
  return [
    heading('Basis, loads and checks by hand', 2),
    { table: { widths: [150, '*'], body: lines.map(([a, b]) => [{ text: a, color: '#51473C' }, b || '–']) }, layout: ROWS },
  ];
}

/** One line of a derivation: formula and numbers as vectors, the result as text that can be searched. */
function stepRow(step: Step, units: Project['display']): Content[] {
  if (step.kind === 'note')
    return [
      { text: step.text, colSpan: 3, italics: true, color: '#51473C' },
      {},
      {},
      { text: step.clause ?? '', fontSize: 8, alignment: 'right' },
    ];
  const text = printStep(step, tex, units)!;
  const picture = (source: string, most: number) => {
    const p = formulaSvg(`\\displaystyle ${source}`, 8.5);
    return p.width > most ? { svg: p.svg, width: most } : { svg: p.svg };
  };
  return [
    picture(text.formula ? `${text.symbol} = ${text.formula}` : text.symbol, 148),
    text.numbers
      ? picture(`= ${text.numbers}`, 205)
      : { text: step.kind === 'given' ? [step.name, step.source].filter(Boolean).join('; ') : '', color: '#51473C', fontSize: 8 },
    { text: `${text.result} ${text.unit}`, bold: true, alignment: 'right' },
    { text: step.kind === 'formula' ? step.clause : '', fontSize: 8, color: '#51473C', alignment: 'right' },
  ];
}

/** Assumptions, decisions and what is not covered. */
function closing({ member, result, assumptions }: MemberReport): Content[] {
  const out: Content[] = [
    heading('Assumptions', 2),
    {
      table: {
        widths: [150, '*', 70, 50],
        body: assumptions.map((a) => [
          { text: a.title, color: '#51473C' },
          a.value,
          { text: a.clause, fontSize: 8 },
          { text: a.isDefault ? 'default' : 'set', fontSize: 8 },
        ]),
      },
      layout: ROWS,
    },
  ];
  if (member.decisions.length > 0) {
    out.push(heading('Engineer’s decisions', 2));
    for (const d of member.decisions)
      out.push({
        text: [
          {
            text: `${result.checks.find((c) => c.id === d.check)?.title ?? d.check}, accepted at ${formatUtilisation(d.utilisation)}. `,
            bold: true,
          },
          d.reason,
          ` ${[d.by, d.date].filter(Boolean).join(', ')}`,
        ],
        margin: [0, 0, 0, 3],
      });
  }
  const missing = result.checks.filter((c) => c.status === 'notCovered');
  if (missing.length > 0)
    out.push({
      text: `Not covered by this calculation: ${missing.map((c) => `${c.title.toLowerCase()} (${c.clause})`).join(', ')}.`,
      margin: [0, 8, 0, 0],
      color: '#51473C',
    });
  return out;
}
