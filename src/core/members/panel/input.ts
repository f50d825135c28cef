import type { Combination, LoadCase } from '../../analysis/combination';
import type { PanelEdge, PanelEdges } from '../../analysis/panel';
import type { Materials } from '../../codes/design-code';
import type { CatalogueId } from '../../materials/bars';
import type { SlabBarRules, SlabBars } from '../../reinforcement/slab-bars';

/** How the moments of a panel are found. */
export type PanelMethod = 'strips' | 'yieldLines' | 'coefficients';

/** A uniform load over the whole panel (N/mm2). */
export interface PanelAreaLoad {
  readonly case: string;
  readonly note: string;
  readonly value: number;
}

/** Bars along x and y in the middle, and across each edge; null are chosen. */
export interface PanelBars extends Readonly<Record<PanelEdge, SlabBars | null>> {
  readonly x: SlabBars | null;
  readonly y: SlabBars | null;
}

/** A rectangular slab on beams or walls along all four edges. Lengths mm; x to the right and y up on the plan. */
export interface PanelInput {
  readonly lx: number;
  readonly ly: number;
  readonly h: number;
  readonly edges: PanelEdges;
  /** Width of the beams or walls below the edges. */
  readonly supportWidth: number;
  /** Mean stiffness of the edge beams over that of the slab, where a code asks for it; null are walls or stiff beams. */
  readonly beamStiffness: number | null;
  /** Whether its corners are kept from lifting. */
  readonly isHeldDown: boolean;
  readonly method: PanelMethod;
  /** Part of the load that strips along x carry; null is found from equal deflections. */
  readonly share: number | null;
  /** By yield lines: hogging over sagging moment, and sagging along y over that along x; null is by the square of the sides. */
  readonly supportRatio: number;
  readonly mu: number | null;
  readonly materials: Materials;
  readonly catalogue: CatalogueId;
  readonly cover: { readonly top: number; readonly bottom: number };
  /** Bars that lie outside, below and above. */
  readonly outer: 'x' | 'y';
  readonly unitWeight: number;
  readonly selfWeight: boolean;
  readonly cases: readonly LoadCase[];
  readonly loads: readonly PanelAreaLoad[];
  readonly bars: PanelBars;
  readonly barRules: SlabBarRules;
  readonly hasPartitions: boolean;
  readonly combinationsOff: readonly string[];
  readonly ownCombinations: readonly Combination[];
}

/** Where a panel has bars: along x and y in its middle, and over each edge. */
export type PanelPlace = 'x' | 'y' | PanelEdge;
export const panelPlaces: readonly PanelPlace[] = ['x', 'y', 'left', 'right', 'bottom', 'top'];

/** The direction of the bars at a place. */
export const directionOf = (place: PanelPlace): 'x' | 'y' => (place === 'x' || place === 'left' || place === 'right' ? 'x' : 'y');

export const placeTitle = (place: PanelPlace): string => (place === 'x' || place === 'y' ? `middle, along ${place}` : `${place} edge`);
