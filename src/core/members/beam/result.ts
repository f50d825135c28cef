import type { Fault } from '../../checks/fault';
import { nothingDesigned, type ResultBase } from '../../checks/result';
import { straightEnds, type BentEnds } from './bar-runs';
import type { SupportReaction } from './reactions';
import type { SectionCapacities } from './forces/capacities';
import type { BeamSteel } from './steel';

/** Curves along the beam, one number for each station. N, mm; moments N mm; steel mm2. */
export interface BeamStrips {
  readonly x: Float64Array;
  readonly span: Int32Array;
  readonly maxM: Float64Array;
  readonly minM: Float64Array;
  readonly maxV: Float64Array;
  readonly minV: Float64Array;
  /** Shear for which links are checked: near supports that at the distance which the code allows. */
  readonly designV: Float64Array;
  /** Index into `arrangements`, governing each curve. */
  readonly maxMBy: Int32Array;
  readonly minMBy: Int32Array;
  readonly maxVBy: Int32Array;
  readonly minVBy: Int32Array;
  /** Moments shifted along the beam, as the steel has to carry them; both positive. */
  readonly shiftedSagging: Float64Array;
  readonly shiftedHogging: Float64Array;
  readonly resistanceSagging: Float64Array;
  readonly resistanceHogging: Float64Array;
  readonly resistanceV: Float64Array;
  readonly requiredBottom: Float64Array;
  readonly requiredTop: Float64Array;
  readonly providedBottom: Float64Array;
  readonly providedTop: Float64Array;
}

/** Curves in service along the beam. */
export interface ServiceStrips {
  /** Ends of the steps, span after span (mm), and the largest deflection there, positive down, and the least. */
  readonly x: Float64Array;
  readonly sums: readonly {
    readonly id: 'total' | 'after' | 'live';
    readonly title: string;
    readonly max: Float64Array;
    readonly min: Float64Array;
    /** By span (mm). */
    readonly limits: readonly number[];
  }[];
  /** Crack widths at some places (mm), calculated or, where the code has none, estimated. */
  readonly crackX: Float64Array;
  readonly crackBottom: Float64Array;
  readonly crackTop: Float64Array;
  readonly crackIsEstimate: boolean;
}

export interface RowUtilisations {
  readonly bending: number | null;
  readonly shear: number | null;
  readonly torsion: number | null;
}

/** Everything that the design of a beam gives. Plain data. */
export interface BeamResult extends ResultBase {
  readonly type: 'beam';
  readonly strips: BeamStrips | null;
  readonly service: ServiceStrips | null;
  readonly arrangements: readonly { readonly combination: string; readonly title: string; readonly label: string }[];
  readonly reactions: readonly SupportReaction[];
  /** Where the envelopes of moment cross zero (mm). */
  readonly zeros: { readonly sagging: readonly number[]; readonly hogging: readonly number[] };
  readonly steel: BeamSteel | null;
  /** Ends of the member at which its bars are bent. */
  readonly bent: BentEnds;
  /** Utilisations of each row of given forces; null where the row has no such force. */
  readonly rows: readonly RowUtilisations[];
  /** What the section carries with its bars, where forces are given. */
  readonly capacities: SectionCapacities | null;
}

export function emptyBeamResult(faults: readonly Fault[]): BeamResult {
  return {
    type: 'beam',
    ...nothingDesigned(faults),
    strips: null,
    service: null,
    arrangements: [],
    reactions: [],
    zeros: { sagging: [], hogging: [] },
    steel: null,
    bent: straightEnds,
    rows: [],
    capacities: null,
  };
}
