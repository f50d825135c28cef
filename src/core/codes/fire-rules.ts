import type { CombinationKind } from '../analysis/combination';
import type { HeatFire, HeatLaw } from '../analysis/heat/heat-flow';
import type { Calc } from '../calc/calc';
import type { UltimateBasis } from '../section/ultimate';
import type { Materials } from './basis';

/** Periods for which fire resistance is asked (minutes). */
export const FIRE_PERIODS = [30, 60, 90, 120, 180, 240] as const;

/** What one way of a code finds for a member: how many minutes it resists, 0 where not even the shortest period. */
export interface FireWay {
  readonly title: string;
  readonly clause: string;
  readonly minutes: number;
  /** What stands against more, or why the way does not apply. */
  readonly reason: string;
}

/** A column under one load set at one place. Lengths mm, areas mm2, N. */
export interface FireColumn {
  readonly materials: Materials;
  /** Smaller and larger side; both the diameter of a round one. */
  readonly width: number;
  readonly depth: number;
  readonly isRound: boolean;
  /** From the nearest face to the centre of the bars, the least. */
  readonly axis: number;
  /** Clear cover of the main bars. */
  readonly cover: number;
  readonly bars: number;
  readonly area: number;
  readonly steelArea: number;
  /** N and M over what the section carries when both grow together, without any factor on its strength beyond those of the materials. */
  readonly use: number;
  /** Whether these are the forces of the fire itself; else design forces, of which there is a part in a fire. */
  readonly isOfFire: boolean;
  /** Axial force, and eccentricity of the first order (N, mm). */
  readonly N: number;
  readonly e: number;
  readonly height: number;
  /** The longer effective length of both axes at normal temperature, and its slenderness. */
  readonly l0: number;
  readonly slenderness: number;
  readonly isBraced: boolean;
  readonly isOneSided: boolean;
}

export interface FireWall {
  readonly materials: Materials;
  readonly thickness: number;
  readonly axis: number;
  readonly cover: number;
  readonly height: number;
  readonly use: number;
  readonly isOfFire: boolean;
  readonly isOneSided: boolean;
}

export interface FireBeam {
  readonly materials: Materials;
  readonly width: number;
  /** Mean distance of the bottom bars from the underside, and the least from a side. */
  readonly axis: number;
  readonly side: number;
  readonly cover: number;
  readonly layers: number;
  /** Bending in the span over what it carries. */
  readonly use: number;
  readonly system: 'simple' | 'continuous' | 'cantilever';
  /**
   * Top steel that the supports need over that which is there, where it is largest: what is needed falls from the centre of a support by `fall` times the part of the
   * longer span beside it, over a `reach` of that span to both sides.
   */
  topAlong(reach: number, fall: number): number;
  /** Whether more than 15 % of moments was redistributed. */
  readonly isRedistributed: boolean;
}

export interface FireSlab {
  readonly materials: Materials;
  readonly depth: number;
  readonly axis: number;
  readonly cover: number;
  readonly use: number;
  /** How it carries: one way, two ways by the ratio of its sides, or on columns without beams. */
  readonly kind: 'oneWay' | 'twoWay' | 'flat';
  readonly ratio: number;
}

/** A section whose concrete counts in full inside an isotherm and not at all outside, with bars as strong as their temperature lets them be. */
export interface IsothermRules {
  readonly title: string;
  readonly clause: string;
  /** Why it does not hold for materials; null where it does. */
  materialFault(m: Materials): string | null;
  /** Temperature of the isotherm (degrees C). */
  readonly limit: number;
  heat(m: Materials): HeatLaw;
  readonly fire: HeatFire;
  /** Least width of a section (mm) for a period, and slenderness up to which it applies. */
  leastWidth(minutes: number): number;
  readonly mostSlenderness: number;
  /** Slenderness of a column in fire by that at normal temperature. */
  slenderness(q: Pick<FireColumn, 'l0' | 'height' | 'slenderness'>): number;
  /** Strength of a bar over that at 20 degrees, however little it is strained. */
  barStrength(theta: number): number;
  /** The same of bars in tension in beams and slabs that are strained fully; how far they must be strained to have more than others, and for all of it. */
  stretchedStrength(theta: number): number;
  readonly stretching: { readonly from: number; readonly full: number };
  /** Top bars that a continuous span needs from a period (minutes) on: see `topAlong` of {@link FireBeam}. */
  readonly topBars: { readonly from: number; readonly reach: number; readonly fall: number; readonly clause: string };
  /** Depth of a slab (mm) that keeps its other side cool for a period. */
  leastDepth(minutes: number): number;
  /** Strengths with the factors of an accidental situation. */
  basis(m: Materials): UltimateBasis;
  /** Forces in fire over design forces. */
  readonly reduction: number;
}

/** Combinations whose forces stand for those of a fire, with their words. */
export interface FireForces {
  readonly kind: CombinationKind;
  readonly title: string;
  readonly clause: string;
}

/** What a code says of fire: every way it has is tried, and any one that gives the time is enough. */
export interface FireRules {
  column(c: Calc, q: FireColumn): readonly FireWay[];
  wall(c: Calc, q: FireWall): readonly FireWay[];
  beam(c: Calc, q: FireBeam): readonly FireWay[];
  slab(c: Calc, q: FireSlab): readonly FireWay[];
  /** Null where forces are taken as a part of the design forces; else of columns and walls whose load cases are known. */
  readonly forces: FireForces | null;
  /** Undefined where the code has no such way here. */
  readonly isotherm?: IsothermRules;
}
