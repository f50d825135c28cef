import type { PlateMesh } from '../../analysis/plates/mesh';
import type { Fault } from '../../checks/fault';
import { nothingDesigned, type ResultBase } from '../../checks/result';
import type { DeflectionSum } from '../../codes/service-rules';
import type { Point } from '../../geometry/polygon';
import type { SlabBars } from '../../reinforcement/slab-bars';
import type { PunchingInput } from '../punching/input';
import type { ExtraBars, Layer } from './input';

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

/** A line along which deflection is judged, as by a straightedge laid on the slab. */
export interface Straightedge {
  readonly name: string;
  readonly ends: readonly [Point, Point];
}

/** What a straightedge shows: the largest gap below it between the two places that it lies on, or the drop of an end that nothing holds, over twice its length. */
export interface Gap {
  readonly deflection: number;
  readonly length: number;
  /** Where, from the beginning of the line (mm). */
  readonly at: number;
}

/** A straightedge with what it shows of each deflection that is limited (mm). */
export interface JudgedLine extends Straightedge {
  readonly gaps: readonly (Gap & { readonly id: DeflectionSum['id']; readonly limit: number })[];
  /** How far the formwork stands above the straightedge; null without a camber. */
  readonly rise: Gap | null;
}

/** The slab at a time of its history: the largest deflection then, under the load that is on (N/mm2, over the area). */
export interface HistoryPoint {
  readonly title: string;
  readonly days: number;
  readonly load: number;
  readonly deflection: number;
}

/** A moment of a strip (N mm), over its width (mm), and that of the direct design method where it can be worked out. */
export interface StripPart {
  readonly width: number;
  readonly moment: number;
  readonly byHand: number | null;
}

/** A design strip cut across in a span: at the faces of its columns or in the middle between them; row is its place across. */
export interface StripMoment {
  readonly along: 'x' | 'y';
  readonly row: number;
  readonly span: number;
  readonly at: 'start' | 'span' | 'end';
  readonly column: StripPart;
  readonly middle: StripPart;
}

/**
 * What a beam below the slab carries under ultimate loads: moments of the T (N mm) with the slab over its flange (mm), where they are from its beginning
 * (mm), and the shear of what lies below the slab (N).
 */
export interface BeamForces {
  readonly name: string;
  readonly flange: number;
  readonly sagging: { readonly moment: number; readonly at: number };
  readonly hogging: { readonly moment: number; readonly at: number };
  readonly shear: number;
}

/**
 * What presses on an edge or a wall: places along it with the force per length there under the largest ultimate load (N/mm, up on the slab), the largest and
 * the least that ultimate loads bring anywhere on it, the largest moment over the line that it holds (N mm/mm), the resultant (N) and where it is from the
 * beginning (mm), and the resultant of each case (N).
 */
export interface LineReaction {
  readonly title: string;
  readonly places: readonly Point[];
  readonly perLength: readonly number[];
  readonly most: number;
  readonly least: number;
  readonly turning: number;
  readonly resultant: number;
  readonly centre: number;
  readonly cases: readonly { readonly caseId: string; readonly force: number }[];
}

/** What the slab brings to a column: shear (N), and moments that move it up the plan (Mx) and to the right (My), N mm. */
export interface ColumnForces {
  readonly name: string;
  readonly V: number;
  readonly Mx: number;
  readonly My: number;
}

/** A column with what comes to it, and the slab around it as a place of punching; null where the slab does not rest on it. */
export interface ColumnResult {
  readonly name: string;
  readonly forces: readonly ColumnForces[];
  readonly place: PunchingInput | null;
}

/** Bars that are laid in a slab: a mesh for each layer, none where it has none, and bars over rectangles beside. */
export interface LaidSteel {
  readonly meshes: readonly (Layer & { readonly bars: SlabBars | null })[];
  readonly extra: readonly ExtraBars[];
}

/** What the plan can show over the slab: a value for each node of the mesh. */
export const plateMaps = [
  'mx',
  'my',
  'mxy',
  'bottomX',
  'bottomY',
  'topX',
  'topY',
  'spareBottomX',
  'spareBottomY',
  'spareTopX',
  'spareTopY',
  'used',
  'deflection',
  'level',
  'after',
  'crackedX',
  'crackedY',
  'remainingX',
  'remainingY',
  'crackBottom',
  'crackTop',
] as const;
export type PlateMap = (typeof plateMaps)[number];
/** Beside the maps of values over the slab, what presses on its supports. */
export type PlanLayer = PlateMap | 'reactions';

const layersOfMaps: Partial<Record<PlanLayer, Layer>> = {
  bottomX: { face: 'bottom', along: 'x' },
  bottomY: { face: 'bottom', along: 'y' },
  topX: { face: 'top', along: 'x' },
  topY: { face: 'top', along: 'y' },
};

/** The layer of bars whose steel a map shows. */
export const layerOf = (map: PlanLayer): Layer | undefined => layersOfMaps[map];

/** Everything that the design of a slab as a plate gives. */
export interface PlateResult extends ResultBase {
  readonly type: 'plate';
  /** The largest ultimate load in all over the area of the slab (N/mm2) and the combination that brings it. */
  readonly load: number;
  readonly combination: string;
  readonly mesh: PlateMesh | null;
  /**
   * Moments (N mm/mm), steel required and provided less required (mm2/mm), share of the resistance used, crack widths (mm), deflection in all and after partitions (mm), share of the cracked state and remaining stiffness at the end,
   * node by node; those that could not be worked out are left out.
   */
  readonly maps: Readonly<Partial<Record<PlateMap, Float64Array>>> | null;
  /** Nodes of the mesh where the slab has lifted off its supports. */
  readonly lifted: readonly number[];
  /** Straightedges with what they show. */
  readonly lines: readonly JudgedLine[];
  readonly history: readonly HistoryPoint[];
  readonly sections: readonly PlateSection[];
  /** All bars, those that were set and those that were chosen. */
  readonly steel: LaidSteel;
  /** What the slab brings to each column under ultimate loads. */
  readonly columns: readonly ColumnResult[];
  readonly beams: readonly BeamForces[];
  readonly reactions: readonly LineReaction[];
  /** Moments of column and middle strips under the largest ultimate load, everything on. */
  readonly strips: readonly StripMoment[];
}

export function emptyPlateResult(faults: readonly Fault[]): PlateResult {
  return {
    type: 'plate',
    ...nothingDesigned(faults),
    load: 0,
    combination: '',
    mesh: null,
    maps: null,
    lifted: [],
    lines: [],
    history: [],
    sections: [],
    steel: { meshes: [], extra: [] },
    columns: [],
    beams: [],
    reactions: [],
    strips: [],
  };
}
