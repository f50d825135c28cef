import type { Point } from '../geometry/polygon';
import type { BandFill } from './bands';

/**
 * Drawings as data: flat lists of shapes in sheet units (1/96 in), y down. The screen and the PDF render the same lists; a style is a
 * name that each renderer knows. A text with `edit` is the place where that value is edited.
 */
export type LineStyle =
  | 'cut'
  | 'outline'
  | 'tentative'
  | 'dim'
  | 'tick'
  | 'axis'
  | 'rule'
  | 'grid'
  | 'bar'
  | 'barHeavy'
  | 'link'
  | 'demand'
  | 'resistance'
  | 'shifted'
  | 'nominal'
  | 'mesh'
  | 'meshHidden'
  | 'excess'
  | 'load'
  | 'loadVariable'
  | 'station'
  /** Parts what is in front from what is behind. */
  | 'edge';

export type FillStyle =
  | 'none'
  | 'concrete'
  | 'concreteLight'
  | 'compression'
  | 'steel'
  | 'link'
  | 'demandWash'
  | 'demandSolid'
  | 'resistanceWash'
  | 'excessHatch'
  | 'permanentWash'
  | 'surface'
  | 'ebony'
  | BandFill;

export type TextStyle = 'plain' | 'small' | 'strong' | 'demand' | 'resistance' | 'over' | 'symbol';

export type { Point } from '../geometry/polygon';

/** What something drawn changes: one of the union of its kind of member. */
export interface Handle {
  readonly of: string;
}

/** A handle as a short text, the same for the same value. */
export const keyOf = (handle: Handle): string =>
  Object.values(handle)
    .filter((part) => part !== null)
    .join('.');

export type Shape<H = Handle> =
  | {
      readonly kind: 'path';
      readonly points: readonly Point[];
      /** Further pieces drawn as one with the first. */
      readonly more?: readonly (readonly Point[])[];
      readonly closed?: boolean;
      readonly line?: LineStyle;
      readonly fill?: FillStyle;
      readonly edit?: H;
    }
  | {
      readonly kind: 'circle';
      readonly at: Point;
      readonly r: number;
      readonly line?: LineStyle;
      readonly fill?: FillStyle;
      readonly edit?: H;
      readonly label?: string;
      /** A handle: its value is also changed by moving it along the sheet. */
      readonly drag?: boolean;
    }
  | {
      readonly kind: 'text';
      readonly at: Point;
      readonly text: string;
      readonly style: TextStyle;
      readonly anchor?: 'start' | 'middle' | 'end';
      /** Degrees, anticlockwise. */
      readonly turn?: number;
      /** The value that is edited here. */
      readonly edit?: H;
      /** The value was set by hand; others are chosen. */
      readonly isSet?: boolean;
      /** What the value is, for those who hear the drawing. */
      readonly label?: string;
      readonly halo?: boolean;
    };

export interface Drawing<H = Handle> {
  readonly width: number;
  readonly height: number;
  readonly title: string;
  readonly shapes: readonly Shape<H>[];
}

type Drawn<K extends Shape['kind'], H> = Extract<Shape<H>, { kind: K }>;
type Styled<K extends Shape['kind'], H, Given extends string> = Omit<Drawn<K, H>, 'kind' | Given>;

export const textAt = <H = never>(
  at: Point,
  text: string,
  style: TextStyle,
  more: Styled<'text', H, 'at' | 'text' | 'style'> = {},
): Drawn<'text', H> => ({ kind: 'text', at, text, style, ...more });

export const pathThrough = <H = never>(style: Styled<'path', H, 'points'>, ...points: readonly Point[]): Shape<H> => ({
  kind: 'path',
  points,
  ...style,
});

/** A closed path. */
export const areaOf = <H = never>(style: Styled<'path', H, 'points' | 'closed'>, ...points: readonly Point[]): Shape<H> => ({
  kind: 'path',
  closed: true,
  points,
  ...style,
});

export const circleAt = <H = never>(at: Point, r: number, style: Styled<'circle', H, 'at' | 'r'> = {}): Shape<H> => ({
  kind: 'circle',
  at,
  r,
  ...style,
});

export const line = (a: Point, b: Point, style: LineStyle): Shape<never> => pathThrough({ line: style }, a, b);

/** A dimension: line with slanted ticks and a figure above it. Horizontal or vertical. */
export function dimension<H = never>(a: Point, b: Point, text: string, edit?: H, label?: string): Shape<H>[] {
  const isVertical = Math.abs(b[0] - a[0]) < 1e-6;
  const middle: Point = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
  const tick = ([x, y]: Point) => line([x - 3.5, y + 3.5], [x + 3.5, y - 3.5], 'tick');
  return [
    line(a, b, 'dim'),
    tick(a),
    tick(b),
    {
      kind: 'text',
      at: isVertical ? [middle[0] - 4, middle[1]] : [middle[0], middle[1] - 3.5],
      text,
      style: 'plain',
      anchor: 'middle',
      halo: true,
      ...(isVertical ? { turn: 90 } : {}),
      ...(edit ? { edit } : {}),
      ...(label ? { label } : {}),
    },
  ];
}

/** A handle at the end of something drawn: opens its value, and moves along the sheet. */
export const handle = <H>(at: Point, edit: H, label: string): Shape<H> => ({
  kind: 'circle',
  at,
  r: 3.6,
  line: 'outline',
  fill: 'surface',
  edit,
  label,
  drag: true,
});

/** An arrow from one point to another with a filled head. */
export function arrow(from: Point, to: Point, style: LineStyle, fill: FillStyle, head = 5): Shape<never>[] {
  const length = Math.hypot(to[0] - from[0], to[1] - from[1]) || 1;
  const [ux, uy] = [(to[0] - from[0]) / length, (to[1] - from[1]) / length];
  const base: Point = [to[0] - ux * head, to[1] - uy * head];
  const half = head * 0.42;
  return [
    line(from, base, style),
    {
      kind: 'path',
      closed: true,
      fill,
      points: [to, [base[0] - uy * half, base[1] + ux * half], [base[0] + uy * half, base[1] - ux * half]],
    },
  ];
}

/** Points of an arc, for three-quarter arrows of moments. */
export function arcPoints(centre: Point, r: number, from: number, to: number): Point[] {
  return Array.from({ length: 17 }, (_, i) => {
    const t = from + ((to - from) * i) / 16;
    return [centre[0] + r * Math.cos(t), centre[1] - r * Math.sin(t)];
  });
}
