import { distanceToSegment, type Point } from '../../geometry/polygon';
import type { PlateMesh } from './mesh';
import { ONE_POINT, type Piece } from './mesh-lines';
import { PER_NODE, type Stiffness } from './multifrontal';

/** A beam that bends with the plate along a line: its stiffness beyond that of the plate (N mm2). It does not twist with it. */
export interface Rib {
  readonly piece: Piece;
  readonly bending: number;
}

/** Nodes of the mesh along a rib, from its beginning: their places along it (mm). */
export interface RibLine {
  readonly nodes: Int32Array;
  readonly at: Float64Array;
  /** Cosine and sine of its direction. */
  readonly along: Point;
}

export function ribLine({ at }: PlateMesh, { piece: [a, b] }: Rib): RibLine {
  const length = Math.hypot(b[0] - a[0], b[1] - a[1]);
  const along: Point = [(b[0] - a[0]) / length, (b[1] - a[1]) / length];
  const found = Array.from({ length: at.length / 2 }, (_, n) => n)
    .filter((n) => distanceToSegment([at[2 * n]!, at[2 * n + 1]!], a, b) < ONE_POINT)
    .map((n) => ({ n, s: (at[2 * n]! - a[0]) * along[0] + (at[2 * n + 1]! - a[1]) * along[1] }))
    .sort((p, q) => p.s - q.s);
  return { nodes: Int32Array.from(found, (f) => f.n), at: Float64Array.from(found, (f) => f.s), along };
}

/** The two ends of a piece of a rib by the six unknowns of its nodes: deflection and rotation along it of each. */
function endsOf([c, s]: Point): number[][] {
  const row = (place: number, values: readonly [number, number, number]) => {
    const all = new Array<number>(2 * PER_NODE).fill(0);
    values.forEach((v, k) => (all[place + k] = v));
    return all;
  };
  return [0, PER_NODE].flatMap((place) => [row(place, [1, 0, 0]), row(place, [0, c, s])]);
}

/** A beam that does not shear, between its ends (w, b with b = -dw/ds), for a stiffness of one. */
const pieceMatrix = (L: number): number[][] => [
  [12 / L ** 3, -6 / L ** 2, -12 / L ** 3, -6 / L ** 2],
  [-6 / L ** 2, 4 / L, 6 / L ** 2, 2 / L],
  [-12 / L ** 3, 6 / L ** 2, 12 / L ** 3, 6 / L ** 2],
  [-6 / L ** 2, 2 / L, 6 / L ** 2, 4 / L],
];

/** Stiffness of a rib between the nodes along it. */
export function ribStiffness(mesh: PlateMesh, rib: Rib): Stiffness[] {
  const { nodes, at, along } = ribLine(mesh, rib);
  const ends = endsOf(along);
  const size = 2 * PER_NODE;
  return Array.from({ length: Math.max(0, nodes.length - 1) }, (_, i) => {
    const piece = pieceMatrix(at[i + 1]! - at[i]!);
    const matrix = new Float64Array(size * size);
    for (let p = 0; p < 4; p += 1)
      for (let q = 0; q < 4; q += 1)
        for (let a = 0; a < size; a += 1)
          for (let b = 0; b < size; b += 1) matrix[a * size + b]! += rib.bending * piece[p]![q]! * ends[p]![a]! * ends[q]![b]!;
    return { nodes: nodes.slice(i, i + 2), matrix };
  });
}

/** What a rib carries at the nodes along it: moments (N mm, sagging positive), the mean of both sides; shears between them (N), the slope of its moments. */
export interface RibForces {
  readonly moments: Float64Array;
  readonly shears: Float64Array;
}

export function ribForces({ nodes, at, along: [c, s] }: RibLine, bending: number, moved: Float64Array): RibForces {
  const moments = new Float64Array(nodes.length);
  const shears = new Float64Array(Math.max(0, nodes.length - 1));
  const counts = new Float64Array(nodes.length);
  for (let i = 0; i + 1 < nodes.length; i += 1) {
    const L = at[i + 1]! - at[i]!;
    const [w1, b1, w2, b2] = [nodes[i]!, nodes[i + 1]!].flatMap((n) => [
      moved[PER_NODE * n]!,
      c * moved[PER_NODE * n + 1]! + s * moved[PER_NODE * n + 2]!,
    ]) as [number, number, number, number];
    // Curvature is -w'', and w' is -b.
    const first = (bending * (6 * (w1 - w2) - L * (4 * b1 + 2 * b2))) / L ** 2;
    const last = (bending * (6 * (w2 - w1) + L * (2 * b1 + 4 * b2))) / L ** 2;
    moments[i]! += first;
    moments[i + 1]! += last;
    counts[i]! += 1;
    counts[i + 1]! += 1;
    shears[i] = (last - first) / L;
  }
  return { moments: moments.map((m, i) => (counts[i]! > 0 ? m / counts[i]! : 0)), shears };
}
