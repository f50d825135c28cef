'use client';
import { Bar, CartesianGrid, Cell, ComposedChart, ReferenceLine, Scatter, Tooltip, XAxis, YAxis } from 'recharts';
import type { Quantities } from '@/core/checks/result';
import { unitLabel } from '@/core/units/format';
import { displayUnit, type UnitSystem } from '@/core/units/quantity';
import { axis, ChartBox, ink, tooltip } from './chart-style';

interface Drawn {
  readonly mark: string;
  readonly utilisation: number | null;
  readonly isOver: boolean;
  readonly quantities: Quantities | null;
}

/** A utilisation above this is drawn as this: one hopeless member must not flatten all others. */
const HIGHEST = 2;

/** Utilisation of the members as bars, and their steel per concrete as dots, in the order of the list. */
export function MembersChart({ members, units }: { members: readonly Drawn[]; units: UnitSystem }) {
  const { factor } = displayUnit('massPerVolume', units).unit;
  const data = members.map(({ mark, utilisation, isOver, quantities }) => ({
    mark,
    utilisation: utilisation === null ? (isOver ? HIGHEST : undefined) : Math.min(HIGHEST, utilisation),
    isOver,
    steel: quantities && quantities.concrete > 0 ? (quantities.bars + quantities.links) / quantities.concrete / factor : undefined,
  }));
  const unit = unitLabel('massPerVolume', units);
  return (
    <ChartBox label="Utilisation and steel by member" height={190}>
      <ComposedChart data={data} margin={{ top: 22, right: 8, bottom: 0, left: -12 }}>
        <CartesianGrid stroke={ink.grid} vertical={false} />
        <XAxis {...axis} dataKey="mark" interval="preserveStartEnd" minTickGap={6} />
        <YAxis
          {...axis}
          yAxisId="use"
          domain={[0, 'auto']}
          label={{ value: 'utilisation', position: 'top', offset: 10, dx: 14, fontSize: 11, fill: ink.soft }}
        />
        <YAxis
          {...axis}
          yAxisId="steel"
          orientation="right"
          domain={[0, 'auto']}
          label={{ value: `steel ${unit}`, position: 'top', offset: 10, dx: -14, fontSize: 11, fill: ink.asks }}
        />
        <Tooltip {...tooltip} formatter={(v, name) => (name === 'steel' ? `${Number(v).toFixed(0)} ${unit}` : Number(v).toFixed(2))} />
        <ReferenceLine yAxisId="use" y={1} stroke={ink.line} />
        <Bar yAxisId="use" dataKey="utilisation" isAnimationActive={false} maxBarSize={26}>
          {data.map(({ mark, isOver }, i) => (
            <Cell key={`${mark} ${i}`} fill={isOver ? ink.over : ink.has} />
          ))}
        </Bar>
        <Scatter yAxisId="steel" dataKey="steel" isAnimationActive={false} fill={ink.asks} stroke={ink.ground} />
      </ComposedChart>
    </ChartBox>
  );
}
