'use client';
import { castDraft } from 'immer';
import type { Fault } from '@/core/checks/fault';
import { codeOf } from '@/core/members/member';
import { shareUsed } from '@/core/members/plate/drawing';
import type { PlateMember } from '@/core/members/plate/input';
import { plateCases } from '@/core/members/plate/loading';
import { chosenParts } from '@/core/members/plate/plan-parts';
import type { PlateResult } from '@/core/members/plate/result';
import type { Project } from '@/core/project/project';
import { formatQuantity, formatValue, unitLabel } from '@/core/units/format';
import { columnsFor } from '@/ui/tables/columns';
import { Grid } from '@/ui/tables/Grid';
import { HistoryChart } from './HistoryChart';
import { useAddPart, usePlateChange } from './use-plate-change';

interface DeflectionPanelProps {
  readonly project: Project;
  readonly member: PlateMember;
  readonly result: PlateResult;
  readonly isStale: boolean;
  readonly faults: readonly Fault[];
}

/** Straightedges with what they show, and the history of loads. */
export function DeflectionPanel(props: DeflectionPanelProps) {
  return (
    <div className={`overflow-auto px-3.5 py-2 ${props.isStale ? 'stale' : ''}`}>
      <LinesTable {...props} />
      <History {...props} />
    </div>
  );
}

type Line = NonNullable<PlateMember['straightedges']>[number];

function LinesTable({ project, member, result }: DeflectionPanelProps) {
  const change = usePlateChange(member);
  const chosen = chosenParts(result);
  const add = useAddPart(member, chosen);
  const isSet = member.straightedges !== null;
  const rows: readonly Line[] = member.straightedges ?? chosen.lines;
  const keep = (label: string, list: readonly Line[] | null) => change(label, (m) => void (m.straightedges = castDraft(list)));
  const line = columnsFor<Line>(
    project.display,
    (l, i) => `line ${l.name || i + 1}`,
    (i, patch) =>
      keep(
        `line ${rows[i]!.name || i + 1}`,
        rows.map((r, k) => (k === i ? { ...r, ...patch } : r)),
      ),
  );
  const judged = (i: number) => result.lines.find((l) => l.name === (rows[i]!.name || `S${i + 1}`));
  const sums = [...new Set(result.lines.flatMap((l) => l.gaps.map((g) => g.id)))];
  const titles = { total: 'In all', after: 'After partitions', live: 'By live load' } as const;
  const mm = (v: number) => formatValue(v, 'smallLength', project.display);
  return (
    <section>
      <div className="flex items-baseline gap-3">
        <h2>Straightedges</h2>
        <span className="small">{isSet ? 'set by hand' : 'proposed between supports: a change sets all of them'}</span>
        {isSet && (
          <button className="link" onClick={() => keep('lines proposed', null)}>
            Propose them
          </button>
        )}
      </div>
      <Grid
        label="Straightedges"
        rows={rows}
        columns={[
          line.text('Name', 'name', { width: '4rem' }),
          line.bare('x', 'span', 'x1'),
          line.bare('y', 'span', 'y1'),
          line.bare('to x', 'span', 'x2'),
          line.bare('to y', 'span', 'y2'),
          ...sums.map((id) =>
            line.shown(`${titles[id]}, ${unitLabel('smallLength', project.display)}`, (_, i) => {
              const gap = judged(i)?.gaps.find((g) => g.id === id);
              return gap ? `${mm(gap.deflection)} of ${mm(gap.limit)}` : '–';
            }),
          ),
          line.shown('Used', (_, i) => {
            const found = judged(i);
            return found && found.gaps.length > 0 ? shareUsed(found).toFixed(2) : 'crosses nothing';
          }),
        ]}
        remove={{
          title: 'Delete',
          run: (i) =>
            keep(
              `line ${i + 1} taken out`,
              rows.filter((_, k) => k !== i),
            ),
        }}
        add={{ title: 'Lay a line', run: () => add('lay a line', 'lines') }}
      />
      <p className="small">
        Deflections stand with what is allowed. They are the gap below a straightedge between the two places that it lies on; an end that
        nothing holds is measured from the highest place, over twice its length.
      </p>
    </section>
  );
}

type Stage = NonNullable<PlateMember['stages']>[number];

