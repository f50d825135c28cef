'use client';
import { useEffect, useState } from 'react';
import { Popover } from 'radix-ui';
import type { Check } from '@/core/checks/check';
import { neededFor } from '@/core/project/following';
import type { Project } from '@/core/project/project';
import type { Member } from '@/core/members/kinds';
import { resultOf } from '@/store/results';
import { CheckSteps } from '@/ui/paper/CheckSteps';

interface ExplainedProps {
  readonly project: Project;
  readonly member: Member;
  readonly check: Check;
  readonly label: string;
}

/** A figure that opens to the way it came about, worked out when it is asked for. */
export function Explained({ children, ...of }: ExplainedProps & { children: React.ReactNode }) {
  const [isOpen, setOpen] = useState(false);
  const figure = (
    <button
      type="button"
      className="border-b border-dotted border-ash px-0.5 hover:bg-ebony/10"
      aria-label={of.label}
      aria-haspopup="dialog"
      onClick={() => setOpen(true)}
    >
      {children}
    </button>
  );
  // A long list has hundreds of figures: what opens is made when it is opened.
  if (!isOpen) return figure;
  return (
    <Popover.Root open onOpenChange={setOpen}>
      <Popover.Anchor asChild>{figure}</Popover.Anchor>
      <Popover.Portal>
        <Popover.Content
          side="bottom"
          align="end"
          collisionPadding={8}
          className="framed z-30 max-h-[26rem] w-[27rem] overflow-auto px-3 py-2"
          aria-label={of.label}
        >
          <Steps {...of} />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

function Steps({ project, member, check }: ExplainedProps) {
  const [derived, setDerived] = useState<Check | null>(null);
  useEffect(() => {
    let isWanted = true;
    const basis = { code: project.code, display: project.display, barNames: project.barNames, members: neededFor(project.members, member) };
    void resultOf(basis, member, { derive: [check.id], isUrgent: true }).then((result) => {
      const found = result?.checks.find((c) => c.id === check.id);
      if (isWanted && found) setDerived(found);
    });
    return () => {
      isWanted = false;
    };
  }, [project, member, check.id]);
  return (
    <>
      <b className="font-semibold">{check.title}</b> <span className="small">{check.clause}</span>
      {check.reason && <p className="small text-madder-text">{check.reason}</p>}
      {derived ? <CheckSteps check={derived} project={project} member={member} /> : <p role="status">Working out the steps.</p>}
    </>
  );
}
