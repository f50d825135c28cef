'use client';
import { useRouter } from 'next/navigation';
import { memo, useState } from 'react';
import { isTold, worstFirst } from '@/core/checks/check';
import type { Project } from '@/core/project/project';
import { decisionFor } from '@/core/members/member';
import type { Member } from '@/core/members/kinds';
import { formatUtilisation } from '@/core/units/format';
import { copyMember, deleteMember, moveMember } from '@/store/commands';
import { isCurrent, useProject, type ResultEntry } from '@/store/project-store';
import { Glyph, standingOf, standingText, type Standing } from '@/ui/drawing/Glyph';
import { Inlay } from '@/ui/drawing/Inlay';
import { sheetPath } from './sheet-path';
import { Silhouette } from '@/ui/drawing/Silhouette';

/** How a member stands as a whole. */
export function memberStanding(
  project: Project,
  member: Member,
  entry: ResultEntry | undefined,
): { readonly standing: Standing; readonly utilisation: number | null } {
  if (!entry) return { standing: 'open', utilisation: null };
  if (!isCurrent(entry, project, member)) return { standing: 'working', utilisation: entry.result.governing?.utilisation ?? null };
  if (entry.result.faults.length > 0) return { standing: 'over', utilisation: null };
  // A decided excess steps back behind what is not decided.
  const undecided = entry.result.checks.filter((c) => !(c.status === 'exceeds' && decisionFor(member, c)));
  const worst = [...undecided].sort(worstFirst).find(isTold);
  const isDecided = entry.result.governing?.status === 'exceeds' && worst?.status !== 'exceeds';
  return { standing: isDecided ? 'accepted' : standingOf(worst?.status), utilisation: entry.result.governing?.utilisation ?? null };
}

/** The members of the project by place, with how each stands. */
export const MemberList = memo(function MemberList({
  project,
  activeId,
  onAdd,
}: {
  project: Project;
  activeId: string;
  onAdd: () => void;
}) {
  const results = useProject((s) => s.results);
  const [needsWork, setNeedsWork] = useState(false);
  const rows = project.members.map((member) => ({ member, ...memberStanding(project, member, results[member.id]) }));
  const toMend = rows.filter((r) => r.standing === 'over').length;
  const shown = needsWork ? [...rows].sort((a, b) => (b.utilisation ?? 99) - (a.utilisation ?? 99)) : rows;
  const places = needsWork ? [''] : [...new Set(shown.map((r) => r.member.place))];
  return (
    <aside
      className="flex min-h-0 flex-col border-r border-ebony pt-2 max-[1100px]:w-11 min-[1101px]:w-44 min-[1700px]:w-52"
      aria-label="Members"
    >
      <div className="flex items-baseline justify-between px-3 pb-1.5 max-[1100px]:hidden">
        <h2>Members</h2>
        <span className="small">
          {project.members.length}
          {toMend > 0 && ` · ${toMend} need work`}
        </span>
      </div>
      <label className="mx-3 flex h-5 items-center gap-2 max-[1100px]:hidden">
        <input
          type="checkbox"
          className="h-3 w-3 appearance-none border border-ebony checked:bg-ebony"
          checked={needsWork}
          onChange={(e) => setNeedsWork(e.target.checked)}
        />
        Worst first
      </label>
      <div className="min-h-0 flex-1 overflow-y-auto pb-2">
        {places.map((place) => (
          <div key={place} role="group" aria-label={place || 'All members'}>
            <div className="small flex items-center gap-1.5 px-3 pb-px pt-2 after:h-px after:flex-1 after:bg-line max-[1100px]:px-1">
              <span className="max-[1100px]:hidden">{place || 'All'}</span>
            </div>
            {shown
              .filter((r) => needsWork || r.member.place === place)
              .map((row) => (
                <Row key={row.member.id} {...row} project={project} isActive={row.member.id === activeId} />
              ))}
          </div>
        ))}
      </div>
      <button type="button" className="flex justify-between border-t border-line px-3 py-2 text-left hover:bg-sycamore" onClick={onAdd}>
        <span className="max-[1100px]:hidden">Add a member</span> <kbd className="font-plex text-walnut">N</kbd>
      </button>
    </aside>
  );
});

const Row = memo(function Row({
  project,
  member,
  standing,
  utilisation,
  isActive,
}: {
  project: Project;
  member: Member;
  standing: Standing;
  utilisation: number | null;
  isActive: boolean;
}) {
  return (
    <a
      href={sheetPath(project, member)}
      onClick={useSoftLink()}
      title={`${member.mark} ${member.title}`}
      aria-current={isActive ? 'page' : undefined}
      className={`grid h-[1.4375rem] grid-cols-[1.5rem_1fr_auto_1.8rem] items-center gap-1 px-3 max-[1100px]:grid-cols-[1.2rem_auto] max-[1100px]:px-1.5 ${isActive ? 'bg-ebony text-holly' : 'hover:bg-sycamore'}`}
    >
      <Silhouette member={member} />
      <span className="font-medium max-[1100px]:hidden">{member.mark}</span>
      <span className="max-[1100px]:hidden">
        <Inlay utilisation={utilisation} standing={standing} width={36} framed />
      </span>
      <span className={`text-right text-[0.6875rem] max-[1100px]:hidden ${isActive ? '' : standingText[standing]}`}>
        {standing === 'working' ? '–' : formatUtilisation(utilisation)}
      </span>
      <span className="min-[1101px]:hidden">
        <Glyph standing={standing} edged={isActive} />
      </span>
    </a>
  );
});

/** Follows a link inside the application without loading the page anew. */
function useSoftLink() {
  const router = useRouter();
  return (e: React.MouseEvent<HTMLAnchorElement>) => {
    if (e.ctrlKey || e.metaKey || e.shiftKey) return;
    e.preventDefault();
    router.push(e.currentTarget.getAttribute('href')!);
  };
}

/** Copy, move, delete: named commands on one member. Returns what the sheet's menu offers. */
export function memberActions(project: Project, member: Member, go: (path: string) => void) {
  const { edit, setNotice } = useProject.getState();
  return {
    copy: () => {
      // A row of a long list may have been drawn for an older state of the project.
      const { change, id } = copyMember(useProject.getState().project ?? project, member.id);
      edit(`copy ${member.mark}`, change);
      go(sheetPath(project, { id, type: member.type }));
    },
    up: () => edit(`move ${member.mark} up`, moveMember(member.id, -1)),
    down: () => edit(`move ${member.mark} down`, moveMember(member.id, 1)),
    remove: () => {
      edit(`delete ${member.mark}`, deleteMember(member.id));
      setNotice(`${member.mark} is deleted. Ctrl Z brings it back.`);
      go(`/project?p=${encodeURIComponent(project.id)}`);
    },
  };
}
