import type { Calc } from '../calc/calc';
import type { PolygonSection } from '../section/polygon-section';
import type { SurfacePoint } from '../section/resistance-surface';
import type { UltimateBasis } from '../section/ultimate';
import type { BarStress } from '../section/bar-stress-regions';
import type { AnchorageQuestion } from './anchorage-rules';
import type { Limit, Materials } from './basis';

/** Ties (links) or a continuous spiral. */
export type Transverse = 'ties' | 'spiral';

/** A beam that restrains the end of a column: what its stiffness needs. Lengths mm. */
export interface RestrainingBeam {
  readonly b: number;
  readonly h: number;
  readonly length: number;
  /** How the far end of the beam is held. */
  readonly far: 'fixed' | 'pinned' | 'continuous';
}

/** What the end of a column is joined to, in one plane of bending. */
export type ColumnEnd =
  | { readonly kind: 'fixed' | 'pinned' | 'free' }
  | {
      readonly kind: 'framed';
      readonly beams: readonly RestrainingBeam[];
      /** The column beyond the joint; null where there is none. b across, h in the plane of bending. */
      readonly column: { readonly b: number; readonly h: number; readonly length: number } | null;
    };

export interface EffectiveLengthInput {
  readonly top: ColumnEnd;
  readonly bottom: ColumnEnd;
  readonly isBraced: boolean;
  /** Clear height (mm) and second moment of area of the column in the plane of bending (mm4). */
  readonly clear: number;
  readonly inertia: number;
}

/** What does not change from load set to load set, for bending about one axis. */
export interface SlenderAxis {
  readonly materials: Materials;
  readonly isBraced: boolean;
  readonly clear: number;
  readonly l0: number;
  /** Depth of the section in the plane of bending, and its gross properties (mm, mm2, mm4). */
  readonly h: number;
  readonly area: number;
  readonly inertia: number;
  readonly steelArea: number;
  /** Second moment of area of the bars about the centroid of the concrete (mm4). */
  readonly steelInertia: number;
  readonly perimeter: number;
  /** Where the section is a rectangle or a circle a code may give its radius of gyration. */
  readonly shape: 'rectangle' | 'circle' | 'other';
  /** Squash load, before reduction (N). */
  readonly squash: number;
  /**
   * Where the bars furthest from the compressed edge just yield as the concrete fails: the moment before any reduction (N mm) and the depth of those bars
   * (mm), with that side compressed which has the lesser product of both.
   */
  readonly balanced: () => { readonly moment: number; readonly depth: number };
  /** Sway of the storey, where the code asks for it: the stability index, or sums of loads and critical loads. */
  readonly storey: StoreySway;
}

export interface StoreySway {
  readonly Q: number | null;
  readonly sumP: number | null;
  readonly sumPc: number | null;
}

/** First-order forces of one load set about one axis. Equal signs at both ends bend the column in single curvature. N, N mm. */
export interface EndForces {
  readonly N: number;
  readonly top: number;
  readonly bottom: number;
  /** The part of the end moments that comes with sway; only for unbraced columns. */
  readonly swayTop: number;
  readonly swayBottom: number;
  /** Part of the load that is sustained; null when nobody has said. */
  readonly sustained: number | null;
}

/** One line of the way from the moments typed to the moments checked (N mm). */
export interface MomentStep {
  readonly title: string;
  readonly clause: string;
  readonly top: number | null;
  readonly mid: number | null;
  readonly bottom: number | null;
}

/** Moments that the section has to carry, at the ends and between them. */
export interface DesignMoments {
  readonly top: number;
  readonly mid: number;
  readonly bottom: number;
  /** Largest first-order moment that they grew from; with the least moment where the code begins from that. */
  readonly firstOrder: number;
  readonly isSlender: boolean;
  readonly slenderness: number;
  readonly limit: number;
  /** Axial force over the load at which the column buckles by this method; null when the method has none. */
  readonly buckling: number | null;
  /** Why there is no figure: what is missing, or that the column buckles. */
  readonly refusal?: string;
}

/** The sense in which what nobody has chosen acts: imperfections, least eccentricities, and second order where it has no other. */
export type Sense = 1 | -1;

