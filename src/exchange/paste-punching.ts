import type { PunchingForces } from '@/core/members/punching/input';
import type { QuantityKind, UnitSystem } from '@/core/units/quantity';
import { forceIn, isCombination, isMember } from './force-headings';
import { readCell, type ColumnReading, type PastedTable, type ReadRow, type Vocabulary } from './mapped-table';

/** What a pasted column of forces from a slab can be, with its name. */
const names = { name: 'name', V: 'V', Mx: 'M about x', My: 'M about y', skip: 'leave out' };
/** In a table of many columns, what the column is that a row is of. */
const namesOfMany = { member: 'column', ...names };
export type SlabForceRole = keyof typeof namesOfMany;

const quantities: Partial<Record<SlabForceRole, QuantityKind>> = { V: 'force', Mx: 'moment', My: 'moment' };

/** The shear is a reaction as well, in tables of reactions; x and y are those of the plan. */
function roleOf(h: string): Exclude<SlabForceRole, 'member'> {
  const force = forceIn(h);
  if (!force) return isCombination(h) || /^(name|id|no|nr|number|title)\b/.test(h) ? 'name' : 'skip';
  const { sort, axis } = force;
  if (sort === 'moment') return axis === 'x' || axis === '1' ? 'Mx' : axis === 'y' || axis === '2' ? 'My' : 'skip';
  return sort !== 'torque' && (axis === null || axis === 'z' || axis === '3') ? 'V' : 'skip';
}

export const slabForceVocabulary: Vocabulary<Exclude<SlabForceRole, 'member'>> = {
  names,
  quantities,
  textOrder: ['name'],
  numberOrder: ['V', 'Mx', 'My'],
  rolesOf: (headings: readonly string[]) => headings.map(roleOf),
  twins: {},
};

/** The same for rows of many columns, each named by its member or its place. */
export const slabForcesOfMany: Vocabulary<SlabForceRole> = {
  names: namesOfMany,
  quantities,
  textOrder: ['member', 'name'],
  numberOrder: ['V', 'Mx', 'My'],
  rolesOf: (headings: readonly string[]) =>
    headings.map((h) => (isMember(h) || /^(joint|node|point|support)\b/.test(h) ? 'member' : roleOf(h))),
  twins: {},
};

/** Reads every row of a table as forces that a slab brings to its column; what is not understood is refused with its reason. */
export function readSlabForces(table: PastedTable, readings: readonly ColumnReading<SlabForceRole>[], system: UnitSystem) {
  let empty = 0;
  const rows = table.rows.map((cells, row): ReadRow<PunchingForces> => {
    const forces = { name: '', V: 0, Mx: 0, My: 0 };
    let hasShear = false;
    for (const [i, { role, unit }] of readings.entries()) {
      const cell = (cells[i] ?? '').trim();
      if (role === 'name') forces.name = cell.slice(0, 40);
      const kind = quantities[role];
      if (!kind) continue;
      if (cell === '') {
        empty += 1;
        continue;
      }
      const parsed = readCell(cell, kind, system, unit);
      if (!parsed.ok) return { row, cells, reason: `${namesOfMany[role]}: ${parsed.reason}`, column: i };
      forces[role as 'V' | 'Mx' | 'My'] = parsed.value;
      hasShear ||= role === 'V';
    }
    if (!hasShear) return { row, cells, reason: 'There is no shear in this row.' };
    return { row, cells, value: { ...forces, name: forces.name || `U${row + 1}` } };
  });
  return { rows, empty };
}
