import { CalcError, silent } from '../../calc/calc';
import type { DesignCode } from '../../codes/design-code';
import type { BeamAnalysis } from './analysis';
import { shearBetween, shearLimits, shiftAt, shiftedMoments } from './demand';
import type { ResistanceMap } from './resistance';
import type { BeamStrips } from './result';
import { bendingTask } from './section-at';
import type { SteelAlong } from './steel';
import type { Sense } from './sense';
import type { PreparedBeam } from './prepared';

/** Demand and resistance along the whole beam. */
export function beamStrips(
  beam: PreparedBeam,
  code: DesignCode,
  analysis: BeamAnalysis,
  resistance: ResistanceMap<SteelAlong>,
): BeamStrips {
  const { stations, ...env } = analysis.envelope;
  const n = stations.length;
  const curve = () => new Float64Array(n);
  const resistanceV = curve();
  const designV = designShear(beam, code, analysis, resistance);
  stations.forEach(({ span, x }, i) => {
    const V = Math.max(Math.abs(env.maxV[i]!), Math.abs(env.minV[i]!));
    const section = resistance.shearUnder(span, x, { max: env.maxM[i]!, min: env.minM[i]! }, V);
    resistanceV[i] = resistance.shearAt(section, resistance.map.linkZoneAt(span, x)).force;
  });
  const shifted = shiftedMoments(stations, env, (i, sense) => shiftAt(resistance, stations[i]!.span, stations[i]!.x, sense));
  const strips = {
    x: Float64Array.from(stations, (s) => s.x),
    span: Int32Array.from(stations, (s) => s.span),
    maxM: env.maxM,
    minM: env.minM,
    maxV: env.maxV,
    minV: env.minV,
    maxMBy: env.maxMBy,
    minMBy: env.minMBy,
    maxVBy: env.maxVBy,
    minVBy: env.minVBy,
    designV,
    shiftedSagging: shifted.sagging,
    shiftedHogging: shifted.hogging,
    resistanceSagging: curve(),
    resistanceHogging: curve(),
    resistanceV,
    requiredBottom: curve(),
    requiredTop: curve(),
    providedBottom: curve(),
    providedTop: curve(),
  };
  stations.forEach(({ span, x }, i) => {
    for (const sense of ['sagging', 'hogging'] as const) {
      const isSagging = sense === 'sagging';
      const steel = resistance.tensionSteel(span, x, sense);
      (isSagging ? strips.providedBottom : strips.providedTop)[i] = steel.area;
      (isSagging ? strips.resistanceSagging : strips.resistanceHogging)[i] = resistance.bendingAt(span, x, sense)?.moment ?? 0;
      const moment = isSagging ? shifted.sagging[i]! : shifted.hogging[i]!;
      const capacity = (isSagging ? strips.resistanceSagging : strips.resistanceHogging)[i]!;
      const needed = requiredSteel(beam, code, span, sense, moment, steel.d, resistance.compressionDepth(span, x, sense));
      // The closed form leaves bars in compression out. Where they make the section hold, less is needed: resistance is concave in the
      // steel, so that steel in proportion to the moment is enough.
      const enough = moment > 0 && moment <= capacity ? (steel.area * moment) / capacity : Infinity;
      const least = Number.isFinite(needed) ? Math.min(needed, enough) : enough;
      (isSagging ? strips.requiredBottom : strips.requiredTop)[i] = least;
    }
  });
  return strips;
}

/** The shear envelope with its peaks near supports cut where links need not be checked. */
function designShear(beam: PreparedBeam, code: DesignCode, analysis: BeamAnalysis, resistance: ResistanceMap<SteelAlong>): Float64Array {
  const { stations, maxV, minV } = analysis.envelope;
  const curves = { x: stations.map((s) => s.x), span: stations.map((s) => s.span), maxV, minV };
  const force = Float64Array.from(stations, (_, i) => Math.max(Math.abs(maxV[i]!), Math.abs(minV[i]!)));
  beam.spans.forEach((_, span) => {
    const { from, to } = shearLimits(beam, code, analysis, span, (x) => resistance.shearSection(span, x, ['sagging', 'hogging']).d);
    const inside = shearBetween(curves, span, from, to);
    const at = (x: number) => inside.find((d) => Math.abs(d.x - x) < 1e-6)?.force ?? Infinity;
    const [first, last] = [at(from), at(to)];
    stations.forEach((st, i) => {
      if (st.span !== span) return;
      if (st.x < from) force[i] = Math.min(force[i]!, first);
      if (st.x > to) force[i] = Math.min(force[i]!, last);
    });
  });
  return force;
}

/** Tension steel for a moment with tension steel at d and compression steel at d2 (mm2); NaN where the section cannot carry it with such steel. */
export function requiredSteel(
  beam: PreparedBeam,
  code: DesignCode,
  span: number,
  sense: Sense,
  moment: number,
  d: number,
  d2: number,
): number {
  if (moment <= 0) return 0;
  const delta = sense === 'sagging' ? 1 : Math.min(beam.supports[span]!.redistribution, beam.supports[span + 1]!.redistribution);
  try {
    return code.bendingSteel(silent, bendingTask(beam, span, sense, { moment, d, d2, delta })).tension;
  } catch (error) {
    if (error instanceof CalcError) return NaN;
    throw error;
  }
}
