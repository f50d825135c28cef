import { silent } from '../../calc/calc';
import type { DesignCode } from '../../codes/design-code';
import { layerOf, type SlabBars } from '../../reinforcement/slab-bars';
import { chooseMesh, metreTask, needAt, plainMetre, reinforced, resistanceOf, WIDTH, type SlabMetre } from '../parts/slab-metre';
import { layerDemand, type PlateAnswer, type PlateLoad } from './analysis';
import { barsAt, layers, type Layer, type PlateInput } from './input';
import type { PlateSection } from './result';

/** A slab with a metre of it without bars, worked out once. */
export type PreparedPlate = PlateInput & SlabMetre;

export const preparePlate = (plate: PlateInput): PreparedPlate => ({ ...plate, plain: plainMetre(plate.h) });

/** What is taken for bars of the outer layer that are not known (mm). */
const USUAL_BAR = 12;

/** From the face of the slab to the bars of a layer (mm): those of the other direction may lie outside. */
function insetOf(plate: PreparedPlate, { face, along }: Layer, outside: SlabBars | undefined): number {
  const cover = plate.cover[face];
  if (along === plate.outer) return cover;
  return cover + (outside ? layerOf(outside, plate.catalogue).diameter : USUAL_BAR);
}

/** A layer as far as it is asked for: the moments that it is to carry, node by node. */
export interface LayerDemand {
  readonly layer: Layer;
  readonly demand: Float64Array;
}

export const demandsOf = (answer: PlateAnswer, loads: readonly PlateLoad[]): LayerDemand[] =>
  layers.map((layer) => ({ layer, demand: layerDemand(answer, layer, loads) }));

/** Less than this share of the largest moment of the slab asks for no mesh above: the mesh of triangles is no better than that at free edges. */
const NOTHING = 0.02;

/**
 * Meshes below in both directions, and above where there is a moment or one was set, with what they carry where most is asked: the outer layer of a
 * face first, for the inner one lies on it.
 */
export function plateSections(
  plate: PreparedPlate,
  code: DesignCode,
  { model }: PlateAnswer,
  demands: readonly LayerDemand[],
): PlateSection[] {
  const made = new Map<Layer, PlateSection>();
  const largest = Math.max(...demands.map(({ demand }) => Math.max(...demand)));
  const inOrder = [...demands].sort((a, b) => Number(a.layer.along !== plate.outer) - Number(b.layer.along !== plate.outer));
  for (const { layer, demand } of inOrder) {
    const node = demand.reduce((best, v, i) => (v > demand[best]! ? i : best), 0);
    const moment = demand[node]!;
    const own = barsAt(plate, layer);
    if (layer.face === 'top' && moment <= NOTHING * largest && !own) continue;
    const outside = [...made.values()].find((s) => s.face === layer.face)?.bars;
    const inset = insetOf(plate, layer, outside);
    const bars = own ?? chooseMesh(plate, code, moment, inset);
    const { d, area, section } = reinforced(plate, bars, inset);
    made.set(layer, {
      ...layer,
      bars,
      d,
      moment,
      node,
      at: [model.mesh.at[2 * node]!, model.mesh.at[2 * node + 1]!],
      resistance: (resistanceOf(plate, code, section)?.moment ?? 0) / WIDTH,
      required: needAt(plate, code, moment, d) / WIDTH,
      provided: area / WIDTH,
    });
  }
  return layers.flatMap((l) => made.get(l) ?? []);
}

/** Places at which the steel that a moment needs is worked out; between them it is taken as straight. */
const LOOKS = 40;

/** Steel that the moments of a layer need node by node (mm2/mm), minimum steel aside; Infinity, where no steel would do, is drawn as the most there is. */
export function requiredOver(plate: PreparedPlate, code: DesignCode, demand: Float64Array, d: number): Float64Array {
  const most = Math.max(...demand);
  if (!(most > 0)) return new Float64Array(demand.length);
  const known = Array.from({ length: LOOKS + 1 }, (_, i) => {
    const { tension, refusal } = code.bendingSteel(silent, metreTask(plate, (i / LOOKS) * most, d));
    return refusal ? Infinity : tension / WIDTH;
  });
  const last = Math.max(0, ...known.filter(Number.isFinite));
  return demand.map((m) => {
    const at = (m / most) * LOOKS;
    const i = Math.min(LOOKS - 1, Math.floor(at));
    const value = known[i]! + (at - i) * (known[i + 1]! - known[i]!);
    return Number.isFinite(value) ? value : last;
  });
}
