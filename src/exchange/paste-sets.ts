import type { LoadSet, LoadSetKind } from '@/core/members/column/input';
import { parseQuantity } from '@/core/units/parse';
import type { QuantityKind, UnitSystem } from '@/core/units/quantity';
import { readCell, type ColumnReading, type PastedTable, type ReadRow, type Vocabulary } from './mapped-table';

/** What a pasted column can be, with its name. */
export const roleNames = {
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

function roleOf(h: string): Role {
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

const usualOrder: readonly Role[] = ['N', 'mxTop', 'mxBottom', 'myTop', 'myBottom', 'vx', 'vy', 'torsion'];

export const setVocabulary: Vocabulary<Role> = {
  names: roleNames,
  quantities,
  textOrder: ['name', 'title'],
  numberOrder: usualOrder,
  roleOf,
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
  const rows = table.rows.map((cells, row): ReadRow<LoadSet> => {
    const set: Record<string, number | string | null> = { name: '', title: '', kind: o.kind, sustained: null, sway: null };
    for (const role of usualOrder) set[role] = 0;
    let hasN = false;
    for (const [i, { role, unit }] of o.readings.entries()) {
      const cell = (cells[i] ?? '').trim();
      const refuse = (reason: string): ReadRow<LoadSet> => ({ row, cells, reason: `${roleNames[role]}: ${reason}`, column: i });
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
    return { row, cells, value: { ...(set as unknown as LoadSet), name: (set.name as string) || `L${row + 1}` } };
  });
  return { rows, empty };
}
