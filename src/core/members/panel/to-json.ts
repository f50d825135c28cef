import { measured } from '../../document/measured';
import type { UnitSystem } from '../../units/quantity';
import type { PanelResult } from './result';

/** What only a panel has: its ultimate load, and each place with its bars and moment. */
export const panelToJson = ({ load, sections, moments }: PanelResult, system: UnitSystem) => ({
  load: measured({ value: load, kind: 'areaLoad' }, system),
  share: moments?.share ?? null,
  sections: sections.map((s) => ({
    place: s.place,
    bars: s.bars,
    d: measured({ value: s.d, kind: 'length' }, system),
    moment: measured({ value: s.moment, kind: 'lineTorque' }, system),
    resistance: measured({ value: s.resistance, kind: 'lineTorque' }, system),
    required: measured({ value: s.required ?? NaN, kind: 'areaPerWidth' }, system),
    provided: measured({ value: s.provided, kind: 'areaPerWidth' }, system),
  })),
});
