import type { LineMember } from '@/core/members/strip/input';
import type { Project } from '@/core/project/project';
import { useRows } from './use-rows';

const cements = { S: 'slow hardening', N: 'normal', R: 'rapid hardening' };

/** Humidity may be from 20 to 100 %, ages up to a hundred years. */
export const HUMIDITY = [0.2, 1] as const;
export const DAYS = [1, 36_500] as const;

/** What creep and shrinkage depend on. */
export function CreepFields({ project, member }: { project: Project; member: LineMember }) {
  const { quantity, pick } = useRows(project, member);
  return (
    <>
      <h2 className="mt-3">For creep and shrinkage</h2>
      {quantity('Relative humidity', 'percent', 'materials.timeDependent.humidity', { range: HUMIDITY })}
      {quantity('Loaded at, days', 'number', 'materials.timeDependent.loadingAge', { range: DAYS })}
      {quantity('Drying from, days', 'number', 'materials.timeDependent.dryingAge', { range: DAYS })}
      {pick('Cement', 'materials.timeDependent.cement', cements)}
    </>
  );
}
