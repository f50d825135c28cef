import type { ProjectRates } from '../advice/rates';
import type { Choice, CodeSettings, DesignCode } from '../codes/design-code';
import { makeCode } from '../codes/registry';
import type { BeamInput } from '../members/beam/input';
import type { BeamResult } from '../members/beam/result';
import type { ColumnInput } from '../members/column/input';
import type { ColumnResult } from '../members/column/result';
import type { BendSetting } from '../schedule/bend-types';
import type { PunchingInput } from '../members/punching/input';
import type { PunchingResult } from '../members/punching/result';
import type { PanelInput } from '../members/panel/input';
import type { PanelResult } from '../members/panel/result';
import type { StripInput } from '../members/strip/input';
import type { StripResult } from '../members/strip/result';
import { wallAsColumn } from '../members/wall/as-column';
import type { WallInput } from '../members/wall/input';
import type { UnitSystem } from '../units/quantity';

/** An engineer's decision on a check: accepted with a reason, for the inputs that it was made for. */
export interface Decision {
  readonly check: string;
  readonly reason: string;
  readonly by: string;
  /** ISO date. */
  readonly date: string;
  /** Utilisation that was accepted; a worse one asks again. */
  readonly utilisation: number;
}

export type ReportDetail = 'summary' | 'working' | 'full';

interface MemberBase {
  readonly id: string;
  readonly mark: string;
  readonly title: string;
  /** Part of the building, under which members are grouped. */
  readonly place: string;
  readonly decisions: readonly Decision[];
  readonly report: ReportDetail;
  /** Choices of the code that differ from those of the project. */
  readonly choices: Readonly<Record<string, string>>;
  /** States of this member that are kept beside the one in use. */
  readonly variants: readonly Variant[];
}

/** A state of a member under a name: the member as it was, with no variants of its own. */
export interface Variant {
  readonly name: string;
  readonly state: Member;
}

export type BeamMember = MemberBase & {
  readonly type: 'beam';
  /** Beams of one group share their section and bars; empty for none. */
  readonly group: string;
  /** Where the report cuts the beam (mm from its left end); none: over the supports and in midspan. */
  readonly cuts: readonly number[];
} & BeamInput;
export type ColumnMember = MemberBase & { readonly type: 'column' } & ColumnInput;
export type WallMember = MemberBase & { readonly type: 'wall' } & WallInput;
/** Columns and walls: what stands upright and carries axial force. */
export type UprightMember = ColumnMember | WallMember;
/** A slab at a column. */
export type PunchingMember = MemberBase & { readonly type: 'punching' } & PunchingInput;
/** A slab that spans one way. */
export type StripMember = MemberBase & { readonly type: 'strip' } & StripInput;
/** A rectangular slab on beams or walls along its edges. */
export type PanelMember = MemberBase & { readonly type: 'panel' } & PanelInput;
/** What is analysed along a line: it has spans, supports, load cases and combinations. */
export type LineMember = BeamMember | StripMember;
/** Every type of member; further types are added here. */
export type Member = BeamMember | UprightMember | PunchingMember | StripMember | PanelMember;
export type MemberResult = BeamResult | ColumnResult | PunchingResult | StripResult | PanelResult;

export interface ProjectInfo {
  readonly number: string;
  readonly author: string;
  readonly checker: string;
  readonly revision: string;
  /** ISO date, or empty. */
  readonly date: string;
  readonly description: string;
}

export interface Project {
  readonly format: 'intarsia';
  readonly version: number;
  readonly id: string;
  readonly name: string;
  readonly info: ProjectInfo;
  readonly code: CodeSettings;
  /** Units in which the project is shown. */
  readonly display: UnitSystem;
  readonly paper: 'A4' | 'Letter';
  /** How bends are named in bar schedules. */
  readonly bends: BendSetting;
  /** What proposals are ranked by. */
  readonly rates: ProjectRates;
  readonly members: readonly Member[];
}

export const FORMAT_VERSION = 1;

/** The code that a member is designed to: that of the project with the member's own choices. */
export function codeOf(project: Pick<Project, 'code'>, member: Pick<Member, 'choices'>): DesignCode {
  return makeCode({ ...project.code, choices: { ...project.code.choices, ...member.choices } });
}

/** A column or a wall as the upright section that it is. */
export function uprightInput(member: UprightMember, code: DesignCode): ColumnInput {
  return member.type === 'wall' ? wallAsColumn(member, code) : member;
}

/** What the code leaves open for a member of this type. */
export function choicesFor(code: DesignCode, member: Pick<Member, 'type'>): readonly Choice[] {
  if (member.type === 'punching') return code.punching.choices;
  const hidden = {
    beam: ['columns', 'strips'],
    strip: ['columns'],
    panel: ['columns'],
    column: ['beams', 'strips'],
    wall: ['beams', 'strips'],
  }[member.type];
  return code.choices.filter((k) => !k.only || !hidden.includes(k.only));
}

/** The decision that stands for a check: one that was made, and for a utilisation not lower than today's. */
export function decisionFor(
  member: Pick<Member, 'decisions'>,
  check: { readonly id: string; readonly utilisation: number | null },
): Decision | undefined {
  return member.decisions.find((d) => d.check === check.id && check.utilisation !== null && check.utilisation <= d.utilisation + 0.005);
}
