import { designBeam } from '../members/beam/design-beam';
import { withGroupBars } from '../members/beam/group';
import type { BeamResult } from '../members/beam/result';
import type { DesignOptions } from '../members/check';
import { designColumn } from '../members/column/design-column';
import type { ColumnResult } from '../members/column/result';
import { designPunching } from '../members/punching/design-punching';
import type { PunchingResult } from '../members/punching/result';
import { designPanel } from '../members/panel/design-panel';
import type { PanelResult } from '../members/panel/result';
import { designStrip } from '../members/strip/design-strip';
import type { StripResult } from '../members/strip/result';
import { designWall } from '../members/wall/design-wall';
import { companions } from './groups';
import {
  codeOf,
  type BeamMember,
  type Member,
  type MemberResult,
  type Project,
  type PunchingMember,
  type PanelMember,
  type StripMember,
  type UprightMember,
} from './project';

/** What a design needs of its project: the other members for what beams of a group share. */
type Basis = Pick<Project, 'code' | 'display'> & { readonly members?: readonly Member[] };
type Derive = DesignOptions['derive'];

/** The one way through: a validated member to its result. Pure. */
export function designMember(project: Basis, member: BeamMember, derive?: Derive): BeamResult;
export function designMember(project: Basis, member: UprightMember, derive?: Derive): ColumnResult;
export function designMember(project: Basis, member: PunchingMember, derive?: Derive): PunchingResult;
export function designMember(project: Basis, member: StripMember, derive?: Derive): StripResult;
export function designMember(project: Basis, member: PanelMember, derive?: Derive): PanelResult;
export function designMember(project: Basis, member: Member, derive?: Derive): MemberResult;
export function designMember(project: Basis, member: Member, derive: Derive = []): MemberResult {
  const code = codeOf(project, member);
  const options: DesignOptions = { derive, units: project.display };
  if (member.type === 'beam') return designBeam(withGroupBars(member, companions(project.members ?? [], member), code), code, options);
  if (member.type === 'punching') return designPunching(member, code, options);
  if (member.type === 'strip') return designStrip(member, code, options);
  if (member.type === 'panel') return designPanel(member, code, options);
  return member.type === 'wall' ? designWall(member, code, options) : designColumn(member, code, options);
}
