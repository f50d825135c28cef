import type { PlateMesh } from './mesh';
import { PER_NODE, type Stiffness } from './multifrontal';
import { ribLine } from './ribs';
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
    const { nodes, at, along } = ribLine(mesh, { piece, bending: 0 });
    return [...nodes].flatMap((node, i): Stiffness[] => {
      const length = ((at[i + 1] ?? at[i]!) - (at[i - 1] ?? at[i]!)) / 2;
      return lifted?.has(node) ? [] : [springAt(node, sinks * length, turns * length, along)];
    });
  });

function springAt(node: number, sinking: number, turning: number, [c, s]: readonly [number, number]): Stiffness {
  const matrix = new Float64Array(PER_NODE * PER_NODE);
  matrix[0] = sinking;
  matrix.set([s * s * turning, -s * c * turning], PER_NODE + 1);
  matrix.set([-s * c * turning, c * c * turning], 2 * PER_NODE + 1);
  return { nodes: Int32Array.of(node), matrix };
}
