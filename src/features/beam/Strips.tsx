'use client';
import { useMemo } from 'react';
import { elevationDrawing, type Frame } from '@/core/drawing/elevation-drawing';
import { stripPictures } from '@/core/drawing/beam-strips';
import { stripDrawing } from '@/core/drawing/strip-drawing';
import { supportPositions } from '@/core/members/beam/input';
import type { BeamResult, BeamStrips } from '@/core/members/beam/result';
import { barLabel, linkLabel } from '@/core/project/labels';
import type { BeamMember, Project } from '@/core/project/project';
import { formatQuantity, formatValue, unitLabel } from '@/core/units/format';
import { DrawingView } from '@/ui/DrawingView';
import { nearestStation } from './stations';

interface StripsProps {
  readonly project: Project;
  readonly member: BeamMember;
  readonly result: BeamResult;
  readonly width: number;
  readonly station: number;
  readonly onStation: (x: number) => void;
  readonly onEdit: (path: string, target: Element) => void;
  readonly editing: string | null;
  readonly heights: { readonly bending: number; readonly shear: number; readonly steel: number };
}

const GUTTER = 100;
const MARGIN = 34;

const unitOf = {
  bending: (u: Project['display']) => `M, ${unitLabel('moment', u)}\nhogging up`,
  shear: (u: Project['display']) => `V, ${unitLabel('force', u)}`,
  steel: (u: Project['display']) => `${unitLabel('area', u)}\ntop up`,
};
/** Elevation and strips on one station axis, with the station line through all of them. */
export function Strips(props: StripsProps) {
  const { project, member, result, width, onEdit, editing, heights } = props;
  const starts = useMemo(() => supportPositions(member), [member]);
  const length = starts[starts.length - 1]!;
  const frame = useMemo<Frame>(() => ({ width, left: width < 700 ? 72 : GUTTER, right: width - MARGIN }), [width]);
  const toX = (x: number) => frame.left + (x / length) * (frame.right - frame.left);
  const elevation = useMemo(
    () => elevationDrawing({ beam: member, steel: result.steel, units: project.display, barLabel: (g) => barLabel(g, project) }, frame),
    [member, result.steel, project, frame],
  );
  const pictures = useMemo(
    () =>
      result.strips
        ? stripPictures({
            member,
            result,
            strips: result.strips,
            units: project.display,
            linkLabel: (z) => linkLabel(z, project),
            showNames: true,
          })
        : null,
    [project, member, result],
  );
  const total = 236 + heights.bending + heights.shear + heights.steel + 34;
  return (
    <div className="relative" style={{ width }}>
      <StripBox title="Elevation" unit={elevation.title.replace('Elevation, ', '')} height={236}>
        <DrawingView drawing={elevation} onEdit={onEdit} editing={editing} />
      </StripBox>
      {pictures &&
        (['bending', 'shear', 'steel'] as const).map((key) => (
          <StripBox key={key} title={pictures[key].title} unit={unitOf[key](project.display)} height={heights[key]}>
            <DrawingView drawing={stripDrawing(pictures[key], frame, heights[key], starts)} onEdit={onEdit} editing={editing} />
          </StripBox>
        ))}
      <StationLine {...props} length={length} toX={toX} frame={frame} height={total} />
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
  heights,
}: StripsProps & { length: number; toX: (x: number) => number; frame: Frame; height: number }) {
  const { strips } = result;
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
  const i = strips ? nearestStation(strips, station) : -1;
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
      {strips && i >= 0 && (
        <div className="pointer-events-none absolute inset-0">
          {stationTags(strips, i, system, heights).map((t) => tag(t.top, t.text, t.isOver, t.key))}
        </div>
      )}
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

function stationTags(s: BeamStrips, i: number, system: Project['display'], h: StripsProps['heights']) {
  const isHogging =
    s.shiftedHogging[i]! / Math.max(1, s.resistanceHogging[i]!) > s.shiftedSagging[i]! / Math.max(1, s.resistanceSagging[i]!);
  const [demand, resistance] = isHogging
    ? [s.shiftedHogging[i]!, s.resistanceHogging[i]!]
    : [s.shiftedSagging[i]!, s.resistanceSagging[i]!];
  const sign = isHogging ? '−' : '';
  const shear = s.designV[i]!;
  const [needs, has] = isHogging ? [s.requiredTop[i]!, s.providedTop[i]!] : [s.requiredBottom[i]!, s.providedBottom[i]!];
  const over = (a: number, b: number) => a > b * 1.0005;
  return [
    {
      key: 'm',
      top: 238,
      text: `${sign}${formatValue(demand, 'moment', system, 0)} against ${sign}${formatValue(resistance, 'moment', system, 0)}`,
      isOver: over(demand, resistance),
    },
    {
      key: 'v',
      top: 238 + h.bending,
      text: `${formatValue(shear, 'force', system, 0)} against ${formatValue(s.resistanceV[i]!, 'force', system, 0)}`,
      isOver: over(shear, s.resistanceV[i]!),
    },
    {
      key: 's',
      top: 238 + h.bending + h.shear,
      text: Number.isFinite(needs)
        ? `needs ${formatValue(needs, 'area', system)}, has ${formatValue(has, 'area', system)}`
        : `has ${formatValue(has, 'area', system)}, section too small`,
      isOver: !Number.isFinite(needs) || over(needs, has),
    },
  ];
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
