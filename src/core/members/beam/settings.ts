import type { SharedSettings } from '../kind';
import { withConcrete, withLineService } from '../parts/settings';
import type { BeamMember } from './input';

/** What settings of several members mean for a beam. */
export function withBeamSettings(beam: BeamMember, s: SharedSettings): Partial<BeamMember> {
  return {
    ...withConcrete(beam, s),
    ...withLineService(beam, s),
    ...(s.group ? { group: s.group === '-' ? '' : s.group.slice(0, 40) } : {}),
    ...(s.frame ? { frame: s.frame as BeamMember['frame'] } : {}),
    barRules: {
      ...beam.barRules,
      ...(s.mainSizes.length > 0 ? { mainSizes: s.mainSizes } : {}),
      ...(s.linkSizes.length > 0 ? { linkSizes: s.linkSizes } : {}),
    },
  };
}
