'use client';
import { castDraft } from 'immer';
import type { Fault } from '@/core/checks/fault';
import { axesOf, directionWords } from '@/core/members/plate/bar-axes';
import { cornersOf, partOf } from '@/core/members/plate/bar-parts';
import type { Along, ExtraBars, PlateMember } from '@/core/members/plate/input';
import { chosenParts } from '@/core/members/plate/plan-parts';
import type { PlateResult } from '@/core/members/plate/result';
import { layerLabel } from '@/core/members/parts/bar-labels';
import type { Project } from '@/core/project/project';
import { readSlabBars } from '@/ui/fields/slab-bars-field';
import { columnsFor } from '@/ui/tables/columns';
import { Grid } from '@/ui/tables/Grid';
import { ScheduleTable } from '@/ui/tables/ScheduleTable';
import { useAddPart, usePlateChange } from './use-plate-change';

interface BarsPanelProps {
  readonly project: Project;
  readonly member: PlateMember;
  readonly result: PlateResult;
  readonly faults: readonly Fault[];
}

const faces = { bottom: 'bottom', top: 'top' } as const;
/** Bars over parts of the slab beside its meshes, chosen or set, and the schedule of all bars. */
export function BarsPanel({ project, member, result, faults }: BarsPanelProps) {
  const change = usePlateChange(member);
  const add = useAddPart(member, chosenParts(result));
  const isSet = member.bars.extra !== null;
  const rows = member.bars.extra ?? result.steel.extra;
  const keep = (label: string, list: readonly ExtraBars[] | null) => change(label, (m) => void (m.bars.extra = castDraft(list)));
  const set = (i: number, patch: Partial<ExtraBars>) =>
    keep(
      `bars ${i + 1}`,
      rows.map((r, k) => (k === i ? { ...r, ...patch } : r)),
    );
  const axes = axesOf(member);
  /** A side of a part by its distance from the middle, or its angle. */
  const side = (along: Along, end: 0 | 1) => ({
    get: (row: ExtraBars) => partOf(row, axes)[along][end],
    set: (i: number, v: number | null | undefined) => {
      const part = partOf(rows[i]!, axes);
      const sides = part[along].map((now, k) => (k === end ? (v ?? 0) : now)) as [number, number];
      return set(i, cornersOf({ ...part, [along]: sides }, axes));
    },
  });
  const bars = columnsFor<ExtraBars>(project.display, (_, i) => `bars ${i + 1}`, set);
  return (
    <div className="overflow-auto px-3.5 py-2">
      <div className="flex items-baseline gap-3">
        <h2>Bars over parts of the slab</h2>
        <span className="small">{isSet ? 'set by hand' : 'chosen: a change sets all of them'}</span>
        {isSet && (
          <button className="link" onClick={() => keep('bars over parts chosen again', null)}>
            Choose them again
          </button>
        )}
        {!isSet && rows.length > 0 && (
          <button className="link" onClick={() => keep('no bars over parts', [])}>
            None
          </button>
        )}
      </div>
      <Grid
        label="Bars over parts"
        rows={rows}
        columns={[
          bars.pick('Face', faces, 'face', { width: '6rem' }),
          bars.pick('Bars run', { x: directionWords(member, 'x'), y: directionWords(member, 'y') }, 'along', { width: '6rem' }),
          ...(member.axes.kind === 'ring'
            ? [
                bars.bare('Radius', 'span', side('x', 0)),
                bars.bare('to radius', 'span', side('x', 1)),
                bars.bare('Angle', 'angle', side('y', 0)),
                bars.bare('to angle', 'angle', side('y', 1)),
              ]
            : [
                bars.bare('x', 'span', 'x1'),
                bars.bare('y', 'span', 'y1'),
                bars.bare('to x', 'span', 'x2'),
                bars.bare('to y', 'span', 'y2'),
              ]),
          bars.text('Bars', {
            get: (r) => layerLabel(r.bars, project),
            set: (i, text) => {
              const read = readSlabBars(text, member, project.display);
              return read.ok ? set(i, { bars: read.bars }) : read.reason;
            },
          }),
        ]}
        faultsOf={(i) => faults.filter((f) => f.path.startsWith(`bars.extra[${i}]`))}
        remove={{
          title: 'Delete',
          run: (i) =>
            keep(
              `bars ${i + 1} taken out`,
              rows.filter((_, k) => k !== i),
            ),
        }}
        add={{ title: 'Add bars over a part', run: () => add('add bars over a part', 'bars') }}
      />
      <p className="small">
        Bars count behind their anchorage from both ends of their part, all the way where an end lies at an edge of the slab and is bent
        there.
        {member.axes.kind === 'ring' &&
          ' A part goes from its first angle counterclockwise to the second one, angles from the axis x; by a whole turn it goes all round.'}
      </p>
      <ScheduleTable project={project} member={member} result={result} />
    </div>
  );
}
