import { crackedPart, type SectionStiffness } from '../../section/mean-curvature';
import type { PlateMesh } from './mesh';
import { Mixing } from './mixing';
import { PER_NODE } from './multifrontal';
import { modelWith, plateStructure, type PlateState } from './plate-model';
import type { PlateSupports } from './supports';
import { curvatureLoads, rowTimes, type Rigidity, type StrainedTriangle } from './triangle';

/** A width of slab along one direction, bent either way. N mm, 1/mm, all per length of slab (stiffnesses N mm2/mm). */
export interface BentWidth {
  readonly sagging: SectionStiffness;
  readonly hogging: SectionStiffness;
}

/** How twisting counts where a direction is judged to be cracked: not at all, or with its whole size beside the direction's own moment. */
export type TwistCounts = 'own' | 'bars';

/** The largest moments that have acted so far (N mm/mm), triangle by triangle: along x sagging and hogging, along y sagging and hogging. */
export type CrackMemory = Float64Array;
const SENSES = 4;

export interface CrackedTask {
  readonly mesh: PlateMesh;
  readonly supports: PlateSupports;
  readonly poisson: number;
  /** Shear stiffness of a triangle (N/mm). */
  readonly shear: (triangle: number) => readonly [number, number];
  readonly width: (triangle: number, along: 'x' | 'y') => BentWidth;
  readonly twist: TwistCounts;
  readonly loads: Float64Array;
  readonly memory: CrackMemory;
  /** A state of the same mesh from which the rounds begin: one with nearly the same loads is nearer than the uncracked slab. */
  readonly from?: Pick<CrackedState, 'cracked'>;
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
  /** The largest change of deflection of the last round over the largest deflection. */
  readonly change: number;
  readonly isSettled: boolean;
}

export const noMemory = ({ triangles }: PlateMesh): CrackMemory => new Float64Array((SENSES * triangles.length) / 3);

/** A change of the deflection that is none, and a mean change of the shares of the cracked state that is none. */
const SETTLED = 1e-3;
const SETTLED_SHARES = 1e-3;
/** Before this round guesses are too far off to be mixed. */
const MIXED_FROM = 4;
const ROUNDS = 40;
/** From this round on the next guess lies halfway: what still swings then comes to rest. */
const HALFWAY = 20;
/** Curvatures less than this part of the one that cracks are next to none. */
const NEAR_REST = 0.02;

/**
 * A plate whose directions x and y have each the mean curvature of their cracked sections, with what shrinks. In every round the stiffnesses are found from
 * the curvatures of the last one: on the curve of moment over curvature each curvature has one moment, also where the slab begins to crack and one moment
 * has many curvatures, so nothing swings. Twisting stiffness follows both: sqrt(Bx By) / (2 (1 + nu)).
 */
export function* crackedPlate(task: CrackedTask): Generator<number, CrackedState, void> {
  const { mesh } = task;
  const count = mesh.triangles.length / 3;
  const now = Array.from({ length: count }, (_, e): TriangleNow => ({
    x: firstOf(task, e, 'x'),
    y: firstOf(task, e, 'y'),
    moments: [0, 0, 0],
  }));
  // Triangles are prepared uncracked: as they crack their shear stiffness goes down with that of bending.
  const structure = plateStructure(mesh, (e) => uncrackedRigidity(task, e), task.supports);
  const mixing = new Mixing();
  let before: Float64Array | undefined;
  let change = Infinity;
  for (let round = 1; ; round += 1) {
    const given = sharesOf(now);
    const rigidities = now.map((t, e) => rigidityOf(t, task, e));
    const model = modelWith(structure, (e) => rigidities[e]!);
    const loads = Float64Array.from(task.loads);
    now.forEach((t, e) => {
      if (!model.bends(e) || (t.x.free === 0 && t.y.free === 0)) return;
      const own = curvatureLoads(structure.triangles[e]!, rigidities[e]!, [t.x.free, t.y.free, 0]);
      own.forEach((v, k) => (loads[PER_NODE * mesh.triangles[3 * e + Math.floor(k / PER_NODE)]! + (k % PER_NODE)]! += v));
    });
    const state = model.solve(loads);
    for (let e = 0; e < count; e += 1)
      now[e] = model.bends(e) ? bentAnew(task, e, now[e]!, structure.triangles[e]!, rigidities[e]!, state) : now[e]!;
    change = before ? changeOf(before, state.moved) : Infinity;
    before = state.moved;
    const answer = sharesOf(now);
    const isSettled = change < SETTLED && meanGap(given, answer) < SETTLED_SHARES;
    if (isSettled || round === ROUNDS) return told(task, now, state, { rounds: round, change, isSettled });
    goOn(task, nextGuess(mixing, round, given, answer), now);
    yield round;
  }
}

