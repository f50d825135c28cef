import { bandFills } from '../../../drawing/bands';
import { bandBetween, lineAt } from '../../../drawing/contours';
import { areaOf, circleAt, line, pathThrough, textAt, type Drawing, type Point, type Shape } from '../../../drawing/shapes';
import { box, boundsOf, oriented } from '../../../geometry/polygon';
import { isReached } from '../fire-field';
import type { FirePicture } from '../fire-picture';

/** Temperatures at which lines are drawn (degrees C). */
const LEVELS = [100, 200, 300, 400, 500, 600, 700, 800, 900, 1000];
const PAD = 60;
/** How far outside an edge its flames stand (px). */
const FLAMES = 7;

/** A section in a fire, to scale: the sides that it reaches, temperatures, what stays cool, and the bars with their axis distances. */
export function fireDrawing(p: FirePicture, length: (mm: number) => string, width: number, height: number): Drawing<never> {
  const { left, right, bottom, top } = boundsOf(p.outline.outer);
  const scale = Math.min((width - 2 * PAD) / (right - left), (height - 2 * PAD) / (top - bottom));
  const at = ([x, y]: Point): Point => [width / 2 + (x - (left + right) / 2) * scale, height / 2 - (y - (bottom + top) / 2) * scale];
  // What no band reaches along the edges is as hot as they come.
  const shapes: Shape<never>[] = [
    areaOf({ fill: p.heat && p.side === 'all' ? bandFills.at(-1)! : 'concreteLight' }, ...p.outline.outer.map(at)),
  ];
  if (p.heat) shapes.push(...bands(p.heat.map, at));
  for (const hole of p.outline.holes) shapes.push(areaOf({ line: 'cut', fill: 'surface' }, ...hole.map(at)));
  shapes.push(areaOf({ line: 'cut' }, ...p.outline.outer.map(at)));
  if (p.heat?.cool) {
    const { cool, limit } = p.heat;
    for (const loop of [cool.outer, ...cool.holes]) shapes.push(areaOf({ line: 'resistance' }, ...loop.map(at)));
    const highest = cool.outer.reduce((a, b) => (b[1] > a[1] ? b : a));
    const [x, y] = at(highest);
    const above = at([0, top])[1] - FLAMES - 8;
    shapes.push(line([x, y], [x, above], 'tick'), textAt([x, above - 4], `${limit} °C`, 'resistance', { anchor: 'middle' }));
  }
  if (p.heat) shapes.push(...key(width, height));
  shapes.push(...flames(p, at), ...barShapes(p, at, scale), ...axisDistance(p, at, length));
  return { width, height, title: 'Section in fire', shapes };
}

/** Bands and thin lines of temperature. */
function bands(map: NonNullable<FirePicture['heat']>['map'], at: (q: Point) => Point): Shape<never>[] {
  const bounds = [-Infinity, ...LEVELS, Infinity];
  const filled = bounds.slice(1).flatMap((high, i): Shape<never>[] => {
    const [first, ...more] = bandBetween(map, bounds[i]!, high).map((part) => part.map(at));
    return first ? [{ kind: 'path', closed: true, points: first, more, fill: bandFills[Math.min(i, bandFills.length - 1)]! }] : [];
  });
  const lines = LEVELS.flatMap((level): Shape<never>[] => {
    const [first, ...more] = lineAt(map, level).map((piece) => piece.map(at));
    return first ? [{ kind: 'path', points: first, more, line: 'grid' }] : [];
  });
  return [...filled, ...lines];
}

/** Room of a band in the key (px). */
const [BAND, HIGH] = [26, 9];

/** The key of the bands: a row of them with the temperatures between. */
function key(width: number, height: number): Shape<never>[] {
  const from = (width - BAND * bandFills.length) / 2;
  const y = height - HIGH - 3;
  return [
    ...bandFills.map((fill, i) => areaOf<never>({ fill, line: 'dim' }, ...box(from + i * BAND, y, from + (i + 1) * BAND, y + HIGH))),
    ...LEVELS.slice(0, bandFills.length - 1).map((level, i) =>
      textAt<never>([from + (i + 1) * BAND, y - 4], String(level), 'small', { anchor: 'middle' }),
    ),
    textAt([from + bandFills.length * BAND + 6, y + HIGH], '°C', 'small'),
  ];
}

/** A wavy line along every edge that the fire reaches. */
function flames({ outline, side }: FirePicture, at: (q: Point) => Point): Shape<never>[] {
  return oriented(outline).flatMap((loop) =>
    loop.flatMap((a, i): Shape<never>[] => {
      const b = loop[(i + 1) % loop.length]!;
      if (!isReached(a, b, side)) return [];
      const [from, to] = [at(a), at(b)];
      const size = Math.hypot(to[0] - from[0], to[1] - from[1]);
      if (size < 1e-6) return [];
      // On the sheet y runs down: the outside of an edge lies to the right of it as the section has it.
      const [ux, uy] = [(to[0] - from[0]) / size, (to[1] - from[1]) / size];
      const steps = Math.max(1, Math.round(size / 5));
      const points = Array.from({ length: steps + 1 }, (_, k): Point => {
        const [along, off] = [(size * k) / steps, FLAMES + (k % 2 === 0 ? -2 : 2)];
        return [from[0] + ux * along - uy * off, from[1] + uy * along + ux * off];
      });
      return [pathThrough({ line: 'demand' }, ...points)];
    }),
  );
}

/** More bars than this have their temperatures in the table alone. */
const MOST_LABELS = 24;

function barShapes({ bars }: FirePicture, at: (q: Point) => Point, scale: number): Shape<never>[] {
  return bars.flatMap((b): Shape<never>[] => {
    const place = at([b.x, b.y]);
    const r = Math.max(2.5, (b.diameter * scale) / 2);
    const label = b.temperature === null || bars.length > MOST_LABELS ? '' : `${b.temperature.toFixed(0)}°`;
    // Towards the middle, where there is room.
    const inward = b.y > 1e-6 ? 15 + r / 2 : b.y < -1e-6 ? -8 - r / 2 : -8 - r / 2;
    return [
      circleAt(place, r, { fill: 'steel' }),
      ...(label ? [textAt<never>([place[0], place[1] + inward], label, 'small', { anchor: 'middle', halo: true })] : []),
    ];
  });
}

/** The least axis distance, drawn from the bar that has it to its face. */
function axisDistance({ bars, outline }: FirePicture, at: (q: Point) => Point, length: (mm: number) => string): Shape<never>[] {
  const nearest = bars.reduce<FirePicture['bars'][number] | null>((a, b) => (a && a.axis <= b.axis ? a : b), null);
  if (!nearest) return [];
  const { bottom } = boundsOf(outline.outer);
  const low = bars.reduce((a, b) => (b.y < a.y - 1e-6 || (Math.abs(b.y - a.y) < 1e-6 && b.x > a.x) ? b : a));
  const [from, to] = [at([low.x, low.y]), at([low.x, bottom])];
  return [
    line(from, to, 'tick'),
    textAt([to[0], to[1] + 24], `a ${length(low.y - bottom)}`, 'small', { anchor: 'middle', halo: true }),
    ...(nearest.axis < low.y - bottom - 1
      ? [textAt<never>([to[0], to[1] + 36], `least a ${length(nearest.axis)}`, 'small', { anchor: 'middle', halo: true })]
      : []),
  ];
}
