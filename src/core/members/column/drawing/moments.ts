import type { ColumnHandle } from './handles';
import {
  areaOf,
  circleAt,
  pathThrough,
  textAt,
  arcPoints,
  arrow,
  line,
  type Drawing,
  type Point,
  type Shape,
} from '../../../drawing/shapes';

export interface ColumnMomentPicture {
  readonly axis: 'x' | 'y';
  /** First-order moments as they act (equal signs: single curvature), and those to be carried (N mm). */
  readonly first: { readonly top: number; readonly bottom: number };
  readonly design: { readonly top: number; readonly mid: number; readonly bottom: number } | null;
  readonly labels: { readonly top: string; readonly bottom: string; readonly mid: string; readonly l0: string; readonly state: string };
  readonly edits: { readonly [K in 'top' | 'bottom']?: ColumnHandle };
  readonly ends: { readonly top: EndSign; readonly bottom: EndSign };
}

export type EndSign = 'fixed' | 'pinned' | 'free' | 'framed';

/** The column, its positive side at the left, with its end moments as arrows, the diagram of moments, what second order adds, and the bent shape: the sign is seen. Moments stand on the tension side. */
export function columnMomentDrawing(p: ColumnMomentPicture, width: number, height: number): Drawing<ColumnHandle> {
  const [top, foot] = [44, height - 46];
  const cx = width * 0.42;
  const most = Math.max(
    1,
    Math.abs(p.first.top),
    Math.abs(p.first.bottom),
    ...(p.design ? [p.design.top, p.design.mid, p.design.bottom].map(Math.abs) : []),
  );
  const scale = (width * 0.3) / most;
  const at = (t: number, m: number): Point => [cx + m * scale, top + (foot - top) * t];
  const shapes: Shape<ColumnHandle>[] = [];
  const first = (t: number) => p.first.top + (p.first.bottom - p.first.top) * t;
  shapes.push(areaOf({ fill: 'demandWash' }, at(0, 0), at(0, first(0)), at(1, first(1)), at(1, 0)));
  shapes.push(line(at(0, first(0)), at(1, first(1)), 'demand'));
  if (p.design) shapes.push(...secondOrder(p.design, first, at));
  shapes.push(...bentShape(p, at, width));
  for (const side of [-1, 1]) shapes.push(line([cx + side * 3.2, top], [cx + side * 3.2, foot], 'outline'));
  shapes.push(...endMark(p.ends.top, [cx, top], -1), ...endMark(p.ends.bottom, [cx, foot], 1));
  shapes.push(...momentArrow([cx, top - 12], p.first.top, 'top'), ...momentArrow([cx, foot + 12], p.first.bottom, 'bottom'));
  shapes.push(textAt([cx - 22, top + 14], p.axis === 'x' ? '+y' : '+x', 'symbol', { anchor: 'end', halo: true }));
  const value = (x: number, y: number, text: string, edit: ColumnHandle | undefined, label: string): Shape<ColumnHandle> =>
    textAt([x, y], text, 'demand', { anchor: 'start', halo: true, ...(edit ? { edit, label } : {}) });
  shapes.push(
    value(cx + 20, top - 16, p.labels.top, p.edits.top, `Moment about ${p.axis} at the top`),
    value(cx + 20, foot + 24, p.labels.bottom, p.edits.bottom, `Moment about ${p.axis} at the foot`),
  );
  if (p.design && p.labels.mid) {
    const isRight = p.design.mid >= 0;
    const [x, y] = at(0.5, p.design.mid);
    shapes.push(textAt([x + (isRight ? 5 : -5), y + 4], p.labels.mid, 'demand', { anchor: isRight ? 'start' : 'end', halo: true }));
  }
  shapes.push(
    textAt([2, height - 6], p.labels.l0, 'strong', {
      anchor: 'start',
      edit: { of: 'axis', axis: p.axis },
      label: `Effective length about ${p.axis}`,
    }),
  );
  return { width, height, title: `Moments about ${p.axis}: ${p.labels.state}`, shapes };
}

/** A smooth line through the moments to be carried, hatched against the first-order ones. */
function secondOrder(
  d: { top: number; mid: number; bottom: number },
  first: (t: number) => number,
  at: (t: number, m: number) => Point,
): Shape<never>[] {
  const curve = Array.from({ length: 21 }, (_, i) => {
    const t = i / 20;
    // Through top, mid and bottom as a parabola.
    const m = d.top * (1 - t) * (1 - 2 * t) + d.mid * 4 * t * (1 - t) + d.bottom * t * (2 * t - 1);
    return at(t, m);
  });
  const back = Array.from({ length: 21 }, (_, i) => at(1 - i / 20, first(1 - i / 20)));
  return [areaOf({ fill: 'compression' }, ...curve, ...back), pathThrough({ line: 'demand' }, ...curve)];
}

/** The bent shape from the first-order moments of a column held at both ends, to no scale, dashed. It bends to the tension side. */
function bentShape(p: ColumnMomentPicture, at: (t: number, m: number) => Point, width: number): Shape<never>[] {
  const { top, bottom } = p.first;
  // w'' = -M with w = 0 at both ends: M linear from top to bottom.
  const w = (t: number) => (top * t * (1 - t) * (2 - t)) / 6 + (bottom * t * (1 - t) * (1 + t)) / 6;
  const values = Array.from({ length: 25 }, (_, i) => w(i / 24));
  const most = Math.max(...values.map(Math.abs));
  if (most === 0) return [];
  const amplitude = width * 0.12;
  return [
    pathThrough({ line: 'tentative' }, ...values.map((v, i) => [at(i / 24, 0)[0] + (v / most) * amplitude, at(i / 24, 0)[1]] as const)),
  ];
}

function endMark(kind: EndSign, [x, y]: Point, dir: 1 | -1): Shape<never>[] {
  if (kind === 'free') return [];
  const edge = y;
  const shapes: Shape<never>[] = [line([x - 17, edge], [x + 17, edge], 'axis')];
  if (kind === 'pinned') shapes.push(circleAt([x, y], 2.6, { line: 'outline', fill: 'surface' }));
  else for (let i = -2; i <= 2; i += 1) shapes.push(line([x + i * 7 - 3, edge + dir * 5], [x + i * 7 + 1, edge], 'dim'));
  return shapes;
}

/** Three-quarter arrow whose hand follows the sign: the end moment as it acts on the column. */
function momentArrow([x, y]: Point, moment: number, end: 'top' | 'bottom'): Shape<never>[] {
  if (moment === 0) return [];
  // Positive moments compress the left side as drawn: they turn the top anticlockwise and the foot clockwise.
  const clockwise = moment > 0 !== (end === 'top');
  // Over the top a clockwise arrow runs from left to right, under the foot from right to left.
  const toRight = clockwise === (end === 'top');
  const arc = toRight ? arcPoints([x, y], 9.5, Math.PI * 0.95, Math.PI * 0.05) : arcPoints([x, y], 9.5, Math.PI * 0.05, Math.PI * 0.95);
  const points = end === 'top' ? arc : arc.map(([px, py]): Point => [px, 2 * y - py]);
  const last = points[points.length - 1]!;
  const before = points[points.length - 3]!;
  return [pathThrough({ line: 'demand' }, ...points.slice(0, -1)), ...arrow(before, last, 'demand', 'demandSolid', 5)];
}
