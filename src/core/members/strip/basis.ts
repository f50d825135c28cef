import type { BeamAnalysis } from '../beam/analysis';
import type { CheckBasis } from '../beam/bending-checks';
import type { StripInput } from './input';
import type { StripMap } from './steel';

/** What the checks of a slab share: those of a beam, and the slab itself. */
export interface StripBasis extends CheckBasis<StripMap> {
  readonly strip: StripInput;
  readonly analysis: BeamAnalysis;
}

/** The station of a span nearest to a place. */
export function stationNear({ strips }: StripBasis, span: number, x: number): number {
  let best = -1;
  for (let i = 0; i < strips.x.length; i += 1)
    if (strips.span[i] === span && (best < 0 || Math.abs(strips.x[i]! - x) < Math.abs(strips.x[best]! - x))) best = i;
  return best;
}