/** The rule of a code for one axis of one column: asked for each load set, and for each sense that may govern. */
export interface SlendernessRule {
  /** Design moments; `accidental` adds imperfections and least eccentricities about this axis. */
  moments(c: Calc, f: EndForces, accidental: boolean, sense: Sense): DesignMoments;
  /** Moment of a section by itself (N mm), where the code has a minimum that belongs to no height. */
  section?(c: Calc, N: number, moment: number, sense: Sense): number;
  /** The same way as a short table. */
  steps(f: EndForces, accidental: boolean, sense: Sense): MomentStep[];
}

export interface TieRules {
  readonly leastDiameter: Limit;
  /** Spacing in the middle and near beams, slabs, and laps; and how far near reaches (mm). */
  readonly spacing: Limit;
  /** Least spacing of a spiral from centre to centre (mm), where the code asks for room between its turns. */
  readonly leastSpacing?: Limit;
  readonly spacingNearEnds: Limit;
  readonly nearEnds: number;
  /** Furthest clear distance of a bar without a leg from one that is held (mm). */
  readonly unheldDistance: Limit;
  /** Whether at least every second bar must be held, however near they stand. */
  readonly holdsAlternate: boolean;
}

export interface TieQuestion {
  readonly largestBar: number;
  readonly smallestBar: number;
  readonly tie: number;
  readonly leastDimension: number;
  readonly largestDimension: number;
  readonly aggregate: number;
  readonly isSpiral: boolean;
}

/** Forces at a section against its design strengths (N, N mm, mm2): its squash load, and its bending strength with this axial force. */
export interface ConfinedSection {
  readonly N: number;
  readonly M: number;
  readonly squash: number;
  readonly capacity: number;
  readonly area: number;
  readonly materials: Materials;
}

/** A core held by fitments of one size: widths to the centres of the outer ones, legs across each way, spacing along the member (mm, MPa). */
export interface TiedCore {
  readonly b_c: number;
  readonly d_c: number;
  /** Areas of all legs that run along x, and along y (mm2). */
  readonly alongX: number;
  readonly alongY: number;
  readonly spacing: number;
  readonly fsy: number;
  /** Clear distances between bars next to each other that are held, all round (mm). */
  readonly between: readonly number[];
}

/** A round core held by a helix, or by round fitments one by one: diameter to their centre line, area of one bar, spacing (mm, MPa). */
export interface RoundCore {
  readonly d_s: number;
  readonly area: number;
  readonly spacing: number;
  readonly fsy: number;
  readonly isHelix: boolean;
}

/** Where a code asks that ties press on the core: when, how much, and how much they do (MPa). */
export interface ConfinementRules {
  isAsked(q: ConfinedSection): boolean;
  /** The part of the bending strength from which on it is asked with an axial force: 0 whatever the moment, Infinity never. */
  askedFrom(q: Omit<ConfinedSection, 'M' | 'capacity'>): number;
  needed(c: Calc, m: Materials): number;
  tied(c: Calc, core: TiedCore): number;
  round(c: Calc, core: RoundCore): number;
  readonly clause: string;
}

