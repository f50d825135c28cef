import type { Point } from '../../geometry/polygon';
import { valueAt, type Locate, type Located } from './locate';
import type { PlateMesh } from './mesh';

/** Places across which a peak is spread, evenly over the width; an odd number has the node itself among them. */
export const PLACES_ACROSS = 9;

/** For each node where its value is read for the mean across: places in the mesh, empty where there are none. */
export type Across = readonly (readonly Located[])[];

/**
 * Places over a width (mm) to both sides of each node, square to the direction that the bars have there (a unit vector). Places off the plate or where
 * nothing bends (within stiff heads) do not count.
 */
export function placesAcross(
  mesh: PlateMesh,
  locate: Locate,
  barsAt: (p: Point) => Point,
  width: number,
  bends: (triangle: number) => boolean,
): Across {
  return Array.from({ length: mesh.at.length / 2 }, (_, n) => {
    const [x, y] = [mesh.at[2 * n]!, mesh.at[2 * n + 1]!];
    const [c, d] = barsAt([x, y]);
    return Array.from({ length: PLACES_ACROSS }, (_k, k) => ((k + 0.5) / PLACES_ACROSS - 0.5) * width).flatMap((s) => {
      const found = locate([x - s * d, y + s * c], bends);
      return found ? [found] : [];
    });
  });
}

/** The mean over the places of each node of one of the values that a field has (`step` values a node); nothing where there are no places. */
export const meanAcross = (mesh: PlateMesh, across: Across, values: ArrayLike<number>, step: number, which: number): Float64Array =>
  Float64Array.from(across, (places) =>
    places.length === 0 ? 0 : places.reduce((sum, p) => sum + valueAt(mesh, p, values, step, which), 0) / places.length,
  );
