import { boundsOf, clipLoop, oriented, outlineProperties, type Loop, type Outline, type Point } from '../../geometry/polygon';

/** A piece of an exposed edge within a cell: its length, and how far the middle of the cell lies behind it (mm). */
export interface HotEdge {
  readonly cell: number;
  readonly length: number;
  readonly depth: number;
}

/** Two cells side by side: the length that is open between them over the distance of their middles. */
export interface HeatLink {
  readonly a: number;
  readonly b: number;
  readonly ratio: number;
}

/** A section cut into nearly square cells; those on its edges are cut by them. Lengths mm. */
export interface HeatCells {
  /** Along x and along y. */
  readonly size: Point;
  readonly columns: number;
  readonly rows: number;
  /** Lower left corner of the grid, and upper right one of the section. */
  readonly from: Point;
  readonly to: Point;
  /** Cell of each square of the grid, row by row from below; -1 outside. Small cuttings belong to the cell beside them. */
  readonly at: Int32Array;
  /** Squares whose middle counts as inside: at least half of them is concrete. */
  readonly inside: Uint8Array;
  /** Area (mm2) and middle of each cell. */
  readonly area: Float64Array;
  readonly centres: readonly Point[];
  readonly links: readonly HeatLink[];
  readonly hot: readonly HotEdge[];
}

export type IsExposed = (a: Point, b: Point) => boolean;

/** Cuttings below this part of a square are joined to the cell beside them. */
const CUTTING = 0.4;

/** Cuts an outline into cells of about a size (mm). Edges that `isExposed` names are heated, across all others nothing flows. */
export function heatCells(outline: Outline, about: number, isExposed: IsExposed): HeatCells {
  const { left, right, bottom, top } = boundsOf(outline.outer);
  const columns = Math.max(1, Math.round((right - left) / about));
  const rows = Math.max(1, Math.round((top - bottom) / about));
  const size: Point = [(right - left) / columns, (top - bottom) / rows];
  const grid: Grid = { left, bottom, size, columns, rows };
  const loops = oriented(outline);
  const squares = cutSquares(loops, grid);
  const open = openLengths(loops, grid);
  const at = joinCuttings(squares, open, grid);
  const { area, centres } = cellsOf(at, squares);
  const hot = loops.flatMap((loop) =>
    loop.flatMap((a, i) => {
      const b = loop[(i + 1) % loop.length]!;
      return isExposed(a, b) ? hotPieces(a, b, at, centres, grid) : [];
    }),
  );
  const within = Uint8Array.from(squares, (q) => (q.area >= 0.5 * size[0] * size[1] ? 1 : 0));
  return {
    size,
    columns,
    rows,
    from: [left, bottom],
    to: [right, top],
    at,
    inside: within,
    area,
    centres,
    links: linksOf(at, open, grid),
    hot,
  };
}

interface Grid {
  readonly left: number;
  readonly bottom: number;
  readonly size: Point;
  readonly columns: number;
  readonly rows: number;
}

interface Square {
  readonly area: number;
  readonly centre: Point;
}

/** The part of the section in each square. Cut by columns first, then by rows. */
function cutSquares(loops: readonly Loop[], { left, bottom, size: [sx, sy], columns, rows }: Grid): Square[] {
  const squares: Square[] = new Array(columns * rows);
  for (let i = 0; i < columns; i += 1) {
    const strip = loops.map((l) => between(l, [1, 0], left + i * sx, left + (i + 1) * sx));
    for (let k = 0; k < rows; k += 1) {
      const parts = strip.map((l) => between(l, [0, 1], bottom + k * sy, bottom + (k + 1) * sy)).filter((l) => l.length > 2);
      squares[k * columns + i] = squareOf(parts, [left + (i + 0.5) * sx, bottom + (k + 0.5) * sy]);
    }
  }
  return squares;
}

const between = (loop: Loop, n: Point, from: number, to: number): Point[] => clipLoop(clipLoop(loop, n, from), [-n[0], -n[1]], -to);

