/** A sum of the moments of a plate: so much of each. */
export interface MomentTerm {
  readonly mx: number;
  readonly my: number;
  readonly mxy: number;
}

/** A direction on the plan, as a unit vector. */
type Direction = readonly [x: number, y: number];

/** n M m, the moment over one direction that is felt along another, as a sum of mx, my and mxy. */
export const momentBetween = ([ax, ay]: Direction, [bx, by]: Direction): MomentTerm => ({
  mx: ax * bx,
  my: ay * by,
  mxy: ax * by + ay * bx,
});

const plus = (a: MomentTerm, b: MomentTerm, factor: number): MomentTerm => ({
  mx: a.mx + factor * b.mx,
  my: a.my + factor * b.my,
  mxy: a.mxy + factor * b.mxy,
});

/**
 * Moments that bars along one direction are to carry at the lower face of a plate beside bars along another one, as two sums of which the larger counts,
 * nothing where both are negative (Wood 1968, Armer 1968). With n square to the own bars, m square to the other ones and s the sine of the angle between
 * both they are m M m / s2 and beside it the size of n M m / s2; of bars at right angles mx + |mxy| and my + |mxy|. With both sets no direction t is asked
 * for more than it has: what is left of both less t M t is |n M m| / s2 (t own -+ t other)2 >= 0. As sums they can be added load by load, and their largest
 * value over all arrangements of loads is found without trying them. mx and my sagging positive, mxy = -D (1 - nu) w,xy; for the upper face take the
 * smaller sum with the other sign.
 */
export function barTerms(own: Direction, other: Direction): readonly [MomentTerm, MomentTerm] {
  const sine = own[0] * other[1] - own[1] * other[0];
  // Square to the other bars, and square to the own ones: with the first no moment comes from the other bars.
  const acrossOther: Direction = [other[1] / sine, -other[0] / sine];
  const acrossOwn: Direction = [-own[1] / sine, own[0] / sine];
  const bending = momentBetween(acrossOther, acrossOther);
  const twist = momentBetween(acrossOther, acrossOwn);
  return [plus(bending, twist, 1), plus(bending, twist, -1)];
}

export const momentOf = ({ mx, my, mxy }: MomentTerm, [x, y, xy]: readonly [number, number, number]): number => mx * x + my * y + mxy * xy;
