import { kindOf, type Member } from '../members/kinds';
import { codeOf, type ProjectBasis } from '../members/member';
import { workOf } from '../members/works';
import { followingOf, sourceOf } from './following';

/** What a member takes from the one that it follows: fields of it, or in words why there is nothing; undefined where it follows none. */
export function takenBy(project: ProjectBasis, members: readonly Member[], member: Member): object | string | undefined {
  const following = followingOf(member);
  if (!following) return undefined;
  const source = sourceOf(members, member);
  if (!source) return 'The member that it follows is not in this project: let it go, or bring it back.';
  const given = workOf(source).gives?.(source, following, codeOf(project, source)) ?? `${source.mark} has nothing to give.`;
  return typeof given === 'string' ? given : (kindOf(member).follows?.adds?.(member, given) ?? given);
}
