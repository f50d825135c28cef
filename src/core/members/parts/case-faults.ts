import type { LoadCase } from '../../analysis/combination';
import type { Fault } from '../../checks/fault';
import type { DesignCode } from '../../codes/design-code';

/** Load cases of one name, or of a nature or a use that the code does not know. */
export function caseFaults(cases: readonly LoadCase[], { natures, categories, title }: DesignCode): Fault[] {
  return cases.flatMap(({ id, nature, category }, i): Fault[] => {
    const add = (field: string, reason: string) => [{ path: `cases[${i}].${field}`, reason }];
    if (cases.findIndex((c) => c.id === id) < i) return add('id', `There are two load cases "${id}".`);
    if (!Object.hasOwn(natures, nature)) return add('nature', `Loads of the nature "${nature}" are not in ${title}.`);
    const isKnown = nature !== 'imposed' || category === '' || Object.keys(categories).length === 0 || Object.hasOwn(categories, category);
    return isKnown ? [] : add('category', `There is no use "${category}" of areas in ${title}.`);
  });
}
