import type { Calc } from '../../calc/calc';
import type { DerivableCheck } from '../../checks/check';
import { compareCheck, type Comparison } from '../../checks/compare';
import type { Ductility } from '../../codes/design-code';

/** Depth of the neutral axis or strain of the steel at the ultimate state, as the code judges it. */
export function ductilityRule(
  draft: Pick<Comparison, 'id' | 'title' | 'clause' | 'place' | 'assumptions' | 'fails'>,
  judge: (c: Calc) => Ductility | undefined,
  known: Ductility,
): DerivableCheck {
  return compareCheck({
    ...draft,
    family: 'detailing',
    kind: known.kind,
    write: (v) => (known.kind === 'strain' ? v.toFixed(4) : v.toFixed(3)),
    compare: (c) => {
      const { demand, capacity, utilisation } = judge(c) ?? known;
      return { demand, capacity, capacityIs: ['limit', 'as the code has it for this steel and redistribution'], utilisation };
    },
  });
}
