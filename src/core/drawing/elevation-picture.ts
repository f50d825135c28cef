import type { BeamInput } from '../members/beam/input';
import type { BeamSteel } from '../members/beam/steel';
import type { BarGroup } from '../reinforcement/bar-groups';
import type { UnitSystem } from '../units/quantity';

/** What an elevation shows. */
export interface ElevationPicture {
  readonly beam: BeamInput;
  readonly steel: BeamSteel | null;
  readonly units: UnitSystem;
  readonly barLabel: (group: BarGroup) => string;
}

/** Where things of the beam stand on the sheet of an elevation. */
export interface OnElevation {
  readonly toX: (x: number) => number;
  readonly starts: readonly number[];
  /** Top of the beam, and depth of a span, on the sheet. */
  readonly top: number;
  readonly depth: (span: number) => number;
}
