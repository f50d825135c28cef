import { solveDense } from '../dense';

/** Steps that are remembered. */
const DEPTH = 5;

/** The longest stride that is made while changes grow. */
const LONGEST = 8;

/**
 * Finds where a rule gives back what it is given faster than by using it again and again. While its changes grow, strides are made of several of them;
 * when they shrink, each next guess is the sum of the last answers whose changes together are least (Anderson 1965), never behind the last answer. Numbers
 * stay between 0 and 1.
 */
export class Mixing {
  private changes: Float64Array[] = [];
  private answers: Float64Array[] = [];
  private stride = 1;

  /** The next guess from the last one and what the rule made of it. */
  next(guess: Float64Array, answer: Float64Array): Float64Array {
    const change = answer.map((v, i) => v - guess[i]!);
    const last = this.changes.at(-1);
    const isGrowing = last !== undefined && dot(change, last) > 0 && dot(change, change) >= dot(last, last);
    this.stride = isGrowing ? Math.min(LONGEST, 2 * this.stride) : 1;
    this.changes = [...(isGrowing ? [] : this.changes.slice(-DEPTH)), change];
    this.answers = [...(isGrowing ? [] : this.answers.slice(-DEPTH)), answer];
    if (isGrowing) return guess.map((v, i) => within(v + this.stride * change[i]!));
    const back = this.changes.slice(0, -1).map((c) => change.map((v, i) => v - c[i]!));
    const shares = leastSquares(back, change);
    if (!shares) return answer;
    return answer.map((v, i) => {
      const mixed = shares.reduce((sum, share, k) => sum - share * (v - this.answers[k]![i]!), v);
      return within(change[i]! >= 0 ? Math.max(v, mixed) : Math.min(v, mixed));
    });
  }
}

const within = (v: number) => Math.max(0, Math.min(1, v));
const dot = (a: Float64Array, b: Float64Array) => a.reduce((sum, v, i) => sum + v * b[i]!, 0);

/** Shares of vectors whose sum comes nearest to another; undefined where there are none. */
function leastSquares(vectors: readonly Float64Array[], to: Float64Array): number[] | undefined {
  if (vectors.length === 0) return undefined;
  const matrix = vectors.map((a) => vectors.map((b) => dot(a, b)));
  const most = Math.max(...matrix.map((row, i) => row[i]!));
  if (!(most > 0)) return undefined;
  // A trace of its own size on the diagonal: vectors that are all but alike share the sum.
  matrix.forEach((row, i) => (row[i]! += 1e-10 * most));
  return solveDense(
    matrix,
    vectors.map((a) => dot(a, to)),
  );
}
