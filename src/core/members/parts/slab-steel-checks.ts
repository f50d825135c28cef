import { silent } from '../../calc/calc';
import { compareCheck } from '../../checks/compare';
import type { DerivableCheck } from '../../checks/check';
import { largestOf } from '../../checks/largest';
import type { DesignCode } from '../../codes/design-code';
import type { SlabBars } from '../../reinforcement/slab-bars';
import { WIDTH, type SlabMetre } from './slab-metre';

/** Bars of a slab at a place: its name in words, depth (mm) and area (mm2/mm). */
export interface LaidBars {
  readonly title: string;
  readonly bars: SlabBars;
  readonly d: number;
  readonly provided: number;
}

/** Minimum reinforcement and largest spacing: the worst place of each. */
export function slabSteelChecks(slab: SlabMetre, code: DesignCode, laid: readonly LaidBars[]): DerivableCheck[] {
  if (laid.length === 0) return [];
  const least = laid.map((s) => ({ s, need: code.slab.leastSteel(silent, slab.plain, s.d, slab.materials) / WIDTH }));
  const thin = largestOf(least, (l) => l.need / l.s.provided)!;
  const most = code.slab.spacing(slab.h, 'peak');
  const wide = largestOf(laid, (s) => s.bars.spacing)!;
  return [
    compareCheck({
      id: 'minimum-steel',
      family: 'detailing',
      title: 'Minimum reinforcement',
      clause: code.slab.clauses.least,
      place: { x: null, label: thin.s.title },
      kind: 'areaPerWidth',
      compare: (c) => ({
        demand: code.slab.leastSteel(c, slab.plain, thin.s.d, slab.materials) / WIDTH,
        demandIs: ['minimum steel per length of slab', 'that of the metre over its width'],
        capacity: thin.s.provided,
        capacityIs: ['steel per length of slab', 'of the layer there, as typed or chosen'],
      }),
      fails: (needed, has) => `Bars ${thin.s.title}: at least ${needed}, has ${has}.`,
    }),
    compareCheck({
      id: 'most-spacing',
      family: 'detailing',
      title: 'Largest spacing of bars',
      clause: most.clause,
      place: { x: null, label: wide.title },
      kind: 'length',
      compare: (c) => ({
        demand: wide.bars.spacing,
        demandIs: ['spacing of the bars', 'of the layer there, as typed or chosen'],
        capacity: code.slab.spacing(slab.h, 'peak', c).value,
      }),
      fails: (has, allowed) => `Bars ${wide.title} stand ${has} apart, at most ${allowed}.`,
    }),
  ];
}
