import { boundsOf, insetLoop, signedArea, type Loop, type Point } from '../geometry/polygon';
import { outlineOfShape, type SectionShape } from '../geometry/section-shapes';
import { findBar, type Bar, type BarCatalogue } from '../materials/bars';

/** How the bars of a column are laid out. Counts on a side do not include the corners. */
export type ColumnBars =
  | {
      readonly kind: 'sides';
      readonly corner: string;
      /** Bars between the corners of each side along x (top and bottom), and along y (left and right). */
      readonly alongX: number;
      readonly sizeX: string;
      readonly alongY: number;
      readonly sizeY: string;
    }
  | { readonly kind: 'ring'; readonly count: number; readonly size: string }
  /** A bar in every corner of the outline, and more between them at no more than a spacing. */
  | { readonly kind: 'outline'; readonly size: string; readonly spacing: number }
  /** `share` is the part of a bar that belongs to the section, where a metre of wall holds no whole number of them. */
  | {
      readonly kind: 'list';
      readonly bars: readonly { readonly x: number; readonly y: number; readonly size: string; readonly share?: number }[];
    };

/** A bar in its place. `side` names the face that it belongs to: all bars of a face can be taken together. */
export interface ColumnBar {
  readonly x: number;
  readonly y: number;
  readonly size: string;
  readonly diameter: number;
  readonly area: number;
  readonly side: string;
  readonly isCorner: boolean;
}

/** The pair of bars whose clear distance (mm) is worst against what the thicker of them needs. */
export function tightestPair(
  bars: readonly ColumnBar[],
  needed: (diameter: number) => number,
): { readonly clear: number; readonly diameter: number } {
  let worst = { clear: Infinity, diameter: bars[0]!.diameter, ratio: -Infinity };
  bars.forEach((a, i) =>
    bars.slice(i + 1).forEach((b) => {
      const diameter = Math.max(a.diameter, b.diameter);
      const clear = Math.hypot(a.x - b.x, a.y - b.y) - (a.diameter + b.diameter) / 2;
      // Bars that touch or overlap are the worst of all.
      const ratio = clear > 0 ? needed(diameter) / clear : Infinity;
      if (ratio > worst.ratio) worst = { clear, diameter, ratio };
    }),
  );
  return worst;
}

/** The laid-out bars, in the coordinates of the outline. Sizes that the catalogue lacks are left out; the faults say so. */
export function placeColumnBars(shape: SectionShape, bars: ColumnBars, cover: number, tie: number, catalogue: BarCatalogue): ColumnBar[] {
  const bar = (size: string) => findBar(catalogue, size);
  const make = (p: Point, b: Bar | undefined, side: string, isCorner: boolean): ColumnBar[] =>
    b ? [{ x: p[0], y: p[1], size: b.name, diameter: b.diameter, area: b.area, side, isCorner }] : [];
  if (bars.kind === 'list')
    return bars.bars.flatMap(({ x, y, size, share = 1 }) =>
      make([x, y], bar(size), '', false).map((b) => (share === 1 ? b : { ...b, area: share * b.area })),
    );
  const { outer } = outlineOfShape(shape);
  const inset = cover + tie;
  if (bars.kind === 'ring') {
    const b = bar(bars.size);
    const { left, right } = boundsOf(outer);
    const diameter = shape.kind === 'circle' || shape.kind === 'ring' ? shape.diameter : right - left;
    const radius = diameter / 2 - inset - (b?.diameter ?? 0) / 2;
    return Array.from({ length: bars.count }, (_, i) => {
      const a = Math.PI / 2 - (2 * Math.PI * i) / bars.count;
      return make([radius * Math.cos(a), radius * Math.sin(a)], b, 'ring', false);
    }).flat();
  }
  if (bars.kind === 'outline') return alongOutline(outer, bars, inset, bar(bars.size), make);
  return onSides(outer, bars, inset, bar, make);
}

type Make = (p: Point, b: Bar | undefined, side: string, isCorner: boolean) => ColumnBar[];

