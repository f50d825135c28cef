'use client';
import type { Draft } from 'immer';
import type { StripLoad, StripLoadType } from '@/core/members/strip/input';
import type { Fault } from '@/core/checks/fault';
import type { Project } from '@/core/project/project';
import type { StripMember } from '@/core/members/strip/input';
import type { QuantityKind } from '@/core/units/quantity';
import { PASTE_SLAB_HELP, readSlabLoads } from '@/exchange/paste-slab-loads';
import { onMember } from '@/store/commands';
import { useProject } from '@/store/project-store';
import { LoadCases } from '@/ui/LoadCases';
import { RefusedRows, usePastedLoads } from '@/ui/pasted-loads';
import { QuantityInput } from '@/ui/QuantityInput';

const types: readonly (readonly [StripLoadType, string])[] = [
  ['uniform', 'over the area'],
  ['partial', 'over a part'],
  ['line', 'line across'],
  ['point', 'at a point'],
];

/** A load of another type at the same place. */
function retyped(load: StripLoad, type: StripLoadType, length: number): StripLoad {
  const base = { case: load.case, note: load.note };
  const span = load.span === 'all' ? 0 : load.span;
  const value = 'value' in load ? load.value : 2e-3;
  if (type === 'uniform') return { ...base, type, span: load.span, value };
  if (type === 'partial') return { ...base, type, span, value, from: 0, to: length };
  if (type === 'line') return { ...base, type, span, at: length / 2, force: 5 };
  return { ...base, type, span, at: length / 2, load: 10_000, width: 1000 };
}

/** Load cases and loads of a slab as tables, typed or pasted from a spreadsheet. */
export function StripLoads({ project, member, faults }: { project: Project; member: StripMember; faults: readonly Fault[] }) {
  const edit = useProject((s) => s.edit);
  const change = (label: string, recipe: (m: Draft<StripMember>) => void) => edit(`${label} of ${member.mark}`, onMember(member, recipe));
  const { refused, onPaste } = usePastedLoads(
    (text) => readSlabLoads(text, member.cases, member.spans.length, project.display),
    (loads) => change(`paste ${loads.length} loads`, (m) => void m.loads.push(...loads)),
  );
  return (
    <div className="overflow-auto px-3.5 py-2" onPaste={onPaste}>
      <LoadCases member={member} faults={faults} />
      <div className="mt-3 flex items-baseline justify-between">
        <h2>Loads</h2>
        <span className="small">Ctrl V here pastes rows: {PASTE_SLAB_HELP}</span>
      </div>
      <table className="grid-table" aria-label="Loads">
        <thead>
          <tr>
            {['Case', 'Type', 'Span', 'Value', 'Shared by a width', 'From or at', 'To', 'Note', ''].map((h) => (
              <th key={h}>{h}</th>
            ))}
          </tr>
        </thead>
        <tbody>
          {member.loads.map((load, i) => (
            <LoadRow
              key={i}
              project={project}
              member={member}
              load={load}
              index={i}
              faults={faults.filter((f) => f.path.startsWith(`loads[${i}]`))}
              change={change}
            />
          ))}
        </tbody>
      </table>
      <button
        type="button"
        className="btn mt-2"
        disabled={member.cases.length === 0}
        onClick={() =>
          change('add a load', (m) => void m.loads.push({ type: 'uniform', case: m.cases.at(-1)!.id, span: 'all', value: 2e-3, note: '' }))
        }
      >
        Add a load
      </button>
      <p className="small mt-2">
        A line across the span is a force per length, as of a wall on the slab. A point load counts with the width of slab that shares it:
        set it as the support and the stiffness across allow.
      </p>
      <RefusedRows refused={refused} />
    </div>
  );
}

function LoadRow({
  project,
  member,
  load,
  index,
  faults,
  change,
}: {
  project: Project;
  member: StripMember;
  load: StripLoad;
  index: number;
  faults: readonly Fault[];
  change: (label: string, recipe: (m: Draft<StripMember>) => void) => void;
}) {
  const label = `load ${index + 1}`;
  const set = (patch: Record<string, unknown>) => change(label, (m) => void Object.assign(m.loads[index]!, patch));
  const cell = (key: string, kind: QuantityKind) =>
    key in load ? (
      <QuantityInput
        kind={kind}
        system={project.display}
        value={(load as unknown as Record<string, number>)[key]!}
        label={`${key} of load ${index + 1}`}
        onKeep={(v) => set({ [key]: v ?? 0 })}
      />
    ) : null;
  const length = member.spans[load.span === 'all' ? 0 : load.span]?.length ?? 0;
  return (
    <>
      <tr>
        <td className="w-16">
          <select className="field" aria-label="Case" value={load.case} onChange={(e) => set({ case: e.target.value })}>
            {member.cases.map((c) => (
              <option key={c.id}>{c.id}</option>
            ))}
          </select>
        </td>
        <td className="min-w-28">
          <select
            className="field"
            aria-label="Type"
            value={load.type}
            onChange={(e) => change(label, (m) => void (m.loads[index] = retyped(load, e.target.value as StripLoadType, length)))}
          >
            {types.map(([t, name]) => (
              <option key={t} value={t}>
                {name}
              </option>
            ))}
          </select>
        </td>
        <td className="w-16">
          <select
            className="field"
            aria-label="Span"
            value={String(load.span)}
            onChange={(e) => set({ span: e.target.value === 'all' ? 'all' : Number(e.target.value) })}
          >
            {load.type === 'uniform' && <option>all</option>}
            {member.spans.map((_, i) => (
              <option key={i} value={i}>
                {i + 1}
              </option>
            ))}
          </select>
        </td>
        <td>{cell('value', 'areaLoad') ?? cell('force', 'lineLoad') ?? cell('load', 'force')}</td>
        <td>{cell('width', 'length')}</td>
        <td>{cell('from', 'span') ?? cell('at', 'span')}</td>
        <td>{cell('to', 'span')}</td>
        <td>
          <input
            className="field"
            aria-label="Note"
            defaultValue={load.note}
            key={load.note}
            onBlur={(e) => e.target.value !== load.note && set({ note: e.target.value.slice(0, 120) })}
          />
        </td>
        <td>
          <button type="button" className="link" onClick={() => change(`delete ${label}`, (m) => void m.loads.splice(index, 1))}>
            Delete
          </button>
        </td>
      </tr>
      {faults.map((f) => (
        <tr key={f.path}>
          <td colSpan={9} className="text-madder-text">
            {f.reason}
          </td>
        </tr>
      ))}
    </>
  );
}
