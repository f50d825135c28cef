import { bearing, turnTo, type Bearing, type PolygonSection } from './polygon-section';
import { emptyState, mostCompression, mostTension, neutralAxisDepth, ultimateAt, type UltimateBasis, type UltimateState } from './ultimate';

/** A point of the surface, with the strains that belong to it. */
export interface SurfacePoint extends UltimateState {
  /** Direction of growing compression (rad) and depth of the neutral axis along it (mm, Infinity for uniform strain, 0 for pure tension). */
  readonly theta: number;
  readonly x: number;
  readonly t: number;
}

interface Slice {
  readonly bearing: Bearing;
  readonly N: Float64Array;
  readonly Mx: Float64Array;
  readonly My: Float64Array;
  /** Whether N grows all along the slice, so that there is one state for each N. */
  readonly grows: boolean;
}

/** One row for each slice at an axial force: moments, depth parameter, and the interval of the table it lies in. */
interface Level {
  N: number;
  readonly Mx: Float64Array;
  readonly My: Float64Array;
  readonly depth: Float64Array;
  readonly interval: Int32Array;
}

export interface SurfaceOptions {
  readonly angles?: number;
  readonly depths?: number;
}

/**
 * How far the slices stand off the axes (rad) where the strength jumps at a direction along them: what is read between slices is then that of the directions
 * beside the axes, never that of the axes alone.
 */
const OFF_AXIS = 0.05;

/** Where the direction is looked for around a pair of slices, in steps of the table. */
const WIDER = [
  [0, 1],
  [-0.5, 0],
  [1, 1.5],
  [-1.5, -0.5],
  [1.5, 2.5],
] as const;

/** Depth parameters of the table: closest where the neutral axis lies in the section, where the forces change most. */
function depthParameters(count: number): Float64Array {
  const inside = Math.round(count * 0.7);
  const beyond = count - 1 - inside;
  return Float64Array.from({ length: count }, (_, i) => (i <= inside ? (i / inside) ** 1.25 : 1 + (i - inside) / beyond));
}

/**
 * The resistance of a section to N, Mx and My together: every limit state of strain by direction and depth of the neutral axis. A table
 * brackets each answer, and the answer itself is solved from the exact states. Forces in N, moments in N mm.
 */
export class ResistanceSurface {
  readonly slices: readonly Slice[];
  readonly most: number;
  readonly least: number;
  private readonly depths: Float64Array;
  private readonly scratch = emptyState();
  private readonly turning: Bearing;
  private readonly lastLevel: Level;

  constructor(
    readonly section: PolygonSection,
    readonly basis: UltimateBasis,
    options: SurfaceOptions = {},
  ) {
    const { angles = 36, depths = 48 } = options;
    this.depths = depthParameters(depths);
    this.turning = bearing(section, 0);
    const row = () => new Float64Array(angles);
    this.lastLevel = { N: NaN, Mx: row(), My: row(), depth: row(), interval: new Int32Array(angles) };
    this.most = mostCompression(section, basis);
    this.least = mostTension(section, basis);
    const turn = basis.blockShare ? OFF_AXIS : 0;
    this.slices = Array.from({ length: angles }, (_, i) => this.slice((2 * Math.PI * i) / angles + turn));
  }

  /** The state along a bearing at a parameter of depth. The object is used again by the next call. */
  private state(b: Bearing, t: number): UltimateState {
    ultimateAt(this.section, b, t, this.basis, this.scratch);
    return this.scratch;
  }

  private slice(theta: number): Slice {
    const b = bearing(this.section, theta);
    const n = this.depths.length;
    const slice = { bearing: b, N: new Float64Array(n), Mx: new Float64Array(n), My: new Float64Array(n), grows: true };
    for (let i = 0; i < n; i += 1) {
      const s = this.state(b, this.depths[i]!);
      slice.N[i] = s.N;
      slice.Mx[i] = s.Mx;
      slice.My[i] = s.My;
      if (i > 0 && s.N < slice.N[i - 1]!) slice.grows = false;
    }
    return slice;
  }

  /** A state of the surface in full. */
  point(theta: number, t: number): SurfacePoint {
    const b = bearing(this.section, theta);
    return this.pointOf(b, t, this.state(b, t));
  }

