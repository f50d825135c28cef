import type { Calc } from '../calc/calc';
import type { Limit, Materials } from './basis';

/** A bar in tension that has to be anchored or lapped. Lengths mm, stresses MPa. */
export interface AnchorageQuestion {
  readonly materials: Materials;
  readonly diameter: number;
  /** Part of the design strength that has to be anchored; all of it where it is left out. */
  readonly use?: number;
  /** Cast near the top with concrete below, and the depth of the member. */
  readonly isTop: boolean;
  readonly h: number;
  /** Clear cover to the bar and clear distance to the next one. */
  readonly cover: number;
  readonly clear: number;
  readonly isBent: boolean;
  /** Bars of a slab or a wall, which lap side by side in a wide member. */
  readonly isWide?: boolean;
  /** Pressure across the bar from a bearing. */
  readonly pressure?: number;
  /** Links along the splitting plane: area of all legs across it, their spacing, and the bars that split there. */
  readonly transverse?: { readonly area: number; readonly spacing: number; readonly bars: number };
}

export interface EndSupportQuestion extends Omit<AnchorageQuestion, 'isBent' | 'use'> {
  /** Shear at the face, shift of the moment line, lever arm, and depth of the bars. */
  readonly V: number;
  /** Shear at the centre of the support. */
  readonly centreV: number;
  readonly shift: number;
  readonly z: number;
  readonly d: number;
  /** Bars that reach the support, those that the span needs, and their nominal moment there. */
  readonly area: number;
  readonly spanArea: number;
  readonly moment: number;
  /** From the face of the support to the ends of the bars, what the leg of a bend adds along the bar, and the width of the support. */
  readonly available: number;
  readonly leg: number;
  readonly width: number;
  /** Whether a moment can stand at this end. */
  readonly isContinuous: boolean;
}

/** Bars of a layer with the links round them: strength (MPa), diameter and distance of their centres (mm). */
export interface SplittingQuestion {
  readonly strength: number;
  readonly diameter: number;
  readonly apart: number;
  readonly transverse: NonNullable<AnchorageQuestion['transverse']>;
}

export interface EndSupport {
  readonly needed: number;
  readonly available: number;
  readonly isBent: boolean;
  /** Bars that have to reach the support, over those that do. */
  readonly leastBars: number;
}

/** What a code says of anchorage and laps. */
export interface AnchorageRules {
  length(c: Calc, q: AnchorageQuestion): number;
  /** Length of a lap where a share of the bars laps at one section. */
  lap(c: Calc, q: AnchorageQuestion, share: number): number;
  endSupport(c: Calc, q: EndSupportQuestion): EndSupport;
  /** Links that strong bars near each other need where they are developed (mm); null where the code asks for none of these bars. */
  splitting?(c: Calc, q: SplittingQuestion): { readonly needed: number; readonly there: number; readonly clause: string } | null;
  /** Moment strength without what the code takes off it, from the design strength of the bars that reach a place. */
  fullMoment(design: number): number;
  /** Whether the length of a bent bar is measured along it, so that its leg counts; else up to the bend. */
  readonly legCounts: boolean;
  readonly clauses: { readonly anchorage: string; readonly lap: string; readonly end: string; readonly leastBars: string };
  /** Diameter of the mandrel for bends and hooks, inside (mm), and the straight part beyond a bend. */
  bend(diameter: number, isLink: boolean): { readonly mandrel: Limit; readonly straight90: number; readonly straight135: number };
}
