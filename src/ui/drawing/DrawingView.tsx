'use client';
import { memo, useMemo, useRef } from 'react';
import { apart } from '@/core/drawing/apart';
import { keyOf, type Drawing, type FillStyle, type Handle, type LineStyle, type Shape, type TextStyle } from '@/core/drawing/shapes';
import { fills, lines, texts } from './drawing-styles';
import { useTextScale } from './use-text-scale';

interface DrawingViewProps<H extends Handle> {
  readonly drawing: Drawing<H>;
  /** Opens the editor of a value; without it the drawing is only looked at. */
  readonly onEdit?: (handle: H, target: Element) => void;
  /** The key of the value whose editor is open. */
  readonly editing?: string | null;
  /** A handle is moved to a place on the sheet, is let go there, or goes back. */
  readonly onDrag?: (handle: H, x: number, phase: DragPhase, y: number) => void;
  /** A key is pressed on a handle that can be moved; whether it did something. */
  readonly onKey?: (handle: H, key: string) => boolean;
  readonly children?: React.ReactNode;
}

export type DragPhase = 'move' | 'end' | 'leave';

const drawn = new WeakMap<Element, Handle>();

/** What an element of a drawing changes. */
export const handleOf = (element: Element): Handle | undefined => drawn.get(element);

/** Renders a drawing of the core as SVG. Texts with a handle are buttons that open the value's editor. */
export const DrawingView = memo(function DrawingView({
  drawing: given,
  onEdit,
  editing,
  onDrag,
  onKey,
  children,
}: DrawingViewProps<Handle>) {
  const scale = useTextScale();
  const drawing = useMemo(() => apart(given, scale), [given, scale]);
  const keys = keysOf(drawing.shapes);
  return (
    <svg
      width={drawing.width}
      height={drawing.height}
      viewBox={`0 0 ${drawing.width} ${drawing.height}`}
      role="group"
      aria-label={drawing.title}
      className="block"
    >
      {drawing.shapes.map((shape, i) => (
        <ShapeView key={keys[i]} shape={shape} onEdit={onEdit} editing={editing} onDrag={onDrag} onKey={onKey} />
      ))}
      {children}
    </svg>
  );
}) as <H extends Handle>(props: DrawingViewProps<H>) => React.ReactNode;

/** A value keeps its element, and with it the focus, when the drawing around it changes; one that is written twice stands by its place. */
function keysOf(shapes: readonly Shape[]): (string | number)[] {
  const seen = new Set<string>();
  return shapes.map((shape, i) => {
    const name =
      shape.kind === 'text' && shape.edit
        ? keyOf(shape.edit)
        : shape.kind === 'circle' && shape.drag && shape.edit
          ? `handle ${keyOf(shape.edit)}`
          : undefined;
    if (name === undefined || seen.has(name)) return i;
    seen.add(name);
    return name;
  });
}

