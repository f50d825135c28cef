import { pointsAlong, type Place } from './centre-line';
import { onBar, type BarSet } from './bar-set';

/** A bar of a cage as points along its centre line (mm). */
export interface CageBar {
  readonly role: BarSet['role'];
  readonly diameter: number;
  readonly points: readonly Place[];
}

/** The bars of a stretch between two places along x: what lies beyond is cut off. */
export function cageBetween(bars: readonly BarSet[], from: number, to: number): CageBar[] {
  return bars.flatMap((set): CageBar[] => {
    const points = pointsAlong(set.corners);
    return set.shifts.flatMap((_, k) => {
      const own = points.map((p) => onBar(set, k, p));
      return within(own, from, to).map((piece) => ({ role: set.role, diameter: set.bar.diameter, points: piece }));
    });
  });
}

/** The parts of a line of points that lie between two places along x. */
function within(points: readonly Place[], from: number, to: number): Place[][] {
  const pieces: Place[][] = [];
  let open: Place[] | null = null;
  for (let i = 1; i < points.length; i += 1) {
    const cut = clipped(points[i - 1]!, points[i]!, from, to);
    if (!cut) {
      open = null;
      continue;
    }
    const [a, b] = cut;
    if (open && same(open[open.length - 1]!, a)) open.push(b);
    else pieces.push((open = [a, b]));
  }
  return pieces;
}

const same = (a: Place, b: Place) => a.every((v, k) => Math.abs(v - b[k]!) < 1e-9);

function clipped(a: Place, b: Place, from: number, to: number): readonly [Place, Place] | undefined {
  const run = b[0] - a[0];
  if (Math.abs(run) < 1e-9) return a[0] >= from && a[0] <= to ? [a, b] : undefined;
  const [t1, t2] = [(from - a[0]) / run, (to - a[0]) / run].sort((p, q) => p - q) as [number, number];
  const [s, e] = [Math.max(0, t1), Math.min(1, t2)];
  if (s >= e) return undefined;
  const on = (t: number): Place => [a[0] + t * run, a[1] + t * (b[1] - a[1]), a[2] + t * (b[2] - a[2])];
  return [on(s), on(e)];
}
