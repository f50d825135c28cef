import { amount, type Block } from '../document/blocks';
import { formatQuantity, formatValue } from '../units/format';
import type { UnitSystem } from '../units/quantity';
import type { BarSchedule } from './bar-schedule';
import { cutFromStock, STOCK } from './stock';

type Table = Block & { readonly kind: 'table' };

/** A member with its bars as they are to be cut and bent. */
export interface ScheduledMember {
  readonly mark: string;
  readonly place: string;
  readonly schedule: BarSchedule;
}

/** The bars of all members, member by member: what is cut and bent, with its number, length and mass. */
export function projectSchedule(members: readonly ScheduledMember[], units: UnitSystem): Table {
  const length = (v: number) => formatValue(v, 'length', units);
  const lapped = members.flatMap(({ mark, schedule }) => schedule.items.filter((k) => k.isTooLong).map((k) => `${mark} ${k.mark}`));
  const notes = new Set(members.filter((m) => m.schedule.items.length > 0).map((m) => m.schedule.note));
  return {
    kind: 'table',
    title: 'Bar schedule',
    columns: [
      { title: 'Member' },
      { title: 'Storey or place' },
      { title: 'Mark' },
      { title: 'Where' },
      { title: 'Size' },
      { title: 'Number', kind: 'count', isNumber: true },
      { title: 'Shape' },
      { title: 'Dimensions', kind: 'length' },
      { title: 'Cut', kind: 'length', isNumber: true },
      { title: 'Mass', kind: 'mass', isNumber: true, isSummed: true },
    ],
    rows: members.flatMap(({ mark, place, schedule }) =>
      schedule.items.map((k) => [
        mark,
        place,
        k.mark,
        k.place,
        k.size,
        amount(k.count, 'count'),
        k.shapeCode,
        k.dimensions.map((d, i) => `${k.letters[i]} ${length(d)}`).join('; '),
        amount(k.length, 'length'),
        amount(k.mass, 'mass'),
      ]),
    ),
    foot: [...notes, ...(lapped.length > 0 ? [`Longer than stock bars, lapped on site: ${lapped.join(', ')}.`] : [])].join(' '),
  };
}

/** What is to be bought: by size the number of bars, their length and mass, and how many stock bars they are cut from with what is left over. */
export function sizeTotals(members: readonly ScheduledMember[], units: UnitSystem, stock = STOCK): Table {
  const sizes = new Map<string, { count: number; mass: number; lengths: Map<number, number> }>();
  for (const item of members.flatMap((m) => m.schedule.items)) {
    const own = sizes.get(item.size) ?? { count: 0, mass: 0, lengths: new Map<number, number>() };
    sizes.set(item.size, own);
    own.count += item.count;
    own.mass += item.mass;
    own.lengths.set(item.length, (own.lengths.get(item.length) ?? 0) + Math.ceil(item.count));
  }
  return {
    kind: 'table',
    title: 'Bars by size',
    columns: [
      { title: 'Size' },
      { title: 'Number', kind: 'count', isNumber: true, isSummed: true },
      { title: 'Length', kind: 'station', isNumber: true },
      { title: 'Mass', kind: 'mass', isNumber: true, isSummed: true },
      { title: 'Stock bars', kind: 'count', isNumber: true },
      { title: 'Left over %', kind: 'number', isNumber: true },
    ],
    rows: [...sizes]
      .sort(([a], [b]) => a.localeCompare(b, 'en', { numeric: true }))
      .map(([size, { count, mass, lengths }]) => {
        const total = [...lengths].reduce((sum, [length, n]) => sum + length * n, 0);
        const cutting = cutFromStock(lengths, stock);
        return [
          size,
          amount(count, 'count'),
          amount(total, 'station'),
          amount(mass, 'mass'),
          amount(cutting.bars, 'count'),
          amount(cutting.bars > 0 ? (100 * cutting.left) / (cutting.bars * stock) : 0, 'number'),
        ];
      }),
    foot: `Stock bars are ${formatQuantity(stock, 'length', units)} long; each gets the longest lengths that still fit. Laps of bars longer than that come on top.`,
  };
}
