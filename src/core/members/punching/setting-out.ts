import { amount, type Block } from '../../document/blocks';
import type { PunchingInput } from './input';
import type { LegLine, PlacedLegs } from './legs';

type Table = Block & { readonly kind: 'table' };

/** Where legs are set out from: x and y from the column's centre, distances from its outline (mm). Null where there are none. */
export function settingOut({ legs }: Pick<PunchingInput, 'legs'>, placed: PlacedLegs | null): Table | null {
  if (!legs || !placed || placed.legs.length === 0) return null;
  return placed.lines.length > 0 ? ofLines(placed.lines) : ofPerimeters(placed, legs);
}

/** A line each: where it leaves the column, its direction, and its legs. */
function ofLines(lines: readonly LegLine[]): Table {
  return {
    kind: 'table',
    title: 'Setting out of the legs, line by line',
    columns: [
      { title: 'Line', isNumber: true },
      { title: 'Leaves at x', kind: 'length', isNumber: true },
      { title: 'Leaves at y', kind: 'length', isNumber: true },
      { title: 'Direction', isNumber: true },
      { title: 'Legs', isNumber: true },
      { title: 'First', kind: 'length', isNumber: true },
      { title: 'Last', kind: 'length', isNumber: true },
    ],
    rows: lines.map(({ from: [x, y], out: [dx, dy], distances }, i) => [
      String(i + 1),
      amount(round(x), 'length'),
      amount(round(y), 'length'),
      `${Math.round((Math.atan2(dy, dx) * 180) / Math.PI + 360) % 360}°`,
      String(distances.length),
      amount(distances[0]!, 'length'),
      amount(distances.at(-1)!, 'length'),
    ]),
    foot: 'x and y from the centre of the column, x to the right; directions turn anticlockwise from x; distances from the outline of the column along the line.',
  };
}

/** A perimeter each: how far it lies from the column, its legs, and the first of them. */
function ofPerimeters({ legs: all, widest }: PlacedLegs, { first, spacing, perimeters }: NonNullable<PunchingInput['legs']>): Table {
  return {
    kind: 'table',
    title: 'Setting out of the legs, perimeter by perimeter',
    columns: [
      { title: 'Perimeter', isNumber: true },
      { title: 'From the column', kind: 'length', isNumber: true },
      { title: 'Legs', isNumber: true },
      { title: 'Widest apart', kind: 'length', isNumber: true },
      { title: 'First leg at x', kind: 'length', isNumber: true },
      { title: 'First leg at y', kind: 'length', isNumber: true },
    ],
    rows: Array.from({ length: perimeters }, (_, k) => k).flatMap((k) => {
      const own = all.filter((l) => l.perimeter === k);
      const [start] = own;
      if (!start) return [];
      return [
        [
          String(k + 1),
          amount(first + k * spacing, 'length'),
          String(own.length),
          amount(widest[k]!, 'length'),
          amount(round(start.at[0]), 'length'),
          amount(round(start.at[1]), 'length'),
        ],
      ];
    }),
    foot: 'x and y from the centre of the column, x to the right; the legs of a perimeter stand evenly along it.',
  };
}

/** Rounding leaves no minus before a zero. */
const round = (v: number) => Math.round(v * 10) / 10 + 0;
