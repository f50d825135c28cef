import type { Calc } from '../calc/calc';
import type { Limit, Materials } from './basis';
import type { ColumnShear } from './column-rules';

/** A column of a ductile frame as its rules see it. Lengths mm, areas mm2, N. */
export interface FrameColumn {
  readonly materials: Materials;
  /** Extents along x and y; both the diameter of a round one. */
  readonly width: number;
  readonly depth: number;
  readonly isRound: boolean;
  /** Clear height, the larger of both directions. */
  readonly clear: number;
  readonly area: number;
  readonly smallestBar: number;
  readonly tie: number;
  /** From the faces to the centre line of the outer tie. */
  readonly inset: number;
  readonly isSpiral: boolean;
  /** Axial force in an earthquake, compression positive: the most and the least. */
  readonly most: number;
  readonly least: number;
}

/** The core inside the ties of one set, at a spacing along the member. Lengths mm, areas mm2. */
export interface FrameCore {
  /** Widths along x and y to the centre line of the outer tie; both its diameter where the column is round. */
  readonly b_o: number;
  readonly h_o: number;
  readonly spacing: number;
  /** One bar of a tie, and the length of all ties of a set, along their centre lines. */
  readonly tieArea: number;
  readonly tieLength: number;
  /** Legs that run along x, and along y. */
  readonly legsX: number;
  readonly legsY: number;
  /** Distances from centre to centre of bars next to each other that are held, all round. */
  readonly between: readonly number[];
  readonly held: number;
}

/** Close ties next to a joint: over which length, how far apart, and how far from the face the first of them. */
export interface FrameColumnZone {
  readonly length: Limit;
  readonly spacing: Limit;
  readonly first: number;
}

/** How far the core is confined against what is asked, in one way across it. */
export interface FrameConfinement {
  readonly needed: number;
  readonly there: number;
  readonly clause: string;
}

/** From which strength a moment is found: that of design or the nominal one, with bars stronger than specified. */
export interface FrameStrength {
  readonly of: 'design' | 'nominal';
  readonly steelFactor: number;
}

/** What an end of a column is taken to bring as it yields, with what the beams there can. N mm. */
export interface FrameEndMoment {
  readonly column: number;
  /** Strengths of the columns at the joint together; and of its beams, null where they are not known. */
  readonly columns: number;
  readonly beams: number | null;
}

/** What a code asks of a column in a ductile frame. A rule that a class does not have is null. */
export interface FrameColumnRules {
  readonly title: string;
  /** Why materials do not suit the class; null where they do. */
  materialFault(m: Materials): string | null;
  /** Least side (mm), and shorter over longer side. */
  readonly leastSide: Limit | null;
  readonly leastAspect: Limit | null;
  /** Depth in the plane of bending by the distance to where the moment is zero (mm), and by the sensitivity to drift, null where it is not known. */
  leastDepth(c: Calc, distance: number, drift: number | null): Limit | null;
  /** Whether the sensitivity to drift matters. */
  readonly asksDrift: boolean;
  /** Most axial force (N). */
  mostAxial(c: Calc, q: FrameColumn): Limit | null;
  /** Ratio of all bars. */
  readonly leastRatio: Limit | null;
  readonly mostRatio: Limit | null;
  readonly leastRoundBars: Limit | null;
  /** Bars between the corners along each side. */
  readonly betweenCorners: Limit | null;
  /** Part of the clear height, in its middle, within which bars may lap. */
  readonly lapsWithin: Limit | null;
  /** Length in which a bar of the column has to come to its strength, against half of the clear height (mm). */
  bond(c: Calc, q: FrameColumn & { readonly diameter: number; readonly cover: number }): Limit | null;
  /** Largest distance of held bars, centre to centre, and whether every bar is held. */
  held(q: FrameColumn): { readonly apart: Limit; readonly holdsAll: boolean } | null;
  /** `apart` is the largest distance of held bars that is there (mm). */
  zone(c: Calc, q: FrameColumn, apart: number): FrameColumnZone | null;
  /** Largest spacing of ties between the zones. */
  beyond(c: Calc, q: FrameColumn): Limit | null;
  /** Whether the core has to be confined at an end: one that stands on the foundation, or any other. */
  asksConfinement(q: FrameColumn, isBase: boolean): boolean;
  confinement(c: Calc, q: FrameColumn, core: FrameCore, along: 'x' | 'y'): FrameConfinement | null;
  /** Columns over beams at a joint: which strength counts, and the least ratio. */
  readonly joint: (FrameStrength & Limit) | null;
  /** Whether a joint need not keep to it. */
  isJointExempt(q: FrameColumn, isLast: boolean): boolean;
  /** Shear as the ends yield; null where it is not asked for. */
  readonly yielding: (FrameStrength & { readonly clause: string; isAsked(clear: number, depth: number): boolean }) | null;
  /** What the beams are asked for as they yield, where that differs from their strength at the joint. */
  readonly beamsYield: string | null;
  endMoment(c: Calc, q: FrameEndMoment): number;
  yieldShear(c: Calc, one: number, other: number, clear: number): number;
  /** Strength in shear (N): near an end with all that the class takes off there, `sway` being the part of the shear V that comes as the ends yield. */
  shear(c: Calc, q: ColumnShear & { readonly isNearEnd: boolean; readonly sway: number }): number;
  /** Rules of the class that are not checked here. */
  readonly notCovered: readonly { readonly title: string; readonly clause: string }[];
}
