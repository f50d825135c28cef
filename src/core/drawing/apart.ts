import type { Drawing, Handle, Shape, TextStyle } from './shapes';

type TextShape = Extract<Shape, { kind: 'text' }>;
type Box = readonly [left: number, top: number, right: number, bottom: number];

/** Size of letters at the usual size of text (px), and how wide one is and how far it rises and hangs over that. */
const SIZES: Readonly<Record<TextStyle, number>> = {
  plain: 11.5,
  small: 11,
  strong: 11.5,
  demand: 11.5,
  resistance: 11.5,
  over: 11.5,
  symbol: 13.1,
};
const [RISE, HANG] = [0.8, 0.2];
const GAP = 3;

/** Width of a text over the size of its letters, about: most are half as wide as high. */
function widthOf(text: string): number {
  let width = 0;
  for (const letter of text) width += letter === '‰' ? 1.34 : /[@%mMW→]/.test(letter) ? 0.84 : /[ .,:;il|'·]/.test(letter) ? 0.27 : 0.54;
  return width;
}

function boxOf({ at: [x, y], text, style, anchor = 'start' }: Pick<TextShape, 'at' | 'text' | 'style' | 'anchor'>, scale: number): Box {
  const size = SIZES[style] * scale;
  const width = widthOf(text) * size;
  const left = anchor === 'start' ? x : anchor === 'middle' ? x - width / 2 : x - width;
  return [left, y - RISE * size, left + width, y + HANG * size];
}

const meets = (a: Box, b: Box) => a[0] < b[2] - 1 && b[0] < a[2] - 1 && a[1] < b[3] - 1 && b[1] < a[3] - 1;
const moved = ([l, t, r, b]: Box, dx: number, dy: number): Box => [l + dx, t + dy, r + dx, b + dy];

/**
 * The drawing with its texts apart, for letters `scale` times their usual size: one that would lie on another, or reach over a side, goes the
 * shortest way to where it is free. Texts keep their order, so the first of two stays. What is turned is left where it is.
 */
export function apart<H extends Handle>(drawing: Drawing<H>, scale = 1): Drawing<H> {
  const placed: Box[] = [];
  const shapes = drawing.shapes.map((shape): Shape<H> => {
    if (shape.kind !== 'text' || shape.turn || shape.text.trim() === '') return shape;
    const box = boxOf(shape, scale);
    const [dx, dy] = shortestWay(box, placed, drawing);
    placed.push(moved(box, dx, dy));
    return dx === 0 && dy === 0 ? shape : { ...shape, at: [shape.at[0] + dx, shape.at[1] + dy] };
  });
  return { ...drawing, shapes };
}

/** The least move that frees a box: sideways or up and down past what it meets, within the drawing. Where nothing does it stays. */
function shortestWay(box: Box, placed: readonly Box[], { width, height }: Pick<Drawing, 'width' | 'height'>): readonly [number, number] {
  const inside = box[0] < 0 ? -box[0] : box[2] > width ? Math.max(-box[0], width - box[2]) : 0;
  const start = moved(box, inside, 0);
  const isFree = (b: Box) => placed.every((p) => !meets(b, p));
  if (isFree(start)) return [inside, 0];
  const near = placed.filter((p) => Math.abs(p[1] - start[1]) < 60 && p[0] < start[2] + 200 && p[2] > start[0] - 200);
  const ways = near.flatMap((p): (readonly [number, number])[] => [
    [p[2] + GAP - start[0], 0],
    [p[0] - GAP - start[2], 0],
    [0, p[3] + 1 - start[1]],
    [0, p[1] - 1 - start[3]],
  ]);
  const line = start[3] - start[1] + 1;
  for (let k = 1; k <= 6; k += 1) ways.push([0, k * line], [0, -k * line]);
  const isWithin = (b: Box) => b[0] >= 0 && b[2] <= width && b[1] >= 0 && b[3] <= height;
  const found = ways
    .filter(([dx, dy]) => isWithin(moved(start, dx, dy)) && isFree(moved(start, dx, dy)))
    .sort((a, b) => Math.abs(a[0]) + Math.abs(a[1]) - (Math.abs(b[0]) + Math.abs(b[1])));
  const [dx, dy] = found[0] ?? [0, 0];
  return [inside + dx, dy];
}
