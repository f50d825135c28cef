import { solveDense } from '../../../analysis/dense';
import type { PreparedBeam } from '../prepared';
import { STEPS, type Grid } from './service-moments';

/** How a beam bends under some moments: mean curvature in each step (1/mm), and what it grows by with the moment there (1/(N mm2)). */
export interface Bending {
  readonly curvature: Float64Array;
  readonly flexibility: Float64Array;
}

/** Moments in the steps, displacements of the supports (mm, down), and how the beam bends with them. */
export interface Compatible {
  readonly moments: Float64Array;
  readonly displaced: readonly number[];
  readonly bending: Bending;
}

/** What is solved for: the moment at one support, which runs out straight to the far ends of the spans beside it. */
interface Redundant {
  readonly support: number;
  /** Spans beside it, by index; a span that does not hold it is left out. */
  readonly left: number | null;
  readonly right: number | null;
  /** Rotation of a held end for a moment on it (1/(N mm)); zero where it is fixed, null at inner supports. */
  readonly give: number | null;
}

const MOST_ROUNDS = 12;
const NEAR = 1e-3;

/**
 * Moments with which a cracked beam holds together: over every inner support both spans turn alike, and held ends turn as their hold lets them.
 * Begins with moments in equilibrium with the loads (those of the uncracked beam) and adds self-balanced ones, so that equilibrium is kept.
 * `bend` tells how the beam bends under some moments; `displaced` are the supports' displacements (mm, down) under the first moments.
 */
export function compatibleMoments(
  beam: PreparedBeam,
  grid: Grid,
  first: Float64Array,
  displaced: readonly number[],
  bend: (moments: Float64Array) => Bending,
): Compatible {
  const unknowns = redundantsOf(beam);
  const size = first.reduce((most, m) => Math.max(most, Math.abs(m)), 0);
  if (unknowns.length === 0 || size === 0) return { moments: first, displaced, bending: bend(first) };
  const shapes = unknowns.map((u) => shapeOf(u, beam.spans.length));
  const settle = unknowns.map((u) => settlements(beam, u));
  /** The beam with some moments added at the supports, and by how much its parts turn apart. */
  const stateWith = (x: readonly number[]): State => {
    const moments = first.slice();
    shapes.forEach((shape, k) => shape.forEach((v, i) => v !== 0 && (moments[i]! += v * x[k]!)));
    const moved = displaced.map((v, j) => v + settle.reduce((sum, s, k) => sum + s[j]! * x[k]!, 0));
    const bent = bend(moments);
    const gaps = unknowns.map((u, k) => turnApart(beam, grid, u, shapes[k]!, bent.curvature, moved) + hold(u, first, x[k]!));
    return { x, moments, displaced: moved, bending: bent, gaps, size: Math.hypot(...gaps) };
  };
  let now = stateWith(unknowns.map(() => 0));
  for (let round = 0; round < MOST_ROUNDS; round += 1) {
    const { curvature, flexibility } = now.bending;
    const turns = Math.max(...shapes.map((shape) => along(grid, shape, (i) => Math.abs(curvature[i]!))));
    if (now.size <= NEAR * turns) break;
    const matrix = unknowns.map((u, k) =>
      unknowns.map(
        (_, m) =>
          along(grid, shapes[k]!, (i) => shapes[m]![i]! * flexibility[i]!) + chordTurn(beam, u, settle[m]!) + (k === m ? (u.give ?? 0) : 0),
      ),
    );
    const step = solveDense(
      matrix,
      now.gaps.map((g) => -g),
    );
    if (!step) break;
    const next = nearer(now, step, stateWith);
    if (!next) break;
    now = next;
  }
  return now;
}

interface State extends Compatible {
  readonly x: readonly number[];
  readonly gaps: readonly number[];
  readonly size: number;
}

