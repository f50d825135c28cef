import type { DesignCode } from '../../../codes/design-code';
import type { UnitSystem } from '../../../units/quantity';
import type { BeamAnalysis } from '../analysis';
import type { BeamStrips } from '../result';
import type { SteelAlong } from '../steel';
import type { DeflectionBasis } from './deflection';
import type { ServiceMoments } from './service-moments';
import { StiffnessMap } from './stiffness-map';
import type { PreparedBeam } from '../prepared';

/** What the checks in service look at. */
export interface ServiceBasis extends DeflectionBasis, ServiceMoments {
  readonly strips: BeamStrips;
  readonly units: UnitSystem;
}

/** Moments and stiffnesses in service. */
export function serviceBasis(
  beam: PreparedBeam,
  code: DesignCode,
  analysis: BeamAnalysis,
  map: SteelAlong,
  moments: ServiceMoments,
  { strips, units }: Pick<ServiceBasis, 'strips' | 'units'>,
): ServiceBasis {
  return { ...moments, beam, code, analysis, strips, units, stiffness: new StiffnessMap(beam, code, map, moments.grid) };
}
