import { solveBanded } from './banded';

/**
 * Elastic analysis of a straight beam on any supports by the displacement method (Euler-Bernoulli, exact for the loads here).
 * Units N, mm, rad. x from the left end; loads, deflections and settlements positive down; M sagging positive; V = dM/dx;
 * reactions positive up. Applied moments are positive clockwise: M jumps up by the moment.
 */
export interface LineBeam {
  readonly spans: readonly LineSpan[];
  /** One more than spans. */
  readonly supports: readonly LineSupport[];
}

export interface LineSpan {
  readonly length: number;
  /** Bending stiffness EI (N mm2), constant or in pieces along the span. */
  readonly stiffness: number | readonly { readonly length: number; readonly stiffness: number }[];
}

export interface LineSupport {
  /** Vertical: held, free, or a spring stiffness (N/mm). */
  readonly vertical: 'held' | 'free' | number;
  /** Rotation: held, free, or a spring stiffness (N mm/rad). */
  readonly rotation: 'held' | 'free' | number;
}

/** A load on one span; positions from the left end of the span (mm). */
export type LineLoad =
  | {
      readonly kind: 'distributed';
      readonly span: number;
      readonly from: number;
      readonly to: number;
      readonly start: number;
      readonly end: number;
    }
  | { readonly kind: 'point'; readonly span: number; readonly at: number; readonly force: number }
  | { readonly kind: 'moment'; readonly span: number; readonly at: number; readonly moment: number };

/** A torque on one span, positions from its left end (mm); N mm per mm along a stretch, or N mm at a place. */
export type TorqueLoad =
  | { readonly kind: 'distributed'; readonly span: number; readonly from: number; readonly to: number; readonly value: number }
  | { readonly kind: 'point'; readonly span: number; readonly at: number; readonly torque: number };

export interface UnitCase {
  readonly loads: readonly LineLoad[];
  /** Settlement of supports, positive down (mm), by support index. */
  readonly settlements?: readonly { readonly support: number; readonly value: number }[];
  readonly torques?: readonly TorqueLoad[];
}

/** The beam cut at every support, change of stiffness and load position. */
export interface Mesh {
  /** Positions of the nodes, first 0, rising. */
  readonly x: Float64Array;
  readonly stiffness: Float64Array;
  /** Span of each element, and node of each support. */
  readonly spanOf: Int32Array;
  readonly supportNode: Int32Array;
}

/** Values kept for each element of a response: V, M, q at its left end, change of q per mm, deflection, slope. */
export const STRIDE = 6;

/** The answer of the beam to one case. Adds up linearly: `all` holds every value, the others are views of its parts. */
export interface Response {
  readonly all: Float64Array;
  readonly elements: Float64Array;
  readonly reactions: Float64Array;
  /** Moment that a rotation spring or a fixed support puts on the beam at each support, positive clockwise. */
  readonly supportMoments: Float64Array;
  /** Hogging moments of each span with both its ends held, as positive numbers: left, right (N mm). */
  readonly fixedEndMoments: Float64Array;
  /** Torque at the left end of each element and its growth per length (N mm, N); nothing without torques. */
  readonly torsion: Float64Array;
}

/** Places of a span between its supports at which moments bend or jump: where loads begin, end or stand (mm from the left end of the beam). */
export function placesOfLoads(mesh: Mesh, span: number): number[] {
  return [...mesh.x.slice(mesh.supportNode[span]! + 1, mesh.supportNode[span + 1]!)];
}

export class MechanismError extends Error {
  constructor() {
    super('The beam is a mechanism: it needs at least two supports, or one fixed support.');
  }
}

const SAME = 1e-6; // mm

function stiffnessPieces(span: LineSpan): readonly { readonly length: number; readonly stiffness: number }[] {
  return typeof span.stiffness === 'number' ? [{ length: span.length, stiffness: span.stiffness }] : span.stiffness;
}

/** Cuts the beam for a set of cases that are to be added up. */
export function makeMesh(beam: LineBeam, cases: readonly UnitCase[]): Mesh {
  const x: number[] = [0];
  const stiffness: number[] = [];
  const spanOf: number[] = [];
  const supportNode: number[] = [0];
  let start = 0;
  beam.spans.forEach((span, i) => {
    const cuts = [span.length];
    let at = 0;
    for (const piece of stiffnessPieces(span)) cuts.push(Math.min((at += piece.length), span.length));
    for (const { loads, torques = [] } of cases)
      for (const load of [...loads, ...torques]) {
        if (load.span !== i) continue;
        cuts.push(...(load.kind === 'distributed' ? [load.from, load.to] : [load.at]));
      }
    let last = 0;
    for (const cut of cuts.sort((a, b) => a - b)) {
      if (cut - last < SAME || cut > span.length + SAME) continue;
      x.push(start + cut);
      stiffness.push(stiffnessAt(span, (last + cut) / 2));
      spanOf.push(i);
      last = cut;
    }
    start += span.length;
    supportNode.push(x.length - 1);
  });
  return {
    x: Float64Array.from(x),
    stiffness: Float64Array.from(stiffness),
    spanOf: Int32Array.from(spanOf),
    supportNode: Int32Array.from(supportNode),
  };
}

