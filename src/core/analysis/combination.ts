/** The nature of an action; each code takes its factors from it. */
export type Nature = 'permanent' | 'imposed' | 'roof' | 'snow' | 'rain' | 'wind' | 'earthquake' | 'settlement';

export interface LoadCase {
  readonly id: string;
  readonly title: string;
  readonly nature: Nature;
  /** Use of the loaded area as the code names it; empty for the first that it has. */
  readonly category: string;
  /** Whether the load may be absent from single spans. */
  readonly pattern: boolean;
}

/** The case of the own weight, which joins those that are typed. */
export const SELF_WEIGHT = 'SW';

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
