import type { ColumnBar } from './column-bars';

/** A cross tie between two bars, by their numbers. */
export type CrossTie = readonly [from: number, to: number];

export interface TieLegs {
  /** Bars that a corner of the outer tie or a cross tie holds, by number. */
  readonly held: ReadonlySet<number>;
  readonly cross: readonly CrossTie[];
  /** Legs that cross a section, for shear along x and along y. */
  readonly legsX: number;
  readonly legsY: number;
}

const isSame = (a: number, b: number) => Math.abs(a - b) < 2;

/** Which bars have to be held: no bar further (clear) than `reach` from one that is, at least every second one, held ones no further `apart` (centres). Lengths mm. */
export interface Holding {
  readonly reach: number;
  readonly alternate: boolean;
  readonly apart: number;
}

/**
 * Holds every bar that must be held: corners by the outer tie; between them so many cross ties as are needed. A cross tie goes straight to the bar opposite.
 * `most` limits the cross ties that are really there; the first ones are kept.
 */
export function holdBars(bars: readonly ColumnBar[], { reach, alternate, apart }: Holding, most: number | null): TieLegs {
  const held = new Set<number>();
  bars.forEach((b, i) => (b.isCorner || b.side === 'ring' || b.side === '') && held.add(i));
  const cross: CrossTie[] = [];
  const pairs: [number, number][] = [];
  for (const [one, other, along, across] of [
    ['top', 'bottom', 'x', 'y'],
    ['left', 'right', 'y', 'x'],
  ] as const) {
    const face = bars.map((b, i) => ({ b, i })).filter(({ b }) => b.side === one || (b.isCorner && facesSide(b, one, bars)));
    face.sort((p, q) => p.b[along] - q.b[along]);
    let last = 0;
    for (let k = 1; k + 1 < face.length; k += 1) {
      const here = face[k]!;
      if (here.b.isCorner) {
        last = k;
        continue;
      }
      const next = face[k + 1]!;
      const clear = (p: ColumnBar, q: ColumnBar) => Math.hypot(p.x - q.x, p.y - q.y) - (p.diameter + q.diameter) / 2;
      const nextHeld = next.b.isCorner;
      // Left alone only where a held bar stands next to it on both sides, near enough.
      const near = clear(face[last]!.b, here.b) <= reach && (!nextHeld || clear(here.b, next.b) <= reach);
      const tooFar = alternate ? last < k - 1 || clear(here.b, next.b) > reach : false;
      const nextAlone = !nextHeld && clear(face[last]!.b, next.b) > reach && clear(next.b, face[k + 2]?.b ?? next.b) > reach;
      const tooWide = Math.hypot(next.b.x - face[last]!.b.x, next.b.y - face[last]!.b.y) > apart + 1e-6;
      if (near && !tooFar && !nextAlone && !tooWide) continue;
      const opposite = bars.findIndex((b) => b.side === other && isSame(b[along], here.b[along]) && !isSame(b[across], here.b[across]));
      if (opposite >= 0) pairs.push([here.i, opposite]);
      last = k;
    }
  }
  for (const i of looseBars(bars, new Set([...held, ...pairs.flat()]), reach)) {
    // Bars along any other outline: tied to the nearest bar of another side.
    if (pairs.flat().includes(i)) continue;
    const others = bars.map((b, k) => ({ k, gap: b.side === bars[i]!.side ? Infinity : Math.hypot(b.x - bars[i]!.x, b.y - bars[i]!.y) }));
    const nearest = others.reduce((a, b) => (b.gap < a.gap ? b : a));
    if (Number.isFinite(nearest.gap)) pairs.push([i, nearest.k]);
  }
  for (const pair of pairs) {
    if (most !== null && cross.length >= most) break;
    cross.push(pair);
    pair.forEach((i) => held.add(i));
  }
  const across = (axis: 'x' | 'y') => cross.filter(([a, b]) => isSame(bars[a]![axis], bars[b]![axis])).length;
  return { held, cross, legsX: 2 + across('y'), legsY: 2 + across('x') };
}

/** Whether a corner bar also ends another face than the one it is listed with. */
function facesSide(corner: ColumnBar, side: string, bars: readonly ColumnBar[]): boolean {
  const corners = bars.filter((b) => b.isCorner);
  const xs = corners.map((b) => b.x);
  const ys = corners.map((b) => b.y);
  if (side === 'top') return isSame(corner.y, Math.max(...ys));
  if (side === 'bottom') return isSame(corner.y, Math.min(...ys));
  if (side === 'left') return isSame(corner.x, Math.min(...xs));
  return isSame(corner.x, Math.max(...xs));
}

/** The bars along each of the four straight sides, in order; bars of a side stand at one line, but for their diameters. */
export function sideRows<B extends ColumnBar>(bars: readonly B[]): B[][] {
  const sides = [
    ['y', Math.max, 'x'],
    ['y', Math.min, 'x'],
    ['x', Math.max, 'y'],
    ['x', Math.min, 'y'],
  ] as const;
  return sides.map(([across, outermost, along]) => {
    const line = outermost(...bars.map((b) => b[across]));
    return bars.filter((b) => Math.abs(b[across] - line) < b.diameter).sort((p, q) => p[along] - q[along]);
  });
}

/** Bars next to each other that are held, along four straight sides or round a ring: clear distance, and from centre to centre (mm). */
export function betweenHeld(
  bars: readonly ColumnBar[],
  held: ReadonlySet<number>,
  isRound: boolean,
): { readonly clear: number; readonly centres: number }[] {
  const own = bars.filter((_, i) => held.has(i));
  const apart = (a: ColumnBar, b: ColumnBar) => {
    const centres = Math.hypot(b.x - a.x, b.y - a.y);
    return { clear: Math.max(0, centres - (a.diameter + b.diameter) / 2), centres };
  };
  if (!isRound) return sideRows(own).flatMap((row) => row.slice(1).map((b, i) => apart(row[i]!, b)));
  const ring = [...own].sort((a, b) => Math.atan2(a.y, a.x) - Math.atan2(b.y, b.x));
  return ring.map((b, i) => apart(b, ring[(i + 1) % ring.length]!));
}

/** Bars that are neither held nor near enough to one that is (by number): what the check of the ties looks at. */
export function looseBars(bars: readonly ColumnBar[], held: ReadonlySet<number>, reach: number): number[] {
  return bars.flatMap((b, i) => {
    if (held.has(i)) return [];
    const nearest = Math.min(
      ...[...held].map((h) => Math.hypot(b.x - bars[h]!.x, b.y - bars[h]!.y) - (b.diameter + bars[h]!.diameter) / 2),
    );
    return nearest <= reach ? [] : [i];
  });
}
