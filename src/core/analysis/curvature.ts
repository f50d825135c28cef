/**
 * Deflection (mm, positive down) and slope at the ends of equal steps along a span, from the mean curvature in each step (1/mm, sagging
 * positive): w'' = -kappa, exact for a curvature that is constant within each step. Starts with the given slope and deflection.
 */
export function integrateCurvature(step: number, curvature: ArrayLike<number>, slope = 0, deflection = 0) {
  const n = curvature.length;
  const w = new Float64Array(n + 1);
  const t = new Float64Array(n + 1);
  w[0] = deflection;
  t[0] = slope;
  for (let i = 0; i < n; i += 1) {
    const k = curvature[i]!;
    t[i + 1] = t[i]! - k * step;
    w[i + 1] = w[i]! + t[i]! * step - (k * step ** 2) / 2;
  }
  return { deflection: w, slope: t };
}

/** The same for a span that is held at both ends, which are displaced by `left` and `right` (mm). */
export function heldSpan(step: number, curvature: ArrayLike<number>, left = 0, right = 0) {
  const n = curvature.length;
  const free = integrateCurvature(step, curvature);
  const slope = (right - left - free.deflection[n]!) / (n * step);
  return integrateCurvature(step, curvature, slope, left);
}
