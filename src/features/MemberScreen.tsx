'use client';
import { useRouter, useSearchParams } from 'next/navigation';
import { useEffect } from 'react';
import { useProject } from '@/store/project-store';
import { Missing } from '@/ui/paper/Missing';
import { SheetBoundary } from '@/ui/sheet/SheetBoundary';
import { useLoadedProject } from '@/ui/sheet/use-loaded-project';
import { screens } from './screens';

/** The sheet of the member that the address names, once its project is there; what is missing is said. */
export function MemberScreen() {
  const loaded = useLoadedProject();
  const id = useSearchParams().get('m') ?? '';
  if (loaded.kind === 'missing') return <Missing reason={loaded.reason} found={loaded.found} />;
  if (loaded.kind === 'loading') return <p className="p-6">Opening the project.</p>;
  const member = loaded.project.members.find((m) => m.id === id);
  if (!member) return <NoMember projectId={loaded.project.id} />;
  const Screen = screens[member.type];
  return (
    <SheetBoundary key={id} project={loaded.project}>
      <Screen project={loaded.project} id={id} />
    </SheetBoundary>
  );
}

/** A member that an undone step took along leads to all members; one that the address names wrongly is said to be missing. */
function NoMember({ projectId }: { projectId: string }) {
  const router = useRouter();
  const wasThere = useProject((s) => s.past.length > 0 || s.future.length > 0);
  useEffect(() => {
    if (wasThere) router.replace(`/project?p=${encodeURIComponent(projectId)}`);
  }, [wasThere, router, projectId]);
  return wasThere ? null : <Missing reason="There is no such member in this project." />;
}
