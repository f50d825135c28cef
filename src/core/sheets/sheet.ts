import type { Point } from '../geometry/polygon';

/** What is drawn on which layer; a drawing file keeps them apart by these names. */
export const sheetLayers = ['concrete', 'bars', 'links', 'dimensions', 'marks', 'axes', 'frame'] as const;
export type SheetLayer = (typeof sheetLayers)[number];

/** What a view is made of, in true millimetres, x to the right and y upwards. Texts are as high as they stand on paper (mm). */
export type Entity =
  | {
      readonly kind: 'path';
      readonly layer: SheetLayer;
      readonly points: readonly Point[];
      readonly isClosed?: boolean;
      readonly isDashed?: boolean;
    }
  | { readonly kind: 'circle'; readonly layer: SheetLayer; readonly at: Point; readonly r: number; readonly isFilled?: boolean }
  | {
      readonly kind: 'text';
      readonly layer: SheetLayer;
      readonly at: Point;
      readonly text: string;
      readonly height: number;
      readonly anchor?: 'start' | 'middle' | 'end';
      /** Degrees, anticlockwise. */
      readonly turn?: number;
    }
  /** The distance between two places, its line that far beside them (mm on paper, to the left of the way from a to b). */
  | { readonly kind: 'dimension'; readonly a: Point; readonly b: Point; readonly beside: number; readonly text: string }
  /** What is drawn once under a name and stands at a place: a bar of a mark. */
  | { readonly kind: 'block'; readonly name: string; readonly at: Point; readonly entities: readonly Entity[] };

/** A view of a member at a scale of 1 to `scale`. */
export interface View {
  readonly title: string;
  readonly scale: number;
  readonly entities: readonly Entity[];
}

export interface PlacedView extends View {
  /** Where the lower left corner of what it takes stands on the paper (mm), and that corner in the view's own millimetres. */
  readonly at: Point;
  readonly from: Point;
}

export interface SheetPaper {
  readonly name: string;
  /** Landscape (mm). */
  readonly width: number;
  readonly height: number;
}

const paper = (name: string, width: number, height: number): SheetPaper => ({ name, width, height });

/** Papers from small to large: ISO 216 A4 to A1, ANSI/ASME Y14.1 Letter (A) to D. */
export const sheetPapers = {
  A4: [paper('A4', 297, 210), paper('A3', 420, 297), paper('A2', 594, 420), paper('A1', 841, 594)],
  Letter: [paper('Letter', 279.4, 215.9), paper('ANSI B', 431.8, 279.4), paper('ANSI C', 558.8, 431.8), paper('ANSI D', 863.6, 558.8)],
} as const;

/** A sheet as it is plotted: paper, views at their places, and what the title block says. */
export interface Sheet {
  readonly title: string;
  readonly paper: SheetPaper;
  readonly views: readonly PlacedView[];
  readonly titleBlock: readonly (readonly [name: string, value: string])[];
}

/** Heights of texts on paper (mm), ISO 3098. */
export const TEXT = 2.5;
export const TITLE = 3.5;

export interface Extent {
  readonly from: Point;
  readonly to: Point;
}

/** A rough breadth of a text (mm on paper). */
const breadthOf = (text: string, height: number) => text.length * height * 0.62;

/** What entities take, texts and dimensions at a scale with them. */
export function extentOf(entities: readonly Entity[], scale: number): Extent {
  let [x1, y1, x2, y2] = [Infinity, Infinity, -Infinity, -Infinity];
  const take = (x: number, y: number) => {
    [x1, y1, x2, y2] = [Math.min(x1, x), Math.min(y1, y), Math.max(x2, x), Math.max(y2, y)];
  };
  for (const e of entities) {
    if (e.kind === 'path') e.points.forEach(([x, y]) => take(x, y));
    else if (e.kind === 'circle') {
      take(e.at[0] - e.r, e.at[1] - e.r);
      take(e.at[0] + e.r, e.at[1] + e.r);
    } else if (e.kind === 'text') {
      const [long, high] = [breadthOf(e.text, e.height) * scale, e.height * scale * 1.2];
      const before = e.anchor === 'end' ? long : e.anchor === 'middle' ? long / 2 : 0;
      const isUpright = Math.abs(e.turn ?? 0) === 90;
      const [dx, dy] = isUpright ? [high, long] : [long, high];
      take(e.at[0] - (isUpright ? high : before), e.at[1] - (isUpright ? before : 0));
      take(e.at[0] - (isUpright ? high : before) + dx, e.at[1] - (isUpright ? before : 0) + dy);
    } else if (e.kind === 'dimension') {
      const { line, text } = dimensionParts(e, scale);
      [...line, text.at].forEach(([x, y]) => take(x, y));
      const room = TEXT * 1.6 * scale;
      take(text.at[0] - (text.turn ? room : 0), text.at[1] + (text.turn ? 0 : room));
    } else {
      const { from, to } = extentOf(e.entities, scale);
      take(e.at[0] + from[0], e.at[1] + from[1]);
      take(e.at[0] + to[0], e.at[1] + to[1]);
    }
  }
  return x1 === Infinity ? { from: [0, 0], to: [0, 0] } : { from: [x1, y1], to: [x2, y2] };
}

type Dimension = Entity & { readonly kind: 'dimension' };
type PathEntity = Entity & { readonly kind: 'path' };
type TextEntity = Entity & { readonly kind: 'text' };

/** A dimension as its line, the lines that lead to it, ticks and figure. */
export function dimensionParts({ a, b, beside, text }: Dimension, scale: number) {
  const length = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1;
  const [u, v] = [(b[0] - a[0]) / length, (b[1] - a[1]) / length];
  const off = ([x, y]: Point, by: number): Point => [x - v * by, y + u * by];
  const away = beside * scale;
  const line = [off(a, away), off(b, away)] as const;
  const tick = 1.2 * scale;
  const path = (...points: Point[]): PathEntity => ({ kind: 'path', layer: 'dimensions', points });
  const middle: Point = [(line[0][0] + line[1][0]) / 2, (line[0][1] + line[1][1]) / 2];
  const isUpright = Math.abs(u) < 0.1;
  const figure: TextEntity = {
    kind: 'text',
    layer: 'dimensions',
    // Read from below or from the right, above its line.
    at: isUpright ? [middle[0] - 0.8 * scale, middle[1]] : [middle[0], middle[1] + 0.8 * scale],
    text,
    height: TEXT,
    anchor: 'middle',
    ...(isUpright ? { turn: 90 } : {}),
  };
  const strokes: PathEntity[] = [
    path(...line),
    ...[a, b].map((p) => path(off(p, Math.sign(away) * scale), off(p, away + Math.sign(away) * scale))),
    ...line.map(([x, y]) => path([x - tick, y - tick], [x + tick, y + tick])),
  ];
  return { line, strokes, text: figure };
}
