import type { DesignCode } from '@/core/codes/design-code';
import type { LineMember } from '@/core/members/strip/input';
import type { UprightMember } from '@/core/members/wall/upright';
import type { Project } from '@/core/project/project';
import { useRows } from './use-rows';

/** Humidity may be from 20 to 100 %, ages up to a hundred years. */
const HUMIDITY = [0.2, 1] as const;
export const DAYS = [1, 36_500] as const;

interface CreepProps {
  readonly project: Project;
  readonly member: LineMember | UprightMember;
  readonly code: DesignCode;
  /** Without shrinkage, which some members do not look at. */
  readonly isCreepAlone?: boolean;
}

/** What creep and shrinkage depend on by the code; nothing where it has no such inputs. */
export function CreepFields({ project, member, code: { creepInputs, cements }, isCreepAlone = false }: CreepProps) {
  const { quantity, pick } = useRows(project, member);
  if (creepInputs.length === 0) return null;
  const asks = (input: (typeof creepInputs)[number]) => creepInputs.includes(input);
  return (
    <>
      <h2 className="mt-3">{isCreepAlone ? 'For creep' : 'For creep and shrinkage'}</h2>
      {asks('humidity') && quantity('Relative humidity', 'percent', 'materials.timeDependent.humidity', { range: HUMIDITY })}
      {asks('loadingAge') && quantity('Loaded at, days', 'number', 'materials.timeDependent.loadingAge', { range: DAYS })}
      {asks('dryingAge') && !isCreepAlone && quantity('Drying from, days', 'number', 'materials.timeDependent.dryingAge', { range: DAYS })}
      {asks('cement') && pick('Cement', 'materials.timeDependent.cement', cements)}
    </>
  );
}
