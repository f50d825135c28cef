import type { Combination, LoadCase } from '../../analysis/combination';
import type { Materials } from '../../codes/design-code';
import type { CatalogueId } from '../../materials/bars';
import type { SlabBarRules, SlabBars } from '../../reinforcement/slab-bars';
import type { BeamServiceInput, BeamSupport } from '../beam/input';

/** Lengths mm, forces N, pressures N/mm2; positions along a span from its left end. Loads positive down. */

export interface StripSpan {
  readonly length: number;
  /** Depth where it differs from that of the slab. */
  readonly h: number | null;
  readonly camber: number;
}

/** Loads on a slab that spans one way: over its area, on a line across the span, or at a point that a width of slab shares. */
export type StripLoad = { readonly case: string; readonly note: string } & (
  | { readonly type: 'uniform'; readonly span: number | 'all'; readonly value: number }
  | { readonly type: 'partial'; readonly span: number; readonly from: number; readonly to: number; readonly value: number }
  | { readonly type: 'line'; readonly span: number; readonly at: number; readonly force: number }
  | { readonly type: 'point'; readonly span: number; readonly at: number; readonly load: number; readonly width: number }
);
export type StripLoadType = StripLoad['type'];

/** Bars in part of a span; null are none. */
export interface ExtraSlabBars {
  readonly bars: SlabBars | null;
  readonly from: number | null;
  readonly to: number | null;
}

/** Bars over a support; null are chosen, with lengths from its centre line. */
export interface SupportSlabBars {
  readonly bars: SlabBars | null;
  readonly left: number | null;
  readonly right: number | null;
}

export interface StripBars {
  /** By span; null main bars are chosen. */
  readonly bottom: readonly { readonly main: SlabBars | null; readonly extra: ExtraSlabBars }[];
  /** Top bars through a span: those set, or as few as there have to be. */
  readonly top: readonly { readonly main: SlabBars | null }[];
  readonly support: readonly SupportSlabBars[];
  /** Bars across the span, below and above; null are chosen. */
  readonly across: { readonly bottom: SlabBars | null; readonly top: SlabBars | null };
}

/** A slab that spans one way, designed as a strip. */
export interface StripInput {
  readonly h: number;
  /** Of the whole slab across its span, for quantities and the bar schedule. */
  readonly breadth: number;
  readonly spans: readonly StripSpan[];
  readonly supports: readonly BeamSupport[];
  readonly materials: Materials;
  readonly catalogue: CatalogueId;
  /** To the outer bars. */
  readonly cover: { readonly top: number; readonly bottom: number };
  /** Which bars lie outside: those along the span, or those across. */
  readonly outer: 'along' | 'across';
  readonly unitWeight: number;
  readonly selfWeight: boolean;
  readonly cases: readonly LoadCase[];
  readonly loads: readonly StripLoad[];
  readonly bars: StripBars;
  readonly barRules: SlabBarRules;
  readonly service: BeamServiceInput;
  readonly combinationsOff: readonly string[];
  readonly ownCombinations: readonly Combination[];
}
