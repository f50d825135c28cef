import { isRange, readChoice, usualOf, type Choice } from '../codes/design-code';
import { makeCode } from '../codes/registry';
import type { Block, Fact } from '../document/blocks';
import type { Report, ReportPart } from '../document/report';
import { kindOf, type Member, type MemberResult } from '../members/kinds';
import { codeOf } from '../members/member';
import { counted } from '../units/format';
import { shapePictures } from '../schedule/shape-pictures';
import { memberSchedule } from './as-built';
import { toldDecisions } from './member-paper';
import { memberTable } from './member-table';
import type { Project } from './project';
import { scheduleTables } from './scheduled';

/** A member with its result, and the paper made of both. */
export interface MemberPages {
  readonly member: Member;
  readonly result: MemberResult;
  readonly blocks: readonly Block[];
}

/** A report of members; with its front, a cover, contents, the basis, the list of members, decisions and what is not covered come first. */
export function projectReport(project: Project, members: readonly MemberPages[], hasFront: boolean): Report {
  const { info, name, display, paper } = project;
  const codes = codesOf(project, members);
  const code = codeName(project, codes);
  return {
    title: `${name}, calculation`,
    author: info.author,
    units: display,
    paper,
    titleBlock: titleBlock(project, code),
    cover: hasFront
      ? { title: name, office: info.office, logo: info.logo, facts: coverFacts(project, code), revisions: info.revisions }
      : null,
    parts: [
      ...(hasFront ? [basis(project, members, codes), overview(project, members), ...decided(members), ...notCovered(members)] : []),
      ...members.map(({ member, blocks }): ReportPart => ({
        id: member.id,
        title: `${member.title} ${member.mark}`.trim(),
        blocks,
        isOnePage: member.report === 'summary',
      })),
    ],
  };
}

/** The bar schedule of members by itself, with pictures of its shapes and what is to be bought. */
export function scheduleReport(project: Project, members: readonly Omit<MemberPages, 'blocks'>[]): Report {
  const tables = scheduleTables(project, members);
  const items = members.flatMap(({ member, result }) => memberSchedule(project, member, result).items);
  const figure: Block = { kind: 'figure', caption: 'Shapes with their letters, not to scale', drawing: shapePictures(items) };
  const part = (id: string, title: string, blocks: readonly Block[]): ReportPart => ({ id, title, isOnePage: false, blocks });
  const [bars, sizes] = tables;
  return {
    title: `${project.name}, bar schedule`,
    author: project.info.author,
    units: project.display,
    paper: project.paper,
    titleBlock: titleBlock(project, codeName(project, codesOf(project, members))),
    cover: null,
    parts: [
      part('schedule', bars.title, [heading('Bars to be cut and bent'), ...(items.length > 0 ? [figure] : []), bars]),
      { ...part('sizes', sizes.title, [heading('Bars to be bought'), sizes]), isRunOn: true },
    ],
  };
}

const codesOf = (project: Project, members: readonly Pick<MemberPages, 'member'>[]) => [
  ...new Set(members.map(({ member }) => codeOf(project, member).title)),
];
const codeName = (project: Project, codes: readonly string[]) =>
  codes.length > 1 ? 'by member' : (codes[0] ?? makeCode(project.code).title);

const titleBlock = ({ name, info }: Project, code: string): Report['titleBlock'] => [
  ['Project', name],
  ['Number', info.number],
  ['Code', code],
  ['By', info.author],
  ['Checked', info.checker],
  ['Revision', info.revision],
  ['Date', info.date],
];

/** The title block, with what the project is in place of its name, which stands above. */
const coverFacts = (project: Project, code: string): Fact[] => [
  ['Structural calculation', project.info.description],
  ...titleBlock(project, code).slice(1),
];

const heading = (text: string): Block => ({ kind: 'heading', level: 1, text });

function basis(project: Project, members: readonly MemberPages[], codes: readonly string[]): ReportPart {
  const code = makeCode(project.code);
  const known = new Map<string, Choice>();
  for (const { member } of members) for (const choice of kindOf(member).choices(codeOf(project, member))) known.set(choice.key, choice);
  const rows = [...known.values()].map((choice) => {
    const value = readChoice(code.choices, code.settings, choice.key);
    const taken = isRange(choice.options) ? value : (choice.options[value] ?? value);
    const isSet = choice.key in code.settings.choices;
    return [choice.title, taken, choice.clause, value !== usualOf(choice) ? 'not as usual' : isSet ? 'set' : 'default'];
  });
  const own = members.filter(({ member }) => Object.keys(member.choices).length > 0).map(({ member }) => member.mark);
  return {
    id: 'basis',
    title: 'Basis',
    isOnePage: false,
    blocks: [
      heading('Basis'),
      {
        kind: 'facts',
        title: 'Project',
        rows: [
          ['Code', codes.join('; ') || code.title],
          ['Units', project.display === 'US' ? 'US customary' : 'SI'],
          ['Members in this report', counted(members.length, 'member')],
          ['With choices of their own', own.join(', ') || 'none'],
        ],
      },
      {
        kind: 'table',
        title: 'Assumptions of the project',
        columns: [{ title: 'Assumption' }, { title: 'Taken' }, { title: 'Clause' }, { title: '' }],
        rows,
      },
    ],
  };
}

/** What the list of members has room for on a page. */
const OVERVIEW: readonly string[] = ['Member', 'Title', 'Storey or place', 'Size', 'Bars', 'Governing check', 'Util.', 'Concrete', 'Steel'];

function overview(project: Project, members: readonly MemberPages[]): ReportPart {
  const all = memberTable(project, members);
  const shown = OVERVIEW.map((title) => all.columns.findIndex((c) => c.title === title));
  const table: Block = { ...all, columns: shown.map((k) => all.columns[k]!), rows: all.rows.map((row) => shown.map((k) => row[k]!)) };
  return { id: 'members', title: 'Members', isOnePage: false, blocks: [heading('Members'), table] };
}

function decided(members: readonly MemberPages[]): ReportPart[] {
  const blocks = members.flatMap(({ member, result }) =>
    toldDecisions(member, result).map((d): Block => ({ kind: 'decision', decision: { ...d, title: `${member.mark}: ${d.title}` } })),
  );
  return blocks.length > 0
    ? [{ id: 'decisions', title: 'Decisions', isOnePage: false, isRunOn: true, blocks: [heading('Decisions'), ...blocks] }]
    : [];
}

/** Topics that the calculation leaves out, each with the members that it concerns. */
function notCovered(members: readonly MemberPages[]): ReportPart[] {
  const topics = new Map<string, { readonly title: string; readonly clause: string; readonly marks: string[] }>();
  for (const { member, result } of members)
    for (const { title, clause, status } of result.checks) {
      if (status !== 'notCovered') continue;
      const key = `${title} ${clause}`;
      const topic = topics.get(key) ?? { title, clause, marks: [] };
      topics.set(key, topic);
      if (!topic.marks.includes(member.mark)) topic.marks.push(member.mark);
    }
  if (topics.size === 0) return [];
  const table: Block = {
    kind: 'table',
    title: 'To be checked by other means',
    columns: [{ title: 'Topic' }, { title: 'Clause' }, { title: 'Members' }],
    rows: [...topics.values()].map(({ title, clause, marks }) => [title, clause, marks.join(', ')]),
  };
  return [{ id: 'not-covered', title: 'Not covered', isOnePage: false, isRunOn: true, blocks: [heading('Not covered'), table] }];
}
