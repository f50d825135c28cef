import { makeCheck, type DerivableCheck } from '../../checks/check';
import type { CheckBasis } from './bending-checks';
import { supportName } from './input';

/** How much of the moments over supports is redistributed, against the most that the code allows. */
export function redistributionCheck({ beam, code }: Pick<CheckBasis, 'beam' | 'code'>): DerivableCheck[] {
  const least = code.leastRedistribution(beam.materials);
  const lowest = beam.supports.reduce((best, s, i) => (s.redistribution < beam.supports[best]!.redistribution ? i : best), 0);
  const { redistribution } = beam.supports[lowest]!;
  if (redistribution >= 1) return [];
  return [
    makeCheck({
      id: 'redistribution',
      family: 'detailing',
      title: 'Redistribution',
      clause: least.clause,
      demand: { value: 1 - redistribution, kind: 'percent' },
      capacity: { value: 1 - least.value, kind: 'percent' },
      utilisation: (1 - redistribution) / (1 - least.value),
      place: { x: null, label: `support ${supportName(lowest)}` },
      ...(redistribution < least.value ? { reason: `At most ${Math.round(100 * (1 - least.value))} % may be redistributed.` } : {}),
    }),
  ];
}
