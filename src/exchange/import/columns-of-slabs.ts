import type { Member } from '@/core/members/kinds';
import { isAtColumn, type PunchingForces, type PunchingMember } from '@/core/members/punching/input';
import type { UnitSystem } from '@/core/units/quantity';
import { membersIn, type ColumnReading, type PastedTable, type ReadRow } from '../mapped-table';
import { readSlabForces, type SlabForceRole } from '../paste-punching';
import { changesOf, count, nameOf, plainName, unnamed, type ForMember, type MembersReading } from './members-of-table';

/** Forces that slabs bring to their columns out of one table: for members that are there by their marks, for others anew. */
export function slabForcesForMembers(
  table: PastedTable,
  readings: readonly ColumnReading<SlabForceRole>[],
  system: UnitSystem,
  members: readonly Member[],
  title: string,
  dropsOthers = false,
): MembersReading<PunchingMember, PunchingForces> {
  const names = membersIn(table, readings);
  const at = readings.findIndex((r) => r.role === 'member');
  const { rows: read, empty } = readSlabForces(table, readings, system);
  const rows = read.map((r) => {
    const own = at < 0 ? r : { ...r, member: (r.cells[at] ?? '').trim() };
    return nameOf(own, names, title) === '' && own.reason === undefined ? unnamed(own) : own;
  });
  const found = new Map<string, PunchingForces[]>();
  for (const r of rows) {
    if (!r.value) continue;
    const name = nameOf(r, names, title);
    found.set(name, [...(found.get(name) ?? []), r.value]);
  }
  const list = [...found].map(([name, values]): ForMember<PunchingMember, PunchingForces> => {
    const known = members.find((m) => plainName(m.mark) === plainName(name));
    const refuse = (refused: string, member: PunchingMember | null = null) => ({ name, member, values: [], says: '', refused });
    if (!known) return { name, member: null, values, says: `new, ${count(values.length, 'set')}` };
    if (!isAtColumn(known)) return refuse('a member of this mark is there, and is no slab at a column');
    if (known.from) return refuse('it follows a slab, whose analysis gives its forces', known);
    const doubled = values.find((v, i) => values.findIndex((w) => w.name === v.name) !== i);
    if (doubled) return refuse(`has the set ${doubled.name} more than once`, known);
    return { name, member: known, values, says: changesOf(known, values, { file: title, dropsOthers }) };
  });
  const refused = new Map(list.flatMap((m) => (m.refused ? [[m.name, m.refused] as const] : [])));
  const told = rows.map((r): ReadRow<PunchingForces> => {
    const why = r.reason === undefined ? refused.get(nameOf(r, names, title)) : undefined;
    return why === undefined
      ? r
      : { row: r.row, cells: r.cells, ...(r.member ? { member: r.member } : {}), reason: `${r.member ?? title}: ${why}.` };
  });
  return { rows: told, empty, members: list };
}
