import type { Member, MemberResult } from '../members/kinds';
import { projectSchedule, sizeTotals, type ScheduledMember } from '../schedule/project-schedule';
import { memberSchedule } from './as-built';
import type { Project } from './project';

/** The schedule of a project as tables: its bars member by member, and what is to be bought of each size. */
export function scheduleTables(
  project: Project,
  designed: readonly { readonly member: Member; readonly result: MemberResult }[],
): [ReturnType<typeof projectSchedule>, ReturnType<typeof sizeTotals>] {
  const members = designed.map(({ member, result }): ScheduledMember => ({
    mark: member.mark,
    place: member.place,
    schedule: memberSchedule(project, member, result),
  }));
  return [projectSchedule(members, project.display), sizeTotals(members, project.display)];
}
