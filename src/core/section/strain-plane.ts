import { addParabola } from './concrete-integral';
import { parabolaStress, steelStress, type ParabolaLaw, type SteelLaw } from './laws';
import { bearing, turnTo, type Bearing, type PolygonSection } from './polygon-section';

/** A plane of strain: e = e0 + kx y + ky x, compression positive; kx goes with Mx, ky with My (1/mm). */
export interface StrainPlane {
  readonly e0: number;
  readonly kx: number;
  readonly ky: number;
}

export interface PlaneForces {
  readonly N: number;
  readonly Mx: number;
  readonly My: number;
}

/** Concrete and steel as functions of strain, for states below the ultimate one. */
export interface StrainLaws {
  readonly concrete: ParabolaLaw;
  readonly steel: SteelLaw;
  readonly deductsDisplaced: boolean;
}

export const strainAt = (p: StrainPlane, x: number, y: number): number => p.e0 + p.kx * y + p.ky * x;

const bearings = new WeakMap<PolygonSection, Bearing>();

/** Forces that a plane of strain calls up. */
export function forcesOf(section: PolygonSection, plane: StrainPlane, laws: StrainLaws): PlaneForces {
  const { concrete, steel } = laws;
  const k = Math.hypot(plane.kx, plane.ky);
  let b = bearings.get(section);
  if (!b) bearings.set(section, (b = bearing(section, 0)));
  const flat = k * b.h < 1e-14;
  turnTo(section, flat ? 0 : Math.atan2(plane.kx, plane.ky), b);
  const sums = new Float64Array(3);
  if (flat) sums[0] = parabolaStress(plane.e0, concrete) * section.gross.area;
  else {
    const from = -plane.e0 / k;
    addParabola(b.edges, from, from + concrete.peakStrain / k, concrete, sums);
  }
  let [N, Mx, My] = [sums[0]!, sums[1]! * b.sin - sums[2]! * b.cos, sums[1]! * b.cos + sums[2]! * b.sin];
  for (const bar of section.bars) {
    const e = strainAt(plane, bar.x, bar.y);
    const force = bar.area * (steelStress(e, steel) - (laws.deductsDisplaced ? parabolaStress(e, concrete) : 0));
    N += force;
    Mx += force * bar.y;
    My += force * bar.x;
  }
  return { N, Mx, My };
}

/**
 * The plane of strain in equilibrium with (N, Mx, My), by Newton's method with halved steps from the uncracked state. Undefined when the
 * section cannot carry the forces with these laws, or has too few bars to hold a plane in tension.
 */
export function solvePlane(section: PolygonSection, target: PlaneForces, laws: StrainLaws): StrainPlane | undefined {
  const { gross } = section;
  const E0 = (laws.concrete.stress * laws.concrete.exponent) / laws.concrete.peakStrain;
  const scaleN = Math.max(Math.abs(target.N), Math.hypot(target.Mx, target.My) / Math.sqrt(gross.Ix / gross.area), 1);
  const scaleM = scaleN * Math.sqrt(Math.max(gross.Ix, gross.Iy) / gross.area);
  const miss = (f: PlaneForces) => [(f.N - target.N) / scaleN, (f.Mx - target.Mx) / scaleM, (f.My - target.My) / scaleM] as const;
  const norm = (m: readonly number[]) => Math.hypot(...m);
  let plane: StrainPlane = { e0: target.N / (E0 * gross.area), kx: target.Mx / (E0 * gross.Ix), ky: target.My / (E0 * gross.Iy) };
  let m = miss(forcesOf(section, plane, laws));
  const step = { e0: 1e-9, kx: 1e-9 / Math.sqrt(gross.Ix / gross.area), ky: 1e-9 / Math.sqrt(gross.Iy / gross.area) };
  for (let i = 0; i < 80; i += 1) {
    if (norm(m) < 1e-9) return plane;
    const columns = (['e0', 'kx', 'ky'] as const).map((key) => {
      const f = miss(forcesOf(section, { ...plane, [key]: plane[key] + step[key] }, laws));
      return f.map((v, r) => (v - m[r]!) / step[key]);
    });
    const change = solve3(columns, m);
    if (!change) return undefined;
    let factor = 1;
    for (; factor > 1e-4; factor /= 2) {
      const next = { e0: plane.e0 - factor * change[0], kx: plane.kx - factor * change[1], ky: plane.ky - factor * change[2] };
      const after = miss(forcesOf(section, next, laws));
      if (norm(after) < norm(m) || factor < 1e-3) {
        plane = next;
        m = after;
        break;
      }
    }
    if (!Number.isFinite(norm(m))) return undefined;
  }
  return norm(m) < 1e-6 ? plane : undefined;
}

