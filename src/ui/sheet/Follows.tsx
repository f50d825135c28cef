import Link from 'next/link';
import { kindOf, type Member } from '@/core/members/kinds';
import type { Project } from '@/core/project/project';
import { onMember } from '@/store/commands';
import { useProject } from '@/store/project-store';
import { sheetPath } from './sheet-path';

interface FollowsProps {
  readonly project: Project;
  readonly member: Member;
  /** What it takes from there, and what is its own. */
  readonly takes: string;
  readonly children?: React.ReactNode;
}

/** Which member one follows, and how it is let go. */
export function Follows({ project, member, takes, children }: FollowsProps) {
  const edit = useProject((s) => s.edit);
  const { follows } = kindOf(member);
  const following = follows?.of(member);
  if (!follows || !following) return null;
  const source = project.members.find((m) => m.id === following.member);
  const letGo = () =>
    edit(
      `${member.mark} by itself`,
      onMember(member, (m) => void Object.assign(m, follows.letGo(member))),
    );
  return (
    <section aria-label="What it follows" className="border-b border-line py-2">
      <p className="small">
        Follows{' '}
        {source ? (
          <Link className="link" href={sheetPath(project, source)} prefetch={false}>
            {source.mark}
          </Link>
        ) : (
          'a slab that is not here'
        )}{' '}
        at column {following.part}: {takes} A change of what it takes lets go.{' '}
        <button type="button" className="link" onClick={letGo}>
          Let go
        </button>
      </p>
      {children}
    </section>
  );
}
