import { silent } from '@/core/calc/calc';
import { codeOf } from '@/core/members/member';
import type { LineMember } from '@/core/members/strip/input';
import type { Project } from '@/core/project/project';
import { DAYS } from './CreepFields';
import { useRows } from './use-rows';

/** Limits of deflection and cracks, and what comes after the beam. An empty limit is the usual one of the code. */
export function ServiceFields({ project, member }: { project: Project; member: LineMember }) {
  const { quantity, box } = useRows(project, member);
  const { partitionAge, hasPartitions } = member.service;
  const sums = codeOf(project, member).service.sums(silent, { partitionAge, hasPartitions, compressionRatio: 0, tensionRatio: 0 });
  return (
    <section>
      <h2>In service</h2>
      {sums.map(({ id, title, usual }) =>
        quantity(`${title}, span over`, 'number', `service.limits.${id}`, { empty: `${usual}, as usual`, range: [50, 5000] }),
      )}
      {quantity('No span more than', 'smallLength', 'service.most', { empty: 'no such limit', range: [0.01, 1e4] })}
      {quantity('Crack width allowed', 'crack', 'service.crackWidth', { range: [0.01, 5] })}
      {box('Partitions or finishes that can be damaged', 'service.hasPartitions', 'partitions')}
      {quantity('They are there after, days', 'number', 'service.partitionAge', { name: 'Partitions are there after, days', range: DAYS })}
      {member.spans.map((_, i) =>
        quantity(`Camber, span ${i + 1}`, 'smallLength', `spans[${i}].camber`, { name: `Camber of span ${i + 1}`, range: [0, 1e4] }),
      )}
    </section>
  );
}
