import writeXlsxFile, { type Cell, type Sheet } from 'write-excel-file/universal';
import { printCell } from '@/core/document/blocks';
import type { UnitSystem } from '@/core/units/quantity';
import { headsOf, rowsOf, type Table } from './table-rows';

const HEAD = { fontWeight: 'bold', backgroundColor: '#EFE8D6' } as const;

/** Names of sheets have at most 31 characters, none of these, and differ. */
function sheetNames(tables: readonly Table[]): string[] {
  const names: string[] = [];
  for (const { title } of tables) {
    const plain = title.replace(/[\\/?*[\]:]/g, ' ').slice(0, 27) || 'Table';
    const taken = names.filter((n) => n.startsWith(plain)).length;
    names.push(taken > 0 ? `${plain} ${taken + 1}` : plain);
  }
  return names;
}

/** "A", "B", … "AA" */
const letters = (k: number): string => (k < 26 ? '' : letters(Math.floor(k / 26) - 1)) + String.fromCharCode(65 + (k % 26));

/** How the numbers of a column are shown, by the most decimals that they are printed with: "0", "0.00". The numbers themselves keep all their digits. */
function formatOf(table: Table, k: number, units: UnitSystem): string {
  const decimals = table.rows.map((row) => (/\.(\d+)/.exec(printCell(row[k]!, units, table.columns[k])) ?? ['', ''])[1]!.length);
  const most = Math.max(0, ...decimals);
  return most > 0 ? `0.${'0'.repeat(most)}` : '0';
}

const cell = (v: number | string, format: string): Cell =>
  typeof v === 'number' ? { type: Number, value: v, format } : { type: String, value: v };

function sheetOf(table: Table, name: string, units: UnitSystem): Sheet<Blob> {
  const heads = headsOf(table, units);
  const rows = rowsOf(table, units);
  const formats = table.columns.map((_, k) => formatOf(table, k, units));
  const isSummed = table.columns.some((c) => c.isSummed) && rows.length > 0;
  const sums = table.columns.map((c, k): Cell => {
    const at = letters(k);
    if (c.isSummed) return { type: 'Formula', value: `=SUM(${at}2:${at}${rows.length + 1})`, format: formats[k]!, fontWeight: 'bold' };
    return k === 0 ? { type: String, value: 'Sum', fontWeight: 'bold' } : null;
  });
  return {
    sheet: name,
    stickyRowsCount: 1,
    columns: heads.map((head, k) => ({
      width: Math.min(60, Math.max(8, head.length + 2, ...rows.slice(0, 200).map((row) => String(row[k]).length + 1))),
    })),
    data: [
      heads.map((value): Cell => ({ type: String, value, ...HEAD })),
      ...rows.map((row) => row.map((v, k) => cell(v, formats[k]!))),
      ...(isSummed ? [sums] : []),
      ...(table.foot ? [[], [{ type: String, value: table.foot }]] : []),
    ] as Cell[][],
  };
}

/** A workbook with a sheet for each table: numbers as numbers, their units in the heads, sums as formulas; text never becomes a formula. */
export async function tablesToXlsx(tables: readonly Table[], units: UnitSystem): Promise<Uint8Array> {
  const names = sheetNames(tables);
  const blob = await writeXlsxFile(tables.map((table, i) => sheetOf(table, names[i]!, units))).toBlob();
  return new Uint8Array(await blob.arrayBuffer());
}
