import type { ColumnMember } from '@/core/members/column/input';
import type { Project } from '@/core/project/project';
import { useRows } from '@/ui/fields/use-rows';
import { Follows } from '@/ui/sheet/Follows';

/** The slab that a column stands below, and what stands above that slab on it. */
export function FollowsSlab({ project, member }: { project: Project; member: ColumnMember }) {
  const { quantity } = useRows(project, member);
  return (
    <Follows
      project={project}
      member={member}
      takes="its shape, and the forces of this slab under all its combinations and arrangements of loads, half of the moments at a fixed foot. Bars, height and ends are this member’s own."
    >
      {member.from && (
        <div className="mt-1">
          {quantity('N from above, most', 'force', 'from.above.most')}
          {quantity('N from above, least', 'force', 'from.above.least', { empty: 'as the most' })}
          {quantity('N from above, in service', 'force', 'from.above.service')}
        </div>
      )}
    </Follows>
  );
}
