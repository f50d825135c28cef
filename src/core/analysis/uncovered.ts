import { momentAt, shearAt, STRIDE, type Mesh, type Response } from './line-beam';

/** Halvings of an element, at most, in search of the state that covers others: what is left then may be the worst. */
const MOST_HALVINGS = 9;

/** Limits of moments over supports that go with states: for a stretch of an element one number for each state (N mm); null where moments stand as they are. */
export type LimitsOf = (element: number, from: number, to: number) => Float64Array | null;

/**
 * Indices of the states that may be the largest or smallest in moment, shear or reaction somewhere. Every other one is covered wherever it could be:
 * by the state that is worst in the middle of a stretch, where all coefficients of the difference, in the polynomials of Bernstein, are of one sign;
 * where it is not, the stretch is halved. Where the moment is cut over a support the same state covers both it and its limit.
 */
export function uncovered(mesh: Mesh, responses: readonly Response[], limitsOf: LimitsOf): Int32Array {
  const isKept = new Uint8Array(responses.length);
  const noise = noiseOf(mesh, responses);
  keepWorstReactions(responses, isKept);
  keepWorstOf({ responses, isKept, noise: noise.shear, coefficients: shears }, mesh);
  keepWorstOf({ responses, isKept, noise: noise.moment, coefficients: moments, limitsOf }, mesh);
  return Int32Array.from(isKept.keys()).filter((i) => isKept[i] === 1);
}

/** The same for moments alone, which stand as they are. */
export function uncoveredInBending(mesh: Mesh, responses: readonly Response[]): Int32Array {
  const isKept = new Uint8Array(responses.length);
  keepWorstOf({ responses, isKept, noise: noiseOf(mesh, responses).moment, coefficients: moments }, mesh);
  return Int32Array.from(isKept.keys()).filter((i) => isKept[i] === 1);
}

/** One effect along the whole beam, of both senses. */
function keepWorstOf(search: Omit<Search, 'e' | 'sense'>, mesh: Mesh): void {
  const all = [...search.responses.keys()];
  for (let e = 0; e < mesh.stiffness.length; e += 1) {
    const l = mesh.x[e + 1]! - mesh.x[e]!;
    for (const sense of [1, -1]) keepWorst({ ...search, e, sense }, all, 0, l, MOST_HALVINGS);
  }
}

/** One effect of one sense on one element. */
interface Search {
  readonly e: number;
  readonly responses: readonly Response[];
  readonly sense: number;
  readonly noise: number;
  readonly coefficients: (el: Float64Array, e: number, s: number, h: number, into: Float64Array, at: number) => void;
  readonly limitsOf?: LimitsOf;
  /** Is set for each state that is kept. */
  readonly isKept: Uint8Array;
}

/** Keeps those of some states that nothing covers on the stretch of an element from s on, h long. */
function keepWorst(search: Search, states: readonly number[], s: number, h: number, halvings: number): void {
  const { e, responses, sense, noise, coefficients, limitsOf, isKept } = search;
  const values = new Float64Array(4 * states.length);
  states.forEach((i, k) => coefficients(responses[i]!.elements, e, s, h, values, 4 * k));
  const limits = limitsOf?.(e, s, s + h) ?? null;
  const limitOf = (k: number) => (limits ? limits[states[k]!]! : 0);
  let [worst, most] = [0, -Infinity];
  for (let k = 0; k < states.length; k += 1) {
    const m = middleOf(values, 4 * k);
    const v = sense * (limits && m < 0 ? Math.max(m, Math.min(0, limitOf(k))) : m);
    if (v > most) [most, worst] = [v, k];
  }
  const left = states.filter((_, k) => {
    if (k === worst) return true;
    for (let j = 0; j < 4; j += 1) if (sense * (values[4 * worst + j]! - values[4 * k + j]!) < -noise) return true;
    // Nothing covers a limit that is not a number.
    return limits !== null && !(sense * (limitOf(worst) - limitOf(k)) >= -noise);
  });
  if (left.length === 1 || halvings === 0) for (const i of left) isKept[i] = 1;
  else {
    keepWorst(search, left, s, h / 2, halvings - 1);
    keepWorst(search, left, s + h / 2, h / 2, halvings - 1);
  }
}

const middleOf = (v: Float64Array, at: number): number => (v[at]! + 3 * v[at + 1]! + 3 * v[at + 2]! + v[at + 3]!) / 8;

/** Coefficients of a cubic on a stretch, from its value and its first three derivatives at the stretch's left end. */
function bernstein(f: number, d1: number, d2: number, d3: number, h: number, into: Float64Array, at: number): void {
  into[at] = f;
  into[at + 1] = f + (h * d1) / 3;
  into[at + 2] = f + (2 * h * d1) / 3 + (h * h * d2) / 6;
  into[at + 3] = f + h * (d1 + h * (d2 / 2 + (h * d3) / 6));
}

const loadAt = (el: Float64Array, e: number, s: number) => el[STRIDE * e + 2]! + s * el[STRIDE * e + 3]!;

/** V' = -q, V'' = -q', and no third derivative. */
const shears: Search['coefficients'] = (el, e, s, h, into, at) =>
  bernstein(shearAt(el, e, s), -loadAt(el, e, s), -el[STRIDE * e + 3]!, 0, h, into, at);

/** M' = V, M'' = -q, M''' = -q'. */
const moments: Search['coefficients'] = (el, e, s, h, into, at) =>
  bernstein(momentAt(el, e, s), shearAt(el, e, s), -loadAt(el, e, s), -el[STRIDE * e + 3]!, h, into, at);

/** What is left over by rounding where effects vanish, as moments do at an end: a part in ten thousand million of the largest. */
function noiseOf(mesh: Mesh, responses: readonly Response[]) {
  let [shear, moment] = [0, 0];
  for (const { elements } of responses)
    for (let e = 0; e < mesh.stiffness.length; e += 1) {
      const v = Math.abs(elements[STRIDE * e]!);
      shear = Math.max(shear, v);
      moment = Math.max(moment, Math.abs(elements[STRIDE * e + 1]!) + v * (mesh.x[e + 1]! - mesh.x[e]!));
    }
  return { shear: 1e-10 * shear, moment: 1e-10 * moment };
}

function keepWorstReactions(responses: readonly Response[], isKept: Uint8Array): void {
  const supports = responses[0]?.reactions.length ?? 0;
  for (let j = 0; j < supports; j += 1) {
    let [most, least] = [0, 0];
    for (let i = 1; i < responses.length; i += 1) {
      const r = responses[i]!.reactions[j]!;
      if (r > responses[most]!.reactions[j]!) most = i;
      if (r < responses[least]!.reactions[j]!) least = i;
    }
    isKept[most] = isKept[least] = 1;
  }
}