function stiffnessAt(span: LineSpan, at: number): number {
  let end = 0;
  const pieces = stiffnessPieces(span);
  for (const piece of pieces) if (at < (end += piece.length)) return piece.stiffness;
  return pieces[pieces.length - 1]!.stiffness;
}

interface NodalLoads {
  /** Distributed load at both ends of each element. */
  readonly q: Float64Array;
  readonly force: Float64Array;
  readonly moment: Float64Array;
}

function placeLoads(beam: LineBeam, mesh: Mesh, unit: UnitCase): NodalLoads {
  const n = mesh.x.length;
  const placed = { q: new Float64Array(2 * (n - 1)), force: new Float64Array(n), moment: new Float64Array(n) };
  for (const load of unit.loads) {
    const start = mesh.x[mesh.supportNode[load.span]!]!;
    if (load.kind === 'distributed') {
      const slope = load.to > load.from ? (load.end - load.start) / (load.to - load.from) : 0;
      for (let e = mesh.supportNode[load.span]!; e < mesh.supportNode[load.span + 1]!; e += 1) {
        const a = mesh.x[e]! - start;
        const b = mesh.x[e + 1]! - start;
        if (a < load.from - SAME || b > load.to + SAME) continue;
        placed.q[2 * e]! += load.start + slope * (a - load.from);
        placed.q[2 * e + 1]! += load.start + slope * (b - load.from);
      }
    } else {
      const node = nearestNode(mesh, load.span, start + load.at);
      if (load.kind === 'point') placed.force[node]! += load.force;
      else placed.moment[node]! += load.moment;
    }
  }
  return placed;
}

function nearestNode(mesh: Mesh, span: number, x: number): number {
  let best = mesh.supportNode[span]!;
  for (let i = best; i <= mesh.supportNode[span + 1]!; i += 1) if (Math.abs(mesh.x[i]! - x) < Math.abs(mesh.x[best]! - x)) best = i;
  return best;
}

/** Solves all cases on one mesh. Throws MechanismError when the supports cannot hold the beam. */
export function analyse(beam: LineBeam, mesh: Mesh, cases: readonly UnitCase[]): Response[] {
  const n = mesh.x.length;
  const held = new Map<number, number>();
  const springs = new Float64Array(2 * n);
  beam.supports.forEach((support, i) => {
    const node = mesh.supportNode[i]!;
    for (const [dof, type] of [
      [2 * node, support.vertical],
      [2 * node + 1, support.rotation],
    ] as const) {
      if (type === 'held') held.set(dof, i);
      else if (type !== 'free') springs[dof]! += type;
    }
  });
  if (cases.length === 0) return [];
  const loads = cases.map((unit) => placeLoads(beam, mesh, unit));
  const matrix = assemble(mesh, springs);
  const rhs = cases.map((_unit, c) => rightHandSide(mesh, loads[c]!));
  cases.forEach((unit, c) => prescribe(matrix, rhs[c]!, held, springs, settlementsByDof(mesh, unit), c === cases.length - 1));
  if (!solveBanded(matrix, 2 * n, HALF_BAND, rhs)) throw new MechanismError();
  return rhs.map((u, c) => recover(beam, mesh, u, loads[c]!));
}

const HALF_BAND = 3;

function assemble(mesh: Mesh, springs: Float64Array): Float64Array {
  const width = HALF_BAND + 1;
  const k = new Float64Array(2 * mesh.x.length * width);
  const add = (i: number, j: number, value: number) => {
    if (j <= i) k[i * width + (i - j)]! += value;
  };
  for (let e = 0; e < mesh.stiffness.length; e += 1) {
    const l = mesh.x[e + 1]! - mesh.x[e]!;
    const c = mesh.stiffness[e]! / l ** 3;
    const local = [
      [12 * c, 6 * c * l, -12 * c, 6 * c * l],
      [6 * c * l, 4 * c * l * l, -6 * c * l, 2 * c * l * l],
      [-12 * c, -6 * c * l, 12 * c, -6 * c * l],
      [6 * c * l, 2 * c * l * l, -6 * c * l, 4 * c * l * l],
    ];
    for (let i = 0; i < 4; i += 1) for (let j = 0; j <= i; j += 1) add(2 * e + i, 2 * e + j, local[i]![j]!);
  }
  springs.forEach((s, i) => add(i, i, s));
  return k;
}

