import Papa from 'papaparse';

/** Rows and cells of a pasted or typed table: tabs from a spreadsheet, else semicolons or commas. Empty rows are left out. */
export function parseTable(text: string): string[][] {
  const delimiter = text.includes('\t') ? '\t' : text.includes(';') ? ';' : text.includes(',') && !/\d,\d/.test(text) ? ',' : '\t';
  const { data } = Papa.parse<string[]>(text, { delimiter, skipEmptyLines: 'greedy' });
  return data.map((row) => row.map((cell) => String(cell ?? '').trim()));
}
