import { silent } from '../../calc/calc';
import type { DesignCode } from '../../codes/design-code';
import { isWhole, WHOLE } from '../../geometry/arcs';
import { isInside, type Outline, type Point } from '../../geometry/polygon';
import { catalogues, type Bar } from '../../materials/bars';
import { arcAbout, barNamed, bentThrough, inRow, type DraftSet } from '../../model/bar-set';
import type { Place } from '../../model/centre-line';
import type { SlabBars } from '../../reinforcement/slab-bars';
import { STOCK } from '../../schedule/stock';
import { axesOf, layerTitle, type BarAxes } from './bar-axes';
import { goesAllRound } from './bar-parts';
import { outlineOf, type Span } from './geometry';
import type { Layer, PlateInput } from './input';
import { anchorageOf } from './layers';
import { farthestOf, innerEndOf, radialLayout } from './radial-layout';
import { rowsBetween, type LaidBars } from './straight-bars';

/** Rings longer than a stock bar are of pieces that lap, of no more than these. */
const MOST_PIECES = 100;
/** Shorter pieces (mm) are left out. */
const SHORTEST = 100;
/** Ends of radial bars are rounded inwards to this (mm): on an edge of straight pieces they are alike then. */
const ROUND = 10;
/** Rays on which the edge of the slab is looked for. */
const RAYS = 720;

/** A layer of a slab whose bars run round: what its bars share. */
interface RingLayer {
  readonly plate: PlateInput;
  readonly axes: BarAxes;
  readonly ring: NonNullable<BarAxes['ring']>;
  readonly outline: Outline;
  readonly layer: Layer;
  readonly bars: SlabBars;
  readonly cover: number;
  readonly anchorage: number;
  readonly base: (bar: Bar) => Pick<DraftSet, 'zone' | 'role' | 'face' | 'layer' | 'source' | 'bar' | 'hook'>;
  readonly z: (bar: Bar) => number;
}

/**
 * Radial bars, or rings, over a part of a slab or over all of it, with the mesh along x and y that lies at the middle in their place. Both reach into each
 * other by their anchorage.
 */
export function ringSets(plate: PlateInput, code: DesignCode, laid: LaidBars, over: Span | null): DraftSet[] {
  const axes = axesOf(plate);
  const ring = axes.ring!;
  const { zone, layer, bars, inset, source } = laid;
  const { face, along } = layer;
  const outline = outlineOf(plate);
  const farthest = farthestOf(plate);
  const part: Span = over ? { x: [over.x[0], Math.min(over.x[1], farthest)], y: over.y } : { x: [0, farthest], y: WHOLE };
  const own: RingLayer = {
    plate,
    axes,
    ring,
    outline,
    layer,
    bars,
    cover: plate.cover[face],
    anchorage: anchorageOf(plate, code, face, bars),
    base: (bar) => ({ zone, role: 'bar', face, layer: along === plate.outer ? 1 : 2, source, bar, hook: 0 }),
    z: (bar) => (face === 'bottom' ? inset + bar.diameter / 2 - plate.h : -inset - bar.diameter / 2),
  };
  const sizes = [bars.size, ...(bars.alternate ? [bars.alternate] : [])].map((size) => barNamed(size, catalogues[plate.catalogue]));
  return [
    ...(goesAllRound(part, axes) && part.x[0] < ring.inner ? middleSets(own, laid, part) : []),
    ...(along === 'x' ? radialSets(own, code, sizes[0]!, part) : roundSets(own, code, sizes, part)),
  ];
}

/** Bars along x or y over the middle, as far as the part goes or the others begin and their anchorage beyond. */
function middleSets({ plate, ring, anchorage }: RingLayer, laid: LaidBars, part: Span): DraftSet[] {
  const radius = part.x[1] <= ring.inner ? part.x[1] : Math.min(part.x[1], ring.inner + anchorage);
  const alongPlan = { axes: { kind: 'straight', angle: 0, between: 90 } } as const;
  const [cx, cy] = laid.layer.along === 'x' ? ring.middle : [ring.middle[1], ring.middle[0]];
  const zone = `${layerTitle(alongPlan, laid.layer)}, in the middle`;
  return rowsBetween(plate, axesOf(alongPlan), { ...laid, zone }, [cy - radius, cy + radius], (across) => {
    const half = Math.sqrt(Math.max(0, radius ** 2 - (across - cy) ** 2));
    return half > 0 ? [cx - half, cx + half] : null;
  });
}

/** Radial bars, each as far inwards as its layout says; those of one length together. */
function radialSets(own: RingLayer, code: DesignCode, bar: Bar, part: Span): DraftSet[] {
  const { plate, axes, ring, bars, layer, outline, cover } = own;
  const layout = radialLayout(plate, code, layer.face, bars, part);
  if (!layout) return [];
  const { count, turn, far } = layout;
  const found = new Map<string, { from: number; to: number; angles: number[] }>();
  for (let k = 0; k < (goesAllRound(part, axes) ? count : count + 1); k += 1) {
    const angle = part.y[0] + (k / count) * turn;
    for (const [start, end] of onRay(outline, ring.middle, angle, cover)) {
      const [a, b] = [Math.max(innerEndOf(layout, k), start), Math.min(far, end)].map((r) => Math.floor(r / ROUND) * ROUND) as [
        number,
        number,
      ];
      if (b - a < SHORTEST) continue;
      const key = `${a} ${b}`;
      const there = found.get(key);
      if (there) there.angles.push(angle);
      else found.set(key, { from: a, to: b, angles: [angle] });
    }
  }
  return [...found.values()].map(({ from, to, angles }): DraftSet => {
    const at = (r: number): Place => [...axes.pointAt([r, angles[0]!]), own.z(bar)];
    return {
      ...own.base(bar),
      bend: 'straight',
      corners: bentThrough([at(from), at(to)], 0),
      ...turnedBy(
        ring.middle,
        angles.map((a) => a - angles[0]!),
      ),
      spacing: bars.spacing,
    };
  });
}

