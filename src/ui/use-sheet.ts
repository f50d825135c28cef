import { useEffect } from 'react';
import type { Member, Project } from '@/core/project/project';
import { setActiveMember } from '@/store/designing';
import { isCurrent, useProject } from '@/store/project-store';

/**
 * What a member's sheet shows: while a value is typed the tentative member, otherwise the one that is kept. With faults in the input the last good
 * result stays, marked as old. The member is designed before all others.
 */
export function useSheet<M extends Member>(kept: Project, id: string, find: (project: Project, id: string) => M | undefined) {
  const { preview, results, lastGood } = useProject();
  useEffect(() => {
    setActiveMember(id);
    return () => setActiveMember(null);
  }, [id]);
  const project = preview ?? kept;
  const member = find(project, id)!;
  const entry = results[id];
  const isFresh = isCurrent(entry, project, member);
  const faults = isFresh ? entry!.result.faults : [];
  return {
    project,
    member,
    keptMember: find(kept, id)!,
    faults,
    good: entry && entry.result.faults.length === 0 ? entry : lastGood[id],
    isStale: !isFresh || faults.length > 0,
  };
}
