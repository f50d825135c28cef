import type { Combination, LoadCase } from '../../analysis/combination';
import type { Materials } from '../../codes/design-code';
import type { FrameClass } from '../../codes/frame-rules';
import type { BeamOutline } from '../../geometry/beam-outline';
import type { CatalogueId } from '../../materials/bars';
import type { BarGroup } from '../../reinforcement/bar-groups';

/** Lengths mm, forces N, line loads N/mm, moments N mm; positions along a span from its left end. Loads positive down. */

export type SupportType = 'pinned' | 'fixed' | 'free' | 'spring';

export interface BeamSupport {
  readonly type: SupportType;
  /** Width along the beam. */
  readonly width: number;
  /** Spring stiffness; null is rigid for vertical, none for rotation. Only for a spring. */
  readonly vertical: number | null;
  readonly rotation: number | null;
  readonly settlement: number;
  /** Whether it holds the beam against twisting; a free end never does. */
  readonly holdsTwist?: boolean;
  /** Moment after over before redistribution. */
  readonly redistribution: number;
}

export interface BeamSpan {
  readonly length: number;
  /** Upward camber of the formwork at midspan, or at the end of a cantilever. */
  readonly camber?: number;
  /** Dimensions that differ from those of the beam. */
  readonly section: Partial<BeamOutline>;
}

export type BeamLoad = { readonly case: string; readonly note: string } & (
  | { readonly type: 'uniform'; readonly span: number | 'all'; readonly value: number }
  | { readonly type: 'partial'; readonly span: number; readonly from: number; readonly to: number; readonly value: number }
  | {
      readonly type: 'trapezoidal';
      readonly span: number;
      readonly from: number;
      readonly to: number;
      readonly start: number;
      readonly end: number;
    }
  | { readonly type: 'point'; readonly span: number; readonly at: number; readonly force: number }
  | { readonly type: 'moment'; readonly span: number; readonly at: number; readonly moment: number }
  /** Torque per length (N mm/mm) and at a place (N mm). */
  | { readonly type: 'torque'; readonly span: number | 'all'; readonly value: number }
  | { readonly type: 'pointTorque'; readonly span: number; readonly at: number; readonly torque: number }
);
export type BeamLoadType = BeamLoad['type'];

export interface Cover {
  /** To the outside of the links. */
  readonly top: number;
  readonly bottom: number;
  readonly side: number;
}

/** Bars that stop inside a span; null is chosen automatically. */
export interface ExtraBars {
  readonly bars: BarGroup | null;
  readonly from: number | null;
  readonly to: number | null;
}

export interface SupportBars {
  readonly bars: BarGroup | null;
  /** Lengths from the support's centre line. */
  readonly left: number | null;
  readonly right: number | null;
}

export interface LinkZone {
  /** Where the zone ends, from the left end of the span; the last zone ends with the span. */
  readonly to: number;
  readonly size: string;
  readonly legs: number;
  readonly spacing: number;
}

export interface BeamBars {
  /** By span. */
  readonly bottom: readonly { readonly main: BarGroup | null; readonly extra: ExtraBars }[];
  readonly top: readonly { readonly main: BarGroup | null }[];
  readonly links: readonly { readonly zones: readonly LinkZone[] | null }[];
  /** By support. */
  readonly support: readonly SupportBars[];
  /** Bars along each side face of the beam; null are those that torsion needs. */
  readonly side?: BarGroup | null;
}

/** What the automatic choice of bars may use; an empty list is everything usual. */
export interface BarRules {
  readonly mainSizes: readonly string[];
  readonly linkSizes: readonly string[];
  /** Fewest and most bars of a group; null leaves them open. */
  readonly leastBars: number | null;
  readonly mostBars: number | null;
  /** Legs that links may have, and spacings (mm) in which they may stand. */
  readonly legs: readonly number[];
  readonly spacings: readonly number[];
  /** Refuse compression steel that strength would need. */
  readonly singlyReinforced: boolean;
}

/** One set of design forces at a named place. M sagging positive. */
export interface GivenForces {
  readonly place: string;
  readonly combination: string;
  readonly moment: number;
  readonly shear: number;
  readonly torsion?: number;
  /** At the centroid of the plain section, compression positive. */
  readonly axial?: number;
}

/** Limits in service, and what long-term effects depend on. */
export interface BeamServiceInput {
  /** Deflections as parts of the span (250 for span/250); null takes the usual one of the code. */
  readonly limits: Readonly<Record<'total' | 'after' | 'live', number | null>>;
  /** Deflection that no span may pass (mm), or null. */
  readonly most: number | null;
  /** Crack width that is allowed (mm). */
  readonly crackWidth: number;
  /** Days after which partitions and finishes are there; whether they can be damaged. */
  readonly partitionAge: number;
  readonly hasPartitions: boolean;
}

/** A continuous beam, or (mode "forces") a section whose design forces are known. */
export interface BeamInput {
  readonly mode: 'loads' | 'forces';
  /** A strip of slab, for rules that beams do not share. */
  readonly isSlab?: true;
  readonly section: BeamOutline;
  /** Clear distances to the next webs on both sides, from which the code finds the flange; null takes its width as given. */
  readonly slab: { readonly left: number; readonly right: number } | null;
  readonly spans: readonly BeamSpan[];
  readonly supports: readonly BeamSupport[];
  readonly materials: Materials;
  readonly catalogue: CatalogueId;
  readonly cover: Cover;
  readonly unitWeight: number;
  readonly selfWeight: boolean;
  readonly cases: readonly LoadCase[];
  readonly loads: readonly BeamLoad[];
  readonly forces: readonly GivenForces[];
  readonly bars: BeamBars;
  readonly barRules: BarRules;
  /** Class of the ductile frame in which the beam stands, as the code names them. */
  readonly frame: FrameClass;
  readonly service: BeamServiceInput;
  /** Combinations switched off, by id; and the engineer's own. */
  readonly combinationsOff: readonly string[];
  readonly ownCombinations: readonly Combination[];
}

const outlines = new WeakMap<BeamInput, BeamOutline[]>();

/** The outline of a span; the same object for the same beam, so that what is worked out from it can be kept. */
export function outlineOf(beam: BeamInput, span: number): BeamOutline {
  let known = outlines.get(beam);
  if (!known) outlines.set(beam, (known = beam.spans.map((s) => ({ ...beam.section, ...s.section }))));
  return known[span] ?? beam.section;
}

/** Distances of the supports from the left end. */
export function supportPositions({ spans }: { readonly spans: readonly { readonly length: number }[] }): number[] {
  const x = [0];
  for (const span of spans) x.push(x[x.length - 1]! + span.length);
  return x;
}

/** Names of supports as on the grid: A, B, ... Z, AA. */
export function supportName(i: number): string {
  return i < 26 ? String.fromCharCode(65 + i) : supportName(Math.floor(i / 26) - 1) + supportName(i % 26);
}

/** Whether a hogging moment can stand over a support: not over a pinned end with nothing beyond it. */
export function holdsMoment(beam: BeamInput, support: number): boolean {
  const s = beam.supports[support]!;
  if (s.type === 'free') return false;
  const isEnd = support === 0 || support === beam.spans.length;
  return !isEnd || s.type === 'fixed' || (s.type === 'spring' && (s.rotation ?? 0) > 0);
}

export const SELF_WEIGHT = 'SW';
