import type { Calc } from '../calc/calc';

/** How a span is held, for the length between points of zero moment. */
export type SpanPosition = 'single' | 'end' | 'inner' | 'cantilever';

/** A flange as a code limits it. Lengths mm. */
export interface FlangeQuestion {
  readonly bw: number;
  readonly hf: number;
  /** Clear distances to the next webs: of one side for an L, of both for a T. */
  readonly clear: readonly number[];
  readonly span: number;
  /** Between faces of supports. */
  readonly clearSpan: number;
  readonly position: SpanPosition;
  /** The span beyond the support of a cantilever. */
  readonly next: number;
}

export interface FlangeRule {
  /** Effective flange width (mm), web included. */
  width(c: Calc, q: FlangeQuestion): number;
  readonly clause: string;
}