/** Solves three equations by Cramer's rule; columns of the matrix and the right-hand side. */
function solve3(c: readonly (readonly number[])[], r: readonly number[]): readonly [number, number, number] | undefined {
  const det = (a: readonly number[], b: readonly number[], d: readonly number[]) =>
    a[0]! * (b[1]! * d[2]! - b[2]! * d[1]!) - b[0]! * (a[1]! * d[2]! - a[2]! * d[1]!) + d[0]! * (a[1]! * b[2]! - a[2]! * b[1]!);
  const [a, b, d] = [c[0]!, c[1]!, c[2]!];
  const D = det(a, b, d);
  if (!Number.isFinite(D) || Math.abs(D) < 1e-12 * norm3(a) * norm3(b) * norm3(d)) return undefined;
  return [det(r, b, d) / D, det(a, r, d) / D, det(a, b, r) / D];
}
const norm3 = (v: readonly number[]) => Math.hypot(v[0]!, v[1]!, v[2]!);

/** Moment and curvature (N mm, 1/mm) with a given axial force, the compression growing in a fixed direction theta (rad). */
export interface CurvaturePoint {
  readonly curvature: number;
  readonly moment: number;
  readonly edgeStrain: number;
  readonly barStrain: number;
}

/** The curve of moment against curvature up to the ultimate strain of the edge; empty where the section cannot carry N at all. */
export function momentCurvature(section: PolygonSection, N: number, theta: number, laws: StrainLaws, points = 40): CurvaturePoint[] {
  const b = bearing(section, theta);
  const limit = laws.concrete.ultimateStrain;
  const stateAt = (k: number): CurvaturePoint | undefined => {
    const at = (e: number) => forcesOf(section, { e0: e, kx: k * b.sin, ky: k * b.cos }, laws);
    const e0 = bisect(-k * b.vMax - 0.05, limit * 2 + k * b.h, (e) => at(e).N < N);
    const f = at(e0);
    if (Math.abs(f.N - N) > 1e-3 * Math.max(1e3, Math.abs(N))) return undefined;
    return { curvature: k, moment: f.Mx * b.sin + f.My * b.cos, edgeStrain: e0 + k * b.vMax, barStrain: e0 + k * b.vBarMin };
  };
  const most = (limit * 1.5) / (0.02 * b.h);
  const last = bisect(0, most, (k) => (stateAt(k)?.edgeStrain ?? Infinity) <= limit, 40);
  const curve: CurvaturePoint[] = [];
  for (let i = 1; i <= points; i += 1) {
    // Closer at the beginning, where cracking and yielding happen.
    const state = stateAt(last * (i / points) ** 1.5);
    if (!state || state.edgeStrain > limit * 1.001) break;
    curve.push(state);
  }
  return curve;
}

/** Where a condition that holds at the lower end ceases to hold. */
function bisect(low: number, high: number, holds: (v: number) => boolean, steps = 80): number {
  let [lo, hi] = [low, high];
  for (let i = 0; i < steps; i += 1) {
    const middle = (lo + hi) / 2;
    if (holds(middle)) lo = middle;
    else hi = middle;
  }
  return (lo + hi) / 2;
}
