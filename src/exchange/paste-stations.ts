import type { StationForces } from '@/core/members/beam/input';
import { piecesOf } from '@/core/members/beam/known-forces';
import type { StationUse } from '@/core/members/beam/station-uses';
import { formatQuantity } from '@/core/units/format';
import type { PastedTable, ReadRow, Vocabulary } from './mapped-table';
import { forceVocabulary, readRows, type ForceRole, type ForcesOptions, type RowOfForces } from './paste-forces';

/** Forces along the spans of a beam: those of a section without N, which is left out and said to be. */
export const stationVocabulary: Vocabulary<ForceRole> = {
  ...forceVocabulary,
  rolesOf: (headings, along) => forceVocabulary.rolesOf(headings, along).map((r) => (r === 'axial' ? 'skip' : r)),
  numberOrder: ['station', 'moment', 'shear', 'torsion'],
};

/** By what the rows of a table are told to be of one span or another. */
export type SpanBy = 'member' | 'place' | 'along';

export interface StationsOptions extends Omit<ForcesOptions, 'compressionNegative' | 'member'> {
  readonly spanBy: SpanBy;
  /** Names of members or places in the order of the spans; null where a span has none. */
  readonly order: readonly (string | null)[];
  /** Lengths of the spans (mm). */
  readonly lengths: readonly number[];
  /** V is written as the slope of M with the other sign; null finds out. */
  readonly shearTurned: boolean | null;
}

export interface StationsReading {
  readonly rows: readonly ReadRow<StationForces>[];
  readonly empty: number;
  /** The sets in the order in which they come. */
  readonly sets: readonly string[];
  readonly shearTurned: boolean;
}

/** Stations nearer to a support than this stand on it (mm): tables round. */
const ON_SUPPORT = 2;
/** The name of forces that have none. */
const UNNAMED = 'forces';

/** Names of spans in a table: its members or its places, in the order in which they come. */
export function spanNames(table: PastedTable, readings: ForcesOptions['readings'], by: 'member' | 'place'): string[] {
  const at = readings.findIndex((r) => r.role === by);
  return at < 0 ? [] : [...new Set(table.rows.map((r) => (r[at] ?? '').trim()).filter(Boolean))];
}

/** The furthest station of each name (mm): the length of its span. */
export function lengthsIn(
  table: PastedTable,
  o: Pick<StationsOptions, 'readings' | 'system'>,
  by: SpanBy,
  names: readonly string[],
): number[] {
  const { rows } = readRows(table, { ...o, compressionNegative: false, saggingNegative: false });
  const furthest = (is: (r: RowOfForces) => boolean) =>
    rows.reduce((most, { value }) => (value && is(value) ? Math.max(most, value.station ?? 0) : most), 0);
  return by === 'along' ? [furthest(() => true)] : names.map((n) => furthest((r) => r[by] === n));
}

/** Reads every row of a table as forces at a station of a span. */
export function readStations(table: PastedTable, o: StationsOptions): StationsReading {
  const { rows, empty } = readRows(table, { ...o, compressionNegative: false });
  const seen = new Set<string>();
  const placed = rows.flatMap((r): ReadRow<StationForces>[] => {
    const { value, ...rest } = r;
    if (!value) return [rest];
    const set = value.combination.slice(0, 60) || UNNAMED;
    if (value.station === undefined) return [{ ...rest, reason: 'There is no station in this row.' }];
    const at = o.spanBy === 'along' ? alongBeam(value.station, o.lengths, seen, set) : inNamed(value, o);
    if (at === undefined) return [];
    if (typeof at === 'string') return [{ ...rest, reason: at, column: o.readings.findIndex((q) => q.role === 'station') }];
    const { moment = 0, shear = 0, torsion = 0 } = value;
    return [{ ...rest, value: { set, ...at, moment, shear, torsion } }];
  });
  const given = placed.flatMap((r) => (r.value ? [r.value] : []));
  const sets = [...new Set(given.map((f) => f.set))];
  const shearTurned = o.shearTurned ?? fits(given, o.lengths, sets, -1) > fits(given, o.lengths, sets, 1);
  const turn = (f: StationForces): StationForces => (shearTurned ? { ...f, shear: -f.shear + 0 } : f);
  return { rows: placed.map((r) => (r.value ? { ...r, value: turn(r.value) } : r)), empty, sets, shearTurned };

  function inNamed(value: RowOfForces, { order, lengths }: StationsOptions): Pick<StationForces, 'span' | 'at'> | string | undefined {
    const span = order.indexOf(value[o.spanBy as 'member' | 'place']);
    if (span < 0) return undefined;
    return value.station! > lengths[span]! + ON_SUPPORT || value.station! < -ON_SUPPORT
      ? off(value.station!, `span ${span + 1}, which is ${metres(lengths[span]!)} long`)
      : { span, at: Math.max(0, Math.min(lengths[span]!, value.station!)) };
  }

  /** The first row on an inner support is of the span before it, the second of the span behind. */
  function alongBeam(x: number, lengths: readonly number[], before: Set<string>, set: string): Pick<StationForces, 'span' | 'at'> | string {
    let start = 0;
    for (const [span, length] of lengths.entries()) {
      const at = x - start;
      const isLast = span === lengths.length - 1;
      if (at > length + ON_SUPPORT) {
        start += length;
        continue;
      }
      const key = `${set} ${span}`;
      if (!isLast && at >= length - ON_SUPPORT && before.has(key)) return { span: span + 1, at: 0 };
      if (!isLast && at >= length - ON_SUPPORT) before.add(key);
      return at < -ON_SUPPORT ? off(x, 'the beam') : { span, at: Math.max(0, Math.min(length, at)) };
    }
    return off(x, `the beam, which is ${metres(start)} long`);
  }

  function off(x: number, what: string): string {
    return `station: ${metres(x)} lies off ${what}.`;
  }

  function metres(v: number): string {
    return formatQuantity(v, 'station', o.system);
  }
}

/** How well shears with a sign are the slope of the moments: the better, the larger. */
function fits(rows: readonly StationForces[], lengths: readonly number[], sets: readonly string[], sign: number): number {
  const spans = lengths.map((length) => ({ length })) as Parameters<typeof piecesOf>[0]['spans'];
  const pieces = sets.flatMap((set) => lengths.flatMap((_, span) => piecesOf({ stations: rows, spans }, set, span)));
  return -pieces.reduce(
    (sum, { from, to, moment: [m0, m1], shear: [v0, v1] }) => sum + Math.abs(m1 - m0 - sign * ((v0 + v1) / 2) * (to - from)),
    0,
  );
}

/** What a set is for, told by its name where that is plain; strength otherwise. It is shown and can be changed. */
export function guessUse(name: string, uses: readonly StationUse[]): StationUse {
  const plain = name.toLowerCase();
  const words: readonly (readonly [RegExp, StationUse])[] = [
    [/quasi|\bqp\b/, 'quasiPermanent'],
    [/char|rare/, 'characteristic'],
    [/sustain/, 'sustained'],
    [/\bsls\b|serv/, uses.includes('service') ? 'service' : 'characteristic'],
  ];
  return words.find(([word, use]) => word.test(plain) && uses.includes(use))?.[1] ?? 'ultimate';
}
