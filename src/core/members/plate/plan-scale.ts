import type { Point } from '../../drawing/shapes';
import { boundsOf } from '../../geometry/polygon';
import { outlineOf } from './geometry';
import { columnGrid } from './grid';
import type { PlateInput } from './input';

/** Room beside the slab for what is said of it, around it for its edges, below it for handles, and to its left for dimensions between rows (px). */
export const [SIDE, MARGIN] = [196, 46];
const [BELOW, DIMENSIONS] = [26, 34];

/** Where places of the slab (mm) lie on a sheet of a size, and back. */
export function planScale(
  plate: PlateInput,
  width: number,
  height: number,
): { readonly on: (p: Point) => Point; readonly off: (p: Point) => Point; readonly scale: number } {
  const { left, right, bottom, top } = boundsOf(outlineOf(plate).outer);
  const start = MARGIN + (columnGrid(plate) ? DIMENSIONS : 0);
  const [wide, high] = [width - SIDE - start - MARGIN, height - 2 * MARGIN - BELOW];
  const scale = Math.min(wide / (right - left || 1), high / (top - bottom || 1));
  const middle: Point = [start + wide / 2, MARGIN + high / 2];
  const [cx, cy] = [(left + right) / 2, (bottom + top) / 2];
  return {
    scale,
    on: ([x, y]) => [middle[0] + (x - cx) * scale, middle[1] - (y - cy) * scale],
    off: ([px, py]) => [(px - middle[0]) / scale + cx, (middle[1] - py) / scale + cy],
  };
}
