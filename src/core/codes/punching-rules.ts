import type { ControlPerimeter, Corners } from '../geometry/control-perimeter';
import type { Calc } from '../calc/calc';
import type { QuantityKind } from '../units/quantity';
import type { Choice, Limit, Materials } from './basis';

export type ColumnPosition = 'internal' | 'edge' | 'corner' | 'reentrant';

/** How moments come in: by the factors of the code for usual places, by the moments, or as a factor that is given. */
export type MomentsBy = 'position' | 'moments' | 'given';

/** The soil below a footing: how much of the column's load it takes within a distance of the column, and how far the footing reaches (mm). */
export interface SoilBelow {
  readonly within: (distance: number) => number;
  readonly room: number;
}

/** A slab or footing at a column. Lengths mm, forces N, moments N mm; x and y through the column's centre. */
export interface PunchingQuestion {
  readonly materials: Materials;
  readonly shape: 'rectangle' | 'circle' | 'other';
  /** Sizes of the column along x and y; both the diameter of a round one. */
  readonly cx: number;
  readonly cy: number;
  readonly h: number;
  /** Mean effective depth of both layers, and mean ratio of their steel. */
  readonly d: number;
  readonly ratio: number;
  /** Mean compression in the slab (MPa). */
  readonly inPlane: number;
  readonly V: number;
  /** Moments that the slab brings to the column: about x (with the shear off centre along y) and about y. */
  readonly Mx: number;
  readonly My: number;
  readonly momentsBy: MomentsBy;
  readonly beta: number;
  readonly position: ColumnPosition;
  /** For an edge column the direction across its edge. */
  readonly across: 'x' | 'y' | null;
  /** Which way the slab lies from the edges that the perimeter meets, along x and along y; 0 where it meets none, or both alike. */
  readonly inwards: { readonly x: -1 | 0 | 1; readonly y: -1 | 0 | 1 };
  /** Outline of the column within the slab (mm). */
  readonly columnPerimeter: number;
  /** Perimeters at a distance from the column, with openings counted and without. */
  readonly around: (distance: number) => ControlPerimeter;
  readonly withoutOpenings: (distance: number) => ControlPerimeter;
  readonly reinforcement: PunchingSteel | null;
  /** Of a footing; left out for a slab. */
  readonly soil?: SoilBelow;
}

/** Legs as they are placed: those that count. */
export interface PunchingSteel {
  readonly kind: 'links' | 'studs';
  readonly diameter: number;
  /** Height of a leg, the slab less both covers (mm). */
  readonly height: number;
  /** Least area of the legs of one perimeter (mm2), and their spacing away from the column. */
  readonly area: number;
  readonly spacing: number;
  readonly first: number;
  /** Distance of the outermost legs from the column. */
  readonly last: number;
  /** Widest distance of legs along the perimeters within, and beyond, the critical one. */
  readonly across: number;
  readonly acrossBeyond: number;
  /** Perimeter around the outermost legs, at half the depth from them. */
  readonly outside: ControlPerimeter;
  /**
   * Where legs stand in lines square to the faces alone: what counts of a perimeter so far beyond the outermost of them, no further than a reach to
   * both sides of a line (mm).
   */
  readonly effective?: (beyond: number, reach: number) => ControlPerimeter;
}

/** Closed ties in the slab along the column's sides, or in a beam along the edge. Lengths mm, area of one bar mm2. */
export interface ClosedTies {
  readonly area: number;
  readonly spacing: number;
  readonly cover: number;
  readonly beam: { readonly b: number; readonly depth: number } | null;
}

/** Where a code counts on closed ties. */
export interface ClosedTieRules {
  /** Null where they do not count: too few, or a beam where there is no edge. */
  strength(c: Calc, q: PunchingQuestion, ties: ClosedTies): Comparison | null;
  /** Area of one leg over the spacing (mm2/mm). */
  areas(c: Calc, q: PunchingQuestion, ties: ClosedTies): { readonly needed: number; readonly there: number; readonly clause: string };
  spacing(q: PunchingQuestion, ties: ClosedTies): Limit;
}

/** Two figures of one kind that are compared. */
export interface Comparison {
  readonly title: string;
  readonly clause: string;
  readonly demand: number;
  readonly capacity: number;
  readonly kind: QuantityKind;
  /** What fails, to be followed by both figures. */
  readonly words: string;
}

export interface PunchingRules {
  /** Ways in which moments may come in, the usual one first where there is one by position. */
  readonly momentsBy: readonly MomentsBy[];
  /** What the least area of legs is asked of: each leg, or all legs of a line. */
  leastAreaOf(kind: 'links' | 'studs'): 'leg' | 'line';
  /** Where legs are usually begun and how far apart they stand, in parts of the effective depth. */
  readonly usualLegs: { readonly first: number; readonly spacing: number };
  /** How moments of a new member come in. */
  readonly usualMomentsBy: MomentsBy;
  readonly choices: readonly Choice[];
  readonly corners: Corners;
  /** Distance of the critical perimeter, and how near an opening must be to count (mm). */
  readonly critical: (d: number) => number;
  readonly openingReach: (d: number, h: number) => number;
  readonly clauses: { readonly perimeter: string; readonly openings: string };
  /** What the section carries at most, next to the column. */
  face(c: Calc, q: PunchingQuestion): Comparison | null;
  /** Without reinforcement. */
  plain(c: Calc, q: PunchingQuestion): Comparison;
  /** With the legs that are there, and outside them. */
  reinforced(c: Calc, q: PunchingQuestion, steel: PunchingSteel): Comparison;
  outside(c: Calc, q: PunchingQuestion, steel: PunchingSteel): Comparison;
  /** Undefined where closed ties do not count. */
  readonly closedTies?: ClosedTieRules;
  /** Legs of one perimeter that strength asks for at a spacing (mm2), how far out the last of them must be (mm), and why no legs are enough. */
  needed(c: Calc, q: PunchingQuestion, spacing: number): { readonly area: number; readonly last: number; readonly beyond: string | null };
  /** Rules for the places of legs: distance of the first, spacing away from the column, along the perimeters, and least area. */
  detailing(
    c: Calc,
    q: PunchingQuestion,
    steel: PunchingSteel,
  ): {
    readonly first: Limit & { readonly least: number };
    readonly spacing: Limit;
    readonly across: Limit;
    readonly acrossBeyond: Limit;
    readonly area: Limit;
    /** Least effective depth in which such legs may stand, where a code has one (mm). */
    readonly depth?: Limit;
  };
  /** Least top bars within a width about the column (mm2), where a code asks for them; null where the shear is too small for that. */
  leastBars?(c: Calc, q: PunchingQuestion, width: number): Limit | null;
  /** How far beyond each side of the column these bars are counted, over the depth of the slab. */
  readonly barsWithin?: number;
  /** Stress by the shear with its moments at the critical perimeter (MPa), and the factor on the shear where the code has one. */
  stress(c: Calc, q: PunchingQuestion): { readonly stress: number; readonly beta: number | null };
}
