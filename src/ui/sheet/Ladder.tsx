'use client';
import { Fragment, memo, useState } from 'react';
import { Accordion } from 'radix-ui';
import { isRule, isWrong, type Check } from '@/core/checks/check';
import { ladderRows } from '@/core/checks/fold';
import type { Project } from '@/core/project/project';
import { decisionFor, type Decision } from '@/core/members/member';
import type { Member } from '@/core/members/kinds';
import type { UnitSystem } from '@/core/units/quantity';
import { formatUtilisation, formatValue } from '@/core/units/format';
import { useProject } from '@/store/project-store';
import { CheckSteps } from '@/ui/paper/CheckSteps';
import { DecisionDialog } from '@/ui/dialogs/DecisionDialog';
import { Glyph, standingOf, standingText } from '@/ui/drawing/Glyph';
import { Inlay } from '@/ui/drawing/Inlay';

interface LadderProps {
  readonly project: Project;
  readonly member: Member;
  readonly checks: readonly Check[];
  readonly isStale: boolean;
  /** Whether nothing could be worked out for the member as it is: what is shown is what held before. */
  readonly hasFaults: boolean;
  /** What the checks lack as long as the whole result is still to come. */
  readonly early?: string | undefined;
  /** The checks are those of a part of the loads alone. */
  readonly alone?: { readonly label: string; leave(): void } | null;
  /** Moves the station line to a check's place. */
  readonly onPlace: (x: number) => void;
}

/** The checks of a member, worst first, each opening to its derivation. */
export function Ladder({ project, member, checks, isStale, hasFaults, early, alone = null, onPlace }: LadderProps) {
  // A decision is taken on what governs, not on one set of it.
  const decided = (c: Check) => (alone ? undefined : decisionFor(member, c));
  const openChecks = useProject((s) => s.openChecks);
  const setOpenChecks = useProject((s) => s.setOpenChecks);
  const [deciding, setDeciding] = useState<Check | null>(null);
  const [unfolded, setUnfolded] = useState<readonly string[]>([]);
  const over = checks.filter(isWrong);
  const accepted = over.filter(decided).length;
  const asked = checks.filter((c) => c.status === 'asked').length;
  const near = checks.filter((c) => c.status === 'near').length;
  const summary = [
    over.length - accepted > 0 && `${over.length - accepted} over`,
    accepted > 0 && `${accepted} accepted`,
    asked > 0 && `${asked} asked`,
    near > 0 && `${near} near`,
  ]
    .filter(Boolean)
    .join(' · ');
  const known = summary || 'all within';
  const said = hasFaults ? `before: ${known}` : early ? `so far: ${known}` : known;
  const withFigure = checks.filter((c) => c.status !== 'notCovered');
  const missing = checks.filter((c) => c.status === 'notCovered');
  const firstRule = withFigure.find((c) => c.status === 'holds' && isRule(c));
  const open = withFigure.filter((c) => openChecks.includes(c.id)).map((c) => c.id);
  const rows = ladderRows(withFigure, (group, folded) => unfolded.includes(group) || folded.some((c) => open.includes(c.id)));
  const onValueChange = (ids: string[]) => {
    setOpenChecks(ids);
    const opened = checks.find((c) => c.id === ids.find((id) => !open.includes(id)));
    if (opened?.place.x != null) onPlace(opened.place.x);
  };
  return (
    <section aria-label="Checks ladder" className="flex min-h-0 flex-1 flex-col" data-stale={isStale || undefined}>
      <div className="relative flex items-baseline gap-2.5 pb-1 pt-1.5">
        <h2>Checks ladder</h2>
        {alone && (
          <span className="small">
            {alone.label} alone,{' '}
            <button type="button" className="link" onClick={alone.leave}>
              all sets
            </button>
          </span>
        )}
        <span className="small">{[hasFaults && 'not worked out', checks.length > 0 && said].filter(Boolean).join(' · ')}</span>
        <span className="small absolute bottom-0 right-[7.35rem]">0</span>
        <span className="small absolute bottom-0 right-[2.75rem]">1.00</span>
      </div>
      {early && !isStale && <p className="small pb-1">{early}</p>}
      <div className={`relative min-h-0 flex-1 overflow-y-auto ${isStale ? 'stale' : ''}`}>
        <div className="relative min-h-full">
          <div
            className="pointer-events-none absolute inset-y-0 right-[calc(2.1rem+21px)] w-[67px] border-x border-ebony"
            aria-hidden="true"
          />
          <Accordion.Root type="multiple" value={open} onValueChange={onValueChange}>
            {rows.map((row) =>
              'group' in row ? (
                <button
                  key={row.group}
                  type="button"
                  className="link small relative z-[1] ml-4 block w-fit bg-holly pr-2"
                  onClick={() => setUnfolded([...unfolded, row.group])}
                >
                  {row.count} more {row.group}, up to {formatUtilisation(row.most)}
                </button>
              ) : (
                <Fragment key={row.check.id}>
                  {row.check === firstRule && <p className="small relative z-[1] w-fit bg-holly pb-0.5 pr-2 pt-1.5">Rules satisfied</p>}
                  <Rung check={row.check} decision={decided(row.check)} units={project.display}>
                    {open.includes(row.check.id) && (
                      <CheckSteps
                        check={row.check}
                        project={project}
                        member={member}
                        onDecide={alone ? undefined : () => setDeciding(row.check)}
                      />
                    )}
                  </Rung>
                </Fragment>
              ),
            )}
          </Accordion.Root>
        </div>
        {missing.length > 0 && (
          <p className="small relative border-t border-line bg-holly py-1.5">
            Not covered here yet: {missing.map((c) => `${c.title.toLowerCase()} (${c.clause})`).join(', ')}.
          </p>
        )}
      </div>
      <DecisionDialog check={deciding} project={project} member={member} onClose={() => setDeciding(null)} />
    </section>
  );
}

