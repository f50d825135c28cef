import type { Point } from '../geometry/polygon';
import type { BarSet } from '../model/bar-set';
import type { MemberModel, Prism } from '../model/member-model';
import { barWords, lengthWords, linkWords, type SheetNames } from './bar-words';
import { alongX, cutsOf, fromAbove, linesSeen } from './projection';
import { TEXT, type Entity } from './sheet';

/** A cut square to the member at a place along it: concrete, bars as dots, the links nearest to it, marks and dimensions. */
export function sectionView(model: MemberModel, at: number, scale: number, names: SheetNames): Entity[] {
  const prism = model.concrete.find((p) => at >= p.from - 1e-6 && at <= p.to + 1e-6) ?? model.concrete[0];
  if (!prism) return [];
  const seen = prism.along === 'x' ? alongX : fromAbove;
  const axis = prism.along === 'x' ? 0 : 2;
  const points = prism.outline.outer;
  const [us, vs] = [points.map((p) => p[0]), points.map((p) => p[1])];
  const [u1, u2, v1, v2] = [Math.min(...us), Math.max(...us), Math.min(...vs), Math.max(...vs)];
  const links = linksAt(model.bars, axis, at);
  const cut = model.bars
    .map((set) => ({ set, places: set.role === 'bar' ? cutsOf(set, axis, at, seen) : [] }))
    .filter((c) => c.places.length > 0);
  return [
    ...outlineSeen(prism),
    ...links.flatMap((set) =>
      linesSeen(nearest(set, axis, at), seen).map((line): Entity => ({ kind: 'path', layer: 'links', points: line })),
    ),
    ...cut.flatMap(({ set, places }) =>
      places.map((p): Entity => ({ kind: 'circle', layer: 'bars', at: p, r: set.bar.diameter / 2, isFilled: true })),
    ),
    ...marksBeside(cut, links, [u2, v1, v2], scale, names),
    { kind: 'dimension', a: [u2, v1], b: [u1, v1], beside: 7, text: lengthWords(u2 - u1, names) },
    { kind: 'dimension', a: [u1, v1], b: [u1, v2], beside: 7, text: lengthWords(v2 - v1, names) },
  ];
}

const outlineSeen = ({ outline }: Prism): Entity[] =>
  [outline.outer, ...outline.holes].map((points): Entity => ({ kind: 'path', layer: 'concrete', points, isClosed: true }));

/** Links and legs that stand within half a spacing of a cut. */
function linksAt(bars: readonly BarSet[], axis: 0 | 2, at: number): BarSet[] {
  return bars.filter((set) => {
    if (set.role === 'bar') return false;
    const places = set.shifts.map((s) => set.corners[0]!.at[axis] + s[axis]);
    return places.some((x) => Math.abs(x - at) <= (set.spacing ?? 0) / 2 + 1);
  });
}

/** A set with only those of its bars that stand nearest to a cut. */
function nearest(set: BarSet, axis: 0 | 2, at: number): BarSet {
  const off = (s: (typeof set.shifts)[number]) => Math.abs(set.corners[0]!.at[axis] + s[axis] - at);
  const least = Math.min(...set.shifts.map(off));
  return { ...set, shifts: set.shifts.filter((s) => off(s) <= least + 1) };
}

interface Cut {
  readonly set: BarSet;
  readonly places: readonly Point[];
}

/** Marks to the right of a section, one below the other, each with a line to the nearest of its bars. */
function marksBeside(
  cuts: readonly Cut[],
  links: readonly BarSet[],
  [right, low, high]: readonly [number, number, number],
  scale: number,
  names: SheetNames,
): Entity[] {
  const keys = [...new Set(cuts.map(({ set }) => `${set.mark} ${set.face} ${set.layer}`))];
  const groups = keys.map((key) => {
    const own = cuts.filter(({ set }) => `${set.mark} ${set.face} ${set.layer}` === key);
    const places = own.flatMap((c) => c.places);
    const to = places.reduce((best, p) => (p[0] > best[0] ? p : best));
    const words = barWords(
      [{ ...own[0]!.set, shifts: places.map((): [number, number, number] => [0, 0, 0]), spacing: own[0]!.set.spacing }],
      names,
    );
    return { to, words };
  });
  const tied = links.map((set) => ({ to: [right, (low + high) / 2] as Point, words: linkWords(set, names) }));
  let last = Infinity;
  return [...groups, ...tied]
    .sort((a, b) => b.to[1] - a.to[1])
    .flatMap(({ to, words }): Entity[] => {
      const y = Math.min(to[1], last - 4 * scale);
      last = y;
      const x = right + 6 * scale;
      return [
        { kind: 'path', layer: 'marks', points: [to, [x - scale, y]] },
        { kind: 'text', layer: 'marks', at: [x, y - (TEXT / 2.4) * scale], text: words, height: TEXT },
      ];
    });
}

/** What tells sections apart: bars that are cut, where they are, and links. */
function signature(model: MemberModel, at: number): string {
  const isLying = model.concrete[0]?.along === 'x';
  const seen = isLying ? alongX : fromAbove;
  const axis = isLying ? 0 : 2;
  const bars = model.bars.flatMap((set) => cutsOf(set, axis, at, seen).map(([u, v]) => `${set.mark} ${Math.round(u)} ${Math.round(v)}`));
  return [...bars, ...linksAt(model.bars, axis, at).map((s) => `${s.mark} ${s.spacing}`)].sort().join(';');
}

/** How far from an end a section stands at the least (mm). */
const END = 150;

/** Places along a member where a section is drawn: in spans and over supports, or at foot and middle; those that look alike are drawn once. */
export function sectionPlaces(model: MemberModel): number[] {
  const [first] = model.concrete;
  if (!first) return [];
  const [from, to] = [Math.min(...model.concrete.map((p) => p.from)), Math.max(...model.concrete.map((p) => p.to))];
  const marks = [from, ...model.supports.map((s) => s.at), to].filter((x, i, all) => i === 0 || x - all[i - 1]! > 1);
  const middles = marks.slice(1).map((x, i) => (x + marks[i]!) / 2);
  // Beside supports, and never within the cover at an end, where there are no bars yet.
  const within = (x: number) => Math.min(to - END, Math.max(from + END, x));
  const beside = model.supports.map((s) => within(s.at + (s.at + s.width >= to ? -1 : 1) * (s.width / 2 + 1)));
  const wanted = first.along === 'x' ? [...middles, ...beside] : [(from + to) / 2, from + (to - from) * 0.04];
  const known = new Set<string>();
  return wanted
    .filter((at) => {
      const key = signature(model, at);
      return known.has(key) ? false : known.add(key);
    })
    .sort((a, b) => a - b);
}
