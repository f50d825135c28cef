import type { BarSet } from '../../../model/bar-set';
import type { BarsHandle, LinksHandle } from './handles';
import type { BarsAlong } from '../bar-runs';
import type { BeamInput, LinkZone } from '../input';
import type { UnitSystem } from '../../../units/quantity';

/** Bars and links on an elevation, with what is said and changed of them. */
export interface ElevationSteel<B> extends BarsAlong<B> {
  readonly links?: readonly (readonly LinkZone[])[];
}

/** What an elevation shows. */
export interface ElevationPicture<B> {
  readonly beam: BeamInput;
  readonly steel: ElevationSteel<B> | null;
  /** The bars as they are to be built, of which the elevation is a view. */
  readonly bars: readonly BarSet[];
  readonly units: UnitSystem;
  readonly barLabel: (bars: B) => string;
  /** Whether bars were set by hand; they are told apart from those that are chosen. */
  readonly isSet?: (handle: BarsHandle | LinksHandle) => boolean;
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