/** What a code says of columns; asked by topic like the rest of {@link DesignCode}. N, mm, MPa. */
export interface ColumnRules {
  ultimateBasis(c: Calc, m: Materials, transverse: Transverse): UltimateBasis;
  /** Strength before any safety: what the dashed curve beside the design curve is, with its name. */
  nominal(m: Materials, transverse: Transverse): { readonly basis: UltimateBasis; readonly name: string };
  effectiveLength(c: Calc, input: EffectiveLengthInput, m: Materials): number;
  slenderness(axis: SlenderAxis): SlendernessRule;
  /** What the sustained part is a part of: first-order moments, or factored axial forces. */
  readonly sustainedBy: 'moment' | 'axial';
  /** Which loads count as sustained, in words for the sheet. */
  readonly sustainedMeaning: string;
  /** Writes down a limit state of the section: strains, forces of the bars, and the moment against the one asked for (N mm). */
  recordResistance(c: Calc, q: ResistanceRecord): void;
  /** Whether unbraced columns need the moments of sway apart. */
  readonly splitsSway: boolean;
  /** What unbraced columns need of their storey, by field with its words; null where nothing. */
  readonly storey: { readonly text: string; readonly fields: Readonly<Partial<Record<keyof StoreySway, string>>> } | null;
  /** Whether imperfections and least eccentricities are taken about both axes at once. */
  readonly accidentalTogether: boolean;
  /** Utilisation by moment at the same axial force, or along the ray from the origin. */
  readonly measure: 'moment' | 'ray';
  /** The code's rule for bending about both axes by two uniaxial resistances; undefined where it has none. */
  biaxialRule?(c: Calc, q: BiaxialQuestion): { readonly utilisation: number; readonly clause: string };
  leastSteel(c: Calc, N: number, area: number, m: Materials): Limit;
  mostSteel(c: Calc, area: number): Limit;
  /** Most ratio of steel where bars lap. */
  readonly mostAtLaps: Limit;
  readonly leastBars: { readonly rectangular: number; readonly circular: number; readonly spiral: number; readonly clause: string };
  readonly leastBarDiameter: Limit;
  clearSpacing(diameter: number, aggregate: number, c?: Calc): Limit;
  ties(c: Calc, q: TieQuestion): TieRules;
  /** Pressure of the ties on the core; undefined where the code asks for none. */
  readonly confinement?: ConfinementRules;
  /** Volumetric ratio that a spiral needs and has; undefined where the code asks for none. */
  spiral?(c: Calc, q: SpiralQuestion): { readonly needed: number; readonly there: number; readonly clause: string };
  /** Shear strength in one direction with ties (N). The axial force counts. */
  shear(c: Calc, q: ColumnShear): number;
  /** The two directions together; undefined where the code does not join them. */
  joinShear?(x: number, y: number, c?: Calc): { readonly utilisation: number; readonly clause: string };
  /** Least and most steel of a wall and its largest spacings; areas mm2 for the same length of wall. */
  wallSteel(
    c: Calc,
    area: number,
    vertical: number,
    thickness: number,
  ): Readonly<Record<'leastVertical' | 'mostVertical' | 'leastHorizontal' | 'verticalSpacing' | 'horizontalSpacing', Limit>>;
  /** Effective length over clear height of a wall out of plane, by how its edges are held. */
  wallFactor(c: Calc, q: WallQuestion): number;
  /** Strength of a braced wall by a short rule for axial force with a small eccentricity; null where it does not apply. Undefined where the code has none. */
  simpleWall?(c: Calc, q: SimpleWall): Limit | null;
  /** Ratio of vertical steel above which a wall needs links through its thickness. */
  readonly wallLinks: Limit;
  /** The lap that the bars of a column need by the stress of the furthest one; undefined where laps do not depend on it. */
  lap?(c: Calc, q: AnchorageQuestion, stress: BarStress): ColumnLap;
  readonly clauses: {
    readonly axial: string;
    readonly squash: string;
    readonly slenderness: string;
    readonly shear: string;
    readonly growth: string;
    readonly bars: string;
  };
  /** Most that second-order effects may make of the first-order moments; null where the code sets no limit. */
  readonly mostGrowth: number | null;
}

/** A lap by its class: what it is called, and its length (mm). */
export interface ColumnLap {
  readonly name: string;
  readonly length: number;
  readonly clause: string;
}

export interface SpiralQuestion {
  readonly materials: Materials;
  readonly gross: number;
  /** Diameter of the core to the outside of the spiral (mm). */
  readonly core: number;
  readonly barArea: number;
  readonly pitch: number;
}

export interface WallQuestion {
  readonly restraint: 'twoSides' | 'threeSides' | 'fourSides' | 'cantilever';
  readonly height: number;
  readonly between: number;
}

/** A wall pressed off its middle plane. Lengths mm. */
export interface SimpleWall {
  readonly materials: Materials;
  readonly thickness: number;
  readonly length: number;
  /** Effective height, and eccentricity of the load as it is found. */
  readonly height: number;
  readonly e: number;
}

export interface ResistanceRecord {
  readonly section: PolygonSection;
  readonly basis: UltimateBasis;
  readonly point: SurfacePoint;
  readonly N: number;
  readonly Mx: number;
  readonly My: number;
}

export interface BiaxialQuestion {
  readonly N: number;
  readonly Mx: number;
  readonly My: number;
  readonly capacityX: number;
  readonly capacityY: number;
  readonly squash: number;
  readonly isCircular: boolean;
}

export interface ColumnShear {
  readonly isRound: boolean;
  readonly N: number;
  readonly V: number;
  /** Moment that goes with the shear (N mm); not known where it is left out. */
  readonly M?: number | undefined;
  readonly bw: number;
  readonly d: number;
  readonly h: number;
  readonly area: number;
  readonly tensionSteel: number;
  readonly tieArea: number;
  readonly tieSpacing: number;
  readonly materials: Materials;
}
