import type { Combination, LoadCase } from '../../analysis/combination';
import type { ColumnEnd, StoreySway, Transverse } from '../../codes/column-rules';
import type { Materials } from '../../codes/design-code';
import type { SectionShape } from '../../geometry/section-shapes';
import type { CatalogueId } from '../../materials/bars';
import type { ColumnBars } from '../../reinforcement/column-bars';

/**
 * Lengths mm, forces N, moments N mm. N compression positive. Mx bends about the x-axis and, positive, compresses the top of the section as
 * drawn (+y); My bends about the y-axis and compresses its right side (+x). Equal signs at both ends bend the column in single curvature.
 */
export interface ColumnForces {
  readonly N: number;
  readonly mxTop: number;
  readonly mxBottom: number;
  readonly myTop: number;
  readonly myBottom: number;
  /** Shear along x (with My) and along y (with Mx), and torsion. */
  readonly vx: number;
  readonly vy: number;
  readonly torsion: number;
  /** At the foot, where it differs from the top; else null or left out. */
  readonly nBottom?: number | null;
  readonly vxBottom?: number | null;
  readonly vyBottom?: number | null;
}

export type Place = 'top' | 'mid' | 'foot';
export const places: readonly Place[] = ['top', 'mid', 'foot'];

/** Axial force at a place (N); at mid-height the mean of both ends, as a load spread over the height gives it. */
export function axialAt({ N, nBottom }: ColumnForces, place: Place): number {
  const foot = nBottom ?? N;
  return place === 'top' ? N : place === 'foot' ? foot : (N + foot) / 2;
}

export type LoadSetKind = 'ultimate' | 'characteristic' | 'frequent' | 'quasiPermanent' | 'service';

/** Factored or service forces that go together: what a frame analysis gives. */
export interface LoadSet extends ColumnForces {
  readonly name: string;
  readonly title: string;
  readonly kind: LoadSetKind;
  /** Sustained part of the load, and the part of the moments that comes with sway; null takes those of the column. */
  readonly sustained: number | null;
  readonly sway: number | null;
}

/** Forces of one load case, to be combined by the code. */
export interface CaseForces extends ColumnForces {
  readonly case: string;
}

/** How the column is held for bending about one axis. */
export interface ColumnAxis {
  readonly isBraced: boolean;
  /** Clear height in this direction; null is that of the column. */
  readonly clear: number | null;
  readonly mode: 'factor' | 'length' | 'ends';
  /** Effective length over clear height, and as a length. */
  readonly factor: number;
  readonly length: number;
  readonly top: ColumnEnd;
  readonly bottom: ColumnEnd;
}

export interface TieInput {
  readonly size: string;
  readonly spacing: number;
  /** Spacing near the ends and over laps; null is as the code wants it. */
  readonly spacingEnds: number | null;
  /** Cross ties in a set; null is as many as are needed. */
  readonly cross: number | null;
}

/** A column: a section of any shape along a clear height, with its load sets. */
export interface ColumnInput {
  readonly shape: SectionShape;
  readonly height: number;
  /** To the outside of the ties. */
  readonly cover: number;
  readonly materials: Materials;
  readonly catalogue: CatalogueId;
  readonly unitWeight: number;
  readonly bars: ColumnBars;
  readonly ties: TieInput;
  readonly transverse: Transverse;
  readonly axes: { readonly x: ColumnAxis; readonly y: ColumnAxis };
  readonly storey: StoreySway;
  readonly mode: 'sets' | 'cases';
  readonly sets: readonly LoadSet[];
  readonly cases: readonly LoadCase[];
  readonly caseForces: readonly CaseForces[];
  readonly combinationsOff: readonly string[];
  readonly ownCombinations: readonly Combination[];
  /** For sets that do not say it themselves; null is not known. */
  readonly sustained: number | null;
  readonly sway: number | null;
  /** How end moments are typed: equal signs bend in single curvature, or turn both ends the same way (double curvature). */
  readonly signs: 'bending' | 'turning';
  /** The office's practical limit of steel, and the crack width that is allowed (mm). */
  readonly steelLimit: number;
  readonly crackLimit: number;
  /** A metre of a longer wall: nothing accidental happens in its plane. */
  readonly isStrip?: boolean;
  /** False where the transverse bars do not run through the depth, as in a wall. */
  readonly tiesAcross?: boolean;
}

/** Whether a section has one depth in every direction. */
export const isRound = (shape: SectionShape): boolean => shape.kind === 'circle' || shape.kind === 'ring';
