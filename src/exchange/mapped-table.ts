import { parseQuantity } from '@/core/units/parse';
import { displayUnit, type QuantityKind, type UnitSystem } from '@/core/units/quantity';
import { findUnit, sameDimension } from '@/core/units/unit';
import { alongIn, forceIn, plainHeading, type Axis } from './force-headings';
import { parseTable } from './paste-table';

/** What the columns of a pasted table can be, for one kind of table. */
export interface Vocabulary<R extends string> {
  /** Names of the roles, in the order in which they are offered. */
  readonly names: Readonly<Record<R, string>>;
  /** Roles that hold a dimensioned value. */
  readonly quantities: Readonly<Partial<Record<R, QuantityKind>>>;
  /** Without headings: texts in this order, numbers in this order. */
  readonly textOrder: readonly R[];
  readonly numberOrder: readonly R[];
  /** What plain headings stand for, with the axis that runs along the member where it is said; what is not known is left out. */
  readonly rolesOf: (headings: readonly string[], along?: Axis) => readonly R[];
  /** What a second column of the same meaning is instead. */
  readonly twins: Readonly<Partial<Record<R, R>>>;
}

/** The role of columns that are not read. */
export const SKIP = 'skip';

/** How one pasted column is read: what it is, and in which unit where its cells name none. */
export interface ColumnReading<R extends string = string> {
  readonly role: R;
  readonly unit: string;
}

/** A pasted table as it came: headings above, cells below. */
export interface PastedTable {
  readonly headings: readonly string[];
  readonly rows: readonly (readonly string[])[];
}

const isNumeric = (cell: string) => /\d/.test(cell) && parseQuantity(cell.replace(/[A-Za-z·].*$/, ''), 'number', 'SI').ok;

/** Splits a pasted text into headings and rows. Headings that span several columns count for each of them. */
export function readTable(text: string): PastedTable {
  const rows = parseTable(text);
  const width = rows.reduce((most, r) => Math.max(most, r.length), 0);
  const full = rows.map((r) => Array.from({ length: width }, (_, i) => r[i] ?? ''));
  // Headings hold no numbers: a row with one is data, and is refused by name where it is not understood.
  const first = full.findIndex((r) => r.some(isNumeric));
  const above = full.slice(0, Math.max(0, first));
  const spread = above.map((r, k) => r.map((cell, i) => cell || (k < above.length - 1 ? lastFilled(r, i) : '')));
  const headings = Array.from({ length: width }, (_, i) =>
    spread
      .map((r) => r[i]!)
      .filter(Boolean)
      .join(' '),
  );
  return { headings, rows: first < 0 ? [] : full.slice(first) };
}

const lastFilled = (row: readonly string[], i: number): string => [...row.slice(0, i)].reverse().find(Boolean) ?? '';

/** Guesses what the columns are: from their headings, else by their order. */
export function guessReadings<R extends string>(
  v: Vocabulary<R>,
  { headings, rows }: PastedTable,
  system: UnitSystem,
  along?: Axis,
): ColumnReading<R>[] {
  const named = v.rolesOf(headings.map(plainHeading), along);
  // Headings that say something are not overruled by the order of the columns: what they leave open is asked.
  const isNamed = named.some((r) => r !== SKIP) || headings.some((h) => forceIn(plainHeading(h)));
  const asRoles = isNamed ? withoutTwins(v, named) : byOrder(v, rows, headings.length);
  return asRoles.map((role, i) => ({ role, unit: unitIn(headings[i] ?? '', v.quantities[role]) ?? defaultUnit(v, role, system) }));
}

export function defaultUnit<R extends string>(v: Vocabulary<R>, role: R, system: UnitSystem): string {
  const kind = v.quantities[role];
  return kind ? displayUnit(kind, system).unit.name : '';
}

/** Units that a column may be in, those of its kind. */
export function unitsFor<R extends string>(v: Vocabulary<R>, role: R): readonly string[] {
  const kind = v.quantities[role];
  if (kind === 'force') return ['kN', 'N', 'MN', 'kip', 'lb'];
  if (kind === 'moment') return ['kNm', 'Nmm', 'MNm', 'kip-ft', 'kip-in', 'lb-ft'];
  if (kind === 'station') return ['m', 'mm', 'ft', 'in'];
  return [];
}

/** A second column of the same meaning is the other end, or left out. */
function withoutTwins<R extends string>(v: Vocabulary<R>, list: readonly R[]): R[] {
  const seen = new Set<R>();
  return list.map((role) => {
    let now: R = role;
    if (seen.has(now)) now = v.twins[now] ?? (SKIP as R);
    if (seen.has(now)) now = SKIP as R;
    seen.add(now);
    return now;
  });
}

