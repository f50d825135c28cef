import type { PlateMesh } from '../../analysis/plates/mesh';
import type { Fault } from '../../checks/fault';
import { nothingDesigned, type ResultBase } from '../../checks/result';
import type { SlabBars } from '../../reinforcement/slab-bars';
import type { ExtraBars, Layer } from './input';
import type { ColumnForces } from './reactions';

/**
 * A layer in a part of the slab where it has the same bars and depth, with what it carries where most is asked of it: moments N mm/mm, areas mm2/mm,
 * depths mm, the place in mm.
 */
export interface PlateSection extends Layer {
  readonly id: string;
  readonly title: string;
  /** Bars of the mesh and those beside them; none where none are laid. */
  readonly bars: readonly SlabBars[];
  readonly h: number;
  readonly d: number;
  /** From the face to the bars. */
  readonly inset: number;
  readonly moment: number;
  readonly node: number;
  readonly at: readonly [x: number, y: number];
  readonly resistance: number;
  readonly required: number;
  readonly provided: number;
}

/** Bars that are laid in a slab: a mesh for each layer, none where it has none, and bars over rectangles beside. */
export interface LaidSteel {
  readonly meshes: readonly (Layer & { readonly bars: SlabBars | null })[];
  readonly extra: readonly ExtraBars[];
}

/** What the plan can show over the slab: a value for each node of the mesh. */
export const plateMaps = ['mx', 'my', 'mxy', 'bottomX', 'bottomY', 'topX', 'topY', 'deflection'] as const;
export type PlateMap = (typeof plateMaps)[number];

/** Everything that the design of a slab as a plate gives. */
export interface PlateResult extends ResultBase {
  readonly type: 'plate';
  /** The largest ultimate load in all over the area of the slab (N/mm2) and the combination that brings it. */
  readonly load: number;
  readonly combination: string;
  readonly mesh: PlateMesh | null;
  /** Moments (N mm/mm), steel required (mm2/mm), elastic deflection under characteristic loads (mm), node by node. */
  readonly maps: Readonly<Record<PlateMap, Float64Array>> | null;
  readonly sections: readonly PlateSection[];
  /** All bars, those that were set and those that were chosen. */
  readonly steel: LaidSteel;
  /** What the slab brings to each column under ultimate loads. */
  readonly columns: readonly { readonly name: string; readonly forces: readonly ColumnForces[] }[];
}

export function emptyPlateResult(faults: readonly Fault[]): PlateResult {
  return {
    type: 'plate',
    ...nothingDesigned(faults),
    load: 0,
    combination: '',
    mesh: null,
    maps: null,
    sections: [],
    steel: { meshes: [], extra: [] },
    columns: [],
  };
}
