import type { DesignCode } from '../../../codes/design-code';
import type { UnitSystem } from '../../../units/quantity';
import type { BeamAnalysis } from '../analysis';
import type { CheckBasis } from '../bending-checks';
import type { BeamInput } from '../input';
import type { BeamStrips } from '../result';
import type { SteelAlong } from '../steel';
import type { DeflectionBasis } from './deflection';
import type { ServiceMoments } from './service-moments';
import { StiffnessMap } from './stiffness-map';

type Show = CheckBasis['show'];

/** What the checks in service look at. */
export interface ServiceBasis extends DeflectionBasis, ServiceMoments {
  readonly strips: BeamStrips;
  readonly units: UnitSystem;
  readonly show: Show;
}

/** Moments and stiffnesses in service. */
export function serviceBasis(
  beam: BeamInput,
  code: DesignCode,
  analysis: BeamAnalysis,
  map: SteelAlong,
  moments: ServiceMoments,
  { strips, units, show }: Pick<ServiceBasis, 'strips' | 'units' | 'show'>,
): ServiceBasis {
  return { ...moments, beam, code, analysis, strips, units, show, stiffness: new StiffnessMap(beam, code, map, moments.grid) };
}
