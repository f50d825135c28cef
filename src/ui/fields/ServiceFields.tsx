import type { Draft } from 'immer';
import type { Project } from '@/core/project/project';
import { codeOf } from '@/core/members/member';
import type { LineMember } from '@/core/members/strip/input';
import { silent } from '@/core/calc/calc';
import { QuantityInput } from './QuantityInput';

const row = 'grid grid-cols-[9rem_1fr] items-center gap-2 py-0.5';

/** Limits of deflection and cracks, and what comes after the beam. An empty limit is the usual one of the code. */
export function ServiceFields({
  project,
  member,
  change,
}: {
  project: Project;
  member: LineMember;
  change: (label: string, recipe: (m: Draft<LineMember>) => void) => void;
}) {
  const { service } = member;
  const { partitionAge, hasPartitions } = service;
  const sums = codeOf(project, member).service.sums(silent, { partitionAge, hasPartitions, compressionRatio: 0 });
  return (
    <section>
      <h2>In service</h2>
      {sums.map((sum) => (
        <label key={sum.id} className={row}>
          {sum.title}, span over
          <QuantityInput
            kind="number"
            system={project.display}
            value={service.limits[sum.id]}
            allowEmpty
            placeholder={`${sum.usual}, as usual`}
            label={`${sum.title}, span over`}
            onKeep={(v) =>
              (v === null || (v >= 50 && v <= 5000)) && change('limit of deflection', (m) => void (m.service.limits[sum.id] = v))
            }
          />
        </label>
      ))}
      <label className={row}>
        No span more than
        <QuantityInput
          kind="smallLength"
          system={project.display}
          value={service.most}
          allowEmpty
          placeholder="no such limit"
          label="No span more than"
          onKeep={(v) => (v === null || v > 0) && change('limit of deflection', (m) => void (m.service.most = v))}
        />
      </label>
      <label className={row}>
        Crack width allowed
        <QuantityInput
          kind="crack"
          system={project.display}
          value={service.crackWidth}
          label="Crack width allowed"
          onKeep={(v) => v !== null && v > 0 && change('crack width allowed', (m) => void (m.service.crackWidth = v))}
        />
      </label>
      <label className="flex items-center gap-2 py-1">
        <input
          type="checkbox"
          checked={hasPartitions}
          onChange={(e) => change('partitions', (m) => void (m.service.hasPartitions = e.target.checked))}
        />{' '}
        Partitions or finishes that can be damaged
      </label>
      <label className={row}>
        They are there after, days
        <QuantityInput
          kind="number"
          system={project.display}
          value={partitionAge}
          label="Partitions are there after, days"
          onKeep={(v) => v !== null && v >= 1 && v <= 36_500 && change('age of partitions', (m) => void (m.service.partitionAge = v))}
        />
      </label>
      {member.spans.map((span, i) => (
        <label key={i} className={row}>
          Camber, span {i + 1}
          <QuantityInput
            kind="smallLength"
            system={project.display}
            value={span.camber ?? 0}
            label={`Camber of span ${i + 1}`}
            onKeep={(v) => v !== null && v >= 0 && change(`camber of span ${i + 1}`, (m) => void (m.spans[i]!.camber = v))}
          />
        </label>
      ))}
    </section>
  );
}
