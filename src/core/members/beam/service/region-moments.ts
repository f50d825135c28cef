import { placesOfLoads } from '../../../analysis/line-beam';
import type { DesignCode } from '../../../codes/design-code';
import type { Placement } from '../../../reinforcement/bar-groups';
import type { BeamAnalysis } from '../analysis';
import { faceCracks } from './crack-question';
import { type Extremes, type ServiceMoments } from './service-moments';
import type { Sense } from '../sense';
import type { PreparedBeam } from '../prepared';

/** Moments of a region in service (N mm, positive): that for which cracks are checked, and the largest that has acted. */
export interface RegionMoments {
  readonly crack: number;
  readonly largest: number;
}

interface PlaceMoments extends RegionMoments {
  readonly x: number;
}

/** The moments of one sense in the steps of a span and under its loads that lie between the faces of its supports, within a part of it. */
function placesIn(
  { faces, mesh }: BeamAnalysis,
  moments: ServiceMoments,
  span: number,
  sense: Sense,
  from: number,
  to: number,
): PlaceMoments[] {
  const { grid, crackAt, largestAt, peaks } = moments;
  const [first, last] = [Math.max(from, faces[span]!.right), Math.min(to, faces[span + 1]!.left)];
  const inside = [...grid.x.filter((_, i) => grid.span[i] === span), ...placesOfLoads(mesh, span), ...peaks].filter(
    (x) => x > first && x < last,
  );
  // The ends of the region as well: the faces of supports, where the moments are largest.
  const xs = first <= last ? [first, ...inside, last] : [];
  const of = ({ max, min }: Extremes) => Math.max(0, sense === 'sagging' ? max : -min);
  return xs.map((x): PlaceMoments => ({ x, crack: of(crackAt(span, x)), largest: of(largestAt(span, x)) }));
}

/** The largest moments of a region. */
export function regionMoments(
  analysis: BeamAnalysis,
  moments: ServiceMoments,
  span: number,
  sense: Sense,
  from: number,
  to: number,
): RegionMoments {
  const places = placesIn(analysis, moments, span, sense, from, to);
  return { crack: Math.max(0, ...places.map((p) => p.crack)), largest: Math.max(0, ...places.map((p) => p.largest)) };
}

/** Places of a region (mm from the left end of the beam) where some bars alone would let cracks grow too wide. */
export function tooFewForCracks(
  beam: PreparedBeam,
  code: DesignCode,
  analysis: BeamAnalysis,
  moments: ServiceMoments,
  region: { readonly span: number; readonly sense: Sense; readonly from: number; readonly to: number },
  bars: Placement,
): number[] {
  const { span, sense, from, to } = region;
  const { crackingMoment, usage } = faceCracks(beam, code, span, sense);
  const least = crackingMoment(bars);
  const places = placesIn(analysis, moments, span, sense, from, to)
    .filter((p) => p.largest > least)
    .sort((a, b) => a.crack - b.crack);
  // The wider the larger the moment: the first that is too wide is found by halving.
  let [low, high] = [0, places.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (usage(bars, places[middle]!.crack) > 1) high = middle;
    else low = middle + 1;
  }
  // Up to the next place on either side: somewhere before it they are enough.
  const order = places.map((p) => p.x).sort((a, b) => a - b);
  const wide = new Set(places.slice(low).map((p) => p.x));
  return order.filter((x, i) => wide.has(x) || wide.has(order[i - 1]!) || wide.has(order[i + 1]!));
}
