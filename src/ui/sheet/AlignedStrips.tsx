'use client';
import { useMemo } from 'react';
import type { Frame } from '@/core/drawing/frame';
import { servicePictures, stripPictures, type StripSource } from '@/core/members/beam/drawing/strips';
import type { LineHandle } from '@/core/members/beam/drawing/handles';
import type { Drawing, Handle } from '@/core/drawing/shapes';
import { stripDrawing, type StripPicture } from '@/core/drawing/strip-drawing';
import { supportPositions, type BeamInput } from '@/core/members/beam/input';
import type { BeamStrips, ServiceStrips } from '@/core/members/beam/result';
import { isBeyond, type Check } from '@/core/checks/check';
import { formatQuantity, formatValue, unitLabel } from '@/core/units/format';
import type { UnitSystem } from '@/core/units/quantity';
import { useStable } from '@/ui/drawing/use-stable';
import { DrawingView, type DragPhase } from '@/ui/drawing/DrawingView';
import { nearest, nearestStation } from './stations';

/** A drawing above the strips, on their axis. */
export interface Above<H extends Handle> {
  readonly title: string;
  readonly height: number;
  readonly draw: (frame: Frame) => Drawing<H>;
}

export interface StripsProps<H extends Handle> {
  readonly units: UnitSystem;
  /** The member as a line with spans and supports. */
  readonly beam: BeamInput;
  readonly result: {
    readonly strips: BeamStrips | null;
    readonly service: ServiceStrips | null;
    readonly checks: readonly Pick<Check, 'place' | 'utilisation'>[];
  };
  /** Drawings above the strips: the elevation first. */
  readonly above: readonly Above<H>[];
  readonly links?: StripSource['links'];
  /** Values of the curves are those of a metre, or a foot, of slab. */
  readonly isPerLength?: boolean;
  readonly width: number;
  /** Text of the size that the user chose, over the usual one. */
  readonly scale: number;
  readonly station: number;
  readonly onStation: (x: number) => void;
  readonly onEdit: (handle: H | LineHandle, target: Element) => void;
  readonly editing: string | null;
  /** A handle of the drawing is moved to a place of the member. */
  readonly onMove?: (handle: Handle, x: number, reach: number, phase: DragPhase) => void;
  /** Height that the strips share below the drawings. */
  readonly room: number;
  readonly shows: 'strength' | 'service';
}

const GUTTER = 100;
const MARGIN = 34;
/** Of the gutter, what the figures of an axis and the edge of the sheet take. */
const FIGURES = 46;
/** Half the width of the place that the station line bears. */
const TAG = 48;
/** In less than this at the usual size of text the values at the station line stand in for the figures of the axes. */
const NARROW = { width: 700, gutter: 72 };

/** A moved end snaps to notable places within this (sheet units). */
const SNAP = 5;

/** Units of the strips; those of a slab are per metre or per foot of it. */
const unitOf = (u: UnitSystem, isPerLength: boolean) => ({
  bending: `M, ${unitLabel(isPerLength ? 'lineTorque' : 'moment', u)}\nhogging up`,
  shear: `V, ${unitLabel(isPerLength ? 'lineLoad' : 'force', u)}`,
  steel: `${unitLabel(isPerLength ? 'areaPerWidth' : 'area', u)}\ntop up`,
});

/** One strip as it stands below the elevation, with what it says where the station line is. */
interface Standing {
  readonly picture: StripPicture<LineHandle>;
  readonly unit: string;
  readonly height: number;
  readonly tag: (x: number) => { readonly text: string; readonly isOver: boolean };
}

/** The strips of strength, or those of service. */
function useStanding({
  units,
  beam,
  result,
  links,
  isPerLength = false,
  room,
  shows,
}: Omit<StripsProps<Handle>, 'onEdit' | 'above'>): Standing[] {
  return useMemo(() => {
    if (shows === 'service') return result.service ? serviceStanding(beam, result.service, units, room) : [];
    if (!result.strips) return [];
    const { strips } = result;
    const pictures = stripPictures({ member: beam, strips, units, ...(links ? { links } : {}) });
    const tags = stationTags(strips, units);
    const shares = { bending: 0.44, shear: 0.32, steel: 0.24 };
    return (['bending', 'shear', 'steel'] as const).map((key) => ({
      picture: pictures[key],
      unit: unitOf(units, isPerLength)[key],
      height: Math.round(room * shares[key]),
      tag: (x) => tags[key](nearestStation(strips, x)),
    }));
  }, [units, beam, result, links, isPerLength, room, shows]);
}

