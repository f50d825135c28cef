import type { PlateMesh } from './mesh';
import { PER_NODE, type Stiffness } from './multifrontal';
import { ribLine, type RibLine } from './ribs';
import type { Piece } from './mesh-lines';

/** A line on springs, per length: against sinking (N/mm2) and against turning over it (N mm/rad/mm); none where they are not given. */
export interface SprungLine {
  readonly piece: Piece;
  readonly sinks?: number;
  readonly turns?: number;
}

/**
 * Springs along lines as springs at the nodes on them, each with the half of the line to its neighbours: against sinking, and against turning over the line
 * (the rotation bn = -bx sin + by cos across its direction). Nodes that have lifted off have none.
 */
export const lineSprings = (mesh: PlateMesh, lines: readonly SprungLine[], lifted?: ReadonlySet<number>): Stiffness[] =>
  lines.flatMap(({ piece, sinks = 0, turns = 0 }) => {
    if (sinks <= 0 && turns <= 0) return [];
    const line = ribLine(mesh, { piece, bending: 0 });
    const own = ownLengths(mesh, line);
    return [...line.nodes].flatMap((node, i): Stiffness[] =>
      lifted?.has(node) ? [] : [springAt(node, sinks * own[i]!, turns * own[i]!, line.along)],
    );
  });

/** The part of a line that is each node's (mm): half of it to its neighbours, as far as the plate lies there. */
export function ownLengths(mesh: PlateMesh, { nodes, at }: Pick<RibLine, 'nodes' | 'at'>): Float64Array {
  const sides = sidesOf(mesh);
  const own = new Float64Array(nodes.length);
  for (let i = 0; i + 1 < nodes.length; i += 1) {
    if (!sides.has(sideOf(nodes[i]!, nodes[i + 1]!))) continue;
    const half = (at[i + 1]! - at[i]!) / 2;
    own[i]! += half;
    own[i + 1]! += half;
  }
  return own;
}

const known = new WeakMap<PlateMesh, Set<number>>();
const sideOf = (a: number, b: number): number => Math.min(a, b) * 2 ** 26 + Math.max(a, b);

/** The sides of all triangles. */
function sidesOf(mesh: PlateMesh): Set<number> {
  let sides = known.get(mesh);
  if (!sides) {
    sides = new Set();
    const { triangles } = mesh;
    for (let t = 0; t < triangles.length; t += 3)
      for (let k = 0; k < 3; k += 1) sides.add(sideOf(triangles[t + k]!, triangles[t + ((k + 1) % 3)]!));
    known.set(mesh, sides);
  }
  return sides;
}

function springAt(node: number, sinking: number, turning: number, [c, s]: readonly [number, number]): Stiffness {
  const matrix = new Float64Array(PER_NODE * PER_NODE);
  matrix[0] = sinking;
  matrix.set([s * s * turning, -s * c * turning], PER_NODE + 1);
  matrix.set([-s * c * turning, c * c * turning], 2 * PER_NODE + 1);
  return { nodes: Int32Array.of(node), matrix };
}
