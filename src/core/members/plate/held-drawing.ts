import { circleAt, type Point, type Shape } from '../../drawing/shapes';
import type { PlateHandle, PlatePicture } from './picture';
import { holdsOf, holdTitle } from './plan-changes';
import { chosenParts } from './plan-parts';
import { layerOf } from './result';

/** The points by which the chosen sort of parts is held: rings at its corners and ends, a full one that moves all of it. */
export function heldShapes({ plate, result, map, held }: PlatePicture, on: (p: Point) => Point): Shape<PlateHandle>[] {
  // Columns have their rings always.
  if (!held || held === 'columns') return [];
  const chosen = chosenParts(result, layerOf(map) ?? null);
  return holdsOf(held, plate, chosen).map(({ at, ...hold }) =>
    circleAt(on(at), hold.end === 'whole' ? 4.5 : 4, {
      fill: hold.end === 'whole' ? 'ebony' : 'surface',
      line: 'outline',
      edit: { of: 'hold', ...hold },
      drag: true,
      label: `Move ${holdTitle(hold, plate, chosen)}`,
    }),
  );
}
