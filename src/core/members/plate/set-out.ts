import { TURN } from '../../geometry/arcs';
import { boundsOf, type Point } from '../../geometry/polygon';
import { outlineOf } from './geometry';
import type { PlateColumn, PlateInput } from './input';
import { newColumn, unusedName } from './plan-parts';

/** A round outline in the place of the one that is there, about the middle of its box, held as its first edge is. */
export function roundOutline({ outline, openings }: Pick<PlateInput, 'outline' | 'openings'>, diameter: number): PlateInput['outline'] {
  const { left, right, bottom, top } = boundsOf(outlineOf({ outline, openings }).outer);
  const [x, y] = [Math.round((left + right) / 2), Math.round((bottom + top) / 2)];
  const { edge, sinks, turns } = outline[0] ?? { edge: 'simple' as const, sinks: null, turns: null };
  return [-1, 1].map((side) => ({ x: x + (side * diameter) / 2, y, rise: diameter / 2, edge, sinks, turns }));
}

/** Places evenly round a middle, the first to its right. */
export const placesInRing = ([x, y]: Point, radius: number, count: number): Point[] =>
  Array.from({ length: count }, (_, k): Point => {
    const angle = (k / count) * TURN;
    return [Math.round(x + radius * Math.cos(angle)), Math.round(y + radius * Math.sin(angle))];
  });

/** Where lines upright on the plan cross level ones, row by row. */
export const placesInRows = (xs: readonly number[], ys: readonly number[]): Point[] => ys.flatMap((y) => xs.map((x): Point => [x, y]));

/** Columns like the last one at these places, beside those that are there; where one stands already none is added. */
export function withColumnsAt(plate: PlateInput, places: readonly Point[]): readonly PlateColumn[] {
  return places.reduce<readonly PlateColumn[]>(
    (columns, [x, y]) =>
      columns.some((c) => Math.hypot(c.x - x, c.y - y) < 1)
        ? columns
        : [...columns, { ...newColumn({ ...plate, columns }), name: unusedName('C', columns), x, y }],
    plate.columns,
  );
}
