import type { Calc } from '../../calc/calc';
import type { DerivableCheck } from '../../checks/check';
import type { FireSlab } from '../../codes/fire-rules';
import { layerOf } from '../../reinforcement/slab-bars';
import { fireChecks } from '../parts/fire-check';
import type { ReinforcedPlate } from './checks';
import { layers } from './input';
import { insetOf } from './layers';
import { barsIn, barsOutside } from './zones';

/**
 * Fire resistance of a slab by its thinnest part and its lowest bottom bars, exposed from below: as a flat slab where columns carry it, else as one that spans
 * one way, which asks for the most.
 */
export function plateFire({ plate, code, steel, answer }: ReinforcedPlate): DerivableCheck[] {
  const rows = layers
    .filter(({ face }) => face === 'bottom')
    .flatMap((layer) => {
      const inset = insetOf(plate, layer, barsOutside(plate, steel, layer));
      return barsIn(steel, layer, []).map((b) => ({ inset, axis: inset + layerOf(b, plate.catalogue).diameter / 2 }));
    });
  if (rows.length === 0) return fireChecks(plate.fire, code, []);
  const q: FireSlab = {
    materials: plate.materials,
    depth: Math.min(...answer.depths),
    axis: Math.min(...rows.map((r) => r.axis)),
    cover: Math.min(...rows.map((r) => r.inset)),
    use: 1,
    kind: plate.columns.length > 0 ? 'flat' : 'oneWay',
    ratio: Infinity,
  };
  return fireChecks(plate.fire, code, [{ label: 'thinnest part', ways: (c: Calc) => code.fire.slab(c, q) }]);
}
