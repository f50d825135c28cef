import type { DerivableCheck } from '../../checks/check';
import type { DesignCode } from '../../codes/design-code';
import type { FireBeam } from '../../codes/fire-rules';
import { fireChecks } from '../parts/fire-check';
import { holdsMoment } from './holds-moment';
import { outlineOf, type PreparedBeam } from './prepared';
import type { SteelMap } from './steel';

/** Use of the bottom bars of a span in bending, from its check; all of it where there is none. */
export const spanUse = (checks: readonly DerivableCheck[], span: number): number =>
  Math.min(1, checks.find(({ check }) => check.id === `bending-span-${span + 1}`)?.check.utilisation ?? 1);

/** How a span carries in a fire: a cantilever, on two supports, or continuous over one at least. */
export function systemOf(beam: PreparedBeam, span: number): FireBeam['system'] {
  if (beam.supports[span]!.type === 'free' || beam.supports[span + 1]!.type === 'free') return 'cantilever';
  return holdsMoment(beam, span) || holdsMoment(beam, span + 1) ? 'continuous' : 'simple';
}

/** Fire resistance of every span by its web and its bottom bars at midspan; the upper side is not exposed. */
export function beamFire(beam: PreparedBeam, code: DesignCode, map: SteelMap, checks: readonly DerivableCheck[]): DerivableCheck[] {
  const cases = beam.spans.map((_, span) => {
    const { b, h } = outlineOf(beam, span);
    const middle = (beam.starts[span]! + beam.starts[span + 1]!) / 2;
    const { bars } = map.placement(map.barsAt('bottom', span, middle));
    const area = bars.reduce((sum, p) => sum + p.area, 0);
    const q: FireBeam = {
      materials: beam.materials,
      width: Math.min(b, h),
      // The mean of all layers, 5.2(15) of EN 1992-1-2; the nearest bar bounds the cover.
      axis: bars.reduce((sum, p) => sum + p.area * p.fromFace, 0) / Math.max(area, 1e-9),
      side: Math.min(...bars.map((p) => b / 2 - Math.abs(p.x))),
      cover: Math.min(...bars.map((p) => Math.min(p.fromFace, b / 2 - Math.abs(p.x)) - p.diameter / 2)),
      layers: new Set(bars.map((p) => p.layer)).size,
      use: spanUse(checks, span),
      system: systemOf(beam, span),
      isRedistributed: [beam.supports[span]!, beam.supports[span + 1]!].some((s) => s.redistribution < 0.85),
    };
    return { label: `span ${span + 1}`, ways: (c: Parameters<typeof code.fire.beam>[0]) => code.fire.beam(c, q) };
  });
  return fireChecks(beam.fire, code, cases);
}
