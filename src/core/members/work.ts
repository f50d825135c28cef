import type { ProjectRates } from '../advice/rates';
import type { DesignOptions, Steps } from '../job';
import type { ResultBase } from '../checks/result';
import type { DesignCode } from '../codes/design-code';
import type { Following, Way } from './kind';
import type { ProjectBasis } from './member';

export interface SearchBasis {
  readonly project: ProjectBasis;
  readonly code: DesignCode;
  readonly rates: ProjectRates;
}

/** What is worked out for members of a kind. It stands apart from the rest of the kind, since a page that only shows members does without it. */
export interface Work<M extends { readonly type: string }, R extends ResultBase> {
  readonly type: M['type'];
  /**
   * Designs a member from its input alone: at once, or in steps where it may take long. Never throws on bad input. `others` share what a group
   * shares.
   */
  design(member: M, code: DesignCode, options: DesignOptions, others: readonly M[]): R | Steps<R>;
  /** Ways forward by one of the searches of the kind, each designed in full. Empty with faults. */
  propose(member: M, search: string, basis: SearchBasis): readonly Way<M>[];
  /** What a part of a member gives to one that follows it, as fields of that one; in words why it gives nothing. */
  gives?(member: M, following: Following, code: DesignCode): object | string;
}
