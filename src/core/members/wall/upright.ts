import type { DesignCode } from '../../codes/design-code';
import type { ColumnBar } from '../../reinforcement/column-bars';
import type { ColumnInput, ColumnMember } from '../column/input';
import { columnLabels } from '../column/labels';
import type { ProjectBasis } from '../member';
import { wallAsColumn } from './as-column';
import type { WallMember } from './input';
import { wallLabels } from './labels';

/** Columns and walls: what stands upright and carries axial force, and shares a sheet. */
export type UprightMember = ColumnMember | WallMember;

/** Told by the forces that it takes: sets with moments at both ends. */
export const isUpright = (member: object): member is UprightMember => 'caseForces' in member && 'sets' in member;

export const isWall = (member: UprightMember): member is WallMember => member.type === 'wall';

/** Whether a member is a section by itself, without a height. */
export const isSectionAlone = (member: UprightMember): boolean => 'isSection' in member && member.isSection;

/** A column or a wall as the upright section that it is. */
export const uprightInput = (member: UprightMember, code: DesignCode): ColumnInput =>
  isWall(member) ? wallAsColumn(member, code) : member;

/** What is written beside the section of a column or a wall. */
export const uprightLabels = (project: ProjectBasis, member: UprightMember, bars: readonly ColumnBar[]) =>
  isWall(member) ? wallLabels(project, member) : columnLabels(project, member, bars);
