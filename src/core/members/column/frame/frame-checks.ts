import { topicsNotCovered, type DerivableCheck } from '../../../checks/check';
import type { ColumnBasis } from '../checks';
import { coreChecks } from './core-checks';
import { formChecks } from './form-checks';
import { jointChecks } from './joint-checks';
import { yieldShearChecks } from './shear-checks';

/** What a ductile frame asks of a column beyond the usual rules. A class of another code is said, never passed over. */
export function frameChecks(basis: ColumnBasis): DerivableCheck[] {
  const { column, code, model } = basis;
  const { frame } = model.ties;
  if (!frame) {
    const name = column.frame ?? 'none';
    return name === 'none' ? [] : topicsNotCovered([{ title: `Frame class ${name}`, clause: `not a class of ${code.title} for columns` }]);
  }
  const own = { ...basis, frame };
  return [
    ...formChecks(own),
    ...coreChecks(own),
    ...jointChecks(own),
    ...yieldShearChecks(own),
    ...topicsNotCovered(frame.rules.notCovered),
  ];
}
