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
