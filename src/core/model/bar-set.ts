import { findBar, type Bar, type BarCatalogue } from '../materials/bars';
import type { DesignCode } from '../codes/design-code';
import { between, lengthAlong, moved, type Corner, type Place } from './centre-line';

/** How a bar is bent: once, at both ends, to a radius all along, as a closed link, as a leg with hooks, or otherwise. */
export type BendType = 'straight' | 'L' | 'U' | 'arc' | 'link' | 'leg' | 'other';

/** Bars that are alike, each in its place in space. Lengths mm. */
export interface BarSet {
  /** Bars that are cut and bent alike have one mark, whatever their zone. */
  readonly mark: string;
  /** Where they belong, in words: "bottom, span 1". */
  readonly zone: string;
  readonly role: 'bar' | 'link' | 'stud';
  /** The face at which they lie, and their layer from there inwards. */
  readonly face: 'top' | 'bottom' | 'side' | null;
  readonly layer: number;
  /** The span of a member along a line whose section they stand in. */
  readonly span?: number;
  readonly bar: Bar;
  readonly bend: BendType;
  /** Centre line of the first of them. */
  readonly corners: readonly Corner[];
  /** Straight length of the hooks at the ends of links and legs. */
  readonly hook: number;
  /** Where they stand, each by its shift from the first. */
  readonly shifts: readonly Place[];
  /** Bars that stand round a middle: each is the first one turned about it (mm) by an angle (rad, from x towards y), before its shift. */
  readonly turned?: { readonly about: readonly [x: number, y: number]; readonly by: readonly number[] };
  /** Part of each that belongs to the member: a metre of wall need not hold a whole number of bars. All of it unless it says otherwise. */
  readonly share?: number;
  /** From one to the next where they stand in a row, and no further; null for bars placed one by one. */
  readonly spacing: number | null;
  /** The value on the drawing that says which bars these are. */
  readonly source: object | null;
}

/** A set before it has its mark. */
export type DraftSet = Omit<BarSet, 'mark'>;

export const countOf = ({ shifts }: Pick<BarSet, 'shifts'>): number => shifts.length;

/** A place of the first bar of a set, on one of the others. */
export function onBar({ shifts, turned }: Pick<BarSet, 'shifts' | 'turned'>, k: number, [x, y, z]: Place): Place {
  const angle = turned?.by[k] ?? 0;
  const [cx, cy] = turned?.about ?? [0, 0];
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  const at: Place = angle === 0 ? [x, y, z] : [cx + c * (x - cx) - s * (y - cy), cy + s * (x - cx) + c * (y - cy), z];
  return moved(at, shifts[k]!);
}

/** Mass of all bars of a set, along their centre lines (kg). */
export const massOfSet = ({ bar, corners, shifts, share = 1 }: DraftSet): number =>
  bar.massPerLength * lengthAlong(corners) * shifts.length * share;

/** What a code asks of the bends of a bar: radius of the centre line, and the straight part of a hook by 135 degrees. */
export function bendRule(code: DesignCode, diameter: number, isLink: boolean): { readonly radius: number; readonly hook: number } {
  const { mandrel, straight135 } = code.anchorage.bend(diameter, isLink);
  return { radius: (mandrel.value + diameter) / 2, hook: straight135 };
}

const plain = (at: Place): Corner => ({ at, radius: 0 });

/** A bar through points, each bend with the same radius. */
export const bentThrough = (points: readonly Place[], radius: number): Corner[] =>
  points.map((at, i) => ({ at, radius: i === 0 || i === points.length - 1 ? 0 : radius }));

/** So much of a turn lies between two corners of a bar that is bent to a radius. */
const ARC_STEP = Math.PI / 24;

/** A bar bent to a radius about a middle, at its height, from an angle on by a turn (rad, from x towards y). */
export function arcAbout([cx, cy, z]: Place, radius: number, from: number, turn: number): Corner[] {
  const count = Math.max(1, Math.ceil(turn / ARC_STEP));
  const half = turn / count / 2;
  const on = (angle: number, reach: number): Place => [cx + reach * Math.cos(angle), cy + reach * Math.sin(angle), z];
  // Its arcs lie in the corners of the line of its tangents.
  const corners = Array.from({ length: count }, (_, k): Corner => ({ at: on(from + (2 * k + 1) * half, radius / Math.cos(half)), radius }));
  return [plain(on(from, radius)), ...corners, plain(on(from + turn, radius))];
}

/** The end of a hook at a corner, turned towards a direction; the bar goes on from the corner to the next one. */
function hookEnd(at: Place, next: Place, towards: Place, radius: number, hook: number): Corner {
  const [size, length] = [Math.hypot(...towards) || 1, between(at, next) || 1];
  const cosine = [0, 1, 2].reduce((sum, k) => sum - (towards[k]! / size) * ((next[k]! - at[k]!) / length), 0);
  const reach = radius * Math.tan(Math.acos(Math.max(-1, Math.min(1, cosine))) / 2) + hook;
  return plain(moved(at, [(towards[0] / size) * reach, (towards[1] / size) * reach, (towards[2] / size) * reach]));
}

/** Midway between the directions from a corner to two others. */
function midway(at: Place, a: Place, b: Place): Place {
  const [la, lb] = [between(at, a) || 1, between(at, b) || 1];
  return [0, 1, 2].map((k) => (a[k]! - at[k]!) / la + (b[k]! - at[k]!) / lb) as unknown as Place;
}