/** Work-equivalent nodal forces of the loads; unknowns are w (down) and its slope dw/dx at each node. */
function rightHandSide(mesh: Mesh, loads: NodalLoads): Float64Array {
  const f = new Float64Array(2 * mesh.x.length);
  for (let e = 0; e < mesh.stiffness.length; e += 1) {
    const l = mesh.x[e + 1]! - mesh.x[e]!;
    const a = loads.q[2 * e]!;
    const b = loads.q[2 * e + 1]!;
    f[2 * e]! += (l * (7 * a + 3 * b)) / 20;
    f[2 * e + 1]! += (l * l * (3 * a + 2 * b)) / 60;
    f[2 * e + 2]! += (l * (3 * a + 7 * b)) / 20;
    f[2 * e + 3]! -= (l * l * (2 * a + 3 * b)) / 60;
  }
  // With x to the right and w down, the slope dw/dx grows clockwise, as the applied moment does.
  loads.force.forEach((p, i) => (f[2 * i]! += p));
  loads.moment.forEach((m, i) => (f[2 * i + 1]! += m));
  return f;
}

function settlementsByDof(mesh: Mesh, unit: UnitCase): Map<number, number> {
  return new Map((unit.settlements ?? []).map((s) => [2 * mesh.supportNode[s.support]!, s.value]));
}

/** Moves known displacements to the right-hand side; the last call also turns their rows into identities. */
function prescribe(
  k: Float64Array,
  f: Float64Array,
  held: Map<number, number>,
  springs: Float64Array,
  known: Map<number, number>,
  isLast: boolean,
): void {
  const width = HALF_BAND + 1;
  const n = f.length;
  const entry = (i: number, j: number) => (i >= j ? i * width + (i - j) : j * width + (j - i));
  for (const dof of held.keys()) {
    const value = known.get(dof) ?? 0;
    if (value === 0) continue;
    for (let i = Math.max(0, dof - HALF_BAND); i < Math.min(n, dof + HALF_BAND + 1); i += 1)
      if (!held.has(i)) f[i]! -= k[entry(i, dof)]! * value;
  }
  for (const dof of held.keys()) f[dof] = known.get(dof) ?? 0;
  // The ground under a spring settles: the spring pulls with its stiffness.
  for (const [dof, value] of known) if (!held.has(dof)) f[dof]! += springs[dof]! * value;
  if (!isLast) return;
  for (const dof of held.keys()) {
    for (let i = Math.max(0, dof - HALF_BAND); i < Math.min(n, dof + HALF_BAND + 1); i += 1) k[entry(i, dof)] = 0;
    k[entry(dof, dof)] = 1;
  }
}

/** Element values, reactions and support moments from the displacements. */
function recover(beam: LineBeam, mesh: Mesh, u: Float64Array, loads: NodalLoads): Response {
  const response = emptyResponse(mesh.stiffness.length, beam.supports.length);
  const { elements, reactions, supportMoments } = response;
  const n = mesh.x.length;
  const endShear = new Float64Array(n);
  const endMoment = new Float64Array(n);
  for (let e = 0; e < mesh.stiffness.length; e += 1) {
    const l = mesh.x[e + 1]! - mesh.x[e]!;
    const c = mesh.stiffness[e]! / l ** 3;
    const [wa, ta, wb, tb] = [u[2 * e]!, u[2 * e + 1]!, u[2 * e + 2]!, u[2 * e + 3]!];
    const qa = loads.q[2 * e]!;
    const qb = loads.q[2 * e + 1]!;
    // Force and moment of the left node on the element, downward and clockwise; then in beam signs.
    const force = c * (12 * wa + 6 * l * ta - 12 * wb + 6 * l * tb) - (l * (7 * qa + 3 * qb)) / 20;
    const moment = c * (6 * l * wa + 4 * l * l * ta - 6 * l * wb + 2 * l * l * tb) - (l * l * (3 * qa + 2 * qb)) / 60;
    elements.set([-force, moment, qa, (qb - qa) / l, wa, ta], STRIDE * e);
    endShear[e + 1] = shearAt(elements, e, l);
    endMoment[e + 1] = momentAt(elements, e, l);
  }
  beam.supports.forEach((support, i) => {
    const node = mesh.supportNode[i]!;
    const isLastNode = node === n - 1;
    const shearRight = isLastNode ? 0 : elements[STRIDE * node]!;
    const momentRight = isLastNode ? 0 : elements[STRIDE * node + 1]!;
    if (support.vertical !== 'free') reactions[i] = shearRight - endShear[node]! + loads.force[node]!;
    if (support.rotation !== 'free') supportMoments[i] = momentRight - endMoment[node]! - loads.moment[node]!;
  });
  response.fixedEndMoments.set(fixedEndMoments(beam, mesh, loads));
  return response;
}

