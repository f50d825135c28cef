import { isInsideLoop, signedArea, type Loop, type Outline, type Point } from '../../geometry/polygon';
import type { HeatCells } from './heat-cells';
import type { HeatState } from './heat-flow';

/** Far above anything in a fire: what is outside is never cool. */
const OUTSIDE = 1e5;
/** How far outside the section its surroundings begin (mm). */
const BESIDE = 1e-3;

/** Temperature at a point within a section (degrees C): straight between the middles of the squares round it that belong to it. */
export function temperatureAt({ from, size, columns, rows, at }: HeatCells, { cells }: HeatState, [x, y]: Point): number {
  const [u, v] = [(x - from[0]) / size[0] - 0.5, (y - from[1]) / size[1] - 0.5];
  const [i, k] = [Math.floor(u), Math.floor(v)];
  let [sum, weight] = [0, 0];
  for (const [di, dk] of [
    [0, 0],
    [1, 0],
    [0, 1],
    [1, 1],
  ] as const) {
    const [p, q] = [Math.min(columns - 1, Math.max(0, i + di)), Math.min(rows - 1, Math.max(0, k + dk))];
    const cell = at[q * columns + p]!;
    const w = Math.max(1e-9, (di === 0 ? 1 - (u - i) : u - i) * (dk === 0 ? 1 - (v - k) : v - k));
    if (cell < 0) continue;
    sum += w * cells[cell]!;
    weight += w;
  }
  return weight > 0 ? sum / weight : OUTSIDE;
}

interface Nodes {
  readonly xs: readonly number[];
  readonly ys: readonly number[];
  value(i: number, k: number): number;
}

/** Middles of the squares, with the edges of the section round them and its surroundings beyond. */
function nodesOf(heat: HeatCells, state: HeatState): Nodes {
  const { from, size, columns, rows, at } = heat;
  const middles = (start: number, count: number, step: number) => Array.from({ length: count }, (_, i) => start + (i + 0.5) * step);
  const around = (start: number, count: number, step: number, end: number) => [
    start - BESIDE,
    start,
    ...middles(start, count, step),
    end,
    end + BESIDE,
  ];
  const surface = new Float64Array(heat.area.length).fill(-Infinity);
  heat.hot.forEach(({ cell }, e) => (surface[cell] = Math.max(surface[cell]!, state.edges[e]!)));
  return {
    xs: around(from[0], columns, size[0], heat.to[0]),
    ys: around(from[1], rows, size[1], heat.to[1]),
    value: (i, k) => {
      if (i === 0 || k === 0 || i === columns + 3 || k === rows + 3) return OUTSIDE;
      const isEdge = i === 1 || k === 1 || i === columns + 2 || k === rows + 2;
      const square = Math.min(rows - 1, Math.max(0, k - 2)) * columns + Math.min(columns - 1, Math.max(0, i - 2));
      const cell = at[square]!;
      if (cell < 0 || heat.inside[square] === 0) return OUTSIDE;
      return isEdge ? Math.max(state.cells[cell]!, surface[cell]!) : state.cells[cell]!;
    },
  };
}

/** Temperatures at the middles of the squares and along the edges, with the triangles between them: what a map is drawn from. */
export function heatMap(
  heat: HeatCells,
  state: HeatState,
): { readonly at: Float64Array; readonly triangles: number[]; readonly values: Float64Array } {
  const { xs, ys, value } = nodesOf(heat, state);
  const [n, m] = [xs.length - 2, ys.length - 2];
  const at = new Float64Array(2 * n * m);
  const values = new Float64Array(n * m);
  const triangles: number[] = [];
  for (let k = 0; k < m; k += 1)
    for (let i = 0; i < n; i += 1) {
      const node = k * n + i;
      at.set([xs[i + 1]!, ys[k + 1]!], 2 * node);
      values[node] = value(i + 1, k + 1);
    }
  const add = (...corners: readonly number[]) => corners.every((c) => values[c]! < OUTSIDE) && triangles.push(...corners);
  for (let k = 0; k + 1 < m; k += 1)
    for (let i = 0; i + 1 < n; i += 1) {
      const a = k * n + i;
      add(a, a + 1, a + n + 1);
      add(a, a + n + 1, a + n);
    }
  return { at, triangles, values };
}

