import { atCurvature, rememberedOf, type BentState, type BentWidth, type Remembered } from './bent-width';
import type { PlateMesh } from './mesh';
import { Mixing } from './mixing';
import { PER_NODE } from './multifrontal';
import { modelWith, movedOf, reactionsOf, springForces, type PlateState, type PlateStructure } from './plate-model';
import { rowTimes, triangleForces, type Rigidity, MIDDLE_ROW } from './triangle';

/** How twisting counts where a direction is judged to be cracked: not at all, or with its whole size beside the direction's own moment. */
export type TwistCounts = 'own' | 'bars';

/** What has acted so far, triangle by triangle: along x sagging and hogging, along y sagging and hogging. */
export type CrackMemory = Float64Array;
const SENSES = 4;

export interface CrackedTask {
  /** The plate as it is prepared with its elastic rigidity, of which the triangles may be turned: x and y are the directions in which they strain. */
  readonly structure: PlateStructure;
  readonly elastic: (triangle: number) => Rigidity;
  readonly poisson: number;
  readonly width: (triangle: number, along: 'x' | 'y') => BentWidth;
  readonly twist: TwistCounts;
  readonly loads: Float64Array;
  readonly memory: CrackMemory;
  /** A state of the same mesh from which the rounds begin: one with nearly the same loads is nearer than the slab at rest. */
  readonly from?: Pick<CrackedState, 'state'>;
}

export interface CrackedState {
  readonly state: PlateState;
  /** Share of the cracked state (zeta) along x and y, and remaining over uncracked stiffness, triangle by triangle. */
  readonly cracked: Readonly<Record<'x' | 'y', Float64Array>>;
  readonly remaining: Readonly<Record<'x' | 'y', Float64Array>>;
  /** mx, my, mxy in the middle of each triangle (N mm/mm). */
  readonly moments: Float64Array;
  /** The memory with the moments of this state. */
  readonly memory: CrackMemory;
  readonly rounds: number;
  /** What the loads left unbalanced would still move, over the largest deflection. */
  readonly change: number;
  readonly isSettled: boolean;
}

export const noMemory = ({ triangles }: PlateMesh): CrackMemory => new Float64Array((SENSES * triangles.length) / 3);

/** A step that is none, over the largest deflection. */
const SETTLED = 2e-4;
const ROUNDS = 60;

/**
 * A plate whose directions x and y have each the mean curvature of their cracked sections, with what shrinks. Every triangle has the stiffness that fits its
 * curvatures: on the curve of moment over curvature each curvature has one moment, also where the slab begins to crack and one moment has many. What the
 * loads leave unbalanced moves the slab on, by a stiffness factored once, until nothing is left. Twisting stiffness follows both directions:
 * sqrt(Bx By) / (2 (1 + nu)).
 */
export function* crackedPlate(task: CrackedTask): Generator<number, CrackedState, void> {
  const { structure, from } = task;
  const { heads, isBending } = structure;
  const now = Array.from(isBending, (_, e): TriangleNow => ({ x: firstOf(task, e, 'x'), y: firstOf(task, e, 'y'), moments: [0, 0, 0] }));
  const loads = heads.gathered(task.loads);
  const mixing = new Mixing();
  let moved = from ? Float64Array.from(from.state.moved) : new Float64Array(loads.length);
  if (from) bendAnew(task, now, moved);
  const { factor } = modelWith(structure, (e) => rigidityOf(now[e]!, task, e));
  for (let round = 1; ; round += 1) {
    const forces = resistanceOf(task, now, moved);
    const left = loads.map((load, i) => (heads.isHeld[i] ? 0 : load - forces[i]!));
    const step = factor.solve(left);
    const change = changeOf(step, moved);
    const isSettled = change < SETTLED;
    if (isSettled || round === ROUNDS) {
      return told(task, now, { moved, held: reactionsOf(structure, loads, forces, moved) }, { rounds: round, change, isSettled });
    }
    moved = mixing.next({ moved, step, left }) as Float64Array<ArrayBuffer>;
    heads.spread(moved);
    bendAnew(task, now, moved);
    yield round;
  }
}

interface TriangleNow {
  readonly x: BentState;
  readonly y: BentState;
  readonly moments: readonly [number, number, number];
}

function firstOf({ width }: CrackedTask, e: number, along: 'x' | 'y'): BentState {
  // Which way it will bend is not known yet, so what it curves without moment is that of the uncracked slab.
  const { uncracked, shrinkageUncracked } = width(e, along).sagging;
  return { zeta: 0, stiffness: uncracked, free: shrinkageUncracked, isSagging: true };
}

/** The shear stiffness goes down with that of bending. */
function rigidityOf({ x, y }: Pick<TriangleNow, 'x' | 'y'>, { poisson: nu, elastic }: CrackedTask, e: number): Rigidity {
  const both = Math.sqrt(x.stiffness * y.stiffness);
  const plane = 1 - nu * nu;
  const { bending, shear } = elastic(e);
  const [bx, by] = [x.stiffness / plane, y.stiffness / plane];
  return {
    bending: [bx, by, both / (2 * (1 + nu)), (nu * both) / plane, 0, 0],
    shear: [(shear[0] * bx) / bending[0], (shear[1] * by) / bending[1]],
  };
}

