import type { LoadSet, LoadSetKind } from '@/core/members/column/input';
import { parseQuantity } from '@/core/units/parse';
import { displayUnit, type QuantityKind, type UnitSystem } from '@/core/units/quantity';
import { findUnit, sameDimension } from '@/core/units/unit';
import { parseTable } from './paste-table';

/** What a pasted column can be. */
export const roles = [
  'name',
  'title',
  'kind',
  'N',
  'mxTop',
  'mxBottom',
  'myTop',
  'myBottom',
  'vx',
  'vy',
  'torsion',
  'nBottom',
  'vxBottom',
  'vyBottom',
  'sustained',
  'skip',
] as const;
export type Role = (typeof roles)[number];

export const roleNames: Record<Role, string> = {
  name: 'name',
  title: 'title',
  kind: 'kind of set',
  N: 'N',
  mxTop: 'Mx top',
  mxBottom: 'Mx foot',
  myTop: 'My top',
  myBottom: 'My foot',
  vx: 'Vx',
  vy: 'Vy',
  torsion: 'T',
  nBottom: 'N foot',
  vxBottom: 'Vx foot',
  vyBottom: 'Vy foot',
  sustained: 'sustained part',
  skip: 'leave out',
};

const quantityOf: Partial<Record<Role, QuantityKind>> = {
  N: 'force',
  vx: 'force',
  vy: 'force',
  mxTop: 'moment',
  mxBottom: 'moment',
  myTop: 'moment',
  myBottom: 'moment',
  torsion: 'moment',
  nBottom: 'force',
  vxBottom: 'force',
  vyBottom: 'force',
};