/** Corners and sides of the box around the outline. */
function onSides(
  outer: Loop,
  bars: ColumnBars & { kind: 'sides' },
  inset: number,
  bar: (size: string) => Bar | undefined,
  make: Make,
): ColumnBar[] {
  const { left, right, bottom, top } = boundsOf(outer);
  const c = bar(bars.corner);
  const e = inset + (c?.diameter ?? 0) / 2;
  const [x1, x2, y1, y2] = [left + e, right - e, bottom + e, top - e];
  const [bx, by] = [bar(bars.sizeX), bar(bars.sizeY)];
  const [ex, ey] = [inset + (bx?.diameter ?? 0) / 2, inset + (by?.diameter ?? 0) / 2];
  const between = (a: number, b: number, n: number) => Array.from({ length: n }, (_, i) => a + ((b - a) * (i + 1)) / (n + 1));
  return [
    ...make([x1, y2], c, 'top', true),
    ...between(x1, x2, bars.alongX).flatMap((x) => make([x, top - ex], bx, 'top', false)),
    ...make([x2, y2], c, 'top', true),
    ...between(y2, y1, bars.alongY).flatMap((y) => make([right - ey, y], by, 'right', false)),
    ...make([x2, y1], c, 'bottom', true),
    ...between(x2, x1, bars.alongX).flatMap((x) => make([x, bottom + ex], bx, 'bottom', false)),
    ...make([x1, y1], c, 'bottom', true),
    ...between(y1, y2, bars.alongY).flatMap((y) => make([left + ey, y], by, 'left', false)),
  ];
}

/** A bar in every corner of the outline moved in, and evenly between. Corners closer than two diameters share a bar. */
function alongOutline(
  outer: Loop,
  { spacing }: ColumnBars & { kind: 'outline' },
  inset: number,
  b: Bar | undefined,
  make: Make,
): ColumnBar[] {
  const loop = signedArea(outer) >= 0 ? outer : [...outer].reverse();
  const line = insetLoop(loop, inset + (b?.diameter ?? 0) / 2);
  const placed: ColumnBar[] = [];
  const add = (p: Point, side: string, isCorner: boolean) => {
    const isFree = placed.every((o) => Math.hypot(o.x - p[0], o.y - p[1]) > 1.2 * (b?.diameter ?? 1));
    if (isFree) placed.push(...make(p, b, side, isCorner));
  };
  line.forEach((p, i) => add(p, `side ${i + 1}`, true));
  line.forEach((p, i) => {
    const q = line[(i + 1) % line.length]!;
    const n = Math.ceil(Math.hypot(q[0] - p[0], q[1] - p[1]) / Math.max(spacing, 1) - 1e-9);
    for (let k = 1; k < Math.min(n, 200); k += 1)
      add([p[0] + ((q[0] - p[0]) * k) / n, p[1] + ((q[1] - p[1]) * k) / n], `side ${i + 1}`, false);
  });
  return placed;
}

/** How many bars a layout has by size, as it is written on the drawing: largest first. */
export function countBySize(bars: readonly ColumnBar[]): { readonly size: string; readonly count: number }[] {
  const sizes = [...new Set(bars.map((b) => b.size))];
  const of = (size: string) => bars.filter((b) => b.size === size);
  return sizes.map((size) => ({ size, count: of(size).length })).sort((a, b) => of(b.size)[0]!.diameter - of(a.size)[0]!.diameter);
}

/** The least clear distance between any two bars (mm), and which; Infinity for one bar. */
export function leastClear(bars: readonly ColumnBar[]): { readonly clear: number; readonly pair: readonly [number, number] } {
  let best = { clear: Infinity, pair: [0, 0] as readonly [number, number] };
  for (let i = 0; i < bars.length; i += 1)
    for (let j = i + 1; j < bars.length; j += 1) {
      const clear = Math.hypot(bars[i]!.x - bars[j]!.x, bars[i]!.y - bars[j]!.y) - (bars[i]!.diameter + bars[j]!.diameter) / 2;
      if (clear < best.clear) best = { clear, pair: [i, j] };
    }
  return best;
}