/** One check with its figure, and below it how it came about when it is open. */
const Rung = memo(function Rung({
  check,
  decision,
  units,
  children,
}: {
  check: Check;
  decision: Decision | undefined;
  units: UnitSystem;
  children: React.ReactNode;
}) {
  const standing = standingOf(check.status, decision !== undefined);
  const where = [check.clause, check.combination.split(',')[0], check.place.x !== null ? formatValue(check.place.x, 'station', units) : '']
    .filter(Boolean)
    .join(' · ');
  return (
    <Accordion.Item value={check.id} data-check={check.id}>
      <Accordion.Header className="relative">
        <Accordion.Trigger
          className="relative z-[1] grid w-full grid-cols-[0.95rem_minmax(0,1fr)_84px_2.1rem] items-center gap-x-1 text-left hover:bg-sycamore/60 data-[state=open]:bg-sycamore"
          style={{ minHeight: '1.3125rem' }}
        >
          <Glyph standing={standing} />
          <span className="flex flex-wrap items-baseline justify-end gap-x-2">
            <span className="mr-auto">{check.title}</span>
            <span className="small">{where}</span>
          </span>
          <Inlay utilisation={check.utilisation} standing={standing} />
          <span className={`text-right ${standingText[standing]}`}>{formatUtilisation(check.utilisation)}</span>
        </Accordion.Trigger>
      </Accordion.Header>
      {check.reason && standing !== 'within' && (
        <p
          className={`relative z-[1] bg-holly pb-1 pl-4 text-[0.6875rem] leading-[0.9rem] ${decision || standing === 'open' ? 'text-walnut' : 'text-madder-text'}`}
        >
          {check.reason}
        </p>
      )}
      {decision && (
        <p className="relative z-[1] bg-holly pb-1 pl-4 text-[0.6875rem] leading-[0.9rem]">
          <b className="font-semibold">Engineer’s decision</b> · {decision.reason}{' '}
          <span className="text-walnut">{[decision.by, decision.date].filter(Boolean).join(', ')}</span>
        </p>
      )}
      {children && (
        <Accordion.Content className="relative z-[1] -mx-3.5 border-y border-ebony bg-sycamore px-3.5 py-1.5">{children}</Accordion.Content>
      )}
    </Accordion.Item>
  );
});