/** Gives every triangle that bends the state that fits its curvatures. */
function bendAnew(task: CrackedTask, now: TriangleNow[], moved: Float64Array): void {
  const { mesh, triangles, isBending } = task.structure;
  const nine = new Float64Array(3 * PER_NODE);
  for (let e = 0; e < now.length; e += 1)
    if (isBending[e]) now[e] = bentAnew(task, e, now[e]!, triangles[e]!.strains, movedOf(mesh, e, moved, nine));
}

function bentAnew(task: CrackedTask, e: number, now: TriangleNow, strains: Float64Array, moved: Float64Array): TriangleNow {
  const [kx, ky, kt] = [
    rowTimes(strains, MIDDLE_ROW, moved) - now.x.free,
    rowTimes(strains, MIDDLE_ROW + 1, moved) - now.y.free,
    rowTimes(strains, MIDDLE_ROW + 2, moved),
  ];
  const [xx, yy, tt, xy] = rigidityOf(now, task, e).bending;
  const [mx, my] = [xx * kx + xy * ky, xy * kx + yy * ky];
  // What a direction would curve by its own moment alone, with what it curves without any.
  const own = (d: BentState, m: number) => m / d.stiffness + d.free;
  const twisted = (other: BentState) =>
    task.twist === 'bars' ? (Math.abs(kt) * Math.sqrt(other.stiffness)) / (2 * (1 + task.poisson)) : 0;
  const memory = (k: number): Remembered => task.memory[SENSES * e + k]!;
  return {
    x: atCurvature(task.width(e, 'x'), own(now.x, mx), twisted(now.y), [memory(0), memory(1)]),
    y: atCurvature(task.width(e, 'y'), own(now.y, my), twisted(now.x), [memory(2), memory(3)]),
    moments: [mx, my, tt * kt],
  };
}

/** Forces with which triangles and springs resist, those on heads taken to their middles. */
function resistanceOf(task: CrackedTask, now: readonly TriangleNow[], moved: Float64Array): Float64Array {
  const { mesh, heads, triangles, isBending } = task.structure;
  const nodal = new Float64Array(moved.length);
  const nine = new Float64Array(3 * PER_NODE);
  const forces = new Float64Array(3 * PER_NODE);
  for (let e = 0; e < now.length; e += 1) {
    if (!isBending[e]) continue;
    const { x, y } = now[e]!;
    triangleForces(triangles[e]!, rigidityOf(now[e]!, task, e), movedOf(mesh, e, moved, nine), [x.free, y.free], forces);
    for (let k = 0; k < forces.length; k += 1)
      nodal[PER_NODE * mesh.triangles[3 * e + ((k / PER_NODE) | 0)]! + (k % PER_NODE)]! += forces[k]!;
  }
  const springs = springForces(task.structure, moved);
  return heads.gathered(nodal).map((force, i) => force + springs[i]!);
}

/** The largest step over the largest deflection. */
function changeOf(step: Float64Array, moved: Float64Array): number {
  let [most, change] = [0, 0];
  for (let i = 0; i < step.length; i += PER_NODE) {
    most = Math.max(most, Math.abs(moved[i]! + step[i]!));
    change = Math.max(change, Math.abs(step[i]!));
  }
  return most > 0 ? change / most : 0;
}

type Ended = Pick<CrackedState, 'rounds' | 'change' | 'isSettled'>;

function told(task: CrackedTask, now: readonly TriangleNow[], state: PlateState, ended: Ended): CrackedState {
  const memory = Float64Array.from(task.memory);
  const moments = new Float64Array(3 * now.length);
  const remember = (e: number, along: 'x' | 'y', at: number, moment: number) => {
    const { isSagging, zeta } = now[e]![along];
    const { sagging, hogging } = task.width(e, along);
    const k = SENSES * e + at + (isSagging ? 0 : 1);
    memory[k] = Math.max(memory[k]!, rememberedOf(isSagging ? sagging : hogging, zeta, moment));
  };
  now.forEach(({ moments: [mx, my, mxy] }, e) => {
    moments.set([mx, my, mxy], 3 * e);
    const twist = task.twist === 'bars' ? Math.abs(mxy) : 0;
    remember(e, 'x', 0, Math.abs(mx) + twist);
    remember(e, 'y', 2, Math.abs(my) + twist);
  });
  const along = (d: 'x' | 'y') => ({
    cracked: Float64Array.from(now, (t) => t[d].zeta),
    remaining: Float64Array.from(now, (t, e) => t[d].stiffness / task.width(e, d).sagging.uncracked),
  });
  const [x, y] = [along('x'), along('y')];
  return { state, cracked: { x: x.cracked, y: y.cracked }, remaining: { x: x.remaining, y: y.remaining }, moments, memory, ...ended };
}
