import { distanceToSegment, type Point } from '../../geometry/polygon';
import type { SlabBars } from '../../reinforcement/slab-bars';
import { axesOf } from './bar-axes';
import { cornersOf, movedCorner, pointsOf } from './bar-parts';
import { rectangleOf, type TwoCorners } from './geometry';
import { isLayer, type ExtraBars, type Layer, type PlateBeam, type PlateColumn, type PlateInput, type PlateLoad } from './input';
import type { PlateResult } from './result';

/** What can be laid on the plan of a slab, moved there and taken away. */
export const planParts = [
  'corners',
  'openings',
  'columns',
  'walls',
  'beams',
  'depths',
  'areaLoads',
  'lineLoads',
  'pointLoads',
  'bars',
  'lines',
] as const;
export type PlanPart = (typeof planParts)[number];

/** A point by which a part of the plan is held; by `whole` all of it is moved. */
export interface Hold {
  readonly part: PlanPart;
  readonly index: number;
  readonly end: number | 'whole';
}

/** What an automatic choice gives; the first change by hand sets all of it. */
export interface ChosenParts {
  readonly extra: readonly ExtraBars[];
  readonly lines: NonNullable<PlateInput['straightedges']>;
  readonly meshBars: SlabBars | null;
  /** The layer of bars that the plan shows; null for any. */
  readonly layer: Layer | null;
}

/** Of a slab whose bars and lines do not matter to what is laid. */
export const nothingChosen: ChosenParts = { extra: [], lines: [], meshBars: null, layer: null };

export const chosenParts = ({ steel, lines }: Pick<PlateResult, 'steel' | 'lines'>, layer: Layer | null = null): ChosenParts => ({
  layer,
  extra: steel.extra,
  lines: lines.map(({ name, ends: [[x1, y1], [x2, y2]] }) => ({ name, x1, y1, x2, y2 })),
  meshBars: steel.meshes.find((m) => m.bars)?.bars ?? null,
});

export type Lists = { -readonly [K in keyof PlateInput]?: PlateInput[K] };

/** How the points of something are found and moved, and whether a press lays it or a pull from one point to another. */
interface Held<T> {
  readonly laidBy: 'place' | 'line' | 'rectangle';
  readonly points: (item: T, plate: PlateInput) => readonly Point[];
  readonly moved: (item: T, end: number, to: Point, plate: PlateInput) => T;
}

/** A sort of part. */
interface Part<T> extends Held<T> {
  /** Many of them, and one. */
  readonly many: string;
  readonly one: string;
  readonly list: (plate: PlateInput, chosen: ChosenParts) => readonly T[];
  readonly isOne?: (item: T, chosen: ChosenParts) => boolean;
  readonly put: (list: readonly T[]) => Lists;
  readonly fresh: (plate: PlateInput, from: Point, to: Point, chosen: ChosenParts) => T;
  /** Where a new one goes in the list; last unless said. */
  readonly goes?: (list: readonly T[], at: Point) => number;
  readonly least?: number;
  readonly nameOf?: (item: T) => string;
}

const place = <T extends { readonly x: number; readonly y: number }>(): Held<T> => ({
  laidBy: 'place',
  points: ({ x, y }) => [[x, y]],
  moved: (item, _, [x, y]) => ({ ...item, x, y }),
});

const line = <T extends TwoCorners>(): Held<T> => ({
  laidBy: 'line',
  points: ({ x1, y1, x2, y2 }) => [
    [x1, y1],
    [x2, y2],
  ],
  moved: (item, end, [x, y]) => (end === 0 ? { ...item, x1: x, y1: y } : { ...item, x2: x, y2: y }),
});

const rectangle = <T extends TwoCorners>(): Held<T> => ({
  laidBy: 'rectangle',
  points: ({ x1, y1, x2, y2 }) => [
    [x1, y1],
    [x2, y1],
    [x2, y2],
    [x1, y2],
  ],
  moved: (item, end, [x, y]) => ({ ...item, ...(end === 0 || end === 3 ? { x1: x } : { x2: x }), ...(end < 2 ? { y1: y } : { y2: y }) }),
});

