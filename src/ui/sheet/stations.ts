import { supportName, supportPositions } from '@/core/members/beam/input';
import type { BeamStrips } from '@/core/members/beam/result';

/** The station nearest to a position (mm). Of two at the same place, the one with the larger size. */
export function nearest(xs: ArrayLike<number>, x: number, size: (i: number) => number): number {
  let best = 0;
  for (let i = 1; i < xs.length; i += 1) {
    const [a, b] = [Math.abs(xs[i]! - x), Math.abs(xs[best]! - x)];
    if (a < b - 1e-6 || (Math.abs(a - b) <= 1e-6 && size(i) > size(best))) best = i;
  }
  return best;
}

/** The station nearest to a position (mm). Of two at the same place, the one with the larger moment. */
export const nearestStation = (s: BeamStrips, x: number): number =>
  nearest(s.x, x, (i) => Math.max(s.shiftedHogging[i]!, s.shiftedSagging[i]!));

/** Name of the place of a station: in which span, or at which support. */
export function placeName(
  member: { readonly spans: readonly { readonly length: number }[]; readonly supports: readonly { readonly width: number }[] },
  x: number,
): string {
  const starts = supportPositions(member);
  const support = starts.findIndex((s, i) => Math.abs(s - x) <= Math.max(1, (member.supports[i]?.width ?? 0) / 2));
  if (support >= 0) return `support ${supportName(support)}`;
  return `span ${Math.max(
    1,
    starts.findIndex((s) => s > x),
  )}`;
}
