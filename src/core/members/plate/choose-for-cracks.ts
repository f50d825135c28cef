import type { Combination } from '../../analysis/combination';
import type { LoadedPlate, ReinforcedPlate } from './checks';
import { laidSteel } from './choose-bars';
import { cracksOf, looksAtCracks, usedByCracks } from './cracks';
import type { LayerDemand } from './envelope';
import { barsAt, isLayer, type Layer, type PlateInput } from './input';
import { resistanceWith } from './layers';
import type { LaidSteel } from './result';

/** Rounds in which bars are added for cracks, and the most of what is allowed that counts in one of them. */
const ROUNDS = 4;
const MOST = 2.5;
/** The width of cracks falls faster than the steel grows: with the stress, and with the distance of cracks. */
const STEP = 0.7;

const isChosen = (plate: PlateInput, layer: Layer): boolean => plate.bars.extra === null || barsAt(plate, layer) === null;

/** The bars of a slab for what strength asks of each layer. */
export function steelForStrength({ plate, code, metre, answer }: LoadedPlate, asked: readonly LayerDemand[], area: number): LaidSteel {
  return laidSteel(plate, code, { mesh: answer.model.mesh, depths: answer.depths }, asked, metre, area);
}

/**
 * The bars of a slab: those for what strength asks of each layer, and where the ones that are chosen let cracks grow too wide, with more of them. In layers where no number of
 * bars would do, those for strength stay and the check says so: the slab is too thin, or its bars too thick.
 */
export function steelForCracks(
  loaded: LoadedPlate,
  strength: readonly LayerDemand[],
  combinations: readonly Combination[],
  area: number,
): LaidSteel {
  const lay = (asked: readonly LayerDemand[]) => steelForStrength(loaded, asked, area);
  let steel = lay(strength);
  if (!looksAtCracks(loaded)) return steel;
  let asked = strength;
  for (let round = 0; round < ROUNDS; round += 1) {
    const more = askedForCracks({ ...loaded, steel }, combinations, asked);
    if (!more) return steel;
    asked = more.demands;
    steel = lay(asked);
  }
  const hopeless = askedForCracks({ ...loaded, steel }, combinations, asked)?.layers;
  if (!hopeless) return steel;
  return lay(asked.map((d, i) => (hopeless.some((layer) => isLayer(layer, d.layer)) ? strength[i]! : d)));
}

/** Moments that layers would have to carry for their cracks to be narrow enough, and which layers they are; undefined where they are. */
function askedForCracks(
  basis: ReinforcedPlate,
  combinations: readonly Combination[],
  asked: readonly LayerDemand[],
): { readonly demands: readonly LayerDemand[]; readonly layers: readonly Layer[] } | undefined {
  const { plate, code, metre } = basis;
  const cracks = cracksOf(basis, combinations);
  if (cracks.crack.combinations.length === 0 || cracks.full.combinations.length === 0) return undefined;
  const demands = asked.map((d) => ({ ...d, demand: d.demand.slice() }));
  const found: Layer[] = [];
  for (const zone of cracks.zones) {
    if (!isChosen(plate, zone)) continue;
    const own = demands.find((d) => isLayer(d.layer, zone))!.demand;
    const carried = resistanceWith(metre(zone.zone.h), code, zone.bars, zone.inset);
    for (const node of zone.zone.nodes) {
      const used = usedByCracks(basis, cracks, zone, node);
      if (used <= 1) continue;
      own[node] = Math.max(own[node]!, carried * Math.min(used, MOST) ** STEP * 1.01);
      if (!found.some((layer) => isLayer(layer, zone))) found.push({ face: zone.face, along: zone.along });
    }
  }
  return found.length > 0 ? { demands, layers: found } : undefined;
}
