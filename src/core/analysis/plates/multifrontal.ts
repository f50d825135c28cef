import { dissect, neighboursOf, type EliminationStep } from './dissection';

/** Unknowns of a node: deflection and two rotations. */
export const PER_NODE = 3;

/** A part of the structure that ties nodes together: its stiffness, row by row, by the unknowns of its nodes in their order. */
export interface Stiffness {
  readonly nodes: Int32Array;
  readonly matrix: Float64Array;
}

/** What is kept of a step: `rows` are its own unknowns and those beyond, `lower` the factor row by row, `pivots` its diagonal. */
interface Front {
  readonly rows: Int32Array;
  readonly lower: Float64Array;
  readonly pivots: Float64Array;
}

/** A stiffness matrix in factors, kept for as many loads as there are. */
export interface Factor {
  /** Displacements by the loads of all unknowns; nothing where an unknown is held. */
  readonly solve: (loads: Float64Array) => Float64Array;
  /** Numbers that the factor holds. */
  readonly size: number;
}

/** Of a diagonal this much is lost to rounding alone: what is left of it is nothing. */
const NOTHING = 1e-11;

/** The order in which unknowns are eliminated, and the elements that come in with each step: the same for all stiffnesses of the same parts. */
export interface EliminationPlan {
  readonly count: number;
  readonly steps: readonly EliminationStep[];
  readonly startingAt: readonly (readonly number[])[];
}

/** A nested dissection of nodes at places (x, y) that parts tie together. */
export function planOf(at: Float64Array, parts: readonly Pick<Stiffness, 'nodes'>[]): EliminationPlan {
  const count = at.length / 2;
  const steps = dissect(
    neighboursOf(
      count,
      parts.map((e) => e.nodes),
    ),
    at,
  );
  return { count, steps, startingAt: elementsByStep(count, steps, parts) };
}

/**
 * Factors L D Lt of the stiffness of elements, front by front along a nested dissection (multifrontal). `isHeld` marks unknowns that do not move.
 * Undefined where the structure, or a part of it, can move without resistance.
 */
export function factorise(
  { count, steps, startingAt }: EliminationPlan,
  elements: readonly Stiffness[],
  isHeld: Uint8Array,
): Factor | undefined {
  const place = new Int32Array(PER_NODE * count).fill(-1);
  const fronts: Front[] = [];
  const passed: (Passed | undefined)[] = [];
  for (let t = 0; t < steps.length; t += 1) {
    const { own, beyond, children } = steps[t]!;
    const mine = unknownsOf(own, isHeld);
    const rows = concat(mine, unknownsOf(beyond, isHeld));
    rows.forEach((unknown, i) => (place[unknown] = i));
    const matrix = new Float64Array(rows.length ** 2);
    for (const e of startingAt[t]!) addElement(matrix, rows.length, elements[e]!, place, isHeld);
    for (const child of children) {
      addPassed(matrix, rows.length, passed[child]!, place);
      passed[child] = undefined;
    }
    const front = eliminate(matrix, rows, mine.length);
    if (!front) return undefined;
    fronts.push(front.kept);
    passed.push(front.passed);
  }
  return { solve: (loads) => solve(fronts, loads, isHeld), size: fronts.reduce((sum, f) => sum + f.lower.length, 0) };
}

const unknownsOf = (nodes: Int32Array, isHeld: Uint8Array) => {
  const all: number[] = [];
  for (const node of nodes) for (let k = 0; k < PER_NODE; k += 1) if (!isHeld[PER_NODE * node + k]) all.push(PER_NODE * node + k);
  return Int32Array.from(all);
};

function concat(a: Int32Array, b: Int32Array): Int32Array {
  const both = new Int32Array(a.length + b.length);
  both.set(a);
  both.set(b, a.length);
  return both;
}

