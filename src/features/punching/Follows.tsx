import Link from 'next/link';
import type { PunchingMember } from '@/core/members/punching/input';
import type { Project } from '@/core/project/project';
import { onMember } from '@/store/commands';
import { useProject } from '@/store/project-store';
import { sheetPath } from '@/ui/sheet/sheet-path';

/** Which slab a place of punching follows, and how it is let go. */
export function Follows({ project, member }: { project: Project; member: PunchingMember }) {
  const edit = useProject((s) => s.edit);
  const { from } = member;
  if (!from) return null;
  const slab = project.members.find((m) => m.id === from.member);
  const letGo = () =>
    edit(
      `${member.mark} by itself`,
      onMember(member, (m) => void (m.from = null)),
    );
  return (
    <section aria-label="What it follows" className="border-b border-line py-2">
      <p className="small">
        Follows{' '}
        {slab ? (
          <Link className="link" href={sheetPath(project, slab)} prefetch={false}>
            {slab.mark}
          </Link>
        ) : (
          'a slab that is not here'
        )}{' '}
        at column {from.column}: its depth, bars, edges, openings and forces. Links are this member’s own. A change of what it takes lets
        go.{' '}
        <button type="button" className="link" onClick={letGo}>
          Let go
        </button>
      </p>
    </section>
  );
}
