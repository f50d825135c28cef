'use client';
import { useMemo } from 'react';
import type { BeamHandle } from '@/core/members/beam/drawing/handles';
import { beamSectionPicture, senseAt } from '@/core/members/beam/drawing/section-picture';
import { sectionDrawing } from '@/core/members/beam/drawing/section';
import type { MemberModel } from '@/core/model/member-model';
import type { BeamResult } from '@/core/members/beam/result';
import { sectionState, type SectionState } from '@/core/members/beam/section-state';
import { sectionLabels } from '@/core/members/beam/labels';
import type { Project } from '@/core/project/project';
import { codeOf } from '@/core/members/member';
import type { BeamMember } from '@/core/members/beam/input';
import { formatQuantity, formatValue, unitLabel } from '@/core/units/format';
import { onMember } from '@/store/commands';
import { useProject } from '@/store/project-store';
import { DrawingView } from '@/ui/drawing/DrawingView';
import { placeName } from '@/ui/sheet/stations';

interface SectionPanelProps {
  readonly project: Project;
  readonly member: BeamMember;
  readonly result: BeamResult;
  readonly model: MemberModel;
  readonly station: number;
  readonly onEdit: (handle: BeamHandle, target: Element) => void;
  readonly editing: string | null;
  /** Shows the cage in space, or goes back to the drawing. */
  readonly onCage?: () => void;
  readonly width?: number;
  readonly height?: number;
}

/** The cut at the station: bars to scale, and strain and forces at the ultimate state. */
export function SectionPanel({
  project,
  member,
  result,
  model,
  station,
  onEdit,
  editing,
  onCage,
  width = 194,
  height = 196,
}: SectionPanelProps) {
  const { steel, strips } = result;
  const sense = useMemo(() => {
    if (!strips) return (member.forces[0]?.moment ?? 0) < 0 ? 'hogging' : 'sagging';
    return senseAt(strips, station);
  }, [strips, station, member.forces]);
  const state = useMemo(
    () => (steel ? sectionState(member, codeOf(project, member), steel, station, sense) : null),
    [project, member, steel, station, sense],
  );
  if (!state || !steel) return null;
  const zoneIndex = Math.max(0, steel.links[state.span]!.indexOf(state.zone));
  const picture = beamSectionPicture(member, state, model, station, zoneIndex, sectionLabels(project));
  const where = strips ? `${placeName(member, station)} · ${sense}` : sense;
  return (
    <section aria-label="Section" className="pb-1">
      <div className="flex items-baseline justify-between pt-2">
        <h2>{strips ? `Section at ${formatQuantity(station, 'station', project.display)}` : 'Section'}</h2>
        <span className="small">{where}</span>
      </div>
      {strips && (
        <div className="flex items-center justify-between">
          <InReport member={member} station={station} />
          {onCage && (
            <button type="button" className="link small" onClick={onCage}>
              cage in space
            </button>
          )}
        </div>
      )}
      <div className="flex">
        <DrawingView drawing={sectionDrawing(picture, width, height)} onEdit={onEdit} editing={editing} />
        <StrainAndForces state={state} project={project} height={height} width={width > 300 ? 200 : 328 - width} />
      </div>
    </section>
  );
}

/** Whether this cut is drawn in the report; without any chosen, those over the supports and in the middle of spans are. */
function InReport({ member, station }: { member: BeamMember; station: number }) {
  const edit = useProject((s) => s.edit);
  const here = member.cuts.filter((x) => Math.abs(x - station) < 5);
  const isIn = here.length > 0;
  const toggle = () =>
    edit(
      isIn ? `cut of ${member.mark} out of the report` : `cut of ${member.mark} for the report`,
      onMember(member, (m) => void (m.cuts = isIn ? m.cuts.filter((x) => !here.includes(x)) : [...m.cuts, station].sort((a, b) => a - b))),
    );
  return (
    <label className="small flex items-center gap-1.5" title="Without any chosen, the report has the cuts over supports and in midspan">
      <input type="checkbox" className="h-3 w-3" checked={isIn} onChange={toggle} /> this cut in the report
      {member.cuts.length > 0 && ` · ${member.cuts.length} chosen`}
    </label>
  );
}