/** Bars that are one turned about the middle by each of these angles. */
const turnedBy = (about: Point, by: readonly number[]): Pick<DraftSet, 'shifts' | 'turned'> => ({
  shifts: by.map((): Place => [0, 0, 0]),
  turned: { about, by },
});

/** Where a ray from the middle lies on the slab, shortened by the cover at both edges. */
function onRay({ outer, holes }: Outline, [mx, my]: Point, angle: number, cover: number): (readonly [number, number])[] {
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  const meets = [outer, ...holes].flatMap((loop) =>
    loop.flatMap((a, i) => {
      const b = loop[(i + 1) % loop.length]!;
      // Square to the ray, and along it.
      const [ha, hb] = [(a[1] - my) * c - (a[0] - mx) * s, (b[1] - my) * c - (b[0] - mx) * s];
      if (ha > 0 === hb > 0) return [];
      const [ra, rb] = [(a[0] - mx) * c + (a[1] - my) * s, (b[0] - mx) * c + (b[1] - my) * s];
      return [ra + (ha / (ha - hb)) * (rb - ra)];
    }),
  );
  const sorted = [0, ...meets.filter((r) => r > 0)].sort((a, b) => a - b);
  return sorted.slice(1).flatMap((to, i) => {
    const from = sorted[i]!;
    const middle = (from + to) / 2;
    if (to - from <= 2 * cover || !isInside([mx + middle * c, my + middle * s], { outer, holes })) return [];
    return [[from > 0 ? from + cover : 0, to - cover] as const];
  });
}

/** Rings, as far apart as their spacing, in pieces that lap where they come round or are longer than bars are. */
function roundSets(own: RingLayer, code: DesignCode, sizes: readonly Bar[], part: Span): DraftSet[] {
  const { ring, bars, cover } = own;
  const [near, far] = [Math.max(part.x[0], ring.inner), part.x[1]];
  const half = Math.max(...sizes.map((b) => b.diameter)) / 2;
  if (far - near <= 2 * half) return [];
  const isAtEdge = far >= farthestOf(own.plate) - 1;
  return inRow(near, far - (isAtEdge ? cover + half : 0), bars.spacing).flatMap((radius, k) => {
    const bar = sizes[k % sizes.length]!;
    return arcsOnSlab(own, radius, part.y).flatMap((arc) => piecesOf(own, code, bar, radius, arc));
  });
}

/** Arcs of a circle that lie on the slab, within those of a part, shortened by the cover where they end at an edge. */
function arcsOnSlab({ outline, axes, cover }: RingLayer, radius: number, within: readonly [number, number]): (readonly [number, number])[] {
  const angles = Array.from({ length: RAYS + 1 }, (_, k) => within[0] + (k / RAYS) * (within[1] - within[0]));
  const isOn = angles.map((a) => isInside(axes.pointAt([radius, a]), outline));
  if (isOn.every(Boolean)) return [within];
  const arcs: [number, number][] = [];
  angles.forEach((a, k) => {
    if (!isOn[k]) return;
    if (k > 0 && isOn[k - 1]) arcs.at(-1)![1] = a;
    else arcs.push([a, a]);
  });
  // What goes on over the seam of a whole turn is one arc.
  const [first, last] = [arcs[0], arcs.at(-1)];
  if (first && last && first !== last && isOn[0] && isOn[RAYS] && isWhole(within)) {
    arcs.shift();
    last[1] += first[1] - first[0];
  }
  const off = cover / radius;
  return arcs.map(([a, b]) => [a + off, b - off] as const).filter(([a, b]) => (b - a) * radius > SHORTEST);
}

function piecesOf(own: RingLayer, code: DesignCode, bar: Bar, radius: number, [from, to]: readonly [number, number]): DraftSet[] {
  const { plate, ring, bars, layer, cover } = own;
  const question = {
    materials: plate.materials,
    diameter: bar.diameter,
    isTop: layer.face === 'top',
    h: plate.h,
    cover,
    clear: bars.spacing - bar.diameter,
    isBent: false,
    isWide: true,
  };
  const lap = code.anchorage.lap(silent, question, 1);
  const isClosed = isWhole([from, to]);
  const lengthOf = (pieces: number) => ((to - from) * radius + (isClosed ? pieces : pieces - 1) * lap) / pieces;
  // Laps are shorter than bars, so this ends.
  let count = 1;
  while (lengthOf(count) > STOCK && count < MOST_PIECES) count += 1;
  const turn = lengthOf(count) / radius;
  const step = isClosed ? (to - from) / count : (to - from - turn) / Math.max(1, count - 1);
  return [
    {
      ...own.base(bar),
      bend: 'arc',
      corners: arcAbout([...ring.middle, own.z(bar)], radius, from, turn),
      ...turnedBy(
        ring.middle,
        Array.from({ length: count }, (_, k) => k * step),
      ),
      spacing: bars.spacing,
    },
  ];
}
