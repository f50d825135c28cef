'use client';
import { FIRE_PERIODS } from '@/core/codes/fire-rules';
import type { Member } from '@/core/members/kinds';
import type { Project } from '@/core/project/project';
import { useRows } from './use-rows';

type FireMember = Extract<Member, { readonly fire: unknown }>;

/** What is asked of a member in a fire: for how many minutes it resists, and whether one side of it alone is exposed. */
export function FireFields({ project, member, hasSides = false }: { project: Project; member: FireMember; hasSides?: boolean }) {
  const { choose, box } = useRows(project, member);
  const options = [['', 'not asked for'] as const, ...FIRE_PERIODS.map((p) => [String(p), `${p} min`] as const)];
  return (
    <>
      <h2 className="mt-3">Fire</h2>
      {choose(
        'Fire resistance',
        String(member.fire.minutes ?? ''),
        options,
        (m, v) => void (m.fire.minutes = v === '' ? null : (Number(v) as (typeof FIRE_PERIODS)[number])),
      )}
      {hasSides && member.fire.minutes !== null && box('One side alone is exposed', 'fire.isOneSided')}
    </>
  );
}
