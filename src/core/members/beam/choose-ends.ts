import type { DesignCode } from '../../codes/design-code';
import { catalogues } from '../../materials/bars';
import { roundDown, roundUp, usualSizes } from '../../reinforcement/usual-sizes';
import { withStationsAt, type BeamAnalysis } from './analysis';
import { shiftAt, shiftedMoments } from './demand';
import { holdsMoment } from './holds-moment';
import type { PreparedBeam } from './prepared';
import { anchorageLengths, ResistanceMap } from './resistance';
import { tensionFace, type Sense } from './sense';
import { tooFewForCracks } from './service/region-moments';
import type { ServiceMoments } from './service/service-moments';
import { SteelMap, type BarRun, type BeamSteel, type SteelAlong } from './steel';

/** A beam with the bars that go on alone, and with all that are chosen at their full strength. */
interface EndsTask<S extends SteelAlong> {
  readonly beam: PreparedBeam;
  readonly code: DesignCode;
  readonly analysis: BeamAnalysis;
  readonly bare: ResistanceMap<S>;
  readonly full: ResistanceMap<S>;
}

/**
 * Envelopes with a station each step in which lengths of bars are rounded, and the places of a stretch where the bars that go on are too few for the
 * shifted moments; with those beside them, since somewhere before these they begin to be enough. `left` is the part of them that is there for bending.
 */
export function endsOf<S extends SteelAlong>(
  { beam, code, analysis, bare, full }: EndsTask<S>,
  left: (span: number, x: number, sense: Sense) => number = () => 1,
) {
  const { lengthStep } = usualSizes[beam.catalogue];
  const every = beam.spans.flatMap(({ length }, i) =>
    Array.from({ length: Math.ceil(length / lengthStep) }, (_, k) => beam.starts[i]! + k * lengthStep),
  );
  const { stations, ...env } = withStationsAt(analysis, beam, code, every).envelope;
  const shifted = shiftedMoments(stations, env, (i, sense) => shiftAt(full, stations[i]!.span, stations[i]!.x, sense));
  const lacking = (span: number, sense: Sense, from: number, to: number): number[] => {
    const own = [...stations.keys()].filter((i) => stations[i]!.span === span && stations[i]!.x >= from && stations[i]!.x <= to);
    const isOver = own.map((i) => {
      const { x } = stations[i]!;
      return shifted[sense][i]! > (bare.bendingAt(span, x, sense)?.moment ?? 0) * left(span, x, sense) * 0.999 + 1;
    });
    return own.filter((_, k) => isOver[k] || isOver[k - 1] || isOver[k + 1]).map((i) => stations[i]!.x);
  };
  return { stations, maxM: env.maxM, minM: env.minM, lacking };
}

/**
 * Sets the ends of bars that stop: where neither the shifted moment, with what torsion takes of the bars beside it, nor cracks need them, and an
 * anchorage length on.
 */
export function withEnds(
  beam: PreparedBeam,
  code: DesignCode,
  analysis: BeamAnalysis,
  moments: ServiceMoments | undefined,
  draft: BeamSteel,
  extra: (span: number) => number,
): BeamSteel {
  const { starts } = beam;
  const { lengthStep } = usualSizes[beam.catalogue];
  const bare: BeamSteel = { ...draft, bottom: draft.bottom.map((b) => ({ ...b, extra: null })), support: draft.support.map(() => null) };
  const catalogue = { catalogue: catalogues[beam.catalogue] };
  const anchorage = anchorageLengths(beam, code, catalogue);
  const resistance = new ResistanceMap(beam, code, new SteelMap(beam, bare, code, anchorage));
  const full = new ResistanceMap(beam, code, new SteelMap(beam, draft, code, () => 1));
  /** Part of the through bars that torsion leaves for bending: what bars carry is concave in them, so that in proportion is enough. */
  const leftFor = (span: number, x: number, sense: Sense) =>
    extra(span) === 0 ? 1 : Math.max(0, 1 - extra(span) / Math.max(1, resistance.tensionSteel(span, x, sense).area));
  const { stations, maxM, minM, lacking: forStrength } = endsOf({ beam, code, analysis, bare: resistance, full }, leftFor);
  const lacking = (span: number, sense: Sense, from: number, to: number): number[] => {
    const where = forStrength(span, sense, from, to);
    if (!moments) return where;
    const bars = resistance.map.placement(resistance.map.barsAt(tensionFace(sense), span, from));
    return [...where, ...tooFewForCracks(beam, code, analysis, moments, { span, sense, from, to }, bars)];
  };

  const bottom = draft.bottom.map((b, i) => {
    if (!b.extra) return b;
    const own = beam.bars.bottom[i]!.extra;
    const [start, end] = [starts[i]!, starts[i + 1]!];
    // Where the through bars alone are too few, and always where the moment is largest: there the least steel is asked for.
    const peak = stations.reduce((best, st, k) => (st.span === i && (best < 0 || maxM[k]! > maxM[best]!) ? k : best), -1);
    const where = [...lacking(i, 'sagging', start, end), stations[peak]!.x];
    const on = anchorage('bottom', b.extra.bars.size, i);
    const from = own.from !== null ? start + own.from : start + roundDown(Math.max(0, Math.min(...where) - on - start), lengthStep);
    const to = own.to !== null ? start + own.to : end - roundDown(Math.max(0, end - Math.max(...where) - on), lengthStep);
    return { main: b.main, extra: { bars: b.extra.bars, from, to } };
  });
  const support = draft.support.map((run, j): BarRun | null => {
    if (!run) return null;
    const own = beam.bars.support[j]!;
    const centre = starts[j]!;
    const reach = (span: number, side: -1 | 1): number => {
      const L = beam.spans[span]?.length;
      if (L === undefined) return 0;
      const far = side === 1 ? span + 1 : span;
      if (beam.supports[far]!.type === 'free') return L;
      const most = holdsMoment(beam, far) ? L / 2 : L;
      const [near, end] = side === 1 ? [centre, centre + most] : [centre - most, centre];
      // As below, always where the moment is largest, which is not over the support where moments are applied within the span.
      const peak = stations.reduce(
        (best, st, k) =>
          st.span === span && st.x >= near && st.x <= end && -minM[k]! > (best < 0 ? 0 : -minM[best]!) * (1 + 1e-9) ? k : best,
        -1,
      );
      const where = [...lacking(span, 'hogging', near, end), ...(peak < 0 ? [] : [stations[peak]!.x])];
      const furthest = where.length > 0 ? Math.max(...where.map((x) => Math.abs(x - centre))) : 0;
      const half = beam.supports[j]!.width / 2;
      return Math.min(L, roundUp(Math.max(furthest, half) + anchorage('top', run.bars.size, span), lengthStep));
    };
    const left = own.left ?? reach(j - 1, -1);
    const right = own.right ?? reach(j, 1);
    if (!own.bars && left <= 0 && right <= 0) return null;
    return { bars: run.bars, from: Math.max(starts[0]!, centre - left), to: Math.min(starts[starts.length - 1]!, centre + right) };
  });
  return { ...draft, bottom, support };
}
