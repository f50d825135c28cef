import { object, string as anyString } from 'yup';
import type { CodeSettings, DesignCode, MaterialDefaults } from '../codes/design-code';
import { makeCode } from '../codes/registry';
import type { UnitSystem } from '../units/quantity';
import { decisions, oneOf, text, textMap, type InputOf } from './parts/schema-parts';

export const reportDetails = ['summary', 'working', 'full'] as const;
export type ReportDetail = (typeof reportDetails)[number];

/** What a member of any kind begins and ends with in a file. */
const head = { id: text(60), mark: text(20), title: text(80), place: text(60) };
const tail = {
  /** Choices of the code that differ from those of the project. */
  choices: textMap,
  decisions,
  report: oneOf(reportDetails, 'working'),
};

/** What a member of any kind has: `place` is the part of the building under which members are grouped. */
export type MemberBase = InputOf<() => typeof head & typeof tail>;

/** An engineer's decision on a check: accepted with a reason, by whom and when, for a utilisation that a worse one does not stand for. */
export type Decision = MemberBase['decisions'][number];

/** A state of a member under a name: the member as it was, with no variants of its own. */
export interface Variant<M> {
  readonly name: string;
  readonly state: M;
}

/** A member of a kind: what every member has, and what its kind asks for. */
export type MemberOf<T extends string, I> = MemberBase & { readonly type: T } & I & {
    /** States that are kept beside the one in use. */
    readonly variants: readonly Variant<MemberOf<T, I>>[];
  };

/** The schema of a member of a kind, from the fields that the kind asks for. */
export const memberSchema = <T extends string, F extends (d: MaterialDefaults) => object>(type: T, fields: F, d: MaterialDefaults) =>
  object({
    id: head.id,
    type: anyString().oneOf([type]).default(type),
    mark: head.mark,
    title: head.title,
    place: head.place,
    ...fields(d),
    ...tail,
  });

/** What of its project a member's design and its words depend on. */
export interface ProjectBasis {
  readonly code: CodeSettings;
  /** Units in which the project is shown. */
  readonly display: UnitSystem;
  /** How bars without a sign of their own are named; as the code has them where it is left out. */
  readonly barNames?: BarNames;
}

/** "4H20" or "4ø20" as the code has them, or "4 No. 20". */
export const barNames = ['byCode', 'number'] as const;
export type BarNames = (typeof barNames)[number];

/** The code that a member is designed to: that of the project with the member's own choices. */
export function codeOf({ code }: Pick<ProjectBasis, 'code'>, { choices }: Pick<MemberBase, 'choices'>): DesignCode {
  return makeCode(Object.keys(choices).length === 0 ? code : { ...code, choices: { ...code.choices, ...choices } });
}

/** The decision that stands for a check: one that was made, and for a utilisation not lower than today's. */
export function decisionFor(
  member: Pick<MemberBase, 'decisions'>,
  check: { readonly id: string; readonly utilisation: number | null },
): Decision | undefined {
  return member.decisions.find((d) => d.check === check.id && check.utilisation !== null && check.utilisation <= d.utilisation + 0.005);
}
