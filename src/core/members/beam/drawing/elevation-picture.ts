import type { BeamInput, LinkZone } from '../input';
import type { UnitSystem } from '../../../units/quantity';

interface Run<B> {
  readonly bars: B;
  readonly from: number;
  readonly to: number;
}

/** Bars on an elevation: groups of a beam, or layers of a slab. */
export interface ElevationSteel<B> {
  readonly bottom: readonly { readonly main: B; readonly extra: Run<B> | null }[];
  readonly top: readonly { readonly main: B | null }[];
  readonly support: readonly (Run<B> | null)[];
  readonly links?: readonly (readonly LinkZone[])[];
}

/** What an elevation shows. */
export interface ElevationPicture<B> {
  readonly beam: BeamInput;
  readonly steel: ElevationSteel<B> | null;
  readonly units: UnitSystem;
  readonly barLabel: (bars: B) => string;
  /** A load in figures, by its number; that of a line load where it is left out. */
  readonly loadLabel?: (load: number) => string;
}

/** Where things of the beam stand on the sheet of an elevation. */
export interface OnElevation {
  readonly toX: (x: number) => number;
  readonly starts: readonly number[];
  /** Top of the beam, and depth of a span, on the sheet. */
  readonly top: number;
  readonly depth: (span: number) => number;
}
