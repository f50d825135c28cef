import Delaunator from 'delaunator';
import { CalcError } from '../../calc/calc';
import { boundsOf, isInside, type Outline, type Point } from '../../geometry/polygon';
import { cutAtCrossings, ONE_POINT, spaced, type Piece, type SizeAt } from './mesh-lines';

/** A plate cut into triangles: x and y of each node (mm), and three nodes of each triangle, counterclockwise. */
export interface PlateMesh {
  readonly at: Float64Array;
  readonly triangles: Int32Array;
}

/** What a mesh is made of. */
export interface MeshSource {
  readonly outline: Outline;
  /** Lines that sides of triangles follow: walls, beams, borders of regions. */
  readonly lines: readonly Piece[];
  /** Places that are to be nodes. */
  readonly points: readonly Point[];
  readonly sizeAt: SizeAt;
}

/** Rounds of smoothing; after each the triangles are found anew. */
const ROUNDS = 4;
/** Inner points keep this much of a side's length from each other and from lines. */
const APART = 0.72;
/** Pieces of lines are not halved below this (mm). */
const SHORTEST = 4;

/**
 * Triangles over an outline with openings: nodes along all lines and, between them, on a staggered grid as fine as is wanted at each place; each inner
 * node is then moved to the middle of its neighbours. Pieces of lines that would not be sides of triangles are halved until they are. The same source
 * always gives the same mesh. Throws CalcError where nothing can be meshed.
 */
export function meshOf(source: MeshSource): PlateMesh {
  const { outline, sizeAt } = source;
  const border = [outline.outer, ...outline.holes].flatMap((loop) => loop.map((p, i): Piece => [p, loop[(i + 1) % loop.length]!]));
  const pieces = cutAtCrossings([...border, ...source.lines], source.points);
  const nodes = new NodeList();
  const tied = pieces.flatMap((piece) => {
    const along = spaced(piece, sizeAt).map((p) => nodes.add(p, true));
    return along.slice(1).map((b, i) => [along[i]!, b] as const);
  });
  source.points.forEach((p) => nodes.add(p, true));
  fill(nodes, outline, sizeAt, pieces);
  let found = conforming(nodes, tied);
  for (let round = 0; round < ROUNDS; round += 1) {
    nodes.smooth(inside(nodes, found.triangles, outline));
    found = conforming(nodes, found.tied);
  }
  const triangles = inside(nodes, found.triangles, outline);
  if (triangles.length === 0) throw new CalcError('outline', 'the outline has no area to speak of.');
  return withoutStrays(nodes.places(), triangles);
}

type Tie = readonly [number, number];

/** Delaunay triangles in which every tie is a side: those that are not get a node in their middle. */
function conforming(nodes: NodeList, given: readonly Tie[]): { triangles: Uint32Array; tied: readonly Tie[] } {
  const PASSES = 16;
  let tied = given;
  for (let pass = 0; ; pass += 1) {
    const { triangles } = new Delaunator(nodes.places());
    const sides = new Set<number>();
    const keyOf = (a: number, b: number) => Math.min(a, b) * 2 ** 26 + Math.max(a, b);
    for (let e = 0; e < triangles.length; e += 1) sides.add(keyOf(triangles[e]!, triangles[e % 3 === 2 ? e - 2 : e + 1]!));
    const isSide = ([a, b]: Tie) => sides.has(keyOf(a, b)) || nodes.distance(a, b) < SHORTEST;
    if (pass === PASSES || tied.every(isSide)) return { triangles, tied };
    tied = tied.flatMap((tie): Tie[] => {
      if (isSide(tie)) return [tie];
      const [[ax, ay], [bx, by]] = [nodes.at(tie[0]), nodes.at(tie[1])];
      const middle = nodes.add([(ax + bx) / 2, (ay + by) / 2], true);
      return [
        [tie[0], middle],
        [middle, tie[1]],
      ];
    });
  }
}

/** Nodes by place; what lies nearer than `ONE_POINT` is one node. */
class NodeList {
  private readonly x: number[] = [];
  private readonly y: number[] = [];
  private readonly isFixed: boolean[] = [];
  private readonly cells = new Map<string, number[]>();

  get count(): number {
    return this.x.length;
  }

  add([x, y]: Point, isFixed: boolean): number {
    const found = this.nearest([x, y], ONE_POINT, 2 * ONE_POINT);
    if (found >= 0) return found;
    this.isFixed.push(isFixed);
    const n = this.x.push(x) - 1;
    this.y.push(y);
    const key = `${Math.floor(x / (2 * ONE_POINT))} ${Math.floor(y / (2 * ONE_POINT))}`;
    this.cells.set(key, [...(this.cells.get(key) ?? []), n]);
    return n;
  }

  places(): Float64Array {
    return Float64Array.from({ length: 2 * this.count }, (_, i) => (i % 2 === 0 ? this.x[i >> 1]! : this.y[i >> 1]!));
  }

  distance(a: number, b: number): number {
    return Math.hypot(this.x[a]! - this.x[b]!, this.y[a]! - this.y[b]!);
  }

  /** Moves each inner node to the middle of its neighbours; those along lines stay. */
  smooth(triangles: Int32Array): void {
    const sums = new Float64Array(3 * this.count);
    for (let e = 0; e < triangles.length; e += 1) {
      const [a, b] = [triangles[e]!, triangles[e % 3 === 2 ? e - 2 : e + 1]!];
      // Each inner side is met twice, once in each sense.
      sums[3 * a]! += this.x[b]!;
      sums[3 * a + 1]! += this.y[b]!;
      sums[3 * a + 2]! += 1;
    }
    for (let n = 0; n < this.count; n += 1) {
      if (this.isFixed[n] || !(sums[3 * n + 2]! > 0)) continue;
      this.x[n] = sums[3 * n]! / sums[3 * n + 2]!;
      this.y[n] = sums[3 * n + 1]! / sums[3 * n + 2]!;
    }
  }

