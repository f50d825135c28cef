'use client';
import type { BeamLoad, BeamLoadType } from '@/core/members/beam/input';
import type { Fault } from '@/core/checks/fault';
import type { Project } from '@/core/project/project';
import type { BeamMember } from '@/core/members/beam/input';
import type { QuantityKind } from '@/core/units/quantity';
import { PASTE_HELP, readLoads } from '@/exchange/paste-loads';
import { onMember, type Recipe } from '@/store/commands';
import { useProject } from '@/store/project-store';
import { LoadCases } from '@/ui/LoadCases';
import { RefusedRows, usePastedLoads } from '@/ui/pasted-loads';
import { QuantityInput } from '@/ui/QuantityInput';

interface PanelProps {
  readonly project: Project;
  readonly member: BeamMember;
  readonly faults: readonly Fault[];
}

/** Load cases and loads as tables, typed or pasted from a spreadsheet. */
export function LoadsPanel({ project, member, faults }: PanelProps) {
  const edit = useProject((s) => s.edit);
  const change = (label: string, recipe: Recipe<BeamMember>) => edit(`${label} of ${member.mark}`, onMember(member, recipe));
  const { refused, onPaste } = usePastedLoads(
    (text) => readLoads(text, member.cases, member.spans.length, project.display),
    (loads) => change(`paste ${loads.length} loads`, (m) => void m.loads.push(...loads)),
  );
  return (
    <div className="overflow-auto px-3.5 py-2" onPaste={onPaste}>
      <LoadCases member={member} faults={faults} />
      <div className="mt-3 flex items-baseline justify-between">
        <h2>Loads</h2>
        <span className="small">Ctrl V here pastes rows: {PASTE_HELP}</span>
      </div>
      <table className="grid-table" aria-label="Loads">
        <thead>
          <tr>
            {['Case', 'Type', 'Span', 'Value', 'To value', 'From or at', 'To', 'Note', ''].map((h) => (
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
            />
          ))}
        </tbody>
      </table>
      <button
        type="button"
        className="btn mt-2"
        disabled={member.cases.length === 0}
        onClick={() =>
          change(
            'add a load',
            (m) => void m.loads.push({ type: 'uniform', case: m.cases[m.cases.length - 1]!.id, span: 'all', value: 10, note: '' }),
          )
        }
      >
        Add a load
      </button>
      <RefusedRows refused={refused} />
    </div>
  );
}

const typeNames: readonly (readonly [BeamLoadType, string])[] = [
  ['uniform', 'uniform'],
  ['partial', 'partial'],
  ['trapezoidal', 'trapezoidal'],
  ['point', 'point'],
  ['moment', 'moment'],
  ['torque', 'torque, uniform'],
  ['pointTorque', 'torque, at a point'],
];

/** A load of another type at the same place. */
function retyped(load: BeamLoad, type: BeamLoadType, length: number): BeamLoad {
  const base = { case: load.case, note: load.note };
  const span = load.span === 'all' ? 0 : load.span;
  const value = 'value' in load ? load.value : 10;
  switch (type) {
    case 'uniform':
      return { ...base, type, span: load.span, value };
    case 'partial':
      return { ...base, type, span, value, from: 0, to: length };
    case 'trapezoidal':
      return { ...base, type, span, start: value, end: 0, from: 0, to: length };
    case 'point':
      return { ...base, type, span, force: 50_000, at: length / 2 };
    case 'moment':
      return { ...base, type, span, moment: 20e6, at: length / 2 };
    case 'torque':
      return { ...base, type, span: load.span, value: 5000 };
    case 'pointTorque':
      return { ...base, type, span, torque: 10e6, at: length / 2 };
  }
}

function LoadRow({
  project,
  member,
  load,
  index,
  faults,
}: {
  project: Project;
  member: BeamMember;
  load: BeamLoad;
  index: number;
  faults: readonly Fault[];
}) {
  const edit = useProject((s) => s.edit);
  const label = `load ${index + 1} of ${member.mark}`;
  const set = (patch: Record<string, unknown>) =>
    edit(
      label,
      onMember(member, (m) => void Object.assign(m.loads[index]!, patch)),
    );
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
        <td className="min-w-24">
          <select
            className="field"
            aria-label="Type"
            value={load.type}
            onChange={(e) =>
              edit(
                label,
                onMember(member, (m) => void (m.loads[index] = retyped(load, e.target.value as BeamLoadType, length))),
              )
            }
          >
            {typeNames.map(([t, name]) => (
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
            {(load.type === 'uniform' || load.type === 'torque') && <option>all</option>}
            {member.spans.map((_, i) => (
              <option key={i} value={i}>
                {i + 1}
              </option>
            ))}
          </select>
        </td>
        <td>
          {cell('value', load.type === 'torque' ? 'lineTorque' : 'lineLoad') ??
            cell('start', 'lineLoad') ??
            cell('force', 'force') ??
            cell('moment', 'moment') ??
            cell('torque', 'moment')}
        </td>
        <td>{cell('end', 'lineLoad')}</td>
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
          <button
            type="button"
            className="link"
            onClick={() =>
              edit(
                `delete ${label}`,
                onMember(member, (m) => void m.loads.splice(index, 1)),
              )
            }
          >
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
