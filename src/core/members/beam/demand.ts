import type { Station } from '../../analysis/envelope';

/** Moments shifted along the beam, for steel: at each station the worst moment within the shift on either side (mm). */
export function shiftedMoments(
  stations: readonly Station[],
  maxM: Float64Array,
  minM: Float64Array,
  shiftAt: (i: number) => number,
): { readonly sagging: Float64Array; readonly hogging: Float64Array } {
  const n = stations.length;
  const sagging = new Float64Array(n);
  const hogging = new Float64Array(n);
  for (let i = 0; i < n; i += 1) {
    const { x } = stations[i]!;
    const shift = shiftAt(i);
    let top = 0;
    let bottom = 0;
    for (let j = i; j >= 0 && x - stations[j]!.x <= shift; j -= 1) {
      bottom = Math.max(bottom, maxM[j]!);
      top = Math.max(top, -minM[j]!);
    }
    for (let j = i + 1; j < n && stations[j]!.x - x <= shift; j += 1) {
      bottom = Math.max(bottom, maxM[j]!);
      top = Math.max(top, -minM[j]!);
    }
    sagging[i] = bottom;
    hogging[i] = top;
  }
  return { sagging, hogging };
}
