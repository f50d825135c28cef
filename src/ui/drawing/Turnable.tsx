'use client';
import { useRef, useState } from 'react';
import type { Drawing } from '@/core/drawing/shapes';
import { DrawingView } from './DrawingView';

/** How something is looked at: turned about its upright axis, and tilted towards the eye (rad). */
export interface View {
  readonly turn: number;
  readonly tilt: number;
}

const MOST_TILT = 1.5;

/** A drawing of something in space, turned by dragging or with the arrow keys. */
export function Turnable({ label, start, draw }: { label: string; start: View; draw: (view: View) => Drawing }) {
  const [view, setView] = useState(start);
  const drag = useRef<{ x: number; y: number } | null>(null);
  const move = (turn: number, tilt: number) =>
    setView((v) => ({ turn: v.turn + turn, tilt: Math.max(-MOST_TILT, Math.min(MOST_TILT, v.tilt + tilt)) }));
  const onKeyDown = (e: React.KeyboardEvent) => {
    const step = e.shiftKey ? 0.35 : 0.09;
    const moves: Record<string, readonly [number, number]> = {
      ArrowLeft: [-step, 0],
      ArrowRight: [step, 0],
      ArrowUp: [0, step],
      ArrowDown: [0, -step],
    };
    const by = moves[e.key];
    if (!by) return;
    move(...by);
    e.preventDefault();
  };
  return (
    <div
      role="application"
      aria-label={`${label}: drag, or turn it with the arrow keys`}
      tabIndex={0}
      className="cursor-grab touch-none active:cursor-grabbing"
      onPointerDown={(e) => {
        drag.current = { x: e.clientX, y: e.clientY };
        e.currentTarget.setPointerCapture(e.pointerId);
      }}
      onPointerMove={(e) => {
        if (!drag.current) return;
        const [dx, dy] = [e.clientX - drag.current.x, e.clientY - drag.current.y];
        drag.current = { x: e.clientX, y: e.clientY };
        move(dx * 0.008, dy * 0.008);
      }}
      onPointerUp={() => (drag.current = null)}
      onKeyDown={onKeyDown}
    >
      <DrawingView drawing={draw(view)} />
    </div>
  );
}
