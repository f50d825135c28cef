import type { Combination } from '../../analysis/combination';
import { ownLengths } from '../../analysis/plates/line-springs';
import { PER_NODE } from '../../analysis/plates/multifrontal';
import { ribLine } from '../../analysis/plates/ribs';
import type { Point } from '../../geometry/polygon';
import { lineSupports, type PartAnswer, type PlateAnswer } from './analysis';
import { extremesOf, summed, wholeOf } from './envelope';
import { edgePath } from './geometry';
import type { PlateInput } from './input';
import type { LineReaction } from './result';

/** A held line with the nodes on it. */
interface Run {
  readonly title: string;
  readonly nodes: readonly RunNode[];
}

interface RunNode {
  readonly node: number;
  readonly at: Point;
  /** From the beginning of the line (mm), and the part of it that is the node's. */
  readonly s: number;
  readonly length: number;
  /** Direction of the line there. */
  readonly along: Point;
}

/** The lines that hold a slab, by the edge or the wall that each is. */
function runsOf(plate: PlateInput, { mesh }: PlateAnswer['model']): Run[] {
  const supports = lineSupports(plate);
  let next = 0;
  const take = (title: string, count: number): Run => {
    const pieces = supports.slice(next, next + count).map((s) => s.piece);
    next += count;
    const found = new Map<number, RunNode>();
    let start = 0;
    for (const piece of pieces) {
      const line = ribLine(mesh, { piece, bending: 0 });
      const lengths = ownLengths(mesh, line);
      const { nodes, at, along } = line;
      nodes.forEach((node, i) => {
        const own = lengths[i]!;
        const before = found.get(node);
        const place: Point = [mesh.at[2 * node]!, mesh.at[2 * node + 1]!];
        found.set(node, before ? { ...before, length: before.length + own } : { node, at: place, s: start + at[i]!, length: own, along });
      });
      start += Math.hypot(piece[1][0] - piece[0][0], piece[1][1] - piece[0][1]);
    }
    return { title, nodes: [...found.values()].filter((n) => n.length > 0) };
  };
  const edges = plate.outline.flatMap(({ edge }, i) => (edge === 'free' ? [] : [take(`edge ${i + 1}`, edgePath(plate, i).length - 1)]));
  return [...edges, ...plate.walls.map((_, i) => take(`wall ${i + 1}`, 1))].filter((run) => run.nodes.length > 1);
}

/**
 * What presses on every line that holds the slab: forces of its nodes over the lengths that are theirs (a node where lines meet is shared by its lengths on
 * them), as means over the width over which moments are means; its resultant under all loads of a combination, case by case, and the largest and the least
 * that any arrangement of the ultimate loads brings anywhere on it.
 */
export function lineReactions(
  plate: PlateInput,
  answer: PlateAnswer,
  ultimate: readonly Combination[],
  heaviest: Combination,
): LineReaction[] {
  const runs = runsOf(plate, answer.model);
  const owned = new Map<number, number>();
  for (const { nodes } of runs) for (const { node, length } of nodes) owned.set(node, (owned.get(node) ?? 0) + length);
  return runs.map(({ title, nodes }) => {
    const share = (n: RunNode) => n.length / owned.get(n.node)!;
    const forces = (part: PartAnswer) => Float64Array.from(nodes, (n) => share(n) * part.state.held[PER_NODE * n.node]!);
    const moments = (part: PartAnswer) =>
      Float64Array.from(nodes, (n) => {
        const [c, s] = n.along;
        return (share(n) * (c * part.state.held[PER_NODE * n.node + 2]! - s * part.state.held[PER_NODE * n.node + 1]!)) / n.length;
      });
    const means = remembered((part: PartAnswer) => meansAlong(nodes, forces(part), answer.spread));
    const whole = wholeOf(answer.parts, heaviest);
    const total = (part: PartAnswer) => forces(part).reduce((a, b) => a + b, 0);
    const about = (part: PartAnswer) => forces(part).reduce((sum, f, i) => sum + f * nodes[i]!.s, 0);
    const resultant = summed(whole, total);
    const [turned, back] = ([1, -1] as const).map((sense) => extremesOf(answer.parts, ultimate, sense, remembered(moments)).values);
    return {
      title,
      places: nodes.map((n) => n.at),
      perLength: nodes.map((_, i) => summed(whole, (part) => means(part)[i]!)),
      most: largest(extremesOf(answer.parts, ultimate, 1, means).values),
      least: -largest(extremesOf(answer.parts, ultimate, -1, means).values.map((v) => -v)),
      turning: Math.max(largest(turned!), largest(back!.map((v) => -v))),
      resultant,
      centre: resultant === 0 ? 0 : summed(whole, about) / resultant,
      cases: casesOf(answer.parts, total),
    };
  });
}

const largest = (values: Float64Array): number => values.reduce((a, b) => Math.max(a, b), -Infinity);

/** The same for each part, worked out once. */
function remembered(field: (part: PartAnswer) => Float64Array): (part: PartAnswer) => Float64Array {
  const known = new Map<PartAnswer, Float64Array>();
  return (part) => {
    if (!known.has(part)) known.set(part, field(part));
    return known.get(part)!;
  };
}

/** The resultant of each case with all of its parts on (N). */
function casesOf(parts: readonly PartAnswer[], total: (part: PartAnswer) => number): LineReaction['cases'] {
  const sums = new Map<string, number>();
  for (const part of parts) sums.set(part.caseId, (sums.get(part.caseId) ?? 0) + total(part));
  return [...sums].map(([caseId, force]) => ({ caseId, force }));
}

/** Force per length at each node as the mean over a width about it, as far as that lies on the line; each node's force is even over its own length. */
function meansAlong(nodes: readonly RunNode[], forces: Float64Array, width: number): Float64Array {
  // Own lengths in a row; where the slab is not, there is no length.
  const edges = [0];
  const sums = [0];
  nodes.forEach(({ length }, i) => {
    edges.push(edges[i]! + length);
    sums.push(sums[i]! + forces[i]!);
  });
  const end = edges.at(-1)!;
  const upTo = (x: number): number => {
    const i = Math.max(0, edges.findIndex((e) => e >= x) - 1);
    return sums[i]! + ((x - edges[i]!) / (edges[i + 1]! - edges[i]!)) * forces[i]!;
  };
  return Float64Array.from(nodes, ({ length }, i) => {
    const middle = edges[i]! + length / 2;
    const half = Math.max(width, length) / 2;
    const [a, b] = [Math.max(0, middle - half), Math.min(end, middle + half)];
    return (upTo(b) - upTo(a)) / (b - a);
  });
}
