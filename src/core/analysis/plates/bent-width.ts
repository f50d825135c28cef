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

/** Within this part of the curvature that cracks a width is next to having no moment. */
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
): BentState {
  const { sagging, hogging } = width;
  // Without moment a width has the free curvature of its state, one for each sense; between both there is no moment.
  const bent = (s: SectionStiffness, remembered: Remembered, inSense: number) => shareAt(s, leastShare(s, remembered), inSense, twisted);
  const up = stateWith(width, true, bent(sagging, sagged, -Infinity));
  const down = stateWith(width, false, bent(hogging, hogged, -Infinity));
  const [low, high] = up.free >= down.free ? [down.free, up.free] : [up.free, up.free];
  const near = (NEAR_REST * sagging.crackingMoment) / sagging.uncracked;
  if (curvature >= high + near) return stateWith(width, true, bent(sagging, sagged, curvature));
  if (curvature <= low - near) return stateWith(width, false, bent(hogging, hogged, -curvature));
  return atRest(up, down, curvature, [low, high], near);
}

/**
 * A width next to where it has no moment: its stiffness goes from that of one sense to that of the other without a jump, for the other direction feels it
 * even where there is no moment; the moment itself is that of the sense.
 */
function atRest(up: BentState, down: BentState, curvature: number, [low, high]: readonly [number, number], near: number): BentState {
  const moment = curvature > high ? (curvature - high) * up.stiffness : curvature < low ? (curvature - low) * down.stiffness : 0;
  const t = (curvature - low + near) / (high - low + 2 * near);
  const stiffness = up.stiffness ** t * down.stiffness ** (1 - t);
  const isSagging = curvature >= (low + high) / 2;
  return { zeta: (isSagging ? up : down).zeta, stiffness, free: curvature - moment / stiffness, isSagging };
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
