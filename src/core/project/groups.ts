import type { BeamMember, Member, Project } from './project';

/** What the beams of a group have in common; their bars too, where they have equally many spans. */
const shared = ['section', 'slab', 'cover', 'materials', 'catalogue', 'unitWeight', 'barRules'] as const;

const isGrouped = (m: Member): m is BeamMember => m.type === 'beam' && m.group !== '' && m.mode === 'loads';
const hasAsManySpans = (a: BeamMember, b: BeamMember) => a.spans.length === b.spans.length;

/** The other beams of a beam's group, whether or not their bars can be shared. */
export function groupOf(members: readonly Member[], member: Member): BeamMember[] {
  if (!isGrouped(member)) return [];
  return members.filter((m): m is BeamMember => m.id !== member.id && isGrouped(m) && m.group === member.group);
}

/** Those whose bars it shares: with equally many spans. */
export function companions(members: readonly Member[], member: Member): BeamMember[] {
  return groupOf(members, member).filter((m) => hasAsManySpans(m, member as BeamMember));
}

const sharedOf = (m: BeamMember, like: BeamMember): Partial<BeamMember> => {
  const common = Object.fromEntries(shared.map((key) => [key, like[key]])) as Partial<BeamMember>;
  return hasAsManySpans(m, like) ? { ...common, bars: like.bars } : common;
};

const isLike = (m: BeamMember, want: Partial<BeamMember>) =>
  Object.entries(want).every(([key, value]) => m[key as keyof BeamMember] === value);

/** After a change: what the beams of a group share follows the one that was changed; a newcomer takes what the group has. */
export function shareInGroups(before: Project, after: Project): Project {
  if (before.members === after.members) return after;
  const old = new Map(before.members.map((m) => [m.id, m]));
  const names = new Set(after.members.flatMap((m) => (isGrouped(m) && old.get(m.id) !== m ? [m.group] : [])));
  if (names.size === 0) return after;
  let members = after.members;
  for (const name of names) {
    const group = members.filter((m): m is BeamMember => isGrouped(m) && m.group === name);
    const wasIn = (m: BeamMember) => {
      const then = old.get(m.id);
      return then?.type === 'beam' && then.group === name ? then : undefined;
    };
    const changed = group.find((m) => {
      const then = wasIn(m);
      return then && !isLike(m, sharedOf(m, then));
    });
    const leader = changed ?? group.find(wasIn) ?? group[0];
    if (!leader) continue;
    members = members.map((m) => {
      if (m === leader || !isGrouped(m) || m.group !== name) return m;
      const want = sharedOf(m, leader);
      return isLike(m, want) ? m : { ...m, ...want };
    });
  }
  return members === after.members ? after : { ...after, members };
}