interface DirectionNow {
  readonly zeta: number;
  readonly stiffness: number;
  /** Curvature without moment (1/mm). */
  readonly free: number;
  readonly isSagging: boolean;
  /** Between what both senses curve without moment, where there is none. */
  readonly isAtRest?: boolean;
}

interface TriangleNow {
  readonly x: DirectionNow;
  readonly y: DirectionNow;
  readonly moments: readonly [number, number, number];
}

function firstOf(task: CrackedTask, e: number, along: 'x' | 'y'): DirectionNow {
  const s = task.width(e, along).sagging;
  const zeta = task.from?.cracked[along][e] ?? 0;
  // Which way it was bent is not known yet, so what it curves without moment is that of the uncracked slab.
  return { zeta, stiffness: stiffnessIn(s, zeta), free: s.shrinkageUncracked, isSagging: true };
}

function uncrackedRigidity(task: CrackedTask, e: number): Rigidity {
  const of = (along: 'x' | 'y') => ({ zeta: 0, stiffness: task.width(e, along).sagging.uncracked, free: 0, isSagging: true });
  return rigidityOf({ x: of('x'), y: of('y') }, task, e);
}

function rigidityOf({ x, y }: Pick<TriangleNow, 'x' | 'y'>, { poisson: nu, shear, width }: CrackedTask, e: number): Rigidity {
  const both = Math.sqrt(x.stiffness * y.stiffness);
  const plane = 1 - nu * nu;
  const left = [x.stiffness / width(e, 'x').sagging.uncracked, y.stiffness / width(e, 'y').sagging.uncracked] as const;
  return {
    bending: [x.stiffness / plane, y.stiffness / plane, both / (2 * (1 + nu)), (nu * both) / plane, 0, 0],
    shear: [shear(e)[0] * left[0], shear(e)[1] * left[1]],
  };
}

/** The stiffnesses of a triangle that fit its curvatures. */
function bentAnew(
  task: CrackedTask,
  e: number,
  now: TriangleNow,
  triangle: StrainedTriangle,
  rigidity: Rigidity,
  state: PlateState,
): TriangleNow {
  const moved = new Float64Array(9);
  for (let k = 0; k < 9; k += 1)
    moved[k] = state.moved[PER_NODE * task.mesh.triangles[3 * e + Math.floor(k / PER_NODE)]! + (k % PER_NODE)]!;
  const rows = triangle.middle;
  const [kx, ky, kt] = [rowTimes(rows, 0, moved) - now.x.free, rowTimes(rows, 1, moved) - now.y.free, rowTimes(rows, 2, moved)];
  const [xx, yy, tt, xy] = rigidity.bending;
  const [mx, my, mxy] = [xx * kx + xy * ky, xy * kx + yy * ky, tt * kt];
  // The mean of this round and the last: what cracks by twisting twists less, and would swing.
  const twist = task.twist === 'bars' ? (Math.abs(mxy) + Math.abs(now.moments[2])) / 2 : 0;
  // What a direction would curve by its own moment alone, with what it curves without any.
  const own = (d: DirectionNow, m: number) => m / d.stiffness + d.free;
  const memory = (k: number) => task.memory[SENSES * e + k]!;
  return {
    x: atCurvature(task.width(e, 'x'), own(now.x, mx), twist, [memory(0), memory(1)], now.x.isSagging),
    y: atCurvature(task.width(e, 'y'), own(now.y, my), twist, [memory(2), memory(3)], now.y.isSagging),
    moments: [mx, my, mxy],
  };
}

/**
 * Where a width of slab stands on its curve at a curvature: the share of the cracked state with the stiffness and the free curvature that go with it.
 * The curve rises; where it begins to crack its curvature jumps at one moment, and between both ends of the jump the share is what fits.
 */
export function atCurvature(
  { sagging, hogging }: BentWidth,
  curvature: number,
  twist: number,
  [sagged, hogged]: readonly [number, number],
  wasSagging?: boolean,
): DirectionNow {
  // Without moment the width has the free curvature of its state; what is beyond that decides the sense.
  const rest = freeIn(sagging, crackedPart(sagging, Math.max(twist, sagged)));
  // Near to none it keeps the sense that it had: to and fro there would never settle.
  const isNearRest = Math.abs(curvature - rest) < (NEAR_REST * sagging.crackingMoment) / sagging.uncracked;
  const isSagging = isNearRest && wasSagging !== undefined ? wasSagging : curvature >= rest;
  const s = isSagging ? sagging : hogging;
  const largest = isSagging ? sagged : hogged;
  const wanted = isSagging ? curvature : -curvature;
  const zetaAt = (m: number) => crackedPart(s, Math.max(m + twist, largest));
  const curved = (m: number, zeta: number) => m / stiffnessIn(s, zeta) + freeIn(s, zeta);
  const signed = (zeta: number) => directionAt({ sagging, hogging }, isSagging, zeta);
  // Between what both senses curve without moment there is none.
  const atRest = zetaAt(0);
  if (!isSagging && wanted < freeIn(s, atRest)) return { ...signed(atRest), free: curvature, isAtRest: true };
  const begins = s.crackingMoment - twist;
  if (largest <= s.crackingMoment && begins > 0) {
    if (wanted <= curved(begins, 0)) return signed(0);
    const jump = 1 - s.beta;
    if (wanted <= curved(begins, jump)) return signed(shareBetween(s, begins, wanted, jump));
  }
  let [low, high] = [0, Math.max(s.crackingMoment, 1)];
  while (curved(high, zetaAt(high)) < wanted) high *= 2;
  for (let i = 0; i < 40; i += 1) {
    const middle = (low + high) / 2;
    if (curved(middle, zetaAt(middle)) < wanted) low = middle;
    else high = middle;
  }
  return signed(zetaAt((low + high) / 2));
}