const pathOf = (points: readonly (readonly [number, number])[], closed?: boolean) =>
  points.map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${round(x)} ${round(y)}`).join('') + (closed ? 'z' : '');
const round = (v: number) => Math.round(v * 10) / 10;

const stroke = (style: LineStyle | undefined) => (style ? lines[style] : { stroke: 'none' });
const fill = (style: FillStyle | undefined) => fills[style ?? 'none'];

function ShapeView({ shape, onEdit, editing, onDrag, onKey }: { shape: Shape } & WithEdit) {
  if (shape.kind === 'path') return <PathView shape={shape} onEdit={onEdit} />;
  if (shape.kind === 'circle') return <CircleView shape={shape} onEdit={onEdit} editing={editing} onDrag={onDrag} onKey={onKey} />;
  return <TextView shape={shape} onEdit={onEdit} editing={editing} />;
}

type WithEdit = Pick<DrawingViewProps<Handle>, 'onEdit' | 'editing' | 'onDrag' | 'onKey'>;

/** A line with a handle is also hit beside it; keys reach its value by the name that is drawn with it. */
function PathView({ shape, onEdit }: { shape: Shape & { kind: 'path' } } & WithEdit) {
  const d = [shape.points, ...(shape.more ?? [])].map((points) => pathOf(points, shape.closed)).join('');
  const { edit } = shape;
  return (
    <>
      {/* Lines and areas let a click through to the value that they cross. */}
      <path d={d} fill={fill(shape.fill)} {...stroke(shape.line)} pointerEvents="none" />
      {edit !== undefined && onEdit && (
        <path className="drawn-run" d={d} fill="none" strokeWidth={7} aria-hidden onClick={(e) => onEdit(edit, e.currentTarget)} />
      )}
    </>
  );
}

/** What makes a drawn thing a button that opens its editor. */
function asButton(edit: Handle, name: string, onEdit: NonNullable<WithEdit['onEdit']>, onKey?: WithEdit['onKey']) {
  return {
    ref: (element: SVGElement | null) => void (element && drawn.set(element, edit)),
    role: 'button',
    tabIndex: 0,
    'aria-label': name,
    onClick: (e: React.MouseEvent<SVGElement>) => onEdit(edit, e.currentTarget),
    onKeyDown: (e: React.KeyboardEvent<SVGElement>) => {
      if (e.key === 'Enter' || e.key === 'F2' || e.key === ' ') onEdit(edit, e.currentTarget);
      else if (!onKey?.(edit, e.key)) return;
      e.preventDefault();
      e.stopPropagation();
    },
  };
}

function CircleView({ shape, onEdit, editing, onDrag, onKey }: { shape: Shape & { kind: 'circle' } } & WithEdit) {
  const [cx, cy, r] = [round(shape.at[0]), round(shape.at[1]), round(shape.r)];
  const { edit } = shape;
  const key = edit && keyOf(edit);
  const moves = useHandle(edit, onEdit, onDrag);
  return (
    <>
      <circle
        cx={cx}
        cy={cy}
        r={r}
        fill={fill(shape.fill)}
        {...stroke(shape.line)}
        pointerEvents={edit ? undefined : 'none'}
        data-edit={key}
        className={edit && onEdit ? (shape.drag ? 'drawn-mark drawn-handle' : 'drawn-mark') : undefined}
        {...(edit && onEdit ? asButton(edit, shape.label ?? key!, onEdit, shape.drag ? onKey : undefined) : {})}
        {...(shape.drag ? moves : {})}
      />
      {key !== undefined && key === editing && <circle cx={cx} cy={cy} r={r + 3.5} fill="none" stroke="#231E19" strokeWidth={1.2} />}
    </>
  );
}

/** Further than this (px) a press on a handle is a move and no click. */
const MOVED = 3;

/** What makes a handle follow the pointer; let go where it was pressed, it opens its value. */
function useHandle(edit: Handle | undefined, onEdit: WithEdit['onEdit'], onDrag: WithEdit['onDrag']) {
  const press = useRef({ from: null as readonly [number, number] | null, isMoved: false });
  if (!edit || !onEdit || !onDrag) return {};
  const tell = (e: React.PointerEvent<SVGElement>, phase: DragPhase) => {
    const svg = e.currentTarget.ownerSVGElement!;
    const box = svg.getBoundingClientRect();
    const { width, height } = svg.viewBox?.baseVal ?? box;
    onDrag(edit, ((e.clientX - box.left) / (box.width || 1)) * width, phase, ((e.clientY - box.top) / (box.height || 1)) * height);
  };
  return {
    onPointerDown: (e: React.PointerEvent<SVGElement>) => {
      e.currentTarget.setPointerCapture?.(e.pointerId);
      press.current = { from: [e.clientX, e.clientY], isMoved: false };
    },
    onPointerMove: (e: React.PointerEvent<SVGElement>) => {
      const { from, isMoved } = press.current;
      if (from === null || (!isMoved && Math.hypot(e.clientX - from[0], e.clientY - from[1]) < MOVED)) return;
      press.current.isMoved = true;
      tell(e, 'move');
    },
    onPointerUp: (e: React.PointerEvent<SVGElement>) => {
      if (press.current.from !== null && press.current.isMoved) tell(e, 'end');
      press.current.from = null;
    },
    onPointerCancel: (e: React.PointerEvent<SVGElement>) => {
      press.current.from = null;
      tell(e, 'leave');
    },
    onClick: (e: React.MouseEvent<SVGElement>) => {
      if (!press.current.isMoved) onEdit(edit, e.currentTarget);
    },
  };
}

const weights: Record<TextStyle, number> = { plain: 400, small: 400, strong: 500, demand: 500, resistance: 500, over: 600, symbol: 400 };

function TextView({ shape, onEdit, editing }: { shape: Shape & { kind: 'text' } } & WithEdit) {
  const [x, y] = [round(shape.at[0]), round(shape.at[1])];
  const { color, size } = texts[shape.style];
  const { edit } = shape;
  const key = edit && keyOf(edit);
  const isOpen = key !== undefined && key === editing;
  return (
    <text
      x={x}
      y={y}
      transform={shape.turn ? `rotate(${-shape.turn} ${x} ${y})` : undefined}
      textAnchor={shape.anchor ?? 'start'}
      fontSize={size}
      fontWeight={weights[shape.style]}
      fill={color}
      style={shape.halo ? { paintOrder: 'stroke', stroke: '#F8F4E9', strokeWidth: isOpen ? 0 : 3, strokeLinejoin: 'round' } : undefined}
      className={edit && onEdit ? 'drawn-value' : undefined}
      data-open={isOpen || undefined}
      data-set={shape.isSet || undefined}
      data-edit={key}
      {...(edit && onEdit ? asButton(edit, `${shape.label ?? key}: ${shape.text}`, onEdit) : {})}
    >
      {shape.text}
    </text>
  );
}
