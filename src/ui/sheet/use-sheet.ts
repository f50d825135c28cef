import { useEffect } from 'react';
import type { Project } from '@/core/project/project';
import type { Member } from '@/core/members/kinds';
import { setActiveMember } from '@/store/designing';
import { isOf, useProject } from '@/store/project-store';

/**
 * What a member's sheet shows: while a value is typed the tentative member, otherwise the one that is kept. With faults in the input the last good
 * result stays, marked as old. The member is designed before all others.
 */
export function useSheet<M extends Member>(kept: Project, id: string, find: (project: Project, id: string) => M | undefined) {
  const preview = useProject((s) => s.preview);
  const entry = useProject((s) => s.results[id]);
  const lastGood = useProject((s) => s.lastGood[id]);
  useEffect(() => {
    setActiveMember(id);
    return () => setActiveMember(null);
  }, [id]);
  const project = preview ?? kept;
  const member = find(project, id)!;
  const isFresh = isOf(entry, project, member);
  const faults = isFresh ? entry.result.faults : [];
  return {
    project,
    member,
    keptMember: find(kept, id)!,
    faults,
    good: entry && entry.result.faults.length === 0 ? entry : lastGood,
    isStale: !isFresh || faults.length > 0,
  };
}
