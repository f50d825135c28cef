'use client';
import { useMemo, useState } from 'react';
import { columnMomentDrawing } from '@/core/drawing/column-moment-drawing';
import { columnSectionDrawing } from '@/core/drawing/column-section-drawing';
import { contourDrawing, interactionDrawing } from '@/core/drawing/interaction-drawing';
import { inBendingSense } from '@/core/members/column/load-sets';
import { columnPicture, setsInSlice, type ColumnPicture } from '@/core/members/column/picture';
import type { ColumnResult } from '@/core/members/column/result';
import { columnBarsLabel, linkLabel, tieLabel } from '@/core/project/labels';
import { codeOf, uprightInput, type Project, type UprightMember } from '@/core/project/project';
import { strainAtLimit } from '@/core/section/critical-points';
import { formatQuantity, formatUtilisation, formatValue, unitLabel } from '@/core/units/format';
import { displayUnit } from '@/core/units/quantity';
import { DrawingView } from '@/ui/DrawingView';
import { useBox } from '@/ui/use-box';
import { LoadSetTable } from './LoadSetTable';
import { MomentSteps } from './MomentSteps';

interface ColumnSheetProps {
  readonly project: Project;
  readonly member: UprightMember;
  readonly result: ColumnResult;
  /** The set that is shown. */
  readonly index: number;
  readonly isStale: boolean;
  readonly hasFaults: boolean;
  readonly onChoose: (name: string) => void;
  readonly onEdit: (path: string, target: Element) => void;
  readonly editing: string | null;
}

/** The column as it is drawn and edited: section, moments about both axes, all directions, interaction, and the load sets. */
export function ColumnSheet(props: ColumnSheetProps) {
  const { project, member, result, index, isStale, hasFaults } = props;
  const [angle, setAngle] = useState<number | null>(null);
  const [detail, setDetail] = useState<'x' | 'y' | null>(null);
  const [box, room] = useBox<HTMLDivElement>({ width: 748, height: 700 });
  const code = useMemo(() => codeOf(project, member), [project, member]);
  const picture = useMemo(
    () => (hasFaults ? undefined : columnPicture(uprightInput(member, code), code, result, index, angle)),
    [member, code, result, index, angle, hasFaults],
  );
  if (!picture)
    return (
      <p className="px-3.5 py-4">
        {result.sets.length === 0
          ? `No load sets yet on ${member.mark}: open Load sets and type one, or paste a table.`
          : 'Mend what is named above to see the column.'}
      </p>
    );
  const set = picture.strength.set;
  const rest = room.width - 24;
  const sectionWidth = Math.min(400, Math.max(270, rest * 0.42));
  const momentWidth = Math.min(150, (rest - sectionWidth) * 0.285);
  const contourWidth = rest - sectionWidth - 2 * momentWidth;
  const topHeight = Math.max(250, Math.min(380, room.height * 0.46));
  const sliceWidth = Math.round(rest * 0.36);
  return (
    <div ref={box} className={`flex min-h-0 flex-1 flex-col overflow-y-auto ${isStale ? 'stale' : ''}`} data-stale={isStale || undefined}>
      <div className="flex shrink-0 px-3">
        <Part
          title="Section"
          note={
            picture.limit
              ? `at ${picture.strength.worst.place === 'mid' ? 'mid-height' : picture.strength.worst.place}, ${set.name}`
              : set.name
          }
        >
          <DrawingView drawing={sectionPicture(props, picture, sectionWidth, topHeight)} onEdit={props.onEdit} editing={props.editing} />
        </Part>
        {(['x', 'y'] as const).map((axis) => (
          <Part key={axis} title={<>About {axis}</>} note={curvature(picture, member, axis)} isNarrow>
            <DrawingView
              drawing={momentPicture(props, picture, axis, momentWidth, topHeight - 32)}
              onEdit={props.onEdit}
              editing={props.editing}
            />
            <button
              type="button"
              className="link small"
              onClick={() => setDetail(detail === axis ? null : axis)}
              aria-expanded={detail === axis}
            >
              step by step
            </button>
          </Part>
        ))}
        <Part title="All directions" note={`at N ${formatQuantity(set.N, 'force', project.display)}`}>
          <DrawingView drawing={contourPicture(props, picture, contourWidth, topHeight - 100)} />
          <Measures picture={picture} project={project} />
        </Part>
      </div>
      {detail && <MomentSteps picture={picture} axis={detail} project={project} onClose={() => setDetail(null)} />}
      <div className="relative h-[3px] shrink-0">
        <div className="purfling-x absolute inset-x-0" />
      </div>
      <div className="flex min-h-[250px] flex-1 px-3">
        <Part title={`Interaction through ${set.name}`} note="">
          <AngleField picture={picture} angle={angle} onAngle={setAngle} />
          <Slice
            {...props}
            picture={picture}
            width={sliceWidth}
            height={Math.max(200, room.height - topHeight - 90 - (detail ? 150 : 0))}
          />
        </Part>
        <LoadSetTable project={project} member={member} result={result} index={index} onChoose={props.onChoose} />
      </div>
    </div>
  );
}

