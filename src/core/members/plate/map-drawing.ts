import { bandFills, type BandFill } from '../../drawing/bands';
import { bandBetween, lineAt, roundLevels } from '../../drawing/contours';
import { areaOf, line, textAt, type Point, type Shape } from '../../drawing/shapes';
import { box } from '../../geometry/polygon';
import { placeOfWords } from './bar-drawing';
import type { PlateHandle, PlatePicture } from './picture';

type OnSheet = (p: Point) => Point;

/** The values between which the bands of a map lie, and the fill of each band. */
function bandsOf(p: PlatePicture) {
  const values = p.map === 'reactions' ? undefined : p.result.maps?.[p.map];
  if (!p.result.mesh || !values) return undefined;
  const levels = worthDrawing(roundLevels(withoutPeaks(values), 7, p.labels.factor), values);
  if (levels.length === 0) return undefined;
  const most = Math.max(...levels.map(Math.abs));
  const fillOf = (low: number, high: number): BandFill => {
    const size = low < 0 && high > 0 ? 0 : Math.min(Math.abs(low), Math.abs(high)) / (most || 1);
    return bandFills[Math.min(bandFills.length - 1, Math.round(size * (bandFills.length - 1)))]!;
  };
  return { values, levels, bounds: [-Infinity, ...levels, Infinity], fillOf };
}

/** Bands and lines of the map with its largest and least value; bands pale from nothing, deeper with size. */
export function mapShapes(p: PlatePicture, on: OnSheet): Shape<PlateHandle>[] {
  const found = bandsOf(p);
  if (!found) return [];
  const { values, levels, bounds, fillOf } = found;
  const { at, triangles } = p.result.mesh!;
  const map = { at, triangles, values };
  const taken = takenPlaces(p, on);
  const bands = bounds.slice(1).flatMap((high, i): Shape<PlateHandle>[] => {
    const [first, ...more] = bandBetween(map, bounds[i]!, high).map((part) => part.map(on));
    return first ? [{ kind: 'path', closed: true, points: first, more, fill: fillOf(bounds[i]!, high) }] : [];
  });
  const lines = levels.flatMap((level): Shape<PlateHandle>[] => {
    const [first, ...more] = lineAt(map, level).map((piece) => piece.map(on));
    if (!first) return [];
    const place = clearPlace([first, ...more], taken);
    return [
      { kind: 'path', points: first, more, line: level === 0 ? 'axis' : 'load' },
      ...(place ? [textAt<PlateHandle>(place, p.labels.value(level), 'demand', { anchor: 'middle', halo: true })] : []),
    ];
  });
  return [...bands, ...lines, ...largest(p, values, on)];
}

/** Where something else is written: names of columns, and bars over parts. */
const takenPlaces = ({ plate, result, map }: PlatePicture, on: OnSheet): Point[] => [
  ...plate.columns.map((c) => on([c.x, c.y])),
  ...(/^(bottom|top)/.test(map) ? result.steel.extra.map((e) => on(placeOfWords(plate, e))) : []),
];

/** So far apart figures stand (px). */
const CLEAR = 34;

/** A place on a line for its figure, clear of what is written; it is taken then. */
function clearPlace(pieces: readonly (readonly Point[])[], taken: Point[]): Point | undefined {
  const points = pieces.map((piece) => piece[Math.floor(piece.length / 2)]!);
  const place = points.find(([x, y]) => taken.every(([a, b]) => Math.hypot(x - a, y - b) > CLEAR));
  if (place) taken.push(place);
  return place;
}

/** Room of a band in the key (px). */
const [KEY, HIGH] = [22, 10];

/** The key of the bands: a row of them with the values between. */
export function legendShapes(p: PlatePicture, [x, y]: Point): Shape<PlateHandle>[] {
  const found = bandsOf(p);
  if (!found) return [];
  const { bounds, levels, fillOf } = found;
  return [
    ...bounds
      .slice(1)
      .map((high, i) =>
        areaOf<PlateHandle>({ fill: fillOf(bounds[i]!, high), line: 'dim' }, ...box(x + i * KEY, y, x + (i + 1) * KEY, y + HIGH)),
      ),
    // Every second value where they would touch each other.
    ...levels.flatMap((level, i): Shape<PlateHandle>[] =>
      i % 2 === 0 ? [textAt([x + (i + 1) * KEY, y + HIGH + 12], p.labels.value(level), 'small', { anchor: 'middle' })] : [],
    ),
  ];
}

/** The values between which all but a hundredth at each end lie: peaks at corners would leave no lines elsewhere. */
function withoutPeaks(values: Float64Array): [number, number] {
  const sorted = Float64Array.from(values).sort();
  const cut = Math.floor(sorted.length / 100);
  return [sorted[cut]!, sorted[sorted.length - 1 - cut]!];
}

/** Levels without the line of nothing, where values of one sign only touch it. */
function worthDrawing(levels: readonly number[], values: Float64Array): number[] {
  const [low, high] = [values.reduce((a, b) => Math.min(a, b), 0), values.reduce((a, b) => Math.max(a, b), 0)];
  const changesSign = Math.min(-low, high) > 0.1 * Math.max(-low, high);
  return levels.filter((level) => changesSign || Math.abs(level) > 1e-9 * Math.max(-low, high));
}

/** The largest and the least value, where they are. */
function largest(p: PlatePicture, values: ArrayLike<number>, on: OnSheet): Shape<PlateHandle>[] {
  const { at } = p.result.mesh!;
  let [low, high] = [0, 0];
  for (let n = 1; n < values.length; n += 1) {
    if (values[n]! < values[low]!) low = n;
    if (values[n]! > values[high]!) high = n;
  }
  const worth = 0.02 * Math.max(Math.abs(values[low]!), Math.abs(values[high]!));
  return [...new Set([high, low])]
    .filter((n) => Math.abs(values[n]!) > worth)
    .flatMap((n): Shape<PlateHandle>[] => {
      const [x, y] = on([at[2 * n]!, at[2 * n + 1]!]);
      // Names of columns stand to the right above them: a figure there goes to the left.
      const isByName = p.plate.columns.some((c) => Math.hypot(on([c.x, c.y])[0] - x, on([c.x, c.y])[1] - y) < CLEAR);
      return [
        line([x - 4, y], [x + 4, y], 'axis'),
        line([x, y - 4], [x, y + 4], 'axis'),
        textAt([isByName ? x - 4 : x, y - 7], p.labels.value(values[n]!), 'strong', { anchor: isByName ? 'end' : 'middle', halo: true }),
      ];
    });
}
