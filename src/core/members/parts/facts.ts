import type { LoadCase } from '../../analysis/combination';
import type { ResultBase } from '../../checks/result';
import { formatQuantity } from '../../units/format';
import type { UnitSystem } from '../../units/quantity';
import type { Fact } from '../kind';

/** Load cases with their nature, and the use of imposed ones. */
export const caseFacts = ({ cases }: { readonly cases: readonly LoadCase[] }): string =>
  cases.map((c) => `${c.id} ${c.title} (${c.nature}${c.nature === 'imposed' ? `, category ${c.category}` : ''})`).join('; ');

/** What can be worked out by hand beside the analysis. */
export const byHand = (result: Pick<ResultBase, 'handChecks'>, units: UnitSystem): Fact[] =>
  result.handChecks.map((h) => [
    h.title,
    `by hand ${formatQuantity(h.byHand, h.kind, units)}, by analysis ${formatQuantity(h.byAnalysis, h.kind, units)}: ${h.agrees ? 'agrees' : 'differs'}`,
  ]);

/** The ultimate combinations with their factors. */
export const combinationFacts = ({ combinations }: Pick<ResultBase, 'combinations'>): string =>
  combinations
    .filter((c) => c.kind === 'ultimate')
    .map((c) => `${c.id}: ${c.factors.map((f) => `${Number(f.factor.toFixed(3))} ${f.caseId}`).join(' + ')}`)
    .join('; ');
