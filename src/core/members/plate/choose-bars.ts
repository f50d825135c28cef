import { silent } from '../../calc/calc';
import type { DesignCode } from '../../codes/design-code';
import { TURN, WHOLE } from '../../geometry/arcs';
import { layerOf, layingScore, type SlabBars } from '../../reinforcement/slab-bars';
import { allowedLayers, WIDTH } from '../parts/slab-metre';
import type { LayerDemand } from './envelope';
import { axesOf, type BarAxes } from './bar-axes';
import { areaOf, cornersOf, goesAllRound, partOf } from './bar-parts';
import type { Span } from './geometry';
import { barsAt, isLayer, layers, type ExtraBars, type Layer, type PlateInput } from './input';
import { anchorageOf, insetOf, metreWith, resistanceWith, type MetreOf } from './layers';
import type { LaidSteel } from './result';
import { barsOutside, NOTHING, sectionsOf, type OnPlate } from './zones';
import { regionsAbove, type Box } from './needy-regions';

/** Parts with bars of their own are rounded outwards to this (mm), those of a circle to degrees. */
const ROUND = 50;
const DEGREE = Math.PI / 180;
/** More rectangles than this in a layer are no plan that anybody builds: the mesh carries it all. */
const MOST = 48;
/** What one more rectangle costs, as bars of so much area over the slab (mm2/mm over mm2, as a share of the least mesh over all). */
const TROUBLE = 0.03;

interface Choice {
  readonly mesh: SlabBars | null;
  readonly extra: readonly ExtraBars[];
}

/**
 * The bars of a slab: those that were set, and for the rest a mesh for each layer with more bars over the parts that ask for more, or bars over parts
 * alone above, whichever takes least steel. Outer layers first, for the inner ones lie on them.
 */
export function laidSteel(
  plate: PlateInput,
  code: DesignCode,
  on: OnPlate,
  demands: readonly LayerDemand[],
  metre: MetreOf,
  area: number,
): LaidSteel {
  const given = plate.bars.extra;
  const largest = Math.max(...demands.map(({ demand }) => demand.reduce((a, b) => Math.max(a, b), 0)));
  const inOrder = [...layers].sort((a, b) => Number(a.along !== plate.outer) - Number(b.along !== plate.outer));
  return inOrder.reduce<LaidSteel>(
    (steel, layer) => {
      const { demand } = demands.find((d) => isLayer(d.layer, layer))!;
      const asked = demand.map((m) => (m > NOTHING * largest ? m : 0));
      const task = { plate, code, on, layer, asked, metre, area, inset: insetOf(plate, layer, barsOutside(plate, steel, layer)) };
      const own = given?.filter((e) => isLayer(e, layer));
      const set = barsAt(plate, layer);
      const { mesh, extra } = set && own ? { mesh: set, extra: own } : own ? meshBeside(task, steel, own, demands) : chosen(task, set);
      return { meshes: [...steel.meshes, { ...layer, bars: mesh }], extra: [...steel.extra, ...extra] };
    },
    { meshes: [], extra: [] },
  );
}

interface Task {
  readonly plate: PlateInput;
  readonly code: DesignCode;
  readonly on: OnPlate;
  readonly layer: Layer;
  /** What the layer is to carry node by node (N mm/mm). */
  readonly asked: Float64Array;
  readonly metre: MetreOf;
  /** Of the slab (mm2). */
  readonly area: number;
  readonly inset: number;
}

const steelOf = (plate: PlateInput, bars: SlabBars): number => layerOf(bars, plate.catalogue).area;
const worth = (plate: PlateInput, bars: SlabBars): number => layingScore(steelOf(plate, bars), bars.spacing);

/** Layers that may be chosen for a depth, the lightest first. */
const optionsFor = ({ plate, code }: Task, h: number): SlabBars[] =>
  allowedLayers({ ...plate, h }, code).sort((a, b) => worth(plate, a) - worth(plate, b));

