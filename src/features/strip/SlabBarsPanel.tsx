'use client';
import { useChange } from '@/ui/fields/use-change';
import type { Draft } from 'immer';
import { castDraft } from 'immer';
import type { StripSteel } from '@/core/members/strip/steel';
import { layerLabel } from '@/core/members/parts/bar-labels';
import type { StripMember } from '@/core/members/strip/input';
import type { SlabBars } from '@/core/reinforcement/slab-bars';
import { BarsInput, BarsTables, type BarsOf, type BarsProps } from '@/ui/tables/BarsTables';
import { readSlabBars } from '@/ui/fields/slab-bars-field';

/** All bars of a slab as tables. What is not set by hand shows the automatic choice in grey. */
export function SlabBarsPanel(props: BarsProps<StripMember, StripSteel>) {
  const { project, member, steel } = props;
  const change = useChange(member);
  const of: BarsOf<StripMember, SlabBars> = {
    ...props,
    write: (bars) => layerLabel(bars, project),
    read: (text) => readSlabBars(text, member, project.display),
  };
  const toAll = (i: number) =>
    member.spans.length > 1 && (
      <button
        type="button"
        className="link whitespace-nowrap"
        title={`The bars of span ${i + 1}, as they are shown, in every span`}
        onClick={() => change(`bars of span ${i + 1} in all spans`, (m) => copySpan(m, steel, i))}
      >
        to all spans
      </button>
    );
  return (
    <>
      <BarsTables of={of} hint="size @ spacing, two sizes parted by a stroke alternate; " more={[{ title: '', cell: toAll }]} />
      <h2 className="mt-3">Bars across the span</h2>
      <div className="flex gap-6">
        {(['bottom', 'top'] as const).map((face) => (
          <label key={face} className="flex items-center gap-2">
            {face}
            <span className="w-40">
              <BarsInput of={of} path={`bars.across.${face}`} label={`Bars across, ${face}`} shown={steel.across[face]} />
            </span>
          </label>
        ))}
      </div>
    </>
  );
}

/** Sets the bars of a span, as chosen or set, in all spans; ends of extra bars keep their distance from both supports. */
function copySpan(m: Draft<StripMember>, steel: StripSteel, i: number): void {
  const { main: own, extra } = m.bars.bottom[i]!;
  // What was typed last counts, even before its result is there.
  const main = own ?? castDraft(steel.bottom[i]!.main);
  const fromRight = extra.to === null ? null : m.spans[i]!.length - extra.to;
  m.bars.bottom = m.spans.map((s) => ({
    main: { ...main },
    extra: { ...extra, to: fromRight === null ? null : Math.max(0, s.length - fromRight) },
  }));
  m.bars.top = m.spans.map(() => ({ ...m.bars.top[i]! }));
}
