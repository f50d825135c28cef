import { CalcError } from '../../calc/calc';
import type { PlateMesh } from './mesh';
import { factorise, PER_NODE, planOf, type EliminationPlan, type Factor, type Stiffness } from './multifrontal';
import { Heads } from './stiff-heads';
import type { PlateSupports } from './supports';
import {
  rowTimes,
  strainedTriangle,
  TRIANGLE_SIZE,
  triangleMoments,
  triangleStiffness,
  type Corners,
  type Rigidity,
  type StrainedTriangle,
} from './triangle';

/** What a plate answers to a load: deflections (mm, down) and rotations of its nodes, and what holds it (N, N mm, on the plate, up and against the rotations). */
export interface PlateState {
  /** w, bx, by of each node of the mesh, then of each column's middle. */
  readonly moved: Float64Array;
  /** Reactions by unknown; nothing where it is free. A column's are those of its middle, moments of its springs among them. */
  readonly held: Float64Array;
}

/** Moments per length (N mm/mm) of the nodes, means over the triangles that bend around each by their angles there: mx, my, mxy node by node. */
export type NodeMoments = Float64Array;

/** An elastic plate with its factored stiffness: loads are answered one after another without factoring again. */
export interface PlateModel {
  readonly mesh: PlateMesh;
  readonly rigidity: (triangle: number) => Rigidity;
  /** How many unknowns there are, those of columns' middles last. */
  readonly unknowns: number;
  /** Whether a triangle bends: those within a stiff head do not. */
  readonly bends: (triangle: number) => boolean;
  /** Answers loads; `given` moves held unknowns (settlement). */
  readonly solve: (loads: Float64Array, given?: Float64Array) => PlateState;
  readonly moments: (state: PlateState) => NodeMoments;
  readonly factor: Factor;
  readonly structure: PlateStructure;
}

/** A plate on its supports as far as it is the same for all stiffnesses. */
export interface PlateStructure {
  readonly mesh: PlateMesh;
  readonly heads: Heads;
  readonly springs: readonly Stiffness[];
  /** Resistance of the columns to turning, and of beams below to bending. */
  readonly columns: readonly Stiffness[];
  readonly ribs: readonly Stiffness[];
  /** Springs along lines, as stiff as they are given whatever cracks. */
  readonly lines: readonly Stiffness[];
  readonly triangles: readonly StrainedTriangle[];
  readonly isBending: Uint8Array;
  readonly plan: EliminationPlan;
}

const nodesOf = ({ triangles }: PlateMesh, e: number) => triangles.subarray(3 * e, 3 * e + 3);

/** Prepares a plate; how much its triangles shear beside bending is that of the rigidity given here. */
export function plateStructure(mesh: PlateMesh, rigidity: (triangle: number) => Rigidity, supports: PlateSupports): PlateStructure {
  const count = mesh.triangles.length / 3;
  const heads = new Heads(mesh, supports);
  const nothing = new Float64Array((3 * PER_NODE) ** 2);
  const plain = Array.from({ length: count }, (_, e) => ({ nodes: nodesOf(mesh, e), matrix: nothing }));
  const columns = supports.heads.map(({ turning }, k) => turningSpring(mesh.at.length / 2 + k, turning));
  const ribs = supports.ribs ?? [];
  const lines = (supports.lines ?? []).flatMap((e) => heads.tied(e));
  const all = [...[...plain, ...supports.springs, ...ribs].flatMap((e) => heads.tied(e)), ...lines, ...columns];
  return {
    mesh,
    heads,
    springs: supports.springs,
    columns,
    ribs,
    lines,
    triangles: plain.map((_, e) => strainedTriangle(cornersOf(mesh, e), rigidity(e))),
    isBending: Uint8Array.from(plain, ({ nodes }) => (heads.isStiff(nodes) ? 0 : 1)),
    plan: planOf(heads.at, all),
  };
}

function turningSpring(node: number, turning: readonly [number, number]): Stiffness {
  const matrix = new Float64Array(PER_NODE ** 2);
  [matrix[4], matrix[8]] = turning;
  return { nodes: Int32Array.of(node), matrix };
}

