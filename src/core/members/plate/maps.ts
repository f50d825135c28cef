import type { Combination } from '../../analysis/combination';
import type { PlateMesh } from '../../analysis/plates/mesh';
import type { PlateBasis } from './checks';
import type { PlateDeflections } from './deflection';
import { summedField, wholeOf } from './envelope';
import { isLayer, layers } from './input';
import { insetOf, metreWith, steelFor } from './layers';
import type { PlateMap } from './result';
import { barsOutside, meshIn } from './zones';

/** Fields over the slab, node by node: moments under the heaviest load, steel that the layers need, deflections, and how far the slab has cracked. */
export function mapsOf(
  basis: PlateBasis,
  { sums, last }: PlateDeflections,
  heaviest: Combination,
): Partial<Record<PlateMap, Float64Array>> {
  const { answer, demands } = basis;
  const moments = summedField(wholeOf(answer.parts, heaviest), demands[0]!.demand.length * 3, (part) => part.moments);
  const component = (k: number) => Float64Array.from(demands[0]!.demand, (_, n) => moments[3 * n + k]!);
  const steel = (i: number) => requiredOver(basis, i);
  const total = sums.find((s) => s.id === 'total')?.values;
  const after = sums.find((s) => s.id === 'after')?.values;
  const { mesh } = answer.model;
  return {
    mx: component(0),
    my: component(1),
    mxy: component(2),
    bottomX: steel(0),
    bottomY: steel(1),
    topX: steel(2),
    topY: steel(3),
    ...(total ? { deflection: total } : {}),
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

/** Steel that the moments of a layer need node by node (mm2/mm), minimum steel aside; where no steel would do, the most that there is elsewhere. */
function requiredOver({ plate, code, answer, demands, metre, steel }: PlateBasis, i: number): Float64Array {
  const layer = layers[i]!;
  const { demand } = demands.find((d) => isLayer(d.layer, layer))!;
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
