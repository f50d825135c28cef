import { checkInWords, isBeyond, type DerivableCheck } from '../../checks/check';
import type { DesignCode } from '../../codes/design-code';

/** A rule of span over depth beside a calculated deflection: it is information, with both of its figures. */
export function besideCalculation(d: DerivableCheck, actual: number, limit: number): DerivableCheck {
  const decided = isBeyond(actual, limit) ? 'the calculated deflection decides' : 'deflection would not have to be calculated';
  const reason = `${actual.toFixed(1)} against ${limit.toFixed(1)}: ${decided}.`;
  return { ...d, check: { ...d.check, utilisation: null, status: 'notApplicable', reason } };
}

/** A span for which the code's span over depth has no limit: said, and where nothing else decides, not covered. */
export function noSpanDepth(
  q: { readonly id: string; readonly label: string; readonly x: number | null; readonly clause: string; readonly refusal: string },
  { service }: Pick<DesignCode, 'service'>,
): DerivableCheck {
  return checkInWords({
    id: q.id,
    family: 'deflection',
    title: `${service.spanDepthTitle}, ${q.label}`,
    clause: q.clause,
    status: service.deflectionBy === 'spanDepth' ? 'notCovered' : 'notApplicable',
    place: { x: q.x, label: q.label },
    reason: q.refusal,
  });
}
