import type { CageBar } from '../model/cage';
import type { Place } from '../model/centre-line';
import { areaOf, circleAt, pathThrough, type Drawing, type Point, type Shape } from './shapes';

export interface CagePicture {
  readonly bars: readonly CageBar[];
  /** Corners of the concrete at both ends of the stretch, in the same order. */
  readonly ends: readonly [readonly Place[], readonly Place[]];
  /** Turn about the upright axis, and tilt towards the eye (rad). */
  readonly turn: number;
  readonly tilt: number;
}

/** A cage seen from a side, every bar to scale; the nearer ones are painted last. The concrete is an outline only. */
export function cageDrawing(p: CagePicture, width: number, height: number): Drawing {
  const corners = p.ends.flat();
  const middle = [0, 1, 2].map((k) => {
    const values = corners.map((c) => c[k]!);
    return (Math.min(...values) + Math.max(...values)) / 2;
  }) as [number, number, number];
  const [ct, st, cp, sp] = [Math.cos(p.turn), Math.sin(p.turn), Math.cos(p.tilt), Math.sin(p.tilt)];
  const turned = ([x, y, z]: Place) => {
    const [a, b, c] = [x - middle[0], y - middle[1], z - middle[2]];
    const [right, away] = [a * ct - b * st, a * st + b * ct];
    return { right, up: c * cp + away * sp, away: away * cp - c * sp };
  };
  const seen = corners.map(turned);
  const reach = (of: (s: (typeof seen)[number]) => number) => Math.max(1, ...seen.map((s) => Math.abs(of(s))));
  const scale = Math.min((width / 2 - 16) / reach((s) => s.right), (height / 2 - 16) / reach((s) => s.up));
  const flat = (q: ReturnType<typeof turned>): Point => [width / 2 + q.right * scale, height / 2 - q.up * scale];
  const see = (q: Place) => flat(turned(q));

  const pieces = p.bars.flatMap((bar) =>
    bar.points.slice(1).map((end, i) => {
      const [from, to] = [turned(bar.points[i]!), turned(end)];
      return { bar, from, to, away: (from.away + to.away) / 2 };
    }),
  );
  pieces.sort((a, b) => b.away - a.away);
  const shapes: Shape[] = outline(p.ends, see);
  for (const { bar, from, to } of pieces) shapes.push(rod(flat(from), flat(to), bar.diameter * scale, bar.role));
  return { width, height, title: 'Cage', shapes };
}

function outline([near, far]: CagePicture['ends'], see: (q: Place) => Point): Shape[] {
  const loop = (points: readonly Place[]): Shape => areaOf({ line: 'tentative' }, ...points.map(see));
  return [loop(near), loop(far), ...near.map((q, i): Shape => pathThrough({ line: 'grid' }, see(q), see(far[i]!)))];
}

/** A bar as a strip of its own width, never thinner than a line. */
function rod([x1, y1]: Point, [x2, y2]: Point, diameter: number, role: CageBar['role']): Shape {
  const length = Math.hypot(x2 - x1, y2 - y1);
  const half = Math.max(0.5, diameter / 2);
  if (length < half) return circleAt([x1, y1], half, { fill: role === 'bar' ? 'steel' : 'link', line: 'edge' });
  const [nx, ny] = [(-(y2 - y1) / length) * half, ((x2 - x1) / length) * half];
  return areaOf(
    { fill: role === 'bar' ? 'steel' : 'link', line: 'edge' },
    [x1 + nx, y1 + ny],
    [x2 + nx, y2 + ny],
    [x2 - nx, y2 - ny],
    [x1 - nx, y1 - ny],
  );
}
