import { curve, measured } from '../../document/measured';
import { displayUnit, type QuantityKind, type UnitSystem } from '../../units/quantity';
import type { BeamResult, BeamStrips, ServiceStrips } from './result';

/** What beams and strips of slab have. */
interface LineResult extends Pick<BeamResult, 'arrangements' | 'reactions' | 'strips' | 'service'> {
  readonly steel: object | null;
}

export function lineToJson(result: LineResult, system: UnitSystem) {
  return {
    arrangements: result.arrangements,
    reactions: result.reactions.map((r) => ({
      support: r.support,
      max: measured({ value: r.max, kind: 'force' }, system),
      min: measured({ value: r.min, kind: 'force' }, system),
      cases: r.cases.map((c) => ({ case: c.id, force: measured({ value: c.force, kind: 'force' }, system) })),
    })),
    steel: result.steel,
    strips: result.strips && stripsToJson(result.strips, system),
    service: result.service && serviceToJson(result.service, system),
  };
}

/** What only a beam has. */
export function beamToJson(result: BeamResult, system: UnitSystem) {
  return {
    ...lineToJson(result, system),
    momentZeros: {
      sagging: result.zeros.sagging.map((x) => measured({ value: x, kind: 'station' }, system)),
      hogging: result.zeros.hogging.map((x) => measured({ value: x, kind: 'station' }, system)),
    },
  };
}

function serviceToJson(s: ServiceStrips, system: UnitSystem) {
  const along = (values: ArrayLike<number>, kind: QuantityKind) => curve(values, kind, system, 8);
  return {
    units: { station: displayUnit('station', system).unit.name, deflection: displayUnit('smallLength', system).unit.name },
    x: along(s.x, 'station'),
    deflections: s.sums.map((sum) => ({
      id: sum.id,
      title: sum.title,
      max: along(sum.max, 'smallLength'),
      min: along(sum.min, 'smallLength'),
      limits: along(sum.limits, 'smallLength'),
    })),
    crackX: along(s.crackX, 'station'),
    crackBottom: along(s.crackBottom, 'crack'),
    crackTop: along(s.crackTop, 'crack'),
    crackIsEstimate: s.crackIsEstimate,
  };
}

function stripsToJson(s: BeamStrips, system: UnitSystem) {
  const along = (values: ArrayLike<number>, kind: QuantityKind) => curve(values, kind, system, 10);
  const names = {
    station: displayUnit('station', system).unit.name,
    moment: displayUnit('moment', system).unit.name,
    force: displayUnit('force', system).unit.name,
    area: displayUnit('area', system).unit.name,
  };
  return {
    units: names,
    x: along(s.x, 'station'),
    span: Array.from(s.span),
    maxM: along(s.maxM, 'moment'),
    minM: along(s.minM, 'moment'),
    maxV: along(s.maxV, 'force'),
    minV: along(s.minV, 'force'),
    designV: along(s.designV, 'force'),
    shiftedSagging: along(s.shiftedSagging, 'moment'),
    shiftedHogging: along(s.shiftedHogging, 'moment'),
    resistanceSagging: along(s.resistanceSagging, 'moment'),
    resistanceHogging: along(s.resistanceHogging, 'moment'),
    resistanceV: along(s.resistanceV, 'force'),
    requiredBottom: along(s.requiredBottom, 'area'),
    requiredTop: along(s.requiredTop, 'area'),
    providedBottom: along(s.providedBottom, 'area'),
    providedTop: along(s.providedTop, 'area'),
  };
}
