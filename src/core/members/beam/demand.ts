import type { Station } from '../../analysis/envelope';
import type { DesignCode } from '../../codes/design-code';
import type { BeamAnalysis } from './analysis';
import type { PreparedBeam } from './prepared';

/**
 * Moments shifted along the beam, for steel: at each station the worst moment of its span within the shift on either side (mm). The shift stands for
 * the shear there, which is another one beyond a support: it ends at it.
 */
export function shiftedMoments(
  stations: readonly Station[],
  maxM: Float64Array,
  minM: Float64Array,
  shiftAt: (i: number) => number,
): { readonly sagging: Float64Array; readonly hogging: Float64Array } {
  const n = stations.length;
  const sagging = new Float64Array(n);
  const hogging = new Float64Array(n);
  for (let i = 0; i < n; i += 1) {
    const { x, span } = stations[i]!;
    const isOwn = (j: number) => j >= 0 && j < n && stations[j]!.span === span;
    const shift = shiftAt(i);
    let top = 0;
    let bottom = 0;
    /** A place between two stations, straight between them. */
    const between = (j: number, k: number, at: number) => {
      const part = (at - stations[j]!.x) / (stations[k]!.x - stations[j]!.x);
      bottom = Math.max(bottom, maxM[j]! + (maxM[k]! - maxM[j]!) * part);
      top = Math.max(top, -(minM[j]! + (minM[k]! - minM[j]!) * part));
    };
    for (const by of [-1, 1]) {
      const end = x + by * shift;
      let j = i;
      for (; isOwn(j) && by * (stations[j]!.x - end) <= 0; j += by) {
        bottom = Math.max(bottom, maxM[j]!);
        top = Math.max(top, -minM[j]!);
      }
      // The shift ends between stations: not at the last one within it.
      if (isOwn(j) && j !== i) between(j - by, j, end);
    }
    sagging[i] = bottom;
    hogging[i] = top;
  }
  return { sagging, hogging };
}

/** Shear curves as the envelope and the strips both have them. */
export interface ShearCurves {
  readonly x: ArrayLike<number>;
  readonly span: ArrayLike<number>;
  readonly maxV: Float64Array;
  readonly minV: Float64Array;
}

/** Largest shear at a place, and the station whose moments and combination stand for it. */
export interface ShearDemand {
  readonly x: number;
  readonly force: number;
  readonly station: number;
}

/**
 * Shear at the stations of a span between two positions, and at these positions themselves by straight lines between stations
 * (exact for uniform loads, and never less than the envelope).
 */
export function shearBetween(curves: ShearCurves, span: number, from: number, to: number): ShearDemand[] {
  const found: ShearDemand[] = [];
  const force = (i: number) => Math.max(Math.abs(curves.maxV[i]!), Math.abs(curves.minV[i]!));
  for (let i = 0; i < curves.x.length; i += 1) {
    if (curves.span[i] !== span) continue;
    const x = curves.x[i]!;
    const next = curves.span[i + 1] === span ? curves.x[i + 1]! : x;
    if (x >= from && x <= to) found.push({ x, force: force(i), station: i });
    for (const at of [from, to]) {
      if (!(at > x && at < next)) continue;
      const t = (at - x) / (next - x);
      found.push({ x: at, force: force(i) * (1 - t) + force(i + 1) * t, station: t < 0.5 ? i : i + 1 });
    }
  }
  return found;
}

/** The stretch of a span where links are checked: between d (as the code has it) beyond the faces; up to a free end. */
export function shearLimits(
  beam: PreparedBeam,
  code: DesignCode,
  analysis: BeamAnalysis,
  span: number,
  depthAt: (x: number) => number,
): { readonly from: number; readonly to: number } {
  const left = analysis.faces[span]!;
  const right = analysis.faces[span + 1]!;
  const from = beam.supports[span]!.type === 'free' ? left.centre : left.right + code.shearDistance(depthAt(left.right));
  const to = beam.supports[span + 1]!.type === 'free' ? right.centre : right.left - code.shearDistance(depthAt(right.left));
  const middle = (left.centre + right.centre) / 2;
  return from < to ? { from, to } : { from: middle - 1, to: middle + 1 };
}
