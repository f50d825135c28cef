import { box, boundsOf, clipLoop, insetLoop, signedArea, type Loop, type Point } from '../../../geometry/polygon';
import { outlineOfShape, type SectionShape } from '../../../geometry/section-shapes';
import type { ColumnBar } from '../../../reinforcement/column-bars';
import type { CrossTie } from '../../../reinforcement/tie-legs';
import type { ColumnHandle } from './handles';
import { areaOf, circleAt, textAt, dimension, line, type Drawing, type Shape } from '../../../drawing/shapes';

export interface ColumnSectionPicture {
  readonly shape: SectionShape;
  readonly cover: number;
  readonly bars: readonly ColumnBar[];
  readonly tieDiameter: number;
  readonly cross: readonly CrossTie[];
  /** Neutral axis and compressed side, in coordinates from the centroid; the centroid in those of the outline. */
  readonly limit: { readonly theta: number; readonly x: number } | undefined;
  readonly centroid: Point;
  /** Bars in tension at the ultimate state, by number. */
  readonly inTension: ReadonlySet<number>;
  readonly labels: {
    readonly bars: string;
    readonly ratio: string;
    readonly ties: string;
    /** Empty where ties stand no closer there. */
    readonly tiesNearEnds: string;
    readonly cover: string;
    readonly length: (v: number) => string;
  };
}

/** A cut through the column to scale: concrete, ties, bars to be picked, the compressed part, and the dimensions that are edited on it. */
export function columnSectionDrawing(p: ColumnSectionPicture, width: number, height: number): Drawing<ColumnHandle> {
  const outline = outlineOfShape(p.shape);
  const { left, right, bottom, top } = boundsOf(outline.outer);
  const { bars, ties, tiesNearEnds, cover } = p.labels;
  // About the room that the longest label takes beside the section.
  const longest = Math.max(...[bars, ties, tiesNearEnds, cover].map((label) => label.length));
  const [padLeft, padRight, padTop, padBottom] = [36, Math.max(108, 34 + 5.8 * longest), 18, 40];
  const scale = Math.min((width - padLeft - padRight) / (right - left), (height - padTop - padBottom) / (top - bottom));
  const x0 = padLeft + (width - padLeft - padRight - (right - left) * scale) / 2;
  const y0 = padTop + (height - padTop - padBottom + (top - bottom) * scale) / 2;
  const at = ([x, y]: Point): Point => [x0 + (x - left) * scale, y0 - (y - bottom) * scale];
  const path = (loop: Loop, style: Partial<Shape<never> & { kind: 'path' }>): Shape<never> => areaOf({ ...style }, ...loop.map(at));
  const shapes: Shape<ColumnHandle>[] = [path(outline.outer, { line: 'cut', fill: 'concrete' })];
  if (p.limit) shapes.push(...compressed(p, outline.outer, at, path));
  for (const hole of outline.holes) shapes.push(path(hole, { line: 'cut', fill: 'surface' }));
  const outer = signedArea(outline.outer) > 0 ? outline.outer : [...outline.outer].reverse();
  for (const d of [p.cover, p.cover + p.tieDiameter]) shapes.push(path(insetLoop(outer, d), { line: 'link' }));
  for (const [a, b] of p.cross) shapes.push(...crossTie(p.bars[a]!, p.bars[b]!, p.tieDiameter, at));
  p.bars.forEach((b, i) => {
    const r = Math.max(2.5, (b.diameter * scale) / 2);
    shapes.push(circleAt(at([b.x, b.y]), r, { fill: 'steel', edit: { of: 'bar', bar: i }, label: barName(b, i, p) }));
    if (p.inTension.has(i)) shapes.push(circleAt(at([b.x, b.y]), r + 2.4, { line: 'demand' }));
  });
  shapes.push(...axes(p, at, scale, { left, right, bottom, top }), ...dimensions(p, at, { left, right, bottom, top }));
  return { width, height, title: 'Section', shapes };
}

const barName = (b: ColumnBar, i: number, p: ColumnSectionPicture) =>
  `Bar ${i + 1}, ${b.size}, x ${Math.round(b.x)} y ${Math.round(b.y)}${p.inTension.has(i) ? ', in tension' : ''}`;

/** The part above the neutral axis, hatched, and the axis itself. */
function compressed(
  p: ColumnSectionPicture,
  outer: Loop,
  at: (p: Point) => Point,
  path: (loop: Loop, style: Partial<Shape<never> & { kind: 'path' }>) => Shape<never>,
): Shape<never>[] {
  const { theta, x } = p.limit!;
  const n: Point = [Math.cos(theta), Math.sin(theta)];
  const vs = outer.map(([a, b]) => n[0] * a + n[1] * b);
  const [high, low] = [Math.max(...vs), Math.min(...vs)];
  const level = high - x;
  const hatch = clipLoop(outer, n, level);
  const shapes: Shape<never>[] = hatch.length > 2 ? [path(hatch, { fill: 'compression' })] : [];
  if (level <= low) return shapes;
  // The axis runs across the box of the section and a little beyond.
  const { left, right, bottom, top } = boundsOf(outer);
  const middle: Point = [(left + right) / 2, (bottom + top) / 2];
  const off = level - (n[0] * middle[0] + n[1] * middle[1]);
  const foot: Point = [middle[0] + off * n[0], middle[1] + off * n[1]];
  const reach = Math.hypot(right - left, top - bottom) / 2;
  const ends = clipLine(
    [foot[0] - n[1] * reach * 2, foot[1] + n[0] * reach * 2],
    [foot[0] + n[1] * reach * 2, foot[1] - n[0] * reach * 2],
    box(left - 12, bottom - 12, right + 12, top + 12),
  );
  return ends ? [...shapes, line(at(ends[0]), at(ends[1]), 'tentative')] : shapes;
}

