import { areaOf, pathThrough, textAt, type Point, type Shape } from '../../drawing/shapes';
import { boundsOf } from '../../geometry/polygon';
import { axesOf, isAlongPlan, layerTitle, type BarAxes } from './bar-axes';
import { loopsOf, middleOf, partOf } from './bar-parts';
import { outlineOf, type Span } from './geometry';
import { isLayer, type ExtraBars, type PlateInput } from './input';
import type { PlateHandle, PlatePicture } from './picture';
import { layerOf } from './result';

type OnSheet = (p: Point) => Point;

/** The part of a slab that bars lie over, as far as the slab goes. */
function shownPart(plate: PlateInput, { x, y }: Span, axes: BarAxes): Span {
  const { left, right, bottom, top } = boundsOf(outlineOf(plate).outer.map(axes.placeOf));
  const within = ([from, to]: Span['x'], least: number, most: number): Span['x'] => [Math.max(least, from), Math.min(most, to)];
  return axes.ring ? { x: within(x, 0, right), y } : { x: within(x, left, right), y: within(y, bottom, top) };
}

/** Where bars over a part are written. */
export function placeOfWords(plate: PlateInput, extra: ExtraBars): Point {
  const axes = axesOf(plate);
  return middleOf(
    shownPart(plate, partOf(extra, axes), axes),
    axes,
    plate.columns.map(({ x, y }): Point => [x, y]),
  );
}

/** Bars over parts of the layer that is shown. */
export function extraShapes({ plate, result, map, labels }: PlatePicture, on: OnSheet): Shape<PlateHandle>[] {
  const layer = layerOf(map);
  if (!layer) return [];
  const axes = axesOf(plate);
  return result.steel.extra.flatMap((extra, index): Shape<PlateHandle>[] => {
    if (!isLayer(extra, layer)) return [];
    const part = shownPart(plate, partOf(extra, axes), axes);
    const middle = on(placeOfWords(plate, extra));
    return [
      ...loopsOf(part, axes).map((loop) => areaOf<PlateHandle>({ line: 'link' }, ...loop.map(on))),
      textAt([middle[0], middle[1] + 4], labels.bars(extra.bars), 'small', {
        anchor: 'middle',
        edit: { of: 'extra', index },
        isSet: plate.bars.extra !== null,
        label: `Bars ${layerTitle(plate, layer)}, ${index + 1}`,
        halo: true,
      }),
    ];
  });
}

/** So long is the mark of a direction, as a share of the slab. */
const MARK = 0.12;

/** Where bars run that do not run along the axes of the plan: the rim of the mesh at the middle of radial ones, or a line along the layer that is shown. */
export function axisShapes({ plate, map }: PlatePicture, on: OnSheet): Shape<PlateHandle>[] {
  const layer = layerOf(map);
  if (!layer || isAlongPlan(plate)) return [];
  const axes = axesOf(plate);
  if (axes.ring)
    return loopsOf({ x: [0, axes.ring.inner], y: [0, 2 * Math.PI] }, axes).map((loop) => areaOf({ line: 'tentative' }, ...loop.map(on)));
  const { left, right, bottom, top } = boundsOf(outlineOf(plate).outer);
  const [x, y] = [(left + right) / 2, (bottom + top) / 2];
  const [dx, dy] = axes.at([x, y])[layer.along];
  const half = (MARK / 2) * Math.max(right - left, top - bottom);
  return [pathThrough({ line: 'axis' }, on([x - half * dx, y - half * dy]), on([x + half * dx, y + half * dy]))];
}
