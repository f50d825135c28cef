import type { Calc } from '../calc/calc';
import type { FlexuralSection } from '../section/flexural-section';
import type { SectionStiffness } from '../section/mean-curvature';
import type { Limit, Materials } from './basis';

/** Combinations by their use in service; the permanent loads alone are there before anything else. */
export type ServiceLoads = 'permanent' | 'quasiPermanent' | 'characteristic' | 'service' | 'sustained';

/** A state of loading whose deflection is worked out. */
export interface DeflectionStage {
  readonly id: string;
  readonly loads: ServiceLoads;
  /** When: at once, when partitions are built, or at the end. */
  readonly age: 'immediate' | 'partitions' | 'end';
  /** Cracked by its own moments alone, or by the largest that the full loads bring. */
  readonly crackedBy: 'own' | 'largest';
}

/** A deflection that is compared with a limit: a sum of stages. */
export interface DeflectionSum {
  readonly id: 'total' | 'after' | 'live';
  readonly title: string;
  readonly clause: string;
  /** Usual limit, as a part of the span: 250 for span/250. */
  readonly usual: number;
  readonly terms: readonly { readonly stage: string; readonly factor: number }[];
}

/** What long-term effects on one span depend on. */
export interface LongTerm {
  /** Days after which partitions and finishes are there. */
  readonly partitionAge: number;
  readonly hasPartitions: boolean;
  /** Compression and tension steel over b d, at midspan or at the support of a cantilever. */
  readonly compressionRatio: number;
  readonly tensionRatio: number;
}

export interface StiffnessQuestion {
  readonly section: FlexuralSection;
  readonly materials: Materials;
  /** Gross section: area (mm2), perimeter (mm), second moment of area (mm4), and distance from its centroid to the tension face (mm). */
  readonly area: number;
  readonly perimeter: number;
  readonly inertia: number;
  readonly toTensionFace: number;
  readonly age: DeflectionStage['age'] | AgedConcrete;
  readonly partitionAge: number;
}

/** Concrete at an age: its creep coefficient for the loads that it carries, its shrinkage, and whether they act for long or again and again. */
export interface AgedConcrete {
  readonly creep: number;
  readonly shrinkage: number;
  readonly isLasting: boolean;
}

export interface CrackQuestion {
  readonly materials: Materials;
  /** Stress of the bar nearest the tension edge (MPa, tension positive). */
  readonly steelStress: number;
  readonly diameter: number;
  readonly cover: number;
  /** Between the centres of neighbouring bars. */
  readonly spacing: number;
  readonly h: number;
  readonly d: number;
  /** Depth of the neutral axis; 0 when all is in tension. */
  readonly x: number;
  /** Area of concrete and of bars in a strip of a given depth from the tension edge (mm2). */
  strip(depth: number): { readonly concrete: number; readonly steel: number };
  /** Larger and smaller tensile strain over the section, 1 and 0 in bending. */
  readonly strains: readonly [number, number];
  readonly isSustained: boolean;
}

/** What tables of bars are asked besides: the depth of the plain section in tension before the first crack (mm). */
export interface CrackTableQuestion extends CrackQuestion {
  readonly tensionDepth: number;
}

export interface CrackWidth {
  readonly width: number;
  readonly clause: string;
}

/** A face that cracks for the first time: its web in bending. Lengths mm, areas mm2. */
export interface FirstCrackQuestion {
  readonly materials: Materials;
  readonly h: number;
  readonly d: number;
  /** Depth and area in tension before the first crack. */
  readonly tensionDepth: number;
  readonly tensionArea: number;
  readonly diameter: number;
  /** Crack width that is allowed. */
  readonly width: number;
}

/** Largest bar and largest spacing: one of the two is to be kept (mm). */
export interface CrackLimits {
  readonly bar: number;
  readonly spacing: number;
  readonly clause: string;
}

export interface SkinQuestion {
  readonly materials: Materials;
  readonly h: number;
  readonly tensionArea: number;
  /** Stress of the main bars in service (MPa). */
  readonly steelStress: number;
  readonly width: number;
  /** Cover of the side bars. */
  readonly cover: number;
}

/** Bars along the sides of a deep beam: area of both sides in the pulled part (0 where only the spacing is ruled), largest spacing. */
export interface Skin {
  readonly area: number;
  readonly spacing: number;
  readonly clause: string;
}