function squareOf(parts: readonly Loop[], middle: Point): Square {
  let [area, sx, sy] = [0, 0, 0];
  for (const loop of parts) {
    const { area: own, centroid } = signedProperties(loop);
    area += own;
    sx += own * centroid[0];
    sy += own * centroid[1];
  }
  return area > 1e-6 ? { area, centre: [sx / area, sy / area] } : { area: 0, centre: middle };
}

/** Area with its sign: holes run the other way round. */
function signedProperties(loop: Loop): { readonly area: number; readonly centroid: Point } {
  const { area, centroid } = outlineProperties({ outer: loop, holes: [] });
  let twice = 0;
  loop.forEach(([x, y], i) => {
    const [u, v] = loop[(i + 1) % loop.length]!;
    twice += x * v - u * y;
  });
  return Math.abs(twice) < 1e-9 ? { area: 0, centroid: [0, 0] } : { area: Math.sign(twice) * Math.abs(area), centroid };
}

/** Length of concrete along the sides of the squares: the right side and the upper side of each. */
function openLengths(loops: readonly Loop[], g: Grid) {
  const right = new Float64Array(g.columns * g.rows);
  const upper = new Float64Array(g.columns * g.rows);
  for (let i = 0; i + 1 < g.columns; i += 1)
    for (const [from, to] of inside(loops, 0, g.left + (i + 1) * g.size[0]))
      spread(right, from, to, g.bottom, g.size[1], g.rows, (k) => k * g.columns + i);
  for (let k = 0; k + 1 < g.rows; k += 1)
    for (const [from, to] of inside(loops, 1, g.bottom + (k + 1) * g.size[1]))
      spread(upper, from, to, g.left, g.size[0], g.columns, (i) => k * g.columns + i);
  return { right, upper };
}

/** Where a grid line runs inside the section. */
function inside(loops: readonly Loop[], across: 0 | 1, level: number): [number, number][] {
  const along = across === 0 ? 1 : 0;
  const cuts: number[] = [];
  for (const loop of loops)
    loop.forEach((p, i) => {
      const q = loop[(i + 1) % loop.length]!;
      const [dp, dq] = [p[across] - level, q[across] - level];
      if (dp >= 0 === dq >= 0) return;
      cuts.push(p[along] + (dp / (dp - dq)) * (q[along] - p[along]));
    });
  cuts.sort((a, b) => a - b);
  return cuts.flatMap((c, i): [number, number][] => (i % 2 === 0 && i + 1 < cuts.length ? [[c, cuts[i + 1]!]] : []));
}

/** Adds a length to the squares that it runs along. */
function spread(into: Float64Array, from: number, to: number, start: number, size: number, count: number, at: (k: number) => number): void {
  for (let k = Math.max(0, Math.floor((from - start) / size)); k < count && start + k * size < to; k += 1) {
    const length = Math.min(to, start + (k + 1) * size) - Math.max(from, start + k * size);
    if (length > 0) into[at(k)]! += length;
  }
}

type Open = ReturnType<typeof openLengths>;

/** The squares beside one with the length that is open to each. */
function neighbours(
  i: number,
  k: number,
  { right, upper }: Open,
  columns: number,
  rows: number,
): { readonly to: number; readonly length: number }[] {
  const s = k * columns + i;
  return [
    ...(i + 1 < columns ? [{ to: s + 1, length: right[s]! }] : []),
    ...(i > 0 ? [{ to: s - 1, length: right[s - 1]! }] : []),
    ...(k + 1 < rows ? [{ to: s + columns, length: upper[s]! }] : []),
    ...(k > 0 ? [{ to: s - columns, length: upper[s - columns]! }] : []),
  ];
}

