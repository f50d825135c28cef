import type { DerivableCheck } from '../../checks/check';
import { compareCheck } from '../../checks/compare';
import type { CheckBasis } from './bending-checks';
import { supportName } from './input';

/** How much of the moments over supports is redistributed, against the most that the code allows. */
export function redistributionCheck({ beam, code }: Pick<CheckBasis, 'beam' | 'code'>): DerivableCheck[] {
  const least = code.leastRedistribution(beam.materials);
  const lowest = beam.supports.reduce((best, s, i) => (s.redistribution < beam.supports[best]!.redistribution ? i : best), 0);
  const { redistribution } = beam.supports[lowest]!;
  if (redistribution >= 1) return [];
  return [
    compareCheck({
      id: 'redistribution',
      family: 'detailing',
      title: 'Redistribution',
      clause: least.clause,
      place: { x: null, label: `support ${supportName(lowest)}` },
      kind: 'percent',
      compare: () => ({
        demand: 1 - redistribution,
        demandIs: ['part of the moment that is redistributed', 'as typed at the support'],
        capacity: 1 - least.value,
        capacityIs: ['most that may be', 'as the code has it for this class of steel'],
      }),
      fails: () => `At most ${Math.round(100 * (1 - least.value))} % may be redistributed.`,
    }),
  ];
}
