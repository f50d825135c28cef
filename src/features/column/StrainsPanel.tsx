'use client';
import { useMemo, useState } from 'react';
import { stateDrawing } from '@/core/members/column/drawing/state';
import { placeName, placesOf, type LoadSet, type Place } from '@/core/members/column/input';
import type { ColumnResult } from '@/core/members/column/result';
import { columnModel } from '@/core/members/column/section';
import { sectionState, type SectionState } from '@/core/members/column/states';
import type { Project } from '@/core/project/project';
import { codeOf } from '@/core/members/member';
import { uprightInput, type UprightMember } from '@/core/members/wall/upright';
import { formatQuantity, formatValue, unitLabel } from '@/core/units/format';
import { CurvatureChart } from '@/ui/charts/CurvatureChart';
import { DrawingView } from '@/ui/drawing/DrawingView';
import { HandCheckTable } from '@/ui/tables/HandCheckTable';
import { Select } from '@/ui/fields/Select';
import { useBox } from '@/ui/drawing/use-box';

/** Strains and stresses of the section under a set, its stiffness at that axial force, and the figures that can be checked by hand. */
export function StrainsPanel({
  project,
  member,
  result,
  index,
  onChoose,
}: {
  project: Project;
  member: UprightMember;
  result: ColumnResult;
  index: number;
  onChoose: (index: number) => void;
}) {
  const code = useMemo(() => codeOf(project, member), [project, member]);
  const column = useMemo(() => uprightInput(member, code), [member, code]);
  const set = result.sets[index];
  const worst = result.summaries.find((s) => s.index === index)?.place ?? 'top';
  const [chosen, setPlace] = useState<Place | null>(null);
  const place = chosen ?? worst;
  const [box, room] = useBox<HTMLDivElement>({ width: 760, height: 600 });
  const state = useMemo(
    () => (set ? sectionState(column, code, columnModel(column, code), set, index, place) : null),
    [column, code, set, index, place],
  );
  if (!set || !state) return <p className="px-3.5 py-4">There is no load set to show yet.</p>;
  const units = project.display;
  const isService = set.kind !== 'ultimate';
  const offered = placesOf(column).filter((p) => !isService || p !== 'mid');
  return (
    <div className="min-h-0 flex-1 overflow-y-auto px-3.5">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1 pb-1">
        <label className="flex items-center gap-1.5">
          Load set
          <Select
            label="Load set"
            className="field !w-auto"
            value={String(index)}
            options={result.sets.slice(0, 300).map((s, i) => [String(i), nameOf(s)] as const)}
            onPick={(v) => onChoose(Number(v))}
          />
        </label>
        <label className="flex items-center gap-1.5">
          at
          <Select
            label="Place"
            className="field !w-auto"
            value={place}
            options={offered.map((p) => [p, placeName(column, p)] as const)}
            onPick={(p) => setPlace(p)}
          />
        </label>
        <span className="text-walnut">
          N {formatQuantity(state.N, 'force', units)}, Mx {formatQuantity(state.Mx, 'moment', units)}, My{' '}
          {formatQuantity(state.My, 'moment', units)}
        </span>
      </div>
      <div ref={box} className="flex flex-wrap gap-x-4">
        <section>
          <h2>Strains and stresses</h2>
          <p className="small">
            {isService
              ? 'cracked elastic section, creep of the sustained part counted'
              : 'design moments in equilibrium, with the design laws and no further reduction'}
          </p>
          {state.plane ? (
            <StateDrawing state={state} project={project} width={Math.max(340, room.width * 0.48)} />
          ) : (
            <p className="py-3 text-madder-text">No state of strain balances these forces: they are beyond what the section carries.</p>
          )}
        </section>
        <section>
          <h2>Moment against curvature</h2>
          <p className="small">at this axial force, compression growing towards {degrees(state.theta)}° from x</p>
          <div style={{ width: Math.max(300, room.width * 0.46) }}>
            <Curvature state={state} isService={isService} project={project} />
          </div>
        </section>
      </div>
      <div className="grid grid-cols-1 gap-x-8 pb-3 pt-1 lg:grid-cols-2">
        <BarTable state={state} result={result} project={project} />
        <div>
          <HandCheckTable checks={result.handChecks} units={units} />
        </div>
      </div>
    </div>
  );
}

const nameOf = (s: LoadSet) => [s.name, s.title, s.kind === 'ultimate' ? '' : 'service'].filter(Boolean).join(' · ');
const degrees = (theta: number) => Math.round((theta * 180) / Math.PI);

function StateDrawing({ state, project, width }: { state: SectionState; project: Project; width: number }) {
  const units = project.display;
  return (
    <DrawingView
      drawing={stateDrawing(
        {
          ...state,
          labels: {
            strain: (v) => formatQuantity(v, 'strain', units),
            stress: (v) => formatQuantity(v, 'stress', units),
            steel: (v) => formatQuantity(v, 'steelStress', units),
            length: (v) => formatQuantity(v, 'length', units),
          },
        },
        width,
        250,
      )}
    />
  );
}

function Curvature({ state, isService, project }: { state: SectionState; isService: boolean; project: Project }) {
  const { curve, yields, plane, theta } = state;
  const last = curve.at(-1);
  if (!last) return <p className="py-3">There is no curve at this axial force.</p>;
  const moment = state.Mx * Math.sin(theta) + state.My * Math.cos(theta);
  return (
    <CurvatureChart
      curve={curve}
      marks={[...(yields ? [{ name: 'first bar yields', point: yields }] : []), { name: 'edge at its limit', point: last }]}
      demand={plane && !isService ? { moment, curvature: Math.hypot(plane.kx, plane.ky) } : null}
      units={project.display}
    />
  );
}

function BarTable({ state, result, project }: { state: SectionState; result: ColumnResult; project: Project }) {
  const units = project.display;
  return (
    <div className="max-h-72 overflow-y-auto">
      <h2>Bars</h2>
      <table className="grid-table" aria-label="Strains of the bars">
        <thead>
          <tr>
            <th>Bar</th>
            <th className="!text-right">x {unitLabel('length', units)}</th>
            <th className="!text-right">y {unitLabel('length', units)}</th>
            <th className="!text-right">strain {unitLabel('strain', units)}</th>
            <th className="!text-right">stress {unitLabel('steelStress', units)}</th>
          </tr>
        </thead>
        <tbody>
          {state.bars.map((f, i) => (
            <tr key={i}>
              <td>
                {i + 1}, {result.bars[i]?.size}
              </td>
              <td className="text-right">{formatValue(result.bars[i]?.x ?? NaN, 'length', units)}</td>
              <td className="text-right">{formatValue(result.bars[i]?.y ?? NaN, 'length', units)}</td>
              <td className="text-right">{formatValue(f.strain, 'strain', units)}</td>
              <td className="text-right">{formatValue(f.stress, 'steelStress', units)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="small">Compression positive.</p>
    </div>
  );
}
