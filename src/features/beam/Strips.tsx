'use client';
import { useMemo } from 'react';
import { elevationDrawing, type Frame } from '@/core/drawing/elevation-drawing';
import { servicePictures, stripPictures } from '@/core/drawing/beam-strips';
import { stripDrawing, type StripPicture } from '@/core/drawing/strip-drawing';
import { supportPositions } from '@/core/members/beam/input';
import type { BeamResult, BeamStrips, ServiceStrips } from '@/core/members/beam/result';
import { barLabel, linkLabel } from '@/core/project/labels';
import type { BeamMember, Project } from '@/core/project/project';
import { formatQuantity, formatValue, unitLabel } from '@/core/units/format';
import { DrawingView, type DragPhase } from '@/ui/DrawingView';
import { nearest, nearestStation } from './stations';

interface StripsProps {
  readonly project: Project;
  readonly member: BeamMember;
  readonly result: BeamResult;
  readonly width: number;
  readonly station: number;
  readonly onStation: (x: number) => void;
  readonly onEdit: (path: string, target: Element) => void;
  readonly editing: string | null;
  /** A handle of the drawing is moved to a place of the beam. */
  readonly onMove?: (path: string, x: number, reach: number, phase: DragPhase) => void;
  /** Height that the strips share below the elevation. */
  readonly room: number;
  readonly shows: 'strength' | 'service';
}

const GUTTER = 100;
const MARGIN = 34;

const ELEVATION = 236;
/** A moved end snaps to notable places within this (sheet units). */
const SNAP = 5;

const unitOf = {
  bending: (u: Project['display']) => `M, ${unitLabel('moment', u)}\nhogging up`,
  shear: (u: Project['display']) => `V, ${unitLabel('force', u)}`,
  steel: (u: Project['display']) => `${unitLabel('area', u)}\ntop up`,
};

/** One strip as it stands below the elevation, with what it says where the station line is. */
interface Standing {
  readonly picture: StripPicture;
  readonly unit: string;
  readonly height: number;
  readonly tag: (x: number) => { readonly text: string; readonly isOver: boolean };
}

/** The strips of strength, or those of service. */
function useStanding({ project, member, result, room, shows }: StripsProps): Standing[] {
  return useMemo(() => {
    const units = project.display;
    if (shows === 'service') return result.service ? serviceStanding(member, result.service, units, room) : [];
    if (!result.strips) return [];
    const { strips } = result;
    const pictures = stripPictures({ member, result, strips, units, linkLabel: (z) => linkLabel(z, project), showNames: true });
    const tags = stationTags(strips, units);
    const shares = { bending: 0.44, shear: 0.32, steel: 0.24 };
    return (['bending', 'shear', 'steel'] as const).map((key) => ({
      picture: pictures[key],
      unit: unitOf[key](units),
      height: Math.round(room * shares[key]),
      tag: (x) => tags[key](nearestStation(strips, x)),
    }));
  }, [project, member, result, room, shows]);
}

function serviceStanding(member: BeamMember, service: ServiceStrips, units: Project['display'], room: number): Standing[] {
  const pictures = servicePictures(member, service, units);
  return pictures.map((picture, k) => {
    const kind = k < service.sums.length ? ('smallLength' as const) : ('crack' as const);
    return {
      picture,
      unit: kind === 'crack' ? `${unitLabel('crack', units)}\ntop up` : unitLabel(kind, units),
      height: Math.round(room / pictures.length),
      tag: (x) => {
        const i = nearest(picture.x, x, (k) => picture.below.demand[k]!);
        const side = picture.above.demand[i]! > picture.below.demand[i]! ? picture.above : picture.below;
        const [value, limit] = [side.demand[i]!, side.resistance[i]!];
        const isLimited = !(kind === 'crack' && service.crackIsEstimate);
        return {
          text: `${formatValue(value, kind, units)}${isLimited && limit > 0 ? ` of ${formatQuantity(limit, kind, units)}` : ` ${unitLabel(kind, units)}`}`,
          isOver: isLimited && value > limit * 1.0005,
        };
      },
    };
  });
}

