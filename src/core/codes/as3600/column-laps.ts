import type { Calc } from '../../calc/calc';
import type { BarStress } from '../../section/bar-stress-regions';
import type { AnchorageQuestion } from '../anchorage-rules';
import type { ColumnLap } from '../column-rules';
import { lap } from './anchorage';
import { compressionLength } from './development';
import { formula, symbols } from './symbols';

export const F = {
  compression: formula('L_lap', 'max(300, L_syc, 40 * d_b)', '13.2.4', { empirical: 'SI' }),
  held: formula('L_lap', 'max(300, 0.8 * max(L_syc, 40 * d_b))', '13.2.4', { empirical: 'SI' }),
};

/** A lap in compression (mm), 13.2.4; less where fitments across it have at least a thousandth of a bar's area for each mm along it. */
export function compressionLap(c: Calc, d_b: number, L_syc: number, hasFitments: boolean): number {
  return c.let(hasFitments ? F.held : F.compression, { d_b, L_syc });
}

/** The lap of a column's bars by the stress of the furthest one: in compression 13.2.4, in tension 13.2.2. */
export function columnLap(c: Calc, q: AnchorageQuestion, stress: BarStress): ColumnLap {
  if (stress !== 'compression') return { name: 'in tension', length: lap(c, q), clause: '13.2.2' };
  const { steelStrength, concreteStrength } = q.materials;
  const d_b = c.given(symbols.d_b, q.diameter);
  const L_syc = compressionLength(c, d_b, concreteStrength, steelStrength);
  const { transverse: t } = q;
  const hasFitments = t !== undefined && t.area / t.spacing >= (Math.PI * d_b ** 2) / 4 / 1000;
  return { name: 'in compression', length: compressionLap(c, d_b, L_syc, hasFitments), clause: '13.2.4' };
}