const ends = ([x1, y1]: Point, [x2, y2]: Point): TwoCorners => ({ x1, y1, x2, y2 });
const sides = (a: Point, b: Point): TwoCorners =>
  ends([Math.min(a[0], b[0]), Math.min(a[1], b[1])], [Math.max(a[0], b[0]), Math.max(a[1], b[1])]);

/** Bars of a plan that runs round go from the one corner to the other by the shorter way. */
function partBetween(plate: PlateInput, from: Point, to: Point): TwoCorners {
  const axes = axesOf(plate);
  const [a, b] = [axes.placeOf(from), axes.placeOf(to)];
  const turned = Math.atan2(Math.sin(b[1] - a[1]), Math.cos(b[1] - a[1]));
  if (axes.ring) return turned < 0 ? ends(to, from) : ends(from, to);
  return cornersOf({ x: [Math.min(a[0], b[0]), Math.max(a[0], b[0])], y: [Math.min(a[1], b[1]), Math.max(a[1], b[1])] }, axes);
}

type Corner = PlateInput['outline'][number];
type Opening = PlateInput['openings'][number];
type LoadOf<T extends PlateLoad['type']> = Extract<PlateLoad, { type: T }>;

/** The list of loads is one for all types of them. */
const loadPart = <T extends PlateLoad['type']>(type: T) => ({
  list: (plate: PlateInput) => plate.loads as readonly LoadOf<T>[],
  isOne: (load: LoadOf<T>) => load.type === type,
  put: (loads: readonly LoadOf<T>[]): Lists => ({ loads }),
});
const lastCase = ({ cases }: PlateInput) => ({ case: cases.at(-1)?.id ?? '', note: '' });

/** The edge of an outline that is nearest to a place: a new corner divides it. */
function afterNearest(outline: readonly Corner[], at: Point): number {
  const far = outline.map((a, i) => {
    const b = outline[(i + 1) % outline.length]!;
    return distanceToSegment(at, [a.x, a.y], [b.x, b.y]);
  });
  return far.indexOf(Math.min(...far)) + 1;
}

/** A column as the last one is. */
export const newColumn = ({ columns }: PlateInput): Omit<PlateColumn, 'x' | 'y' | 'name'> =>
  columns.at(-1) ?? { shape: { kind: 'rectangle', b: 300, h: 300 }, below: 3000, above: 0, farEnds: 'fixed', legs: null };

/** A part whose items are known only here. */
const part = <T>(given: Part<T>): Part<unknown> => given as unknown as Part<unknown>;

