import { measured } from '../../document/measured';
import type { UnitSystem } from '../../units/quantity';
import type { PlateResult } from './result';

/** What only a slab worked out as a plate has: its ultimate load, the size of its mesh, and each layer with its bars and moment. */
export const plateToJson = ({ load, mesh, maps, sections, lines, columns, beams, reactions }: PlateResult, system: UnitSystem) => ({
  load: measured({ value: load, kind: 'areaLoad' }, system),
  nodes: mesh ? mesh.at.length / 2 : 0,
  deflection: maps?.deflection
    ? measured({ value: maps.deflection.reduce((a, b) => Math.max(a, b), 0), kind: 'smallLength' }, system)
    : null,
  straightedges: lines.map((l) => ({
    name: l.name,
    ends: l.ends.map((p) => p.map((v) => measured({ value: v, kind: 'station' }, system))),
    gaps: l.gaps.map((g) => ({
      id: g.id,
      deflection: measured({ value: g.deflection, kind: 'smallLength' }, system),
      length: measured({ value: g.length, kind: 'length' }, system),
      limit: measured({ value: g.limit, kind: 'smallLength' }, system),
    })),
  })),
  columns: columns.map((c) => ({
    name: c.name,
    forces: c.forces.map((f) => ({
      name: f.name,
      V: measured({ value: f.V, kind: 'force' }, system),
      Mx: measured({ value: f.Mx, kind: 'moment' }, system),
      My: measured({ value: f.My, kind: 'moment' }, system),
    })),
  })),
  reactions: reactions.map((r) => ({
    name: r.title,
    resultant: measured({ value: r.resultant, kind: 'force' }, system),
    centre: measured({ value: r.centre, kind: 'station' }, system),
    most: measured({ value: r.most, kind: 'lineLoad' }, system),
    least: measured({ value: r.least, kind: 'lineLoad' }, system),
    turning: measured({ value: r.turning, kind: 'lineTorque' }, system),
    cases: r.cases.map((c) => ({ case: c.caseId, force: measured({ value: c.force, kind: 'force' }, system) })),
  })),
  beams: beams.map((b) => ({
    name: b.name,
    flange: measured({ value: b.flange, kind: 'length' }, system),
    sagging: measured({ value: b.sagging.moment, kind: 'moment' }, system),
    hogging: measured({ value: b.hogging.moment, kind: 'moment' }, system),
    shear: measured({ value: b.shear, kind: 'force' }, system),
  })),
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