  private pointOf(b: Bearing, t: number, s: UltimateState): SurfacePoint {
    const { theta } = b;
    return { ...s, theta, t, x: t <= 0 ? 0 : t >= 2 ? Infinity : neutralAxisDepth(t, b.h) };
  }

  /** Intervals of the table in which the axial force passes N, those with the larger moments first. */
  private brackets(s: Slice, N: number): number[] {
    const found: number[] = [];
    if (s.grows) {
      let [low, high] = [0, s.N.length - 1];
      if (N < s.N[0]! || N > s.N[high]!) return found;
      while (high - low > 1) {
        const middle = (low + high) >> 1;
        if (s.N[middle]! <= N) low = middle;
        else high = middle;
      }
      found.push(low);
      return found;
    }
    for (let i = 0; i + 1 < s.N.length; i += 1) if (s.N[i]! <= N !== s.N[i + 1]! <= N) found.push(i);
    return found;
  }

  /**
   * Moments of every slice at an axial force by interpolation in the table: the state of largest moment where there are several, interval -1 where
   * there is none. Kept for the force asked for last, since a load set asks again and again for the same.
   */
  private level(N: number): Level {
    const known = this.lastLevel;
    if (known.N === N) return known;
    known.N = N;
    for (let i = 0; i < this.slices.length; i += 1) {
      const s = this.slices[i]!;
      known.interval[i] = -1;
      let largest = -1;
      for (const k of this.brackets(s, N)) {
        const span = s.N[k + 1]! - s.N[k]!;
        const f = span === 0 ? 0 : Math.max(0, Math.min(1, (N - s.N[k]!) / span));
        const Mx = s.Mx[k]! + f * (s.Mx[k + 1]! - s.Mx[k]!);
        const My = s.My[k]! + f * (s.My[k + 1]! - s.My[k]!);
        if (Mx * Mx + My * My <= largest) continue;
        largest = Mx * Mx + My * My;
        known.Mx[i] = Mx;
        known.My[i] = My;
        known.depth[i] = this.depths[k]! + f * (this.depths[k + 1]! - this.depths[k]!);
        known.interval[i] = k;
      }
    }
    return known;
  }

  /**
   * Depth parameter in a bracket at which the axial force is N (false position, halved when slow). A bar that enters a stress block makes the
   * force jump; a jump is no equilibrium, and the true crossing is looked for on both sides of it. Undefined when there is none.
   */
  private solveDepth(b: Bearing, N: number, from: number, to: number): number | undefined {
    let [lo, hi] = [from, to];
    let fLo = this.state(b, lo).N - N;
    let fHi = this.state(b, hi).N - N;
    const near = 1e-10 * (this.most - this.least);
    if (Math.abs(fLo) <= near) return lo;
    if (Math.abs(fHi) <= near) return hi;
    if (fLo > 0 === fHi > 0) return undefined;
    let side = 0;
    for (let i = 0; hi - lo > 1e-12; i += 1) {
      const t = i % 8 === 7 ? (lo + hi) / 2 : (fHi * lo - fLo * hi) / (fHi - fLo);
      const f = this.state(b, t).N - N;
      if (Math.abs(f) <= near) return t;
      if (f > 0 === fHi > 0) {
        [hi, fHi] = [t, f];
        if (side === 1) fLo /= 2;
        side = 1;
      } else {
        [lo, fLo] = [t, f];
        if (side === -1) fHi /= 2;
        side = -1;
      }
      if (i > 200) break;
    }
    // Narrowed to nothing without reaching N: a jump.
    const [left, right] = [lo - 1e-9, hi + 1e-9];
    const f = (t: number) => this.state(b, t).N - N;
    if (right < to && f(right) > 0 !== f(to) > 0) return this.solveDepth(b, N, right, to);
    if (left > from && f(left) > 0 !== f(from) > 0) return this.solveDepth(b, N, from, left);
    return undefined;
  }

  /** The state of largest moment for a direction of the neutral axis and an axial force; undefined when there is none. */
  atAngle(theta: number, N: number): SurfacePoint | undefined {
    const s = this.slice(theta);
    let best: SurfacePoint | undefined;
    for (const k of this.brackets(s, N)) {
      const t = this.solveDepth(s.bearing, N, this.depths[k]!, this.depths[k + 1]!);
      const p = t === undefined ? undefined : this.point(theta, t);
      if (p && (!best || Math.hypot(p.Mx, p.My) > Math.hypot(best.Mx, best.My))) best = p;
    }
    return best;
  }

