import type { StripLoad, StripLoadType } from '@/core/members/strip/input';
import type { PastedWords } from '@/exchange/paste-loads';
import type { LoadTable } from '@/ui/tables/LoadsTable';

/** A load of another type at the same place. */
function retyped(load: StripLoad, type: StripLoadType, length: number): StripLoad {
  const base = { case: load.case, note: load.note };
  const span = load.span === 'all' ? 0 : load.span;
  const value = 'value' in load ? load.value : 2e-3;
  if (type === 'uniform') return { ...base, type, span: load.span, value };
  if (type === 'partial') return { ...base, type, span, value, from: 0, to: length };
  if (type === 'line') return { ...base, type, span, at: length / 2, force: 5 };
  return { ...base, type, span, at: length / 2, load: 10_000, width: 1000 };
}

const area = { type: 'uniform', values: { value: 'areaLoad' }, liesOnAll: true } as const;

export const stripWords: PastedWords = {
  help: 'case · type (area, part, line, point) · span (number or all) · value · from or at · to or shared width',
  types: {
    area,
    uniform: area,
    partial: { type: 'partial', values: { value: 'areaLoad', from: 'span', to: 'span' } },
    line: { type: 'line', values: { force: 'lineLoad', at: 'span' } },
    point: { type: 'point', values: { load: 'force', at: 'span', width: 'length' } },
  },
  onAll: 'a load over the area',
};

/** The loads of a slab as a table. */
export const stripLoads: LoadTable<StripLoad> = {
  title: 'Loads',
  types: { uniform: 'over the area', partial: 'over a part', line: 'line across', point: 'at a point' },
  retyped,
  liesOnAll: ({ type }) => type === 'uniform',
  values: {
    Value: { value: 'areaLoad', force: 'lineLoad', load: 'force' },
    Width: { width: 'length' },
    'From or at': { from: 'span', at: 'span' },
    To: { to: 'span' },
  },
  fresh: (id) => ({ type: 'uniform', case: id, span: 'all', value: 2e-3, note: '' }),
  paste: stripWords,
  foot: 'A line across the span is a force per length, as of a wall on the slab. A point load counts with the width of slab that shares it: set it as the support and the stiffness across allow.',
};
