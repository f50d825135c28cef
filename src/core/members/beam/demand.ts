import type { Station } from '../../analysis/envelope';
import { placesOfLoads } from '../../analysis/line-beam';
import { largestOf } from '../../checks/largest';
import type { DesignCode } from '../../codes/design-code';
import { withStationsAt, type BeamAnalysis } from './analysis';
import type { PreparedBeam } from './prepared';
import type { ResistanceMap } from './resistance';
import { tensionFace, type Sense } from './sense';
import { BESIDE, type SteelAlong } from './steel';

/**
 * Moments shifted along the beam, for steel (N mm, positive): at each station the worst moment of its span within the shift on either side (mm), which
 * is that of the steel which the moment stretches. The shift stands for the shear there, which is another one beyond a support: it ends at it.
 */
export function shiftedMoments(
  stations: readonly Station[],
  { maxM, minM }: { readonly maxM: Float64Array; readonly minM: Float64Array },
  shiftAt: (i: number, sense: Sense) => number,
): Record<Sense, Float64Array> {
  return {
    sagging: shifted(stations, maxM, (i) => shiftAt(i, 'sagging')),
    hogging: shifted(
      stations,
      minM.map((m) => -m),
      (i) => shiftAt(i, 'hogging'),
    ),
  };
}

function shifted(stations: readonly Station[], moments: Float64Array, shiftAt: (i: number) => number): Float64Array {
  const x = Float64Array.from(stations, (s) => s.x);
  const span = Int32Array.from(stations, (s) => s.span);
  return moments.map((own, i) => {
    const shift = shiftAt(i);
    let most = Math.max(0, own);
    for (let by = -1; by <= 1; by += 2) {
      const end = x[i]! + by * shift;
      let j = i + by;
      for (; span[j] === span[i] && by * (x[j]! - end) <= 0; j += by) if (moments[j]! > most) most = moments[j]!;
      // The shift ends between stations, not at the last one within it: straight between them.
      if (span[j] !== span[i]) continue;
      const [from, to] = [x[j - by]!, x[j]!];
      const there = moments[j - by]! + ((moments[j]! - moments[j - by]!) * (end - from)) / (to - from);
      if (there > most) most = there;
    }
    return most;
  });
}

/** The shift at a place for the steel of one sense (mm). */
export const shiftAt = (resistance: ResistanceMap<SteelAlong>, span: number, x: number, sense: Sense): number =>
  resistance.shearAt(resistance.shearSection(span, x, [sense]), resistance.map.linkZoneAt(span, x)).shift;

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

/**
 * An analysis with stations where its steel changes, where the stretch begins and ends in which links are checked, and where the largest moments end
 * that are moved along the tension line: what a check finds at its stations is the worst there is.
 */
export function atPlacesOf(
  beam: PreparedBeam,
  code: DesignCode,
  analysis: BeamAnalysis,
  resistance: ResistanceMap<SteelAlong>,
): BeamAnalysis {
  const { stations, maxM, minM } = analysis.envelope;
  const places = beam.spans.flatMap((_, span) => {
    const depthAt = (x: number) => resistance.shearSection(span, x, ['sagging', 'hogging']).d;
    const { from, to } = shearLimits(beam, code, analysis, span, depthAt);
    const own = [...stations.keys()].filter((i) => stations[i]!.span === span);
    const peaks = [largestOf(own, (i) => maxM[i]!)!, largestOf(own, (i) => -minM[i]!)!].map((i) => stations[i]!.x);
    // Beside those, what stands or jumps under a load may be the worst with a torque. A place is moved by the shift where it is moved to.
    const moved = [...peaks, ...placesOfLoads(analysis.mesh, span)].flatMap((x) =>
      (['sagging', 'hogging'] as const).flatMap((sense) => {
        const shift = (at: number) => shiftAt(resistance, span, at, sense);
        return [-1, 1].map((by) => x + by * shift(x + by * shift(x)));
      }),
    );
    return [from, to, ...moved];
  });
  return withStationsAt(analysis, beam, code, [...resistance.map.places(), ...places, ...runningOn(beam, resistance)]);
}

/** Places from which the ends of anchorage lengths are an effective depth away: there other bars count in shear. */
function runningOn({ starts }: PreparedBeam, resistance: ResistanceMap<SteelAlong>): number[] {
  const { map } = resistance;
  return map.places().flatMap((x) => {
    const span = Math.max(
      0,
      Math.min(
        starts.length - 2,
        starts.findLastIndex((start) => start <= x),
      ),
    );
    return (['sagging', 'hogging'] as const).flatMap((sense) => {
      const on = (by: number) => map.anchored(tensionFace(sense), span, x + by);
      if (on(-2 * BESIDE) === on(2 * BESIDE)) return [];
      const { d } = resistance.tensionSteel(span, x, sense);
      return [x - d, x + d].flatMap((at) => [at - BESIDE, at + BESIDE]);
    });
  });
}