/** The same plate on columns and beams that have a share of their stiffness left. */
export function onSofterMembers(structure: PlateStructure, share: number): PlateStructure {
  const softer = (parts: readonly Stiffness[]) => parts.map((c) => ({ ...c, matrix: c.matrix.map((v) => share * v) }));
  return { ...structure, columns: softer(structure.columns), ribs: softer(structure.ribs) };
}

/** Assembles and factors a plate on its supports. Throws CalcError where it can move without resistance. */
export function plateModel(mesh: PlateMesh, rigidity: (triangle: number) => Rigidity, supports: PlateSupports): PlateModel {
  return modelWith(plateStructure(mesh, rigidity, supports), rigidity);
}

/** A prepared plate with stiffnesses of its own. Throws CalcError where it can move without resistance. */
export function modelWith(structure: PlateStructure, rigidity: (triangle: number) => Rigidity): PlateModel {
  const { mesh, heads, springs, columns, ribs, lines, triangles, isBending, plan } = structure;
  const room = new Float64Array(TRIANGLE_SIZE * triangles.length);
  const plate = triangles.map((triangle, e) =>
    triangleStiffness(nodesOf(mesh, e), triangle, rigidity(e), room.subarray(TRIANGLE_SIZE * e, TRIANGLE_SIZE * (e + 1))),
  );
  // Worked out once, when first asked for: every load is then a product.
  let known: readonly Float64Array[] | undefined;
  const responses = () => (known ??= triangles.map((triangle, e) => triangleMoments(triangle, rigidity(e))));
  const all = [...[...plate, ...springs, ...ribs].flatMap((e) => heads.tied(e)), ...lines, ...columns];
  const factor = factorise(plan, all, heads.isHeld);
  if (!factor) throw new CalcError('supports', 'the slab can move or turn without resistance: it needs more supports.');
  return {
    mesh,
    rigidity,
    factor,
    structure,
    unknowns: heads.isHeld.length,
    bends: (e) => isBending[e] === 1,
    solve: (given, movement) => {
      const loads = heads.gathered(given);
      const settled = movement && Float64Array.from(heads.isHeld, (held, i) => (held ? movement[i]! : 0));
      const moved = factor.solve(settled ? minus(loads, resisting(all, settled)) : loads);
      settled?.forEach((v, i) => heads.isHeld[i] && (moved[i] = v));
      const held = reactionsOf(structure, loads, resisting(all, moved), moved);
      heads.spread(moved);
      return { moved, held };
    },
    moments: (state) =>
      nodeMoments(mesh, isBending, (e, nine, moments) => {
        movedOf(mesh, e, state.moved, nine);
        for (let row = 0; row < 9; row += 1) moments[row] = rowTimes(responses()[e]!, row, nine);
      }),
  };
}

/** What holds a plate at each unknown: what is held gives what resistance leaves of the loads, lines and columns the forces of their springs (a column's as the moments on it). */
export function reactionsOf({ heads, columns, lines }: PlateStructure, loads: Float64Array, resistance: Float64Array, moved: Float64Array) {
  const [onColumns, ofLines] = [resisting(columns, moved), resisting(lines, moved)];
  return resistance.map((force, i) => (heads.isHeld[i] ? loads[i]! - force : ofLines[i]! - onColumns[i]!));
}

/** Forces of springs, columns and beams on the unknowns, those of heads taken to their middles. */
export const springForces = ({ heads, springs, columns, ribs, lines }: PlateStructure, moved: Float64Array): Float64Array =>
  resisting([...[...springs, ...ribs].flatMap((s) => heads.tied(s)), ...lines, ...columns], moved);

const cornersOf = ({ at, triangles }: PlateMesh, e: number): Corners => {
  const [a, b, c] = [2 * triangles[3 * e]!, 2 * triangles[3 * e + 1]!, 2 * triangles[3 * e + 2]!];
  return [at[a]!, at[a + 1]!, at[b]!, at[b + 1]!, at[c]!, at[c + 1]!];
};