/** Elevation and strips on one station axis, with the station line through all of them. */
export function Strips(props: StripsProps) {
  const { project, member, result, width, onEdit, onMove, editing } = props;
  const standing = useStanding(props);
  const starts = useMemo(() => supportPositions(member), [member]);
  const length = starts[starts.length - 1]!;
  const frame = useMemo<Frame>(() => ({ width, left: width < 700 ? 72 : GUTTER, right: width - MARGIN }), [width]);
  const toX = (x: number) => frame.left + (x / length) * (frame.right - frame.left);
  const perUnit = length / (frame.right - frame.left);
  const onDrag =
    onMove && ((path: string, sheetX: number, phase: DragPhase) => onMove(path, (sheetX - frame.left) * perUnit, SNAP * perUnit, phase));
  const elevation = useMemo(
    () => elevationDrawing({ beam: member, steel: result.steel, units: project.display, barLabel: (g) => barLabel(g, project) }, frame),
    [member, result.steel, project, frame],
  );
  const total = ELEVATION + standing.reduce((sum, k) => sum + k.height, 0) + 34;
  return (
    <div className="relative" style={{ width }}>
      <StripBox title="Elevation" unit={elevation.title.replace('Elevation, ', '')} height={ELEVATION}>
        <DrawingView drawing={elevation} onEdit={onEdit} editing={editing} onDrag={onDrag} />
      </StripBox>
      {standing.map(({ picture, unit, height }) => (
        <StripBox key={picture.title} title={picture.title} unit={unit} height={height}>
          <DrawingView drawing={stripDrawing(picture, frame, height, starts)} onEdit={onEdit} editing={editing} onDrag={onDrag} />
        </StripBox>
      ))}
      <StationLine {...props} length={length} toX={toX} frame={frame} height={total} standing={standing} />
    </div>
  );
}

function StripBox({ title, unit, height, children }: { title: string; unit: string; height: number; children: React.ReactNode }) {
  return (
    <div className="relative border-b border-line" style={{ height }} data-strip={title}>
      <div className="pointer-events-none absolute left-3.5 top-1.5 z-[1]">
        <b className="block font-semibold">{title}</b>
        <span className="small block whitespace-pre-line">{unit}</span>
      </div>
      {children}
    </div>
  );
}

/** The one line through all strips, moved by mouse or keys, with the values where it stands. */
function StationLine({
  project,
  result,
  station,
  onStation,
  length,
  toX,
  frame,
  height,
  standing,
}: StripsProps & { length: number; toX: (x: number) => number; frame: Frame; height: number; standing: readonly Standing[] }) {
  const x = toX(station);
  const system = project.display;
  const step = system === 'US' ? 76.2 : 100;
  const move = (to: number) => onStation(Math.max(0, Math.min(length, to)));
  const critical = result.checks.flatMap((c) => (c.place.x !== null && c.utilisation !== null ? [c.place.x] : [])).sort((a, b) => a - b);
  const onKeyDown = (e: React.KeyboardEvent) => {
    const by = e.shiftKey ? 10 * step : step;
    const keys: Record<string, () => void> = {
      ArrowRight: () => move(station + by),
      ArrowLeft: () => move(station - by),
      Home: () => move(0),
      End: () => move(length),
      PageDown: () => move(critical.find((c) => c > station + 1) ?? length),
      PageUp: () => move([...critical].reverse().find((c) => c < station - 1) ?? 0),
    };
    const act = keys[e.key];
    if (!act) return;
    e.preventDefault();
    act();
  };
  const drag = (e: React.PointerEvent<SVGSVGElement>) => {
    if (e.buttons !== 1) return;
    const box = e.currentTarget.getBoundingClientRect();
    move(((e.clientX - box.left - frame.left) / (frame.right - frame.left)) * length);
  };
  const isRight = x > frame.right - 130;
  const tag = (top: number, text: string, isOver: boolean, key: string) => (
    <span
      key={key}
      className={`absolute whitespace-nowrap border bg-holly px-1 text-[0.72rem] ${isOver ? 'border-madder text-madder-text' : 'border-ebony'}`}
      style={{ top, ...(isRight ? { right: frame.width - x + 4 } : { left: x + 4 }) }}
    >
      {text}
    </span>
  );
  return (
    <>
      <svg
        className="absolute left-0 top-[90px] touch-none"
        style={{ pointerEvents: 'none' }}
        width={frame.width}
        height={height - 110}
        aria-hidden="true"
      >
        <path d={`M${x} 0V${height}`} stroke="#231E19" strokeWidth="1.4" />
      </svg>
      <div className="pointer-events-none absolute inset-0">
        {standing.map((k, n) => {
          const { text, isOver } = k.tag(station);
          const above = standing.slice(0, n).reduce((sum, q) => sum + q.height, 0);
          return tag(ELEVATION + 2 + above, text, isOver, k.picture.title);
        })}
      </div>
      <svg
        className="block cursor-ew-resize touch-none"
        width={frame.width}
        height={34}
        role="slider"
        tabIndex={0}
        aria-label="Station along the beam"
        aria-valuemin={0}
        aria-valuemax={Math.round(length)}
        aria-valuenow={Math.round(station)}
        aria-valuetext={formatQuantity(station, 'station', system)}
        onKeyDown={onKeyDown}
        onPointerDown={(e) => {
          e.currentTarget.setPointerCapture(e.pointerId);
          drag(e);
        }}
        onPointerMove={drag}
      >
        {axisTicks(length, system).map((t) => (
          <text key={t.x} x={toX(t.x)} y="22" textAnchor="middle" fontSize="0.6875rem" fill="#51473C">
            {t.text}
          </text>
        ))}
        <path d={`M${frame.left} 4H${frame.right}`} stroke="#231E19" />
        <path d={`M${x} 2l-6 7h-26v17h64v-17h-26z`} fill="#231E19" />
        <text x={x} y="22" textAnchor="middle" fontSize="0.72rem" fontWeight="500" fill="#F8F4E9">
          {formatQuantity(station, 'station', system)}
        </text>
      </svg>
    </>
  );
}