function Part({
  title,
  note,
  isNarrow = false,
  children,
}: {
  title: React.ReactNode;
  note: string;
  isNarrow?: boolean;
  children: React.ReactNode;
}) {
  return (
    <section className="min-w-0">
      <div className={`flex pb-0.5 pt-1 ${isNarrow ? 'flex-col' : 'items-baseline gap-2'}`}>
        <h2 className="whitespace-nowrap">{title}</h2>
        <span className="small truncate">{note}</span>
      </div>
      {children}
    </section>
  );
}

/** Both measures of capacity: moment at the same axial force, and along the ray. */
function Measures({ picture, project }: { picture: ColumnPicture; project: Project }) {
  const { worst, refusal } = picture.strength;
  if (refusal) return <p className="small text-madder-text">{refusal}</p>;
  const size = Math.hypot(worst.Mx, worst.My);
  const degrees = ((Math.atan2(worst.Mx, worst.My) * 180) / Math.PI).toFixed(0);
  return (
    <dl className="small grid grid-cols-[1fr_auto] gap-x-2 px-1">
      <dt>M to be carried{size > 0 ? `, at ${degrees}°` : ''}</dt>
      <dd className="text-right text-ebony">{formatQuantity(size, 'moment', project.display)}</dd>
      <dt>over resistance at this N</dt>
      <dd className="text-right text-ebony">{formatUtilisation(picture.byMoment)}</dd>
      <dt>N and M growing together</dt>
      <dd className="text-right text-ebony">{formatUtilisation(picture.byRay)}</dd>
    </dl>
  );
}

function curvature(picture: ColumnPicture, member: UprightMember, axis: 'x' | 'y'): string {
  const f = inBendingSense(picture.strength.set, member.signs);
  const [top, bottom] = axis === 'x' ? [f.mxTop, f.mxBottom] : [f.myTop, f.myBottom];
  if (top === 0 && bottom === 0) return 'no moment';
  if (top === 0 || bottom === 0) return 'one end';
  return top * bottom > 0 ? 'single curvature' : 'double curvature';
}

function sectionPicture({ project, member }: ColumnSheetProps, p: ColumnPicture, width: number, height: number) {
  const { model, limit } = p;
  const gross = model.section.gross;
  const inTension = new Set(
    limit ? model.section.bars.flatMap((b, i) => (strainAtLimit(p.model.surface, limit, b.x, b.y) < 0 ? [i] : [])) : [],
  );
  return columnSectionDrawing(
    {
      shape: uprightInput(member, codeOf(project, member)).shape,
      cover: member.cover,
      bars: model.bars,
      tieDiameter: model.tieDiameter,
      cross: model.legs.cross,
      limit: limit && Number.isFinite(limit.x) ? { theta: limit.theta, x: limit.x } : undefined,
      centroid: gross.centroid,
      inTension,
      selected: new Set(),
      labels: {
        bars: member.type === 'wall' ? linkLabel({ ...member.vertical, legs: 2 }, project) : columnBarsLabel(project, model.bars),
        ratio: `${((100 * model.section.steelArea) / gross.area).toFixed(2)} %`,
        ties: member.type === 'wall' ? linkLabel({ ...member.horizontal, legs: 2 }, project) : tieLabel(project, member),
        cover: `cover ${formatValue(member.cover, 'smallLength', project.display)}`,
        length: (v) => formatValue(v, 'length', project.display),
      },
    },
    width,
    height,
  );
}

