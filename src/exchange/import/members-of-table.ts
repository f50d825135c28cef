import type { BeamMember, StationForces } from '@/core/members/beam/input';
import type { LoadSet } from '@/core/members/column/input';
import type { Member } from '@/core/members/kinds';
import { keyOfSet, takenAway, type Imported, type NamedSet } from '@/core/members/parts/imported';
import { isSectionAlone, isUpright, type UprightMember } from '@/core/members/wall/upright';
import { formatQuantity } from '@/core/units/format';
import type { UnitSystem } from '@/core/units/quantity';
import { membersIn, NO_MEMBER, type PastedTable, type ReadRow } from '../mapped-table';
import { largerBetween, readSets, type ReadingOptions } from '../paste-sets';
import { lengthsIn, readStations, spanNames, type StationsOptions } from '../paste-stations';

/** What a table means for one member: one that is there, or a new one under its name. */
export interface ForMember<M, T> {
  readonly name: string;
  readonly member: M | null;
  readonly values: readonly T[];
  /** In a few words, what would change. */
  readonly says: string;
  /** Why nothing is taken for it. */
  readonly refused?: string;
}

export interface MembersReading<M, T> {
  readonly rows: readonly ReadRow<T>[];
  readonly empty: number;
  readonly members: readonly ForMember<M, T>[];
  /** Sets whose moment between the ends is larger than at both; rows between are not taken over. */
  readonly between?: readonly string[];
}

export const plainName = (name: string) => name.trim().toLowerCase();

/** Rows of members are told apart by the column that names them; without one all are of the member that the table is named for. */
export const nameOf = (row: ReadRow<unknown>, names: readonly string[], title: string) => (names.length === 0 ? title : (row.member ?? ''));

type Signs = ReadingOptions['signs'];

/** End moments as a member writes them: where table and member differ in what equal signs mean, those of the foot change theirs. */
const asSigned = (sets: readonly LoadSet[], from: Signs, to: Signs): readonly LoadSet[] =>
  (from ?? 'bending') === (to ?? 'bending') ? sets : sets.map((s) => ({ ...s, mxBottom: -s.mxBottom + 0, myBottom: -s.myBottom + 0 }));

/**
 * Load sets for columns and walls out of one table; `signs` says what equal signs at both ends mean in it: for those that are there by their marks, for
 * others anew.
 */
export function setsForMembers(
  table: PastedTable,
  o: ReadingOptions & { readonly dropsOthers?: boolean },
  members: readonly Member[],
  title: string,
): MembersReading<UprightMember, LoadSet> {
  const names = membersIn(table, o.readings);
  const { rows: read, empty } = readSets(table, { ...o, signs: 'bending' });
  const rows = read.map((r) => (nameOf(r, names, title) === '' && r.reason === undefined ? unnamed(r) : r));
  const found = new Map<string, LoadSet[]>();
  for (const r of rows) {
    const name = nameOf(r, names, title);
    if (name === '' || !r.value) continue;
    const own = found.get(name);
    if (own) own.push(r.value);
    else found.set(name, [r.value]);
  }
  const known = new Map(members.map((m) => [plainName(m.mark), m]));
  const list = [...found].map(([name, given]): ForMember<UprightMember, LoadSet> => {
    const own = known.get(plainName(name));
    const member = own && isUpright(own) ? own : null;
    if (own && !member)
      return { name, member: null, values: [], says: '', refused: 'a member of this mark is there, and takes no load sets' };
    if (member && isSectionAlone(member))
      return { name, member, values: [], says: '', refused: 'it is a section by itself: paste its rows there' };
    const values = asSigned(given, o.signs, member?.signs ?? 'bending');
    const doubled = values.find((v, i) => values.findIndex((w) => keyOfSet(v) === keyOfSet(w)) !== i);
    if (doubled) return { name, member, values: [], says: '', refused: `has the set ${doubled.name} more than once` };
    return {
      name,
      member,
      values,
      says: member
        ? changesOf(member, values, { file: title, dropsOthers: o.dropsOthers ?? false })
        : `new, ${count(values.length, 'load set')}`,
    };
  });
  const refused = new Map(list.flatMap((m) => (m.refused ? [[m.name, m.refused] as const] : [])));
  const told = rows.map((r) => {
    const why = r.reason === undefined ? refused.get(nameOf(r, names, title)) : undefined;
    return why === undefined ? r : { row: r.row, cells: r.cells, member: r.member, reason: `${r.member ?? title}: ${why}.` };
  });
  const between = largerBetween({ rows: read, empty }, table, { ...o, signs: 'bending' });
  return { rows: told as ReadRow<LoadSet>[], empty, members: list, between };
}

