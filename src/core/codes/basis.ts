import type { FlexuralSection } from '../section/flexural-section';

/** Values with their words, as a code has them; the usual one first. */
export type Named = Readonly<Record<string, string>>;

export interface NumberRange {
  readonly min: number;
  readonly max: number;
  readonly usual: number;
}

/** Something that the code leaves open, as the user sees it on the ladder and may change. */
export interface Choice {
  readonly key: string;
  readonly title: string;
  readonly clause: string;
  /** What may be chosen, by value with its words, the usual one first; or a number within limits. */
  readonly options: Named | NumberRange;
  readonly topic: 'materials' | 'combinations' | 'analysis' | 'bending' | 'shear' | 'torsion' | 'columns' | 'frames' | 'service' | 'fire';
  /** Set where only one kind of member rests on it; frames are beams and columns. */
  readonly only?: 'beams' | 'columns' | 'strips' | 'frames';
}

export const isRange = (options: Choice['options']): options is NumberRange => typeof options.usual === 'number';

/** What is taken where nothing was chosen. */
export const usualOf = ({ options }: Choice): string => (isRange(options) ? String(options.usual) : Object.keys(options)[0]!);

/** What creep and shrinkage depend on besides strength and size (EN 1992-1-1 3.1.4 and annex B, ACI 318-19 24.2.4). */
export interface TimeDependentInput {
  /** Relative humidity, 0 to 1. */
  readonly humidity: number;
  /** Age of the concrete when it is first loaded, and when drying begins (days). */
  readonly loadingAge: number;
  readonly dryingAge: number;
  /** Class of the cement, as the code names it. */
  readonly cement: string;
}

/** Stresses in MPa, lengths in mm. */
export interface Materials {
  /** fck or f'c. */
  readonly concreteStrength: number;
  /** kg/mm3, of plain concrete; normal weight when left at the code's default. */
  readonly density: number;
  readonly aggregateSize: number;
  /** fyk or fy. */
  readonly steelStrength: number;
  /** Class of ductility of the bars, as the code names it. */
  readonly ductility: string;
  /** fywk or fyt. */
  readonly linkStrength: number;
  /** Inputs for creep and shrinkage. */
  readonly timeDependent: TimeDependentInput;
}

/** A rule of detailing that compares a length or an area with a limit. */
export interface Limit {
  readonly value: number;
  readonly clause: string;
}

export interface ShearSection {
  readonly bw: number;
  readonly d: number;
  readonly h: number;
  /** Longitudinal tension steel that is anchored beyond the section. */
  readonly tensionArea: number;
  /** Thickest bar of the tension steel (mm); left out where no bars end there. */
  readonly bar?: number;
  readonly grossArea: number;
  /** Axial force (N, compression positive); none when left out. */
  readonly axial?: number;
  /** Moment and shear that act together there (N mm, N, both positive), where they are known: the strength rests on them in some codes. */
  readonly actions?: { readonly M: number; readonly V: number };
}

export interface ShearResistance {
  readonly force: number;
  /** What the concrete section can carry at most (crushing of struts, or the limit on Vs). */
  readonly limit: number;
  /** Distance by which the moment line is shifted for the longitudinal steel. */
  readonly shift: number;
}

export interface Links {
  readonly diameter: number;
  /** Area of all legs in one cross-section. */
  readonly area: number;
  readonly legs: number;
  readonly spacing: number;
}

/** A moment (N mm) for which steel is sought: in tension at d, and in compression at d2 unless none is wanted there (mm). */
export interface BendingTask {
  readonly moment: number;
  readonly section: BendingSection;
  readonly d: number;
  readonly d2: number;
  readonly materials: Materials;
  /** Moment after over before redistribution. */
  readonly delta: number;
  readonly singlyOnly: boolean;
}

/** Shear between web and flange: the change of the flange's force (N) over a length, and the depth of the flange (mm). */
export interface FlangeShear {
  readonly force: number;
  readonly length: number;
  readonly hf: number;
  readonly flange: 'compressed' | 'stretched';
  readonly materials: Materials;
}

/** A section as a check in bending sees it. */
export interface BendingSection extends FlexuralSection {
  /** Width of the compressed face, of the web, and depth of the compressed flange (0 when there is none). */
  readonly b: number;
  readonly bw: number;
  readonly hf: number;
  /** Neither a rectangle nor a web with a flange: closed forms do not hold. */
  readonly isFree?: boolean;
  /** Width of the tension face (for minimum steel of a flange in tension). */
  readonly tensionWidth: number;
  readonly grossArea: number;
  /** Axial force at the centroid of the plain section (N, compression positive); none when left out. */
  readonly axial?: number;
}
