import type { Calc } from '../calc/calc';
import type { Limit } from './basis';

/** A beam whose compressed part is held sideways only here and there. Lengths mm. */
export interface UnheldBeam {
  /** Width of the compressed face, the least along the beam, and depth. */
  readonly b: number;
  readonly h: number;
  readonly isCantilever: boolean;
}

/** Bars that tie a building together: parts of the steel of a beam that run through, and how many bars. */
export interface IntegrityRules {
  /** Of the most bottom steel in the span, and of the top steel that the supports need. */
  readonly bottom: Limit;
  readonly top: Limit;
  readonly bars: number;
}

/** What a code says of the form of a beam as a whole. */
export interface BeamFormRules {
  /** Furthest distance of the places at which the compressed part is held. */
  lateral(c: Calc, q: UnheldBeam): Limit;
  /** Largest depth over width of such a beam; null where the code has none. */
  readonly mostAspect: Limit | null;
  /** Beams along the edge of a building; null where the code has no rule of its own. */
  readonly integrity: IntegrityRules | null;
}
