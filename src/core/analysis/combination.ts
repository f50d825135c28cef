/** The nature of an action; each code takes its factors from it. */
export type Nature = 'permanent' | 'imposed' | 'roof' | 'snow' | 'rain' | 'wind' | 'earthquake' | 'settlement';

/** Use of the loaded area (EN 1991-1-1 table 6.1); a code without categories ignores it. */
export type ImposedCategory = 'A' | 'B' | 'C' | 'D' | 'E' | 'F' | 'G' | 'H';

export interface LoadCase {
  readonly id: string;
  readonly title: string;
  readonly nature: Nature;
  readonly category: ImposedCategory;
  /** Whether the load may be absent from single spans. */
  readonly pattern: boolean;
}

export type CombinationKind = 'ultimate' | 'characteristic' | 'frequent' | 'quasiPermanent' | 'service' | 'sustained';

/** A sum of load cases with factors. A variable case counts only where it makes the effect worse. */
export interface Combination {
  readonly id: string;
  readonly title: string;
  readonly kind: CombinationKind;
  readonly clause: string;
  readonly factors: readonly { readonly caseId: string; readonly factor: number }[];
  /** Added or edited by the engineer. */
  readonly isOwn?: boolean;
}

export const isAlwaysThere = (nature: Nature): boolean => nature === 'permanent' || nature === 'settlement';