  at(n: number): Point {
    return [this.x[n]!, this.y[n]!];
  }

  private nearest([x, y]: Point, within: number, cell: number): number {
    const [cx, cy] = [Math.floor(x / cell), Math.floor(y / cell)];
    for (let i = cx - 1; i <= cx + 1; i += 1)
      for (let j = cy - 1; j <= cy + 1; j += 1)
        for (const n of this.cells.get(`${i} ${j}`) ?? []) if (Math.hypot(this.x[n]! - x, this.y[n]! - y) < within) return n;
    return -1;
  }
}

/** Adds inner nodes: grids of halving size, each where its size is the one wanted, and none too near to what is there. */
function fill(nodes: NodeList, outline: Outline, sizeAt: SizeAt, pieces: readonly Piece[]): void {
  const { left, right, bottom, top } = boundsOf(outline.outer);
  const middle: Point = [(left + right) / 2, (bottom + top) / 2];
  const [coarse, fine] = extremes(sizeAt, outline, pieces);
  const near = new Neighbourhood(fine);
  for (let n = 0; n < nodes.count; n += 1) near.add(nodes.at(n));
  const levels = Math.max(0, Math.ceil(Math.log2(coarse / fine) - 1e-9));
  for (let level = levels; level >= 0; level -= 1) {
    const size = coarse / 2 ** level;
    const rise = (size * Math.sqrt(3)) / 2;
    const [across, up] = [Math.ceil((right - left) / 2 / size) + 1, Math.ceil((top - bottom) / 2 / rise) + 1];
    for (let j = -up; j <= up; j += 1)
      for (let i = -across; i <= across; i += 1) {
        const p: Point = [middle[0] + (i + (j % 2 === 0 ? 0 : 0.5)) * size, middle[1] + j * rise];
        if (!isInside(p, outline)) continue;
        const wanted = sizeAt(p);
        const own = Math.max(0, Math.min(levels, Math.round(Math.log2(coarse / wanted))));
        if (own !== level || near.has(p, APART * size)) continue;
        near.add(p);
        nodes.add(p, false);
      }
  }
}

/** The largest and the smallest size wanted, at the lines and on a grid over the outline. */
function extremes(sizeAt: SizeAt, { outer }: Outline, pieces: readonly Piece[]): [number, number] {
  const { left, right, bottom, top } = boundsOf(outer);
  const LOOKS = 24;
  const grid = Array.from({ length: (LOOKS + 1) ** 2 }, (_, k): Point => [
    left + ((k % (LOOKS + 1)) / LOOKS) * (right - left),
    bottom + (Math.floor(k / (LOOKS + 1)) / LOOKS) * (top - bottom),
  ]);
  const sizes = [...grid, ...pieces.flat()].map(sizeAt);
  return [Math.max(...sizes), Math.min(...sizes)];
}

/** Finds whether a point lies near others, by cells of a size. */
class Neighbourhood {
  private readonly cells = new Map<number, Point[]>();
  constructor(private readonly cell: number) {}

  private key(i: number, j: number): number {
    return (i + 1e6) * 4e6 + j + 1e6;
  }

  add(p: Point): void {
    const key = this.key(Math.floor(p[0] / this.cell), Math.floor(p[1] / this.cell));
    const there = this.cells.get(key);
    if (there) there.push(p);
    else this.cells.set(key, [p]);
  }

  has([x, y]: Point, within: number): boolean {
    const reach = Math.ceil(within / this.cell);
    const [cx, cy] = [Math.floor(x / this.cell), Math.floor(y / this.cell)];
    for (let i = cx - reach; i <= cx + reach; i += 1)
      for (let j = cy - reach; j <= cy + reach; j += 1)
        for (const [px, py] of this.cells.get(this.key(i, j)) ?? []) if (Math.hypot(px - x, py - y) < within) return true;
    return false;
  }
}

/** The triangles within an outline, counterclockwise; slivers along a straight border have no area and are left out. */
function inside(nodes: NodeList, triangles: ArrayLike<number>, outline: Outline): Int32Array {
  const kept: number[] = [];
  for (let e = 0; e < triangles.length; e += 3) {
    const [a, b, c] = [triangles[e]!, triangles[e + 1]!, triangles[e + 2]!];
    const [[ax, ay], [bx, by], [cx, cy]] = [nodes.at(a), nodes.at(b), nodes.at(c)];
    const double = (bx - ax) * (cy - ay) - (cx - ax) * (by - ay);
    const longest = Math.max(Math.hypot(bx - ax, by - ay), Math.hypot(cx - bx, cy - by), Math.hypot(ax - cx, ay - cy));
    if (Math.abs(double) < 1e-6 * longest ** 2 || !isInside([(ax + bx + cx) / 3, (ay + by + cy) / 3], outline)) continue;
    kept.push(a, double > 0 ? b : c, double > 0 ? c : b);
  }
  return Int32Array.from(kept);
}

/** The mesh without nodes that no triangle has. */
function withoutStrays(at: Float64Array, triangles: Int32Array): PlateMesh {
  const isUsed = new Uint8Array(at.length / 2);
  for (const node of triangles) isUsed[node] = 1;
  const place = new Int32Array(isUsed.length);
  let count = 0;
  isUsed.forEach((used, node) => used && (place[node] = count++));
  return { at: at.filter((_, i) => isUsed[i >> 1] === 1), triangles: triangles.map((node) => place[node]!) };
}