/** The lightest layer that carries a moment with what is there; the heaviest where none does. */
function lightestFor(task: Task, h: number, moment: number, there: readonly SlabBars[], least = 0): SlabBars {
  const options = optionsFor(task, h);
  const fits = options.find(
    (o) => steelOf(task.plate, o) >= least && resistanceWith(task.metre(h), task.code, [...there, o], task.inset) >= moment * (1 - 1e-9),
  );
  return fits ?? options.reduce((a, b) => (steelOf(task.plate, b) > steelOf(task.plate, a) ? b : a));
}

/** The mesh beside rectangles of bars that were set: enough everywhere. */
function meshBeside(task: Task, steel: LaidSteel, own: readonly ExtraBars[], demands: readonly LayerDemand[]): Choice {
  const { plate, code, on, layer, metre, asked } = task;
  const only = demands.map((d) => (isLayer(d.layer, layer) ? { ...d, demand: asked } : { ...d, demand: new Float64Array(asked.length) }));
  const isEnough = (bars: SlabBars | null) =>
    sectionsOf(plate, code, on, { meshes: [...steel.meshes, { ...layer, bars }], extra: [...steel.extra, ...own] }, only, metre)
      .filter((s) => isLayer(s, layer))
      .every(
        (s) => s.resistance >= s.moment * (1 - 1e-9) && s.provided >= leastAt(task, s.h, bars ?? s.bars[0] ?? optionsFor(task, s.h)[0]!),
      );
  if (layer.face === 'top' && isEnough(null)) return { mesh: null, extra: own };
  const options = optionsFor(task, plate.h);
  return { mesh: options.find(isEnough) ?? options.at(-1)!, extra: own };
}

/** Least steel of a face at a depth (mm2/mm). */
function leastAt({ code, metre, inset }: Task, h: number, bars: SlabBars): number {
  const own = metre(h);
  const { d } = metreWith(own, [bars], inset);
  return code.slab.leastSteel(silent, own.plain, d, own.materials) / WIDTH;
}

/** Mesh and rectangles that together take least steel; the mesh as it was set, where it was. */
function chosen(task: Task, set: SlabBars | null): Choice {
  if (set) return { mesh: set, extra: extrasBeside(task, set) ?? [] };
  const { plate, asked, layer } = task;
  const isNothing = asked.every((m) => m === 0);
  if (isNothing && layer.face === 'top') return { mesh: null, extra: [] };
  const sorted = Float64Array.from(asked).sort();
  const shares = [1, 0.97, 0.92, 0.85, 0.75, 0.6, 0.4];
  const meshes = new Map<string, SlabBars>();
  for (const share of shares) {
    const moment = sorted[Math.max(0, Math.ceil(share * sorted.length) - 1)]!;
    const h = plate.h;
    const bars = lightestFor(task, h, moment, [], leastAt(task, h, optionsFor(task, h)[0]!));
    meshes.set(`${bars.size} ${bars.spacing}`, bars);
  }
  const tried: (SlabBars | null)[] = [...meshes.values(), ...(layer.face === 'top' ? [null] : [])];
  const choices = tried.flatMap((mesh): Choice[] => {
    const extra = extrasBeside(task, mesh);
    return extra ? [{ mesh, extra }] : [];
  });
  const best = choices.reduce<Choice | null>((a, b) => (!a || costOf(task, b) < costOf(task, a) ? b : a), null);
  return best ?? { mesh: lightestFor(task, plate.h, sorted.at(-1)!, []), extra: [] };
}

function costOf({ plate, area }: Task, { mesh, extra }: Choice): number {
  const ofMesh = mesh ? worth(plate, mesh) * area : 0;
  const axes = axesOf(plate);
  const ofExtra = extra.reduce((sum, e) => sum + worth(plate, e.bars) * areaOf(partOf(e, axes), axes), 0);
  return ofMesh + ofExtra + extra.length * TROUBLE * 0.0013 * plate.h * area;
}

