import type { PatternRule } from '../analysis/arrangements';
import type { Combination, LoadCase, Nature } from '../analysis/combination';
import type { Calc } from '../calc/calc';
import type { AnchorageRules } from './anchorage-rules';
import type { BeamFormRules } from './beam-form-rules';
import type { CatalogueId } from '../materials/bars';
import type { ColumnRules } from './column-rules';
import type { ServiceRules } from './service-rules';
import type { FireRules } from './fire-rules';
import type { FlangeRule } from './flange-width';
import type { FrameCode } from './frame-rules';
import type { PunchingRules } from './punching-rules';
import type { SlabRules } from './slab-rules';
import type { TorsionRules } from './torsion-rules';
import type { ConcreteLaw, SteelLaw } from '../section/laws';
import type { UnitSystem } from '../units/quantity';

import { isRange, usualOf } from './basis';
import type {
  BendingSection,
  BendingTask,
  FlangeShear,
  Choice,
  Limit,
  Links,
  Materials,
  Named,
  ShearResistance,
  ShearSection,
  TimeDependentInput,
} from './basis';

export * from './basis';

/** Which code of practice, in which of its forms, and what was chosen where it leaves a choice. */
export interface CodeSettings {
  /** The name under which the registry has the code. */
  readonly id: string;
  /** National choices, or the form of the code. */
  readonly variant: string;
  /** Values of choices by key; those left out have their default. */
  readonly choices: Readonly<Record<string, string>>;
}

export type MaterialDefaults = Materials & { readonly catalogue: CatalogueId; readonly unitWeight: number };

export interface BendingResistance {
  /** Design resistance (N mm): MRd or phi Mn. */
  readonly moment: number;
  readonly x: number;
  readonly d: number;
  /** Depth of the furthest tension bars. */
  readonly dt: number;
  readonly tensionArea: number;
  readonly tensionStrain: number;
  readonly compressionForce: number;
  readonly compressionDepth: number;
}

export interface RequiredSteel {
  readonly tension: number;
  readonly compression: number;
  /** Set when the section cannot carry the moment as asked; says why and what would help. */
  readonly refusal?: string;
}

/** What the ductility check compares: x/d with its limit, or the tension strain with its least value. */
export interface Ductility {
  readonly title: string;
  readonly clause: string;
  readonly demand: number;
  readonly capacity: number;
  readonly utilisation: number;
  readonly kind: 'ratio' | 'strain';
}

export interface LinkRequirement {
  /** Area of links per length (mm2/mm), the larger of strength and minimum. */
  readonly areaPerLength: number;
  readonly minimum: number;
  readonly maxAlong: number;
  readonly maxAcross: number;
  /** The section itself is too small, whatever the links. */
  readonly isCrushed: boolean;
}

/**
 * A code of practice, asked by topic. All values in N, mm, MPa. Calculations write to `c`, so the same call serves searches and derivations.
 */
export interface DesignCode {
  readonly settings: CodeSettings;
  readonly title: string;
  readonly linkWord: 'links' | 'stirrups';
  /** What the strengths of concrete, bars and transverse bars are called: "fck", "fyk", "fywk". */
  readonly strengthSymbols: { readonly concrete: string; readonly bars: string; readonly links: string };
  /** What transverse bars of a beam and of a column are called beside their strength. */
  readonly linkTitles: { readonly beam: string; readonly column: string };
  /** Classes of ductility of bars, and of cement; empty where the code has none. */
  readonly ductilityClasses: Named;
  readonly cements: Named;
  /** What creep and shrinkage rest on besides strength and size. */
  readonly creepInputs: readonly (keyof TimeDependentInput)[];
  /** Natures of loads, and uses of areas under imposed loads (empty where the code does not tell them apart), with their words. */
  readonly natures: Readonly<Partial<Record<Nature, string>>>;
  /** The letter that a case of a nature is called by. */
  readonly caseLetters: Readonly<Partial<Record<Nature, string>>>;
  readonly categories: Named;
  /** By which practice bends are named unless the project says otherwise. */
  readonly bends: 'iso' | 'aci';
  /** What stands before a bar size that has no sign of its own, so that count and size never run together. */
  readonly barPrefix: string;
  readonly choices: readonly Choice[];
  readonly defaults: MaterialDefaults;
  /** Concretes that are usually ordered (MPa), weakest first. */
  readonly concreteGrades: readonly number[];
  /** What a concrete strength is called: "C35/45", "f′c 4000 psi". */
  concreteLabel(strength: number): string;
  steelLabel(strength: number, ductility: string): string;
  /** Faults in materials, by field. */
  materialFaults(m: Materials): readonly { readonly field: keyof Materials; readonly reason: string }[];
  /** What counts of a strength where the code takes less than is typed, by field; undefined where all of it counts. */
  countedStrength?(m: Materials): Partial<Record<'steelStrength' | 'linkStrength', { readonly value: number; readonly why: string }>>;
  concreteLaw(c: Calc, m: Materials): ConcreteLaw;
  steelLaw(c: Calc, m: Materials): SteelLaw;
  elasticModulus(c: Calc, m: Materials): number;

  combinations(cases: readonly LoadCase[]): Combination[];
  patternRule(): PatternRule;
  supportMoment(): { readonly rule: 'face' | 'rounded' | 'centre'; readonly minimumRatio: number; readonly clause: string };
  leastRedistribution(m: Materials): Limit;

