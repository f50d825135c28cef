import { bandFills } from '../../drawing/bands';
import { bandBetween, lineAt, roundLevels } from '../../drawing/contours';
import { areaOf, line, pathThrough, textAt, type Drawing, type Point, type Shape } from '../../drawing/shapes';
import { boundsOf } from '../../geometry/polygon';
import type { SlabBars } from '../../reinforcement/slab-bars';
import { columnAt, edgePath, outlineOf, rectangleOf } from './geometry';
import { layerTitle, type Along, type Face, type PlateInput } from './input';
import type { PlateMap, PlateResult } from './result';
import { meshIn } from './zones';

export interface PlatePicture {
  readonly plate: PlateInput;
  readonly result: Pick<PlateResult, 'mesh' | 'maps' | 'steel'>;
  readonly map: PlateMap;
  readonly labels: {
    readonly depth: string;
    readonly span: (v: number) => string;
    readonly bars: (bars: SlabBars) => string;
    /** Of the map that is shown: a value in figures, its unit, how many internal units that is, and what it is. */
    readonly value: (v: number) => string;
    readonly unit: string;
    readonly factor: number;
    readonly title: string;
  };
}

/** What can be changed on the plan. */
export type PlateHandle =
  | { readonly of: 'edge'; readonly edge: number }
  | { readonly of: 'depth' }
  | { readonly of: 'bars'; readonly face: Face; readonly along: Along };

/** Room beside the slab for what is said of it (px). */
const [SIDE, MARGIN] = [190, 46];

type OnSheet = (p: Point) => Point;

/** The slab from above to scale: a map of what is asked, edges with how they are held, sides, depth and meshes. */
export function platePlan(p: PlatePicture, width: number, height: number): Drawing<PlateHandle> {
  const outline = outlineOf(p.plate);
  const { left, right, bottom, top } = boundsOf(outline.outer);
  const scale = Math.min((width - SIDE - 2 * MARGIN) / (right - left || 1), (height - 2 * MARGIN - 26) / (top - bottom || 1));
  const middle: Point = [MARGIN + (width - SIDE - 2 * MARGIN) / 2, MARGIN + (height - 2 * MARGIN - 26) / 2];
  const on: OnSheet = ([x, y]) => [middle[0] + (x - (left + right) / 2) * scale, middle[1] - (y - (bottom + top) / 2) * scale];
  const map = mapShapes(p, on);
  const shapes: Shape<PlateHandle>[] = [
    areaOf({ fill: 'surface', line: 'outline' }, ...outline.outer.map(on)),
    ...map.filter((s) => s.kind !== 'text'),
    ...outline.holes.flatMap((hole): Shape<PlateHandle>[] => {
      const loop = hole.map(on);
      return [areaOf({ fill: 'surface', line: 'outline' }, ...loop), line(loop[0]!, loop[Math.floor(loop.length / 2)]!, 'dim')];
    }),
    ...p.plate.regions.map((r) => areaOf({ line: 'tentative' }, ...rectangleOf(r).map(on))),
    ...p.plate.walls.map((w) => line(on([w.x1, w.y1]), on([w.x2, w.y2]), 'cut')),
    ...p.plate.columns.map((c) => areaOf({ fill: 'ebony' }, ...columnAt(c).map(on))),
    ...map.filter((s) => s.kind === 'text'),
    ...p.plate.outline.flatMap((_, i) => edgeShapes(p, i, on)),
    ...words(p, width - SIDE + 6, MARGIN + 6),
  ];
  return { width, height, title: `Plan, ${p.labels.title}`, shapes };
}

