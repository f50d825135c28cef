import { isRule, isWrong, type Check } from '../checks/check';
import { isRange, readChoice, usualOf } from '../codes/design-code';
import type { Block, Column, Fact, ToldDecision } from '../document/blocks';
import { kindOf, type Member, type MemberResult } from '../members/kinds';
import { codeOf, decisionFor, type ReportDetail } from '../members/member';
import { memberSchedule } from './as-built';
import { scheduleTable } from '../schedule/schedule-table';
import type { Project } from './project';

/** Derivations of one check of the working: those of the checks that stand first, and of all that exceed. */
const WORKING_CHECKS = 4;
/** Checks that one page has room for. */
const PAGE_CHECKS = 12;
/** Drawings that one page has room for. */
const PAGE_FIGURES = 1;

/** The derivations that a level asks for. */
export const derivedFor = (level: ReportDetail): readonly string[] | 'all' => (level === 'summary' ? [] : 'all');

/** What of its project the paper of a member depends on. */
export type PaperBasis = Pick<Project, 'code' | 'display' | 'bends' | 'barNames'>;

/**
 * The paper of one member, from its result: what was put in first, then drawings, what governs, checks, and by the level their steps, the bar
 * schedule, assumptions, decisions and what is not covered. Every paper and format shows these blocks, in this order.
 */
export function memberPaper(project: PaperBasis, member: Member, result: MemberResult, level: ReportDetail = member.report): Block[] {
  const kind = kindOf(member);
  const code = codeOf(project, member);
  const line = [code.title, kind.sizeLabel(member, project.display), kind.steelLabel(member, result, project)].filter(Boolean).join(' · ');
  const head: Block[] = [
    { kind: 'heading', level: 1, text: `${member.title} ${member.mark}` },
    { kind: 'text', tone: 'quiet', text: line },
  ];
  const facts = kind.facts(member, result, project);
  const input: Block[] = [
    { kind: 'facts', title: 'Input', rows: level === 'summary' ? facts.filter(isBrief) : facts },
    ...kind.inputTables(member, result, project, level),
    ...choices(project, member, level),
  ];
  if (result.faults.length > 0)
    return [...head, ...result.faults.map((f): Block => ({ kind: 'text', tone: 'fault', text: `${f.path}: ${f.reason}` })), ...input];
  const figures = kind.figures(member, result, project).map((f): Block => ({ kind: 'figure', ...f }));
  return [
    ...head,
    ...input,
    ...(level === 'summary' ? figures.slice(0, PAGE_FIGURES) : figures),
    ...(result.governing
      ? [{ kind: 'governs', check: result.governing, isDecided: decisionFor(member, result.governing) !== undefined } as Block]
      : []),
    checks(member, result, level),
    ...(level === 'summary'
      ? []
      : [...derivations(member, result, level), ...schedule(project, member, result), ...assumptions(project, member)]),
    ...toldDecisions(member, result).map((decision): Block => ({ kind: 'decision', decision })),
    ...notCovered(result),
  ];
}

/** What can be worked out by hand stands in the working. */
const isBrief = ([, value]: Fact): boolean => !(typeof value === 'string' && value.startsWith('by hand'));

const isShown = (c: Check) => c.status !== 'notCovered';

function checks(member: Member, result: MemberResult, level: ReportDetail): Block {
  const all = result.checks.filter(isShown);
  const rows = (list: readonly Check[]) => list.map((check) => ({ check, isDecided: decisionFor(member, check) !== undefined }));
  if (level !== 'summary' || all.length <= PAGE_CHECKS) return { kind: 'checks', rows: rows(all) };
  // They stand worst first: what is left out holds with more in hand, or is a rule that is kept.
  const shown = all.slice(0, PAGE_CHECKS);
  const rest = all.slice(PAGE_CHECKS);
  const over = rest.filter(isWrong).length;
  const measured = rest.filter((c) => !isRule(c) && c.utilisation !== null).map((c) => c.utilisation!);
  const hold = measured.length > 0 ? `they hold, at most ${Math.max(...measured).toFixed(2)}` : 'rules that are kept';
  const left = over > 0 ? `${over} of them exceed` : hold;
  return { kind: 'checks', rows: rows(shown), foot: `And ${rest.length} more in the working: ${left}.` };
}

function derivations(member: Member, result: MemberResult, level: ReportDetail): Block[] {
  return result.checks.filter(isShown).flatMap((check, i): Block[] => {
    const isWanted = level === 'full' || i < WORKING_CHECKS || check.status === 'exceeds';
    if (!isWanted || !check.derivation || check.derivation.length === 0) return [];
    return [{ kind: 'steps', check, isDecided: decisionFor(member, check) !== undefined, steps: check.derivation }];
  });
}

function schedule(project: PaperBasis, member: Member, result: MemberResult): Block[] {
  const made = memberSchedule(project, member, result);
  return made.items.length > 0 ? [scheduleTable(made, project.display)] : [];
}

const CHOICE_COLUMNS: readonly Column[] = [{ title: 'Assumption' }, { title: 'Taken' }, { title: 'Clause' }, { title: '' }];

const choiceRows = (project: PaperBasis, member: Member) => {
  const code = codeOf(project, member);
  return kindOf(member)
    .choices(code)
    .map((choice) => {
      const value = readChoice(code.choices, code.settings, choice.key);
      const label = isRange(choice.options) ? value : (choice.options[value] ?? value);
      const isSet = choice.key in code.settings.choices;
      return { isSet, isOther: value !== usualOf(choice), cells: [choice.title, label, choice.clause, isSet ? 'set' : 'default'] };
    });
};

/** On the page: what of the code's choices is not as usual. The working has all of them at its end. */
function choices(project: PaperBasis, member: Member, level: ReportDetail): Block[] {
  const other = choiceRows(project, member).filter((r) => r.isOther);
  if (level === 'full' || other.length === 0) return [];
  return [{ kind: 'table', title: 'Choices that differ from the usual', columns: CHOICE_COLUMNS, rows: other.map((r) => r.cells) }];
}

const assumptions = (project: PaperBasis, member: Member): Block[] => [
  { kind: 'table', title: 'Assumptions', columns: CHOICE_COLUMNS, rows: choiceRows(project, member).map((r) => r.cells) },
];

/** Decisions on a member as papers tell them. */
export const toldDecisions = (member: Member, result: MemberResult): ToldDecision[] =>
  member.decisions.map((d) => ({
    title: result.checks.find((c) => c.id === d.check)?.title ?? d.check,
    utilisation: d.utilisation,
    reason: d.reason,
    by: [d.by, d.date].filter(Boolean).join(', '),
  }));

function notCovered(result: MemberResult): Block[] {
  const missing = result.checks.filter((c) => c.status === 'notCovered');
  if (missing.length === 0) return [];
  const topics = missing.map((c) => `${c.title.toLowerCase()} (${c.clause})`).join(', ');
  return [{ kind: 'text', tone: 'quiet', text: `Not covered by this calculation: ${topics}.` }];
}
