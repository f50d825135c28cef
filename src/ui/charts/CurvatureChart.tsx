'use client';
import { CartesianGrid, Line, LineChart, ReferenceDot, ReferenceLine, Tooltip, XAxis, YAxis } from 'recharts';
import type { CurvaturePoint } from '@/core/section/strain-plane';
import { formatValue, unitLabel } from '@/core/units/format';
import { displayUnit, type UnitSystem } from '@/core/units/quantity';
import { axis, ChartBox, ink, tooltip } from './chart-style';

interface CurvatureChartProps {
  readonly curve: readonly CurvaturePoint[];
  /** Marks on the curve, by name. */
  readonly marks: readonly { readonly name: string; readonly point: CurvaturePoint }[];
  /** Moment to be carried and the curvature it brings; null where none balances it. */
  readonly demand: { readonly moment: number; readonly curvature: number } | null;
  readonly units: UnitSystem;
}

/** Moment against curvature at one axial force, and the same as a table of points. */
export function CurvatureChart({ curve, marks, demand, units }: CurvatureChartProps) {
  const [k, m] = [displayUnit('curvature', units).unit.factor, displayUnit('moment', units).unit.factor];
  const data = [{ curvature: 0, moment: 0 }, ...curve].map((p) => ({ curvature: p.curvature / k, moment: p.moment / m }));
  const figure = (v: number) => Number(v.toPrecision(3)).toString();
  return (
    <>
      <ChartBox label="Moment against curvature" height={232}>
        <LineChart data={data} margin={{ top: 12, right: 16, bottom: 14, left: 0 }}>
          <CartesianGrid stroke={ink.grid} />
          <XAxis
            {...axis}
            type="number"
            dataKey="curvature"
            domain={[0, 'auto']}
            tickFormatter={figure}
            label={{
              value: `curvature ${unitLabel('curvature', units)}`,
              position: 'insideBottomRight',
              offset: -8,
              fontSize: 11,
              fill: ink.soft,
            }}
          />
          <YAxis
            {...axis}
            type="number"
            domain={[0, 'auto']}
            width={48}
            label={{ value: `M ${unitLabel('moment', units)}`, position: 'insideTopLeft', offset: 8, fontSize: 11, fill: ink.soft }}
          />
          <Tooltip
            {...tooltip}
            formatter={(v) => `${Number(v).toFixed(1)} ${unitLabel('moment', units)}`}
            labelFormatter={(v) => figure(Number(v))}
          />
          <Line isAnimationActive={false} dataKey="moment" stroke={ink.has} strokeWidth={1.6} dot={false} />
          {demand && <ReferenceLine y={demand.moment / m} stroke={ink.line} strokeDasharray="4 3" />}
          {demand && <ReferenceDot x={demand.curvature / k} y={demand.moment / m} r={4} fill={ink.asks} stroke={ink.line} />}
          {marks.map(({ name, point }, i) => (
            <ReferenceDot
              key={name}
              x={point.curvature / k}
              y={point.moment / m}
              r={3}
              fill={ink.ground}
              stroke={ink.has}
              label={{ value: name, position: i % 2 === 0 ? 'top' : 'bottom', offset: 6, dx: -30, fontSize: 11, fill: ink.soft }}
            />
          ))}
        </LineChart>
      </ChartBox>
      <details>
        <summary className="link small">its points</summary>
        <table className="grid-table !w-auto" aria-label="Points of moment against curvature">
          <thead>
            <tr>
              <th className="!pr-4 !text-right">curvature {unitLabel('curvature', units)}</th>
              <th className="!pr-4 !text-right">M {unitLabel('moment', units)}</th>
              <th className="!text-right">strain of the edge {unitLabel('strain', units)}</th>
            </tr>
          </thead>
          <tbody>
            {curve.map((p) => (
              <tr key={p.curvature}>
                <td className="!pr-4 text-right">{formatValue(p.curvature, 'curvature', units)}</td>
                <td className="!pr-4 text-right">{formatValue(p.moment, 'moment', units)}</td>
                <td className="text-right">{formatValue(p.edgeStrain, 'strain', units)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </details>
    </>
  );
}
