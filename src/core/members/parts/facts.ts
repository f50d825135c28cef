import type { LoadCase } from '../../analysis/combination';
import type { ResultBase } from '../../checks/result';
import { formatQuantity } from '../../units/format';
import type { UnitSystem } from '../../units/quantity';
import type { DesignCode, Materials } from '../../codes/design-code';
import { amount, type Block, type Column, type Fact } from '../../document/blocks';
import type { ReportDetail } from '../member';
import type { Part, fire, service } from './schema-parts';

/** Load cases with their nature, and the use of imposed ones. */
export const caseFacts = ({ cases }: { readonly cases: readonly LoadCase[] }, { natures, categories }: DesignCode): string => {
  const useOf = ({ nature, category }: LoadCase) =>
    nature === 'imposed' && Object.keys(categories).length > 0 ? `, use ${categories[category] ?? Object.values(categories)[0]}` : '';
  return cases.map((c) => `${c.id} ${c.title} (${natures[c.nature] ?? c.nature}${useOf(c)})`).join('; ');
};

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

/** Concrete, bars, transverse bars and aggregate. */
export const materialFacts = (m: Materials, code: DesignCode, links: string): Fact[] => [
  ['Concrete', code.concreteLabel(m.concreteStrength)],
  ['Reinforcing steel', code.steelLabel(m.steelStrength, m.ductility)],
  [`${links}, ${code.strengthSymbols.links}`, amount(m.linkStrength, 'steelStress')],
  ['Largest aggregate', amount(m.aggregateSize, 'smallLength')],
];

/** Own weight, or that it is left out. */
export const weightFact = ({ selfWeight, unitWeight }: { readonly selfWeight: boolean; readonly unitWeight: number }): Fact => [
  'Self-weight',
  selfWeight ? amount(unitWeight, 'unitWeight') : 'not counted',
];

/** What is asked of a member in a fire; nothing where nothing is. */
export const fireFacts = ({ minutes, isOneSided }: Part<typeof fire>): Fact[] =>
  minutes === null ? [] : [['Fire resistance asked for', `${minutes} min${isOneSided ? ', one side exposed' : ''}`]];

/** What is allowed in service. */
export function serviceFacts({ crackWidth, limits, hasPartitions, partitionAge }: Part<typeof service>): Fact[] {
  const own = (['total', 'after', 'live'] as const).filter((key) => limits[key] !== null);
  return [
    ['Crack width allowed', amount(crackWidth, 'crack')],
    ['Partitions', hasPartitions ? `can be damaged, there after ${partitionAge} days` : 'none that can be damaged'],
    ...(own.length > 0 ? [['Deflection limits set', own.map((key) => `${key} span/${limits[key]}`).join(', ')] as Fact] : []),
  ];
}

/** Rows of a table that one page has room for. */
const ROOM = 8;

/** A table of what was put in: whole, or on one page its first rows and how many follow. */
export function inputTable<T>(
  title: string,
  columns: readonly Column[],
  list: readonly T[],
  row: (entry: T) => (Block & { readonly kind: 'table' })['rows'][number],
  level: ReportDetail,
): Block[] {
  if (list.length === 0) return [];
  const shown = level === 'summary' ? list.slice(0, ROOM) : list;
  const left = list.length - shown.length;
  return [{ kind: 'table', title, columns, rows: shown.map(row), ...(left > 0 ? { foot: `And ${left} more, in the working.` } : {}) }];
}

/** "all", "2". */
export const spanText = (span: number | 'all'): string => (span === 'all' ? 'all' : String(span + 1));
