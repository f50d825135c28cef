import { FIRE_PERIODS, type FireWay } from './fire-rules';

/**
 * Tables of least sizes and axis distances that EN 1992-1-2 and AS 3600 section 5 have alike. A row has pairs of width and axis distance (mm), thinnest
 * first: between two of them a straight line, beyond the last its distance, below the first nothing.
 */
export type Pair = readonly [width: number, axis: number];
export type Row = readonly Pair[];
/** By period, in the order of FIRE_PERIODS; an empty row where the table has nothing. */
export type FireTable = readonly [Row, Row, Row, Row, Row, Row];

/** Axis distance that a row asks for at a width (mm); Infinity where the width is too small, or the row is empty. */
export function axisFor(row: Row, width: number): number {
  if (row.length === 0 || width < row[0]![0] - 1e-9) return Infinity;
  for (let i = 1; i < row.length; i += 1) {
    const [[w1, a1], [w2, a2]] = [row[i - 1]!, row[i]!];
    if (width <= w2) return a1 + ((a2 - a1) * (width - w1)) / (w2 - w1);
  }
  return row.at(-1)![1];
}

/**
 * The longest period that a member keeps, and what it lacks for the next; `adjust` is what the axis distance is to be more (mm), `more` another condition.
 * Where a row for a longer period asks for less width than one for a shorter, with more to the bars, either is enough.
 */
export function periodsKept(
  table: FireTable,
  width: number,
  axis: number,
  { adjust = 0, more = () => null }: { readonly adjust?: number; readonly more?: (period: number) => string | null } = {},
): Pick<FireWay, 'minutes' | 'reason'> {
  const lacks = FIRE_PERIODS.map((period, i): string | null => {
    const least = table[i]![0]?.[0];
    const other = more(period);
    if (other !== null) return other;
    if (least === undefined) return `the table has nothing for ${period} minutes at this load`;
    if (width < least - 1e-9) return `${period} minutes need ${least} mm of width`;
    const needed = axisFor(table[i]!, width) + adjust;
    return axis < needed - 1e-9
      ? `${period} minutes need ${needed.toFixed(0)} mm to the centre of the bars, it is ${axis.toFixed(0)}`
      : null;
  });
  const kept = lacks.lastIndexOf(null);
  return { minutes: FIRE_PERIODS[kept] ?? 0, reason: lacks[kept + 1] ?? 'the longest period of the table' };
}

/** Columns by level of load, method A: EN 1992-1-2 table 5.2a, AS 3600 table 5.6.3. */
export const columnLevels = [0.2, 0.5, 0.7] as const;
export const columnTables: Readonly<Record<(typeof columnLevels)[number], FireTable>> = {
  0.2: [
    [[200, 25]],
    [[200, 25]],
    [
      [200, 31],
      [300, 25],
    ],
    [
      [250, 40],
      [350, 35],
    ],
    [[350, 45]],
    [[350, 61]],
  ],
  0.5: [
    [[200, 25]],
    [
      [200, 36],
      [300, 31],
    ],
    [
      [300, 45],
      [400, 38],
    ],
    [
      [350, 45],
      [450, 40],
    ],
    [[350, 63]],
    [[450, 75]],
  ],
  0.7: [
    [
      [200, 32],
      [300, 27],
    ],
    [
      [250, 46],
      [350, 40],
    ],
    [
      [350, 53],
      [450, 40],
    ],
    [
      [350, 57],
      [450, 51],
    ],
    [[450, 70]],
    [],
  ],
};
/** Exposed on one side, for a level of 0.7. */
export const columnOneSide: FireTable = [[[155, 25]], [[155, 25]], [[155, 25]], [[175, 35]], [[230, 55]], [[295, 70]]];

/** Where that table asks for at least eight bars: by level and period. */
export const eightBars = (level: number, width: number, period: number): boolean =>
  (level === 0.2 && period >= 180) ||
  (level === 0.5 && period >= 120) ||
  (level === 0.7 && (period >= 120 || (period === 90 && width >= 450)));