/** What stands against what at a station, by strip. */
function stationTags(s: BeamStrips, system: Project['display']) {
  const over = (a: number, b: number) => a > b * 1.0005;
  const isHogging = (i: number) =>
    s.shiftedHogging[i]! / Math.max(1, s.resistanceHogging[i]!) > s.shiftedSagging[i]! / Math.max(1, s.resistanceSagging[i]!);
  return {
    bending: (i: number) => {
      const [demand, resistance] = isHogging(i)
        ? [s.shiftedHogging[i]!, s.resistanceHogging[i]!]
        : [s.shiftedSagging[i]!, s.resistanceSagging[i]!];
      const show = (v: number) => `${isHogging(i) ? '−' : ''}${formatValue(v, 'moment', system, 0)}`;
      return { text: `${show(demand)} against ${show(resistance)}`, isOver: over(demand, resistance) };
    },
    shear: (i: number) => {
      const [demand, resistance] = [s.designV[i]!, s.resistanceV[i]!];
      return {
        text: `${formatValue(demand, 'force', system, 0)} against ${formatValue(resistance, 'force', system, 0)}`,
        isOver: over(demand, resistance),
      };
    },
    steel: (i: number) => {
      const [needs, has] = isHogging(i) ? [s.requiredTop[i]!, s.providedTop[i]!] : [s.requiredBottom[i]!, s.providedBottom[i]!];
      return {
        text: Number.isFinite(needs)
          ? `needs ${formatValue(needs, 'area', system)}, has ${formatValue(has, 'area', system)}`
          : `has ${formatValue(has, 'area', system)}, section too small`,
        isOver: !Number.isFinite(needs) || over(needs, has),
      };
    },
  };
}

function axisTicks(length: number, system: Project['display']): { x: number; text: string }[] {
  const unit = system === 'US' ? 304.8 : 1000;
  const rough = length / unit / 6;
  const step = [0.5, 1, 2, 5, 10, 20, 50].find((v) => v >= rough) ?? 100;
  return Array.from({ length: Math.floor(length / unit / step) + 1 }, (_, i) => ({
    x: i * step * unit,
    text: `${Number((i * step).toFixed(1))}${i === 0 ? (system === 'US' ? ' ft' : ' m') : ''}`,
  }));
}
