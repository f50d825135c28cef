import type { Work } from '../work';
import { proposePunching } from './changes';
import { designPunching } from './design-punching';
import type { PunchingMember } from './input';
import type { PunchingResult } from './result';

export const punchingWork: Work<PunchingMember, PunchingResult> = {
  type: 'punching',
  design: designPunching,
  propose: (place, _search, { code, rates }) => proposePunching(place, code, rates),
};
