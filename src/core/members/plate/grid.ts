import type { PlateInput } from './input';

/** Columns nearer to a line than this (mm) stand on it. */
const NEAR = 100;
/** Columns are a grid where they fill at least this share of the places at which its lines cross. */
const FILLED = 0.6;

/** Places along x of the lines upright on the plan that columns stand on, and along y of the level ones. */
export interface ColumnGrid {
  readonly x: readonly number[];
  readonly y: readonly number[];
}

/** The lines of columns that stand in rows; undefined where they do not. */
export function columnGrid({ columns }: Pick<PlateInput, 'columns'>): ColumnGrid | undefined {
  const [x, y] = [linesOf(columns.map((c) => c.x)), linesOf(columns.map((c) => c.y))];
  const isGrid = columns.length > 1 && columns.length >= FILLED * x.length * y.length;
  return isGrid ? { x, y } : undefined;
}

/** Means of values that lie near each other, from the least on. */
function linesOf(values: readonly number[]): number[] {
  const groups: number[][] = [];
  for (const v of [...values].sort((a, b) => a - b)) {
    const last = groups.at(-1);
    if (last && v - last[0]! < NEAR) last.push(v);
    else groups.push([v]);
  }
  return groups.map((group) => group.reduce((sum, v) => sum + v, 0) / group.length);
}