/** A closed link round the corners of its axis, with both hooks in the first corner. */
export function closedLink(loop: readonly Place[], radius: number, hook: number): Corner[] {
  const [first, second, last] = [loop[0]!, loop[1]!, loop[loop.length - 1]!];
  const inwards = midway(first, second, last);
  return [
    hookEnd(first, second, inwards, radius, hook),
    ...[...loop, first].map((at) => ({ at, radius })),
    hookEnd(first, last, inwards, radius, hook),
  ];
}

/** A round link in a plane across z, both ends bent on inwards by a hook of 135 degrees; a turn of a spiral has no hooks. */
export function roundLink(radius: number, z: number, bend: number, hook: number): Corner[] {
  const start: Place = [radius, 0, z];
  // A circle is the arcs in the corners of a polygon round it.
  const corners = Array.from({ length: 8 }, (_, k): Corner => {
    const a = ((k + 0.5) * Math.PI) / 4;
    const reach = radius / Math.cos(Math.PI / 8);
    return { at: [reach * Math.cos(a), reach * Math.sin(a), z], radius };
  });
  if (hook <= 0) return [plain(start), ...corners, plain(start)];
  // Where the circle ends, its tangent goes on as far as the bend of the hook takes to turn.
  const tangent = bend * Math.tan((3 * Math.PI) / 8);
  const end = (side: 1 | -1): Corner[] => {
    const reach = (tangent + hook) * Math.SQRT1_2;
    return [plain([radius - reach, side * (tangent - reach), z]), { at: [radius, side * tangent, z], radius: bend }];
  };
  return [...end(-1), ...corners, ...end(1).reverse()];
}

/** A leg between two points with a hook by 135 degrees at each end, both turned to the side of a direction across it. */
export function hookedLeg(a: Place, b: Place, across: Place, radius: number, hook: number): Corner[] {
  const inwards = (p: Place, q: Place) => midway(p, q, moved(p, across));
  return [hookEnd(a, b, inwards(a, b), radius, hook), { at: a, radius }, { at: b, radius }, hookEnd(b, a, inwards(b, a), radius, hook)];
}

/** Ends of the longest straight piece of the first bar of a set, before its bends are rounded: what runs along the member. */
export function bodyOf({ corners }: Pick<BarSet, 'corners'>): readonly [Place, Place] {
  let best: readonly [Place, Place] = [corners[0]!.at, corners[corners.length - 1]!.at];
  let longest = -1;
  for (let i = 1; i < corners.length; i += 1) {
    const piece = [corners[i - 1]!.at, corners[i]!.at] as const;
    const length = between(...piece);
    if (length > longest) [best, longest] = [piece, length];
  }
  return best;
}

/** Out-to-out dimensions of a bar in the order of the letters of its shape (mm). */
export function dimensionsOf({ bend, corners, bar, hook }: DraftSet): number[] {
  const d = bar.diameter;
  const side = (i: number) => between(corners[i]!.at, corners[i + 1]!.at);
  // Legs of a hook are measured with its bend, for which three diameters stand.
  const leg = hook + 3 * d;
  switch (bend) {
    case 'straight':
      return [side(0)];
    case 'L': {
      const sides = [side(0) + d / 2, side(1) + d / 2];
      return sides.sort((a, b) => b - a);
    }
    case 'U':
      return [side(0) + d / 2, side(1) + d, side(2) + d / 2];
    case 'arc':
      return [lengthAlong(corners), corners[1]!.radius];
    case 'link':
      return [side(1) + d, side(2) + d, leg];
    case 'leg':
      return [side(1) + d, leg];
    case 'other': {
      const spread = (k: number) => {
        const values = corners.slice(1, -1).map((c) => c.at[k]!);
        return Math.max(...values) - Math.min(...values);
      };
      return [
        ...[0, 1, 2]
          .map(spread)
          .filter((v) => v > 1e-6)
          .map((v) => v + d),
        leg,
      ];
    }
  }
}

/** Gives each set its mark: sets of one size, bent alike to the same dimensions, share one. Sets without bars are left out. */
export function withMarks(drafts: readonly DraftSet[]): BarSet[] {
  const marks = new Map<string, string>();
  return drafts
    .filter((d) => d.shifts.length > 0)
    .map((d) => {
      const key = `${d.bar.name} ${d.bend} ${dimensionsOf(d)
        .map((v) => Math.round(v))
        .join(' ')}`;
      const mark = marks.get(key) ?? String(marks.size + 1).padStart(2, '0');
      marks.set(key, mark);
      return { ...d, mark };
    });
}

/** Places in a row between two ends, as few as stand no further apart than a spacing, half a step from both ends. */
export function inRow(from: number, to: number, spacing: number): number[] {
  const n = Math.max(1, Math.ceil((to - from) / spacing - 1e-6));
  return Array.from({ length: n }, (_, k) => from + ((k + 0.5) * (to - from)) / n);
}

/** Places in a row with one at each end, as few as stand no further apart than a spacing. */
export function betweenEnds(from: number, to: number, spacing: number): number[] {
  if (to <= from) return [(from + to) / 2];
  const n = Math.max(1, Math.ceil((to - from) / spacing - 1e-6));
  return Array.from({ length: n + 1 }, (_, k) => from + (k * (to - from)) / n);
}

/** Looks up a size. Throws RangeError where the catalogue has none. */
export function barNamed(size: string, catalogue: BarCatalogue): Bar {
  const bar = findBar(catalogue, size);
  if (!bar) throw new RangeError(`No bar "${size}" among ${catalogue.title} bars`);
  return bar;
}
