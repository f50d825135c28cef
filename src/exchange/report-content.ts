import type { Check } from '@/core/checks/check';
import type { Project } from '@/core/project/project';
import { kindOf } from '@/core/members/kinds';
import { codeOf, decisionFor, type Decision, type ReportDetail } from '@/core/members/member';
import type { Member, MemberResult } from '@/core/members/kinds';
import { readChoice } from '@/core/codes/design-code';

/** What a report says of one member, before it is set on a screen or a page. */
export interface MemberReport {
  readonly member: Member;
  readonly result: MemberResult;
  readonly codeTitle: string;
  readonly detail: ReportDetail;
  /** Checks with the derivations that the detail asks for: none, that of the governing checks, or all. */
  readonly checks: readonly { readonly check: Check; readonly decision: Decision | undefined; readonly showsSteps: boolean }[];
  readonly assumptions: readonly { readonly title: string; readonly clause: string; readonly value: string; readonly isDefault: boolean }[];
}

const WORKING_CHECKS = 4;

/** The derivations that a report asks for. */
export const derivedFor = (detail: ReportDetail) => (detail === 'summary' ? ([] as const) : ('all' as const));

/** Sorts out what the report of a member shows of its result. */
export function memberReport(project: Project, member: Member, result: MemberResult, detail: ReportDetail = member.report): MemberReport {
  const code = codeOf(project, member);
  const shown = result.checks.filter((c) => c.status !== 'notCovered');
  const checks = shown.map((check, i) => ({
    check,
    decision: decisionFor(member, check),
    showsSteps:
      (check.derivation?.length ?? 0) > 0 &&
      (detail === 'full' || (detail === 'working' && (i < WORKING_CHECKS || check.status === 'exceeds'))),
  }));
  const assumptions = kindOf(member)
    .choices(code)
    .map((choice) => {
      const value = readChoice(code.choices, code.settings, choice.key);
      const label = 'min' in choice.options ? value : (choice.options.find((o) => o.value === value)?.label ?? value);
      return { title: choice.title, clause: choice.clause, value: label, isDefault: !(choice.key in code.settings.choices) };
    });
  return { member, result, codeTitle: code.title, detail, checks, assumptions };
}
