import type { Work } from '../work';
import { designBeam } from './design-beam';
import { withGroupBars } from './group';
import type { BeamMember } from './input';
import { proposeBeam, type BeamSearch } from './proposals';
import type { BeamResult } from './result';

/** Beams designed with the bars of their group, and ways forward. */
export const beamWork: Work<BeamMember, BeamResult> = {
  type: 'beam',
  design: (beam, code, options, others) => designBeam(withGroupBars(beam, others, code), code, options),
  propose: (beam, search, { code, rates }) => proposeBeam(beam, code, search as BeamSearch, rates),
};
