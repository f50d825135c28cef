import { coolRegion, heatMap } from '../../analysis/heat/heat-region';
import type { DesignCode } from '../../codes/design-code';
import { FIRE_PERIODS } from '../../codes/fire-rules';
import type { NodeValues } from '../../drawing/contours';
import { distanceToEdges, type Outline } from '../../geometry/polygon';
import type { PointBar } from '../../section/polygon-section';
import { fireField, hotSides, type HotSide } from './fire-field';
import type { ColumnInput } from './input';
import { columnModel } from './section';

/** What is shown of a column or wall in a fire, coordinates from the centroid of the concrete (mm). */
export interface FirePicture {
  readonly outline: Outline;
  readonly side: HotSide;
  readonly bars: readonly (PointBar & { readonly axis: number; readonly temperature: number | null; readonly part: number | null })[];
  /** Temperatures, with the part that counts as cool; null where the code has no such way here. */
  readonly heat: { readonly map: NodeValues; readonly cool: Outline | null; readonly limit: number } | null;
}

/** The section after a period of fire, heated from a side: the bars with their axis distances, and their temperatures where the code has them. */
export function firePicture(column: ColumnInput, code: DesignCode, period: number, wished: HotSide | null): FirePicture {
  const model = columnModel(column, code);
  const { outline, bars } = model.section;
  const sides = hotSides(column);
  const side = wished !== null && sides.includes(wished) ? wished : sides[0]!;
  const rules = code.fire.isotherm;
  const axis = (b: PointBar) => distanceToEdges([b.x, b.y], outline);
  const k = FIRE_PERIODS.findIndex((p) => p === period);
  if (!rules || k < 0)
    return { outline, side, heat: null, bars: bars.map((b) => ({ ...b, axis: axis(b), temperature: null, part: null })) };
  const field = fireField(column, rules, code, model, side);
  const state = field.states[k]!;
  return {
    outline,
    side,
    heat: { map: heatMap(field.cells, state), cool: coolRegion(field.cells, state, rules.limit), limit: rules.limit },
    bars: bars.map((b, i) => {
      const temperature = field.bars[i]![k]!;
      return { ...b, axis: axis(b), temperature, part: rules.barStrength(temperature) };
    }),
  };
}