function byOrder<R extends string>(v: Vocabulary<R>, rows: PastedTable['rows'], width: number): R[] {
  const numeric = Array.from({ length: width }, (_, i) => {
    const filled = rows.map((r) => r[i] ?? '').filter(Boolean);
    return filled.length > 0 && filled.filter(isNumeric).length > filled.length / 2;
  });
  // A first column of plain text, or of running numbers, is the name.
  const running = rows.length > 2 && rows.slice(0, 20).every((r, i) => Number(r[0]) === Number(rows[0]![0]) + i);
  let [numbers, texts] = [0, 0];
  return numeric.map((isNumber, i): R => {
    if (!isNumber || (i === 0 && running)) return v.textOrder[texts++] ?? (SKIP as R);
    return v.numberOrder[numbers++] ?? (SKIP as R);
  });
}

/** A unit named in a heading, as in "N (kN)", "My [kNm]" or "N kN"; the first word is the name, so that N alone is not newtons. */
function unitIn(heading: string, kind: QuantityKind | undefined): string | undefined {
  if (!kind) return undefined;
  const wanted = displayUnit(kind, 'SI').unit.dimension;
  for (const part of heading
    .split(/[\s,;]+|[[\]()]/)
    .slice(1)
    .reverse()) {
    const unit = part ? findUnit(part) : undefined;
    if (unit && sameDimension(unit.dimension, wanted)) return unit.name;
  }
  return undefined;
}

/** Reads a cell that holds a dimensioned value; refuses dates, which spreadsheets make of figures. */
export function readCell(cell: string, kind: QuantityKind, system: UnitSystem, unit: string) {
  if (/^\d{1,4}[-/.]\d{1,2}[-/.]\d{1,4}$/.test(cell)) return { ok: false, reason: `"${cell}" is a date.` } as const;
  return parseQuantity(cell, kind, system, findUnit(unit));
}

/** Whether a table names axes, and whether they say which of them runs along the member. */
export function axesAsked({ headings }: PastedTable): { readonly isAsked: boolean; readonly along: Axis | null } {
  const along = alongIn(headings.map((h) => forceIn(plainHeading(h))));
  return { isAsked: along !== undefined, along: along ?? null };
}

/** Columns that are left out although they hold figures other than zero, by their headings. */
export function leftOut({ headings, rows }: PastedTable, readings: readonly ColumnReading[]): string[] {
  const holdsValues = (i: number) => rows.some((r) => isNumeric(r[i] ?? '') && Number.parseFloat(plainNumber(r[i] ?? '')) !== 0);
  return readings.flatMap(({ role }, i) => (role === SKIP && holdsValues(i) ? [headings[i] || `column ${i + 1}`] : []));
}

/** The first figure of a column that is not zero, as it stands in the table. */
export function firstFigure(
  { rows }: PastedTable,
  readings: readonly ColumnReading[],
  ...roles: readonly string[]
): { readonly row: number; readonly text: string } | undefined {
  const at = readings.findIndex((r) => roles.includes(r.role));
  const row = at < 0 ? -1 : rows.findIndex((r) => Number.parseFloat(plainNumber(r[at] ?? '')) !== 0 && isNumeric(r[at] ?? ''));
  return row < 0 ? undefined : { row, text: rows[row]![at]! };
}

const plainNumber = (cell: string) => cell.trim().replace('−', '-').replace(',', '.');

/** One row as it was understood, or why it is refused and at which column. A row may be understood together with another one. */
export interface ReadRow<T> {
  readonly row: number;
  readonly cells: readonly string[];
  readonly value?: T;
  /** Read with the row of this number, as the other end of the same member. */
  readonly joined?: number;
  /** The member that the row is of, where a column says it. */
  readonly member?: string;
  readonly reason?: string;
  readonly column?: number;
}

/** Whether the figures of a column are written with a minus; undefined where some are and some are not, so that it has to be asked. */
export function isNegative(table: PastedTable, readings: readonly ColumnReading[], role: string): boolean | undefined {
  const at = readings.findIndex((r) => r.role === role);
  const values =
    at < 0 ? [] : table.rows.map((r) => Number.parseFloat(plainNumber(r[at] ?? ''))).filter((v) => Number.isFinite(v) && v !== 0);
  const negative = values.filter((v) => v < 0).length;
  return negative === 0 ? false : negative === values.length ? true : undefined;
}

/** Why a row is refused that names no member beside rows that do: whose it is would be a guess. */
export const NO_MEMBER = 'No member is named in this row.';

/** The members that a table has rows of, where a column says it. */
export function membersIn(table: PastedTable, readings: readonly ColumnReading[]): string[] {
  const at = readings.findIndex((r) => r.role === 'member');
  return at < 0 ? [] : [...new Set(table.rows.map((r) => (r[at] ?? '').trim()).filter(Boolean))];
}
