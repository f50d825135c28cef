'use client';
import { useMemo } from 'react';
import { sectionDrawing } from '@/core/drawing/section-drawing';
import { supportPositions } from '@/core/members/beam/input';
import type { BeamResult } from '@/core/members/beam/result';
import { sectionState, type SectionState } from '@/core/members/beam/section-state';
import { barLabel, linkLabel } from '@/core/project/labels';
import { codeOf, type BeamMember, type Project } from '@/core/project/project';
import { formatQuantity, formatValue, unitLabel } from '@/core/units/format';
import { DrawingView } from '@/ui/DrawingView';
import { placeName } from './fields';
import { nearestStation } from './stations';

interface SectionPanelProps {
  readonly project: Project;
  readonly member: BeamMember;
  readonly result: BeamResult;
  readonly station: number;
  readonly onEdit: (path: string, target: Element) => void;
  readonly editing: string | null;
  readonly width?: number;
  readonly height?: number;
}

/** The cut at the station: bars to scale, and strain and forces at the ultimate state. */
export function SectionPanel({ project, member, result, station, onEdit, editing, width = 194, height = 196 }: SectionPanelProps) {
  const { steel, strips } = result;
  const sense = useMemo(() => {
    if (!strips) return (member.forces[0]?.moment ?? 0) < 0 ? 'hogging' : 'sagging';
    const i = nearestStation(strips, station);
    return strips.shiftedHogging[i]! > strips.shiftedSagging[i]! ? 'hogging' : 'sagging';
  }, [strips, station, member.forces]);
  const state = useMemo(
    () => (steel ? sectionState(member, codeOf(project, member), steel, station, sense) : null),
    [project, member, steel, station, sense],
  );
  if (!state || !steel) return null;
  const zoneIndex = Math.max(0, steel.links[state.span]!.indexOf(state.zone));
  const picture = pictureOf(project, member, state, station, zoneIndex);
  const where = strips ? `${placeName(member, station)} · ${sense}` : sense;
  return (
    <section aria-label="Section" className="pb-1">
      <div className="flex items-baseline justify-between pt-2">
        <h2>{strips ? `Section at ${formatQuantity(station, 'station', project.display)}` : 'Section'}</h2>
        <span className="small">{where}</span>
      </div>
      <div className="flex">
        <DrawingView drawing={sectionDrawing(picture, width, height)} onEdit={onEdit} editing={editing} />
        <StrainAndForces state={state} project={project} height={height} width={width > 300 ? 200 : 328 - width} />
      </div>
    </section>
  );
}

function pictureOf(project: Project, member: BeamMember, state: SectionState, station: number, zoneIndex: number) {
  const { span, outline } = state;
  const starts = supportPositions(member);
  const dims = (v: number) =>
    formatValue(v, 'length', project.display)
      .replace(/(\.\d*?)0+$/, '$1')
      .replace(/\.$/, '');
  const nearSupport = station - starts[span]! < starts[span + 1]! - station ? span : span + 1;
  const isMain = state.topGroups.length === 1 && member.mode === 'loads' && isSupportRun(state, member, nearSupport, station, starts);
  const zones = state.zone;
  return {
    outline,
    cover: member.cover,
    linkDiameter: state.linkDiameter,
    legs: zones.legs,
    top: state.top,
    bottom: state.bottom,
    ...(state.side ? { side: state.side } : {}),
    labels: {
      top: state.topGroups.map((g) => barLabel(g, project)).join(' + '),
      bottom: state.bottomGroups.map((g) => barLabel(g, project)).join(' + '),
      links: linkLabel(zones, project),
      b: dims(outline.b),
      h: dims(outline.h),
      ...(outline.shape === 'rectangular' ? {} : { flange: dims(outline.flangeWidth), flangeDepth: `× ${dims(outline.flangeDepth)}` }),
    },
    edits: {
      top: isMain ? `bars.support[${nearSupport}].bars` : `bars.top[${span}].main`,
      bottom: `bars.bottom[${span}].main`,
      links: `bars.links[${span}].zones[${zoneIndex}]`,
      // Found by code it is changed by the distances to the next webs.
      ...(member.slab ? {} : { flange: 'section.flangeWidth' }),
    },
    ...(state.resistance
      ? {
          block: {
            face: state.sense === 'sagging' ? ('top' as const) : ('bottom' as const),
            depth: Math.min(outline.h, state.blockFactor * state.resistance.x),
          },
        }
      : {}),
  };
}

function isSupportRun(state: SectionState, member: BeamMember, support: number, station: number, starts: readonly number[]): boolean {
  const own = member.bars.support[support];
  return own !== undefined && Math.abs(station - starts[support]!) < 0.35 * member.spans[state.span]!.length && state.sense === 'hogging';
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
