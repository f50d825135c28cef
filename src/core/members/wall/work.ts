import type { ColumnResult } from '../column/result';
import type { Work } from '../work';
import { proposeWallSteps } from './changes';
import { wallSteps } from './design-wall';
import type { WallMember } from './input';

export const wallWork: Work<WallMember, ColumnResult> = {
  type: 'wall',
  design: wallSteps,
  propose: (wall, _search, { code, rates }) => proposeWallSteps(wall, code, rates),
};
