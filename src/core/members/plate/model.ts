import { boundsOf, isInside, type Outline, type Point } from '../../geometry/polygon';
import { bentThrough, withMarks, type DraftSet } from '../../model/bar-set';
import type { Place } from '../../model/centre-line';
import type { MemberModel } from '../../model/member-model';
import { layerSets } from '../../model/slab-layer';
import { edgeAt, layerTitle, outlineOf, type PlateInput } from './input';
import type { PlateSection } from './result';

/** The slab as it is to be built; z is 0 at its upper face. Bars run from edge to edge less their covers, and end at openings. */
export function plateModelOf(plate: PlateInput, sections: readonly PlateSection[]): MemberModel {
  return {
    concrete: [{ along: 'z', from: -plate.h, to: 0, outline: outlineOf(plate) }],
    supports: plate.outline.flatMap(({ edge }, i) => {
      if (edge === 'free') return [];
      const [a, b] = edgeAt(plate, i);
      return [{ name: `edge ${i + 1}`, type: edge, at: Math.min(a[0], b[0]), width: Math.hypot(b[0] - a[0], b[1] - a[1]) }];
    }),
    bars: withMarks(sections.flatMap((s) => setsOf(plate, s))),
  };
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

/** The bars of a layer, those of one length that stand side by side together. */
function setsOf(plate: PlateInput, section: PlateSection): DraftSet[] {
  const { face, along, d, bars } = section;
  const outline = outlineOf(plate);
  const cover = plate.cover[face];
  const { left, right, bottom, top } = boundsOf(outline.outer);
  const [low, high] = along === 'x' ? [bottom, top] : [left, right];
  const z = face === 'bottom' ? -d : d - plate.h;
  const at = (a: number, c: number): Place => (along === 'x' ? [a, c, z] : [c, a, z]);
  return layerSets(
    {
      zone: layerTitle(section),
      face,
      layer: along === plate.outer ? 1 : 2,
      source: { of: 'bars', face, along },
      bars,
      over: [low + cover, high - cover],
      row: along === 'x' ? 'y' : 'x',
      shape: (_, across) => ({ bend: 'straight', corners: bentThrough([at(0, across), at(1, across)], 0) }),
    },
    plate.catalogue,
  ).flatMap((set) => cutToLength(set, outline, along, cover, at));
}

function cutToLength(
  set: DraftSet,
  outline: Outline,
  along: 'x' | 'y',
  cover: number,
  at: (along: number, across: number) => Place,
): DraftSet[] {
  const k = along === 'x' ? 1 : 0;
  const first = set.corners[0]!.at[k]!;
  const found = new Map<string, { from: number; to: number; places: number[] }>();
  for (const shift of set.shifts) {
    const across = first + shift[k]!;
    for (const [from, to] of chords(outline, along, across, cover)) {
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
