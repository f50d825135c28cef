import type { LoadCase } from '../analysis/combination';
import type { Calc } from '../calc/calc';
import type { FrameColumnRules } from './frame-columns';
import type { BendingSection, Choice, Limit, Links, Materials, Named, ShearSection } from './basis';

/** The end of a span as the rules for close links see it. Lengths mm. */
export interface FrameEnd {
  readonly materials: Materials;
  readonly h: number;
  readonly d: number;
  readonly smallestBar: number;
  readonly link: number;
}

/** Close links from the face of a support: over which length, how far apart, and how near the face the first of them. */
export interface FrameZone {
  readonly length: number;
  readonly spacing: number;
  readonly first: number;
  readonly clause: string;
}

/** A bar of a beam through or into a column. */
export interface JointBar {
  readonly materials: Materials;
  /** Depth of the column along the beam (mm). */
  readonly depth: number;
  readonly isInner: boolean;
  /** Steel at the bottom over b d, and the most that is allowed at the top. */
  readonly bottomRatio: number;
  readonly mostRatio: number;
}

/** What a code asks of a beam in a ductile frame. A rule that a class does not have is null. */
export interface FrameRules {
  readonly title: string;
  /** Why materials do not suit the class; null where they do. */
  materialFault(m: Materials): string | null;
  /** Bottom over top at the face of a support: by strength, or by area of steel. */
  readonly atFace: (Limit & { readonly by: 'strength' | 'area' }) | null;
  /** Strength anywhere over the largest at the faces. */
  readonly along: Limit | null;
  /** Bottom bars that run through over the most in the span. */
  readonly continuous: Limit | null;
  /** Least and most tension steel over b d; `compression` is the ratio of the other face. */
  leastRatio(c: Calc, m: Materials): Limit | null;
  mostRatio(c: Calc, m: Materials, compression: number): Limit | null;
  /** Clear span over effective depth, and width (mm), at least. */
  readonly slenderness: Limit | null;
  leastWidth(h: number): Limit | null;
  zone(c: Calc, q: FrameEnd): FrameZone | null;
  /** Largest spacing of links elsewhere (mm). */
  beyond(d: number): Limit | null;
  /** Part of a load that is there while the ends yield. */
  gravityFactor(kase: LoadCase): number;
  /** Moment that an end can bring when it yields (N mm); null where shear is not found from it. */
  readonly endMoment: ((c: Calc, s: BendingSection, m: Materials) => number) | null;
  /** Whether concrete counts in shear next to an end, by the part of the whole shear (N) that the sway brings. */
  countsConcrete(sway: number, whole: number): boolean;
  /** Resistance in shear (N), with concrete or without. */
  shear(c: Calc, s: ShearSection, links: Links, m: Materials, withConcrete: boolean): number;
  /** Links that a shear needs (mm2/mm), with concrete or without. */
  linkArea(force: number, s: ShearSection, m: Materials, withConcrete: boolean): number;
  readonly shearClause: string;
  /** Largest bar through or into a joint (mm). */
  jointBar(c: Calc, q: JointBar): Limit | null;
  /** Rules of the class that are not checked here. */
  readonly notCovered: readonly { readonly title: string; readonly clause: string }[];
}

export interface FrameCode {
  /** How ductile a frame can be, by the code's words; `none` asks for nothing beyond the usual rules. */
  readonly classes: Named & { readonly none: string };
  readonly choices: readonly Choice[];
  /** The rules of a class; null for none, or for a class of another code. */
  rules(frame: string): FrameRules | null;
  /** The same for its columns. */
  columns(frame: string): FrameColumnRules | null;
}
