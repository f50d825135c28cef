import { isUnproven } from '../../checks/check';
import type { DesignCode } from '../../codes/design-code';
import { designPunching } from './design-punching';
import type { PunchingInput, PunchingLegs } from './input';
import { catalogues, findBar } from '../../materials/bars';
import { roundDown, usualSizes } from '../../reinforcement/usual-sizes';

const MOST_LEGS = 60;

/** Links that make a slab hold at a column: the thinnest usual size with the fewest legs; null where none are needed or none are enough. */
export function chooseLegs(p: PunchingInput, code: DesignCode, kind: PunchingLegs['kind'] = 'links'): PunchingLegs | null {
  const bare = designPunching({ ...p, legs: null }, code, { derive: [], units: 'SI' });
  const stage = bare.stages[0];
  if (!stage || !bare.needed || bare.needed.beyond !== null || bare.needed.last === null) return null;
  const { spacingStep } = usualSizes[p.catalogue];
  const step = spacingStep / 5;
  const { usualLegs } = code.punching;
  const spacing = Math.max(step, roundDown(usualLegs.spacing * stage.d, step));
  const first = Math.max(step, roundDown(usualLegs.first * stage.d, step));
  const perimeters = Math.max(2, 1 + Math.ceil((bare.needed.last - first) / spacing - 1e-6));
  const area = (bare.needed.area * spacing) / bare.needed.spacing;
  for (const size of usualSizes[p.catalogue].links) {
    const bar = findBar(catalogues[p.catalogue], size)!;
    for (let legs = Math.max(8, 2 * Math.ceil(area / bar.area / 2)); legs <= MOST_LEGS; legs += 2) {
      for (const more of [0, 1, 2]) {
        const tried: PunchingLegs = { kind, layout: 'round', size, legs, perimeters: perimeters + more, first, spacing };
        const { checks } = designPunching({ ...p, legs: tried }, code, { derive: [], units: 'SI' });
        if (!checks.some(isUnproven)) return tried;
      }
    }
  }
  return null;
}
