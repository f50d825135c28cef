import { kindOf, type Member, type MemberResult } from '../members/kinds';

/** The result of a member whose design gave none: not within, not over, but what happened. */
export const notDesigned = (member: Member, why: string): MemberResult => kindOf(member).empty([{ path: '', reason: why }]);

/** Why there is no result where a design stopped with an error. */
export const errorOfProgram = (error: unknown): string =>
  `The design stopped with an error of the program (${error instanceof Error ? error.message : String(error)}). Nothing is known of this member as it is now.`;
