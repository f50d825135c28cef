import { controlPerimeter, isOnSlab, lengthOf, type Piece, type SlabEdges } from '../../geometry/control-perimeter';
import { boundsOf, distanceToEdges, isInsideLoop, type Loop, type Point } from '../../geometry/polygon';
import type { PunchingLegs } from './input';

/** One leg on the plan. */
export interface PlacedLeg {
  readonly at: Point;
  /** Which perimeter it belongs to, from the column outwards. */
  readonly perimeter: number;
}

/** A line of legs: where it leaves the column, which way it runs (a unit vector), and how far from the column its legs stand (mm). */
export interface LegLine {
  readonly from: Point;
  readonly out: Point;
  readonly distances: readonly number[];
}

export interface PlacedLegs {
  readonly legs: readonly PlacedLeg[];
  /** The lines in which legs stand; none where they stand on perimeters. */
  readonly lines: readonly LegLine[];
  /** Legs that would stand in an opening or off the slab: left out of rails, moved along perimeters of links. */
  readonly dropped: readonly Point[];
  readonly moved: number;
  /** Widest distance of neighbouring legs on each perimeter. */
  readonly widest: readonly number[];
  /** The same among legs of lines that run the same way. */
  readonly widestOnFace: readonly number[];
}

/** Concrete that a leg needs beside an edge or an opening (mm). */
const BESIDE = 30;

interface Ground {
  readonly slab: SlabEdges;
  readonly openings: readonly Loop[];
}

const isClear = (p: Point, { slab, openings }: Ground): boolean =>
  isOnSlab(p, shrunk(slab)) && !openings.some((o) => isInsideLoop(p, o) || distanceToEdges(p, { outer: o, holes: [] }) < BESIDE);

const shrunk = (slab: SlabEdges): SlabEdges => ({
  left: slab.left === null ? null : slab.left - BESIDE,
  right: slab.right === null ? null : slab.right - BESIDE,
  bottom: slab.bottom === null ? null : slab.bottom - BESIDE,
  top: slab.top === null ? null : slab.top - BESIDE,
  corner: slab.corner && [
    slab.corner[0] - Math.sign(slab.corner[0] || 1) * BESIDE,
    slab.corner[1] - Math.sign(slab.corner[1] || 1) * BESIDE,
  ],
});

export function placeLegs(legs: PunchingLegs, column: Loop, ground: Ground): PlacedLegs {
  return inLines(legs) ? onLines(legs, column, ground) : onPerimeters(legs, column, ground);
}

/** Whether legs stand in lines away from the column: rails of studs, and links that are laid so. */
export const inLines = ({ kind, layout }: Pick<PunchingLegs, 'kind' | 'layout'>): boolean =>
  kind === 'studs' || layout === 'radial' || layout === 'orthogonal';

/** How legs are laid out, in words. */
export function layoutWords({ kind, layout }: Pick<PunchingLegs, 'kind' | 'layout'>): string {
  const what = kind === 'studs' ? 'rails of studs' : 'lines of links';
  if (layout === 'orthogonal') return `${what} square to the faces`;
  if (inLines({ kind, layout })) return `radial ${what}`;
  return `legs, perimeters ${layout === 'round' ? 'all round' : 'with square corners'}`;
}

const distanceOf = ({ first, spacing }: PunchingLegs, k: number) => first + k * spacing;

/** Links: so many legs on every perimeter, evenly along what is clear of edges and openings. */
function onPerimeters(legs: PunchingLegs, column: Loop, ground: Ground): PlacedLegs {
  let moved = 0;
  const corners = legs.layout === 'rectangular' ? ('square' as const) : ('round' as const);
  const all = Array.from({ length: legs.perimeters }, (_, perimeter) => {
    const reach = distanceOf(legs, perimeter);
    const pieces = fromStart(controlPerimeter(column, reach, corners, ground.slab).pieces);
    const isClosed = touches(pieces.at(-1)!.b, pieces[0]!.a);
    const whole = along(pieces, legs.legs, isClosed);
    const misplaced = whole.filter((p) => !isClear(p, ground)).length;
    moved += misplaced;
    const clear = misplaced === 0 ? whole : along(clearPieces(pieces, ground), legs.legs, false);
    return { points: clear, widest: widestGap(clear, reach, column, ground) };
  });
  return {
    legs: all.flatMap(({ points }, perimeter) => points.map((at) => ({ at, perimeter }))),
    lines: [],
    dropped: [],
    moved,
    widest: all.map((a) => a.widest),
    widestOnFace: all.map((a) => a.widest),
  };
}

