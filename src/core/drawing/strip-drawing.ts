import { isBeyond } from '../checks/check';
import type { Frame } from './frame';
import { simplified } from './simplify';
import { areaOf, pathThrough, textAt, handle, line, type Drawing, type Handle, type Point, type Shape, type TextStyle } from './shapes';

/** One strip: demand lying in resistance, above and below a zero line, on the station axis of the elevation. */
export interface StripPicture<H = Handle> {
  readonly title: string;
  readonly length: number;
  readonly x: ArrayLike<number>;
  /** Demand and resistance drawn above (positive) and below (negative); all as positive numbers. */
  readonly above: { readonly demand: ArrayLike<number>; readonly resistance: ArrayLike<number>; readonly shifted?: ArrayLike<number> };
  readonly below: { readonly demand: ArrayLike<number>; readonly resistance: ArrayLike<number>; readonly shifted?: ArrayLike<number> };
  /** Prints a value of the axis, without its unit. */
  readonly format: (value: number) => string;
  /** Factor of the unit shown, so that figures on the axis are round. */
  readonly unit: number;
  /** Values printed at their place on the demand (or, `of: 'resistance'`, on the resistance). */
  readonly marks: readonly { readonly x: number; readonly side: 'above' | 'below'; readonly value: number; readonly style: TextStyle }[];
  /** Names along the bottom with the value edited there. */
  readonly names?: readonly {
    readonly x: number;
    readonly text: string;
    readonly edit?: H;
    readonly label?: string;
    /** Set by hand; others are chosen. */
    readonly isSet?: boolean;
  }[];
  /** Bounds between the named stretches that can be moved. */
  readonly bounds?: readonly { readonly x: number; readonly edit: H; readonly label: string }[];
}

/** Draws a strip. Where demand leaves resistance the difference is hatched. */
export function stripDrawing<H>(p: StripPicture<H>, frame: Frame, height: number, supports: readonly number[]): Drawing<H> {
  const toX = (x: number) => frame.left + (x / p.length) * (frame.right - frame.left);
  const largest = (side: StripPicture['above']) =>
    Math.max(...finite(side.demand), ...finite(side.resistance), ...(side.shifted ? finite(side.shifted) : []), 0);
  const [up, down] = [largest(p.above), largest(p.below)];
  const foot = p.names ? 16 : 2;
  const room = height - foot - 18;
  const scale = room / Math.max(up + down, 1e-9);
  const zero = 12 + up * scale;
  const curve = (values: ArrayLike<number>, sign: 1 | -1): Point[] =>
    simplified(Array.from(p.x, (x, i) => [toX(x), zero - sign * Math.min(values[i]! || 0, 1e30) * scale]));
  const shapes: Shape<H>[] = supports.map((x) => line([toX(x), 2], [toX(x), height - foot], 'grid'));
  for (const [side, sign] of [
    [p.above, 1],
    [p.below, -1],
  ] as const) {
    const base: Point[] = [
      [toX(p.length), zero],
      [toX(0), zero],
    ];
    const [resistance, demand] = [curve(side.resistance, sign), curve(side.demand, sign)];
    shapes.push(areaOf({ fill: 'resistanceWash' }, ...resistance, ...base));
    shapes.push(areaOf({ fill: 'demandWash' }, ...demand, ...base));
    shapes.push(...excess(p.x, side, toX, (v) => zero - sign * v * scale));
    shapes.push(pathThrough({ line: 'demand' }, ...demand));
    if (side.shifted) shapes.push(pathThrough({ line: 'shifted' }, ...curve(side.shifted, sign)));
    shapes.push(pathThrough({ line: 'resistance' }, ...resistance));
  }
  shapes.push(line([toX(0), zero], [toX(p.length), zero], 'axis'));
  if (!frame.isNarrow) shapes.push(...axis(p, frame, zero, scale, up, down));
  for (const mark of p.marks) {
    const y = zero - (mark.side === 'above' ? 1 : -1) * mark.value * scale;
    shapes.push(
      textAt(
        [toX(mark.x), mark.side === 'above' ? Math.max(y + 13, 10) : Math.min(y - 4, height - foot)],
        p.format(mark.value),
        mark.style,
        { anchor: 'middle', halo: true },
      ),
    );
  }
  for (const n of p.names ?? []) {
    shapes.push(
      textAt([toX(n.x), height - 3], n.text, 'small', {
        anchor: 'middle',
        halo: true,
        ...(n.edit ? { edit: n.edit } : {}),
        ...(n.label ? { label: n.label } : {}),
        ...(n.isSet ? { isSet: true } : {}),
      }),
    );
  }
  for (const bound of p.bounds ?? []) {
    const x = toX(bound.x);
    shapes.push(line([x, zero - 6], [x, height - 9], 'dim'), handle([x, height - 7], bound.edit, bound.label));
  }
  return { width: frame.width, height, title: p.title, shapes };
}

const finite = (values: ArrayLike<number>) => Array.from(values).filter(Number.isFinite);

/** Figures of the axis at round values on both sides of zero. */
function axis(p: StripPicture<unknown>, frame: Frame, zero: number, scale: number, up: number, down: number): Shape<never>[] {
  const figure = (value: number, sign: 1 | -1): Shape<never> =>
    textAt([frame.left - 6, zero - sign * value * scale + 4], p.format(value), 'small', { anchor: 'end' });
  const shapes: Shape<never>[] = [figure(0, 1)];
  if (up * scale > 24) shapes.push(figure(roundValue(up / p.unit) * p.unit, 1));
  if (down * scale > 24) shapes.push(figure(roundValue(down / p.unit) * p.unit, -1));
  return shapes;
}

/** The largest of 1, 2, 2.5, 5 times a power of ten that is not above a value. */
export function roundValue(value: number): number {
  if (!(value > 0)) return 0;
  const power = 10 ** Math.floor(Math.log10(value));
  return [5, 2.5, 2, 1].map((f) => f * power).find((v) => v <= value) ?? power;
}

/** The stretches where demand is above resistance, as closed areas. */
function excess(x: ArrayLike<number>, side: StripPicture['above'], toX: (x: number) => number, toY: (v: number) => number): Shape<never>[] {
  const demand = side.shifted ?? side.demand;
  const areas: Shape<never>[] = [];
  let upper: Point[] = [];
  let lower: Point[] = [];
  for (let i = 0; i <= x.length; i += 1) {
    const isOver = i < x.length && isBeyond(demand[i]!, side.resistance[i]!) && demand[i]! > 0;
    if (isOver) {
      upper.push([toX(x[i]!), toY(demand[i]!)]);
      lower.push([toX(x[i]!), toY(side.resistance[i]!)]);
    } else if (upper.length > 0) {
      if (upper.length > 1) areas.push(areaOf({ fill: 'excessHatch', line: 'excess' }, ...upper, ...lower.reverse()));
      upper = [];
      lower = [];
    }
  }
  return areas;
}
