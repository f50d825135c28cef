import { valueAt, type Locate } from '../../analysis/plates/locate';
import type { PlateMesh } from '../../analysis/plates/mesh';
import { distanceToSegment, type Point } from '../../geometry/polygon';
import type { PlateAnswer } from './analysis';
import type { PlateInput } from './input';
import type { Gap, Straightedge } from './result';

const PLACES = 96;

/** The deflection along a line (mm) at places from its beginning; null off the slab. */
export function profileAlong(
  mesh: PlateMesh,
  locate: Locate,
  [a, b]: Straightedge['ends'],
  values: ArrayLike<number>,
): { readonly s: number; readonly w: number | null }[] {
  const length = Math.hypot(b[0] - a[0], b[1] - a[1]);
  return Array.from({ length: PLACES + 1 }, (_, k) => {
    // The ends are looked at just within, so that those at an edge lie on the slab.
    const t = Math.min(1 - 1e-6, Math.max(1e-6, k / PLACES));
    const found = locate([a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1])]);
    return { s: t * length, w: found ? valueAt(mesh, found, values) : null };
  });
}

/** The gap that uses up most of what a part of the length allows; undefined where the line lies nowhere on the slab. */
export function worstGap(
  profile: readonly { readonly s: number; readonly w: number | null }[],
  isHeld: (s: number) => boolean,
): Gap | undefined {
  const gaps = pieces(profile).flatMap((piece) => [...gapsBelow(piece), ...drops(piece, isHeld)]);
  return gaps.reduce<Gap | undefined>((a, b) => (!a || b.deflection / b.length > a.deflection / a.length ? b : a), undefined);
}

interface At {
  readonly s: number;
  readonly w: number;
}

/** Stretches of a line on the slab. */
function pieces(profile: readonly { readonly s: number; readonly w: number | null }[]): At[][] {
  const found: At[][] = [[]];
  for (const { s, w } of profile) {
    if (w === null) found.push([]);
    else found.at(-1)!.push({ s, w });
  }
  return found.filter((piece) => piece.length > 2);
}

/** A place that a straightedge all but touches, by this part of the largest gap beside it, is a place that it lies on. */
const TOUCHING = 0.1;

/** Gaps below a straightedge from each place that it touches to the next: it lies on what has sunk least. */
function gapsBelow(piece: readonly At[]): Gap[] {
  const touched: At[] = [];
  for (const p of piece) {
    while (touched.length > 1 && isBelow(touched.at(-2)!, touched.at(-1)!, p)) touched.pop();
    touched.push(p);
  }
  const contacts = touched.slice(1).flatMap((b, i) => [touched[i]!, ...highBetween(piece, touched[i]!, b)]);
  const ends = [...contacts, touched.at(-1)!];
  const whole = { deflection: 0, length: piece.at(-1)!.s - piece[0]!.s, at: piece[0]!.s };
  return [whole, ...ends.slice(1).flatMap((b, i) => deepest(piece, ends[i]!, b) ?? [])];
}

const gapAt = (a: At, b: At, p: At): number => p.w - (a.w + ((b.w - a.w) * (p.s - a.s)) / (b.s - a.s));

/** High places between two that a straightedge touches which it all but touches too, as a middle support. */
function highBetween(piece: readonly At[], a: At, b: At): At[] {
  const most = deepest(piece, a, b)?.deflection ?? 0;
  return piece.filter((p, k) => {
    if (p.s <= a.s || p.s >= b.s || gapAt(a, b, p) > TOUCHING * most) return false;
    const [before, after] = [piece[k - 1]!, piece[k + 1]!];
    return p.w <= before.w && p.w <= after.w && (p.w < before.w || p.w < after.w);
  });
}

/** The largest gap below a line from one place to another. */
function deepest(piece: readonly At[], a: At, b: At): Gap | undefined {
  const under = piece.filter((p) => p.s > a.s && p.s < b.s);
  const lowest = under.reduce<At | null>((best, p) => (!best || gapAt(a, b, p) > gapAt(a, b, best) ? p : best), null);
  return lowest ? { deflection: Math.max(0, gapAt(a, b, lowest)), length: b.s - a.s, at: lowest.s } : undefined;
}

