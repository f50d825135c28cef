import { heatCells, type HeatCells, type IsExposed } from '../../analysis/heat/heat-cells';
import { heatFlow, type HeatState } from '../../analysis/heat/heat-flow';
import { FIRE_PERIODS, type IsothermRules } from '../../codes/fire-rules';
import type { DesignCode, Materials } from '../../codes/design-code';
import { outlineProperties, type Outline } from '../../geometry/polygon';

/** An outline after every period of fire. */
export interface HeatedOutline {
  readonly cells: HeatCells;
  readonly states: readonly HeatState[];
}

/** About so many cells, of sizes between these (mm): finer ones move the temperatures by a few degrees. */
const CELLS = 900;
const SIZES = [5, 15] as const;

/** Kept by what they depend on: a field is far dearer than a design. */
const known = new Map<string, HeatedOutline>();
const MOST_KNOWN = 16;

/** Temperatures of an outline, some of whose edges a fire reaches; `about` says which. */
export function heatedOutline(
  outline: Outline,
  about: string,
  isExposed: IsExposed,
  rules: IsothermRules,
  materials: Materials,
  { settings }: Pick<DesignCode, 'settings'>,
): HeatedOutline {
  const key = JSON.stringify([outline, about, materials.density, settings]);
  const before = known.get(key);
  if (before) return before;
  const size = Math.max(SIZES[0], Math.min(SIZES[1], Math.sqrt(outlineProperties(outline).area / CELLS)));
  const cells = heatCells(outline, size, isExposed);
  const field = { cells, states: heatFlow(cells, rules.heat(materials), rules.fire, FIRE_PERIODS) };
  if (known.size >= MOST_KNOWN) known.delete(known.keys().next().value!);
  known.set(key, field);
  return field;
}
