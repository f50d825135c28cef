import type { PlateMesh } from '../../analysis/plates/mesh';
import type { OnPlate } from './zones';

/** A box around nodes that hang together (mm). */
export interface Box {
  readonly x: readonly [number, number];
  readonly y: readonly [number, number];
  readonly nodes: readonly number[];
}

/** Boxes around the nodes that are asked for, those that hang together or whose boxes meet in one; each reaches out to the neighbours that are not. */
export function regionsAbove({ mesh }: Pick<OnPlate, 'mesh'>, isWanted: (node: number) => boolean): Box[] {
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
    boxes.push(boxAround(mesh, found, beside));
  }
  return joined(boxes);
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
function boxAround({ at }: PlateMesh, nodes: readonly number[], beside: readonly Set<number>[]): Box {
  let [left, right, bottom, top] = [Infinity, -Infinity, Infinity, -Infinity];
  for (const n of nodes)
    for (const m of [n, ...beside[n]!]) {
      [left, right] = [Math.min(left, at[2 * m]!), Math.max(right, at[2 * m]!)];
      [bottom, top] = [Math.min(bottom, at[2 * m + 1]!), Math.max(top, at[2 * m + 1]!)];
    }
  return { x: [left, right], y: [bottom, top], nodes };
}

function joined(boxes: readonly Box[]): Box[] {
  const done: Box[] = [];
  for (const box of boxes) {
    let own = box;
    for (let i = 0; i < done.length;) {
      if (!meet(done[i]!, own)) {
        i += 1;
        continue;
      }
      own = around(own, done.splice(i, 1)[0]!);
      i = 0;
    }
    done.push(own);
  }
  return done;
}

const meet = (a: Box, b: Box): boolean => a.x[0] < b.x[1] && b.x[0] < a.x[1] && a.y[0] < b.y[1] && b.y[0] < a.y[1];

const around = (a: Box, b: Box): Box => ({
  x: [Math.min(a.x[0], b.x[0]), Math.max(a.x[1], b.x[1])],
  y: [Math.min(a.y[0], b.y[0]), Math.max(a.y[1], b.y[1])],
  nodes: [...a.nodes, ...b.nodes],
});