  /** Moments of all table directions at one axial force: a closed curve round the origin, undefined where the section cannot carry N so. */
  contour(N: number): ({ Mx: number; My: number; theta: number } | undefined)[] {
    if (N > this.most) return this.slices.map(() => undefined);
    const { Mx, My, interval } = this.level(N);
    return this.slices.map((s, i) => (interval[i]! < 0 ? undefined : { Mx: Mx[i]!, My: My[i]!, theta: s.bearing.theta }));
  }

  /**
   * The largest moment in the direction of (Mx, My) that the section carries together with N; exact, with the neutral axis turned until
   * the resisting moment is parallel to the demand. Undefined when N alone is too much, or there is no moment to take a direction from.
   */
  capacity(N: number, Mx: number, My: number): SurfacePoint | undefined {
    const size = Math.hypot(Mx, My);
    if (size === 0 || N > this.most || N < this.least) return undefined;
    const [dx, dy] = [Mx / size, My / size];
    let best: SurfacePoint | undefined;
    const moment = (p: SurfacePoint) => p.Mx * dx + p.My * dy;
    for (const i of this.crossings(N, dx, dy)) {
      const p = this.quickly(N, dx, dy, i) ?? this.refine(N, dx, dy, i);
      if (p && (!best || moment(p) > moment(best))) best = p;
    }
    return best;
  }

  /** Capacity from the table alone: quick, within about 1 %. */
  roughCapacity(N: number, Mx: number, My: number): number {
    const size = Math.hypot(Mx, My);
    if (N > this.most || N < this.least) return 0;
    if (size === 0) return Infinity;
    const [dx, dy] = [Mx / size, My / size];
    let best = 0;
    const { Mx: x, My: y } = this.level(N);
    for (const i of this.crossings(N, dx, dy)) {
      const k = (i + 1) % this.slices.length;
      const [ca, cb] = [dx * y[i]! - dy * x[i]!, dx * y[k]! - dy * x[k]!];
      const f = ca === cb ? 0 : ca / (ca - cb);
      best = Math.max(best, dx * (x[i]! + f * (x[k]! - x[i]!)) + dy * (y[i]! + f * (y[k]! - y[i]!)));
    }
    return best;
  }

  /** Pairs of neighbouring slices between which the direction of the resisting moment passes the one asked for, by the first. */
  private crossings(N: number, dx: number, dy: number): number[] {
    const { Mx, My, interval } = this.level(N);
    const n = this.slices.length;
    const found: number[] = [];
    for (let i = 0; i < n; i += 1) {
      const k = i + 1 === n ? 0 : i + 1;
      if (interval[i]! < 0 || interval[k]! < 0) continue;
      const ca = dx * My[i]! - dy * Mx[i]!;
      const cb = dx * My[k]! - dy * Mx[k]!;
      if (ca <= 0 !== cb <= 0 && dx * (Mx[i]! + Mx[k]!) + dy * (My[i]! + My[k]!) > 0) found.push(i);
    }
    return found;
  }

  /**
   * Newton's method for direction and depth together, from the table. Undefined where it does not settle near its start, as it may at a
   * jump of the resistance; {@link refine} then does it the slow way.
   */
  private quickly(N: number, dx: number, dy: number, i: number): SurfacePoint | undefined {
    const start = this.start(N, dx, dy, i);
    if (!start) return undefined;
    const b = this.turning;
    const step = (2 * Math.PI) / this.slices.length;
    const forceScale = this.most - this.least;
    let { theta, t } = start;
    for (let k = 0; k < 8; k += 1) {
      turnTo(this.section, theta, b);
      let s = this.state(b, t);
      const [f, g, size] = [s.N - N, dx * s.My - dy * s.Mx, Math.hypot(s.Mx, s.My)];
      if (Math.abs(f) <= 1e-10 * forceScale && Math.abs(g) <= 1e-9 * size) return this.pointOf(b, t, s);
      const dt = t > 1 ? -1e-6 : 1e-6;
      s = this.state(b, t + dt);
      const [ft, gt] = [(s.N - N - f) / dt, (dx * s.My - dy * s.Mx - g) / dt];
      turnTo(this.section, theta + 1e-6, b);
      s = this.state(b, t);
      const [fa, ga] = [(s.N - N - f) / 1e-6, (dx * s.My - dy * s.Mx - g) / 1e-6];
      const det = ft * ga - fa * gt;
      t -= (f * ga - g * fa) / det;
      theta -= (ft * g - gt * f) / det;
      if (!(t > 0 && t < 2 && Math.abs(theta - start.theta) < 1.5 * step && Math.abs(t - start.t) < 0.2)) return undefined;
    }
    return undefined;
  }

