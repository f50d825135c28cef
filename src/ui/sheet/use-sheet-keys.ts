import { useRouter } from 'next/navigation';
import { useEffect } from 'react';
import type { Project } from '@/core/project/project';
import { memberActions } from './MemberList';
import { sheetPath } from './sheet-path';

/** Keys that every member's sheet has: neighbours, moving, adding, the list, the ladder, and the panels by number. */
export function useSheetKeys<P extends string>(
  project: Project,
  id: string,
  { add, panels, setPanel }: { add: () => void; panels: readonly P[]; setPanel: (p: P) => void },
): void {
  const router = useRouter();
  useEffect(() => {
    const go = (by: number) => {
      const at = project.members.findIndex((m) => m.id === id);
      const next = project.members[at + by];
      if (next) router.push(sheetPath(project, next));
    };
    const onKey = (e: KeyboardEvent) => {
      if (e.target instanceof HTMLElement && e.target.closest('input, textarea, select, [role=dialog]')) return;
      if (e.altKey && e.shiftKey && (e.key === 'ArrowUp' || e.key === 'ArrowDown'))
        memberActions(
          project,
          project.members.find((m) => m.id === id)!,
          router.push,
        )[e.key === 'ArrowUp' ? 'up' : 'down']();
      else if (e.altKey && e.key === 'ArrowUp') go(-1);
      else if (e.altKey && e.key === 'ArrowDown') go(1);
      else if (e.ctrlKey || e.metaKey || e.altKey) return;
      else if (e.key === 'n' || e.key === 'N') add();
      else if (e.key === 'm' || e.key === 'M') document.querySelector<HTMLElement>('aside a[aria-current]')?.focus();
      else if (e.key === 'l' || e.key === 'L') document.querySelector<HTMLElement>('[data-check] button')?.focus();
      else if (/^[1-9]$/.test(e.key) && panels[Number(e.key) - 1]) setPanel(panels[Number(e.key) - 1]!);
      else return;
      e.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [project, id, add, panels, setPanel, router]);
}