/** How one pasted column is read: what it is, and in which unit where its cells name none. */
export interface ColumnReading {
  readonly role: Role;
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
  const width = Math.max(0, ...rows.map((r) => r.length));
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
export function guessReadings({ headings, rows }: PastedTable, system: UnitSystem): ColumnReading[] {
  const named = headings.map((h): Role => roleOf(h));
  const known = named.filter((r) => r !== 'skip').length;
  const asRoles = known >= 2 ? withoutTwins(named) : byOrder(rows, headings.length);
  return asRoles.map((role, i) => ({ role, unit: unitIn(headings[i] ?? '', role) ?? defaultUnit(role, system) }));
}

export function defaultUnit(role: Role, system: UnitSystem): string {
  const kind = quantityOf[role];
  return kind ? displayUnit(kind, system).unit.name : '';
}

/** Units that a column may be in, those of its kind. */
export function unitsFor(role: Role): readonly string[] {
  const kind = quantityOf[role];
  if (kind === 'force') return ['kN', 'N', 'MN', 'kip', 'lb'];
  if (kind === 'moment') return ['kNm', 'Nmm', 'MNm', 'kip-ft', 'kip-in', 'lb-ft'];
  return [];
}

function roleOf(heading: string): Role {
  const h = heading
    .toLowerCase()
    .replace(/[[(].*$/, '')
    .replace(/[_\-.,]/g, ' ')
    .trim();
  const isFoot = /\b(foot|bottom|bot|base|lower|end|2|j)\b/.test(h);
  const end = isFoot ? 'Bottom' : 'Top';
  if (/^(n|p|pu|ned|nu|axial.*|fz|normal.*)\b/.test(h) && !/^(name|no|nr|number)/.test(h)) return isFoot ? 'nBottom' : 'N';
  const about = /^m\s*u?\s*(?:ed)?\s*(x|y|2|3)|\bmoment\b.*\b(x|y)\b|^(x|y) moment/.exec(h);
  if (about) {
    const axis = (about[1] ?? about[2] ?? about[3]) === 'y' || about[1] === '3' ? 'my' : 'mx';
    return `${axis}${end}` as Role;
  }
  const shear = /^(?:v|q|shear)\s*u?\s*(?:ed)?\s*(x|y)/.exec(h);
  if (shear) return `v${shear[1] as 'x' | 'y'}${isFoot ? 'Bottom' : ''}`;
  if (/^(t|tors.*|mz|tu|ted)\b/.test(h)) return 'torsion';
  if (/sustain|quasi|βd|beta/.test(h)) return 'sustained';
  if (/^(kind|type|limit state)/.test(h)) return 'kind';
  if (/^(name|set|load set|case|combination|combo|comb|id|no|nr|number|lc)\b/.test(h)) return 'name';
  return /^(title|description|note|remark)/.test(h) ? 'title' : 'skip';
}

/** A second column of the same meaning is the other end, or left out. */
function withoutTwins(list: readonly Role[]): Role[] {
  const seen = new Set<Role>();
  return list.map((role) => {
    let now: Role = role;
    if (seen.has(now) && now === 'mxTop') now = 'mxBottom';
    if (seen.has(now) && now === 'myTop') now = 'myBottom';
    if (seen.has(now)) now = 'skip';
    seen.add(now);
    return now;
  });
}

const usualOrder: readonly Role[] = ['N', 'mxTop', 'mxBottom', 'myTop', 'myBottom', 'vx', 'vy', 'torsion'];

function byOrder(rows: PastedTable['rows'], width: number): Role[] {
  const numeric = Array.from({ length: width }, (_, i) => {
    const filled = rows.map((r) => r[i] ?? '').filter(Boolean);
    return filled.length > 0 && filled.filter(isNumeric).length > filled.length / 2;
  });
  // A first column of plain text, or of running numbers, is the name.
  const running = rows.length > 2 && rows.slice(0, 20).every((r, i) => Number(r[0]) === Number(rows[0]![0]) + i);
  let next = 0;
  let named = false;
  return numeric.map((isNumber, i): Role => {
    if (!isNumber || (i === 0 && running)) {
      if (named) return i === 1 ? 'title' : 'skip';
      named = true;
      return 'name';
    }
    return usualOrder[next++] ?? 'skip';
  });
}

/** A unit named in a heading, as in "N (kN)", "My [kNm]" or "N kN"; the first word is the name, so that N alone is not newtons. */
function unitIn(heading: string, role: Role): string | undefined {
  const kind = quantityOf[role];
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

export interface ReadRow {
  readonly row: number;
  readonly cells: readonly string[];
  /** The set, or why the row is refused and at which column. */
  readonly set?: LoadSet;
  readonly reason?: string;
  readonly column?: number;
}

export interface SetsReading {
  readonly rows: readonly ReadRow[];
  /** Empty cells of forces that were read as zero. */
  readonly empty: number;
}

export interface ReadingOptions {
  readonly readings: readonly ColumnReading[];
  readonly system: UnitSystem;
  /** Compression is written with a minus. */
  readonly compressionNegative: boolean;
  readonly kind: LoadSetKind;
}

/** Whether compression seems to be written with a minus: most axial forces are negative. */
export function seemsNegative(table: PastedTable, readings: readonly ColumnReading[]): boolean {
  const at = readings.findIndex((r) => r.role === 'N');
  if (at < 0) return false;
  const values = table.rows.map((r) => (r[at] ?? '').trim().replace('−', '-')).filter(isNumeric);
  return values.length > 0 && values.filter((v) => v.startsWith('-')).length > 0.7 * values.length;
}

const kinds: Record<string, LoadSetKind> = {
  u: 'ultimate',
  uls: 'ultimate',
  ultimate: 'ultimate',
  str: 'ultimate',
  characteristic: 'characteristic',
  char: 'characteristic',
  frequent: 'frequent',
  freq: 'frequent',
  qp: 'quasiPermanent',
  'quasi-permanent': 'quasiPermanent',
  quasipermanent: 'quasiPermanent',
  service: 'service',
  sls: 'service',
};

/** Reads every row of a table as a load set; what is not understood is refused with its reason, and nothing is lost. */
export function readSets(table: PastedTable, o: ReadingOptions): SetsReading {
  let empty = 0;
  const rows = table.rows.map((cells, row): ReadRow => {
    const set: Record<string, number | string | null> = { name: '', title: '', kind: o.kind, sustained: null, sway: null };
    for (const role of usualOrder) set[role] = 0;
    let hasN = false;
    for (const [i, { role, unit }] of o.readings.entries()) {
      const cell = (cells[i] ?? '').trim();
      const refuse = (reason: string): ReadRow => ({ row, cells, reason: `${roleNames[role]}: ${reason}`, column: i });
      const quantity = quantityOf[role];
      if (role === 'skip') continue;
      if (quantity) {
        if (cell === '') {
          if (role === 'N') return refuse('there is no axial force.');
          empty += 1;
          continue;
        }
        if (/^\d{1,4}[-/.]\d{1,2}[-/.]\d{1,4}$/.test(cell)) return refuse(`"${cell}" is a date.`);
        const parsed = parseQuantity(cell, quantity, o.system, findUnit(unit));
        if (!parsed.ok) return refuse(parsed.reason);
        set[role] = parsed.value;
        hasN ||= role === 'N';
      } else if (role === 'sustained') {
        if (cell === '') continue;
        const parsed = parseQuantity(cell, 'ratio', o.system);
        if (!parsed.ok || parsed.value < 0 || parsed.value > 1) return refuse(`"${cell}" is not a part from 0 to 1.`);
        set.sustained = parsed.value;
      } else if (role === 'kind') {
        const kind = cell === '' ? o.kind : kinds[cell.toLowerCase()];
        if (!kind) return refuse(`"${cell}" is none of ultimate, characteristic, frequent, quasi-permanent, service.`);
        set.kind = kind;
      } else set[role] = cell.slice(0, role === 'name' ? 40 : 80);
    }
    if (!hasN) return { row, cells, reason: 'No column is read as N.' };
    if (o.compressionNegative) for (const key of ['N', 'nBottom']) if (typeof set[key] === 'number') set[key] = -set[key];
    return { row, cells, set: { ...(set as unknown as LoadSet), name: (set.name as string) || `L${row + 1}` } };
  });
  return { rows, empty };
}
