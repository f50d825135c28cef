import { measured } from '../../document/measured';
import type { UnitSystem } from '../../units/quantity';
import type { PunchingResult } from './result';

/** What only a slab at a column has. */
export function punchingToJson({ stages, needed }: PunchingResult, system: UnitSystem) {
  const length = (value: number | null) => measured({ value: value ?? NaN, kind: 'length' }, system);
  return {
    stages: stages.map((s) => ({ ...s, d: length(s.d), critical: length(s.critical) })),
    needed: needed && {
      spacing: length(needed.spacing),
      area: measured({ value: needed.area, kind: 'area' }, system),
      last: length(needed.last),
      beyond: needed.beyond,
    },
  };
}
