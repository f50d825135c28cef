import type { PanelLoad, PanelMoments } from '../analysis/panel';
import type { Calc } from '../calc/calc';
import type { SpanDepth, SpanDepthQuestion } from './service-rules';
import type { BendingSection, Limit, Materials, ShearResistance, ShearSection } from './basis';

/** Where the moments of a slab are largest, or anywhere else. */
export type SlabPlace = 'peak' | 'elsewhere';

/** A panel on four edges: `length` is its shorter span, `long` the longer one; how many of its long and of its short edges go on. */
export interface TwoWayDepthQuestion extends SpanDepthQuestion {
  readonly long: number;
  readonly beamStiffness?: number | null;
  readonly continuous: { readonly long: number; readonly short: number };
}

/** What a code says of one-way slabs beside what it says of beams. Lengths mm, areas mm2. */
export interface SlabRules {
  /** Strength of a strip without links; `limit` is what its struts carry at the face of a support. */
  plainShear(c: Calc, s: ShearSection, m: Materials): ShearResistance;
  /** Whether shear of a slab on columns is judged place by place, or over the width of its bays as that of a wide beam. */
  readonly shearOver: 'place' | 'bay';
  /** Minimum reinforcement of a face in tension along the span. */
  leastSteel(c: Calc, s: BendingSection, d: number, m: Materials): number;
  /** Largest spacing of the bars along the span, and of those across. */
  spacing(h: number, place: SlabPlace, c?: Calc): Limit;
  acrossSpacing(h: number, place: SlabPlace, c?: Calc): Limit;
  /** Largest spacing of the bars of a slab that spans two ways. */
  twoWaySpacing(h: number, place: SlabPlace, c?: Calc): Limit;
  /** Why cracks of a slab that spans two ways are not judged, where the code has its rule for bars in one direction alone; null where it applies. */
  readonly oneWayCracks: { readonly reason: string; readonly clause: string } | null;
  /** Minimum reinforcement across the span, for the steel along it and the gross area of the strip. */
  leastAcross(c: Calc, main: number, gross: number): number;
  /** Share of the span's bottom bars that runs to a support, whether or not moments can stand over it. */
  shareToSupport(isContinuous: boolean): number;
  /** Share of the span's largest moment that top bars carry at an end that is held unintendedly, and how far they run in from the face, over the span. */
  readonly heldEnd: { readonly moment: number; readonly reach: number; readonly clause: string } | null;
  /** Depth up to which cracks need no look when the rules for slabs are kept; null where the code has none. */
  readonly crackFreeDepth: { readonly h: number; readonly clause: string } | null;
  /**
   * Least depth of a panel on stiff edges without a calculation of deflection: `length` is its shorter span, `long` the longer (clear) one;
   * `beamStiffness` that of the edge beams over the slab's, null where they are stiff.
   */
  /** The span that this depth is compared with: as the code measures it, from a span between centres and the width of its supports (mm). */
  panelSpan(length: number, supportWidth: number): number;
  /** Whether the stiffness of the edge beams counts for it. */
  readonly usesBeamStiffness: boolean;
  twoWayDepth(c: Calc, q: TwoWayDepthQuestion): SpanDepth;
  /** Largest x/d at yield lines, for analysis at collapse; null where the limits of bending do. */
  plasticDepth(m: Materials): (Limit & { /** Why steel of this class allows no analysis at collapse. */ readonly refusal?: string }) | null;
  /** The code's own coefficients for panels on stiff beams; left out where it has none, undefined where they do not apply. */
  panelCoefficients?(load: PanelLoad, supportWidth: number): PanelMoments | undefined;
  /** When these coefficients apply: why not for a panel, and the largest imposed over permanent load. */
  readonly coefficientLimits?: {
    readonly fault: (load: PanelLoad, supportWidth: number) => string | undefined;
    readonly loadRatio: Limit;
    readonly note: string;
  };
  /** The clause that bounds hogging over sagging moment by yield lines. */
  readonly yieldLineClause: string;
  /** What corners that are held down ask for. */
  readonly corners: { readonly text: string; readonly clause: string };
  readonly clauses: {
    readonly shear: string;
    readonly crushing: string;
    readonly least: string;
    readonly across: string;
    readonly toSupport: string;
  };
}