  /** Direction and depth between two slices by interpolation in the table. */
  private start(N: number, dx: number, dy: number, i: number): { theta: number; t: number } | undefined {
    const k = (i + 1) % this.slices.length;
    const { Mx, My, depth, interval } = this.level(N);
    if (interval[i]! < 0 || interval[k]! < 0) return undefined;
    const [ca, cb] = [dx * My[i]! - dy * Mx[i]!, dx * My[k]! - dy * Mx[k]!];
    const f = ca === cb ? 0.5 : ca / (ca - cb);
    const step = (2 * Math.PI) / this.slices.length;
    return { theta: this.slices[i]!.bearing.theta + f * step, t: (1 - f) * depth[i]! + f * depth[k]! };
  }

  /** Turns the neutral axis between two slices until the moment has the right direction. */
  private refine(N: number, dx: number, dy: number, i: number): SurfacePoint | undefined {
    const n = this.slices.length;
    const step = (2 * Math.PI) / n;
    const from = this.slices[i]!.bearing.theta;
    const at = (f: number) => {
      const theta = from + f * step;
      const b = this.turning;
      turnTo(this.section, theta, b);
      const t = this.depthNear(b, N, i);
      if (t === undefined) return undefined;
      const s = this.state(b, t);
      return { theta, t, Mx: s.Mx, My: s.My, off: dx * s.My - dy * s.Mx, size: Math.hypot(s.Mx, s.My) };
    };
    // The table may be a little off: the bracket is widened to the sides until the exact moments enclose the direction.
    let bracket: readonly [number, number] | undefined;
    for (const [from, to] of WIDER) {
      const [a, b] = [at(from)?.off, at(to)?.off];
      if (a !== undefined && b !== undefined && a <= 0 !== b <= 0) {
        bracket = [from, to];
        break;
      }
    }
    if (!bracket) return undefined;
    let [fLo, fHi] = bracket;
    const lo = at(fLo)!;
    const hi = at(fHi)!;
    let [cLo, cHi] = [lo.off, hi.off];
    let best = Math.abs(cLo) < Math.abs(cHi) ? lo : hi;
    let side = 0;
    for (let k = 0; k < 50 && Math.abs(best.off) > 1e-10 * best.size; k += 1) {
      const f = k % 8 === 7 ? (fLo + fHi) / 2 : (cHi * fLo - cLo * fHi) / (cHi - cLo);
      const p = at(f);
      if (!p) break;
      if (Math.abs(p.off) < Math.abs(best.off)) best = p;
      if (p.off <= 0 === cHi <= 0) {
        [fHi, cHi] = [f, p.off];
        if (side === 1) cLo /= 2;
        side = 1;
      } else {
        [fLo, cLo] = [f, p.off];
        if (side === -1) cHi /= 2;
        side = -1;
      }
      if (fHi - fLo < 1e-14) break;
    }
    return this.point(best.theta, best.t);
  }

  /** Depth parameter for N between two slices: a bracket from the table first, widened until it holds. */
  private depthNear(b: Bearing, N: number, i: number): number | undefined {
    const { interval } = this.level(N);
    const [a, c] = [interval[i]!, interval[(i + 1) % this.slices.length]!];
    if (a < 0 || c < 0) return undefined;
    const last = this.depths.length - 2;
    let [low, high] = [Math.min(a, c), Math.max(a, c)];
    for (;;) {
      const fLo = this.state(b, this.depths[low]!).N - N;
      const fHi = this.state(b, this.depths[high + 1]!).N - N;
      if (fLo <= 0 !== fHi <= 0) break;
      if (low === 0 && high === last) return undefined;
      if (fLo > 0 && low > 0) low -= 1;
      else if (fHi < 0 && high < last) high += 1;
      else if (low > 0) low -= 1;
      else high += 1;
    }
    return this.solveDepth(b, N, this.depths[low]!, this.depths[high + 1]!);
  }
}
