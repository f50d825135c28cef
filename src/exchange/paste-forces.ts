import type { GivenForces } from '@/core/members/beam/input';
import { formatQuantity } from '@/core/units/format';
import type { QuantityKind, UnitSystem } from '@/core/units/quantity';
import { alongIn, forceIn, isCombination, isMember, memberForce, type Axis, type MemberForce } from './force-headings';
import { NO_MEMBER, readCell, type ColumnReading, type PastedTable, type ReadRow, type Vocabulary } from './mapped-table';

/** What a pasted column of beam forces can be, with its name. */
const names = {
  member: 'member',
  place: 'place',
  station: 'station',
  combination: 'combination',
  moment: 'M',
  shear: 'V',
  torsion: 'T',
  axial: 'N',
  skip: 'leave out',
};
export type ForceRole = keyof typeof names;

const quantities: Partial<Record<ForceRole, QuantityKind>> = {
  station: 'station',
  moment: 'moment',
  shear: 'force',
  torsion: 'moment',
  axial: 'force',
};

export const forceVocabulary: Vocabulary<ForceRole> = {
  names,
  quantities,
  textOrder: ['place', 'combination'],
  numberOrder: ['moment', 'shear', 'torsion', 'axial'],
  rolesOf,
  twins: {},
};

/** The pair that bends the beam in its depth, My with Vz or M3 with V2; where a table has the other pair alone, that one. */
function rolesOf(headings: readonly string[], said?: Axis): ForceRole[] {
  const forces = headings.map(forceIn);
  const along = said ?? alongIn(forces);
  const found = forces.map((f) => f && memberForce(f, along));
  const has = (...wanted: MemberForce[]) => found.some((f) => f !== undefined && wanted.includes(f));
  const roles: Partial<Record<MemberForce, ForceRole>> = has('M1', 'V1') ? { M1: 'moment', V1: 'shear' } : { M2: 'moment', V2: 'shear' };
  // One moment alone is that of the beam, whatever its axis.
  const moments = forces.filter((f) => f?.sort === 'moment');
  return headings.map((h, i): ForceRole => {
    const force = forces[i];
    if (force?.sort === 'moment' && moments.length === 1 && along === null) return 'moment';
    const what = found[i];
    if (force) return what === 'N' ? 'axial' : what === 'T' ? 'torsion' : ((what && roles[what]) ?? 'skip');
    return otherRole(h);
  });
}

function otherRole(h: string): ForceRole {
  if (/^(station|stn|x|distance|dist|position|pos|loc|location|chainage)\b/.test(h)) return 'station';
  if (isCombination(h)) return 'combination';
  if (isMember(h)) return 'member';
  return /^(place|span|where|name|label|section|storey|story|level)\b/.test(h) ? 'place' : 'skip';
}

export interface ForcesOptions {
  readonly readings: readonly ColumnReading<ForceRole>[];
  readonly system: UnitSystem;
  /** Compression is written with a minus, a moment that stretches the bottom with a minus. */
  readonly compressionNegative: boolean;
  readonly saggingNegative: boolean;
  /** Rows of other members are left out; all are read where it is not said. */
  readonly member?: string;
}

export interface ForcesReading {
  readonly rows: readonly ReadRow<GivenForces>[];
  /** Empty cells of forces that were read as zero. */
  readonly empty: number;
  /** Combinations whose number of stations differs from that of most. */
  readonly uneven: readonly { readonly combination: string; readonly stations: number; readonly usual: number }[];
}

/** The cells of one row of forces, before it is said what they stand for. Figures that a table lacks are undefined. */
export interface RowOfForces {
  readonly member: string;
  readonly place: string;
  readonly combination: string;
  readonly station?: number;
  readonly moment?: number;
  readonly shear?: number;
  readonly torsion?: number;
  readonly axial?: number;
}

/** The rows of a table as figures, those of other members left out; what is not understood is refused with its reason, and nothing is lost. */
export function readRows(table: PastedTable, o: ForcesOptions): { readonly rows: readonly ReadRow<RowOfForces>[]; readonly empty: number } {
  let empty = 0;
  const memberAt = o.readings.findIndex((r) => r.role === 'member');
  const rows = table.rows.flatMap((cells, row): ReadRow<RowOfForces>[] => {
    const of = (cells[memberAt] ?? '').trim();
    if (o.member === undefined || of === o.member) return [readRow(cells, row)];
    return of === '' ? [{ row, cells, reason: NO_MEMBER, column: memberAt }] : [];
  });
  return { rows, empty };

  function readRow(cells: readonly string[], row: number): ReadRow<RowOfForces> {
    const found: Record<string, number> = {};
    const texts = { member: '', place: '', combination: '' };
    for (const [i, { role, unit }] of o.readings.entries()) {
      const cell = (cells[i] ?? '').trim();
      const kind = quantities[role];
      if (role === 'member' || role === 'place' || role === 'combination') texts[role] = cell;
      if (!kind) continue;
      if (cell === '') {
        empty += 1;
        continue;
      }
      const parsed = readCell(cell, kind, o.system, unit);
      if (!parsed.ok) return { row, cells, reason: `${forceVocabulary.names[role]}: ${parsed.reason}`, column: i };
      found[role] = parsed.value;
    }
    if (Object.keys(found).every((role) => role === 'station')) return { row, cells, reason: 'There is no force in this row.' };
    // Adding nothing keeps a turned zero from being shown as -0.
    if (found.moment !== undefined && o.saggingNegative) found.moment = -found.moment + 0;
    if (found.axial !== undefined && o.compressionNegative) found.axial = -found.axial + 0;
    return { row, cells, value: { ...texts, ...found } };
  }
}

/** Reads every row of a table as forces at a place. */
export function readForces(table: PastedTable, o: ForcesOptions): ForcesReading {
  const { rows, empty } = readRows(table, o);
  const placed = rows.map((r): ReadRow<GivenForces> => {
    const { value, ...rest } = r;
    if (!value) return rest;
    const { member, place, combination, station, moment = 0, shear = 0, torsion = 0, axial = 0 } = value;
    const at = station === undefined ? '' : formatQuantity(station, 'station', o.system);
    const name = [o.member === undefined ? member : '', place, at].filter(Boolean).join(', ').slice(0, 60);
    return { ...rest, value: { place: name || `row ${r.row + 1}`, combination: combination.slice(0, 60), moment, shear, torsion, axial } };
  });
  return { rows: placed, empty, uneven: unevenStations(placed) };
}

/** An analysis gives the same stations for each combination: one with more or fewer has lost rows, or has them twice. */
function unevenStations(rows: readonly ReadRow<GivenForces>[]): ForcesReading['uneven'] {
  const counts = new Map<string, number>();
  for (const { value } of rows) if (value) counts.set(value.combination, (counts.get(value.combination) ?? 0) + 1);
  if (counts.size < 2) return [];
  const often = new Map<number, number>();
  for (const n of counts.values()) often.set(n, (often.get(n) ?? 0) + 1);
  const usual = [...often].reduce((a, b) => (b[1] > a[1] || (b[1] === a[1] && b[0] > a[0]) ? b : a))[0];
  return [...counts].flatMap(([combination, stations]) => (stations === usual ? [] : [{ combination, stations, usual }]));
}