/** Stages of loading: the code's own states, or a history that is set. */
function History({ project, member, result, faults }: DeflectionPanelProps) {
  const change = usePlateChange(member);
  const hasAges = codeOf(project, member).service.aged !== undefined;
  const keep = (label: string, stages: readonly Stage[] | null) => change(label, (m) => void (m.stages = castDraft(stages)));
  const rows = member.stages ?? [];
  const set = (i: number, patch: Partial<Stage>) =>
    keep(
      `stage ${i + 1}`,
      rows.map((r, k) => (k === i ? { ...r, ...patch } : r)),
    );
  const stage = columnsFor<Stage>(project.display, (s, i) => `stage ${s.title || i + 1}`, set);
  const cases = plateCases(member);
  const factor = (s: Stage, id: string) => s.factors.find((f) => f.caseId === id)?.factor ?? 0;
  return (
    <section className="mt-3">
      <div className="flex items-baseline gap-3">
        <h2>History of loads</h2>
        <span className="small">{member.stages ? 'set by hand' : 'the states that the code adds up'}</span>
        {hasAges && !member.stages && (
          <button className="link" onClick={() => keep('a history of loads', usualStages(member))}>
            Set a history
          </button>
        )}
        {member.stages && (
          <button className="link" onClick={() => keep('the states of the code', null)}>
            The states of the code
          </button>
        )}
        {!hasAges && <span className="small">This code has factors for time: a history by ages is not covered.</span>}
      </div>
      {member.stages && (
        <Grid
          label="Stages"
          rows={rows}
          columns={[
            stage.text('Stage', 'title'),
            stage.bare('From day', 'number', 'days'),
            ...cases.map((c) =>
              stage.quantity(`${c.id} ×`, 'number', {
                get: (s) => factor(s, c.id),
                set: (i, v) =>
                  set(i, { factors: [...rows[i]!.factors.filter((f) => f.caseId !== c.id), ...(v ? [{ caseId: c.id, factor: v }] : [])] }),
              }),
            ),
          ]}
          faultsOf={(k) => faults.filter((f) => f.path.startsWith(`stages[${k}]`))}
          remove={{
            title: 'Delete',
            run: (i) =>
              keep(
                `stage ${i + 1} taken out`,
                rows.filter((_, k) => k !== i),
              ),
          }}
          add={{ title: 'Add a stage', run: () => keep('add a stage', [...rows, freshStage(rows)]) }}
          className="!w-auto"
        />
      )}
      {result.history.length > 0 && (
        <>
          {member.stages && <HistoryChart history={result.history} units={project.display} />}
          <table className="grid-table !w-auto" aria-label="Largest deflection by stage">
            <thead>
              <tr>
                <th className="!pr-4">State</th>
                <th className="!pr-4 !text-right">days</th>
                <th className="!pr-4 !text-right">load {unitLabel('areaLoad', project.display)}</th>
                <th className="!text-right">largest deflection</th>
              </tr>
            </thead>
            <tbody>
              {result.history.map((p) => (
                <tr key={p.title}>
                  <td className="!pr-4">{p.title}</td>
                  <td className="!pr-4 text-right">{Number.isFinite(p.days) ? p.days : 'for good'}</td>
                  <td className="!pr-4 text-right">{formatValue(p.load, 'areaLoad', project.display)}</td>
                  <td className="text-right">{formatQuantity(p.deflection, 'smallLength', project.display)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </>
      )}
    </section>
  );
}

/** Props out, partitions, in use: self-weight, all permanent loads, and a third of the variable ones. */
function usualStages(member: PlateMember): Stage[] {
  const cases = plateCases(member);
  const [own, permanent, variable] = [
    cases.filter((c) => !member.cases.some((m) => m.id === c.id)),
    cases.filter((c) => c.nature === 'permanent'),
    cases.filter((c) => c.nature !== 'permanent' && c.nature !== 'settlement'),
  ];
  const all = (list: typeof cases, factor: number) => list.map((c) => ({ caseId: c.id, factor }));
  return [
    { title: 'props out', days: 10, factors: all(own, 1) },
    { title: 'partitions', days: member.service.partitionAge, factors: all(permanent, 1) },
    { title: 'in use', days: 365, factors: [...all(permanent, 1), ...all(variable, 0.3)] },
  ];
}

function freshStage(rows: readonly Stage[]): Stage {
  const last = rows.at(-1);
  return { title: 'later', days: (last?.days ?? 28) * 2, factors: last?.factors ?? [] };
}
