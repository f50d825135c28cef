import type { PlateMesh } from '../../analysis/plates/mesh';
import type { Fault } from '../../checks/fault';
import { nothingDesigned, type ResultBase } from '../../checks/result';
import type { SlabBars } from '../../reinforcement/slab-bars';
import type { Layer } from './input';

/** A layer of bars with what it carries where most is asked of it: moments N mm/mm, areas mm2/mm, depth mm, the place in mm. */
export interface PlateSection extends Layer {
  readonly bars: SlabBars;
  readonly d: number;
  readonly moment: number;
  readonly node: number;
  readonly at: readonly [x: number, y: number];
  readonly resistance: number;
  readonly required: number;
  readonly provided: number;
}

/** What the plan can show over the slab: a value for each node of the mesh. */
export const plateMaps = ['mx', 'my', 'mxy', 'bottomX', 'bottomY', 'topX', 'topY', 'deflection'] as const;
export type PlateMap = (typeof plateMaps)[number];

/** Everything that the design of a slab as a plate gives. */
export interface PlateResult extends ResultBase {
  readonly type: 'plate';
  /** The largest ultimate load (N/mm2) and the combination that brings it. */
  readonly load: number;
  readonly combination: string;
  readonly mesh: PlateMesh | null;
  /** Moments (N mm/mm), steel required (mm2/mm), elastic deflection under characteristic loads (mm), node by node. */
  readonly maps: Readonly<Record<PlateMap, Float64Array>> | null;
  readonly sections: readonly PlateSection[];
}

export function emptyPlateResult(faults: readonly Fault[]): PlateResult {
  return { type: 'plate', ...nothingDesigned(faults), load: 0, combination: '', mesh: null, maps: null, sections: [] };
}
