import { finite, measured } from '../../document/measured';
import type { UnitSystem } from '../../units/quantity';
import type { ColumnResult } from './result';

/** What only a column has: the load sets as checked, where each is worst, the bars in their places. */
export function columnToJson(result: ColumnResult, system: UnitSystem) {
  const moment = (value: number | null) => measured({ value: value ?? NaN, kind: 'moment' }, system);
  return {
    sets: result.summaries.map((s) => ({
      name: result.sets[s.index]!.name,
      title: result.sets[s.index]!.title,
      N: measured({ value: s.N, kind: 'force' }, system),
      place: s.place,
      Mx: moment(s.Mx),
      My: moment(s.My),
      utilisation: finite(s.utilisation),
      ...(s.refusal ? { refusal: s.refusal } : {}),
    })),
    slenderness: result.slenderness,
    steelRatio: result.steelRatio,
    bars: result.bars.map((b) => ({
      size: b.size,
      x: measured({ value: b.x, kind: 'smallLength' }, system),
      y: measured({ value: b.y, kind: 'smallLength' }, system),
    })),
  };
}
