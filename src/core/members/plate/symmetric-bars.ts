import { layerOf, type SlabBars } from '../../reinforcement/slab-bars';
import { boundsOf, type Point } from '../../geometry/polygon';
import { isAlongPlan } from './bar-axes';
import { outlineOf, spanOf, type TwoCorners } from './geometry';
import { isLayer, type Along, type ExtraBars, type PlateInput } from './input';

/** Places that lie nearer than this (mm) to their image are it. */
const NEAR = 5;

/** The lines about which a slab and its columns are their own image: upright ones by their x, level ones by their y. */
export function mirrorsOf(plate: PlateInput): readonly { readonly along: Along; readonly at: number }[] {
  if (!isAlongPlan(plate)) return [];
  const { outer } = outlineOf(plate);
  const { left, right, bottom, top } = boundsOf(outer);
  const both = [
    { along: 'x', at: (left + right) / 2 },
    { along: 'y', at: (bottom + top) / 2 },
  ] as const;
  const middles = plate.columns.map(({ x, y }): Point => [x, y]);
  const isOwnImage = (points: readonly Point[], image: (p: Point) => Point) =>
    points.every((p) => {
      const [x, y] = image(p);
      return points.some(([a, b]) => Math.hypot(a - x, b - y) < NEAR);
    });
  return both.filter((m) => {
    const image = ([x, y]: Point): Point => (m.along === 'x' ? [2 * m.at - x, y] : [x, 2 * m.at - y]);
    return isOwnImage(outer, image) && isOwnImage(middles, image);
  });
}

const boxOf = (corners: TwoCorners): TwoCorners => {
  const { x, y } = spanOf(corners);
  return { x1: x[0], y1: y[0], x2: x[1], y2: y[1] };
};

type Image = <T extends TwoCorners>(part: T) => T;

/** The images of a part about each line and about both; the part itself is the first of them. */
function imagesOf(plate: PlateInput): Image[] {
  return mirrorsOf(plate).reduce<Image[]>(
    (images, { along, at }) => {
      const mirrored: Image = (e) =>
        along === 'x' ? { ...e, x1: 2 * at - e.x2, x2: 2 * at - e.x1 } : { ...e, y1: 2 * at - e.y2, y2: 2 * at - e.y1 };
      return [
        ...images,
        ...images.map(
          (image): Image =>
            (e) =>
              mirrored(image(e)),
        ),
      ];
    },
    [(e) => e],
  );
}

/**
 * Bars over parts with their images: what lies where an image of another one does has as much, over the larger of both parts, and one that lies over a line
 * is its own image.
 */
export function symmetricExtras(plate: PlateInput, extra: readonly ExtraBars[]): ExtraBars[] {
  const images = imagesOf(plate);
  const left = new Set(extra.map((e): ExtraBars => ({ ...e, ...boxOf(e) })));
  const all: ExtraBars[] = [];
  for (const e of left) {
    left.delete(e);
    let own = e;
    for (const other of left) {
      const image = isLayer(other, e) ? images.map((of) => of(other)).find((o) => liesOver(e, o)) : undefined;
      if (!image) continue;
      left.delete(other);
      own = { ...around(own, image), bars: heavier(plate, own.bars, other.bars) };
    }
    for (const of of images) if (liesOver(own, of(own))) own = around(own, of(own));
    const found = new Map(images.map((of) => of(own)).map((o) => [`${o.x1} ${o.y1} ${o.x2} ${o.y2}`, o]));
    all.push(...found.values());
  }
  return all;
}

/** The heavier of two sorts of bars. */
export const heavier = ({ catalogue }: PlateInput, a: SlabBars, b: SlabBars): SlabBars =>
  layerOf(b, catalogue).area > layerOf(a, catalogue).area ? b : a;

/** Whether the middle of a part lies over another one. */
function liesOver(over: TwoCorners, part: TwoCorners): boolean {
  const { x, y } = spanOf(over);
  const [mx, my] = [(part.x1 + part.x2) / 2, (part.y1 + part.y2) / 2];
  return mx >= x[0] && mx <= x[1] && my >= y[0] && my <= y[1];
}

const around = <T extends ExtraBars>(a: T, b: TwoCorners): T => ({
  ...a,
  x1: Math.min(a.x1, b.x1),
  y1: Math.min(a.y1, b.y1),
  x2: Math.max(a.x2, b.x2),
  y2: Math.max(a.y2, b.y2),
});