export const unnamed = <T>({ row, cells }: ReadRow<T>): ReadRow<T> => ({ row, cells, reason: NO_MEMBER });
export const count = (n: number, noun: string) => `${n} ${noun}${n === 1 ? '' : 's'}`;

/** From which file sets come, and whether all others of their members go. */
export interface ImportRule {
  readonly file: string;
  readonly dropsOthers: boolean;
}

/** What is new, what changes, what stays and what goes of the sets of a member; sets are the same by their names and kinds. */
export function changesOf<S extends NamedSet>(
  member: { readonly sets: readonly S[]; readonly imported: readonly Imported[] },
  after: readonly S[],
  rule: ImportRule,
): string {
  const before = new Map(member.sets.map((s) => [keyOfSet(s), s]));
  const old = (s: S) => before.get(keyOfSet(s));
  const isSame = (a: S, b: S) =>
    (Object.keys(b) as (keyof S)[]).every(
      (k) => a[k] === b[k] || (typeof a[k] === 'number' && Math.abs(Number(a[k]) - Number(b[k])) < 1e-6),
    );
  const fresh = after.filter((s) => !old(s)).length;
  const changed = after.filter((s) => old(s) && !isSame(old(s)!, s)).length;
  const same = after.length - fresh - changed;
  const away = takenAway(member.sets, after, member.imported, rule).length;
  const stay = member.sets.length - (after.length - fresh) - away;
  const parts = [
    fresh && `${fresh} new`,
    changed && `${changed} changed`,
    same && `${same} as before`,
    away && `${away} taken away`,
    stay && `${count(stay, 'other')} stay${stay === 1 ? 's' : ''}`,
  ];
  return parts.filter(Boolean).join(', ');
}

/** Stations of a beam out of a table, with the spans that they count along. */
export interface BeamStations {
  readonly stations: readonly StationForces[];
  readonly sets: readonly string[];
  /** Lengths of the spans (mm). */
  readonly spans: readonly number[];
  readonly shearTurned: boolean;
}

export interface BeamsReading extends MembersReading<BeamMember, StationForces> {
  readonly beams: ReadonlyMap<string, BeamStations>;
  readonly sets: readonly string[];
  /** V of the table is the slope of M with the other sign: as said, or as most of the beams show. */
  readonly shearTurned: boolean;
}

export type BeamTableOptions = Omit<StationsOptions, 'spanBy' | 'order' | 'lengths'>;

/** Stations for beams out of one table: along the spans of those that are there by their marks; a new beam has the spans of the table. */
export function stationsForMembers(table: PastedTable, o: BeamTableOptions, members: readonly Member[], title: string): BeamsReading {
  if (o.shearTurned !== null) return stationsAsSaid(table, { ...o, shearTurned: o.shearTurned }, members, title);
  // One sign holds for the whole table: that which most of its beams show.
  const found = stationsAsSaid(table, o, members, title);
  const turned = [...found.beams.values()].filter((b) => b.shearTurned).length;
  return stationsAsSaid(table, { ...o, shearTurned: turned > found.beams.size / 2 }, members, title);
}

