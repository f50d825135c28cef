import { freeSection } from '../geometry/beam-outline';
import type { BeamSupport, ExtraBars, SupportBars } from '../members/beam/input';
import type { BeamMember, Member, StripMember } from './project';

const noExtra: ExtraBars & { readonly bars: null } = { bars: null, from: null, to: null };
const noSupportBars: SupportBars & { readonly bars: null } = { bars: null, left: null, right: null };
const pinned: BeamSupport = { type: 'pinned', width: 0, vertical: null, rotation: null, settlement: 0, redistribution: 1 };

const resize = <T>(list: readonly T[], length: number, filler: T): T[] => Array.from({ length }, (_, i) => list[i] ?? filler);

/** Brings the lists that go by span and support to the right length. A beam without supports stands on pins. */
export function completeBeam(beam: BeamMember): BeamMember {
  const spans = beam.spans.length;
  const { bars } = beam;
  return {
    ...beam,
    // Width and depth of a free outline follow from its corners.
    section: beam.section.shape === 'free' ? freeSection(beam.section.points ?? []) : beam.section,
    supports: beam.supports.length === 0 ? resize([], spans + 1, pinned) : beam.supports,
    bars: {
      ...bars,
      bottom: resize(bars.bottom, spans, { main: null, extra: noExtra }),
      top: resize(bars.top, spans, { main: null }),
      links: resize(bars.links, spans, { zones: null }),
      support: resize(bars.support, spans + 1, noSupportBars),
    },
  };
}

/** The same for a slab that spans one way. */
export function completeStrip(strip: StripMember): StripMember {
  const spans = strip.spans.length;
  const { bars } = strip;
  return {
    ...strip,
    supports: strip.supports.length === 0 ? resize([], spans + 1, pinned) : strip.supports,
    bars: {
      ...bars,
      bottom: resize(bars.bottom, spans, { main: null, extra: noExtra }),
      top: resize(bars.top, spans, { main: null }),
      support: resize(bars.support, spans + 1, noSupportBars),
    },
  };
}

export { pinned as pinnedSupport, noExtra, noSupportBars };

/** Brings a member as read into the form that the rest of the program relies on. */
export function completeMember(member: Member): Member {
  const whole = member.type === 'beam' ? completeBeam(member) : member.type === 'strip' ? completeStrip(member) : member;
  const variants = whole.variants.map((v) => ({ ...v, state: { ...completeMember({ ...v.state, variants: [] }), id: member.id } }));
  return { ...whole, variants };
}
