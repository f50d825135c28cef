import type { Combination } from '../../analysis/combination';
import type { ServiceLoads } from '../../codes/service-rules';
import type { PlateAnswer } from './analysis';
import { loadsUnder } from './cracked';
import { plateCases } from './loading';
import type { PlateInput } from './input';

/** All cases of a combination on at once: its loads on the unknowns (N), their sum (N), and what it is called. */
export interface WholeLoad {
  readonly name: string;
  readonly loads: Float64Array;
  readonly total: number;
}

/** The heaviest loads of a kind in service, with everything on; the permanent ones alone; null where no combination of the kind is on. */
export function wholeLoad(
  plate: PlateInput,
  answer: PlateAnswer,
  combinations: readonly Combination[],
  kind: ServiceLoads,
): WholeLoad | null {
  if (kind === 'permanent') {
    const factors = plateCases(plate).flatMap((c) => (c.nature === 'permanent' ? [{ caseId: c.id, factor: 1 }] : []));
    return { name: 'permanent loads', ...loadsUnder(answer, factors) };
  }
  return combinations
    .filter((c) => c.kind === kind)
    .map((c) => ({ name: c.id, ...loadsUnder(answer, c.factors) }))
    .reduce<WholeLoad | null>((a, b) => (!a || Math.abs(b.total) > Math.abs(a.total) ? b : a), null);
}