/** Strain of the plane section and the pair of forces, beside the cut and to its height. */
function StrainAndForces({ state, project, width, height }: { state: SectionState; project: Project; width: number; height: number }) {
  const r = state.resistance;
  if (!r) return <p className="small p-3">No bars in tension here.</p>;
  const { h } = state.outline;
  const top = 34;
  const scale = (height - 64) / h;
  const fromTop = (depth: number) => top + (state.sense === 'sagging' ? depth : h - depth) * scale;
  const edge = fromTop(0);
  const steel = fromTop(r.dt);
  const axis = fromTop(r.x);
  const system = project.display;
  const strainX = 34;
  const unit = 26 / Math.max(state.edgeStrain, r.tensionStrain);
  const forceX = 88;
  const isTopEdge = edge < steel;
  return (
    <svg
      width={width}
      height={height}
      role="img"
      aria-label={`Neutral axis at ${formatQuantity(r.x, 'length', system)}, lever arm ${formatQuantity(r.d - r.compressionDepth, 'length', system)}`}
    >
      <text x={strainX} y="14" textAnchor="middle" fontSize="0.6875rem" fill="#51473C">
        Strain
      </text>
      <text x={forceX + 10} y="14" textAnchor="middle" fontSize="0.6875rem" fill="#51473C">
        Forces, {unitLabel('force', system)}
      </text>
      <path d={`M${strainX} ${edge}V${steel}`} stroke="#231E19" />
      <path d={`M${strainX} ${edge}h${-state.edgeStrain * unit}L${strainX} ${axis}z`} fill="url(#compressed)" stroke="#A6583B" />
      <path d={`M${strainX} ${steel}h${r.tensionStrain * unit}L${strainX} ${axis}z`} fill="#D3E2D6" stroke="#3C8A7A" />
      <text x={strainX - 2} y={isTopEdge ? edge - 4 : edge + 13} textAnchor="middle" fontSize="0.6875rem">
        {(state.edgeStrain * 1000).toFixed(1)}‰
      </text>
      <text x={strainX + 6} y={isTopEdge ? steel + 13 : steel - 4} textAnchor="middle" fontSize="0.6875rem">
        {(r.tensionStrain * 1000).toFixed(1)}‰
      </text>
      <path d={`M${strainX - 30} ${axis}H${width - 8}`} stroke="#6B6153" strokeWidth=".7" strokeDasharray="7 2 1 2" />
      <text x={width - 10} y={state.sense === 'sagging' ? axis + 11 : axis - 3} textAnchor="end" fontSize="0.6875rem" fill="#51473C">
        x {formatValue(r.x, 'length', system)}
      </text>
      <path
        d={`M${forceX} ${fromTop(r.compressionDepth)}h18m-5 -3l5 3-5 3`}
        transform={`translate(-22 0)`}
        stroke="#A6583B"
        strokeWidth="1.3"
        fill="none"
      />
      <rect
        x={forceX}
        y={Math.min(edge, fromTop(state.blockFactor * r.x))}
        width="13"
        height={Math.max(2, Math.abs(fromTop(state.blockFactor * r.x) - edge))}
        fill="url(#compressed)"
        stroke="#A6583B"
      />
      <path d={`M${forceX} ${fromTop(r.d)}h22m-5 -3l5 3-5 3`} stroke="#3C8A7A" strokeWidth="1.3" fill="none" />
      <text x={forceX + 16} y={fromTop(r.compressionDepth) + (isTopEdge ? 0 : 8)} fontSize="0.6875rem" fill="#8B4328">
        {formatValue(r.compressionForce, 'force', system, 0)}
      </text>
      <text x={forceX + 6} y={fromTop(r.d) + (isTopEdge ? 13 : -5)} fontSize="0.6875rem" fill="#1D6355">
        z {formatValue(r.d - r.compressionDepth, 'length', system)}
      </text>
    </svg>
  );
}