/** The elements by the step in which the first of their nodes is eliminated. */
function elementsByStep(count: number, steps: readonly EliminationStep[], elements: readonly Pick<Stiffness, 'nodes'>[]): number[][] {
  const stepOf = new Int32Array(count);
  steps.forEach(({ own }, t) => own.forEach((node) => (stepOf[node] = t)));
  const lists: number[][] = steps.map(() => []);
  elements.forEach(({ nodes }, e) => lists[nodes.reduce((first, node) => Math.min(first, stepOf[node]!), Infinity)]!.push(e));
  return lists;
}

function addElement(matrix: Float64Array, size: number, { nodes, matrix: k }: Stiffness, place: Int32Array, isHeld: Uint8Array): void {
  const n = PER_NODE * nodes.length;
  for (let a = 0; a < n; a += 1) {
    const row = PER_NODE * nodes[(a / PER_NODE) | 0]! + (a % PER_NODE);
    if (isHeld[row]) continue;
    for (let b = 0; b < n; b += 1) {
      const column = PER_NODE * nodes[(b / PER_NODE) | 0]! + (b % PER_NODE);
      if (!isHeld[column] && place[row]! >= place[column]!) matrix[place[row]! * size + place[column]!]! += k[a * n + b]!;
    }
  }
}

/** What a step hands on: the stiffness that is left between the unknowns beyond its own (lower triangle, row by row), where it stands in its front. */
interface Passed {
  readonly rows: Int32Array;
  readonly own: number;
  readonly matrix: Float64Array;
}

function addPassed(matrix: Float64Array, size: number, { rows, own, matrix: from }: Passed, place: Int32Array): void {
  const n = rows.length;
  for (let a = own; a < n; a += 1) {
    const row = place[rows[a]!]!;
    for (let b = own; b <= a; b += 1) {
      const column = place[rows[b]!]!;
      matrix[row >= column ? row * size + column : column * size + row]! += from[a * n + b]!;
    }
  }
}

/** Eliminates the first `own` unknowns of a front; undefined without stiffness. */
function eliminate(matrix: Float64Array, rows: Int32Array, own: number): { kept: Front; passed: Passed } | undefined {
  const size = rows.length;
  const lower = new Float64Array(size * own);
  const pivots = new Float64Array(own);
  for (let i = 0; i < own; i += 1) {
    const row = i * own;
    for (let j = 0; j < i; j += 1) {
      let sum = matrix[i * size + j]!;
      for (let k = 0; k < j; k += 1) sum -= lower[row + k]! * lower[j * own + k]!;
      lower[row + j] = sum;
    }
    let pivot = matrix[i * size + i]!;
    for (let k = 0; k < i; k += 1) {
      const scaled = lower[row + k]! / pivots[k]!;
      pivot -= scaled * lower[row + k]!;
      lower[row + k] = scaled;
    }
    if (!(pivot > NOTHING * matrix[i * size + i]!)) return undefined;
    pivots[i] = pivot;
    lower[row + i] = 1;
  }
  const unscaled = beyondRows(matrix, size, lower, own);
  for (let i = 0; i < size - own; i += 1) for (let k = 0; k < own; k += 1) lower[(own + i) * own + k] = unscaled[i * own + k]! / pivots[k]!;
  takeOff(matrix, size, unscaled, lower, own);
  return { kept: { rows, lower, pivots }, passed: { rows, own, matrix } };
}

