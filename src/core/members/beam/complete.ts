import { freeSection } from '../../geometry/beam-outline';
import { resized } from '../parts/complete';
import type { BeamMember, BeamSupport } from './input';

export const noExtra = { bars: null, from: null, to: null };
export const noSupportBars = { bars: null, left: null, right: null };
export const pinnedSupport: BeamSupport = {
  type: 'pinned',
  width: 0,
  vertical: null,
  rotation: null,
  settlement: 0,
  redistribution: 1,
  holdsTwist: true,
};

/** Brings the lists that go by span and support to the right length. A beam without supports stands on pins. */
export function completeBeam(beam: BeamMember): BeamMember {
  const spans = beam.spans.length;
  const { bars } = beam;
  return {
    ...beam,
    // Width and depth of a free outline follow from its corners.
    section: beam.section.shape === 'free' ? freeSection(beam.section.points ?? []) : beam.section,
    supports: beam.supports.length === 0 ? resized([], spans + 1, pinnedSupport) : beam.supports,
    bars: {
      ...bars,
      bottom: resized(bars.bottom, spans, { main: null, extra: noExtra }),
      top: resized(bars.top, spans, { main: null }),
      links: resized(bars.links, spans, { zones: null }),
      support: resized(bars.support, spans + 1, noSupportBars),
    },
  };
}
