import type { Combination } from '../../analysis/combination';
import { PER_NODE } from '../../analysis/plates/multifrontal';
import type { PlateBasis } from './checks';
import { extremesOf, summedField, wholeOf } from './envelope';
import { isLayer, layers } from './input';
import { insetOf, metreWith, steelFor } from './layers';
import type { PlateMap } from './result';
import { barsOutside, meshIn } from './zones';

/** Fields over the slab, node by node: moments under the heaviest load, steel that the layers need, the largest elastic deflection. */
export function mapsOf(basis: PlateBasis, combinations: readonly Combination[], heaviest: Combination): Record<PlateMap, Float64Array> {
  const { answer, demands } = basis;
  const moments = summedField(wholeOf(answer.parts, heaviest), demands[0]!.demand.length * 3, (part) => part.moments);
  const component = (k: number) => Float64Array.from(demands[0]!.demand, (_, n) => moments[3 * n + k]!);
  const steel = (i: number) => requiredOver(basis, i);
  const service = combinations.filter((c) => c.kind === 'characteristic' || c.kind === 'service');
  const { values } = extremesOf(answer.parts, service, 1, (part) => part.state.moved);
  return {
    mx: component(0),
    my: component(1),
    mxy: component(2),
    bottomX: steel(0),
    bottomY: steel(1),
    topX: steel(2),
    topY: steel(3),
    deflection: Float64Array.from(demands[0]!.demand, (_, n) => values[PER_NODE * n] ?? 0),
  };
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
