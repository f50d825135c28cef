/** A moment that bars in one direction are to carry at a face, and that of the other direction (N mm/mm, never negative). */
export interface BarMoments {
  readonly x: number;
  readonly other: number;
}

/**
 * Moments that bars along x and along a direction at `angle` from it (rad, a quarter turn usually) carry together at the lower face of a plate, so that in no
 * direction more is asked than both give: n M n <= mx* cos2 t + ma* cos2 (t - angle) for every t, with the least sum of both (Wood 1968, Armer 1968).
 * mx and my sagging positive, mxy = -D (1 - nu) w,xy. For the upper face give all three with the other sign.
 */
export function barMoments(mx: number, my: number, mxy: number, angle = Math.PI / 2): BarMoments {
  const [cot, sin] = angle === Math.PI / 2 ? [0, 1] : [1 / Math.tan(angle), Math.sin(angle)];
  const twist = my * cot - mxy;
  const across = mx - 2 * mxy * cot + my * cot * cot;
  const x = across + Math.abs(twist) / sin;
  const other = my / sin ** 2 + Math.abs(twist) / sin;
  if (x >= 0 && other >= 0) return { x, other };
  // A direction that would be pressed needs no bars there: what is left of the twist falls to the other.
  if (x < 0 && across < 0) return { x: 0, other: Math.max(0, (my + twist ** 2 / -across) / sin ** 2) };
  if (my < 0) return { x: Math.max(0, across + twist ** 2 / -my), other: 0 };
  return { x: Math.max(0, x), other: Math.max(0, other) };
}

/** A sum of the moments of a plate: so much of each. */
export interface MomentTerm {
  readonly mx: number;
  readonly my: number;
  readonly mxy: number;
}

/**
 * Moments that bars along x, or those along y, are to carry at the lower face of a plate, as two sums of which the larger counts, nothing where both are
 * negative: mx + |mxy| and my + |mxy|, never less than {@link barMoments}. With both no direction is asked for more than it has:
 * mx* cos2 t + my* sin2 t - n M n = |mxy| (1 -+ 2 sin t cos t) >= 0 for every t. As sums they can be added load by load, and their largest value over all
 * arrangements of loads is found without trying them. mx and my sagging positive; for the upper face take the smaller sum with the other sign.
 */
export const barTerms = (along: 'x' | 'y'): readonly [MomentTerm, MomentTerm] => {
  const own = along === 'x' ? { mx: 1, my: 0 } : { mx: 0, my: 1 };
  return [
    { ...own, mxy: 1 },
    { ...own, mxy: -1 },
  ];
};