function serviceStanding(member: BeamInput, service: ServiceStrips, units: UnitSystem, room: number): Standing[] {
  const pictures = servicePictures(member, service, units);
  return pictures.map((picture, k) => {
    const kind = k < service.sums.length ? ('smallLength' as const) : ('crack' as const);
    return {
      picture,
      unit: kind === 'crack' ? `${unitLabel('crack', units)}\ntop up` : unitLabel(kind, units),
      height: Math.round(room / pictures.length),
      tag: (x) => {
        const i = nearest(picture.x, x, (k) => picture.below.demand[k]!);
        const { above, below } = picture;
        const value = Math.max(above.demand[i]!, below.demand[i]!);
        // The limit is one for both senses; where little is on a side it is not drawn there.
        const limit = Math.max(above.resistance[i]!, below.resistance[i]!);
        const isLimited = !(kind === 'crack' && service.crackIsEstimate);
        return {
          text: `${formatValue(value, kind, units)}${isLimited && limit > 0 ? ` of ${formatQuantity(limit, kind, units)}` : ` ${unitLabel(kind, units)}`}`,
          isOver: isLimited && isBeyond(value, limit),
        };
      },
    };
  });
}

/** Drawings and strips on one station axis, with the station line through all of them. */
export function AlignedStrips<H extends Handle>(props: StripsProps<H>) {
  const { beam, above, width, scale, onEdit, onMove, editing } = props;
  const standing = useStanding(props);
  const starts = useMemo(() => supportPositions(beam), [beam]);
  const length = starts[starts.length - 1]!;
  const frame = useMemo<Frame>(() => {
    const isNarrow = width < NARROW.width * scale;
    return { width, left: (isNarrow ? NARROW.gutter : GUTTER) * scale, right: width - MARGIN, isNarrow };
  }, [width, scale]);
  const toX = (x: number) => frame.left + (x / length) * (frame.right - frame.left);
  const perUnit = length / (frame.right - frame.left);
  const onDrag = useStable((handle: Handle, sheetX: number, phase: DragPhase) =>
    onMove?.(handle, (sheetX - frame.left) * perUnit, SNAP * perUnit, phase),
  );
  const drawings = useMemo(() => above.map((a) => ({ ...a, drawing: a.draw(frame) })), [above, frame]);
  const strips = useMemo(
    () => standing.map((k) => ({ ...k, drawing: stripDrawing(k.picture, frame, k.height, starts) })),
    [standing, frame, starts],
  );
  const top = above.reduce((sum, a) => sum + a.height, 0);
  const total = top + standing.reduce((sum, k) => sum + k.height, 0) + 34;
  return (
    <div className="relative" style={{ width }}>
      {drawings.map(({ title, height, drawing }) => (
        <StripBox key={title} title={title} unit={drawing.title.replace(`${title}, `, '')} height={height}>
          <DrawingView drawing={drawing} onEdit={onEdit} editing={editing} onDrag={onMove && onDrag} />
        </StripBox>
      ))}
      {strips.map(({ picture, unit, height, drawing }) => (
        <StripBox key={picture.title} title={picture.title} unit={unit} height={height} room={frame.left - FIGURES * scale}>
          <DrawingView drawing={drawing} onEdit={onEdit} editing={editing} onDrag={onMove && onDrag} />
        </StripBox>
      ))}
      <StationLine {...props} top={top} length={length} toX={toX} frame={frame} height={total} standing={standing} />
    </div>
  );
}