const touches = ([ax, ay]: Point, [bx, by]: Point) => Math.hypot(bx - ax, by - ay) < 1;

/** A perimeter in small steps of which only those are kept where a leg can stand. */
function clearPieces(pieces: readonly Piece[], ground: Ground): Piece[] {
  const step = 10;
  return pieces
    .flatMap(({ a, b }): Piece[] => {
      const n = Math.max(1, Math.ceil(Math.hypot(b[0] - a[0], b[1] - a[1]) / step));
      const at = (t: number): Point => [a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1])];
      return Array.from({ length: n }, (_, i) => ({ a: at(i / n), b: at((i + 1) / n) }));
    })
    .filter(({ a, b }) => isClear([(a[0] + b[0]) / 2, (a[1] + b[1]) / 2], ground));
}

/** Points at equal distances along some pieces: half a step from the ends of an open line. */
function along(pieces: readonly Piece[], count: number, isClosed: boolean): Point[] {
  const total = lengthOf(pieces);
  const wanted = Array.from({ length: count }, (_, i) => ((isClosed ? i : i + 0.5) * total) / count);
  const points: Point[] = [];
  let before = 0;
  let k = 0;
  for (const { a, b } of pieces) {
    const l = Math.hypot(b[0] - a[0], b[1] - a[1]);
    for (; k < wanted.length && wanted[k]! <= before + l + 1e-9; k += 1) {
      const t = l > 0 ? Math.min(1, Math.max(0, (wanted[k]! - before) / l)) : 0;
      points.push([a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1])]);
    }
    before += l;
  }
  return points;
}

/**
 * Widest distance of neighbours on a perimeter. What lies between the last and the first at an edge, or across an opening, needs no legs: there the
 * straight way runs close to the column or through the opening.
 */
function widestGap(points: readonly Point[], reach: number, column: Loop, { openings }: Ground): number {
  const n = points.length;
  if (n < 2) return 0;
  const gaps = points.map((p, i) => {
    const q = points[(i + 1) % n]!;
    const on = (t: number): Point => [p[0] + t * (q[0] - p[0]), p[1] + t * (q[1] - p[1])];
    const crosses = [0.2, 0.35, 0.5, 0.65, 0.8].map(on).some((m) => openings.some((o) => isInsideLoop(m, o)));
    const isThrough = isInsideLoop(on(0.5), column) || distanceToEdges(on(0.5), { outer: column, holes: [] }) < 0.5 * reach;
    return crosses || isThrough ? 0 : Math.hypot(q[0] - p[0], q[1] - p[1]);
  });
  return Math.max(...gaps);
}

/** Pieces of an open line from its beginning: a loop that is cut may have begun in the middle of it. */
function fromStart(pieces: readonly Piece[]): Piece[] {
  const jump = pieces.findIndex((p, i) => i + 1 < pieces.length && !touches(p.b, pieces[i + 1]!.a));
  return jump < 0 ? [...pieces] : [...pieces.slice(jump + 1), ...pieces.slice(0, jump + 1)];
}

/** Legs in lines that run away from the column; those without room are left out. */
function onLines(legs: PunchingLegs, column: Loop, ground: Ground): PlacedLegs {
  // Radial lines fan out at corners: evenly spread halfway along them.
  const middle = distanceOf(legs, (legs.perimeters - 1) / 2);
  const rails =
    legs.layout === 'orthogonal' ? squareRails(column, legs.legs, ground.slab) : railsOf(column, legs.legs, middle, ground.slab);
  const kept: PlacedLeg[] = [];
  const dropped: Point[] = [];
  const [widest, widestOnFace]: [number[], number[]] = [[], []];
  const reach = new Map<Rail, number[]>(rails.map((rail) => [rail, []]));
  for (let perimeter = 0; perimeter < legs.perimeters; perimeter += 1) {
    const r = distanceOf(legs, perimeter);
    const there = rails.map((rail) => ({ rail, at: [rail.from[0] + r * rail.out[0], rail.from[1] + r * rail.out[1]] as Point }));
    const clear = there.filter(({ at }) => isClear(at, ground));
    dropped.push(...there.filter(({ at }) => !isClear(at, ground)).map(({ at }) => at));
    for (const { rail, at } of clear) {
      kept.push({ at, perimeter });
      reach.get(rail)!.push(r);
    }
    widest.push(
      widestGap(
        clear.map(({ at }) => at),
        r,
        column,
        ground,
      ),
    );
    widestOnFace.push(Math.max(0, ...clear.map((c, i) => gapOnFace(c, clear[i + 1]))));
  }
  const lines = [...reach].filter(([, distances]) => distances.length > 0).map(([rail, distances]) => ({ ...rail, distances }));
  return { legs: kept, lines, dropped, moved: 0, widest, widestOnFace };
}

