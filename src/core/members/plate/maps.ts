import type { Combination } from '../../analysis/combination';
import { momentBetween, momentOf } from '../../analysis/plates/design-moments';
import type { PlateMesh } from '../../analysis/plates/mesh';
import { axesOf } from './bar-axes';
import { belowLevel, camberOver } from './camber';
import type { PlateBasis } from './checks';
import type { PlateDeflections } from './deflection';
import { crackMaps, type Cracks } from './cracks';
import { demandOn, summedField, wholeOf } from './envelope';
import { layers, type Layer } from './input';
import { MOST_SHOWN } from './labels';
import { insetOf, metreWith, resistanceWith, steelFor } from './layers';
import type { PlateMap } from './result';
import { barsIn, barsOutside, meshIn, NOTHING, zonesOf } from './zones';

type Maps = Partial<Record<PlateMap, Float64Array>>;

/** Fields over the slab, node by node: moments under the heaviest load, steel that the layers need, what is spare and what is used. */
export function strengthMaps(basis: PlateBasis, heaviest: Combination): Maps {
  const { answer, demands } = basis;
  const moments = summedField(wholeOf(answer.parts, heaviest), demands[0]!.demand.length * 3, (part) => part.moments);
  const component = (k: 0 | 1 | 2) => componentOver(basis, moments, k);
  const required = layers.map((layer) => requiredOver(basis, layer));
  const spare = layers.map((layer, i) => spareOver(basis, layer, required[i]!));
  return {
    mx: component(0),
    my: component(1),
    mxy: component(2),
    ...overLayers(['bottomX', 'bottomY', 'topX', 'topY'], required),
    ...overLayers(['spareBottomX', 'spareBottomY', 'spareTopX', 'spareTopY'], spare),
    used: usedOver(basis),
  };
}

/** Crack widths, where loads in service are combined. */
export const crackedMaps = (basis: PlateBasis, cracks: Cracks): Maps =>
  cracks.crack.combinations.length > 0 && cracks.full.combinations.length > 0 ? crackMaps(basis, cracks) : {};

/** mx, my or mxy node by node; where bars run round, along the radius, around, and twisting between both. */
function componentOver({ plate, answer }: PlateBasis, moments: Float64Array, k: 0 | 1 | 2): Float64Array {
  const { at } = answer.model.mesh;
  const { ring, placeOf } = axesOf(plate);
  return Float64Array.from({ length: at.length / 2 }, (_, n) => {
    const all = [moments[3 * n]!, moments[3 * n + 1]!, moments[3 * n + 2]!] as const;
    if (!ring) return all[k];
    const angle = placeOf([at[2 * n]!, at[2 * n + 1]!])[1];
    const radial = [Math.cos(angle), Math.sin(angle)] as const;
    const round = [-radial[1], radial[0]] as const;
    return momentOf(momentBetween(k === 1 ? round : radial, k === 0 ? radial : round), all);
  });
}

/** Deflections, and how far the slab has cracked, node by node. */
export function deflectionMaps({ plate, answer }: PlateBasis, { sums, last }: PlateDeflections): Maps {
  const { mesh } = answer.model;
  const total = sums.find((s) => s.id === 'total')?.values;
  const after = sums.find((s) => s.id === 'after')?.values;
  const camber = camberOver(plate, answer);
  return {
    ...(total ? { deflection: total } : {}),
    ...(total && camber ? { level: belowLevel(total, camber) } : {}),
    ...(after ? { after } : {}),
    ...(last
      ? {
          crackedX: atNodes(mesh, last.cracked.x),
          crackedY: atNodes(mesh, last.cracked.y),
          remainingX: atNodes(mesh, last.remaining.x),
          remainingY: atNodes(mesh, last.remaining.y),
        }
      : {}),
  };
}

/** Values of triangles at nodes: means over those around each. */
function atNodes({ at, triangles }: PlateMesh, values: Float64Array): Float64Array {
  const [sums, counts] = [new Float64Array(at.length / 2), new Float64Array(at.length / 2)];
  triangles.forEach((node, i) => {
    sums[node]! += values[Math.floor(i / 3)]!;
    counts[node]! += 1;
  });
  return sums.map((v, n) => v / counts[n]!);
}

const overLayers = (maps: readonly PlateMap[], values: readonly Float64Array[]) =>
  Object.fromEntries(maps.map((map, i) => [map, values[i]!]));

/** Steel that the moments of a layer need node by node (mm2/mm), minimum steel aside; where no steel would do, the most that there is elsewhere. */
function requiredOver({ plate, code, answer, demands, metre, steel }: PlateBasis, layer: Layer): Float64Array {
  const { demand } = demandOn(demands, layer);
  const most = demand.reduce((a, b) => Math.max(a, b), 0);
  const mesh = meshIn(steel, layer);
  const inset = insetOf(plate, layer, barsOutside(plate, steel, layer));
  const ways = new Map(
    [...new Set(answer.depths)].map((h) => [h, steelFor(metre(h), code, most, metreWith(metre(h), mesh ? [mesh] : [], inset).d)]),
  );
  const needed = demand.map((m, n) => ways.get(answer.depths[n]!)!(m));
  const last = needed.reduce((a, b) => (Number.isFinite(b) ? Math.max(a, b) : a), 0);
  return needed.map((v) => (Number.isFinite(v) ? v : last));
}

/** Steel of a layer beyond what its moments need (mm2/mm); less than nothing where it is not enough. */
function spareOver({ plate, code, answer, metre, steel }: PlateBasis, layer: Layer, required: Float64Array): Float64Array {
  const spare = required.map((v) => -v);
  const inset = insetOf(plate, layer, barsOutside(plate, steel, layer));
  for (const zone of zonesOf(plate, code, steel, [layer], { mesh: answer.model.mesh, depths: answer.depths })) {
    const { provided } = metreWith(metre(zone.h), barsIn(steel, layer, zone.extras), inset);
    for (const n of zone.nodes) spare[n]! += provided;
  }
  return spare;
}

/** Moment over resistance of the layer that is used up most, node by node; moments that ask for no bars are left out. */
function usedOver({ plate, code, answer, demands, metre, steel }: PlateBasis): Float64Array {
  const used = new Float64Array(answer.depths.length);
  const least = NOTHING * Math.max(...demands.map(({ demand }) => demand.reduce((a, b) => Math.max(a, b), 0)));
  for (const layer of layers) {
    const { demand } = demandOn(demands, layer);
    const inset = insetOf(plate, layer, barsOutside(plate, steel, layer));
    for (const zone of zonesOf(plate, code, steel, [layer], { mesh: answer.model.mesh, depths: answer.depths })) {
      const resistance = resistanceWith(metre(zone.h), code, barsIn(steel, layer, zone.extras), inset);
      for (const n of zone.nodes)
        if (resistance > 0 || demand[n]! > least) used[n] = Math.max(used[n]!, Math.min(MOST_SHOWN, demand[n]! / resistance));
    }
  }
  return used;
}
