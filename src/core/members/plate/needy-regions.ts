import type { PlateMesh } from '../../analysis/plates/mesh';
import { arcAround, arcAroundBoth, arcsMeet, WHOLE } from '../../geometry/arcs';
import type { BarAxes } from './bar-axes';
import type { Span } from './geometry';
import type { OnPlate } from './zones';

/** A part by the directions of the bars around nodes that hang together. */
export interface Box extends Span {
  readonly nodes: readonly number[];
}

/** What goes round but for less than this (rad) goes all round, unless another gap is said. */
const GAP = Math.PI / 6;

/** Boxes around the nodes that are asked for, those that hang together or whose boxes meet in one; each reaches out to the neighbours that are not. */
export function regionsAbove({ mesh }: Pick<OnPlate, 'mesh'>, axes: BarAxes, isWanted: (node: number) => boolean, gap = GAP): Box[] {
  const beside = neighboursOf(mesh);
  const seen = new Uint8Array(beside.length);
  const boxes: Box[] = [];
  for (let n = 0; n < beside.length; n += 1) {
    if (seen[n] || !isWanted(n)) continue;
    const found = [n];
    seen[n] = 1;
    for (let i = 0; i < found.length; i += 1)
      for (const other of beside[found[i]!]!)
        if (!seen[other] && isWanted(other)) {
          seen[other] = 1;
          found.push(other);
        }
    boxes.push(boxAround(mesh, found, beside, axes, gap));
  }
  return joined(boxes, axes, gap);
}

const known = new WeakMap<PlateMesh, Set<number>[]>();

/** Nodes that a side ties to each node; worked out once for a mesh. */
function neighboursOf(mesh: PlateMesh): Set<number>[] {
  const found = known.get(mesh);
  if (found) return found;
  const { at, triangles } = mesh;
  const beside = Array.from({ length: at.length / 2 }, () => new Set<number>());
  for (let i = 0; i < triangles.length; i += 1) {
    const [a, b] = [triangles[i]!, triangles[i % 3 === 2 ? i - 2 : i + 1]!];
    beside[a]!.add(b);
    beside[b]!.add(a);
  }
  known.set(mesh, beside);
  return beside;
}

/** Halfway to the neighbours that are not wanted the need may still be there, so the box goes on to them. */
function boxAround({ at }: PlateMesh, nodes: readonly number[], beside: readonly Set<number>[], axes: BarAxes, gap: number): Box {
  const placeOf = (n: number) => axes.placeOf([at[2 * n]!, at[2 * n + 1]!]);
  const places = [...new Set(nodes.flatMap((n) => [n, ...beside[n]!]))].map(placeOf);
  const range = (k: 0 | 1): [number, number] => [
    places.reduce((a, p) => Math.min(a, p[k]), Infinity),
    places.reduce((a, p) => Math.max(a, p[k]), -Infinity),
  ];
  const x = range(0);
  const { ring } = axes;
  if (!ring) return { x, y: range(1), nodes };
  // Within the mesh at the middle bars lie from side to side.
  if (nodes.some((n) => placeOf(n)[0] < ring.inner)) return { x: [0, x[1]], y: WHOLE, nodes };
  return {
    x,
    y: arcAround(
      places.map((p) => p[1]),
      gap,
    ),
    nodes,
  };
}

function joined(boxes: readonly Box[], axes: BarAxes, gap: number): Box[] {
  const done: Box[] = [];
  for (const box of boxes) {
    let own = box;
    for (let i = 0; i < done.length;) {
      if (!meet(done[i]!, own, axes)) {
        i += 1;
        continue;
      }
      own = around(own, done.splice(i, 1)[0]!, axes, gap);
      i = 0;
    }
    done.push(own);
  }
  return done;
}

const overlap = (a: Span['x'], b: Span['x']): boolean => a[0] < b[1] && b[0] < a[1];
const both = (a: Span['x'], b: Span['x']): Span['x'] => [Math.min(a[0], b[0]), Math.max(a[1], b[1])];

const meet = (a: Box, b: Box, { ring }: BarAxes): boolean => overlap(a.x, b.x) && (ring ? arcsMeet(a.y, b.y) : overlap(a.y, b.y));

const around = (a: Box, b: Box, { ring }: BarAxes, gap: number): Box => ({
  x: both(a.x, b.x),
  y: ring ? arcAroundBoth(a.y, b.y, gap) : both(a.y, b.y),
  nodes: [...a.nodes, ...b.nodes],
});
