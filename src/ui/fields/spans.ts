import type { Draft } from 'immer';
import type { BeamMember } from '@/core/members/beam/input';
import type { StripMember } from '@/core/members/strip/input';

export const MOST_SPANS = 22;

/** Adds spans like the last one, or takes spans away, with their supports, bars and loads. */
export function setSpans(m: Draft<BeamMember> | Draft<StripMember>, count: number): void {
  const fit = <T>(list: T[], length: number, filler: () => T) => {
    while (list.length < length) list.push(filler());
    list.length = length;
  };
  const support = () => ({ ...m.supports[0]!, type: 'pinned' as const, settlement: 0, redistribution: 1 });
  const last = m.spans.at(-1)!;
  if (m.supports.at(-1)!.type === 'free' && count > m.spans.length) m.supports[m.supports.length - 1] = support();
  fit<object>(m.spans, count, () => ({ ...last }));
  fit(m.supports, count + 1, support);
  fit<object>(m.bars.bottom, count, () => ({ main: null, extra: { bars: null, from: null, to: null } }));
  fit<object>(m.bars.top, count, () => ({ main: null }));
  fit<object>(m.bars.support, count + 1, () => ({ bars: null, left: null, right: null }));
  if ('links' in m.bars) fit(m.bars.links, count, () => ({ zones: null }));
  const loads = m.loads as { span: number | 'all' }[];
  const stay = loads.filter(({ span }) => span === 'all' || span < count);
  loads.splice(0, loads.length, ...stay);
}