/** A width bent in a sense with a share of the cracked state. */
function directionAt({ sagging, hogging }: BentWidth, isSagging: boolean, zeta: number): DirectionNow {
  const s = isSagging ? sagging : hogging;
  return { zeta, stiffness: stiffnessIn(s, zeta), free: isSagging ? freeIn(s, zeta) : -freeIn(s, zeta), isSagging };
}

/** The shares of the cracked state of all triangles, x and y in turn. */
const sharesOf = (now: readonly TriangleNow[]): Float64Array => Float64Array.from(now.flatMap((t) => [t.x.zeta, t.y.zeta]));

function meanGap(a: Float64Array, b: Float64Array): number {
  return a.reduce((sum, v, i) => sum + Math.abs(v - b[i]!), 0) / a.length;
}

/** The shares to go on with: at first what came of the last ones, then mixed with those before, and at last halfway. */
function nextGuess(mixing: Mixing, round: number, given: Float64Array, answer: Float64Array): Float64Array {
  if (round < MIXED_FROM) return answer;
  return round < HALFWAY ? mixing.next(given, answer) : answer.map((v, i) => (v + given[i]!) / 2);
}

/** Gives every triangle the shares that are guessed. */
function goOn(task: CrackedTask, next: Float64Array, now: TriangleNow[]): void {
  const moved = (d: DirectionNow, e: number, along: 'x' | 'y', zeta: number): DirectionNow => {
    const at = directionAt(task.width(e, along), d.isSagging, zeta);
    return d.isAtRest ? { ...at, free: d.free, isAtRest: true } : at;
  };
  now.forEach((t, e) => (now[e] = { ...t, x: moved(t.x, e, 'x', next[2 * e]!), y: moved(t.y, e, 'y', next[2 * e + 1]!) }));
}

/** The share of the cracked state at which one moment has the curvature that is wanted: curvature is straight over the share. */
function shareBetween(s: SectionStiffness, moment: number, wanted: number, most: number): number {
  const at = (zeta: number) => moment / stiffnessIn(s, zeta) + freeIn(s, zeta);
  return Math.max(0, Math.min(most, (wanted - at(0)) / (at(1) - at(0))));
}

const stiffnessIn = (s: SectionStiffness, zeta: number): number => 1 / (zeta / s.cracked + (1 - zeta) / s.uncracked);
const freeIn = (s: SectionStiffness, zeta: number): number => zeta * s.shrinkageCracked + (1 - zeta) * s.shrinkageUncracked;

function changeOf(before: Float64Array, after: Float64Array): number {
  let [most, change] = [0, 0];
  for (let i = 0; i < after.length; i += PER_NODE) {
    most = Math.max(most, Math.abs(after[i]!));
    change = Math.max(change, Math.abs(after[i]! - before[i]!));
  }
  return most > 0 ? change / most : 0;
}

type Ended = Pick<CrackedState, 'rounds' | 'change' | 'isSettled'>;

function told(task: CrackedTask, now: readonly TriangleNow[], state: PlateState, ended: Ended): CrackedState {
  const memory = Float64Array.from(task.memory);
  const moments = new Float64Array(3 * now.length);
  now.forEach(({ moments: [mx, my, mxy] }, e) => {
    moments.set([mx, my, mxy], 3 * e);
    const twist = task.twist === 'bars' ? Math.abs(mxy) : 0;
    [mx, -mx, my, -my].forEach((m, k) => (memory[SENSES * e + k] = Math.max(memory[SENSES * e + k]!, m + twist)));
  });
  const along = (d: 'x' | 'y') => ({
    cracked: Float64Array.from(now, (t) => t[d].zeta),
    remaining: Float64Array.from(now, (t, e) => t[d].stiffness / task.width(e, d).sagging.uncracked),
  });
  const [x, y] = [along('x'), along('y')];
  return { state, cracked: { x: x.cracked, y: y.cracked }, remaining: { x: x.remaining, y: y.remaining }, moments, memory, ...ended };
}
