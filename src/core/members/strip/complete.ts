import { noExtra, noSupportBars, pinnedSupport } from '../beam/complete';
import { resized } from '../parts/complete';
import type { StripMember } from './input';

/** Brings the lists that go by span and support to the right length. A slab without supports stands on pins. */
export function completeStrip(strip: StripMember): StripMember {
  const spans = strip.spans.length;
  const { bars } = strip;
  return {
    ...strip,
    supports: strip.supports.length === 0 ? resized([], spans + 1, pinnedSupport) : strip.supports,
    bars: {
      ...bars,
      bottom: resized(bars.bottom, spans, { main: null, extra: noExtra }),
      top: resized(bars.top, spans, { main: null }),
      support: resized(bars.support, spans + 1, noSupportBars),
    },
  };
}
