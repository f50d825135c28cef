import { solveDense } from '../dense';

/** Steps that are remembered. */
const DEPTH = 6;

/** A state, the step that a stiffness near to its own proposes, and the loads that it leaves unbalanced. */
interface Tried {
  readonly moved: Float64Array;
  readonly step: Float64Array;
  readonly left: Float64Array;
}

/**
 * Finds where nothing is left unbalanced faster than step by step: the next state is the sum of those before, each with its step, for which what is left
 * does least work along its step (Anderson 1965, in the measure of the stiffness that makes the steps).
 */
export class Mixing {
  private before: readonly Tried[] = [];

  next(now: Tried): Float64Array {
    const { moved, step } = now;
    const back = this.before.map((b) => ({ moved: minus(moved, b.moved), step: minus(step, b.step), left: minus(now.left, b.left) }));
    this.before = [...this.before.slice(1 - DEPTH), now];
    const shares = leastWork(back, step);
    return moved.map((v, i) => shares.reduce((sum, share, k) => sum - share * (back[k]!.moved[i]! + back[k]!.step[i]!), v + step[i]!));
  }
}

const minus = (a: Float64Array, b: Float64Array) => a.map((v, i) => v - b[i]!);

function dot(a: Float64Array, b: Float64Array): number {
  let sum = 0;
  for (let i = 0; i < a.length; i += 1) sum += a[i]! * b[i]!;
  return sum;
}

/** Shares of the differences that bring the step nearest to nothing. */
function leastWork(back: readonly Tried[], step: Float64Array): number[] {
  if (back.length === 0) return [];
  const matrix = back.map((a, i) => back.map((b, k) => (i <= k ? dot(a.step, b.left) : dot(b.step, a.left))));
  const most = Math.max(...matrix.map((row, i) => row[i]!));
  if (!(most > 0)) return back.map(() => 0);
  // A trace of its own size on the diagonal: differences that are all but alike share the sum.
  matrix.forEach((row, i) => (row[i]! += 1e-10 * most));
  return (
    solveDense(
      matrix,
      back.map((a) => dot(a.left, step)),
    ) ?? back.map(() => 0)
  );
}
