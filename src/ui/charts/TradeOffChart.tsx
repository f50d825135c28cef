'use client';
import { CartesianGrid, LabelList, ReferenceLine, Scatter, ScatterChart, Tooltip, XAxis, YAxis } from 'recharts';
import { axis, ChartBox, ink, tooltip } from './chart-style';

interface Weighed {
  readonly title: string;
  readonly cost: number;
  readonly utilisation: number | null;
  readonly holds: boolean;
}

const percent = (v: number) => `${v >= 1 ? '+' : '−'}${Math.abs(Math.round((v - 1) * 100))} %`;

/** Cost against utilisation of ways forward, by their numbers in the list. What holds is filled. */
export function TradeOffChart({ list }: { list: readonly Weighed[] }) {
  const points = list.flatMap(({ title, cost, utilisation, holds }, i) =>
    utilisation === null || !Number.isFinite(utilisation) ? [] : [{ no: i + 1, title, cost, utilisation, holds }],
  );
  if (points.length < 2) return null;
  const lowest = Math.floor(20 * Math.min(0.95, ...points.map((p) => p.utilisation))) / 20;
  return (
    <ChartBox label="Cost against utilisation" height={118}>
      <ScatterChart margin={{ top: 18, right: 18, bottom: 0, left: -18 }}>
        <CartesianGrid stroke={ink.grid} />
        <XAxis
          {...axis}
          type="number"
          dataKey="cost"
          name="cost against now"
          domain={['auto', 'auto']}
          tickFormatter={(v: number) => `cost ${percent(v)}`}
          tickCount={4}
        />
        <YAxis
          {...axis}
          type="number"
          dataKey="utilisation"
          name="utilisation"
          domain={[lowest, 1.02]}
          width={54}
          tickCount={4}
          tickFormatter={(v: number) => v.toFixed(2)}
          label={{ value: 'utilisation', position: 'top', offset: 7, dx: 16, fontSize: 11, fill: ink.soft }}
        />
        <ReferenceLine y={1} stroke={ink.line} />
        <Tooltip {...tooltip} formatter={(v, name) => (name === 'utilisation' ? Number(v).toFixed(2) : percent(Number(v)))} />
        {[true, false].map((holds) => (
          <Scatter
            key={String(holds)}
            isAnimationActive={false}
            data={points.filter((p) => p.holds === holds)}
            fill={holds ? ink.has : ink.ground}
            stroke={holds ? ink.has : ink.over}
          >
            <LabelList dataKey="no" position="right" fontSize={11} fill={ink.line} />
          </Scatter>
        ))}
      </ScatterChart>
    </ChartBox>
  );
}