/** Movements of the corners of a triangle, in an array that is used again. */
export function movedOf({ triangles }: PlateMesh, e: number, moved: Float64Array, nine: Float64Array): Float64Array {
  for (let k = 0; k < 3; k += 1) {
    const node = triangles[3 * e + k]!;
    for (let d = 0; d < PER_NODE; d += 1) nine[PER_NODE * k + d] = moved[PER_NODE * node + d]!;
  }
  return nine;
}

const minus = (a: Float64Array, b: Float64Array) => a.map((v, i) => v - b[i]!);

/** The forces with which all parts resist displacements. */
export function resisting(elements: readonly Stiffness[], moved: Float64Array): Float64Array {
  const forces = new Float64Array(moved.length);
  for (const { nodes, matrix } of elements) {
    const n = PER_NODE * nodes.length;
    for (let a = 0; a < n; a += 1) {
      const row = PER_NODE * nodes[(a / PER_NODE) | 0]! + (a % PER_NODE);
      for (let b = 0; b < n; b += 1) forces[row]! += matrix[a * n + b]! * moved[PER_NODE * nodes[(b / PER_NODE) | 0]! + (b % PER_NODE)]!;
    }
  }
  return forces;
}

/** `momentsOf` writes the nine moments of a triangle, with nine numbers of room for what it needs. */
function nodeMoments(
  mesh: PlateMesh,
  isBending: Uint8Array,
  momentsOf: (e: number, nine: Float64Array, moments: Float64Array) => void,
): NodeMoments {
  const [nine, moments] = [new Float64Array(9), new Float64Array(9)];
  const sums = new Float64Array((3 * mesh.at.length) / 2);
  const weights = new Float64Array(mesh.at.length / 2);
  isBending.forEach((bends, e) => {
    if (!bends) return;
    const at = cornersOf(mesh, e);
    momentsOf(e, nine, moments);
    for (let k = 0; k < 3; k += 1) {
      const node = mesh.triangles[3 * e + k]!;
      const angle = angleAt(at, k);
      weights[node]! += angle;
      for (let m = 0; m < 3; m += 1) sums[3 * node + m]! += angle * moments[3 * k + m]!;
    }
  });
  return sums.map((sum, i) => (sum === 0 ? 0 : sum / weights[(i / 3) | 0]!));
}

/**
 * Shear forces per length (N/mm) of each triangle, vx and vy: the slope of its moments, vx = mx,x + mxy,y and vy = my,y + mxy,x, which is their equilibrium.
 * The shear strains of the triangles themselves are less exact by some per cent.
 */
export function shearsOf({ mesh }: Pick<PlateModel, 'mesh'>, moments: NodeMoments): Float64Array {
  const count = mesh.triangles.length / 3;
  const shears = new Float64Array(2 * count);
  for (let e = 0; e < count; e += 1) {
    const [x1, y1, x2, y2, x3, y3] = cornersOf(mesh, e);
    const double = (x2 - x1) * (y3 - y1) - (x3 - x1) * (y2 - y1);
    const [gx, gy] = [
      [y2 - y3, y3 - y1, y1 - y2],
      [x3 - x2, x1 - x3, x2 - x1],
    ] as const;
    for (let k = 0; k < 3; k += 1) {
      const n = 3 * mesh.triangles[3 * e + k]!;
      const [mx, my, mxy] = [moments[n]!, moments[n + 1]!, moments[n + 2]!];
      shears[2 * e]! += (gx[k]! * mx + gy[k]! * mxy) / double;
      shears[2 * e + 1]! += (gy[k]! * my + gx[k]! * mxy) / double;
    }
  }
  return shears;
}

function angleAt(at: Corners, k: number): number {
  const [next, last] = [(k + 1) % 3, (k + 2) % 3];
  const [ax, ay] = [at[2 * next]! - at[2 * k]!, at[2 * next + 1]! - at[2 * k + 1]!];
  const [bx, by] = [at[2 * last]! - at[2 * k]!, at[2 * last + 1]! - at[2 * k + 1]!];
  return Math.atan2(ax * by - ay * bx, ax * bx + ay * by);
}
