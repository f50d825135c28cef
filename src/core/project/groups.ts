import { kindOf, type Member } from '../members/kinds';
import type { Project } from './project';

const nameOf = (m: Member): string => kindOf(m).group?.nameOf(m) ?? '';
const isGrouped = (m: Member) => nameOf(m) !== '';
const areTogether = (a: Member, b: Member) => a.type === b.type && nameOf(a) === nameOf(b);

/** The other members of a member's group, whether or not their bars can be shared. */
export const groupOf = (members: readonly Member[], member: Member): Member[] =>
  isGrouped(member) ? members.filter((m) => m.id !== member.id && areTogether(m, member)) : [];

/** Those that are like it, and whose bars it shares. */
export const companions = (members: readonly Member[], member: Member): Member[] =>
  groupOf(members, member).filter((m) => kindOf(member).group!.areAlike(m, member));

/** What a member of a group has to have for one that leads it. */
function sharedOf(m: Member, leader: Member): Partial<Member> {
  const { shared, sharedIfAlike, areAlike } = kindOf(m).group!;
  const keys = areAlike(m, leader) ? [...shared, ...sharedIfAlike] : shared;
  return Object.fromEntries(keys.map((key) => [key, leader[key]]));
}

const isLike = (m: Member, want: Partial<Member>) => Object.entries(want).every(([key, value]) => m[key as keyof Member] === value);

/** After a change: what the members of a group share follows the one that was changed; a newcomer takes what the group has. */
export function shareInGroups(before: Project, after: Project): Project {
  if (before.members === after.members) return after;
  const old = new Map(before.members.map((m) => [m.id, m]));
  const changed = after.members.filter((m) => isGrouped(m) && old.get(m.id) !== m);
  const groups = changed.filter((m, i) => changed.findIndex((other) => areTogether(other, m)) === i);
  const members = groups.reduce((list, one) => inStep(list, one, old), after.members);
  return members === after.members ? after : { ...after, members };
}

/** The members with those of one group brought into step. */
function inStep(members: readonly Member[], one: Member, old: ReadonlyMap<string, Member>): readonly Member[] {
  const group = members.filter((m) => isGrouped(m) && areTogether(m, one));
  const wasIn = (m: Member) => {
    const then = old.get(m.id);
    return then && areTogether(then, one) ? then : undefined;
  };
  const changed = group.find((m) => {
    const then = wasIn(m);
    return then && !isLike(m, sharedOf(m, then));
  });
  const leader = changed ?? group.find(wasIn) ?? group[0]!;
  return members.map((m) => {
    if (m === leader || !group.includes(m)) return m;
    const want = sharedOf(m, leader);
    return isLike(m, want) ? m : ({ ...m, ...want } as Member);
  });
}
