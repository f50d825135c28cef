import type { Work } from '../work';
import { proposeStrip, type StripSearch } from './proposals';
import { designStrip } from './design-strip';
import type { StripMember } from './input';
import type { StripResult } from './result';

export const stripWork: Work<StripMember, StripResult> = {
  type: 'strip',
  design: designStrip,
  propose: (strip, search, { code, rates }) => proposeStrip(strip, code, search as StripSearch, rates),
};
