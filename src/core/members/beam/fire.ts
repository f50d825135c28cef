import type { Calc } from '../../calc/calc';
import type { DerivableCheck } from '../../checks/check';
import type { FireBeam, FireWay } from '../../codes/fire-rules';
import { fireChecks } from '../parts/fire-check';
import { holdsMoment } from './holds-moment';
import { outlineOf, type PreparedBeam } from './prepared';
import { spanIsotherm } from './fire-isotherm';
import type { SteelAlong, SteelMap } from './steel';
import type { CheckBasis } from './bending-checks';

/** Use of the bottom bars of a span in bending, from its check; all of it where there is none. */
export const spanUse = (checks: readonly DerivableCheck[], span: number): number =>
  Math.min(1, checks.find(({ check }) => check.id === `bending-span-${span + 1}`)?.check.utilisation ?? 1);

/** Mean axis distance of all layers (mm), weighted by their areas: EN 1992-1-2 (5.5). */
export function meanAxis(bars: readonly { readonly area: number; readonly fromFace: number }[]): number {
  const area = bars.reduce((sum, p) => sum + p.area, 0);
  return bars.reduce((sum, p) => sum + p.area * p.fromFace, 0) / Math.max(area, 1e-9);
}

/** How a span carries in a fire: a cantilever, on two supports, or continuous over one at least. */
export function systemOf(beam: PreparedBeam, span: number): FireBeam['system'] {
  if (beam.supports[span]!.type === 'free' || beam.supports[span + 1]!.type === 'free') return 'cantilever';
  return holdsMoment(beam, span) || holdsMoment(beam, span + 1) ? 'continuous' : 'simple';
}

/** Steps in which top bars are looked along on a side of a support. */
const STEPS = 120;

/** Top steel that the supports of a span need, falling into the spans on both sides, over that which is there: the largest. */
function topAlong({ beam, strips, resistance }: CheckBasis<SteelAlong>, span: number, reach: number, fall: number): number {
  const length = (k: number) => (beam.starts[k + 1] ?? 0) - (beam.starts[k] ?? 0);
  const at = [span, span + 1].filter((support) => holdsMoment(beam, support));
  const ratios = at.flatMap((support) => {
    const sides = [support - 1, support].filter((k) => k >= 0 && k < beam.spans.length);
    const x0 = beam.starts[support]!;
    const l = Math.max(...sides.map(length));
    const half = beam.supports[support]!.width / 2 + 1;
    const needed = Math.max(
      0,
      ...[...strips.x.keys()].filter((i) => Math.abs(strips.x[i]! - x0) <= half).map((i) => strips.requiredTop[i]!),
    );
    return sides.flatMap((k) =>
      Array.from({ length: STEPS }, (_, i) => {
        // What is needed at the nearer end of a step over what is there at its further end: between them neither is worse.
        const [near, far] = [(reach * l * i) / STEPS, (reach * l * (i + 1)) / STEPS];
        if (far > length(k)) return 0;
        const there = resistance.tensionSteel(k, k < support ? x0 - far : x0 + far, 'hogging').area;
        const least = needed * Math.max(0, 1 - (fall * near) / l);
        return least > 0 ? least / there : 0;
      }),
    );
  });
  return Math.max(0, ...ratios);
}

/** A span by what a fire leaves of its sections, where the code has that way. */
export function isothermOf(basis: CheckBasis<SteelAlong>, span: number): FireWay[] {
  const isContinuous = systemOf(basis.beam, span) === 'continuous';
  const way = spanIsotherm(basis, span, isContinuous ? (reach, fall) => topAlong(basis, span, reach, fall) : null);
  return way ? [way] : [];
}

/** Fire resistance of every span by its web and its bottom bars at midspan; the upper side is not exposed. */
export function beamFire(basis: CheckBasis, map: SteelMap, checks: readonly DerivableCheck[]): DerivableCheck[] {
  const { beam, code } = basis;
  const cases = beam.spans.map((_, span) => {
    const { b, h } = outlineOf(beam, span);
    const middle = (beam.starts[span]! + beam.starts[span + 1]!) / 2;
    const { bars } = map.placement(map.barsAt('bottom', span, middle));
    const q: FireBeam = {
      materials: beam.materials,
      width: Math.min(b, h),
      // The nearest bar bounds the cover.
      axis: meanAxis(bars),
      side: Math.min(...bars.map((p) => b / 2 - Math.abs(p.x))),
      cover: Math.min(...bars.map((p) => Math.min(p.fromFace, b / 2 - Math.abs(p.x)) - p.diameter / 2)),
      layers: new Set(bars.map((p) => p.layer)).size,
      use: spanUse(checks, span),
      system: systemOf(beam, span),
      topAlong: (reach, fall) => topAlong(basis, span, reach, fall),
      isRedistributed: [beam.supports[span]!, beam.supports[span + 1]!].some((s) => s.redistribution < 0.85),
    };
    return { label: `span ${span + 1}`, ways: (c: Calc) => [...code.fire.beam(c, q), ...isothermOf(basis, span)] };
  });
  return fireChecks(beam.fire, code, cases);
}