/** A drawing or a strip with its title; the title of a strip has the room beside the figures of its axis. */
function StripBox({ title, unit, height, room, children }: StripBoxProps) {
  return (
    <div className="relative border-b border-line" style={{ height }} data-strip={title}>
      <div className="pointer-events-none absolute left-3.5 top-1.5 z-[1]" style={{ maxWidth: room }}>
        <b className="block font-semibold">{title}</b>
        <span className="small block whitespace-pre-line">{unit}</span>
      </div>
      {children}
    </div>
  );
}

interface StripBoxProps {
  readonly title: string;
  readonly unit: string;
  readonly height: number;
  readonly room?: number;
  readonly children: React.ReactNode;
}

/** The one line through all strips, moved by mouse or keys, with the values where it stands. */
function StationLine({
  units: system,
  beam: { isSlab },
  result,
  station,
  onStation,
  top,
  length,
  toX,
  frame,
  height,
  standing,
}: Omit<StripsProps<Handle>, 'onEdit' | 'above'> & {
  top: number;
  length: number;
  toX: (x: number) => number;
  frame: Frame;
  height: number;
  standing: readonly Standing[];
}) {
  const x = toX(station);
  // The place of the line covers what it stands on.
  const ticks = axisTicks(length, system).filter((t) => Math.abs(toX(t.x) - x) > TAG);
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
  const tag = (y: number, text: string, isOver: boolean, key: string) => (
    <span
      key={key}
      className={`absolute whitespace-nowrap border bg-holly px-1 text-[0.72rem] ${isOver ? 'border-madder text-madder-text' : 'border-ebony'}`}
      style={{ top: y, ...(isRight ? { right: frame.width - x + 4 } : { left: x + 4 }) }}
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
          return tag(top + 2 + above, text, isOver, k.picture.title);
        })}
      </div>
      <svg
        className="block cursor-ew-resize touch-none"
        width={frame.width}
        height={34}
        role="slider"
        tabIndex={0}
        aria-label={`Station along the ${isSlab ? 'slab' : 'beam'}`}
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
        {ticks.map((t) => (
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
function stationTags(s: BeamStrips, system: UnitSystem) {
  const isHogging = (i: number) =>
    s.shiftedHogging[i]! / Math.max(1, s.resistanceHogging[i]!) > s.shiftedSagging[i]! / Math.max(1, s.resistanceSagging[i]!);
  return {
    bending: (i: number) => {
      const [demand, resistance] = isHogging(i)
        ? [s.shiftedHogging[i]!, s.resistanceHogging[i]!]
        : [s.shiftedSagging[i]!, s.resistanceSagging[i]!];
      const show = (v: number) => `${isHogging(i) ? '−' : ''}${formatValue(v, 'moment', system, 0)}`;
      return { text: `${show(demand)} against ${show(resistance)}`, isOver: isBeyond(demand, resistance) };
    },
    shear: (i: number) => {
      const [demand, resistance] = [s.designV[i]!, s.resistanceV[i]!];
      return {
        text: `${formatValue(demand, 'force', system, 0)} against ${formatValue(resistance, 'force', system, 0)}`,
        isOver: isBeyond(demand, resistance),
      };
    },
    steel: (i: number) => {
      const [needs, has] = isHogging(i) ? [s.requiredTop[i]!, s.providedTop[i]!] : [s.requiredBottom[i]!, s.providedBottom[i]!];
      return {
        text: Number.isFinite(needs)
          ? `needs ${formatValue(needs, 'area', system)}, has ${formatValue(has, 'area', system)}`
          : `has ${formatValue(has, 'area', system)}, section too small`,
        isOver: !Number.isFinite(needs) || isBeyond(needs, has),
      };
    },
  };
}

function axisTicks(length: number, system: UnitSystem): { x: number; text: string }[] {
  const unit = system === 'US' ? 304.8 : 1000;
  const rough = length / unit / 6;
  const step = [0.5, 1, 2, 5, 10, 20, 50].find((v) => v >= rough) ?? 100;
  return Array.from({ length: Math.floor(length / unit / step) + 1 }, (_, i) => ({
    x: i * step * unit,
    text: `${Number((i * step).toFixed(1))}${i === 0 ? (system === 'US' ? ' ft' : ' m') : ''}`,
  }));
}
