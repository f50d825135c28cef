import type { ResultBase } from '../checks/result';
import { kindOf, type Member } from '../members/kinds';
import { companions } from './groups';
import type { Project } from './project';

export const followingOf = (member: Member) => kindOf(member).follows?.of(member) ?? null;

/** The member that another one follows. */
export const sourceOf = (members: readonly Member[], member: Member): Member | undefined => {
  const following = followingOf(member);
  return following ? members.find((m) => m.id === following.member) : undefined;
};

/** All members that the design of one depends on: those whose bars it shares, and the one that it follows. */
export function neededFor(members: readonly Member[], member: Member): Member[] {
  const source = sourceOf(members, member);
  return [...companions(members, member), ...(source ? [source] : [])];
}

const isLike = (member: Member, taken: object) =>
  Object.entries(taken).every(([key, value]) => JSON.stringify(member[key as keyof Member]) === JSON.stringify(value));

/** A member with what it takes; the same one where it has that already. */
const withTaken = <M extends Member>(member: M, taken: object): M => (isLike(member, taken) ? member : { ...member, ...taken });

/** A member as it was designed: with what it took from the one that it follows. */
export const asDesigned = <M extends Member>(member: M, { taken }: Pick<ResultBase, 'taken'>): M =>
  taken ? withTaken(member, taken) : member;

/** After a change: a member of which something was changed that it had taken from another stands by itself from then on. */
export function letGoOfChanged(before: Project, after: Project): Project {
  if (before.members === after.members) return after;
  const old = new Map(before.members.map((m) => [m.id, m]));
  let isOther = false;
  const members = after.members.map((member): Member => {
    const was = old.get(member.id);
    const { follows } = kindOf(member);
    if (!follows || !was || was === member || was.type !== member.type || !follows.of(member) || !follows.of(was)) return member;
    if (follows.fields.every((key) => member[key] === was[key])) return member;
    isOther = true;
    return { ...member, ...follows.letGo(member) } as Member;
  });
  return isOther ? { ...after, members } : after;
}
