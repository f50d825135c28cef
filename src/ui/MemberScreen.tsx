'use client';
import { useSearchParams } from 'next/navigation';
import type { ComponentType } from 'react';
import type { Member, Project } from '@/core/project/project';
import { Missing } from './Missing';
import { useLoadedProject } from './use-loaded-project';

/** The sheet of the member that the address names, once its project is there; what is missing is said. */
export function MemberScreen({
  find,
  sheet: Sheet,
}: {
  find: (project: Project, id: string) => Member | undefined;
  sheet: ComponentType<{ project: Project; id: string }>;
}) {
  const loaded = useLoadedProject();
  const id = useSearchParams().get('m') ?? '';
  if (loaded.kind === 'missing') return <Missing reason={loaded.reason} />;
  if (loaded.kind === 'loading') return <p className="p-6">Opening the project.</p>;
  if (!find(loaded.project, id)) return <Missing reason="There is no such member in this project." />;
  return <Sheet key={id} project={loaded.project} id={id} />;
}
