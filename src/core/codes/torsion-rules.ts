import type { Calc } from '../calc/calc';
import type { Loop, PerEdge } from '../geometry/polygon';
import type { Limit, Links, Materials, ShearSection } from './basis';

export interface TorsionQuestion {
  /** Torque and shear that go together (N mm, N). */
  readonly T: number;
  readonly V: number;
  readonly section: ShearSection;
  /** Outline that works in torsion (anticlockwise), distance from its edges to the longitudinal bars, and to the axis of the outer links (mm). */
  readonly outline: Loop;
  readonly toBar: PerEdge;
  readonly toLink: PerEdge;
  /** Flanges beside the outline: their depth, and how far they stand out to each side (mm). None where there are none. */
  readonly flanges?: { readonly depth: number; readonly overhangs: readonly number[] };
  /** Thickness of the real wall of a hollow section (mm); Infinity where it is solid. */
  readonly realWall: number;
  readonly links: Links;
  readonly materials: Materials;
}

export interface TorsionAnswer {
  /** Why nothing can be worked out, in words. */
  readonly refusal?: string;
  /** Torque that is designed for: none below the threshold, or what compatibility leaves (N mm). */
  readonly design: number;
  /** Concrete with shear and torque together, over what it carries. */
  readonly concrete: number;
  /** Links with shear and torque together, over those there: each outer leg carries the torque and its part of the shear. */
  readonly links: number;
  /** Area of all legs per length that both together need (mm2/mm), and the largest spacing. */
  readonly linkArea: number;
  readonly spacing: Limit;
  /** Longitudinal steel all round, beside that for bending (mm2), and the largest distance of its bars. */
  readonly longitudinal: number;
  readonly barSpacing: Limit;
  /** Width and height of the bars' cage over its perimeter: how the longitudinal steel is shared. */
  readonly corePerimeter: number;
}

/** What works in torsion as a code sees it: the axis of its wall or stirrups, and the inside of the wall where it has a thickness (mm). */
export interface TorsionWall {
  readonly axis: Loop;
  readonly inner: Loop | null;
  readonly thickness: number | null;
}

/** What a code says of torsion. N, mm, MPa. */
export interface TorsionRules {
  /** The equivalent wall of an outline, 6.3.2(1), or the area within the stirrups, 22.7.6.1. */
  wall(q: Pick<TorsionQuestion, 'outline' | 'toBar' | 'toLink' | 'realWall'>): TorsionWall;
  check(c: Calc, q: TorsionQuestion): TorsionAnswer;
  readonly clauses: { readonly concrete: string; readonly links: string; readonly longitudinal: string };
}
