import { amount, type Block, type Cell, type Column } from '../../document/blocks';
import type { QuantityKind } from '../../units/quantity';
import type { BeamResult } from './result';

type Table = Block & { readonly kind: 'table' };

/** A column of figures along a beam: its title, its quantity, the value at a station. */
type Along = readonly [title: string, kind: QuantityKind, at: (i: number) => number];

/** Kinds of quantities of a strip of slab, as they are said per length of slab. */
export const perLength: Partial<Record<QuantityKind, QuantityKind>> = { moment: 'lineTorque', force: 'lineLoad', area: 'areaPerWidth' };

/**
 * Every station of a beam: the envelopes of moment (sagging positive) and shear with the combinations that give them, moments shifted along the beam,
 * resistances, and the steel that they need beside the steel that is there. Of a strip of slab, with its width (mm), per length of slab. Null where
 * nothing was analysed.
 */
export function stationTable(
  { strips, arrangements }: Pick<BeamResult, 'strips' | 'arrangements'>,
  width: number | null = null,
): Table | null {
  if (!strips) return null;
  const s = strips;
  const by = (index: Int32Array) => (i: number) => {
    const found = arrangements[index[i]!];
    return found ? [found.combination, found.label].filter(Boolean).join(', ') : '';
  };
  const figures: readonly (Along | readonly [title: string, at: (i: number) => string])[] = [
    ['M most', 'moment', (i) => s.maxM[i]!],
    ['by', by(s.maxMBy)],
    ['M least', 'moment', (i) => s.minM[i]!],
    ['by', by(s.minMBy)],
    ['V most', 'force', (i) => s.maxV[i]!],
    ['by', by(s.maxVBy)],
    ['V least', 'force', (i) => s.minV[i]!],
    ['by', by(s.minVBy)],
    ['M sagging, shifted', 'moment', (i) => s.shiftedSagging[i]!],
    ['M sagging carried', 'moment', (i) => s.resistanceSagging[i]!],
    ['M hogging, shifted', 'moment', (i) => s.shiftedHogging[i]!],
    ['M hogging carried', 'moment', (i) => s.resistanceHogging[i]!],
    ['V for links', 'force', (i) => s.designV[i]!],
    ['V carried', 'force', (i) => s.resistanceV[i]!],
    ['bottom steel needed', 'area', (i) => s.requiredBottom[i]!],
    ['bottom steel there', 'area', (i) => s.providedBottom[i]!],
    ['top steel needed', 'area', (i) => s.requiredTop[i]!],
    ['top steel there', 'area', (i) => s.providedTop[i]!],
  ];
  const kindOf = (kind: QuantityKind) => (width === null ? kind : (perLength[kind] ?? kind));
  const columns: Column[] = [
    { title: 'Span', kind: 'count', isNumber: true },
    { title: 'x', kind: 'station', isNumber: true },
    ...figures.map((f): Column => (f.length === 3 ? { title: f[0], kind: kindOf(f[1]), isNumber: true } : { title: f[0] })),
  ];
  const rows = Array.from(s.x, (x, i): Cell[] => [
    amount(s.span[i]! + 1, 'count'),
    amount(x, 'station'),
    ...figures.map((f): Cell =>
      f.length === 3 ? amount(f[2](i) / (width !== null && perLength[f[1]] ? width : 1), kindOf(f[1])) : f[1](i),
    ),
  ]);
  return { kind: 'table', title: 'Stations', columns, rows };
}
