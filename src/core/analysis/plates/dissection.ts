/** Which nodes stand in one equation with which: those of node i are list[start[i]] to list[start[i + 1] - 1]. */
export interface Neighbours {
  readonly start: Int32Array;
  readonly list: Int32Array;
}

/** Nodes that are eliminated together, after those of all children; `beyond` are the later ones that they are tied to, by themselves or through their children. */
export interface EliminationStep {
  readonly own: Int32Array;
  readonly beyond: Int32Array;
  readonly children: readonly number[];
}

/** So few nodes are taken as one: cutting them further would save no work. */
const LEAF = 12;

/** The neighbours of each node of elements given by their nodes. */
export function neighboursOf(count: number, elements: readonly Int32Array[]): Neighbours {
  const sets = Array.from({ length: count }, () => new Set<number>());
  for (const nodes of elements) for (const a of nodes) for (const b of nodes) if (a !== b) sets[a]!.add(b);
  const start = new Int32Array(count + 1);
  sets.forEach((s, i) => (start[i + 1] = start[i]! + s.size));
  const list = new Int32Array(start[count]!);
  sets.forEach((s, i) => list.set([...s], start[i]!));
  return { start, list };
}

/**
 * An order of elimination with little fill (nested dissection): the nodes are halved by where they lie, the ones along the cut come last, and each half
 * is cut again. Children stand before their parents. `at` holds x and y of each node.
 */
export function dissect(neighbours: Neighbours, at: Float64Array): EliminationStep[] {
  const count = neighbours.start.length - 1;
  const steps: { own: Int32Array; children: number[] }[] = [];
  const part = new Int32Array(count).fill(-1);
  let parts = 0;
  const cut = (nodes: Int32Array): number => {
    const low = nodes.length > LEAF ? inLowerHalf(nodes, at) : [];
    if (!low.includes(true)) return steps.push({ own: nodes, children: [] }) - 1;
    const [lower, upper] = [(parts += 1), (parts += 1)];
    nodes.forEach((node, i) => (part[node] = low[i] ? lower : upper));
    const touches = (node: number, other: number) => {
      for (let k = neighbours.start[node]!; k < neighbours.start[node + 1]!; k += 1) if (part[neighbours.list[k]!] === other) return true;
      return false;
    };
    const below = nodes.filter((node) => part[node] === lower && touches(node, upper));
    const above = nodes.filter((node) => part[node] === upper && touches(node, lower));
    const own = below.length <= above.length ? below : above;
    for (const node of own) part[node] = -1;
    const rest = [lower, upper].map((k) => nodes.filter((node) => part[node] === k)).filter((half) => half.length > 0);
    const children = rest.map(cut);
    return steps.push({ own, children }) - 1;
  };
  cut(Int32Array.from({ length: count }, (_, i) => i));
  return withBeyond(steps, neighbours);
}

/** Which of the nodes lie in the lower half, along the direction in which they reach furthest. */
function inLowerHalf(nodes: Int32Array, at: Float64Array): boolean[] {
  const reach = [0, 1].map((k) => {
    let [least, most] = [Infinity, -Infinity];
    for (const node of nodes) {
      least = Math.min(least, at[2 * node + k]!);
      most = Math.max(most, at[2 * node + k]!);
    }
    return most - least;
  });
  const along = reach[0]! >= reach[1]! ? 0 : 1;
  // Nodes at one place along it are told apart by where they lie across, so that halves are halves on a regular grid too.
  const place = Float64Array.from(nodes, (node) => at[2 * node + along]! + 1e-6 * at[2 * node + 1 - along]!);
  const middle = Float64Array.from(place).sort()[nodes.length >> 1]!;
  return Array.from(place, (v) => v < middle);
}

function withBeyond(steps: readonly { own: Int32Array; children: number[] }[], neighbours: Neighbours): EliminationStep[] {
  const rank = new Int32Array(neighbours.start.length - 1);
  let next = 0;
  for (const { own } of steps) for (const node of own) rank[node] = next++;
  const seen = new Int32Array(rank.length).fill(-1);
  const done: EliminationStep[] = [];
  steps.forEach(({ own, children }, t) => {
    const beyond: number[] = [];
    for (const node of own) seen[node] = t;
    const reach = (node: number) => {
      if (seen[node] === t) return;
      seen[node] = t;
      beyond.push(node);
    };
    const last = own.length > 0 ? rank[own[own.length - 1]!]! : -1;
    for (const node of own)
      for (let k = neighbours.start[node]!; k < neighbours.start[node + 1]!; k += 1)
        if (rank[neighbours.list[k]!]! > last) reach(neighbours.list[k]!);
    for (const child of children) done[child]!.beyond.forEach(reach);
    done.push({ own, children, beyond: Int32Array.from(beyond.sort((a, b) => rank[a]! - rank[b]!)) });
  });
  return done;
}