function momentPicture({ project, member, index }: ColumnSheetProps, p: ColumnPicture, axis: 'x' | 'y', width: number, height: number) {
  const set = p.strength.set;
  const f = inBendingSense(set, member.signs);
  const [top, bottom] = axis === 'x' ? [f.mxTop, f.mxBottom] : [f.myTop, f.myBottom];
  const typedBottom = axis === 'x' ? set.mxBottom : set.myBottom;
  const show = (v: number) => `${v > 0 ? '+' : ''}${formatValue(v, 'moment', project.display, 0)}`;
  const d = p.strength[axis];
  const key = axis === 'x' ? 'mx' : 'my';
  const canEdit = member.mode === 'sets';
  const axisInput = member.axes[axis];
  const sign = (end: 'top' | 'bottom') => (axisInput.mode === 'ends' ? axisInput[end].kind : axisInput.isBraced ? 'framed' : 'framed');
  return columnMomentDrawing(
    {
      axis,
      first: { top, bottom },
      design: Number.isFinite(d.mid) ? { top: d.top, mid: d.mid, bottom: d.bottom } : null,
      labels: {
        top: show(top),
        bottom: show(typedBottom),
        mid: Number.isFinite(d.mid) ? formatValue(d.mid, 'moment', project.display, 0) : '',
        l0: `l0 ${formatQuantity(p.model.axes[axis].l0, 'station', project.display)}`,
        state: curvature(p, member, axis),
      },
      edits: canEdit ? { top: `sets[${index}].${key}Top`, bottom: `sets[${index}].${key}Bottom` } : {},
      ends: { top: sign('top'), bottom: sign('bottom') },
    },
    width,
    height,
  );
}

function contourPicture({ project, result }: ColumnSheetProps, p: ColumnPicture, width: number, height: number) {
  const { worst, set } = p.strength;
  const near = result.summaries.filter((s) => Math.abs(result.sets[s.index]!.N - set.N) < 0.06 * p.model.surface.most).slice(0, 120);
  const { unit } = displayUnit('moment', project.display);
  return contourDrawing(
    {
      curve: p.contour,
      demand: Number.isFinite(worst.Mx) ? [worst.My, worst.Mx] : null,
      capacity: p.limit ? [p.limit.My, p.limit.Mx] : null,
      points: near.map((s) => [s.My, s.Mx] as const).filter((q) => q.every(Number.isFinite)),
      isOver: (worst.utilisation ?? 99) > 1,
      direction: p.direction,
      units: { moment: unit.factor, momentName: unitLabel('moment', project.display) },
    },
    width,
    height,
  );
}

function Slice({
  project,
  result,
  index,
  picture: p,
  width,
  height,
}: ColumnSheetProps & { picture: ColumnPicture; width: number; height: number }) {
  const drawing = useMemo(() => {
    const force = displayUnit('force', project.display).unit;
    const moment = displayUnit('moment', project.display).unit;
    const over = new Set(result.summaries.filter((s) => (s.utilisation ?? 99) > 1).map((s) => s.index));
    const points = setsInSlice(result, p.slice).filter((q) => q.index !== index);
    const mine = setsInSlice({ ...result, summaries: result.summaries.filter((s) => s.index === index) }, p.slice)[0];
    return interactionDrawing(
      {
        curve: p.slice,
        nominal: p.nominal,
        points: points.map((q) => ({ ...q, isOver: over.has(q.index) })),
        chosen: mine
          ? { ...mine, name: p.strength.set.name, use: formatUtilisation(p.strength.worst.utilisation), isOver: over.has(index) }
          : null,
        critical: [],
        units: {
          force: force.factor,
          moment: moment.factor,
          forceName: unitLabel('force', project.display),
          momentName: unitLabel('moment', project.display),
        },
      },
      width,
      height,
    );
  }, [project.display, result, index, p, width, height]);
  return <DrawingView drawing={drawing} />;
}

/** The direction of the slice: that of the set's moment, or any other. */
function AngleField({ picture, angle, onAngle }: { picture: ColumnPicture; angle: number | null; onAngle: (a: number | null) => void }) {
  const degrees = Math.round((picture.direction * 180) / Math.PI);
  return (
    <div className="small flex items-center gap-2">
      <label className="flex items-center gap-1">
        direction
        <input
          type="range"
          min={-180}
          max={180}
          step={1}
          value={degrees}
          aria-label="Direction of the slice, degrees from My"
          className="h-3 w-28 accent-ebony"
          onChange={(e) => onAngle((Number(e.target.value) * Math.PI) / 180)}
        />
        <span className="w-9 text-right text-ebony">{degrees}°</span>
      </label>
      {angle !== null && (
        <button type="button" className="link" onClick={() => onAngle(null)}>
          as the set
        </button>
      )}
      {picture.nominal.length > 0 && <span>dashed: nominal</span>}
    </div>
  );
}
