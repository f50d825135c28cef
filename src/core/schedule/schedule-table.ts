import type { Block } from '../document/blocks';
import { formatQuantity, formatValue } from '../units/format';
import type { UnitSystem } from '../units/quantity';
import type { BarSchedule } from './bar-schedule';

/** The bars as they are to be cut and bent, mark by mark, with their mass. */
export function scheduleTable({ items, mass, note }: BarSchedule, units: UnitSystem): Block & { readonly kind: 'table' } {
  const length = (v: number) => formatValue(v, 'length', units);
  return {
    kind: 'table',
    title: 'Bar schedule',
    columns: [
      { title: 'Mark' },
      { title: 'Where' },
      { title: 'Size' },
      { title: 'No.', isNumber: true },
      { title: 'Shape' },
      { title: 'Dimensions', kind: 'length' },
      { title: 'Cut', kind: 'length', isNumber: true },
      { title: 'Mass', kind: 'mass', isNumber: true },
    ],
    rows: items.map((k) => [
      k.mark,
      k.place,
      k.size,
      String(k.count),
      k.shapeCode,
      k.dimensions.map((d, i) => `${k.letters[i]} ${length(d)}`).join('; '),
      k.isTooLong ? `${length(k.length)} *` : { value: k.length, kind: 'length' },
      formatValue(k.mass, 'mass', units, 1),
    ]),
    foot: [
      `Together ${formatQuantity(mass, 'mass', units)}.`,
      items.some((k) => k.isTooLong) ? '* longer than 12 m: lapped on site.' : '',
      note,
    ]
      .filter(Boolean)
      .join(' '),
  };
}
