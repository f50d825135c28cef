import type { ObjectSchema } from 'yup';
import type { Change } from '../advice/single-changes';
import type { Fault } from '../checks/fault';
import type { ResultBase } from '../checks/result';
import type { Choice, DesignCode, MaterialDefaults } from '../codes/design-code';
import type { Block, Fact } from '../document/blocks';
import type { Drawing } from '../drawing/shapes';
import type { MemberModel } from '../model/member-model';
import type { UnitSystem } from '../units/quantity';
import type { MemberBase, ProjectBasis, ReportDetail, Variant } from './member';

/** What a new member of a kind may begin as: something to change, not an empty form. */
export interface Start {
  readonly id: string;
  /** What it is called where members are added: "beam". */
  readonly title: string;
  /** What one does with it, where it is not added to be designed: "check". */
  readonly verb?: string;
  /** Whether it is not counted: "punching", not "a punching". */
  readonly isUncounted?: boolean;
  /** Before its number: "B". */
  readonly mark: string;
  /** The member as it would stand in a file, in the units that the project is shown in. */
  fields(project: ProjectBasis): Readonly<Record<string, unknown>>;
}

/** A way of looking for other states of a member. */
export interface Search {
  readonly id: string;
  readonly title: string;
  /** What is said when nothing is found. */
  readonly none: string;
  /** Whether what is found is drawn against each other, cost against ease of building. */
  readonly isWeighed?: boolean;
}

/** Another state of a member, designed in full. */
export type Way<M> = Change<Partial<M>> & { readonly detail?: string };

export interface Figure {
  readonly caption: string;
  readonly drawing: Drawing;
}

/** How members of a kind stand together, sharing what one of them is given. */
export interface Grouping<M> {
  /** The group's name; empty for none. */
  nameOf(member: M): string;
  /** What all share, and what those share that are alike. */
  readonly shared: readonly (keyof M)[];
  readonly sharedIfAlike: readonly (keyof M)[];
  areAlike(a: M, b: M): boolean;
}

/** Which other member one follows, which part of it (a column by its name), and as what: as the slab around it, or as the column below. */
export interface Following {
  readonly member: string;
  readonly part: string;
  readonly as: 'around' | 'below';
}

/** How members of a kind follow others: which one, and the fields that come from there. */
export interface Follower<M> {
  of(member: M): Following | null;
  readonly fields: readonly (keyof M)[];
  /** What is given, with what the member has to add to it. */
  adds?(member: M, given: object): object;
  /** The member as it stands by itself. */
  letGo(member: M): Partial<M>;
}

/** What may be set for several members at once; each kind takes what it has. Null and empty leave what is there. */
export interface SharedSettings {
  readonly concrete: number | null;
  readonly crackWidth: number | null;
  readonly mainSizes: readonly string[];
  readonly linkSizes: readonly string[];
  /** Name of a group; a dash takes a member out of its group. */
  readonly group: string;
  readonly frame: string;
  readonly deflection: number | null;
  readonly hasPartitions: boolean | null;
}

/**
 * A kind of member as one record: all that the program asks of it, but for what takes time, which is its work. A new kind is a folder with both
 * and a line in `kinds.ts` and in `works.ts`. Nothing outside the folder tells kinds apart by their names.
 */
export interface Kind<M extends MemberBase & { readonly type: string; readonly variants: readonly Variant<M>[] }, R extends ResultBase> {
  readonly type: M['type'];
  /** What a member of this kind is called within a sentence: "beam". */
  readonly word: string;
  /** What it is of a building. */
  readonly element: 'beam' | 'column' | 'wall' | 'slab';
  readonly starts: readonly Start[];

  /** The schema of its fields in a file; defaults that depend on the code come from it. */
  schema(defaults: MaterialDefaults): ObjectSchema<object>;
  /** Brings a member as read into the form that the rest of the program relies on. */
  complete?(member: M): M;
  /** Everything about the input that the shape of the file cannot say: each fault at its field. */
  faults(member: M, code: DesignCode): Fault[];
  /** A result with nothing in it but faults. */
  empty(faults: readonly Fault[]): R;
  /** What the code leaves open for such a member. */
  choices(code: DesignCode): readonly Choice[];

  readonly group?: Grouping<M>;
  readonly follows?: Follower<M>;
  /** The changes that shared settings mean for a member. */
  withSettings(member: M, settings: SharedSettings): Partial<M>;
  /** The change of a side of the section: width b or depth h; undefined where there is no such side. */
  withSide(member: M, side: 'b' | 'h', value: number): Partial<M> | undefined;

  readonly searches: readonly Search[];

  /** In a few words: its size, its reinforcement (empty without a result), and the group it stands in. */
  sizeLabel(member: M, units: UnitSystem): string;
  steelLabel(member: M, result: R | undefined, project: ProjectBasis): string;
  /** Its section, small and solid, as a path in a field of 16 by 14. */
  silhouette(member: M): string;

  /** What was put in, in lines: geometry, materials, covers, loads or load sets, and the bars. With how it was designed where that belongs to it. */
  facts(member: M, result: R, project: ProjectBasis): Fact[];
  /** What was put in as tables: loads, load sets, known forces. */
  inputTables(member: M, result: R, project: ProjectBasis, level: ReportDetail): Block[];
  /** The drawings of its report. */
  figures(member: M, result: R, project: ProjectBasis): Figure[];
  /** The member as it is to be built: concrete and every bar in its place. Empty where nothing was designed. */
  model(member: M, code: DesignCode, result: R): MemberModel;
  /** What its results hold beyond those of every kind, as numbers beside their units. */
  toJson(result: R, units: UnitSystem): object;
}

/** The members and results of a kind. */
export type MemberIn<K> = K extends { silhouette(member: infer M): string } ? M : never;
export type ResultIn<K> = K extends { empty(faults: readonly Fault[]): infer R } ? R : never;
