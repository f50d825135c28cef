import Papa from 'papaparse';
import type { UnitSystem } from '@/core/units/quantity';
import { headsOf, rowsOf, type Table } from './table-rows';

/** Text that a spreadsheet would take for a formula. */
const FORMULA = /^[=+\-@\t\r]/;

/** Text that stays text when a spreadsheet opens it. */
const harmless = (v: number | string): number | string => (typeof v === 'string' && FORMULA.test(v) ? `'${v}` : v);

/** Tables as comma-separated text, one below the other with an empty line between; columns that are summed have their sum below. UTF-8 with a byte order mark, so that spreadsheets read it as such. */
export function tablesToCsv(tables: readonly Table[], units: UnitSystem): string {
  const parts = tables.map((table) => {
    const rows = rowsOf(table, units);
    const isSummed = table.columns.some((c) => c.isSummed) && rows.length > 0;
    const sums = table.columns.map((c, k) =>
      c.isSummed ? Number(rows.reduce((sum, row) => sum + Number(row[k]), 0).toPrecision(12)) : k === 0 ? 'Sum' : '',
    );
    const all = [headsOf(table, units), ...rows, ...(isSummed ? [sums] : [])];
    return `${Papa.unparse([[table.title]].map((r) => r.map(harmless)))}\r\n${Papa.unparse(all.map((row) => row.map(harmless)))}\r\n`;
  });
  return `\ufeff${parts.join('\r\n')}`;
}

/** Tables as text with tabs between the cells, as spreadsheets take it from the clipboard; what looks like a formula stays text. */
export const tablesToText = (tables: readonly Table[], units: UnitSystem): string =>
  tables
    .map((table) =>
      Papa.unparse(
        [headsOf(table, units), ...rowsOf(table, units)].map((row) => row.map(harmless)),
        { delimiter: '\t', newline: '\n' },
      ),
    )
    .join('\n\n');
