import { boundsOf, isInside, type Outline, type Point } from '../../geometry/polygon';
import { bentThrough, withMarks, type DraftSet } from '../../model/bar-set';
import type { Place } from '../../model/centre-line';
import type { MemberModel } from '../../model/member-model';
import { layerOf } from '../../reinforcement/slab-bars';
import { layerSets } from '../../model/slab-layer';
import { edgePath, outlineOf, rectangleOf, spanOf } from './geometry';
import { isLayer, layers, layerTitle, type Along, type ExtraBars, type Layer, type PlateBeam, type PlateInput } from './input';
import { insetOf } from './layers';
import type { LaidSteel } from './result';
import { barsOutside, meshIn } from './zones';

/** The slab as it is to be built; z is 0 at its upper face. Bars run from edge to edge less their covers, and end at openings. */
export function plateModelOf(plate: PlateInput, steel: LaidSteel): MemberModel {
  return {
    concrete: [
      { along: 'z', from: -plate.h, to: 0, outline: outlineOf(plate) },
      ...plate.regions
        .filter((r) => r.h > plate.h)
        .map((r) => ({ along: 'z' as const, from: -r.h, to: -plate.h, outline: { outer: rectangleOf(r), holes: [] } })),
      ...plate.beams.map((beam) => ({ along: 'z' as const, from: -beam.h, to: -plate.h, outline: { outer: webOf(beam), holes: [] } })),
    ],
    supports: plate.outline.flatMap(({ edge }, i) => {
      if (edge === 'free') return [];
      const path = edgePath(plate, i);
      const [a, b] = [path[0]!, path.at(-1)!];
      return [{ name: `edge ${i + 1}`, type: edge, at: Math.min(a[0], b[0]), width: Math.hypot(b[0] - a[0], b[1] - a[1]) }];
    }),
    bars: withMarks(layers.flatMap((layer) => setsOf(plate, steel, layer))),
  };
}

/** The web of a beam on the plan. */
function webOf({ x1, y1, x2, y2, b }: PlateBeam): Point[] {
  const length = Math.hypot(x2 - x1, y2 - y1);
  const [u, v] = [((y1 - y2) / length) * (b / 2), ((x2 - x1) / length) * (b / 2)];
  return [
    [x1 - u, y1 - v],
    [x2 - u, y2 - v],
    [x2 + u, y2 + v],
    [x1 + u, y1 + v],
  ];
}

/** Where a line at a place across lies on the slab: from and to along it, shortened by the cover at both ends. */
export function chords({ outer, holes }: Outline, along: 'x' | 'y', across: number, cover: number): (readonly [number, number])[] {
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

/** The bars of a layer: those of its mesh from edge to edge, those beside over their rectangles; those of one length that stand side by side together. */
function setsOf(plate: PlateInput, steel: LaidSteel, layer: Layer): DraftSet[] {
  const { left, right, bottom, top } = boundsOf(outlineOf(plate).outer);
  const inset = insetOf(plate, layer, barsOutside(plate, steel, layer));
  const mesh = meshIn(steel, layer);
  const all = { x: [left, right], y: [bottom, top] } as const;
  const { face, along } = layer;
  return [
    ...(mesh ? rowsOf(plate, layer, mesh, inset, all, { of: 'bars', face, along }) : []),
    ...steel.extra.flatMap((e, i) => (isLayer(e, layer) ? rowsOf(plate, layer, e.bars, inset, spanOf(e), { of: 'extra', index: i }) : [])),
  ];
}

type Rectangle = ReturnType<typeof spanOf>;

function rowsOf(plate: PlateInput, layer: Layer, bars: ExtraBars['bars'], inset: number, over: Rectangle, source: object): DraftSet[] {
  const { face, along } = layer;
  const outline = outlineOf(plate);
  const cover = plate.cover[face];
  const bounds = boundsOf(outline.outer);
  const [low, high] = along === 'x' ? [bounds.bottom, bounds.top] : [bounds.left, bounds.right];
  const across = along === 'x' ? over.y : over.x;
  const deep = inset + layerOf(bars, plate.catalogue).diameter / 2;
  const z = face === 'bottom' ? deep - plate.h : -deep;
  const at = (a: number, c: number): Place => (along === 'x' ? [a, c, z] : [c, a, z]);
  return layerSets(
    {
      zone: layerTitle(layer),
      face,
      layer: along === plate.outer ? 1 : 2,
      source,
      bars,
      over: [Math.max(low + cover, across[0]), Math.min(high - cover, across[1])],
      row: along === 'x' ? 'y' : 'x',
      shape: (_, place) => ({ bend: 'straight', corners: bentThrough([at(0, place), at(1, place)], 0) }),
    },
    plate.catalogue,
  ).flatMap((set) => cutToLength(set, outline, along, cover, over[along], at));
}

function cutToLength(
  set: DraftSet,
  outline: Outline,
  along: Along,
  cover: number,
  [least, most]: readonly [number, number],
  at: (along: number, across: number) => Place,
): DraftSet[] {
  const k = along === 'x' ? 1 : 0;
  const first = set.corners[0]!.at[k]!;
  const found = new Map<string, { from: number; to: number; places: number[] }>();
  for (const shift of set.shifts) {
    const across = first + shift[k]!;
    for (const [start, end] of chords(outline, along, across, cover)) {
      const [from, to] = [Math.max(start, least), Math.min(end, most)];
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