/** Bands and lines of the map, with a key; bands pale from nothing, deeper with size. */
function mapShapes(p: PlatePicture, on: OnSheet): Shape<PlateHandle>[] {
  const { mesh, maps } = p.result;
  const shown = maps?.[p.map];
  if (!mesh || !shown) return [];
  const map = { at: mesh.at, triangles: mesh.triangles, values: shown };
  const levels = worthDrawing(roundLevels(withoutPeaks(map.values), 7, p.labels.factor), map.values);
  if (levels.length === 0) return [];
  const bounds = [-Infinity, ...levels, Infinity];
  const most = Math.max(...levels.map(Math.abs));
  const fillOf = (low: number, high: number) => {
    const size = low < 0 && high > 0 ? 0 : Math.min(Math.abs(low), Math.abs(high)) / (most || 1);
    return bandFills[Math.min(bandFills.length - 1, Math.round(size * (bandFills.length - 1)))]!;
  };
  const bands = bounds.slice(1).flatMap((high, i): Shape<PlateHandle>[] => {
    const [first, ...more] = bandBetween(map, bounds[i]!, high).map((part) => part.map(on));
    return first ? [{ kind: 'path', closed: true, points: first, more, fill: fillOf(bounds[i]!, high) }] : [];
  });
  const lines = levels.flatMap((level): Shape<PlateHandle>[] => {
    const [first, ...more] = lineAt(map, level).map((piece) => piece.map(on));
    if (!first) return [];
    const pieces = [first, ...more];
    const at = pieces[Math.floor(pieces.length / 2)]![0]!;
    return [
      { kind: 'path', points: first, more, line: level === 0 ? 'axis' : 'load' },
      textAt(at, p.labels.value(level), 'demand', { anchor: 'middle', halo: true }),
    ];
  });
  return [...bands, ...lines, ...largest(p, map.values, on)];
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
      return [
        line([x - 4, y], [x + 4, y], 'axis'),
        line([x, y - 4], [x, y + 4], 'axis'),
        textAt([x, y - 7], p.labels.value(values[n]!), 'strong', { anchor: 'middle', halo: true }),
      ];
    });
}

/** An edge by how it is held, its word, which changes it, and its length. */
function edgeShapes({ plate, labels }: PlatePicture, i: number, on: OnSheet): Shape<PlateHandle>[] {
  const given = edgePath(plate, i);
  const { edge } = plate.outline[i]!;
  const path = given.map(on);
  const half = Math.floor((path.length - 1) / 2);
  // Words stand beside the middle of the edge, along the piece of an arc that is there.
  const [a, b] = path.length > 2 ? [path[half]!, path[half + 1]!] : [path[0]!, path[1]!];
  const run = given.slice(1).reduce((sum, [x, y], k) => sum + Math.hypot(x - given[k]![0], y - given[k]![1]), 0);
  const length = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1;
  const turn = areaSense(plate);
  const out: Point = [(turn * (a[1] - b[1])) / length, (turn * (b[0] - a[0])) / length];
  const hatch =
    edge === 'clamped'
      ? Array.from({ length: Math.floor(length / 12) }, (_, k): Shape<never> => {
          const t = ((k + 0.5) * 12) / length;
          const [x, y] = [a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1])];
          return line([x, y], [x + 8 * out[0] + 4 * out[1], y + 8 * out[1] - 4 * out[0]], 'dim');
        })
      : [];
  const at: Point = [(a[0] + b[0]) / 2 + 20 * out[0], (a[1] + b[1]) / 2 + 22 * out[1] + 4];
  const anchor = out[0] > 0.5 ? 'start' : out[0] < -0.5 ? 'end' : 'middle';
  return [
    ...hatch,
    pathThrough({ line: edge === 'free' ? 'tentative' : edge === 'clamped' ? 'cut' : 'outline' }, ...path),
    textAt(at, edge, 'plain', {
      anchor,
      edit: { of: 'edge', edge: i },
      label: `Edge ${i + 1}, ${labels.span(run)} long, is ${edge}`,
      halo: true,
    }),
    textAt([at[0], at[1] + 14 * (out[1] < -0.5 ? -1 : 1)], labels.span(run), 'small', { anchor, halo: true }),
  ];
}

/** 1 for corners counterclockwise on the plan, -1 for the other way. */
function areaSense({ outline }: PlateInput): 1 | -1 {
  const sum = outline.reduce((total, a, i) => {
    const b = outline[(i + 1) % outline.length]!;
    return total + a.x * b.y - b.x * a.y;
  }, 0);
  return sum >= 0 ? 1 : -1;
}

/** What is said beside the plan and can be changed there: depth and meshes. */
function words({ plate, result, labels }: PlatePicture, x: number, y: number): Shape<PlateHandle>[] {
  const rows: Shape<PlateHandle>[] = [
    textAt([x, y], labels.depth, 'plain', { edit: { of: 'depth' }, label: 'Depth of the slab', halo: true }),
  ];
  for (const face of ['bottom', 'top'] as const)
    for (const along of ['x', 'y'] as const) {
      const bars = meshIn(result.steel, { face, along });
      const isSet = plate.bars[face][along] !== null;
      rows.push(
        textAt([x, y + 22 * rows.length], `${face} ${along}: ${bars ? labels.bars(bars) : 'none'}`, 'strong', {
          edit: { of: 'bars', face, along },
          label: `Bars ${layerTitle({ face, along })}`,
          isSet,
          halo: true,
        }),
      );
    }
  return [
    ...rows,
    textAt([x, y + 22 * rows.length + 10], labels.title, 'small'),
    textAt([x, y + 22 * rows.length + 26], labels.unit, 'small'),
  ];
}