function stationsAsSaid(table: PastedTable, o: BeamTableOptions, members: readonly Member[], title: string): BeamsReading {
  const at = o.readings.findIndex((r) => r.role === 'member');
  const byName = new Map<string, { readonly index: number; readonly cells: readonly string[] }[]>();
  table.rows.forEach((cells, index) => {
    const name = at < 0 ? title : (cells[at] ?? '').trim();
    const own = byName.get(name);
    if (own) own.push({ index, cells });
    else byName.set(name, [{ index, cells }]);
  });
  const rows: ReadRow<StationForces>[] = (byName.get('') ?? []).map(({ index, cells }) => ({
    row: index,
    cells,
    reason: NO_MEMBER,
    column: at,
  }));
  const beams = new Map<string, BeamStations>();
  let empty = 0;
  const list = [...byName]
    .filter(([name]) => name !== '')
    .map(([name, own]): ForMember<BeamMember, StationForces> => {
      const part = { headings: table.headings, rows: own.map((r) => r.cells) };
      const known = members.find((m) => plainName(m.mark) === plainName(name));
      const member = known && 'stationSets' in known ? (known as BeamMember) : null;
      const refuse = (refused: string): ForMember<BeamMember, StationForces> => {
        for (const { index, cells } of own) rows.push({ row: index, cells, member: name, reason: `${name}: ${refused}.` });
        return { name, member, values: [], says: '', refused };
      };
      if (known && !member) return refuse('a member of this mark is there, and is no beam');
      const spans = spansOf(part, o, member);
      if (typeof spans === 'string') return refuse(spans);
      const read = readStations(part, { ...o, ...spans });
      empty += read.empty;
      for (const r of read.rows) rows.push({ ...r, row: own[r.row]!.index, member: name });
      const values = read.rows.flatMap((r) => (r.value ? [r.value] : []));
      beams.set(name, { stations: values, sets: read.sets, spans: spans.lengths, shearTurned: read.shearTurned });
      const what = `${count(values.length, 'station')} of ${count(read.sets.length, 'set')}`;
      const before = member && member.stations.length > 0 ? `, in place of ${member.stations.length}` : '';
      return { name, member, values, says: member ? what + before : `new, ${count(spans.lengths.length, 'span')}, ${what}` };
    });
  rows.sort((a, b) => a.row - b.row);
  return {
    rows,
    empty,
    members: list,
    beams,
    shearTurned: o.shearTurned ?? false,
    sets: [...new Set([...beams.values()].flatMap((b) => b.sets))],
  };
}

/** By what the stations of a beam count, and along which spans; in words why they do not fit. */
function spansOf(
  part: PastedTable,
  o: BeamTableOptions,
  member: BeamMember | null,
): Pick<StationsOptions, 'spanBy' | 'order' | 'lengths'> | string {
  const places = spanNames(part, o.readings, 'place');
  const by = places.length > 1 ? 'place' : 'along';
  const inTable = lengthsIn(part, o, by, places);
  if (!inTable.every((l) => l > 0)) return 'there are no stations along it';
  const own = member?.spans.map((s) => s.length) ?? inTable;
  if (by === 'along') {
    const [whole, table] = [own.reduce((a, b) => a + b, 0), inTable[0]!];
    if (Math.abs(whole - table) > 0.005 * whole)
      return `its stations go to ${metres(table, o.system)}, the beam to ${metres(whole, o.system)}`;
    return { spanBy: 'along', order: ['along'], lengths: own };
  }
  if (own.length !== places.length) return `the table has ${places.length} spans, the beam ${own.length}`;
  const off = own.findIndex((l, i) => Math.abs(l - inTable[i]!) > 0.005 * l);
  if (off >= 0) return `span ${off + 1} is ${metres(own[off]!, o.system)} long here, ${metres(inTable[off]!, o.system)} in the table`;
  return { spanBy: 'place', order: places, lengths: own };
}

const metres = (v: number, system: UnitSystem) => formatQuantity(v, 'station', system);