  bendingResistance(c: Calc, s: BendingSection, m: Materials): BendingResistance | undefined;
  bendingSteel(c: Calc, task: BendingTask): RequiredSteel;
  /** Whether a section under an axial force (N) is one that is bent in the first place, so that the rules of ductility of beams hold for it. */
  isBentFirst(axial: number, area: number, m: Materials): boolean;
  ductility(c: Calc, r: BendingResistance, m: Materials, delta: number): Ductility | undefined;
  minimumSteel(c: Calc, s: BendingSection, d: number, m: Materials): number;
  maximumSteel(c: Calc, s: BendingSection, m: Materials): number | undefined;
  readonly steelClauses: { readonly minimum: string; readonly maximum: string; readonly bending: string };

  /** Whether the strength in shear rests on the moment and the shear that act together. */
  readonly shearByActions?: boolean;
  shearResistance(c: Calc, s: ShearSection, links: Links, m: Materials): ShearResistance;
  linkRequirement(c: Calc, force: number, s: ShearSection, m: Materials): LinkRequirement;
  /** How far from the face the shear of a uniform load need not be checked; zero when the choice says so. */
  shearDistance(d: number): number;
  readonly shearClauses: {
    readonly resistance: string;
    readonly crushing: string;
    readonly minimum: string;
    readonly along: string;
    readonly across: string;
  };

  clearSpacing(diameter: number, aggregate: number, c?: Calc): Limit;
  layerGap(diameter: number, aggregate: number): Limit;
  /** Straight length in which a bar comes to its full design stress. */
  anchorageLength(
    c: Calc,
    bar: { readonly diameter: number },
    /** Whether the bar is near the top of a depth (mm), and its clear cover (mm). */
    place: { readonly isTop: boolean; readonly h: number; readonly cover: number },
    m: Materials,
  ): number;
  readonly anchorageClause: string;
  /** Largest spacing of links that hold compression bars. */
  compressionLinkSpacing(barDiameter: number, linkDiameter: number, leastWidth: number, c?: Calc): Limit;
  readonly column: ColumnRules;
  readonly service: ServiceRules;
  /** Undefined where the code has no rule. */
  flangeShear?(
    c: Calc,
    q: FlangeShear,
  ): {
    readonly stress: number;
    readonly limit: number;
    readonly areaPerLength: number;
    readonly needsSteel: boolean;
    readonly clause: string;
  };
  readonly torsion: TorsionRules;
  readonly flange: FlangeRule;
  readonly beamForm: BeamFormRules;
  readonly frames: FrameCode;
  readonly punching: PunchingRules;
  readonly slab: SlabRules;
  readonly anchorage: AnchorageRules;
  readonly fire: FireRules;
  /** Topics that this code has here only in part or not at all. */
  readonly notCovered: readonly MissingTopic[];
}

/** What members a topic of a code is about. */
export type TopicOf = 'beams' | 'slabs' | 'columns' | 'punching';

/** A topic that a code lacks here, for one kind of member alone where that is said. */
export interface MissingTopic {
  readonly title: string;
  readonly clause: string;
  readonly of?: TopicOf;
}

/** The topics that a code lacks for a kind of member. */
export const missingFor = (code: Pick<DesignCode, 'notCovered'>, kind: TopicOf): readonly MissingTopic[] =>
  code.notCovered.filter((t) => !t.of || t.of === kind);

/** A code as the registry has it: its forms, the first of them the usual one, and how it is made. */
export interface CodeEntry {
  readonly id: string;
  readonly variants: readonly CodeVariant[];
  /** Throws RangeError for a variant that it does not have. */
  make(settings: CodeSettings): DesignCode;
}

export interface CodeVariant {
  readonly variant: string;
  readonly title: string;
  /** Where there is little room. */
  readonly short: string;
  /** Whether a new project is offered this one before the others. */
  readonly isOfferedFirst?: boolean;
  /** Units in which a project to this code is usually shown. */
  readonly display: UnitSystem;
}

type Strength = 'concreteStrength' | 'steelStrength' | 'linkStrength';

/** Strengths outside the range that a code has for them (MPa), with what is said of it. */
export const strengthFaults =
  (ranges: Readonly<Record<Strength, readonly [least: number, most: number, reason: string]>>): DesignCode['materialFaults'] =>
  (m) =>
    (Object.keys(ranges) as Strength[]).flatMap((field) => {
      const [least, most, reason] = ranges[field];
      return m[field] >= least && m[field] <= most ? [] : [{ field, reason }];
    });

/** Reads a choice: the value set, or the default. Throws RangeError for a key that the code does not have. */
export function readChoice(choices: readonly Choice[], settings: CodeSettings, key: string): string {
  const choice = choices.find((c) => c.key === key);
  if (!choice) throw new RangeError(`No such choice: ${key}`);
  const set = settings.choices[key];
  return set !== undefined && isValidChoice(choice, set) ? set : usualOf(choice);
}

/** Whether a value is one that a choice allows. */
export function isValidChoice(choice: Choice, value: string): boolean {
  const { options } = choice;
  if (!isRange(options)) return Object.hasOwn(options, value);
  const number = Number(value);
  return value.trim() !== '' && number >= options.min && number <= options.max;
}
