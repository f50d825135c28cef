import { formatValue, unitLabel } from '@/core/units/format';
import type { UnitSystem } from '@/core/units/quantity';
import type { Ghost } from './use-plan-pointer';

type Place = readonly [x: number, y: number];

/** What is being laid or moved, dashed, with fine lines to what it is in line with. */
export function PlanGhost({ ghost: { points, rest }, on }: { ghost: Ghost; on: (p: Place) => Place }) {
  const [x, y] = on(rest.at);
  return (
    <g pointerEvents="none" stroke="#231E19" fill="none">
      {rest.guides.map((g, i) => (
        <line key={i} {...{ x1: on(g)[0], y1: on(g)[1], x2: x, y2: y }} strokeWidth={0.7} strokeDasharray="1 3" />
      ))}
      {points.length > 1 && <polygon points={points.map((p) => on(p).join(' ')).join(', ')} strokeWidth={1.2} strokeDasharray="4 3" />}
      <circle cx={x} cy={y} r={7} strokeDasharray="2 2" />
    </g>
  );
}

/** How large it is: the length of a line, both sides of a rectangle; nothing of a single place. */
export function sizeOf({ points }: Ghost, units: UnitSystem): string {
  const [a, b, c] = points;
  if (!a || !b || points.length === 3) return '';
  const length = (p: Place, q: Place) => formatValue(Math.hypot(q[0] - p[0], q[1] - p[1]), 'station', units);
  return `${length(a, b)}${c ? ` × ${length(b, c)}` : ''} ${unitLabel('station', units)}`;
}
