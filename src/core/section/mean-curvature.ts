/** How stiff a section is in one sense of bending at one age: uncracked, cracked, and where it stands between them. N mm, N mm2, 1/mm. */
export interface SectionStiffness {
  readonly crackingMoment: number;
  /** Weight of tension stiffening: 1 for a first load, less for lasting or repeated ones. */
  readonly beta: number;
  readonly uncracked: number;
  readonly cracked: number;
  /** Curvature by shrinkage in both states, positive in the sense of bending. */
  readonly shrinkageUncracked: number;
  readonly shrinkageCracked: number;
}

/** Part of the cracked state in the mean: 0 up to the cracking moment, then 1 - beta (Mcr/M)2 by the largest moment so far. */
export function crackedPart(s: SectionStiffness, largest: number): number {
  return largest <= s.crackingMoment ? 0 : 1 - s.beta * (s.crackingMoment / largest) ** 2;
}

/** Mean curvature (1/mm) in the sense of bending, under a moment of that sense; `largest` is the largest moment that has acted. */
export function meanCurvature(s: SectionStiffness, moment: number, largest: number): number {
  const zeta = crackedPart(s, Math.max(moment, largest));
  return zeta * (moment / s.cracked + s.shrinkageCracked) + (1 - zeta) * (moment / s.uncracked + s.shrinkageUncracked);
}

/**
 * Mean curvature over a short step, of which only a part may be cracked: by the largest moments at its left end, middle and right end,
 * straight between them. The cracked state begins with a jump, so where it begins matters.
 */
export function meanCurvatureOver(s: SectionStiffness, moment: number, left: number, middle: number, right: number): number {
  const cracked = (crackedShare(left, middle, s.crackingMoment) + crackedShare(middle, right, s.crackingMoment)) / 2;
  if (cracked === 0) return moment / s.uncracked + s.shrinkageUncracked;
  const most = Math.max(moment, middle, s.crackingMoment * (1 + 1e-9));
  const full = meanCurvature(s, moment, most);
  return cracked === 1 ? full : cracked * full + (1 - cracked) * (moment / s.uncracked + s.shrinkageUncracked);
}

/** Part of a stretch in which a moment that runs straight from a to b is above the cracking moment. */
function crackedShare(a: number, b: number, limit: number): number {
  if (a > limit && b > limit) return 1;
  if (a <= limit && b <= limit) return 0;
  return (Math.max(a, b) - limit) / Math.abs(b - a);
}

/** Stiffness that gives the mean curvature without shrinkage (N mm2). */
export function meanStiffness(s: SectionStiffness, moment: number): number {
  const zeta = crackedPart(s, moment);
  return 1 / (zeta / s.cracked + (1 - zeta) / s.uncracked);
}
