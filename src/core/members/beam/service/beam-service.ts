import type { DesignCode } from '../../../codes/design-code';
import { checkInWords, type DerivableCheck } from '../../../checks/check';
import type { BeamAnalysis } from '../analysis';
import type { CheckBasis } from '../bending-checks';
import type { ServiceStrips } from '../result';
import type { SteelAlong } from '../steel';
import { crackChecks } from './crack-checks';
import { deflectionChecks } from './deflection-checks';
import { serviceBasis } from './service-basis';
import type { ServiceMoments } from './service-moments';
import type { PreparedBeam } from '../prepared';

/** Stresses, cracks and deflections of a beam in service, with their curves. */
export function beamService(
  beam: PreparedBeam,
  code: DesignCode,
  analysis: BeamAnalysis,
  map: SteelAlong,
  moments: ServiceMoments | undefined,
  basisOf: Pick<CheckBasis<SteelAlong>, 'strips' | 'units'>,
): { readonly checks: DerivableCheck[]; readonly strips: ServiceStrips | null } {
  if (!moments) return { checks: [noService()], strips: null };
  const basis = serviceBasis(beam, code, analysis, map, moments, basisOf);
  const deflection = deflectionChecks(basis);
  const crack = crackChecks(basis);
  return { checks: [...deflection.checks, ...crack.checks], strips: { x: deflection.x, sums: deflection.sums, ...crack.strip } };
}

function noService(): DerivableCheck {
  return checkInWords({
    id: 'service',
    family: 'deflection',
    title: 'Deflection and cracks',
    clause: '',
    status: 'failed',
    place: { x: null, label: '' },
    reason: 'No service combination is switched on: deflections and cracks are not checked.',
  });
}
