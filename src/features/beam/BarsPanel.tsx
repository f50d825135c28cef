'use client';
import { useState } from 'react';
import type { Draft } from 'immer';
import { supportName, supportPositions } from '@/core/members/beam/input';
import type { BeamSteel } from '@/core/members/beam/steel';
import { barLabel, linkLabel } from '@/core/members/parts/bar-labels';
import type { Project } from '@/core/project/project';
import type { BeamMember } from '@/core/members/beam/input';
import type { BarGroup } from '@/core/reinforcement/bar-groups';
import { formatValue } from '@/core/units/format';
import { onMember } from '@/store/commands';
import { useProject } from '@/store/project-store';
import { QuantityInput } from '@/ui/QuantityInput';
import { parseBars, parseLinks } from '@/ui/value-field';

interface BarsPanelProps {
  readonly project: Project;
  readonly member: BeamMember;
  readonly steel: BeamSteel | null;
  /** The bars as they are cut, below those that are set. */
  readonly schedule?: React.ReactNode;
}

type Change = (label: string, recipe: (m: Draft<BeamMember>) => void) => void;

/** All bars as a table: sizes, ends and zones. What is not set by hand shows the automatic choice. */
export function BarsPanel({ project, member, steel, schedule }: BarsPanelProps) {
  const edit = useProject((s) => s.edit);
  const change: Change = (label, recipe) => edit(`${label} of ${member.mark}`, onMember(member, recipe));
  if (!steel) return <p className="px-3.5 py-2">The bars appear with the first result.</p>;
  const starts = supportPositions(member);
  const common = { project, member, change };
  const shown = (length: number) => formatValue(length, 'span', project.display);
  return (
    <div className="overflow-auto px-3.5 py-2">
      <div className="flex items-baseline justify-between">
        <h2>Bottom and top bars by span</h2>
        <span className="small">an empty field is chosen automatically; the choice stands in it in grey</span>
      </div>
      <table className="grid-table" aria-label="Bars by span">
        <thead>
          <tr>
            {['Span', 'Bottom, through', 'Bottom, extra', 'from', 'to', 'Top'].map((h) => (
              <th key={h}>{h}</th>
            ))}
          </tr>
        </thead>
        <tbody>
          {member.spans.map((_, i) => {
            const own = member.bars.bottom[i]!;
            const extra = steel.bottom[i]?.extra;
            const end = (key: 'from' | 'to') => (
              <QuantityInput
                kind="span"
                system={project.display}
                value={own.extra[key]}
                allowEmpty
                placeholder={extra ? shown(extra[key] - starts[i]!) : ''}
                label={`Extra bars of span ${i + 1}, ${key}`}
                onKeep={(v) => change(`end of extra bars in span ${i + 1}`, (m) => void (m.bars.bottom[i]!.extra[key] = v))}
              />
            );
            return (
              <tr key={i}>
                <td className="font-medium">{i + 1}</td>
                <td>
                  <BarsInput
                    {...common}
                    label={`Bottom bars of span ${i + 1}`}
                    own={own.main}
                    shown={steel.bottom[i]?.main}
                    set={(m, g) => void (m.bars.bottom[i]!.main = g)}
                  />
                </td>
                <td>
                  <BarsInput
                    {...common}
                    label={`Extra bars of span ${i + 1}`}
                    own={own.extra.bars}
                    shown={extra?.bars}
                    set={(m, g) => void (m.bars.bottom[i]!.extra.bars = g)}
                  />
                </td>
                <td>{end('from')}</td>
                <td>{end('to')}</td>
                <td>
                  <BarsInput
                    {...common}
                    label={`Top bars of span ${i + 1}`}
                    own={member.bars.top[i]!.main}
                    shown={steel.top[i]?.main}
                    set={(m, g) => void (m.bars.top[i]!.main = g)}
                  />
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <h2 className="mt-3">Top bars over supports</h2>
      <table className="grid-table" aria-label="Bars over supports">
        <thead>
          <tr>
            {['Support', 'Bars', 'left of its centre', 'right of its centre'].map((h) => (
              <th key={h}>{h}</th>
            ))}
          </tr>
        </thead>
        <tbody>
          {member.supports.map((_, j) => {
            const own = member.bars.support[j]!;
            const run = steel.support[j];
            const reach = (key: 'left' | 'right') => (
              <QuantityInput
                kind="span"
                system={project.display}
                value={own[key]}
                allowEmpty
                placeholder={run ? shown(key === 'left' ? starts[j]! - run.from : run.to - starts[j]!) : ''}
                label={`Bars over ${supportName(j)}, ${key}`}
                onKeep={(v) => change(`reach of bars over ${supportName(j)}`, (m) => void (m.bars.support[j]![key] = v))}
              />
            );
            return (
              <tr key={j}>
                <td className="font-medium">{supportName(j)}</td>
                <td>
                  <BarsInput
                    {...common}
                    label={`Top bars over ${supportName(j)}`}
                    own={own.bars}
                    shown={run?.bars}
                    set={(m, g) => void (m.bars.support[j]!.bars = g)}
                  />
                </td>
                <td>{reach('left')}</td>
                <td>{reach('right')}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <div className="mt-3 grid max-w-96 grid-cols-[1fr_10rem] items-center gap-2">
        <span>
          <b className="font-semibold">Side bars</b>, levels on each side face
        </span>
        <BarsInput
          {...common}
          label="Side bars"
          own={member.bars.side ?? null}
          shown={steel.side ?? undefined}
          set={(m, g) => void (m.bars.side = g)}
        />
      </div>
      <h2 className="mt-3">Links by zone</h2>
      <table className="grid-table" aria-label="Links by zone">
        <thead>
          <tr>
            {['Span', 'Links', 'Legs', 'Zone ends at', ''].map((h, i) => (
              <th key={i}>{h}</th>
            ))}
          </tr>
        </thead>
        <tbody>
          {member.spans.map((_, i) => (
            <LinkRows key={i} {...common} steel={steel} span={i} />
          ))}
        </tbody>
      </table>
      {schedule}
    </div>
  );
}

interface InputProps {
  readonly project: Project;
  readonly member: BeamMember;
  readonly change: Change;
}

/** A field for a group of bars; emptied, it is chosen automatically again. */
function BarsInput({
  project,
  member,
  change,
  label,
  own,
  shown,
  set,
}: InputProps & {
  label: string;
  own: BarGroup | null;
  shown: BarGroup | undefined;
  set: (m: Draft<BeamMember>, g: BarGroup | null) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const text = typed ?? (own ? barLabel(own, project) : '');
  const parsed = text.trim() === '' ? ({ ok: true, group: null } as const) : parseBars(text, member);
  const keep = () => {
    if (typed === null || !parsed.ok) return;
    if (JSON.stringify(parsed.group) !== JSON.stringify(own)) change(label.toLowerCase(), (m) => set(m, parsed.group));
    setTyped(null);
  };
  return (
    <span className="block">
      <input
        className="field"
        aria-label={label}
        aria-invalid={!parsed.ok}
        placeholder={shown && shown.count > 0 ? barLabel(shown, project) : 'none'}
        value={text}
        onChange={(e) => setTyped(e.target.value)}
        onBlur={keep}
        onKeyDown={(e) => e.key === 'Enter' && keep()}
      />
      {!parsed.ok && <span className="block text-[0.6875rem] text-madder-text">{parsed.reason}</span>}
    </span>
  );
}

function LinkRows({ project, member, change, steel, span }: InputProps & { steel: BeamSteel; span: number }) {
  const zones = steel.links[span]!;
  const isOwn = member.bars.links[span]!.zones !== null;
  const label = `links of span ${span + 1}`;
  const put = (next: BeamSteel['links'][number]) => change(label, (m) => void (m.bars.links[span]!.zones = next.map((z) => ({ ...z }))));
  const length = member.spans[span]!.length;
  return zones.map((zone, k) => (
    <tr key={k}>
      <td className="font-medium">{k === 0 ? span + 1 : ''}</td>
      <td>
        <input
          className="field"
          aria-label={`Links of span ${span + 1}, zone ${k + 1}`}
          defaultValue={linkLabel({ ...zone, legs: 2 }, project)}
          key={`${zone.size} ${zone.spacing}`}
          onBlur={(e) => {
            const parsed = parseLinks(e.target.value, member, project.display, zone.legs);
            if (!parsed.ok) e.target.value = linkLabel({ ...zone, legs: 2 }, project);
            else if (parsed.zone.size !== zone.size || Math.abs(parsed.zone.spacing - zone.spacing) > 0.01)
              put(zones.map((z, j) => (j === k ? { ...z, ...parsed.zone, legs: z.legs } : z)));
          }}
        />
      </td>
      <td>
        <input
          className="field"
          type="number"
          min={2}
          max={20}
          aria-label={`Legs in span ${span + 1}, zone ${k + 1}`}
          value={zone.legs}
          onChange={(e) => put(zones.map((z, j) => (j === k ? { ...z, legs: Number(e.target.value) } : z)))}
        />
      </td>
      <td>
        {k < zones.length - 1 ? (
          <QuantityInput
            kind="span"
            system={project.display}
            value={zone.to}
            label={`End of zone ${k + 1} in span ${span + 1}`}
            onKeep={(v) => v !== null && put(zones.map((z, j) => (j === k ? { ...z, to: v } : z)))}
          />
        ) : (
          <span className="text-walnut">end of span</span>
        )}
      </td>
      <td className="whitespace-nowrap">
        {isOwn && k === 0 ? (
          <button
            type="button"
            className="link mr-2"
            onClick={() => change(`${label}, automatic`, (m) => void (m.bars.links[span]!.zones = null))}
          >
            choose automatically
          </button>
        ) : null}
        <button
          type="button"
          className="link mr-2"
          onClick={() =>
            put([
              ...zones.slice(0, k),
              { ...zone, to: ((zones[k - 1]?.to ?? 0) + zone.to) / 2 },
              { ...zone, to: k === zones.length - 1 ? length : zone.to },
              ...zones.slice(k + 1),
            ])
          }
        >
          Divide
        </button>
        {zones.length > 1 && (
          <button
            type="button"
            className="link"
            onClick={() => put(zones.filter((_, j) => j !== k).map((z, j, all) => (j === all.length - 1 ? { ...z, to: length } : z)))}
          >
            Delete
          </button>
        )}
      </td>
    </tr>
  ));
}
