import { kindOf, type Member, type MemberResult } from '../members/kinds';
import { codeOf, type ProjectBasis } from '../members/member';
import type { MemberModel } from '../model/member-model';
import { scheduleOf, type BarSchedule } from '../schedule/bar-schedule';
import type { BendSetting } from '../schedule/bend-types';

/** A member as it is to be built by its result; empty where nothing was designed. */
export const modelOf = (project: ProjectBasis, member: Member, result: MemberResult): MemberModel =>
  kindOf(member).model(member, codeOf(project, member), result);

/** The bars of a member as they are to be cut and bent. */
export const memberSchedule = (
  project: ProjectBasis & { readonly bends: BendSetting },
  member: Member,
  result: MemberResult,
): BarSchedule => scheduleOf(modelOf(project, member, result).bars, member.catalogue, codeOf(project, member), project.bends);
