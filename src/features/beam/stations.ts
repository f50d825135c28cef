import type { BeamStrips } from '@/core/members/beam/result';

/** The station nearest to a position (mm). Of two at the same place, the one with the larger moment. */
export function nearestStation(s: BeamStrips, x: number): number {
  let best = 0;
  const size = (i: number) => Math.max(s.shiftedHogging[i]!, s.shiftedSagging[i]!);
  for (let i = 1; i < s.x.length; i += 1) {
    const [a, b] = [Math.abs(s.x[i]! - x), Math.abs(s.x[best]! - x)];
    if (a < b - 1e-6 || (Math.abs(a - b) <= 1e-6 && size(i) > size(best))) best = i;
  }
  return best;
}
