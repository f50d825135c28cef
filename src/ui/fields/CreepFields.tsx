import { Select } from '@/ui/fields/Select';
import type { Draft } from 'immer';
import type { Project } from '@/core/project/project';
import type { LineMember } from '@/core/members/strip/input';
import { basisRow } from './basis-rows';
import { QuantityInput } from './QuantityInput';

const cements = [
  ['S', 'slow hardening'],
  ['N', 'normal'],
  ['R', 'rapid hardening'],
] as const;

/** What creep and shrinkage depend on. */
export function CreepFields({
  project,
  member: { materials },
  change,
}: {
  project: Pick<Project, 'display'>;
  member: LineMember;
  change: (label: string, recipe: (m: Draft<LineMember>) => void) => void;
}) {
  return (
    <>
      <h2 className="mt-3">For creep and shrinkage</h2>
      {(['humidity', 'loadingAge', 'dryingAge'] as const).map((k) => (
        <label key={k} className={basisRow}>
          {{ humidity: 'Relative humidity', loadingAge: 'Loaded at, days', dryingAge: 'Drying from, days' }[k]}
          <QuantityInput
            kind={k === 'humidity' ? 'percent' : 'number'}
            system={project.display}
            value={materials.timeDependent[k]}
            label={k}
            onKeep={(v) =>
              v !== null &&
              v > 0 &&
              change(
                'creep and shrinkage',
                (m) =>
                  void (m.materials.timeDependent[k] = k === 'humidity' ? Math.min(1, Math.max(0.2, v)) : Math.min(36_500, Math.max(1, v))),
              )
            }
          />
        </label>
      ))}
      <label className={basisRow}>
        Cement
        <Select
          label="Cement"
          value={materials.timeDependent.cement}
          options={cements}
          onPick={(v) => change('cement', (m) => void (m.materials.timeDependent.cement = v))}
        />
      </label>
    </>
  );
}