/** Numbers the cells. A cutting that is too small belongs to the fuller square to which it is most open. */
function joinCuttings(squares: readonly Square[], open: Open, { size, columns, rows }: Grid): Int32Array {
  const least = CUTTING * size[0] * size[1];
  const at = new Int32Array(squares.length).fill(-1);
  let count = 0;
  squares.forEach(({ area }, s) => area >= least && (at[s] = count++));
  for (let pass = 0; pass < 4; pass += 1)
    for (let k = 0; k < rows; k += 1)
      for (let i = 0; i < columns; i += 1) {
        const s = k * columns + i;
        if (at[s]! >= 0 || squares[s]!.area <= 0) continue;
        const best = neighbours(i, k, open, columns, rows)
          .filter((n) => at[n.to]! >= 0 && n.length > 0)
          .reduce<{ to: number; length: number } | null>((a, b) => (a && a.length >= b.length ? a : b), null);
        if (best) at[s] = at[best.to]!;
      }
  return at;
}

/** Area and middle of each cell with its cuttings. */
function cellsOf(at: Int32Array, squares: readonly Square[]): { readonly area: Float64Array; readonly centres: readonly Point[] } {
  const count = Math.max(-1, ...at) + 1;
  const [area, sx, sy] = [new Float64Array(count), new Float64Array(count), new Float64Array(count)];
  at.forEach((cell, s) => {
    if (cell < 0) return;
    const { area: own, centre } = squares[s]!;
    area[cell]! += own;
    sx[cell]! += own * centre[0];
    sy[cell]! += own * centre[1];
  });
  return { area, centres: Array.from(area, (a, i): Point => [sx[i]! / a, sy[i]! / a]) };
}

function linksOf(at: Int32Array, { right, upper }: Open, { size: [sx, sy], columns, rows }: Grid): HeatLink[] {
  const links: HeatLink[] = [];
  const add = (s: number, to: number, length: number, apart: number) => {
    const [a, b] = [at[s]!, at[to]!];
    if (a >= 0 && b >= 0 && a !== b && length > 0) links.push({ a, b, ratio: length / apart });
  };
  for (let k = 0; k < rows; k += 1)
    for (let i = 0; i < columns; i += 1) {
      const s = k * columns + i;
      if (i + 1 < columns) add(s, s + 1, right[s]!, sx);
      if (k + 1 < rows) add(s, s + columns, upper[s]!, sy);
    }
  return links;
}

/** An exposed edge cut by the squares that it runs through. */
function hotPieces(a: Point, b: Point, at: Int32Array, centres: readonly Point[], g: Grid): HotEdge[] {
  const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
  const length = Math.hypot(dx, dy);
  if (length < 1e-9) return [];
  const cuts = [0, 1];
  const cutAt = (start: number, d: number, from: number, size: number) => {
    if (Math.abs(d) < 1e-12) return;
    for (let k = Math.ceil((Math.min(start, start + d) - from) / size); from + k * size < Math.max(start, start + d); k += 1)
      cuts.push((from + k * size - start) / d);
  };
  cutAt(a[0], dx, g.left, g.size[0]);
  cutAt(a[1], dy, g.bottom, g.size[1]);
  cuts.sort((p, q) => p - q);
  // The concrete lies to the left of an edge.
  const [nx, ny] = [-dy / length, dx / length];
  return cuts.slice(1).flatMap((to, n): HotEdge[] => {
    const from = cuts[n]!;
    if (to - from < 1e-9) return [];
    const t = (from + to) / 2;
    const [x, y] = [a[0] + t * dx, a[1] + t * dy];
    const i = clamp(Math.floor((x + nx * 1e-3 * g.size[0] - g.left) / g.size[0]), g.columns);
    const k = clamp(Math.floor((y + ny * 1e-3 * g.size[1] - g.bottom) / g.size[1]), g.rows);
    const s = k * g.columns + i;
    const cell = at[s]!;
    if (cell < 0) return [];
    const [cx, cy] = centres[cell]!;
    const depth = Math.max((cx - x) * nx + (cy - y) * ny, 0.1 * Math.min(...g.size));
    return [{ cell, length: (to - from) * length, depth }];
  });
}

const clamp = (v: number, count: number) => Math.max(0, Math.min(count - 1, v));