/** Uniform loads of a span (N/mm over a width, mm): the most that its combinations in service have, and the permanent part. */
export interface SpanLoads {
  readonly service: number;
  readonly sustained: number;
  readonly permanent: number;
  readonly width: number;
}

export interface SpanDepthQuestion {
  readonly materials: Materials;
  /** How the span is held: K and the least depth depend on it. */
  readonly system: SpanSystem;
  readonly length: number;
  readonly h: number;
  readonly d: number;
  /** Tension and compression steel required over b d, and steel provided over required. */
  readonly ratio: number;
  readonly compressionRatio: number;
  readonly provided: number;
  /** Width of the compressed face over that of the web. */
  readonly flange: number;
  /** A one-way slab, where the code has depths of its own for it. */
  readonly isSlab?: boolean;
  readonly hasPartitions: boolean;
  /** Left out where the span has other than uniform loads, or they are not known. */
  readonly loads?: SpanLoads;
}

export type SpanSystem = 'simple' | 'oneEnd' | 'bothEnds' | 'cantilever';

export interface SpanDepth {
  /** Span over depth as it is, and the most without a calculation of deflection. */
  readonly actual: number;
  readonly limit: number;
  readonly clause: string;
  /** Why the rule has no limit for this span; then the limit is no number. */
  readonly refusal?: string;
}

export type StressKind = 'characteristic' | 'frequent' | 'quasiPermanent' | 'service';

/** What a code says of stresses, cracks and deflections in service. N, mm, MPa. */
export interface ServiceRules {
  /** Modulus of concrete with creep for the sustained part (MPa). */
  modulus(c: Calc, m: Materials, area: number, perimeter: number, sustained: number): number;
  /** Limits of stress under service loads; null where the code has none. */
  stressLimits(m: Materials, kind: StressKind): { readonly concrete: Limit | null; readonly steel: Limit | null };
  /** Calculated crack width; undefined where the code asks for none. */
  crack?(c: Calc, q: CrackQuestion): CrackWidth;
  /** An estimate for information, where the code limits the spacing of bars instead. */
  crackEstimate?(c: Calc, q: CrackQuestion): CrackWidth;
  /** Largest spacing of bars nearest the tension face, where the code controls cracks so. */
  crackSpacing?(c: Calc, steelStress: number, cover: number, m: Materials): Limit;
  /** Minimum reinforcement of a face for its first cracks (mm2); undefined where the code has no such rule. */
  leastCrackSteel?(c: Calc, q: FirstCrackQuestion): Limit;
  /** Control of cracks without their width; undefined where it is not chosen, or the code has no such tables. */
  crackTables?(c: Calc, q: CrackTableQuestion, width: number): CrackLimits;
  /** Bars along the sides of a deep beam; null for beams that need none. */
  skin(c: Calc, q: SkinQuestion): Skin | null;
  readonly crackLoads: ServiceLoads;
  readonly crackClause: string;
  /** Loads that crack a section for good. */
  readonly fullLoads: ServiceLoads;
  readonly stages: readonly DeflectionStage[];
  sums(c: Calc, q: LongTerm): readonly DeflectionSum[];
  stiffness(c: Calc, q: StiffnessQuestion): SectionStiffness;
  /** Creep coefficient of a load from the day it came to another, and shrinkage until then (days, Infinity: for good); undefined where a code has factors instead. */
  aged?(
    m: Materials,
    size: { readonly area: number; readonly perimeter: number },
    loaded: number,
    at: number,
  ): Pick<AgedConcrete, 'creep' | 'shrinkage'>;
  /** Mean curvature (1/mm) under a moment, when `largest` has acted: as in {@link meanCurvature}, written down. */
  curvature(c: Calc, s: SectionStiffness, moment: number, largest: number): number;
  /** How deflection is judged: by calculation, by span over depth, or by both. */
  readonly deflectionBy: 'curvature' | 'spanDepth' | 'both';
  readonly spanDepthTitle: string;
  /** Length of a cantilever times this is its span where deflections are limited. */
  readonly cantileverSpan: number;
  /** One stiffness from the sections that matter in a span, or each section with its own. */
  readonly stiffnessBy: 'section' | 'average' | 'midspan';
  spanDepth(c: Calc, q: SpanDepthQuestion): SpanDepth;
}
