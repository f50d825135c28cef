import { measured } from '../../document/measured';
import type { UnitSystem } from '../../units/quantity';
import { lineToJson } from '../beam/to-json';
import type { StripResult } from './result';

/** What only a slab spanning one way has: its curves and reactions are those of the strip. */
export const stripToJson = (result: StripResult, system: UnitSystem) => ({
  stripWidth: measured({ value: result.width, kind: 'length' }, system),
  ...lineToJson(result, system),
});
