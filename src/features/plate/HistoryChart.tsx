'use client';
import { CartesianGrid, Line, LineChart, Tooltip, XAxis, YAxis } from 'recharts';
import type { HistoryPoint } from '@/core/members/plate/result';
import { unitLabel } from '@/core/units/format';
import { displayUnit, type UnitSystem } from '@/core/units/quantity';
import { axis, ChartBox, ink, tooltip } from '@/ui/charts/chart-style';

/** Days that stand for good on a time axis: thirty years. */
const FOR_GOOD = 30 * 365;

/** The load on the slab and its largest deflection over time, days by powers of ten. */
export function HistoryChart({ history, units }: { history: readonly HistoryPoint[]; units: UnitSystem }) {
  const [w, q] = [displayUnit('smallLength', units).unit.factor, displayUnit('areaLoad', units).unit.factor];
  const data = history.map((p) => ({
    days: Math.max(1, Number.isFinite(p.days) ? p.days : FOR_GOOD),
    deflection: p.deflection / w,
    load: p.load / q,
    title: p.title,
  }));
  return (
    <ChartBox label="Load and largest deflection over time" height={200}>
      <LineChart data={data} margin={{ top: 12, right: 8, bottom: 14, left: 0 }}>
        <CartesianGrid stroke={ink.grid} />
        <XAxis
          {...axis}
          type="number"
          dataKey="days"
          scale="log"
          domain={['dataMin', 'dataMax']}
          tickFormatter={(v: number) => (v === FOR_GOOD ? '30 years' : String(Math.round(v)))}
          ticks={[...new Set(data.map((d) => d.days))]}
          label={{ value: 'days', position: 'insideBottomRight', offset: -8, fontSize: 11, fill: ink.soft }}
        />
        <YAxis
          {...axis}
          yAxisId="w"
          reversed
          width={52}
          domain={[0, 'auto']}
          label={{
            value: `deflection ${unitLabel('smallLength', units)}`,
            position: 'insideBottomLeft',
            offset: 8,
            fontSize: 11,
            fill: ink.soft,
          }}
        />
        <YAxis
          {...axis}
          yAxisId="q"
          orientation="right"
          width={52}
          domain={[0, 'auto']}
          label={{ value: `load ${unitLabel('areaLoad', units)}`, position: 'insideTopRight', offset: 8, fontSize: 11, fill: ink.soft }}
        />
        <Tooltip
          {...tooltip}
          labelFormatter={(v) => `day ${Math.round(Number(v))}`}
          formatter={(v, name) => [Number(v).toFixed(1), name]}
        />
        <Line yAxisId="q" isAnimationActive={false} type="stepAfter" dataKey="load" stroke={ink.soft} strokeDasharray="4 3" dot={false} />
        <Line yAxisId="w" isAnimationActive={false} dataKey="deflection" stroke={ink.asks} strokeWidth={1.6} dot />
      </LineChart>
    </ChartBox>
  );
}