/** Whether a place lies under the line from one before it to one behind it, or on it. */
const isBelow = (a: At, p: At, b: At): boolean => gapAt(a, b, p) >= -1e-9;

/** How far an end that nothing holds has sunk below the highest place, over twice the length between them, as a cantilever is measured. */
function drops(piece: readonly At[], isHeld: (s: number) => boolean): Gap[] {
  const highest = piece.reduce((a, b) => (b.w < a.w ? b : a));
  return [piece[0]!, piece.at(-1)!]
    .filter((end) => !isHeld(end.s) && end.w > highest.w && Math.abs(end.s - highest.s) > 1)
    .map((end) => ({ deflection: end.w - highest.w, length: 2 * Math.abs(end.s - highest.s), at: end.s }));
}

/** The lines of a slab: those that were laid, or those that are proposed between its supports. */
export function straightedgesOf(plate: PlateInput, answer: PlateAnswer): Straightedge[] {
  if (plate.straightedges)
    return plate.straightedges.map(({ name, x1, y1, x2, y2 }, i) => ({
      name: name || `S${i + 1}`,
      ends: [
        [x1, y1],
        [x2, y2],
      ],
    }));
  return [...betweenColumns(plate), ...betweenLines(answer)].slice(0, MOST).map((ends, i) => ({ name: `S${i + 1}`, ends }));
}

const MOST = 40;
/** A line between two columns is proposed when no other stands nearer to it than this part of its length. */
const CLEAR = 0.25;

function betweenColumns({ columns }: PlateInput): (readonly [Point, Point])[] {
  const at = columns.map(({ x, y }): Point => [x, y]);
  return at.flatMap((a, i) =>
    at.flatMap((b, k): (readonly [Point, Point])[] => {
      if (k <= i) return [];
      const length = Math.hypot(b[0] - a[0], b[1] - a[1]);
      return at.some((p, n) => n !== i && n !== k && distanceToSegment(p, a, b) < CLEAR * length) ? [] : [[a, b]];
    }),
  );
}

/** Lines along x and y through the places that sink most between supports along lines: from support to support. */
function betweenLines({ supports, model, parts, locate }: PlateAnswer): (readonly [Point, Point])[] {
  if (supports.length === 0) return [];
  const { at } = model.mesh;
  const all = parts.reduce((sum, part) => sum.map((v, i) => v + part.state.moved[3 * i]!), new Float64Array(at.length / 2));
  const lowest = all.reduce((best, v, n) => (v > all[best]! ? n : best), 0);
  const from: Point = [at[2 * lowest]!, at[2 * lowest + 1]!];
  return (
    [
      [1, 0],
      [0, 1],
    ] as const
  ).flatMap(([ux, uy]): (readonly [Point, Point])[] => {
    const ends = ([1, -1] as const).map((sense) => firstSupport(supports, locate, from, [sense * ux, sense * uy]));
    return ends[0] && ends[1] ? [[ends[1], ends[0]]] : [];
  });
}

/** To whole millimetres: these are proposals, which may be typed over. */
const whole = ([x, y]: Point): Point => [Math.round(x) + 0, Math.round(y) + 0];

const STEP = 5;

/** Where a ray from a place first meets a line of support; undefined where it leaves the slab before. */
function firstSupport(supports: PlateAnswer['supports'], locate: Locate, [x, y]: Point, [ux, uy]: Point): Point | undefined {
  for (let s = STEP; s < 500_000; s += STEP) {
    const p: Point = [x + s * ux, y + s * uy];
    const met = supports.some(({ piece: [a, b] }) => distanceToSegment(p, a, b) <= STEP / 2 + 1e-6);
    if (met) return whole(p);
    if (!locate(p)) return undefined;
  }
  return undefined;
}
