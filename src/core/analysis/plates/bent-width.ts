import type { SectionStiffness } from '../../section/mean-curvature';

/** A width of slab along one direction, bent either way. N mm, 1/mm, all per length of slab (stiffnesses N mm2/mm). */
export interface BentWidth {
  readonly sagging: SectionStiffness;
  readonly hogging: SectionStiffness;
}

/**
 * The most that has acted in a sense so far: a moment above the cracking moment (N mm/mm), or below it that moment times the part of the width that has
 * cracked, where one moment has many curvatures; nothing where it never cracked.
 */
export type Remembered = number;

/** Where a width stands: its share of the cracked state, the stiffness that goes with it, and its curvature without moment (1/mm). */
export interface BentState {
  readonly zeta: number;
  readonly stiffness: number;
  readonly free: number;
  readonly isSagging: boolean;
}

/** Curvatures less than this part of the one that cracks are next to none. */
const NEAR_REST = 0.02;
const HALVINGS = 34;

const stiffnessIn = (s: SectionStiffness, zeta: number): number => 1 / (zeta / s.cracked + (1 - zeta) / s.uncracked);
const freeIn = (s: SectionStiffness, zeta: number): number => zeta * s.shrinkageCracked + (1 - zeta) * s.shrinkageUncracked;

/** The share of the cracked state that is left by what has acted. */
export const leastShare = (s: SectionStiffness, remembered: Remembered): number =>
  remembered <= s.crackingMoment ? ((1 - s.beta) * remembered) / s.crackingMoment : 1 - s.beta * (s.crackingMoment / remembered) ** 2;

/** What is remembered of a share of the cracked state that a moment, with what counts of twisting, has brought. */
export const rememberedOf = (s: SectionStiffness, zeta: number, moment: number): Remembered =>
  zeta <= 0 ? 0 : zeta < 1 - s.beta ? (s.crackingMoment * zeta) / (1 - s.beta) : Math.max(moment, s.crackingMoment * (1 + 1e-9));

/** A width bent in a sense with a share of the cracked state. */
export function stateWith({ sagging, hogging }: BentWidth, isSagging: boolean, zeta: number): BentState {
  const s = isSagging ? sagging : hogging;
  return { zeta, stiffness: stiffnessIn(s, zeta), free: isSagging ? freeIn(s, zeta) : -freeIn(s, zeta), isSagging };
}

/**
 * Where a width of slab stands at a curvature. Its moment with what counts of twisting cracks it: both fall as the share of the cracked state grows, and the
 * share that a moment brings grows with it, so there is one share that fits, also at the jump with which cracking begins, where one moment has many.
 * `twisted` is the twisting moment that counts over the root of the width's stiffness.
 */
export function atCurvature(
  width: BentWidth,
  curvature: number,
  twisted: number,
  [sagged, hogged]: readonly [Remembered, Remembered],
  wasSagging?: boolean,
): BentState {
  const { sagging, hogging } = width;
  // Without moment the width has the free curvature of its state; what is beyond that decides the sense.
  const rest = freeIn(sagging, shareAt(sagging, leastShare(sagging, sagged), -Infinity, twisted));
  // Near to none it keeps the sense that it had: to and fro there would never settle.
  const isNearRest = Math.abs(curvature - rest) < (NEAR_REST * sagging.crackingMoment) / sagging.uncracked;
  const isSagging = isNearRest && wasSagging !== undefined ? wasSagging : curvature >= rest;
  const s = isSagging ? sagging : hogging;
  const least = leastShare(s, isSagging ? sagged : hogged);
  if (!isSagging) {
    // Between what both senses curve without moment there is none.
    const atRest = shareAt(s, least, -Infinity, twisted);
    if (-curvature < freeIn(s, atRest)) return { ...stateWith(width, false, atRest), free: curvature };
  }
  return stateWith(width, isSagging, shareAt(s, least, isSagging ? curvature : -curvature, twisted));
}

/** The share of the cracked state at a curvature in the sense of bending, by halving. */
function shareAt(s: SectionStiffness, least: number, curvature: number, twisted: number): number {
  const asks = (zeta: number): boolean => {
    const stiffness = stiffnessIn(s, zeta);
    const counted = Math.max(0, (curvature - freeIn(s, zeta)) * stiffness) + twisted * Math.sqrt(stiffness);
    return counted > s.crackingMoment && 1 - s.beta * (s.crackingMoment / counted) ** 2 > zeta;
  };
  if (!asks(least)) return least;
  let [low, high] = [least, 1];
  for (let i = 0; i < HALVINGS; i += 1) {
    const middle = (low + high) / 2;
    if (asks(middle)) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