/** Rows of the factor beyond the own unknowns, times their pivots: four rows at a time, for a row of the factor is then read once for all. */
function beyondRows(matrix: Float64Array, size: number, lower: Float64Array, own: number): Float64Array {
  const rest = size - own;
  const rows = new Float64Array(rest * own);
  for (let i = 0; i < rest; i += 4) {
    // Near the end the last row stands for those that are not there.
    const [ib, ic, id] = [Math.min(i + 1, rest - 1), Math.min(i + 2, rest - 1), Math.min(i + 3, rest - 1)];
    const [a, b, c, d] = [i * own, ib * own, ic * own, id * own];
    const [ga, gb, gc, gd] = [(own + i) * size, (own + ib) * size, (own + ic) * size, (own + id) * size];
    for (let j = 0; j < own; j += 1) {
      const of = j * own;
      let sa = 0;
      let sb = 0;
      let sc = 0;
      let sd = 0;
      for (let k = 0; k < j; k += 1) {
        const l = lower[of + k]!;
        sa += rows[a + k]! * l;
        sb += rows[b + k]! * l;
        sc += rows[c + k]! * l;
        sd += rows[d + k]! * l;
      }
      rows[a + j] = matrix[ga + j]! - sa;
      rows[b + j] = matrix[gb + j]! - sb;
      rows[c + j] = matrix[gc + j]! - sc;
      rows[d + j] = matrix[gd + j]! - sd;
    }
  }
  return rows;
}

/** Takes what the own unknowns give off the stiffness between those beyond, three rows and three columns at a time: six numbers are read for nine products. */
function takeOff(matrix: Float64Array, size: number, unscaled: Float64Array, lower: Float64Array, own: number): void {
  const rest = size - own;
  const last = rest - 1;
  const block = new Float64Array(9);
  for (let i = 0; i < rest; i += 3) {
    // Near the end the last row stands for those that are not there; they are not written.
    const [a, b, c] = [i * own, Math.min(i + 1, last) * own, Math.min(i + 2, last) * own];
    const rows = Math.min(3, rest - i);
    for (let j = 0; j < i + rows; j += 3) {
      const [p, q, r] = [(own + j) * own, (own + Math.min(j + 1, last)) * own, (own + Math.min(j + 2, last)) * own];
      let ap = 0;
      let aq = 0;
      let ar = 0;
      let bp = 0;
      let bq = 0;
      let br = 0;
      let cp = 0;
      let cq = 0;
      let cr = 0;
      for (let k = 0; k < own; k += 1) {
        const ua = unscaled[a + k]!;
        const ub = unscaled[b + k]!;
        const uc = unscaled[c + k]!;
        const lp = lower[p + k]!;
        ap += ua * lp;
        bp += ub * lp;
        cp += uc * lp;
        const lq = lower[q + k]!;
        aq += ua * lq;
        bq += ub * lq;
        cq += uc * lq;
        const lr = lower[r + k]!;
        ar += ua * lr;
        br += ub * lr;
        cr += uc * lr;
      }
      block[0] = ap;
      block[1] = aq;
      block[2] = ar;
      block[3] = bp;
      block[4] = bq;
      block[5] = br;
      block[6] = cp;
      block[7] = cq;
      block[8] = cr;
      const columns = Math.min(3, rest - j);
      for (let y = 0; y < rows; y += 1)
        for (let x = 0; x < columns; x += 1) matrix[(own + i + y) * size + own + j + x]! -= block[3 * y + x]!;
    }
  }
}

function solve(fronts: readonly Front[], loads: Float64Array, isHeld: Uint8Array): Float64Array {
  const x = Float64Array.from(loads, (f, i) => (isHeld[i] ? 0 : f));
  for (const { rows, lower, pivots } of fronts) {
    const own = pivots.length;
    for (let i = 0; i < rows.length; i += 1) {
      let sum = x[rows[i]!]!;
      for (let k = 0; k < Math.min(i, own); k += 1) sum -= lower[i * own + k]! * x[rows[k]!]!;
      x[rows[i]!] = sum;
    }
  }
  for (let t = fronts.length - 1; t >= 0; t -= 1) {
    const { rows, lower, pivots } = fronts[t]!;
    const own = pivots.length;
    for (let k = 0; k < own; k += 1) x[rows[k]!]! /= pivots[k]!;
    for (let i = rows.length - 1; i > 0; i -= 1) {
      const moved = x[rows[i]!]!;
      for (let k = 0; k < Math.min(i, own); k += 1) x[rows[k]!]! -= lower[i * own + k]! * moved;
    }
  }
  return x;
}
