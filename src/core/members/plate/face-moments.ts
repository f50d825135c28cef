import { cornersAt, valueAt, type Locate } from '../../analysis/plates/locate';
import type { PlateMesh } from '../../analysis/plates/mesh';
import { PER_NODE } from '../../analysis/plates/multifrontal';
import type { PlateModel, PlateState } from '../../analysis/plates/plate-model';
import { strainedTriangle, triangleStiffness, type Corners } from '../../analysis/plates/triangle';
import type { Point } from '../../geometry/polygon';
import { columnSides } from './geometry';
import type { Along, PlateColumn } from './input';

/** A face of a rectangular column: its nodes, and the triangles beyond it with what their corners resist. */
export interface ColumnFace {
  readonly along: Along;
  /** 1 where the slab beyond it lies at larger x or y. */
  readonly side: 1 | -1;
  readonly nodes: readonly number[];
  readonly length: number;
  readonly places: readonly (readonly [x: number, y: number])[];
  /** Its ends: the node there, and places beside the column, each standing for a length, as far as the triangles around that node reach. */
  readonly ends: readonly { readonly node: number; readonly places: readonly Point[]; readonly each: number }[];
  readonly beyond: readonly { readonly triangle: number; readonly matrix: Float64Array; readonly corners: readonly number[] }[];
}

/** Places along a face at which the field is read for its sum. */
const PLACES = 25;
/** Places beside each end of it. */
const BESIDE = 24;
const ON = 0.5;

/**
 * The faces of rectangular columns. The moment that comes through a face is known exactly from what the triangles beyond it do to its nodes; moments read
 * from the triangles miss part of it, for at the corners of a stiff head they have no limit.
 */
export function facesOf({ mesh, bends, rigidity }: PlateModel, columns: readonly PlateColumn[]): ColumnFace[] {
  const stiffness = new Map<number, Float64Array>();
  const matrixOf = (e: number) => {
    let known = stiffness.get(e);
    if (!known) {
      const at = cornersAt(mesh, e).flat() as unknown as Corners;
      known = triangleStiffness(new Int32Array(3), strainedTriangle(at, rigidity(e)), rigidity(e)).matrix;
      stiffness.set(e, known);
    }
    return known;
  };
  return columns.flatMap((column) =>
    column.shape.kind === 'circle'
      ? []
      : (['x', 'y'] as const).flatMap((along) => ([1, -1] as const).map((side) => faceOf(mesh, bends, matrixOf, column, along, side))),
  );
}

function faceOf(
  mesh: PlateMesh,
  bends: (triangle: number) => boolean,
  matrixOf: (triangle: number) => Float64Array,
  column: PlateColumn,
  along: Along,
  side: 1 | -1,
): ColumnFace {
  const half = { x: columnSides(column).x / 2, y: columnSides(column).y / 2 };
  const across = along === 'x' ? 'y' : 'x';
  const [u, v] = along === 'x' ? [0, 1] : [1, 0];
  const face = column[along] + side * half[along];
  const isInHead = (n: number) =>
    Math.abs(mesh.at[2 * n]! - column.x) < half.x + ON && Math.abs(mesh.at[2 * n + 1]! - column.y) < half.y + ON;
  const nodes: number[] = [];
  for (let n = 0; n < mesh.at.length / 2; n += 1) if (isInHead(n) && Math.abs(mesh.at[2 * n + u]! - face) < ON) nodes.push(n);
  const beyond: { triangle: number; matrix: Float64Array; corners: number[] }[] = [];
  for (let e = 0; e < mesh.triangles.length / 3; e += 1) {
    if (!bends(e)) continue;
    const corners = [0, 1, 2].filter((k) => isInHead(mesh.triangles[3 * e + k]!));
    if (corners.length === 0) continue;
    const middle = cornersAt(mesh, e).reduce((sum, p) => sum + p[u]! / 3, 0);
    if (side * (middle - face) > 0) beyond.push({ triangle: e, matrix: matrixOf(e), corners });
  }
  const places = Array.from({ length: PLACES }, (_, k): [number, number] => {
    const at: [number, number] = [0, 0];
    at[u] = face + side;
    at[v] = column[across] + ((k + 0.5) / PLACES - 0.5) * 2 * half[across];
    return at;
  });
  const ends = ([-1, 1] as const).flatMap((way) => {
    const corner = column[across] + way * half[across];
    const node = nodes.find((n) => Math.abs(mesh.at[2 * n + v]! - corner) < ON);
    if (node === undefined) return [];
    const each = reachOf(mesh, node) / BESIDE;
    const beside = Array.from({ length: BESIDE }, (_, k): Point => {
      const at: [number, number] = [0, 0];
      at[u] = face + side;
      at[v] = corner + way * (k + 0.5) * each;
      return at;
    });
    return [{ node, places: beside, each }];
  });
  return { along, side, nodes, length: 2 * half[across], places, ends, beyond };
}

/** The longest side of the triangles around a node (mm). */
function reachOf({ at, triangles }: PlateMesh, node: number): number {
  let most = 0;
  for (let i = 0; i < triangles.length; i += 3) {
    if (triangles[i] !== node && triangles[i + 1] !== node && triangles[i + 2] !== node) continue;
    for (const n of triangles.subarray(i, i + 3))
      most = Math.max(most, Math.hypot(at[2 * n]! - at[2 * node]!, at[2 * n + 1]! - at[2 * node + 1]!));
  }
  return most;
}

/**
 * What comes through a face beyond what the field of moments has there (N mm): the moments that triangles do to its nodes, by their equilibrium
 * [m db] of the virtual work at that side of them, less the sum of the field along it and less what the nodes at its ends take of the field beside the column.
 */
export function missedAt(face: ColumnFace, { mesh, bends }: PlateModel, locate: Locate, state: PlateState, moments: Float64Array): number {
  const component = face.along === 'x' ? 1 : 2;
  let through = 0;
  for (const { triangle, matrix, corners } of face.beyond)
    for (const k of corners)
      for (let j = 0; j < 9; j += 1) {
        const node = mesh.triangles[3 * triangle + Math.floor(j / PER_NODE)]!;
        through += matrix[(PER_NODE * k + component) * 9 + j]! * state.moved[PER_NODE * node + (j % PER_NODE)]!;
      }
  let read = 0;
  for (const place of face.places) {
    const found = locate(place, bends);
    if (found) read += (valueAt(mesh, found, moments, 3, face.along === 'x' ? 0 : 1) * face.length) / PLACES;
  }
  for (const { node, places, each } of face.ends)
    for (const place of places) {
      const found = locate(place, bends);
      const k = found ? [0, 1, 2].findIndex((i) => mesh.triangles[3 * found.triangle + i] === node) : -1;
      if (found && k >= 0) read += found.shares[k]! * valueAt(mesh, found, moments, 3, face.along === 'x' ? 0 : 1) * each;
    }
  return -face.side * through - read;
}
