'use client';
import { useMemo } from 'react';
import type { Fault } from '@/core/checks/fault';
import type { Project } from '@/core/project/project';
import type { Member } from '@/core/members/kinds';
import { MemberList } from './MemberList';
import { Notice } from '@/ui/paper/Missing';
import { TopBar } from './TopBar';
import { useStable } from '@/ui/drawing/use-stable';

/** The frame of every member's sheet: top bar, members at the left, the sheet, the checks at the right, faults above the sheet. */
export function SheetFrame({
  project,
  member,
  title,
  faults,
  aside,
  asideLabel,
  onAdd,
  children,
}: {
  project: Project;
  member: Member;
  title: React.ReactNode;
  faults: readonly Fault[];
  aside: React.ReactNode;
  asideLabel: string;
  onAdd: () => void;
  children: React.ReactNode;
}) {
  const addMember = useStable(onAdd);
  const { id, place, mark } = member;
  const crumb = useMemo(
    () => (
      <>
        <span className="text-walnut max-[1100px]:hidden">{place} /</span> <b className="font-semibold">{mark}</b>
      </>
    ),
    [place, mark],
  );
  return (
    <div className="grid h-screen grid-cols-[minmax(0,1fr)] grid-rows-[auto_1fr]">
      <TopBar project={project} memberId={id} crumb={crumb} />
      <div className="grid min-h-0 grid-cols-[auto_minmax(0,1fr)_22.25rem]">
        <MemberList project={project} activeId={id} onAdd={addMember} />
        <main className="flex min-h-0 min-w-0 flex-col" aria-label={`${member.mark} ${member.title}`}>
          {title}
          {faults.length > 0 && (
            <div role="alert" className="mx-3.5 mb-1 border-l-2 border-madder pl-2 text-madder-text">
              {faults.slice(0, 4).map((f) => (
                <p key={f.path + f.reason}>{f.reason}</p>
              ))}
              <p className="text-walnut">What held before stays below, marked as old.</p>
            </div>
          )}
          {children}
        </main>
        <aside className="flex min-h-0 flex-col border-l border-ebony px-3.5" aria-label={asideLabel}>
          {aside}
        </aside>
      </div>
      <Notice />
    </div>
  );
}

/** The inlay line between tools of the right column that do different jobs. */
export const Purfling = () => (
  <div className="relative -mx-3.5 h-[3px] shrink-0">
    <div className="purfling-x absolute inset-x-0" />
  </div>
);
