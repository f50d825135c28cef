'use client';
import type { Choice } from '@/core/codes/design-code';
import type { Check } from '@/core/checks/check';
import type { Project } from '@/core/project/project';
import { codeOf } from '@/core/members/member';
import type { Member } from '@/core/members/kinds';
import { formatQuantity } from '@/core/units/format';
import { Assumptions } from '@/ui/sheet/Assumptions';
import { Derivation } from './Formula';

/** What a check compares, how it came about, and what it rests on. */
export function CheckSteps({
  check,
  project,
  member,
  onDecide,
}: {
  check: Check;
  project: Project;
  member: Member;
  onDecide?: () => void;
}) {
  const code = codeOf(project, member);
  const keys = check.assumptions;
  const choices = code.choices.filter((c: Choice) => keys.includes(c.key));
  const show = (m: Check['demand']) =>
    m
      ? m.kind === 'strain'
        ? m.value.toFixed(4)
        : m.kind === 'ratio'
          ? m.value.toFixed(3)
          : formatQuantity(m.value, m.kind, project.display)
      : '–';
  return (
    <>
      <p className="pb-1">
        <b className="font-semibold">{show(check.demand)}</b> against <b className="font-semibold">{show(check.capacity)}</b>
        <span className="text-walnut"> · {[check.place.label, check.combination].filter(Boolean).join(' · ')}</span>
      </p>
      {check.derivation ? (
        <Derivation steps={check.derivation} units={project.display} />
      ) : (
        <p className="small">{check.utilisation === null ? '' : 'A comparison of these two figures; there is no further step.'}</p>
      )}
      {choices.length > 0 && <Assumptions choices={choices} code={code} member={member} />}
      {check.status === 'exceeds' && onDecide && (
        <button type="button" className="btn mt-1.5 bg-holly" onClick={onDecide}>
          Record a decision
        </button>
      )}
    </>
  );
}