/** The part of a line inside a convex box. */
function clipLine(a: Point, b: Point, box: Loop): readonly [Point, Point] | undefined {
  let [from, to] = [0, 1];
  for (let i = 0; i < box.length; i += 1) {
    const [p, q] = [box[i]!, box[(i + 1) % box.length]!];
    const [nx, ny] = [p[1] - q[1], q[0] - p[0]];
    const [da, db] = [nx * (a[0] - p[0]) + ny * (a[1] - p[1]), nx * (b[0] - p[0]) + ny * (b[1] - p[1])];
    if (da < 0 && db < 0) return undefined;
    if (da < 0) from = Math.max(from, da / (da - db));
    if (db < 0) to = Math.min(to, da / (da - db));
  }
  const on = (t: number): Point => [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t];
  return from < to ? [on(from), on(to)] : undefined;
}

/** A single leg that hooks round two bars. */
function crossTie(a: ColumnBar, b: ColumnBar, tie: number, at: (p: Point) => Point): Shape<never>[] {
  const length = Math.hypot(b.x - a.x, b.y - a.y) || 1;
  const [nx, ny] = [-(b.y - a.y) / length, (b.x - a.x) / length];
  const off = a.diameter / 2;
  const side = (d: number): Shape<never> => line(at([a.x + nx * d, a.y + ny * d]), at([b.x + nx * d, b.y + ny * d]), 'link');
  return [side(off), side(off + tie)];
}

type Box = { readonly left: number; readonly right: number; readonly bottom: number; readonly top: number };

/** The axes of bending through the centroid, named. */
function axes(p: ColumnSectionPicture, at: (p: Point) => Point, scale: number, { left, right, bottom, top }: Box): Shape<never>[] {
  const beyond = 14 / scale;
  const [cx, cy] = p.centroid;
  return [
    line(at([left - 4 / scale, cy]), at([right + beyond, cy]), 'grid'),
    line(at([cx, bottom - 4 / scale]), at([cx, top + beyond * 0.7]), 'grid'),
    textAt([at([right, cy])[0] + 6, at([right, cy])[1] - 4], 'x', 'symbol', { anchor: 'start' }),
    textAt([at([cx, top])[0] + 4, at([cx, top])[1] - 6], 'y', 'symbol', { anchor: 'start' }),
  ];
}

function dimensions(p: ColumnSectionPicture, at: (p: Point) => Point, box: Box): Shape<ColumnHandle>[] {
  const { left, right, bottom, top } = box;
  const s = p.shape;
  const [l, r, b, t] = [at([left, bottom])[0], at([right, bottom])[0], at([left, bottom])[1], at([left, top])[1]];
  const text = (x: number, y: number, content: string, edit: ColumnHandle, label: string): Shape<ColumnHandle> =>
    textAt([x, y], content, 'strong', { anchor: 'start', halo: true, edit, label });
  const side = (name: Extract<ColumnHandle, { of: 'shape' }>['side']): ColumnHandle => ({ of: 'shape', side: name });
  const width = p.labels.length(right - left);
  const height = p.labels.length(top - bottom);
  const round = s.kind === 'circle' || s.kind === 'ring';
  const shapes: Shape<ColumnHandle>[] = round
    ? dimension([l, b + 16], [r, b + 16], `ø ${width}`, side('diameter'), 'Diameter')
    : [
        ...dimension([l, b + 16], [r, b + 16], width, side(s.kind === 'free' ? 'outer' : 'b'), 'Width b'),
        ...dimension([l - 14, b], [l - 14, t], height, side(s.kind === 'free' ? 'outer' : 'h'), 'Depth h'),
      ];
  const labels: [string, ColumnHandle | null, string][] = [
    [p.labels.bars, { of: 'bars' }, 'Bars'],
    [p.labels.ratio, null, ''],
    [p.labels.ties, { of: 'ties' }, 'Ties'],
    ...(p.labels.tiesNearEnds === '' ? [] : ([[p.labels.tiesNearEnds, null, '']] as [string, null, string][])),
    [p.labels.cover, { of: 'cover' }, 'Cover to the ties'],
  ];
  if (s.kind === 'ring') labels.push([`wall ${p.labels.length(s.wall)}`, side('wall'), 'Thickness of the ring']);
  if (s.kind === 'L' || s.kind === 'cross')
    labels.push(
      [`upright ${p.labels.length(s.tx)}`, side('tx'), 'Thickness of the upright leg'],
      [`lying ${p.labels.length(s.ty)}`, side('ty'), 'Thickness of the lying leg'],
    );
  if (s.kind === 'T' || s.kind === 'I')
    labels.push(
      [`web ${p.labels.length(s.web)}`, side('web'), 'Thickness of the web'],
      [`flange ${p.labels.length(s.flange)}`, side('flange'), 'Depth of the flange'],
    );
  labels.forEach(([content, edit, label], i) => {
    const y = t + 12 + i * 17 + (i > 1 ? 4 : 0);
    shapes.push(edit ? text(r + 26, y, content, edit, label) : textAt([r + 26, y - 2], content, 'small'));
  });
  return shapes;
}