interface Standing {
  readonly rail: Rail;
  readonly at: Point;
}

/** Distance to the next leg of a line that runs the same way; none to that of another face. */
function gapOnFace(a: Standing, b: Standing | undefined): number {
  const isSame = b && a.rail.out[0] === b.rail.out[0] && a.rail.out[1] === b.rail.out[1];
  return isSame ? Math.hypot(b.at[0] - a.at[0], b.at[1] - a.at[1]) : 0;
}

/** Part of a round column's width over which lines square to it start: beyond, its outline falls away too fast. */
const ROUND_PART = 0.7;

/**
 * Lines square to the faces of the column, as many on each as its length asks for, the outer ones at its corners; anticlockwise from the right
 * face. A face at an edge of the slab has none. They leave the outline where it is met from outside.
 */
function squareRails(column: Loop, count: number, slab: SlabEdges): Rail[] {
  const { left, right, bottom, top } = boundsOf(column);
  const isRound = column.length > 12;
  const part = isRound ? ROUND_PART : 1;
  const faces = [
    { side: 'right', out: [1, 0], along: [0, 1], middle: (bottom + top) / 2, length: part * (top - bottom), at: right },
    { side: 'top', out: [0, 1], along: [-1, 0], middle: (left + right) / 2, length: part * (right - left), at: top },
    { side: 'left', out: [-1, 0], along: [0, -1], middle: (bottom + top) / 2, length: part * (top - bottom), at: -left },
    { side: 'bottom', out: [0, -1], along: [1, 0], middle: (left + right) / 2, length: part * (right - left), at: -bottom },
  ] as const;
  const open = faces.filter((f) => slab[f.side] === null || slab[f.side]! > f.at + BESIDE);
  const total = open.reduce((sum, f) => sum + f.length, 0);
  return open.flatMap(({ out, along: run, middle, length }): Rail[] => {
    const n = Math.max(2, Math.round((count * length) / total));
    return Array.from({ length: n }, (_, i): Rail => {
      const offset = -length / 2 + (i * length) / (n - 1);
      // Just inside a corner, where the outline is met.
      const inside = offset * (1 - 1e-6);
      const across = run[0] === 0 ? middle + run[1] * inside : middle + run[0] * inside;
      return { from: metFromOutside(column, out, across), out };
    });
  });
}

/** Where a line along an axis, coming from outside, meets the outline first. */
function metFromOutside(column: Loop, out: Point, across: number): Point {
  const isX = out[0] !== 0;
  const sign = isX ? out[0] : out[1];
  const met = column.flatMap(([ax, ay], i) => {
    const [bx, by] = column[(i + 1) % column.length]!;
    const [a, b, va, vb] = isX ? [ay, by, ax, bx] : [ax, bx, ay, by];
    if (a === b || (across - a) * (across - b) > 0) return [];
    return [va + ((vb - va) * (across - a)) / (b - a)];
  });
  const far = sign * Math.max(...met.map((v) => sign * v));
  return isX ? [far, across] : [across, far];
}

interface Rail {
  readonly from: Point;
  readonly out: Point;
}

/** Rails square to the column's outline, at equal distances along the perimeter at some way out, as far as there is slab. */
function railsOf(column: Loop, count: number, at: number, slab: SlabEdges): Rail[] {
  const pieces = fromStart(controlPerimeter(column, at, 'round', slab).pieces);
  return along(pieces, count, false).map((p) => {
    const from = nearest(p, column);
    const [dx, dy] = [p[0] - from[0], p[1] - from[1]];
    const l = Math.hypot(dx, dy) || 1;
    return { from, out: [dx / l, dy / l] };
  });
}

function nearest([px, py]: Point, loop: Loop): Point {
  const feet = loop.map(([ax, ay], i): Point => {
    const [bx, by] = loop[(i + 1) % loop.length]!;
    const [ex, ey] = [bx - ax, by - ay];
    const t = Math.max(0, Math.min(1, ((px - ax) * ex + (py - ay) * ey) / (ex * ex + ey * ey || 1)));
    return [ax + t * ex, ay + t * ey];
  });
  return feet.reduce((a, b) => (Math.hypot(b[0] - px, b[1] - py) < Math.hypot(a[0] - px, a[1] - py) ? b : a));
}
