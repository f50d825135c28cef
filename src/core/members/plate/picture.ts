import type { SlabBars } from '../../reinforcement/slab-bars';
import type { Along, Face, PlateInput } from './input';
import type { PlateMap, PlateResult } from './result';

/** What the plan is drawn from. */
export interface PlatePicture {
  readonly plate: PlateInput;
  readonly result: Pick<PlateResult, 'mesh' | 'maps' | 'steel' | 'lines' | 'lifted'>;
  readonly map: PlateMap;
  readonly labels: {
    readonly depth: string;
    readonly span: (v: number) => string;
    readonly bars: (bars: SlabBars) => string;
    /** Of the map that is shown: a value in figures, its unit, how many internal units that is, and what it is. */
    readonly value: (v: number) => string;
    readonly unit: string;
    readonly factor: number;
    readonly title: string;
  };
}

/** What can be changed on the plan. */
export type PlateHandle =
  | { readonly of: 'edge'; readonly edge: number }
  | { readonly of: 'depth' }
  | { readonly of: 'columnAt'; readonly column: number }
  | { readonly of: 'extra'; readonly index: number }
  | { readonly of: 'bars'; readonly face: Face; readonly along: Along };