/** How each sort of part is listed, held, moved and laid. */
export const sorts: Readonly<Record<PlanPart, Part<unknown>>> = {
  corners: part<Corner>({
    ...place(),
    many: 'corners',
    one: 'corner',
    list: ({ outline }) => outline,
    put: (outline) => ({ outline }),
    fresh: ({ outline }, _, [x, y]) => {
      const { edge, sinks, turns } = outline[afterNearest(outline, [x, y]) - 1] ?? { edge: 'simple', sinks: null, turns: null };
      return { x, y, edge, rise: 0, sinks, turns };
    },
    goes: afterNearest,
    least: 3,
  }),
  openings: part<Opening>({
    laidBy: 'rectangle',
    points: ({ corners }) => corners,
    moved: ({ corners }, end, to) => ({ corners: corners.map((c, i) => (i === end ? [to[0], to[1]] : c)) }),
    many: 'openings',
    one: 'opening',
    list: ({ openings }) => openings,
    put: (openings) => ({ openings }),
    fresh: (_, from, to) => ({ corners: rectangleOf(sides(from, to)).map(([x, y]): [number, number] => [x, y]) }),
  }),
  columns: part<PlateColumn>({
    ...place(),
    many: 'columns',
    one: 'column',
    list: ({ columns }) => columns,
    put: (columns) => ({ columns }),
    fresh: (plate, _, [x, y]) => ({ ...newColumn(plate), name: unusedName('C', plate.columns), x, y }),
    nameOf: ({ name }) => name,
  }),
  walls: part<PlateInput['walls'][number]>({
    ...line(),
    many: 'walls',
    one: 'wall',
    list: ({ walls }) => walls,
    put: (walls) => ({ walls }),
    fresh: (_, from, to) => ({ ...ends(from, to), sinks: null, turns: null }),
  }),
  beams: part<PlateBeam>({
    ...line(),
    many: 'beams',
    one: 'beam',
    list: ({ beams }) => beams,
    put: (beams) => ({ beams }),
    fresh: ({ beams, h }, from, to) => ({
      ...(beams.at(-1) ?? { b: 300, h: 2 * h + 100, counts: 'T', flange: null }),
      name: unusedName('B', beams),
      ...ends(from, to),
    }),
    nameOf: ({ name }) => name,
  }),
  depths: part<PlateInput['regions'][number]>({
    ...rectangle(),
    many: 'parts of another depth',
    one: 'part',
    list: ({ regions }) => regions,
    put: (regions) => ({ regions }),
    fresh: ({ regions, h }, from, to) => ({ ...sides(from, to), h: regions.at(-1)?.h ?? h + 100 }),
  }),
  areaLoads: part<LoadOf<'area'>>({
    ...rectangle(),
    ...loadPart('area'),
    many: 'loads over parts',
    one: 'load',
    fresh: (plate, from, to) => ({ ...lastCase(plate), type: 'area', value: 1e-3, ...sides(from, to) }),
  }),
  lineLoads: part<LoadOf<'line'>>({
    ...line(),
    ...loadPart('line'),
    many: 'loads along lines',
    one: 'load',
    fresh: (plate, from, to) => ({ ...lastCase(plate), type: 'line', perLength: 1, ...ends(from, to) }),
  }),
  pointLoads: part<LoadOf<'point'>>({
    ...loadPart('point'),
    laidBy: 'place',
    points: ({ x1, y1 }) => [[x1, y1]],
    moved: (load, _, [x1, y1]) => ({ ...load, x1, y1 }),
    many: 'loads at points',
    one: 'load',
    fresh: (plate, _, [x1, y1]) => ({ ...lastCase(plate), type: 'point', force: 10_000, x1, y1 }),
  }),
  bars: part<ExtraBars>({
    laidBy: 'rectangle',
    points: (bars, plate) => pointsOf(bars, axesOf(plate)),
    moved: (bars, end, to, plate) => ({ ...bars, ...movedCorner(bars, end, to, axesOf(plate)) }),
    many: 'bars over parts',
    one: 'bars',
    list: ({ bars }, { extra }) => bars.extra ?? extra,
    isOne: (bars, { layer }) => !layer || isLayer(bars, layer),
    put: (extra) => ({ bars: { extra } as PlateInput['bars'] }),
    fresh: (plate, from, to, { extra, meshBars, layer }) => ({
      ...(extra.at(-1) ?? {
        face: 'top',
        along: 'x',
        bars: meshBars ?? { size: plate.catalogue === 'us' ? '#4' : '12', alternate: null, spacing: 200 },
      }),
      ...layer,
      ...partBetween(plate, from, to),
    }),
  }),
  lines: part<NonNullable<PlateInput['straightedges']>[number]>({
    ...line(),
    many: 'straightedges',
    one: 'line',
    list: ({ straightedges }, { lines }) => straightedges ?? lines,
    put: (straightedges) => ({ straightedges }),
    fresh: ({ straightedges }, from, to, { lines }) => ({ name: unusedName('S', straightedges ?? lines), ...ends(from, to) }),
    nameOf: ({ name }) => name,
  }),
};

/** The first of stem 1, stem 2, … that nothing in a list is called. */
export function unusedName(stem: string, list: readonly { readonly name: string }[]): string {
  for (let n = list.length + 1; ; n += 1) if (list.every(({ name }) => name !== `${stem}${n}`)) return `${stem}${n}`;
}
