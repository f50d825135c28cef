import { isBeyond, type DerivableCheck } from '../../checks/check';

/** A rule of span over depth beside a calculated deflection: it is information, with both of its figures. */
export function besideCalculation(d: DerivableCheck, actual: number, limit: number): DerivableCheck {
  const decided = isBeyond(actual, limit) ? 'the calculated deflection decides' : 'deflection would not have to be calculated';
  const reason = `${actual.toFixed(1)} against ${limit.toFixed(1)}: ${decided}.`;
  return { ...d, check: { ...d.check, utilisation: null, status: 'notApplicable', reason } };
}