/** A state whose gaps are smaller: the step as it is, or a part of it where it leaps over the place at which sections begin to crack. */
function nearer(now: State, step: readonly number[], stateWith: (x: readonly number[]) => State): State | undefined {
  for (const part of [1, 0.5, 0.25, 0.1]) {
    const next = stateWith(now.x.map((v, k) => v + part * step[k]!));
    if (next.size < now.size) return next;
  }
  return undefined;
}

function redundantsOf({ spans, supports }: PreparedBeam): Redundant[] {
  const isFree = (j: number) => supports[j]!.type === 'free';
  const holds = (i: number) => i >= 0 && i < spans.length && !isFree(i) && !isFree(i + 1);
  return supports.flatMap((s, support): Redundant[] => {
    if (s.type === 'free') return [];
    const [left, right] = [holds(support - 1) ? support - 1 : null, holds(support) ? support : null];
    const isInner = support > 0 && support < spans.length;
    const turns = s.type === 'spring' ? (s.rotation ?? 0) : 0;
    // A spring against turning over an inner support takes part of the moment by itself: there the moments stay as they are.
    if (isInner) return left !== null && right !== null && turns === 0 ? [{ support, left, right, give: null }] : [];
    if (left === null && right === null) return [];
    if (s.type === 'fixed') return [{ support, left, right, give: 0 }];
    return turns > 0 ? [{ support, left, right, give: 1 / turns }] : [];
  });
}

/** The moment in the middle of each step for a moment of one at the support. */
function shapeOf({ left, right }: Redundant, spans: number): Float64Array {
  const shape = new Float64Array(spans * STEPS);
  for (let k = 0; k < STEPS; k += 1) {
    const at = (k + 0.5) / STEPS;
    if (left !== null) shape[left * STEPS + k] = at;
    if (right !== null) shape[right * STEPS + k] = 1 - at;
  }
  return shape;
}

/** Sum over all steps of a shape with what stands in them (mm). */
function along(grid: Grid, shape: Float64Array, value: (i: number) => number): number {
  let sum = 0;
  for (let i = 0; i < shape.length; i += 1) if (shape[i] !== 0) sum += shape[i]! * value(i) * grid.step[grid.span[i]!]!;
  return sum;
}

/** By how much both sides of a support turn apart: of the curvature by virtual work with its shape, and of the displaced supports. */
const turnApart = (beam: PreparedBeam, grid: Grid, u: Redundant, shape: Float64Array, curvature: Float64Array, down: readonly number[]) =>
  along(grid, shape, (i) => curvature[i]!) + chordTurn(beam, u, down);

/** Slopes of the chords beside a support, the right one less the left one. */
function chordTurn({ spans }: PreparedBeam, { left, right }: Redundant, down: ArrayLike<number>): number {
  const slope = (i: number) => (down[i + 1]! - down[i]!) / spans[i]!.length;
  return (right === null ? 0 : slope(right)) - (left === null ? 0 : slope(left));
}

/** What a held end turns by under its whole moment. */
function hold({ give, right }: Redundant, first: Float64Array, x: number): number {
  if (give === null) return 0;
  // The moment at the end itself, straight through the middles of the two steps beside it.
  const n = first.length;
  const end = right !== null ? 1.5 * first[0]! - 0.5 * first[1]! : 1.5 * first[n - 1]! - 0.5 * first[n - 2]!;
  return give * (end + x);
}

/** Displacements of all supports on springs (mm, down) for a moment of one at a support. */
function settlements({ spans, supports }: PreparedBeam, { support, left, right }: Redundant): Float64Array {
  const up = new Float64Array(supports.length);
  const add = (span: number | null, far: number) => {
    if (span === null) return;
    // The pair of forces that balances the moment.
    up[support]! -= 1 / spans[span]!.length;
    up[far]! += 1 / spans[span]!.length;
  };
  add(left, support - 1);
  add(right, support + 1);
  return up.map((force, j) => {
    const s = supports[j]!;
    const spring = s.type === 'spring' ? s.vertical : null;
    return spring === null || spring === undefined ? 0 : force / spring;
  });
}