/** A response of zeros, to be filled. */
export function emptyResponse(elements: number, supports: number): Response {
  return viewsOf(new Float64Array((STRIDE + 2) * elements + 4 * supports - 2), STRIDE * elements, supports);
}

function viewsOf(all: Float64Array, elementValues: number, supports: number): Response {
  const at = (start: number, length: number) => all.subarray(start, start + length);
  return {
    all,
    elements: at(0, elementValues),
    reactions: at(elementValues, supports),
    supportMoments: at(elementValues + supports, supports),
    fixedEndMoments: at(elementValues + 2 * supports, 2 * (supports - 1)),
    torsion: at(elementValues + 4 * supports - 2, (2 * elementValues) / STRIDE),
  };
}

/** A response that can be changed without changing the other. */
export function copyResponse(r: Response): Response {
  return viewsOf(r.all.slice(), r.elements.length, r.reactions.length);
}

/** End moments of each span as if both ends were held, with its stiffness taken as constant. */
function fixedEndMoments(beam: LineBeam, mesh: Mesh, loads: NodalLoads): Float64Array {
  const moments = new Float64Array(2 * beam.spans.length);
  beam.spans.forEach((span, i) => {
    const first = mesh.supportNode[i]!;
    const last = mesh.supportNode[i + 1]!;
    const start = mesh.x[first]!;
    const L = span.length;
    const add = (p: number, a: number) => {
      moments[2 * i]! += (p * a * (L - a) ** 2) / L ** 2;
      moments[2 * i + 1]! += (p * a ** 2 * (L - a)) / L ** 2;
    };
    for (let e = first; e < last; e += 1) {
      const l = mesh.x[e + 1]! - mesh.x[e]!;
      for (const [t, weight] of [
        [0.1127016653792583, 5 / 18],
        [0.5, 8 / 18],
        [0.8872983346207417, 5 / 18],
      ] as const) {
        const q = loads.q[2 * e]! * (1 - t) + loads.q[2 * e + 1]! * t;
        add(q * l * weight, mesh.x[e]! + t * l - start);
      }
      if (e === first) continue;
      const a = mesh.x[e]! - start;
      add(loads.force[e]!, a);
      // A moment is a pair of forces: what a force brings, by its place.
      moments[2 * i]! += (loads.moment[e]! * (L - a) * (L - 3 * a)) / L ** 2;
      moments[2 * i + 1]! += (loads.moment[e]! * a * (2 * L - 3 * a)) / L ** 2;
    }
  });
  return moments;
}

/** The element in which a position lies. */
export function elementAt(mesh: Mesh, x: number): number {
  let e = 0;
  while (e < mesh.stiffness.length - 1 && mesh.x[e + 1]! <= x) e += 1;
  return e;
}

/** Shear, moment and deflection at distance s from the left end of element e. */
export function shearAt(el: Float64Array, e: number, s: number): number {
  const o = STRIDE * e;
  return el[o]! - s * (el[o + 2]! + (s * el[o + 3]!) / 2);
}

export function momentAt(el: Float64Array, e: number, s: number): number {
  const o = STRIDE * e;
  return el[o + 1]! + s * (el[o]! - s * (el[o + 2]! / 2 + (s * el[o + 3]!) / 6));
}

export function deflectionAt(el: Float64Array, mesh: Mesh, e: number, s: number): number {
  const o = STRIDE * e;
  const bending = (el[o + 1]! * s ** 2) / 2 + (el[o]! * s ** 3) / 6 - (el[o + 2]! * s ** 4) / 24 - (el[o + 3]! * s ** 5) / 120;
  return el[o + 4]! + el[o + 5]! * s - bending / mesh.stiffness[e]!;
}

/** The sum of responses times factors. */
export function superpose(responses: readonly Response[], factors: ArrayLike<number>): Response {
  const first = responses[0]!;
  const sum = new Float64Array(first.all.length);
  for (let k = 0; k < responses.length; k += 1) {
    const { all } = responses[k]!;
    const f = factors[k]!;
    for (let i = 0; i < sum.length; i += 1) sum[i]! += f * all[i]!;
  }
  return viewsOf(sum, first.elements.length, first.reactions.length);
}
