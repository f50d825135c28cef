import type { ParabolaLaw } from './laws';

/**
 * Exact integrals of the concrete stress over a polygon, as line integrals along its edges (Green): with stress g(v),
 * N = ∮ u g dv, moment about u = ∮ u v g dv, moment about v = ∮ u² g / 2 dv. Each edge is cut where the law changes.
 */

/** Points and weights of Gauss-Legendre on 0..1 with three points: exact up to the fifth power. */
const GAUSS3: readonly (readonly [number, number])[] = [
  [0.5 - Math.sqrt(0.15), 5 / 18],
  [0.5, 8 / 18],
  [0.5 + Math.sqrt(0.15), 5 / 18],
];
/** Five points, for short pieces of laws with a broken exponent. */
const GAUSS5: readonly (readonly [number, number])[] = [
  [0.04691007703066802, 0.11846344252809454],
  [0.23076534494715845, 0.23931433524968324],
  [0.5, 0.28444444444444444],
  [0.7692346550528415, 0.23931433524968324],
  [0.953089922969332, 0.11846344252809454],
];

/** What is added up: force, sum of F v, sum of F u. Written into, so that loops make no garbage. */
export type Sums = Float64Array;

/** Adds the resultant of uniform stress over the part of the section with v >= level. */
export function addUniform(edges: Float64Array, level: number, stress: number, sums: Sums): void {
  for (let i = 0; i < edges.length; i += 4) {
    const v1 = edges[i + 1]!;
    const v2 = edges[i + 3]!;
    if (v1 === v2 || (v1 <= level && v2 <= level)) continue;
    const u1 = edges[i]!;
    const u2 = edges[i + 2]!;
    const m = (u2 - u1) / (v2 - v1);
    const a = v1 < level ? level : v1;
    const b = v2 < level ? level : v2;
    const ua = v1 < level ? u1 + m * (level - v1) : u1;
    const ub = v2 < level ? u1 + m * (level - v1) : u2;
    const dv = (b - a) * stress;
    sums[0]! += (dv * (ua + ub)) / 2;
    sums[1]! += (dv * (2 * ua * a + ua * b + ub * a + 2 * ub * b)) / 6;
    sums[2]! += (dv * (ua * ua + ua * ub + ub * ub)) / 6;
  }
}

/**
 * Adds the resultant of a parabola-rectangle whose stress begins at v = from (strain 0) and is full from v = full on. `full` may lie
 * beyond the section, and `from` below it.
 */
export function addParabola(edges: Float64Array, from: number, full: number, law: ParabolaLaw, sums: Sums): void {
  addUniform(edges, full, law.stress, sums);
  const { exponent: n, stress } = law;
  const isWhole = n === 1 || n === 2;
  const length = full - from;
  for (let i = 0; i < edges.length; i += 4) {
    const v1 = edges[i + 1]!;
    const v2 = edges[i + 3]!;
    if (v1 === v2 || (v1 <= from && v2 <= from) || (v1 >= full && v2 >= full)) continue;
    const u1 = edges[i]!;
    const m = (edges[i + 2]! - u1) / (v2 - v1);
    const a = v1 < from ? from : v1 > full ? full : v1;
    const b = v2 < from ? from : v2 > full ? full : v2;
    if (a === b) continue;
    const ua = u1 + m * (a - v1);
    const ub = u1 + m * (b - v1);
    const wa = (full - a) / length;
    const wb = (full - b) / length;
    if (!isWhole && Math.abs(wb - wa) > 0.02) addBroken(a, b, ua, ub, wa, wb, n, stress, sums);
    else
      for (const [t, weight] of isWhole ? GAUSS3 : GAUSS5) {
        const u = ua + (ub - ua) * t;
        const v = a + (b - a) * t;
        const w = wa + (wb - wa) * t;
        const g = 1 - (n === 2 ? w * w : n === 1 ? w : Math.max(0, w) ** n);
        const f = g * weight * (b - a) * stress * u;
        sums[0]! += f;
        sums[1]! += f * v;
        sums[2]! += (f * u) / 2;
      }
  }
}

/** One piece with a broken exponent in closed form: u and v are linear in w, so that every term is a power of w. */
function addBroken(a: number, b: number, ua: number, ub: number, wa: number, wb: number, n: number, stress: number, sums: Sums): void {
  const scale = (stress * (b - a)) / (wb - wa);
  const [pu, pv] = [(ub - ua) / (wb - wa), (b - a) / (wb - wa)];
  const [qu, qv] = [ua - pu * wa, a - pv * wa];
  // Integrals of w^k (1 - w^n) from wa to wb.
  const integral = (k: number) =>
    (wb ** (k + 1) - wa ** (k + 1)) / (k + 1) - (Math.max(0, wb) ** (n + k + 1) - Math.max(0, wa) ** (n + k + 1)) / (n + k + 1);
  const [i0, i1, i2] = [integral(0), integral(1), integral(2)];
  sums[0]! += scale * (qu * i0 + pu * i1);
  sums[1]! += scale * (qu * qv * i0 + (qu * pv + pu * qv) * i1 + pu * pv * i2);
  sums[2]! += (scale * (qu * qu * i0 + 2 * qu * pu * i1 + pu * pu * i2)) / 2;
}
