'use client';
import { derive } from '@/core/calc/calc';
import type { Fault } from '@/core/checks/fault';
import type { DesignCode } from '@/core/codes/design-code';
import { flangeWidth, hasFlangeByCode, withFlanges } from '@/core/members/beam/effective-flange';
import { type BeamMember } from '@/core/members/beam/input';
import type { Project } from '@/core/project/project';
import { formatQuantity } from '@/core/units/format';
import { useRows } from '@/ui/fields/use-rows';
import { Derivation } from '@/ui/paper/Formula';
import { spanOutline } from '@/core/members/beam/input';

interface FlangeProps {
  readonly project: Project;
  readonly member: BeamMember;
  readonly code: DesignCode;
}

/** The effective flange width: as given, or by code from the spans and the distances to the next webs. */
export function FlangeFields({ project, member, code, faults }: FlangeProps & { faults: readonly Fault[] }) {
  const { quantity, choose } = useRows(project, member, { faults });
  const { slab, section, mode } = member;
  const canFind = mode !== 'forces' && section.shape !== 'invertedT';
  const options = [
    ['given', 'as given'],
    ['code', `by code, ${code.flange.clause}`],
  ] as const;
  return (
    <>
      {canFind &&
        choose(
          'Flange width',
          slab ? 'code' : 'given',
          options,
          (m, v) => void (m.slab = v === 'code' ? { left: 2000, right: 2000 } : null),
        )}
      {!hasFlangeByCode(member) && quantity('Effective flange width', 'length', 'section.flangeWidth')}
      {slab && canFind && (
        <>
          {section.shape === 'T' && quantity('Clear to next web, left', 'length', 'slab.left')}
          {quantity(`Clear to next web${section.shape === 'T' ? ', right' : ''}`, 'length', 'slab.right')}
          <FoundWidths project={project} member={member} code={code} />
        </>
      )}
    </>
  );
}

/** What was found for each span, with its steps. */
function FoundWidths({ project, member, code }: FlangeProps) {
  const found = withFlanges(member, code);
  return (
    <div className="small">
      {member.spans.map((_, i) => (
        <details key={i}>
          <summary>
            span {i + 1}: {formatQuantity(spanOutline(found, i).flangeWidth, 'length', project.display)} wide
          </summary>
          <Derivation steps={derive((c) => void flangeWidth(c, member, code, i))} units={project.display} />
        </details>
      ))}
    </div>
  );
}
