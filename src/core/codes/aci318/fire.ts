import type { Choice } from '../design-code';
import type { FireRules, FireWay } from '../fire-rules';
import { INCH } from './materials';

/** Periods of ACI/TMS 216.1 (minutes): one, one and a half, two, three and four hours. */
const PERIODS = [60, 90, 120, 180, 240] as const;
type Five = readonly [number, number, number, number, number];

type Aggregate = 'siliceous' | 'carbonate' | 'semiLight';

/** Least size of columns, table 4.5 (in). */
const columns: Readonly<Record<Aggregate, Five>> = {
  siliceous: [8, 9, 10, 12, 14],
  carbonate: [8, 9, 10, 11, 12],
  semiLight: [8, 8.5, 9, 10.5, 12],
};
/** Equivalent thickness of slabs and walls, table 4.2 (in). */
const thickness: Readonly<Record<Aggregate, Five>> = {
  siliceous: [3.5, 4.3, 5.0, 6.2, 7.0],
  carbonate: [3.2, 4.0, 4.6, 5.7, 6.6],
  semiLight: [2.7, 3.3, 3.8, 4.6, 5.4],
};
/** Cover of bars of slabs, table 4.3.1 (in): held against growing, or not. */
const slabCover = {
  restrained: [0.75, 0.75, 0.75, 0.75, 0.75],
  siliceous: [0.75, 0.75, 1, 1.25, 1.625],
  carbonate: [0.75, 0.75, 0.75, 1.25, 1.25],
  semiLight: [0.75, 0.75, 0.75, 1.25, 1.25],
} as const;
/** Cover of bars of beams by their width, table 4.3.2 (in); Infinity where it is not permitted. */
const beamCover = {
  restrained: [
    [5, [0.75, 0.75, 0.75, 1, 1.25]],
    [7, [0.75, 0.75, 0.75, 0.75, 0.75]],
    [10, [0.75, 0.75, 0.75, 0.75, 0.75]],
  ],
  free: [
    [5, [0.75, 1, 1.25, Infinity, Infinity]],
    [7, [0.75, 0.75, 0.75, 1.75, 3]],
    [10, [0.75, 0.75, 0.75, 1, 1.75]],
  ],
} as const satisfies Record<string, readonly (readonly [number, Five])[]>;

/** What ACI/TMS 216.1 asks to be said. */
export const fireChoices: readonly Choice[] = [
  {
    key: 'fireAggregate',
    title: 'Aggregate, for fire',
    clause: 'ACI/TMS 216.1 4.2',
    topic: 'fire',
    options: { siliceous: 'siliceous', carbonate: 'carbonate', semiLight: 'semi-lightweight' },
  },
  {
    key: 'fireRestraint',
    title: 'Beams and slabs in fire',
    clause: 'ACI/TMS 216.1 4.3',
    topic: 'fire',
    options: { free: 'not restrained', restrained: 'restrained against growing' },
  },
];

/** The periods that sizes and covers keep; what is asked for at each of them, in inches, and what is there (mm). */
function kept(
  title: string,
  clause: string,
  rows: readonly { readonly what: string; readonly needs: Five; readonly has: number }[],
): FireWay {
  let minutes = 0;
  for (const [i, period] of PERIODS.entries()) {
    const lacking = rows.find(({ needs, has }) => has < needs[i]! * INCH - 0.05);
    if (lacking) {
      const need = lacking.needs[i]!;
      const said = Number.isFinite(need) ? `${need} in (${(need * INCH).toFixed(0)} mm)` : 'a wider beam';
      return { title, clause, minutes, reason: `${period} minutes need ${said} of ${lacking.what}` };
    }
    minutes = period;
  }
  return { title, clause, minutes, reason: 'the longest period of the tables' };
}

/** Cover that a beam of a width (mm) needs: between the widths of the table straight lines, below 5 in none is permitted. */
function coverOfBeam(table: readonly (readonly [number, Five])[], width: number): Five {
  const w = width / INCH;
  const at = (i: number): number => {
    if (w < table[0]![0] - 1e-6) return Infinity;
    for (let k = 1; k < table.length; k += 1) {
      const [[w1, a], [w2, b]] = [table[k - 1]!, table[k]!];
      if (w > w2 - 1e-6) continue;
      // Between a width that is not permitted and the next nothing is.
      return Number.isFinite(a[i]!) ? a[i]! + ((b[i]! - a[i]!) * Math.max(0, w - w1)) / (w2 - w1) : Infinity;
    }
    return table.at(-1)![1][i]!;
  };
  return [at(0), at(1), at(2), at(3), at(4)];
}

/** An inch of cover for each hour, two inches at most. */
const columnCover: Five = [1, 1.5, 2, 2, 2];
const plainCover: Five = [0.75, 0.75, 0.75, 0.75, 0.75];

/** Fire rating by least sizes, thickness and cover, as ACI/TMS 216.1 has them; loads do not count. */
export function fireRules(choose: (key: string) => string): FireRules {
  const aggregate = choose('fireAggregate') as Aggregate;
  const isRestrained = choose('fireRestraint') === 'restrained';
  return {
    forces: null,
    column: (_c, q) => [
      kept('minimum size and cover', 'ACI/TMS 216.1 4.5', [
        { what: 'size', needs: columns[aggregate], has: q.width },
        { what: 'cover of the bars', needs: columnCover, has: q.cover },
      ]),
    ],
    wall: (_c, q) => [
      kept('thickness and cover', 'ACI/TMS 216.1 4.2', [
        { what: 'thickness', needs: thickness[aggregate], has: q.thickness },
        { what: 'cover of the bars', needs: plainCover, has: q.cover },
      ]),
    ],
    beam: (_c, q) => [
      kept(isRestrained ? 'cover, restrained' : 'cover, not restrained', 'ACI/TMS 216.1 table 4.3.2', [
        { what: 'cover of the bars', needs: coverOfBeam(beamCover[isRestrained ? 'restrained' : 'free'], q.width), has: q.cover },
      ]),
    ],
    slab: (_c, q) => [
      kept(isRestrained ? 'thickness and cover, restrained' : 'thickness and cover, not restrained', 'ACI/TMS 216.1 4.2, table 4.3.1', [
        { what: 'thickness', needs: thickness[aggregate], has: q.depth },
        { what: 'cover of the bars', needs: slabCover[isRestrained ? 'restrained' : aggregate], has: q.cover },
      ]),
    ],
  };
}
