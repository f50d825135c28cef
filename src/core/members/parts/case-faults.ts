import { SELF_WEIGHT, type LoadCase } from '../../analysis/combination';
import type { Fault } from '../../checks/fault';
import type { DesignCode } from '../../codes/design-code';

interface Loaded {
  readonly cases: readonly LoadCase[];
  readonly ownCombinations: readonly { readonly factors: readonly { readonly caseId: string }[] }[];
}

/** Load cases of one name, or of a nature or a use that the code does not know; combinations of cases that are not there. */
export function caseFaults({ cases, ownCombinations }: Loaded, { natures, categories, title }: DesignCode): Fault[] {
  const ids = new Set([...cases.map((c) => c.id), SELF_WEIGHT]);
  const combined = ownCombinations.flatMap(({ factors }, i) =>
    factors.flatMap(({ caseId }, k) =>
      ids.has(caseId) ? [] : [{ path: `ownCombinations[${i}].factors[${k}].caseId`, reason: `There is no load case "${caseId}".` }],
    ),
  );
  const own = cases.flatMap(({ id, nature, category }, i): Fault[] => {
    const add = (field: string, reason: string) => [{ path: `cases[${i}].${field}`, reason }];
    if (cases.findIndex((c) => c.id === id) < i) return add('id', `There are two load cases "${id}".`);
    if (!Object.hasOwn(natures, nature)) return add('nature', `Loads of the nature "${nature}" are not in ${title}.`);
    const isKnown = nature !== 'imposed' || category === '' || Object.keys(categories).length === 0 || Object.hasOwn(categories, category);
    return isKnown ? [] : add('category', `There is no use "${category}" of areas in ${title}.`);
  });
  return [...own, ...combined];
}
