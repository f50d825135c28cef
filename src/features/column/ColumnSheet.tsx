'use client';
import type { ColumnHandle } from '@/core/members/column/drawing/handles';
import { useMemo, useState } from 'react';
import { contourOf, curvatureOf, momentsOf, sectionOf, sliceOf, type ColumnView } from '@/core/members/column/drawing/views';
import { placeName } from '@/core/members/column/input';
import { columnPicture, type ColumnPicture } from '@/core/members/column/picture';
import type { ColumnResult } from '@/core/members/column/result';
import { uprightLabels } from '@/core/members/wall/upright';
import type { Project } from '@/core/project/project';
import { codeOf } from '@/core/members/member';
import { uprightInput, type UprightMember } from '@/core/members/wall/upright';
import { formatQuantity, formatUtilisation } from '@/core/units/format';
import { DrawingView } from '@/ui/drawing/DrawingView';
import { useBox } from '@/ui/drawing/use-box';
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
  readonly onEdit: (handle: ColumnHandle, target: Element) => void;
  readonly editing: string | null;
}

/** The column as it is drawn and edited: section, moments about both axes, all directions, interaction, and the load sets. */
export function ColumnSheet(props: ColumnSheetProps) {
  const { project, member, result, index, isStale, hasFaults } = props;
  const [angle, setAngle] = useState<number | null>(null);
  const [shown, setShown] = useState<readonly string[] | null>(null);
  const [detail, setDetail] = useState<'x' | 'y' | null>(null);
  const [box, room] = useBox<HTMLDivElement>({ width: 748, height: 700 });
  const code = useMemo(() => codeOf(project, member), [project, member]);
  const column = useMemo(() => uprightInput(member, code), [member, code]);
  const picture = useMemo(
    () => (hasFaults ? undefined : columnPicture(column, code, result, index, angle)),
    [column, code, result, index, angle, hasFaults],
  );
  if (!picture) return <p className="px-3.5 py-4">{whyEmpty(member, hasFaults)}</p>;
  const set = picture.strength.set;
  // Areas are drawn until they are switched off, lines when they are switched on.
  const zones = shown ?? picture.zones.filter((z) => z.kind === 'area').map((z) => z.name);
  const view: ColumnView = {
    column,
    result,
    picture,
    index,
    units: project.display,
    labels: uprightLabels(project, member, picture.model.bars),
  };
  const quiet = (['x', 'y'] as const).filter((axis) =>
    result.sets.every((s) => (axis === 'x' ? s.mxTop === 0 && s.mxBottom === 0 : s.myTop === 0 && s.myBottom === 0)),
  );
  const size = sizesIn(room, { hasSteps: detail !== null, isSection: column.isSection, quiet });
  const section = (
    <Part
      title="Section"
      note={picture.limit && !column.isSection ? `at ${placeName(column, picture.strength.worst.place)}, ${set.name}` : set.name}
    >
      <DrawingView drawing={sectionOf(view, size.section, size.top)} onEdit={props.onEdit} editing={props.editing} />
    </Part>
  );
  const moments = (column.isSection ? [] : (['x', 'y'] as const)).map((axis) => (
    <Part key={axis} title={<>About {axis}</>} note={curvatureOf(view, axis)} isNarrow>
      <DrawingView drawing={momentsOf(view, axis, size.moment[axis], size.top - 32)} onEdit={props.onEdit} editing={props.editing} />
      <button type="button" className="link small" onClick={() => setDetail(detail === axis ? null : axis)} aria-expanded={detail === axis}>
        step by step
      </button>
    </Part>
  ));
  const contour = (
    <Part title="All directions" note={`at N ${formatQuantity(picture.strength.worst.N, 'force', project.display)}`}>
      <DrawingView drawing={contourOf(view, size.contour, size.top - 100 * room.scale)} />
      <Measures picture={picture} project={project} />
    </Part>
  );
  const slice = (
    <div className="shrink-0" style={{ width: size.slice }}>
      <Part title={`Interaction through ${set.name}`} note="">
        <AngleField picture={picture} angle={angle} onAngle={setAngle} zones={zones} onZones={setShown} />
        <DrawingView
          drawing={sliceOf(view, size.slice, size.bottom, [
            ...picture.zones.filter((z) => zones.includes(z.name)),
            ...picture.lines.filter((l) => zones.includes(l.name)).flatMap((l) => l.draw()),
          ])}
        />
      </Part>
    </div>
  );
  const sets = (
    <LoadSetTable {...{ project, member, result, index }} isNarrow={size.isStacked || room.width < 700} onChoose={props.onChoose} />
  );
  const steps = detail && <MomentSteps picture={picture} axis={detail} project={project} onClose={() => setDetail(null)} />;
  return (
    <div ref={box} className={`flex min-h-0 flex-1 flex-col overflow-y-auto ${isStale ? 'stale' : ''}`} data-stale={isStale || undefined}>
      {size.isStacked ? (
        <>
          <div className="flex shrink-0 px-3">
            {section}
            {contour}
          </div>
          <Divider />
          <div className="flex shrink-0 px-3">
            {moments}
            {slice}
          </div>
          {steps}
          <Divider />
          <div className="flex h-64 shrink-0">{sets}</div>
        </>
      ) : (
        <>
          <div className="flex shrink-0 px-3">
            {section}
            {moments}
            {contour}
          </div>
          {steps}
          <Divider />
          <div className="flex min-h-[250px] flex-1 px-3">
            {slice}
            {sets}
          </div>
        </>
      )}
    </div>
  );
}

