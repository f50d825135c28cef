import type { IsExposed } from '../../analysis/heat/heat-cells';
import { temperatureAt } from '../../analysis/heat/heat-region';
import type { IsothermRules } from '../../codes/fire-rules';
import type { DesignCode } from '../../codes/design-code';
import type { Point } from '../../geometry/polygon';
import type { ColumnInput } from './input';
import type { ColumnModel } from './section';
import { heatedOutline, type HeatedOutline } from '../parts/heated-outline';

/** The sides of a section that a fire reaches: all of them, or one. */
export type HotSide = 'all' | 'top' | 'bottom' | 'left' | 'right';

/** Temperatures of a section at every period, coordinates from the centroid of the concrete. */
export interface FireField extends HeatedOutline {
  readonly side: HotSide;
  /** Of each bar, at every period (degrees C). */
  readonly bars: readonly (readonly number[])[];
}

/** The sides from which a column may be heated: round it, or from one straight side, whichever is worse. */
export function hotSides(column: Pick<ColumnInput, 'fire' | 'isStrip' | 'shape'>): readonly HotSide[] {
  if (!column.fire.isOneSided) return ['all'];
  return column.isStrip ? ['top', 'bottom'] : ['top', 'bottom', 'left', 'right'];
}

/** Temperatures of a column or wall that a fire reaches from a side. */
export function fireField(column: ColumnInput, rules: IsothermRules, code: DesignCode, { section }: ColumnModel, side: HotSide): FireField {
  const { outline, bars } = section;
  const isStrip = column.isStrip === true;
  const about = `column ${side}${isStrip ? ' strip' : ''}`;
  const { cells, states } = heatedOutline(outline, about, exposure(side, isStrip), rules, column.materials, code);
  return { side, cells, states, bars: bars.map((b) => states.map((s) => temperatureAt(cells, s, [b.x, b.y]))) };
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
