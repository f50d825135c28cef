'use client';
import { useRef, useState } from 'react';
import { boundsOf, crossingEdges, type Loop, type Point } from '@/core/geometry/polygon';
import { formatQuantity } from '@/core/units/format';
import type { UnitSystem } from '@/core/units/quantity';

const [WIDTH, HEIGHT] = [420, 300];

/** Grid steps in internal millimetres. */
const stepOf = (units: UnitSystem) => (units === 'US' ? 25.4 : 25);

interface OutlineDrawerProps {
  readonly outer: Loop;
  readonly holes: readonly Loop[];
  readonly units: UnitSystem;
  readonly onKeep: (outer: Point[]) => void;
}

/**
 * The outer corners of a free outline on a grid: drag a corner, click an edge to add one, arrow keys move the chosen corner by a step,
 * Delete takes it away. The outline is kept when the corner is let go.
 */
export function OutlineDrawer({ outer, holes, units, onKeep }: OutlineDrawerProps) {
  const [draft, setDraft] = useState<Point[] | null>(null);
  const [chosen, setChosen] = useState<number | null>(null);
  // The sheet keeps its scale while a corner is dragged.
  const [frame, setFrame] = useState(() => frameOf(outer));
  const held = useRef(false);
  const svg = useRef<SVGSVGElement>(null);
  const points = draft ?? outer;
  const step = stepOf(units);
  const snap = (v: number) => Math.round(v / step) * step;
  const toSheet = ([x, y]: Point): Point => [WIDTH / 2 + (x - frame.cx) * frame.scale, HEIGHT / 2 - (y - frame.cy) * frame.scale];
  const fromEvent = (e: React.PointerEvent): Point => {
    const box = svg.current!.getBoundingClientRect();
    const [sx, sy] = [((e.clientX - box.left) * WIDTH) / box.width, ((e.clientY - box.top) * HEIGHT) / box.height];
    return [snap((sx - WIDTH / 2) / frame.scale + frame.cx), snap((HEIGHT / 2 - sy) / frame.scale + frame.cy)];
  };
  const moved = (i: number, to: Point) => points.map((p, k) => (k === i ? to : p));
  const keep = (next: Point[]) => {
    setDraft(null);
    setFrame(frameOf(next));
    onKeep(next);
  };
  const crossing = crossingEdges(points);
  const nudge = (e: React.KeyboardEvent, i: number) => {
    const by = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, step], ArrowDown: [0, -step] }[e.key];
    const [x, y] = points[i]!;
    if (by) keep(moved(i, [x + by[0]!, y + by[1]!]));
    else if ((e.key === 'Delete' || e.key === 'Backspace') && points.length > 3) keep(points.filter((_, k) => k !== i));
    else if (e.key === 'Insert') keep(withCorner(points, i, middle(points, i)));
    else return;
    e.preventDefault();
    e.stopPropagation();
  };
  const at = chosen !== null ? points[chosen] : undefined;
  const path = (loop: Loop) =>
    loop
      .map(toSheet)
      .map(([x, y], i) => `${i ? 'L' : 'M'}${x} ${y}`)
      .join('') + 'z';
  return (
    <div>
      <svg
        ref={svg}
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className="w-full max-w-[30rem] touch-none border border-groove bg-sycamore"
        role="application"
        aria-label="Outline on a grid"
        onPointerMove={(e) => held.current && chosen !== null && setDraft(moved(chosen, fromEvent(e)))}
        onPointerUp={() => {
          if (held.current && draft) keep(draft);
          held.current = false;
        }}
      >
        <Grid frame={frame} step={step * 4} toSheet={toSheet} />
        <path d={path(points) + holes.map(path).join('')} fillRule="evenodd" fill="#EAE2CE" stroke="#231E19" strokeWidth={1.4} />
        {points.map((p, i) => {
          const [a, b] = [toSheet(p), toSheet(points[(i + 1) % points.length]!)];
          return (
            <line
              key={`e${i}`}
              {...{ x1: a[0], y1: a[1], x2: b[0], y2: b[1] }}
              stroke="transparent"
              strokeWidth={10}
              className="cursor-copy"
              onPointerDown={(e) => {
                setDraft(withCorner(points, i, fromEvent(e)));
                setChosen(i + 1);
                held.current = true;
                svg.current!.setPointerCapture(e.pointerId);
              }}
            />
          );
        })}
        {points.map((p, i) => {
          const [x, y] = toSheet(p);
          return (
            <circle
              key={i}
              cx={x}
              cy={y}
              r={chosen === i ? 6 : 4.5}
              fill={chosen === i ? '#231E19' : '#F8F4E9'}
              stroke="#231E19"
              strokeWidth={1.2}
              tabIndex={0}
              role="button"
              aria-label={`Corner ${i + 1}, x ${formatQuantity(p[0], 'length', units)}, y ${formatQuantity(p[1], 'length', units)}`}
              className="cursor-move"
              onFocus={() => setChosen(i)}
              onKeyDown={(e) => nudge(e, i)}
              onPointerDown={(e) => {
                setChosen(i);
                held.current = true;
                svg.current!.setPointerCapture(e.pointerId);
              }}
            />
          );
        })}
      </svg>
      <p className="small">
        {at
          ? `Corner ${chosen! + 1}: x ${formatQuantity(at[0], 'length', units)}, y ${formatQuantity(at[1], 'length', units)}. `
          : 'Drag a corner, or click an edge to add one. '}
        Steps of {formatQuantity(step, 'length', units)}; arrow keys move, Insert adds, Delete takes away.
      </p>
      {crossing && (
        <p className="text-madder-text">
          Edges {crossing[0] + 1} and {crossing[1] + 1} cross.
        </p>
      )}
    </div>
  );
}

const withCorner = (points: Loop, after: number, p: Point): Point[] => [...points.slice(0, after + 1), p, ...points.slice(after + 1)];
const middle = (points: Loop, i: number): Point => {
  const [a, b] = [points[i]!, points[(i + 1) % points.length]!];
  return [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
};

interface Frame {
  readonly cx: number;
  readonly cy: number;
  readonly scale: number;
}

function frameOf(loop: Loop): Frame {
  const { left, right, bottom, top } = boundsOf(loop);
  const scale = Math.min(WIDTH / (1.5 * (right - left) + 100), HEIGHT / (1.35 * (top - bottom) + 100));
  return { cx: (left + right) / 2, cy: (bottom + top) / 2, scale };
}

function Grid({ frame, step, toSheet }: { frame: Frame; step: number; toSheet: (p: Point) => Point }) {
  const across = Math.ceil(WIDTH / frame.scale / step / 2);
  const [cx, cy] = [Math.round(frame.cx / step) * step, Math.round(frame.cy / step) * step];
  const lines = Array.from({ length: 2 * across + 1 }, (_, i) => (i - across) * step);
  return (
    <g stroke="#CDC2AB" strokeWidth={0.5}>
      {lines.map((d) => {
        const [x, y] = toSheet([cx + d, cy + d]);
        return <path key={d} d={`M${x} 0V${HEIGHT}M0 ${y}H${WIDTH}`} />;
      })}
    </g>
  );
}
