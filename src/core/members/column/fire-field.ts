import { heatCells, type HeatCells, type IsExposed } from '../../analysis/heat/heat-cells';
import { heatFlow, type HeatState } from '../../analysis/heat/heat-flow';
import { temperatureAt } from '../../analysis/heat/heat-region';
import { FIRE_PERIODS, type IsothermRules } from '../../codes/fire-rules';
import type { DesignCode } from '../../codes/design-code';
import type { Point } from '../../geometry/polygon';
import type { ColumnInput } from './input';
import type { ColumnModel } from './section';

/** The sides of a section that a fire reaches: all of them, or one. */
export type HotSide = 'all' | 'top' | 'bottom' | 'left' | 'right';

/** Temperatures of a section at every period, coordinates from the centroid of the concrete. */
export interface FireField {
  readonly side: HotSide;
  readonly cells: HeatCells;
  readonly states: readonly HeatState[];
  /** Of each bar, at every period (degrees C). */
  readonly bars: readonly (readonly number[])[];
}

/** About so many cells, of sizes between these (mm): finer ones move the temperatures by a few degrees. */
const CELLS = 900;
const SIZES = [5, 15] as const;

/** Kept by what they depend on: a field is far dearer than a design. */
const known = new Map<string, FireField>();
const MOST_KNOWN = 12;

/** The sides from which a column may be heated: round it, or from one straight side, whichever is worse. */
export function hotSides(column: Pick<ColumnInput, 'fire' | 'isStrip' | 'shape'>): readonly HotSide[] {
  if (!column.fire.isOneSided) return ['all'];
  return column.isStrip ? ['top', 'bottom'] : ['top', 'bottom', 'left', 'right'];
}

/** Temperatures of a column or wall that a fire reaches from a side. */
export function fireField(column: ColumnInput, rules: IsothermRules, code: DesignCode, { section }: ColumnModel, side: HotSide): FireField {
  const { outline, gross, bars } = section;
  const key = JSON.stringify([
    outline,
    bars.map((b) => [b.x, b.y]),
    column.materials.density,
    code.settings,
    side,
    column.isStrip ?? false,
  ]);
  const before = known.get(key);
  if (before) return before;
  const size = Math.max(SIZES[0], Math.min(SIZES[1], Math.sqrt(gross.area / CELLS)));
  const cells = heatCells(outline, size, exposure(side, column.isStrip === true));
  const states = heatFlow(cells, rules.heat(column.materials), rules.fire, FIRE_PERIODS);
  const field = { side, cells, states, bars: bars.map((b) => states.map((s) => temperatureAt(cells, s, [b.x, b.y]))) };
  if (known.size >= MOST_KNOWN) known.delete(known.keys().next().value!);
  known.set(key, field);
  return field;
}

/** Whether a fire from a side reaches an edge. */
export const isReached = (a: Point, b: Point, side: HotSide): boolean => side === 'all' || faces(a, b, side);

/** Where a side lies, seen from the middle. */
const towards: Readonly<Record<Exclude<HotSide, 'all'>, Point>> = { top: [0, 1], bottom: [0, -1], left: [-1, 0], right: [1, 0] };

/** Which edges a fire reaches: those that face its side. The ends of a metre of a longer wall are not edges. */
function exposure(side: HotSide, isStrip: boolean): IsExposed {
  if (side !== 'all' || !isStrip) return (a, b) => isReached(a, b, side);
  return (a, b) => !faces(a, b, 'left') && !faces(a, b, 'right');
}

/** Whether the outside of an edge looks to a side; the section lies to the left of its edges. */
function faces(a: Point, b: Point, side: Exclude<HotSide, 'all'>): boolean {
  const [nx, ny] = [b[1] - a[1], a[0] - b[0]];
  const [tx, ty] = towards[side];
  return nx * tx + ny * ty > 0.05 * Math.hypot(nx, ny);
}