/** Columns by n and the mechanical ratio of steel, method B: EN 1992-1-2 table 5.2b, AS 3600 table 5.6.4. */
export const columnSteel = [0.1, 0.5, 1] as const;
export const columnLoads = [0.15, 0.3, 0.5, 0.7] as const;
type ByLoad = readonly [FireTable, FireTable, FireTable, FireTable];
const r = (...pairs: Pair[]): Row => pairs;
export const columnTablesB: Readonly<Record<(typeof columnSteel)[number], ByLoad>> = {
  0.1: [
    [
      r([150, 25]),
      r([150, 30], [200, 25]),
      r([200, 40], [250, 25]),
      r([250, 50], [350, 25]),
      r([400, 50], [500, 25]),
      r([500, 60], [550, 25]),
    ],
    [
      r([150, 25]),
      r([200, 40], [300, 25]),
      r([300, 40], [400, 25]),
      r([400, 50], [550, 25]),
      r([500, 60], [550, 25]),
      r([550, 40], [600, 25]),
    ],
    [r([200, 30], [250, 25]), r([300, 40], [500, 25]), r([500, 50], [550, 25]), r([550, 25]), r([550, 60], [600, 30]), r([600, 75])],
    [r([300, 30], [350, 25]), r([500, 25]), r([550, 40], [600, 25]), r([550, 60], [600, 45]), r(), r()],
  ],
  0.5: [
    [r([150, 25]), r([150, 25]), r([150, 35], [200, 25]), r([200, 45], [300, 25]), r([300, 45], [450, 25]), r([450, 45], [500, 25])],
    [
      r([150, 25]),
      r([150, 35], [200, 25]),
      r([200, 45], [300, 25]),
      r([300, 45], [550, 25]),
      r([450, 50], [600, 25]),
      r([550, 55], [600, 25]),
    ],
    [r([150, 25]), r([250, 35], [350, 25]), r([300, 45], [550, 25]), r([450, 50], [600, 25]), r([500, 60], [600, 50]), r([600, 70])],
    [r([200, 30], [250, 25]), r([350, 40], [550, 25]), r([550, 50], [600, 40]), r([500, 60], [600, 50]), r([600, 75]), r()],
  ],
  1: [
    [r([150, 25]), r([150, 25]), r([200, 25]), r([200, 40], [250, 25]), r([300, 35], [400, 25]), r([400, 45], [500, 25])],
    [
      r([150, 25]),
      r([150, 30], [200, 25]),
      r([200, 40], [300, 25]),
      r([250, 50], [400, 25]),
      r([450, 50], [550, 25]),
      r([500, 40], [600, 30]),
    ],
    [r([150, 25]), r([200, 40], [400, 25]), r([250, 40], [550, 25]), r([450, 45], [600, 30]), r([500, 60], [600, 45]), r([600, 60])],
    [r([200, 30], [300, 25]), r([300, 50], [600, 30]), r([500, 50], [600, 45]), r([600, 60]), r(), r()],
  ],
};

/** Walls that carry, by level of load, exposed on one side and on two: EN 1992-1-2 table 5.4, AS 3600 table 5.7.2. */
export const wallLevels = [0.35, 0.7] as const;
const one = (pairs: readonly Pair[]): FireTable => pairs.map((p) => [p]) as unknown as FireTable;
export const wallTables: Readonly<Record<(typeof wallLevels)[number], { readonly one: FireTable; readonly two: FireTable }>> = {
  0.35: {
    one: one([
      [100, 10],
      [110, 10],
      [120, 20],
      [150, 25],
      [180, 40],
      [230, 55],
    ]),
    two: one([
      [120, 10],
      [120, 10],
      [140, 10],
      [160, 25],
      [200, 45],
      [250, 55],
    ]),
  },
  0.7: {
    one: one([
      [120, 10],
      [130, 10],
      [140, 25],
      [160, 35],
      [210, 50],
      [270, 60],
    ]),
    two: one([
      [120, 10],
      [140, 10],
      [170, 25],
      [220, 35],
      [270, 55],
      [350, 60],
    ]),
  },
};

/** Thickness that keeps the other side cool (mm): EN 1992-1-2 table 5.3, AS 3600 table 5.7.1. */
export const insulation = [60, 80, 100, 120, 150, 175] as const;

/** Beams on two supports, and continuous ones: EN 1992-1-2 tables 5.5 and 5.6, AS 3600 tables 5.4.1(A) and (B). */
export const beamSimple: FireTable = [
  [
    [80, 25],
    [120, 20],
    [160, 15],
  ],
  [
    [120, 40],
    [160, 35],
    [200, 30],
    [300, 25],
  ],
  [
    [150, 55],
    [200, 45],
    [300, 40],
    [400, 35],
  ],
  [
    [200, 65],
    [240, 60],
    [300, 55],
    [500, 50],
  ],
  [
    [240, 80],
    [300, 70],
    [400, 65],
    [600, 60],
  ],
  [
    [280, 90],
    [350, 80],
    [500, 75],
    [700, 70],
  ],
];
export const beamContinuous: FireTable = [
  [
    [80, 15],
    [160, 12],
  ],
  [
    [120, 25],
    [200, 12],
  ],
  [
    [150, 35],
    [250, 25],
  ],
  [
    [200, 45],
    [300, 35],
    [450, 35],
    [500, 30],
  ],
  [
    [240, 60],
    [400, 50],
    [550, 50],
    [600, 40],
  ],
  [
    [280, 75],
    [500, 60],
    [650, 60],
    [700, 50],
  ],
];

/** Slabs: depth with the axis distance one way, two ways up to 1.5 and up to 2; and on columns: EN 1992-1-2 tables 5.8 and 5.9, AS 3600 tables 5.5.2. */
export const slabOneWay: FireTable = one([
  [60, 10],
  [80, 20],
  [100, 30],
  [120, 40],
  [150, 55],
  [175, 65],
]);
export const slabTwoWay: FireTable = one([
  [60, 10],
  [80, 10],
  [100, 15],
  [120, 20],
  [150, 30],
  [175, 40],
]);
export const slabTwoWayLong: FireTable = one([
  [60, 10],
  [80, 15],
  [100, 20],
  [120, 25],
  [150, 40],
  [175, 50],
]);
export const slabFlat: FireTable = one([
  [150, 10],
  [180, 15],
  [200, 25],
  [200, 35],
  [200, 45],
  [200, 50],
]);
