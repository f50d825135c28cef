import { boundsOf, boxOf, isInsideLoop, type Loop, type Point } from '@/core/geometry/polygon';
import { circleLoop } from '@/core/geometry/section-shapes';
import { counted } from '@/core/units/format';
import type { PlateColumn } from '@/core/members/plate/input';
import type { DrawnLoop, DxfDrawing } from './read-dxf';

/** What the lines of a layer are taken for. */
export type LayerRole = 'outline' | 'columns' | 'leave';

/** A column of a plan: its middle, and its shape where the drawing has it. */
export interface DrawnColumn {
  readonly at: Point;
  readonly shape: PlateColumn['shape'] | null;
}

export interface DrawnPlan {
  /** Where its coordinates count from, in units of the drawing. */
  readonly origin: Point;
  /** The largest closed line of the layers taken for outlines; empty where there is none. */
  readonly outer: Loop;
  /** Closed lines within it. */
  readonly holes: readonly Loop[];
  readonly columns: readonly DrawnColumn[];
  /** In words: what was left out, and why. */
  readonly left: readonly string[];
}

/** The layers of a drawing, those with the largest lines first. */
export const layersOf = ({ loops, points }: DxfDrawing): string[] => [
  ...new Set([...loops.map((l) => l.layer), ...points.map((p) => p.layer)]),
];

const COLUMN_NAME = /col|pil|st[uü]e?tz|support/i;

/** What the lines of each layer seem to be: shown, and to be changed. */
export function usualRoles(drawing: DxfDrawing, takesColumns: boolean): Record<string, LayerRole> {
  const main = drawing.loops[0]?.layer;
  return Object.fromEntries(
    layersOf(drawing).map((layer): [string, LayerRole] => {
      const own = drawing.loops.filter((l) => l.layer === layer);
      const isMarks = own.every((l) => l.circle) || COLUMN_NAME.test(layer);
      return [layer, layer === main ? 'outline' : takesColumns && isMarks ? 'columns' : 'leave'];
    }),
  );
}

/** To a hundredth of a millimetre: without the noise of conversion. */
const round = (v: number) => Math.round(v * 100) / 100 + 0;

/**
 * Outline, openings and columns out of a drawing, in mm. `unit` is the length of a unit of the drawing (mm); with `fromCorner` coordinates count from
 * the lower left corner of what encloses the outline, else as they are drawn.
 */
export function planOfDxf(
  drawing: DxfDrawing,
  roles: Readonly<Record<string, LayerRole>>,
  { unit, fromCorner }: { readonly unit: number; readonly fromCorner: boolean },
): DrawnPlan {
  const [outer, ...others] = drawing.loops.filter((l) => roles[l.layer] === 'outline');
  const inside = outer ? others.filter((l) => isWithin(l, outer)) : [];
  const holes = inside.filter((l) => !inside.some((o) => o !== l && isWithin(l, o)));
  const { left: x0, bottom: y0 } = outer && fromCorner ? boundsOf(outer.points) : { left: 0, bottom: 0 };
  const place = ([x, y]: Point): Point => [round((x - x0) * unit), round((y - y0) * unit)];
  const corners = ({ points, circle }: DrawnLoop) =>
    (circle ? circleLoop(circle.diameter, 36).map(([x, y]): Point => [x + circle.at[0], y + circle.at[1]]) : points).map(place);
  const drawn = drawing.loops.filter((l) => roles[l.layer] === 'columns').map((l) => columnOf(l, place, unit));
  const marked = drawing.points.filter((p) => roles[p.layer] === 'columns').map(({ at }): DrawnColumn => ({ at: place(at), shape: null }));
  // A point in the middle of an outline of a column is the same column.
  const single = marked.filter((p) => !drawn.some((c) => Math.hypot(c.at[0] - p.at[0], c.at[1] - p.at[1]) < 10));
  const outside = others.length - inside.length;
  const said = (n: number, noun: string, words: string) => (n > 0 ? [`${counted(n, noun)} ${words}`] : []);
  return {
    origin: [x0, y0],
    outer: outer ? corners(outer) : [],
    holes: holes.map(corners),
    columns: [...drawn, ...single],
    left: [
      ...said(outside, 'closed line', 'outside the outline, or across it'),
      ...said(inside.length - holes.length, 'closed line', 'within openings'),
      ...said(drawn.filter((c) => !c.shape).length, 'column', 'neither round nor a rectangle along x and y: the middle is taken'),
      ...drawing.unread,
    ],
  };
}

const isWithin = (l: DrawnLoop, outer: DrawnLoop) => l.points.every((p) => isInsideLoop(p, outer.points));

/** The middle of a closed line, and its size where it is a circle or a rectangle along the axes. */
function columnOf({ points, circle }: DrawnLoop, place: (p: Point) => Point, unit: number): DrawnColumn {
  if (circle) return { at: place(circle.at), shape: { kind: 'circle', diameter: round(circle.diameter * unit) } };
  const { left, right, bottom, top } = boundsOf(points);
  return {
    at: place([(left + right) / 2, (bottom + top) / 2]),
    shape: boxOf(points) ? { kind: 'rectangle', b: round((right - left) * unit), h: round((top - bottom) * unit) } : null,
  };
}
