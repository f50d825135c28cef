import { distanceToSegment, isInsideLoop, type Loop, type Point } from '../../geometry/polygon';
import { ONE_POINT, type Piece } from './mesh-lines';
import { lineSprings, type SprungLine } from './line-springs';
import { PER_NODE, type Stiffness } from './multifrontal';
import type { PlateMesh } from './mesh';

/**
 * A line along which the plate is held: simply (it may turn over it, not along it), softly (only from sinking), clamped, or on springs that sink. Any but a
 * clamped one may have springs against turning over it.
 */
export interface LineSupport extends SprungLine {
  readonly how: 'simple' | 'soft' | 'clamped' | 'sinking';
}

/** A column under, over or through the plate: what lies within its outline moves as a stiff whole about its middle. */
export interface ColumnHead {
  readonly outline: Loop;
  readonly at: Point;
  /** Resistance to turning along x and along y (N mm/rad). */
  readonly turning: readonly [x: number, y: number];
}

/** Nodes of the mesh that move as one, about a node of their own. */
export interface StiffHead {
  readonly nodes: Int32Array;
  readonly at: Point;
  readonly turning: readonly [x: number, y: number];
}

/** What holds a plate: unknowns that do not move, springs, and stiff heads, whose middles do not sink. */
export interface PlateSupports {
  readonly isHeld: Uint8Array;
  readonly springs: readonly Stiffness[];
  /** Springs along lines, whose forces are reactions. */
  readonly lines?: readonly Stiffness[];
  /** Beams that bend with the plate; none where they are left out. */
  readonly ribs?: readonly Stiffness[];
  readonly heads: readonly StiffHead[];
  /** The head that each column became; -1 where no node lies under it. */
  readonly headOfColumn: readonly number[];
}

/** Lines that turn less than this at a node (rad) run on through it, as the pieces of an arc do. */
const RUNS_ON = Math.PI / 6;
/** A rotation that is held along an inclined line is held by a spring this many times as stiff as the plate. */
const STIFF = 1e5;

/**
 * The nodes that lie on lines and under columns, held. Along a simple line the plate neither sinks nor turns along the line (a hard support: a straight line
 * that does not sink cannot turn along itself). `bending` is the largest bending stiffness of the plate (N mm), as the measure of stiff springs. Nodes that
 * have lifted off their line are not held.
 */
export function supportsOf(
  mesh: PlateMesh,
  lines: readonly LineSupport[],
  columns: readonly ColumnHead[],
  bending: number,
  lifted?: ReadonlySet<number>,
): PlateSupports {
  const count = mesh.at.length / 2;
  const isHeld = new Uint8Array(PER_NODE * count);
  const springs: Stiffness[] = [];
  for (let node = 0; node < count; node += 1) {
    const here = linesAt(mesh, node, lines);
    if (!here.some((l) => l.how !== 'sinking') || lifted?.has(node)) continue;
    isHeld[PER_NODE * node] = 1;
    if (here.some((l) => l.how === 'clamped')) isHeld.fill(1, PER_NODE * node, PER_NODE * node + PER_NODE);
    else
      for (const along of tangentsOf(here.filter((l) => l.how === 'simple').map((l) => l.piece)))
        springs.push(turningSpring(node, along, STIFF * bending));
  }
  const all = columns.map((column) => ({ nodes: nodesWithin(mesh, column.outline), at: column.at, turning: column.turning }));
  const heads = all.filter((head) => head.nodes.length > 0);
  return { isHeld, springs, lines: lineSprings(mesh, lines, lifted), heads, headOfColumn: all.map((head) => heads.indexOf(head)) };
}

function linesAt({ at }: PlateMesh, node: number, lines: readonly LineSupport[]): LineSupport[] {
  const place: Point = [at[2 * node]!, at[2 * node + 1]!];
  return lines.filter(({ piece: [a, b] }) => distanceToSegment(place, a, b) < ONE_POINT);
}

/** Nodes that lie on lines and may lift off them: those that no line clamps. */
export const nodesResting = (mesh: PlateMesh, lines: readonly LineSupport[]): number[] =>
  Array.from({ length: mesh.at.length / 2 }, (_, n) => n).filter((n) => {
    const here = linesAt(mesh, n, lines);
    return here.length > 0 && here.every((l) => l.how !== 'clamped');
  });

/** Directions of lines that meet at a node; those that run on into each other count as one, in between. */
function tangentsOf(pieces: readonly Piece[]): Point[] {
  const found: Point[] = [];
  for (const [a, b] of pieces) {
    const length = Math.hypot(b[0] - a[0], b[1] - a[1]);
    const [c, s] = [(b[0] - a[0]) / length, (b[1] - a[1]) / length];
    const k = found.findIndex(([fc, fs]) => Math.abs(fc * s - fs * c) < Math.sin(RUNS_ON));
    if (k < 0) found.push([c, s]);
    else {
      const [fc, fs] = found[k]!;
      const sign = fc * c + fs * s < 0 ? -1 : 1;
      const sum = Math.hypot(fc + sign * c, fs + sign * s);
      found[k] = [(fc + sign * c) / sum, (fs + sign * s) / sum];
    }
  }
  return found;
}

function turningSpring(node: number, [c, s]: Point, stiffness: number): Stiffness {
  const matrix = new Float64Array(PER_NODE * PER_NODE);
  matrix.set([c * c * stiffness, c * s * stiffness], PER_NODE + 1);
  matrix.set([c * s * stiffness, s * s * stiffness], 2 * PER_NODE + 1);
  return { nodes: Int32Array.of(node), matrix };
}

/** Nodes within a loop or on its edges. */
function nodesWithin(mesh: PlateMesh, loop: Loop): Int32Array {
  const found: number[] = [];
  for (let node = 0; node < mesh.at.length / 2; node += 1) {
    const at: Point = [mesh.at[2 * node]!, mesh.at[2 * node + 1]!];
    if (isInsideLoop(at, loop) || loop.some((a, i) => distanceToSegment(at, a, loop[(i + 1) % loop.length]!) < ONE_POINT)) found.push(node);
  }
  return Int32Array.from(found);
}
