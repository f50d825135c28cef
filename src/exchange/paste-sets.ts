import type { LoadSet, LoadSetKind } from '@/core/members/column/input';
import { formatQuantity } from '@/core/units/format';
import { parseQuantity } from '@/core/units/parse';
import type { QuantityKind, UnitSystem } from '@/core/units/quantity';
import { alongIn, forceIn, isCombination, isMember, memberForce, type Axis, type MemberForce } from './force-headings';
import { readCell, type ColumnReading, type PastedTable, type ReadRow, type Vocabulary } from './mapped-table';

/** What a pasted column can be, with its name. */
export const roleNames = {
  member: 'member',
  station: 'station',
  end: 'end',
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
export type Role = keyof typeof roleNames;

const quantities: Partial<Record<Role, QuantityKind>> = {
  station: 'station',
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

/** The forces of a column by the pairs of a member: Mx with Vy, My with Vx; at the top unless the heading says otherwise. */
const roleOfForce: Readonly<Record<MemberForce, readonly [top: Role, foot: Role]>> = {
  N: ['N', 'nBottom'],
  M1: ['mxTop', 'mxBottom'],
  M2: ['myTop', 'myBottom'],
  V1: ['vy', 'vyBottom'],
  V2: ['vx', 'vxBottom'],
  T: ['torsion', 'torsion'],
};

function rolesOf(headings: readonly string[], said?: Axis): Role[] {
  const forces = headings.map(forceIn);
  const along = said ?? alongIn(forces);
  return headings.map((h, i): Role => {
    const force = forces[i];
    if (!force) return otherRole(h);
    const what = memberForce(force, along);
    return what === undefined ? 'skip' : roleOfForce[what][force.end === 'foot' ? 1 : 0];
  });
}

function otherRole(h: string): Role {
  if (/sustain|quasi|βd|beta/.test(h)) return 'sustained';
  if (/^(kind|type|limit state)/.test(h)) return 'kind';
  if (/^(station|stn|distance|dist|elevation|height|z|x)$|^(station|distance|dist)\b/.test(h)) return 'station';
  if (/^(end|node|joint|location|loc|position|pos|where)\b/.test(h)) return 'end';
  if (isCombination(h) || /^(name|id|no|nr|number)\b/.test(h)) return 'name';
  if (isMember(h)) return 'member';
  return /^(title|description|note|remark|storey|story|level)/.test(h) ? 'title' : 'skip';
}

const usualOrder: readonly Role[] = ['N', 'mxTop', 'mxBottom', 'myTop', 'myBottom', 'vx', 'vy', 'torsion'];

export const setVocabulary: Vocabulary<Role> = {
  names: roleNames,
  quantities,
  textOrder: ['name', 'title'],
  numberOrder: usualOrder,
  rolesOf,
  twins: { mxTop: 'mxBottom', myTop: 'myBottom' },
};

export interface SetsReading {
  readonly rows: readonly ReadRow<LoadSet>[];
  /** Empty cells of forces that were read as zero. */
  readonly empty: number;
}

export interface ReadingOptions {
  readonly readings: readonly ColumnReading<Role>[];
  readonly system: UnitSystem;
  /** Compression is written with a minus. */
  readonly compressionNegative: boolean;
  readonly kind: LoadSetKind;
  /** Which end of the column the first station, or the end i, is: its foot unless it is said. */
  readonly firstEnd?: 'foot' | 'top';
  /** A section by itself: every row is a set, whatever its station or end; the station goes into its name. */
  readonly isSection?: boolean;
  /** In which sense the column has its end moments. */
  readonly signs?: 'bending' | 'turning';
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

/** One row by itself: its forces, and which end of which member it is. */
interface RowRead extends ReadRow<LoadSet> {
  readonly member: string;
  readonly station: number | null;
  readonly end: 'top' | 'foot' | null;
}

/** Reads every row of a table as a load set; rows of both ends of a member make one. What is not understood is refused with its reason, and nothing is lost. */
export function readSets(table: PastedTable, o: ReadingOptions): SetsReading {
  let empty = 0;
  const rows = table.rows.map((cells, row): RowRead => {
    const read = readRow(cells, row, o);
    empty += read.empty;
    return read;
  });
  if (o.isSection) return { rows: rows.map((r) => namedByStation(r, o)), empty };
  const hasEnds = o.readings.some((r) => r.role === 'station' || r.role === 'end');
  return { rows: hasEnds ? joinEnds(rows, o) : rows, empty };
}

/** The set of a section with where its row stands in its name: rows of several stations stay apart. */
function namedByStation(r: RowRead, { system }: ReadingOptions): RowRead {
  const at = r.station === null ? (r.end ?? '') : formatQuantity(r.station, 'station', system);
  return r.value && at ? { ...r, value: { ...r.value, name: `${r.value.name} at ${at}`.slice(0, 40) } } : r;
}

const END_WORDS: Readonly<Record<string, 'first' | 'second' | 'top' | 'foot'>> = {
  i: 'first',
  start: 'first',
  '1': 'first',
  j: 'second',
  '2': 'second',
  top: 'top',
  head: 'top',
  upper: 'top',
  bottom: 'foot',
  foot: 'foot',
  base: 'foot',
  lower: 'foot',
};

function readRow(cells: readonly string[], row: number, o: ReadingOptions): RowRead & { readonly empty: number } {
  const set: Record<string, number | string | null> = { name: '', title: '', kind: o.kind, sustained: null, sway: null };
  for (const role of usualOrder) set[role] = 0;
  let [hasN, empty] = [false, 0];
  const at: { member: string; station: number | null; end: RowRead['end'] } = { member: '', station: null, end: null };
  for (const [i, { role, unit }] of o.readings.entries()) {
    const cell = (cells[i] ?? '').trim();
    const refuse = (reason: string) => ({ row, cells, ...at, empty, reason: `${roleNames[role]}: ${reason}`, column: i });
    const quantity = quantities[role];
    if (role === 'skip') continue;
    if (quantity) {
      if (cell === '') {
        if (role === 'N') return refuse('there is no axial force.');
        empty += 1;
        continue;
      }
      const parsed = readCell(cell, quantity, o.system, unit);
      if (!parsed.ok) return refuse(parsed.reason);
      if (role === 'station') at.station = parsed.value;
      else set[role] = parsed.value;
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
    } else if (role === 'member') at.member = cell;
    else if (role === 'end') {
      const word = END_WORDS[cell.toLowerCase()];
      const asStation = word ? undefined : readCell(cell, 'station', o.system, '');
      if (asStation?.ok) {
        at.station = asStation.value;
        continue;
      }
      if (!word) return refuse(`"${cell}" is no end: top or foot, i or j.`);
      const firstIsFoot = o.firstEnd !== 'top';
      at.end = word === 'first' ? (firstIsFoot ? 'foot' : 'top') : word === 'second' ? (firstIsFoot ? 'top' : 'foot') : word;
    } else set[role] = cell.slice(0, role === 'name' ? 40 : 80);
  }
  if (!hasN) return { row, cells, ...at, empty, reason: 'No column is read as N.' };
  if (o.compressionNegative) for (const key of ['N', 'nBottom']) if (typeof set[key] === 'number') set[key] = -set[key];
  return { row, cells, ...at, empty, value: { ...(set as unknown as LoadSet), name: (set.name as string) || `L${row + 1}` } };
}

/** Rows of one member and one name make one set: the first and the last station are its ends, rows between them are left out. */
function joinEnds(rows: readonly RowRead[], o: ReadingOptions): ReadRow<LoadSet>[] {
  const groups = new Map<string, RowRead[]>();
  for (const r of rows) if (r.value) groups.set(keyOf(r), [...(groups.get(keyOf(r)) ?? []), r]);
  const [most] = [Math.max(0, ...[...groups.values()].map((g) => g.length))];
  const answers = new Map<number, ReadRow<LoadSet>>();
  for (const group of groups.values()) for (const answer of joined(group, most, o)) answers.set(answer.row, answer);
  return rows.map((r) => answers.get(r.row) ?? r);
}

const keyOf = (r: RowRead) => JSON.stringify([r.member, r.value!.name, r.value!.kind]);

function joined(group: readonly RowRead[], most: number, o: ReadingOptions): ReadRow<LoadSet>[] {
  const { top, foot } = endsOf(group, o);
  const who = [group[0]!.value!.name, group[0]!.member && `of ${group[0]!.member}`].filter(Boolean).join(' ');
  if (!top || !foot || top === foot) {
    if (most < 2) return [...group];
    return group.map(({ row, cells, member }) => ({ row, cells, member, reason: `${who} has one end only, others have both.` }));
  }
  const doubled = group.find(
    (r) => r !== top && r !== foot && (r.station === null || r.station === top.station || r.station === foot.station),
  );
  if (doubled) return group.map(({ row, cells, member }) => ({ row, cells, member, reason: `${who} has an end more than once.` }));
  const [a, b] = [top.value!, foot.value!];
  const apart = (upper: number, lower: number) => (Math.abs(upper - lower) <= 1e-9 * Math.abs(upper) ? null : lower);
  // Moments of an analysis have one sense along the member: equal signs bend it in single curvature.
  const sense = o.signs === 'turning' ? -1 : 1;
  const value: LoadSet = {
    ...a,
    mxBottom: sense * b.mxTop + 0,
    myBottom: sense * b.myTop + 0,
    nBottom: apart(a.N, b.N),
    vxBottom: apart(a.vx, b.vx),
    vyBottom: apart(a.vy, b.vy),
    torsion: Math.abs(b.torsion) > Math.abs(a.torsion) ? b.torsion : a.torsion,
  };
  return group.map(({ row, cells, member }) => (row === top.row ? { row, cells, member, value } : { row, cells, member, joined: top.row }));
}

/** The row of each end: as its word says, else by the lowest and the highest station. */
function endsOf(group: readonly RowRead[], { firstEnd }: ReadingOptions): { readonly top?: RowRead; readonly foot?: RowRead } {
  const said = (end: 'top' | 'foot') => group.find((r) => r.end === end);
  if (group.some((r) => r.end !== null)) return { top: said('top'), foot: said('foot') };
  const by = [...group].sort((p, q) => (p.station ?? 0) - (q.station ?? 0));
  const [first, last] = [by[0], by.at(-1)];
  if (first?.station === null || first?.station === last?.station) return {};
  return firstEnd === 'top' ? { top: first, foot: last } : { top: last, foot: first };
}

/** Names of sets whose moment between the ends is larger than at both: rows between the ends are not taken over. */
export function largerBetween(reading: SetsReading, table: PastedTable, o: ReadingOptions): string[] {
  const at = new Map<number, LoadSet>();
  for (const r of reading.rows) if (r.value) at.set(r.row, r.value);
  const names = reading.rows.flatMap((r) => {
    const set = r.joined === undefined ? undefined : at.get(r.joined);
    const own = set && readRow(table.rows[r.row]!, r.row, o).value;
    const beyond = (m: number, top: number, foot: number) => Math.abs(m) > Math.max(Math.abs(top), Math.abs(foot)) * (1 + 1e-9);
    const isLarger = set && own && (beyond(own.mxTop, set.mxTop, set.mxBottom) || beyond(own.myTop, set.myTop, set.myBottom));
    return isLarger ? [r.member ? `${set.name} of ${r.member}` : set.name] : [];
  });
  return [...new Set(names)];
}
