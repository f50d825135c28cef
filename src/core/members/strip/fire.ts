import type { Calc } from '../../calc/calc';
import type { DerivableCheck } from '../../checks/check';
import type { FireSlab } from '../../codes/fire-rules';
import { isothermOf, meanAxis, spanUse } from '../beam/fire';
import { outlineOf } from '../beam/prepared';
import { fireChecks } from '../parts/fire-check';
import type { StripBasis } from './basis';
import type { StripMap } from './steel';

/** Fire resistance of every span of a slab that spans one way: its depth and its bottom bars at midspan, exposed from below. */
export function stripFire(basis: StripBasis, map: StripMap, checks: readonly DerivableCheck[]): DerivableCheck[] {
  const { strip, beam, code } = basis;
  const cases = beam.spans.map((_, span) => {
    const middle = (beam.starts[span]! + beam.starts[span + 1]!) / 2;
    const { bars } = map.placement(map.barsAt('bottom', span, middle));
    const q: FireSlab = {
      materials: strip.materials,
      depth: outlineOf(beam, span).h,
      axis: meanAxis(bars),
      cover: Math.min(...bars.map((p) => p.fromFace - p.diameter / 2)),
      use: spanUse(checks, span),
      kind: 'oneWay',
      ratio: Infinity,
    };
    return { label: `span ${span + 1}`, ways: (c: Calc) => [...code.fire.slab(c, q), ...isothermOf(basis, span)] };
  });
  return fireChecks(strip.fire, code, cases);
}
