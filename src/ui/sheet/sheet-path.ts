import type { Project } from '@/core/project/project';
import type { Member } from '@/core/members/kinds';

/** The address of a member's sheet. */
export function sheetPath(project: Pick<Project, 'id'>, member: Pick<Member, 'id' | 'type'>): string {
  return `/${member.type}?p=${encodeURIComponent(project.id)}&m=${encodeURIComponent(member.id)}`;
}
