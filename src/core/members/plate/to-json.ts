import { measured } from '../../document/measured';
import type { UnitSystem } from '../../units/quantity';
import type { PlateResult } from './result';

/** What only a slab worked out as a plate has: its ultimate load, the size of its mesh, and each layer with its bars and moment. */
export const plateToJson = ({ load, mesh, maps, sections }: PlateResult, system: UnitSystem) => ({
  load: measured({ value: load, kind: 'areaLoad' }, system),
  nodes: mesh ? mesh.at.length / 2 : 0,
  elasticDeflection: maps ? measured({ value: Math.max(...maps.deflection), kind: 'smallLength' }, system) : null,
  sections: sections.map((s) => ({
    id: s.id,
    face: s.face,
    along: s.along,
    bars: s.bars,
    at: s.at.map((v) => measured({ value: v, kind: 'station' }, system)),
    d: measured({ value: s.d, kind: 'length' }, system),
    moment: measured({ value: s.moment, kind: 'lineTorque' }, system),
    resistance: measured({ value: s.resistance, kind: 'lineTorque' }, system),
    required: measured({ value: s.required, kind: 'areaPerWidth' }, system),
    provided: measured({ value: s.provided, kind: 'areaPerWidth' }, system),
  })),
});
