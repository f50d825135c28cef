import type { SlabBars } from '../../reinforcement/slab-bars';
import type { Along, Face, PlateInput, PlateLoad } from './input';
import type { Hold, PlanPart } from './plan-parts';
import type { PlanLayer, PlateResult } from './result';

/** What the plan is drawn from. */
export interface PlatePicture {
  readonly plate: PlateInput;
  readonly result: Pick<PlateResult, 'mesh' | 'maps' | 'steel' | 'lines' | 'lifted' | 'early' | 'reactions' | 'columns' | 'checks'>;
  readonly map: PlanLayer;
  /** The sort of parts whose points are shown to be moved; columns have theirs always. */
  readonly held?: PlanPart | undefined;
  readonly labels: {
    readonly depth: string;
    readonly span: (v: number) => string;
    readonly bars: (bars: SlabBars) => string;
    readonly load: (load: PlateLoad) => string;
    /** Of a part of another depth. */
    readonly partDepth: (h: number) => string;
    /** Of the map that is shown: a value in figures, its unit, how many internal units that is, and what it is. */
    readonly value: (v: number) => string;
    readonly unit: string;
    readonly factor: number;
    readonly title: string;
    readonly force: (v: number) => string;
  };
}

/** What can be changed on the plan. */
export type PlateHandle =
  | { readonly of: 'edge'; readonly edge: number }
  | { readonly of: 'depth' }
  | ({ readonly of: 'hold' } & Hold)
  | { readonly of: 'load'; readonly index: number }
  | { readonly of: 'partDepth'; readonly index: number }
  | { readonly of: 'extra'; readonly index: number }
  | { readonly of: 'bars'; readonly face: Face; readonly along: Along };
