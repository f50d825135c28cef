'use client';
import { Select } from '@/ui/fields/Select';
import type { Draft } from 'immer';
import { derive } from '@/core/calc/calc';
import type { DesignCode } from '@/core/codes/design-code';
import { flangeWidth, hasFlangeByCode, withFlanges } from '@/core/members/beam/effective-flange';
import { outlineOf } from '@/core/members/beam/input';
import type { Project } from '@/core/project/project';
import type { BeamMember } from '@/core/members/beam/input';
import { formatQuantity } from '@/core/units/format';
import { Derivation } from '@/ui/paper/Formula';
import { QuantityInput } from '@/ui/fields/QuantityInput';

interface FlangeProps {
  readonly project: Project;
  readonly member: BeamMember;
  readonly code: DesignCode;
  readonly change: (label: string, recipe: (m: Draft<BeamMember>) => void) => void;
  readonly fault: (path: string) => React.ReactNode;
}

const row = 'grid grid-cols-[8.5rem_1fr] items-center gap-2 py-0.5';

/** The effective flange width: as given, or by code from the spans and the distances to the next webs. */
export function FlangeFields({ project, member, code, change, fault }: FlangeProps) {
  const { slab, section } = member;
  const canFind = member.mode === 'loads' && section.shape !== 'invertedT';
  const length = (label: string, path: string, value: number, set: (m: Draft<BeamMember>, v: number) => void) => (
    <label className={row}>
      {label}
      <span>
        <QuantityInput
          kind="length"
          system={project.display}
          value={value}
          label={label}
          onKeep={(v) => v !== null && change(label.toLowerCase(), (m) => set(m, v))}
        />
        {fault(path)}
      </span>
    </label>
  );
  return (
    <>
      {canFind && (
        <label className={row}>
          Flange width
          <Select
            label="Flange width"
            value={slab ? 'code' : 'given'}
            options={[
              ['given', 'as given'],
              ['code', `by code, ${code.flange.clause}`],
            ]}
            onPick={(v) => change('flange width', (m) => void (m.slab = v === 'code' ? { left: 2000, right: 2000 } : null))}
          />
        </label>
      )}
      {!hasFlangeByCode(member) &&
        length('Effective flange width', 'section.flangeWidth', section.flangeWidth, (m, v) => void (m.section.flangeWidth = v))}
      {slab && canFind && (
        <>
          {section.shape === 'T' && length('Clear to next web, left', 'slab.left', slab.left, (m, v) => void (m.slab!.left = v))}
          {length(
            `Clear to next web${section.shape === 'T' ? ', right' : ''}`,
            'slab.right',
            slab.right,
            (m, v) => void (m.slab!.right = v),
          )}
          <FoundWidths project={project} member={member} code={code} />
        </>
      )}
    </>
  );
}

/** What was found for each span, with its steps. */
function FoundWidths({ project, member, code }: Pick<FlangeProps, 'project' | 'member' | 'code'>) {
  const found = withFlanges(member, code);
  return (
    <div className="small">
      {member.spans.map((_, i) => (
        <details key={i}>
          <summary>
            span {i + 1}: {formatQuantity(outlineOf(found, i).flangeWidth, 'length', project.display)} wide
          </summary>
          <Derivation steps={derive((c) => void flangeWidth(c, member, code, i))} units={project.display} />
        </details>
      ))}
    </div>
  );
}
