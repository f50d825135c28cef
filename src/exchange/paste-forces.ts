import type { GivenForces } from '@/core/members/beam/input';
import { formatQuantity } from '@/core/units/format';
import type { QuantityKind, UnitSystem } from '@/core/units/quantity';
import { readCell, type ColumnReading, type PastedTable, type ReadRow, type Vocabulary } from './mapped-table';

/** What a pasted column of beam forces can be, with its name. */
const names = {
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
  roleOf,
  twins: {},
};

function roleOf(h: string): ForceRole {
  if (/^(station|x|distance|dist|position|pos|loc)\b/.test(h)) return 'station';
  if (/^(comb|combination|combo|case|load case|lc|output case)\b/.test(h)) return 'combination';
  if (/^(place|member|beam|element|frame|span|where|name|label|section)\b/.test(h)) return 'place';
  if (/^(t|tors.*|torque|mx|mt|tu|ted)\b/.test(h)) return 'torsion';
  if (/^(m|my|m3|mz|mu|med|moment|bending.*)\b/.test(h)) return 'moment';
  if (/^(v|vz|v2|vy|vu|ved|q|shear.*)\b/.test(h)) return 'shear';
  return /^(n|p|nx|fx|pu|nu|ned|axial.*|normal.*)\b/.test(h) ? 'axial' : 'skip';
}

export interface ForcesOptions {
  readonly readings: readonly ColumnReading<ForceRole>[];
  readonly system: UnitSystem;
  /** Compression is written with a minus, a moment that stretches the bottom with a minus. */
  readonly compressionNegative: boolean;
  readonly saggingNegative: boolean;
}

export interface ForcesReading {
  readonly rows: readonly ReadRow<GivenForces>[];
  /** Empty cells of forces that were read as zero. */
  readonly empty: number;
  /** Combinations whose number of stations differs from that of most. */
  readonly uneven: readonly { readonly combination: string; readonly stations: number; readonly usual: number }[];
}

/** Reads every row of a table as forces at a place; what is not understood is refused with its reason, and nothing is lost. */
export function readForces(table: PastedTable, o: ForcesOptions): ForcesReading {
  let empty = 0;
  const rows = table.rows.map((cells, row): ReadRow<GivenForces> => {
    const found: Record<string, number> = {};
    const texts = { place: '', combination: '' };
    for (const [i, { role, unit }] of o.readings.entries()) {
      const cell = (cells[i] ?? '').trim();
      const kind = quantities[role];
      if (role === 'place' || role === 'combination') texts[role] = cell;
      if (!kind) continue;
      if (cell === '') {
        empty += 1;
        continue;
      }
      const parsed = readCell(cell, kind, o.system, unit);
      if (!parsed.ok) return { row, cells, reason: `${forceVocabulary.names[role]}: ${parsed.reason}`, column: i };
      found[role] = parsed.value;
    }
    if (found.moment === undefined && found.shear === undefined && found.torsion === undefined)
      return { row, cells, reason: 'There is no moment, shear or torque in this row.' };
    const at = found.station === undefined ? '' : formatQuantity(found.station, 'station', o.system);
    return {
      row,
      cells,
      value: {
        place: [texts.place, at].filter(Boolean).join(', ').slice(0, 60) || `row ${row + 1}`,
        combination: texts.combination.slice(0, 60),
        moment: (o.saggingNegative ? -1 : 1) * (found.moment ?? 0) + 0,
        shear: found.shear ?? 0,
        torsion: found.torsion ?? 0,
        axial: (o.compressionNegative ? -1 : 1) * (found.axial ?? 0) + 0,
      },
    };
  });
  return { rows, empty, uneven: unevenStations(rows) };
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