/** The part of a section that is cooler than a temperature, with what is hot inside it as holes; null where nothing is. Of several parts the largest. */
export function coolRegion(heat: HeatCells, state: HeatState, limit: number): Outline | null {
  const loops = loopsAt(nodesOf(heat, state), limit);
  const outer = loops.reduce<Loop | null>((best, l) => (signedArea(l) > (best ? signedArea(best) : 0) ? l : best), null);
  if (!outer) return null;
  return { outer, holes: loops.filter((l) => signedArea(l) < -1 && isInsideLoop(l[0]!, outer)) };
}

/** Closed lines along which the values are at a limit, what is cooler on their left. */
function loopsAt({ xs, ys, value }: Nodes, limit: number): Point[][] {
  const next = new Map<string, string>();
  const places = new Map<string, Point>();
  const crossing = (i: number, k: number, di: 0 | 1): string => {
    const key = `${i} ${k} ${di}`;
    if (!places.has(key)) {
      const [a, b] = [value(i, k), di === 1 ? value(i + 1, k) : value(i, k + 1)];
      const t = (limit - a) / (b - a);
      places.set(key, di === 1 ? [xs[i]! + t * (xs[i + 1]! - xs[i]!), ys[k]!] : [xs[i]!, ys[k]! + t * (ys[k + 1]! - ys[k]!)]);
    }
    return key;
  };
  for (let k = 0; k + 1 < ys.length; k += 1)
    for (let i = 0; i + 1 < xs.length; i += 1) {
      // Corners anticlockwise, and the sides between them.
      const cool = [value(i, k) < limit, value(i + 1, k) < limit, value(i + 1, k + 1) < limit, value(i, k + 1) < limit];
      const side = [() => crossing(i, k, 1), () => crossing(i + 1, k, 0), () => crossing(i, k + 1, 1), () => crossing(i, k, 0)];
      // Going round, a line leaves where it gets hot and enters where it was hot: the cool corner between stays on its left.
      for (let s = 0; s < 4; s += 1) {
        if (!(cool[s]! && !cool[(s + 1) % 4]!)) continue;
        let back = s;
        do back = (back + 3) % 4;
        while (cool[back]!);
        next.set(side[s]!(), side[back]!());
      }
    }
  return chained(next, places);
}

function chained(next: ReadonlyMap<string, string>, places: ReadonlyMap<string, Point>): Point[][] {
  const seen = new Set<string>();
  const loops: Point[][] = [];
  for (const start of next.keys()) {
    if (seen.has(start)) continue;
    const loop: Point[] = [];
    let key: string | undefined = start;
    while (key !== undefined && !seen.has(key)) {
      seen.add(key);
      loop.push(places.get(key)!);
      key = next.get(key);
    }
    if (loop.length > 2) loops.push(straightened(loop));
  }
  return loops;
}

/** How far a line may be moved by leaving a corner out (mm). */
const STRAIGHT = 0.2;

/** A loop without the corners that lie near a straight line between those that are kept. */
function straightened(loop: readonly Point[]): Point[] {
  const kept: Point[] = [];
  let from = 0;
  while (from < loop.length) {
    kept.push(loop[from]!);
    let to = from + 1;
    while (to < loop.length && isStraight(loop, from, to + 1)) to += 1;
    from = to;
  }
  return kept.length > 2 ? kept : [...loop];
}

/** Whether all corners between two of a loop lie near the line from one to the other. */
function isStraight(loop: readonly Point[], from: number, to: number): boolean {
  const a = loop[from]!;
  const b = loop[to % loop.length]!;
  const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
  const length = Math.hypot(dx, dy);
  if (length < 1e-6) return false;
  for (let i = from + 1; i < to; i += 1) {
    const p = loop[i]!;
    if (Math.abs(dx * (p[1] - a[1]) - dy * (p[0] - a[0])) > STRAIGHT * length) return false;
  }
  return true;
}
