import { unzipSync } from 'fflate';

/** A sheet of a file of tables, as text with tabs between its cells. */
export interface TableSheet {
  readonly name: string;
  readonly text: string;
}

export type TableFile = { readonly ok: true; readonly sheets: readonly TableSheet[] } | { readonly ok: false; readonly reason: string };

/** The most that is read of a file: bytes as it comes, bytes when it is unpacked, parts of an archive, rows. */
export const MOST_FILE = 20_000_000;
const MOST_UNPACKED = 200_000_000;
const MOST_PARTS = 2000;
const MOST_ROWS = 200_000;

const refuse = (reason: string): TableFile => ({ ok: false, reason });
const kB = (bytes: number) => `${Math.round(bytes / 1e6)} MB`;

/** Reads the sheets of a workbook from its bytes; handed in, since it differs between a browser and elsewhere. */
export type ReadWorkbook = (
  bytes: Uint8Array,
) => Promise<readonly { readonly sheet: string; readonly data: readonly (readonly unknown[])[] }[]>;

/** A file that the user chose, as sheets of text. Nothing in it is run, and nothing that it names is fetched; what could do so is refused in words. */
export async function readTableFile(name: string, bytes: Uint8Array, readWorkbook: ReadWorkbook): Promise<TableFile> {
  if (bytes.length === 0) return refuse(`${name} is empty.`);
  if (bytes.length > MOST_FILE) return refuse(`${name} is larger than ${kB(MOST_FILE)}.`);
  const isZip = bytes[0] === 0x50 && bytes[1] === 0x4b;
  if (isZip) return workbook(name, bytes, readWorkbook);
  if (bytes[0] === 0xd0 && bytes[1] === 0xcf) return refuse(`${name} is a workbook of the old binary form: save it as XLSX or CSV.`);
  const text = decoded(bytes);
  if (text.includes('\u0000')) return refuse(`${name} is not a table: it holds other bytes than text.`);
  if (text.split('\n', MOST_ROWS + 1).length > MOST_ROWS) return refuse(`${name} has more than ${MOST_ROWS} rows.`);
  return { ok: true, sheets: [{ name, text: text.replace(/^\ufeff/, '') }] };
}

/** UTF-8, or UTF-16 by its mark; else the usual eight bits of western Europe. */
function decoded(bytes: Uint8Array): string {
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return new TextDecoder('utf-16le').decode(bytes);
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
}

async function workbook(name: string, bytes: Uint8Array, readWorkbook: ReadWorkbook): Promise<TableFile> {
  const fault = faultOfArchive(name, bytes);
  if (fault) return refuse(fault);
  try {
    const sheets = (await readWorkbook(bytes)).map(({ sheet, data }) => ({ name: sheet, rows: data }));
    if (sheets.some((s) => s.rows.length > MOST_ROWS)) return refuse(`${name} has more than ${MOST_ROWS} rows.`);
    const filled = sheets.filter((s) => s.rows.length > 0);
    if (filled.length === 0) return refuse(`${name} has no rows.`);
    return { ok: true, sheets: filled.map((s) => ({ name: s.name, text: s.rows.map((r) => r.map(cellText).join('\t')).join('\n') })) };
  } catch {
    return refuse(`${name} cannot be read as a workbook: save it again as XLSX, or as CSV.`);
  }
}

/** What an archive says of its parts, before any is unpacked. */
function faultOfArchive(name: string, bytes: Uint8Array): string | undefined {
  const parts: { readonly path: string; readonly size: number }[] = [];
  try {
    unzipSync(bytes, {
      filter: ({ name: path, originalSize }) => {
        parts.push({ path, size: originalSize });
        return false;
      },
    });
  } catch {
    return `${name} is damaged, or not an archive.`;
  }
  const has = (part: RegExp) => parts.some((p) => part.test(p.path));
  if (parts.length > MOST_PARTS || parts.reduce((sum, p) => sum + p.size, 0) > MOST_UNPACKED)
    return `${name} would be larger than ${kB(MOST_UNPACKED)} when it is unpacked: it is not opened.`;
  if (!has(/^xl\/workbook\.xml$/)) return `${name} is no workbook: XLSX, CSV and text with tabs are read.`;
  if (has(/vbaProject|macrosheets/i)) return `${name} holds macros: save it as XLSX without them, or as CSV.`;
  if (has(/externalLinks\//i)) return `${name} takes values from other files: save it with values in their place, or as CSV.`;
  return undefined;
}

/** A cell as text: figures as they are, dates by their day, without the signs that part cells and rows. */
function cellText(cell: unknown): string {
  if (cell === null || cell === undefined) return '';
  if (cell instanceof Date) return cell.toISOString().slice(0, 10);
  return String(cell).replace(/[\t\r\n]+/g, ' ');
}
