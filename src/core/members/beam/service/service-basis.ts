import type { DesignCode } from '../../../codes/design-code';
import type { UnitSystem } from '../../../units/quantity';
import type { BeamAnalysis } from '../analysis';
import type { CheckBasis } from '../bending-checks';
import type { BeamInput } from '../input';
import type { BeamStrips } from '../result';
import type { SteelAlong } from '../steel';
import type { DeflectionBasis } from './deflection';
import { makeGrid, momentsOn, rangeOf, serviceArrangements, type MomentRange } from './service-moments';
import { StiffnessMap } from './stiffness-map';

type Show = CheckBasis['show'];

/** What the checks in service look at. */
export interface ServiceBasis extends DeflectionBasis {
  readonly strips: BeamStrips;
  readonly units: UnitSystem;
  readonly show: Show;
  /** Moments for which cracks are checked, and the names of the combinations. */
  readonly crackMoments: MomentRange;
  readonly crackNames: readonly string[];
  readonly fullNames: readonly string[];
}

/** Moments and stiffnesses in service; undefined where there is no service combination. */
export function serviceBasis(
  beam: BeamInput,
  code: DesignCode,
  analysis: BeamAnalysis,
  map: SteelAlong,
  strips: BeamStrips,
  { units, show }: { readonly units: UnitSystem; readonly show: Show },
): ServiceBasis | undefined {
  const grid = makeGrid(beam, analysis.mesh);
  const range = (loads: Parameters<typeof serviceArrangements>[3]) => {
    const arrangements = serviceArrangements(beam, code, analysis, loads);
    const names = arrangements.map((a) => [a.combination.id, a.label].filter(Boolean).join(', '));
    return {
      names,
      moments: rangeOf(
        arrangements.map((a) => momentsOn(grid, a)),
        grid.x.length,
      ),
    };
  };
  const full = range(code.service.fullLoads);
  if (full.names.length === 0) return undefined;
  const crack = code.service.crackLoads === code.service.fullLoads ? full : range(code.service.crackLoads);
  return {
    beam,
    code,
    analysis,
    grid,
    strips,
    units,
    show,
    stiffness: new StiffnessMap(beam, code, map, grid),
    largest: full.moments,
    crackMoments: crack.moments,
    crackNames: crack.names,
    fullNames: full.names,
  };
}
