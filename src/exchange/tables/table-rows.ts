import { printHead, type Block, type Cell, type Column } from '@/core/document/blocks';
import { formatQuantity } from '@/core/units/format';
import { displayUnit, type UnitSystem } from '@/core/units/quantity';

export type Table = Block & { readonly kind: 'table' };

/** The heads of a table, each with the unit of its numbers: "Cut mm". */
export const headsOf = ({ columns }: Table, units: UnitSystem): string[] => columns.map((c) => printHead(c, units));

/** Blanks that group digits, and the minus of print. */
const GROUPING = /[\u2009\u202f\u00a0 ]/g;

/** A cell as a number in the unit of its column where it is one, else as text. */
export function valueOf(cell: Cell, column: Column, units: UnitSystem): number | string {
  if (typeof cell === 'string') {
    const plain = cell.replace(GROUPING, '').replace('\u2212', '-');
    return column.isNumber && plain !== '' && Number.isFinite(Number(plain)) ? Number(plain) : cell;
  }
  if (!Number.isFinite(cell.value)) return '–';
  if (column.kind !== cell.kind) return formatQuantity(cell.value, cell.kind, units);
  // Without the noise of conversion.
  return Number((cell.value / displayUnit(cell.kind, units).unit.factor).toPrecision(12));
}

/** The rows of a table as numbers and text. */
export const rowsOf = (table: Table, units: UnitSystem): (number | string)[][] =>
  table.rows.map((row) => row.map((cell, k) => valueOf(cell, table.columns[k]!, units)));
