import Papa from 'papaparse';

/** What parts the cells: tabs from a spreadsheet, else semicolons; commas where one in the first row stands elsewhere than within a figure. */
function delimiterOf(text: string): string {
  if (text.includes('\t')) return '\t';
  if (text.includes(';')) return ';';
  const [first = ''] = text.trimStart().split('\n', 1);
  const isParted = /(^|\D),|,(\D|$)/.test(first.replace(/"[^"]*"/g, 'quoted'));
  return text.includes(',') && (isParted || !/\d,\d/.test(text)) ? ',' : '\t';
}

/** Rows and cells of a pasted or typed table. Empty rows are left out. */
export function parseTable(text: string): string[][] {
  const delimiter = delimiterOf(text);
  const { data } = Papa.parse<string[]>(text, { delimiter, skipEmptyLines: 'greedy' });
  return data.map((row) => row.map((cell) => String(cell ?? '').trim()));
}
