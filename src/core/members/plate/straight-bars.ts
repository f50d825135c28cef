import { boundsOf, isInside, type Outline, type Point } from '../../geometry/polygon';
import { bentThrough, type DraftSet } from '../../model/bar-set';
import type { Place } from '../../model/centre-line';
import { layerSets } from '../../model/slab-layer';
import { layerOf, type SlabBars } from '../../reinforcement/slab-bars';
import type { BarAxes } from './bar-axes';
import { outlineOf, type Span } from './geometry';
import type { Along, Layer, PlateInput } from './input';

/** Bars that are laid alike: their layer, how far its bars lie from the face (mm), and the value that says which they are. */
export interface LaidBars {
  /** Where they belong, in words. */
  readonly zone: string;
  readonly layer: Layer;
  readonly bars: SlabBars;
  readonly inset: number;
  readonly source: object;
}

type Range = readonly [from: number, to: number];

/** Where a line at a place across lies on the slab: from and to along it, shortened by the cover at both ends. */
export function chords({ outer, holes }: Outline, along: Along, across: number, cover: number): Range[] {
  const [u, v] = along === 'x' ? [0, 1] : [1, 0];
  const meets = [outer, ...holes]
    .flatMap((loop) =>
      loop.flatMap((a, i) => {
        const b = loop[(i + 1) % loop.length]!;
        return a[v]! > across !== b[v]! > across ? [a[u]! + ((across - a[v]!) / (b[v]! - a[v]!)) * (b[u]! - a[u]!)] : [];
      }),
    )
    .sort((a, b) => a - b);
  return meets.slice(1).flatMap((to, i) => {
    const from = meets[i]!;
    const middle = (from + to) / 2;
    const at: Point = along === 'x' ? [middle, across] : [across, middle];
    return to - from > 2 * cover && isInside(at, { outer, holes }) ? [[from + cover, to - cover] as const] : [];
  });
}

/** Bars over a part of a slab, or over all of it, from edge to edge less their covers; those of one length that stand side by side together. */
export function straightSets(plate: PlateInput, axes: BarAxes, laid: LaidBars, over: Span | null): DraftSet[] {
  const { along } = laid.layer;
  const [own, other] = along === 'x' ? (['x', 'y'] as const) : (['y', 'x'] as const);
  const everywhere: Range = [-Infinity, Infinity];
  return rowsBetween(plate, axes, laid, over?.[other] ?? everywhere, () => over?.[own] ?? everywhere);
}

/** Rows between two places across the bars, each from and to where a rule says, nothing where it gives nothing. */
export function rowsBetween(
  plate: PlateInput,
  axes: BarAxes,
  { zone, layer, bars, inset, source }: LaidBars,
  across: Range,
  limits: (across: number) => Range | null,
): DraftSet[] {
  const { face, along } = layer;
  const given = outlineOf(plate);
  // By the directions of the bars, in which rows are level; turned into the plan at the end.
  const outline: Outline = { outer: given.outer.map(axes.placeOf), holes: given.holes.map((hole) => hole.map(axes.placeOf)) };
  const bounds = boundsOf(outline.outer);
  const [low, high] = along === 'x' ? [bounds.bottom, bounds.top] : [bounds.left, bounds.right];
  const cover = plate.cover[face] / axes.sine;
  const deep = inset + layerOf(bars, plate.catalogue).diameter / 2;
  const z = face === 'bottom' ? deep - plate.h : -deep;
  const at = (a: number, c: number): Place => (along === 'x' ? [a, c, z] : [c, a, z]);
  return layerSets(
    {
      zone,
      face,
      layer: along === plate.outer ? 1 : 2,
      source,
      bars: { ...bars, spacing: bars.spacing / axes.sine },
      over: [Math.max(low + cover, across[0]), Math.min(high - cover, across[1])],
      row: along === 'x' ? 'y' : 'x',
      shape: (_, place) => ({ bend: 'straight', corners: bentThrough([at(0, place), at(1, place)], 0) }),
    },
    plate.catalogue,
  )
    .flatMap((set) => cutToLength(set, outline, along, cover, limits, at))
    .map((set) => inPlan({ ...set, spacing: set.spacing === null ? null : set.spacing * axes.sine }, axes));
}

function cutToLength(
  set: DraftSet,
  outline: Outline,
  along: Along,
  cover: number,
  limits: (across: number) => Range | null,
  at: (along: number, across: number) => Place,
): DraftSet[] {
  const k = along === 'x' ? 1 : 0;
  const first = set.corners[0]!.at[k]!;
  const found = new Map<string, { from: number; to: number; places: number[] }>();
  for (const shift of set.shifts) {
    const across = first + shift[k]!;
    const limit = limits(across);
    if (!limit) continue;
    for (const [start, end] of chords(outline, along, across, cover)) {
      const [from, to] = [Math.max(start, limit[0]), Math.min(end, limit[1])];
      if (to - from < 1) continue;
      const key = `${Math.round(from)} ${Math.round(to)}`;
      const there = found.get(key);
      if (there) there.places.push(across);
      else found.set(key, { from, to, places: [across] });
    }
  }
  return [...found.values()].map(({ from, to, places }): DraftSet => ({
    ...set,
    corners: bentThrough([at(from, places[0]!), at(to, places[0]!)], 0),
    shifts: places.map((p): Place => (along === 'x' ? [0, p - places[0]!, 0] : [p - places[0]!, 0, 0])),
  }));
}

/** A set by the directions of straight bars, on the plan. */
function inPlan(set: DraftSet, { pointAt }: BarAxes): DraftSet {
  const placed = ([s, t, z]: Place): Place => [...pointAt([s, t]), z];
  return { ...set, corners: set.corners.map((c) => ({ ...c, at: placed(c.at) })), shifts: set.shifts.map(placed) };
}
