'use client';
import type { Draft } from 'immer';
import { castDraft } from 'immer';
import { useState } from 'react';
import { supportName, supportPositions } from '@/core/members/beam/input';
import type { StripSteel } from '@/core/members/strip/steel';
import { layerLabel } from '@/core/members/parts/bar-labels';
import type { Project } from '@/core/project/project';
import type { StripMember } from '@/core/members/strip/input';
import type { SlabBars } from '@/core/reinforcement/slab-bars';
import { formatValue } from '@/core/units/format';
import { onMember } from '@/store/commands';
import { useProject } from '@/store/project-store';
import { QuantityInput } from '@/ui/QuantityInput';
import { readSlabBars } from '@/ui/slab-bars-field';

type Change = (label: string, recipe: (m: Draft<StripMember>) => void) => void;

interface PanelProps {
  readonly project: Project;
  readonly member: StripMember;
  readonly steel: StripSteel | null;
  readonly schedule: React.ReactNode;
}

/** All bars of a slab as tables. What is not set by hand shows the automatic choice in grey. */
export function SlabBarsPanel({ project, member, steel, schedule }: PanelProps) {
  const edit = useProject((s) => s.edit);
  const change: Change = (label, recipe) => edit(`${label} of ${member.mark}`, onMember(member, recipe));
  if (!steel) return <p className="px-3.5 py-2">The bars appear with the first result.</p>;
  const starts = supportPositions(member);
  const shown = (length: number) => formatValue(length, 'span', project.display);
  const layer = (
    label: string,
    own: SlabBars | null,
    chosen: SlabBars | null | undefined,
    set: (m: Draft<StripMember>, b: SlabBars | null) => void,
  ) => (
    <LayerInput
      key={label}
      {...{ project, member, label, own }}
      placeholder={chosen ? layerLabel(chosen, project) : 'none'}
      onKeep={(b) => change(label.toLowerCase(), (m) => set(m, b))}
    />
  );
  const end = (label: string, own: number | null, placeholder: string, set: (m: Draft<StripMember>, v: number | null) => void) => (
    <QuantityInput
      kind="span"
      system={project.display}
      value={own}
      allowEmpty
      placeholder={placeholder}
      label={label}
      onKeep={(v) => change(label.toLowerCase(), (m) => set(m, v))}
    />
  );
  return (
    <div className="overflow-auto px-3.5 py-2">
      <div className="flex items-baseline justify-between">
        <h2>Bars along the span</h2>
        <span className="small">size @ spacing, two sizes parted by a stroke alternate; an empty field is chosen automatically</span>
      </div>
      <table className="grid-table" aria-label="Bars by span">
        <thead>
          <tr>
            {['Span', 'Bottom, through', 'Bottom, extra', 'from', 'to', 'Top, through', ''].map((h) => (
              <th key={h}>{h}</th>
            ))}
          </tr>
        </thead>
        <tbody>
          {member.spans.map((_, i) => {
            const own = member.bars.bottom[i]!;
            const extra = steel.bottom[i]?.extra;
            const n = `span ${i + 1}`;
            return (
              <tr key={i}>
                <td>{i + 1}</td>
                <td>{layer(`Bottom bars, ${n}`, own.main, steel.bottom[i]?.main, (m, b) => void (m.bars.bottom[i]!.main = b))}</td>
                <td>{layer(`Extra bottom bars, ${n}`, own.extra.bars, extra?.bars, (m, b) => void (m.bars.bottom[i]!.extra.bars = b))}</td>
                {(['from', 'to'] as const).map((key) => (
                  <td key={key} className="w-24 min-w-24">
                    {end(
                      `Extra bars of ${n}, ${key}`,
                      own.extra[key],
                      extra ? shown(extra[key] - starts[i]!) : '',
                      (m, v) => void (m.bars.bottom[i]!.extra[key] = v),
                    )}
                  </td>
                ))}
                <td>
                  {layer(`Top bars through ${n}`, member.bars.top[i]!.main, steel.top[i]?.main, (m, b) => void (m.bars.top[i]!.main = b))}
                </td>
                <td>
                  {member.spans.length > 1 && (
                    <button
                      type="button"
                      className="link whitespace-nowrap"
                      title={`The bars of span ${i + 1}, as they are shown, in every span`}
                      onClick={() => change(`bars of ${n} in all spans`, (m) => copySpan(m, steel, i))}
                    >
                      to all spans
                    </button>
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <h2 className="mt-3">Top bars over supports</h2>
      <table className="grid-table !w-auto" aria-label="Bars over supports">
        <thead>
          <tr>
            {['Support', 'Bars', 'to the left', 'to the right'].map((h) => (
              <th key={h}>{h}</th>
            ))}
          </tr>
        </thead>
        <tbody>
          {member.supports.map((s, j) => {
            if (s.type === 'free') return null;
            const own = member.bars.support[j]!;
            const run = steel.support[j];
            const name = supportName(j);
            return (
              <tr key={j}>
                <td>{name}</td>
                <td className="w-44">
                  {layer(`Top bars over ${name}`, own.bars, run?.bars, (m, b) => void (m.bars.support[j]!.bars = b))}
                </td>
                <td className="w-28">
                  {end(
                    `Bars over ${name}, to the left`,
                    own.left,
                    run ? shown(starts[j]! - run.from) : '',
                    (m, v) => void (m.bars.support[j]!.left = v),
                  )}
                </td>
                <td className="w-28">
                  {end(
                    `Bars over ${name}, to the right`,
                    own.right,
                    run ? shown(run.to - starts[j]!) : '',
                    (m, v) => void (m.bars.support[j]!.right = v),
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <h2 className="mt-3">Bars across the span</h2>
      <div className="flex gap-6">
        {(['bottom', 'top'] as const).map((face) => (
          <label key={face} className="flex items-center gap-2">
            {face}
            <span className="w-40">
              {layer(`Bars across, ${face}`, member.bars.across[face], steel.across[face], (m, b) => void (m.bars.across[face] = b))}
            </span>
          </label>
        ))}
      </div>
      {schedule}
    </div>
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

/** One layer typed as "H12 @ 150"; empty leaves it to the program. */
function LayerInput({
  project,
  member,
  label,
  own,
  placeholder,
  onKeep,
}: {
  project: Project;
  member: StripMember;
  label: string;
  own: SlabBars | null;
  placeholder: string;
  onKeep: (bars: SlabBars | null) => void;
}) {
  const kept = own ? layerLabel(own, project) : '';
  const [text, setText] = useState<string | null>(null);
  const [reason, setReason] = useState<string | null>(null);
  const keep = () => {
    if (text === null || text === kept) return setText(null);
    if (/^\s*(auto.*)?$/i.test(text)) {
      onKeep(null);
      return setText(null);
    }
    const read = readSlabBars(text, member, project.display);
    if (!read.ok) return setReason(read.reason);
    onKeep(read.bars);
    setText(null);
    setReason(null);
  };
  return (
    <>
      <input
        className="field"
        aria-label={label}
        aria-invalid={reason !== null}
        placeholder={placeholder}
        value={text ?? kept}
        onChange={(e) => {
          setText(e.target.value);
          setReason(null);
        }}
        onBlur={keep}
        onKeyDown={(e) => {
          if (e.key === 'Enter') keep();
          if (e.key === 'Escape') {
            setText(null);
            setReason(null);
          }
        }}
      />
      {reason && <span className="text-madder-text">{reason}</span>}
    </>
  );
}
