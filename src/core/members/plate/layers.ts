import { silent } from '../../calc/calc';
import type { DesignCode } from '../../codes/design-code';
import { distanceToEdges, isInside, type Point } from '../../geometry/polygon';
import { layerOf, type SlabBars } from '../../reinforcement/slab-bars';
import { metreTask, needAt, plainMetre, resistanceOf, WIDTH, type SlabMetre } from '../parts/slab-metre';
import type { BarAxes } from './bar-axes';
import { goesAllRound, partOf } from './bar-parts';
import { outlineOf, type Span } from './geometry';
import type { ExtraBars, Layer, PlateInput } from './input';

/** The covers, materials and bars of a slab, of which metres of any depth are made. */
export type MetreOf = (h: number) => SlabMetre;

export function metresOf(plate: PlateInput): MetreOf {
  const known = new Map<number, SlabMetre>();
  return (h) => {
    let metre = known.get(h);
    if (!metre) known.set(h, (metre = { ...plate, h, plain: plainMetre(h) }));
    return metre;
  };
}

/** What is taken for bars of the outer layer that are not known (mm). */
const USUAL_BAR = 12;

/** From the face of the slab to the bars of a layer (mm): those of the other direction may lie outside, as thick as the thickest of them. */
export function insetOf(plate: PlateInput, { face, along }: Layer, outside: readonly SlabBars[]): number {
  const cover = plate.cover[face];
  if (along === plate.outer) return cover;
  return cover + (outside.length > 0 ? Math.max(...outside.map((b) => layerOf(b, plate.catalogue).diameter)) : USUAL_BAR);
}

/** A metre of slab with all bars that lie in it in one layer: those of a mesh and those beside them. */
export function metreWith(metre: SlabMetre, bars: readonly SlabBars[], inset: number) {
  const laid = bars.map((b) => layerOf(b, metre.catalogue));
  const rows = laid.map(({ area, diameter }) => ({ depth: metre.h - inset - diameter / 2, area: area * WIDTH }));
  const d = rows.length > 0 ? Math.min(...rows.map((r) => r.depth)) : metre.h - inset - USUAL_BAR / 2;
  return { d, provided: laid.reduce((sum, b) => sum + b.area, 0), section: { ...metre.plain, layers: rows } };
}

/** What bars of a layer carry per length (N mm/mm); nothing without bars. */
export function resistanceWith(metre: SlabMetre, code: DesignCode, bars: readonly SlabBars[], inset: number): number {
  if (bars.length === 0) return 0;
  return (resistanceOf(metre, code, metreWith(metre, bars, inset).section)?.moment ?? 0) / WIDTH;
}

/** Nearer than this (mm) to an edge bars are anchored by a bend at it. */
const AT_EDGE = 300;
/** Places on the end of bars that go all round, as shares of the turn. */
const ROUND_LOOKS = Array.from({ length: 16 }, (_, k) => k / 16);

/** Where bars over a part count in full: behind their anchorage from both ends, all the way where an end lies at an edge of the slab and is bent there. */
export function countsIn(plate: PlateInput, code: DesignCode, extra: ExtraBars, axes: BarAxes): Span {
  const part = partOf(extra, axes);
  const length = anchorageOf(plate, code, extra.face, extra.bars);
  const outline = outlineOf(plate);
  const isAtEdge = (ends: readonly Point[]) => ends.every((end) => !isInside(end, outline) || distanceToEdges(end, outline) < AT_EDGE);
  const anchored = (v: number, inwards: 1 | -1, ends: readonly Point[], perLength = 1) =>
    v + inwards * perLength * (isAtEdge(ends) ? -AT_EDGE : length);
  const { x, y } = part;
  const isX = extra.along === 'x';
  const { ring } = axes;
  // Radial bars that begin at the mesh in the middle reach into it by their anchorage.
  const fromMesh = ring !== null && x[0] <= ring.inner;
  if (goesAllRound(part, axes)) {
    const on = (r: number) => ROUND_LOOKS.map((share) => axes.pointAt([r, y[0] + share * (y[1] - y[0])]));
    // Rings do not end; a mesh at the middle does, and what reaches over the middle ends on its other side alone.
    const ends = isX || x[1] <= ring!.inner;
    return { x: [isX && !fromMesh ? anchored(x[0], 1, on(x[0])) : x[0], ends ? anchored(x[1], -1, on(x[1])) : x[1]], y };
  }
  const [s, t] = [(x[0] + x[1]) / 2, (y[0] + y[1]) / 2];
  if (isX) return { x: [fromMesh ? x[0] : anchored(x[0], 1, [axes.pointAt([x[0], t])]), anchored(x[1], -1, [axes.pointAt([x[1], t])])], y };
  // By the innermost of rings their ends take most of a turn.
  const perLength = ring ? 1 / Math.max(1, x[0]) : 1;
  return { x, y: [anchored(y[0], 1, [axes.pointAt([s, y[0]])], perLength), anchored(y[1], -1, [axes.pointAt([s, y[1]])], perLength)] };
}

export const anchorageOf = (plate: PlateInput, code: DesignCode, face: Layer['face'], bars: SlabBars): number =>
  code.anchorageLength(
    silent,
    { diameter: layerOf(bars, plate.catalogue).diameter },
    { isTop: face === 'top', h: plate.h, cover: plate.cover[face] },
    plate.materials,
  );

/** Places at which the steel that a moment needs is worked out; between them it is taken as straight. */
const LOOKS = 40;

/** A way to the steel that a moment needs at a depth (mm2/mm), minimum steel aside; Infinity where no steel would do. */
export function steelFor(metre: SlabMetre, code: DesignCode, most: number, d: number): (moment: number) => number {
  if (!(most > 0)) return () => 0;
  const known = Array.from({ length: LOOKS + 1 }, (_, i) => {
    const { tension, refusal } = code.bendingSteel(silent, metreTask(metre, (i / LOOKS) * most, d));
    return refusal ? Infinity : tension / WIDTH;
  });
  return (moment) => {
    const at = (Math.max(0, moment) / most) * LOOKS;
    const i = Math.min(LOOKS - 1, Math.floor(at));
    const value = known[i]! + (at - i) * (known[i + 1]! - known[i]!);
    return Number.isNaN(value) ? Infinity : value;
  };
}

/** Steel that a moment needs, least steel included (mm2/mm). */
export const neededSteel = (metre: SlabMetre, code: DesignCode, moment: number, d: number): number =>
  needAt(metre, code, moment, d) / WIDTH;