type Room = { readonly width: number; readonly height: number; readonly scale: number };

/** What else the drawings of a sheet depend on. */
interface Shown {
  readonly hasSteps: boolean;
  readonly isSection: boolean;
  /** Axes about which no set has a moment: their drawing needs little room, and the section has it. */
  readonly quiet: readonly ('x' | 'y')[];
}

const QUIET = 0.66;

/** Sizes of the drawings (px) for the room there is: all in two rows, or one under the other where text is large for it. */
function sizesIn(room: Room, { hasSteps, isSection, quiet }: Shown) {
  const rest = room.width - 24;
  const moments = (usual: number) => ({ x: usual * (quiet.includes('x') ? QUIET : 1), y: usual * (quiet.includes('y') ? QUIET : 1) });
  if (room.width / room.scale < 560) {
    const moment = moments(Math.min(150 * room.scale, rest * 0.28));
    const section = rest * 0.55;
    const top = 250 * room.scale;
    const slice = isSection ? rest : rest - moment.x - moment.y;
    return { isStacked: true, section, moment, contour: rest - section, slice, top, bottom: top - 40 };
  }
  const usual = isSection ? rest * 0.58 : Math.min(400, Math.max(270, rest * 0.42));
  const moment = moments(isSection ? 0 : Math.min(150, (rest - usual) * 0.285));
  const contour = rest - usual - 2 * (isSection ? 0 : Math.min(150, (rest - usual) * 0.285));
  const top = Math.max(250, Math.min(380, room.height * 0.46));
  return {
    isStacked: false,
    section: rest - contour - moment.x - moment.y,
    moment,
    contour,
    slice: Math.round(rest * 0.36),
    top,
    bottom: Math.max(200, room.height - top - 90 - (hasSteps ? 150 : 0)),
  };
}

const Divider = () => (
  <div className="relative h-[3px] shrink-0">
    <div className="purfling-x absolute inset-x-0" />
  </div>
);

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
      {picture.bySum && (
        <>
          <dt title={`A second opinion: the simple rule for two axes, ${picture.bySum.clause}`}>by the sum rule, {picture.bySum.clause}</dt>
          <dd className="text-right text-ebony">{formatUtilisation(picture.bySum.utilisation)}</dd>
        </>
      )}
    </dl>
  );
}

/** The direction of the slice: that of the set's moment, or any other. */
function AngleField({
  picture,
  angle,
  onAngle,
  zones,
  onZones,
}: {
  picture: ColumnPicture;
  angle: number | null;
  onAngle: (a: number | null) => void;
  zones: readonly string[];
  onZones: (names: readonly string[]) => void;
}) {
  const degrees = Math.round((picture.direction * 180) / Math.PI);
  return (
    <div className="small flex flex-wrap items-center gap-x-2">
      <label className="flex items-center gap-1">
        direction
        <input
          type="range"
          min={-180}
          max={180}
          step={1}
          value={degrees}
          aria-label="Direction of the slice, degrees from My"
          className="h-3 w-20 accent-ebony"
          onChange={(e) => onAngle((Number(e.target.value) * Math.PI) / 180)}
        />
        <span className="w-9 text-right text-ebony">{degrees}°</span>
      </label>
      {angle !== null && (
        <button type="button" className="link" onClick={() => onAngle(null)}>
          as the set
        </button>
      )}
      <span>dashed: {picture.nominalName}</span>
      {[...picture.zones, ...picture.lines].map(({ name }) => (
        <label key={name} className="flex items-center gap-1">
          <input
            type="checkbox"
            className="size-3 accent-ebony"
            checked={zones.includes(name)}
            onChange={(e) => onZones(e.target.checked ? [...zones, name] : zones.filter((z) => z !== name))}
          />
          {name}
        </label>
      ))}
    </div>
  );
}

/** Why there is nothing to see: what is missing, or that it is being worked out. */
function whyEmpty({ mark, mode, sets, caseForces }: UprightMember, hasFaults: boolean): string {
  if ((mode === 'sets' ? sets : caseForces).length === 0)
    return `No load sets yet on ${mark}: open Load sets and type one, or paste a table.`;
  return hasFaults ? 'Mend what is named above to see the column.' : `Designing ${mark}.`;
}