/** Bars over the parts that ask for more than a mesh carries, of radial bars and rings all round where that takes less; undefined where these parts are too many. */
function extrasBeside(task: Task, mesh: SlabBars | null): ExtraBars[] | undefined {
  const apart = extrasOver(task, mesh);
  if (task.plate.axes.kind === 'straight' || !apart || apart.length < 2) return apart;
  const round = extrasOver(task, mesh, TURN);
  return round && costOf(task, { mesh, extra: round }) < costOf(task, { mesh, extra: apart }) ? round : apart;
}

function extrasOver(task: Task, mesh: SlabBars | null, gap?: number): ExtraBars[] | undefined {
  const { plate, code, on, layer, asked, metre, inset } = task;
  const axes = axesOf(plate);
  const there = mesh ? [mesh] : [];
  const carried = new Map([...new Set(on.depths)].map((h) => [h, resistanceWith(metre(h), code, there, inset)]));
  const first = mesh ?? optionsFor(task, plate.h)[0]!;
  const least = new Map([...carried.keys()].map((h) => [h, leastAt(task, h, first)]));
  const isBare = (n: number) => mesh !== null && steelOf(plate, mesh) < least.get(on.depths[n]!)! * (1 - 1e-9);
  const isWanted = (n: number) => isBare(n) || (asked[n]! > 0 && asked[n]! > carried.get(on.depths[n]!)! * (1 + 1e-9));
  const boxes = regionsAbove(on, axes, isWanted, gap);
  if (boxes.length > MOST) return undefined;
  return boxes.map((box) => {
    const h = box.nodes.reduce((least, n) => Math.min(least, on.depths[n]!), Infinity);
    const moment = box.nodes.reduce((most, n) => Math.max(most, asked[n]!), 0);
    const bars = lightestFor(
      task,
      h,
      moment,
      there,
      Math.max(...box.nodes.map((n) => least.get(on.depths[n]!)!)) - (mesh ? steelOf(plate, mesh) : 0),
    );
    const part = withAnchorage(box, layer, anchorageOf(plate, code, layer.face, bars), bars.spacing, axes);
    return { ...layer, ...cornersOf(part, axes), bars };
  });
}

const outwards = ([from, to]: Range, step: number): Range => [Math.floor(from / step) * step, Math.ceil(to / step) * step];
type Range = Span['x'];

/** The part of bars that count over a box: longer by their anchorage at both ends, and at least two spacings wide. What goes all round has neither there. */
function withAnchorage({ x, y }: Box, { along }: Layer, anchorage: number, spacing: number, axes: BarAxes): Span {
  const lengthen = ([from, to]: Range, perLength: number): Range => [from - perLength * anchorage, to + perLength * anchorage];
  const widen = ([from, to]: Range, perLength: number): Range => {
    const more = Math.max(0, 2 * spacing * perLength - (to - from)) / 2;
    return [from - more, to + more];
  };
  const isX = along === 'x';
  if (!axes.ring) {
    const [own, across] = isX ? [x, y] : [y, x];
    const [longer, wider] = [outwards(lengthen(own, 1), ROUND), outwards(widen(across, 1 / axes.sine), ROUND)];
    return isX ? { x: longer, y: wider } : { x: wider, y: longer };
  }
  const isAllRound = goesAllRound({ x, y }, axes);
  // A mesh at the middle is anchored beyond its rim along both of its directions.
  const [from, to] = outwards((isX || (isAllRound && x[0] === 0) ? lengthen : widen)(x, 1), ROUND);
  const perLength = 1 / Math.max(ROUND, axes.ring.inner, from);
  const turn = isAllRound ? WHOLE : outwards((isX ? widen : lengthen)(y, perLength), DEGREE);
  return { x: [Math.max(0, from), to], y: turn[1] - turn[0] > TURN - 2 * DEGREE ? WHOLE : turn };
}
