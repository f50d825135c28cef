'use client';
import type { ReactNode } from 'react';
import { ResponsiveContainer } from 'recharts';

/** Inks of charts: what is there, what is asked for, what is over, lines behind. */
export const ink = {
  line: '#231E19',
  soft: '#51473C',
  grid: '#CDC2AB',
  has: '#3C8A7A',
  asks: '#A6583B',
  over: '#A30F38',
  ground: '#F8F4E9',
};

/** How axes are written. */
export const axis = { stroke: ink.line, tick: { fontSize: 11, fill: ink.soft }, tickLine: false } as const;

export const tooltip = {
  isAnimationActive: false,
  contentStyle: { background: ink.ground, border: `1px solid ${ink.line}`, fontSize: 12, padding: '2px 8px' },
} as const;

/** A chart as wide as there is room, with a name for those who hear it. */
export function ChartBox({ label, height, children }: { label: string; height: number; children: ReactNode }) {
  return (
    <div role="img" aria-label={label} style={{ height }} className="w-full min-w-0">
      <ResponsiveContainer width="100%" height="100%" initialDimension={{ width: 310, height }}>
        {children}
      </ResponsiveContainer>
    </div>
  );
}
