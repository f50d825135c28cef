import type { Calc } from '../../calc/calc';
import type { AnchorageQuestion } from '../anchorage-rules';
import type { ColumnLap } from '../column-rules';
import type { BarStress } from '../../section/bar-stress-regions';
import { F as splices, lap, length } from './anchorage';
import { PSI } from './materials';
import { formula, symbols, twoForms, type Form } from './symbols';

export const F = {
  usual: twoForms('l_sc', 'max(0.071 * f_y * d_b, 300)', 'max(0.0005 * f_y * d_b, 12)', '25.5.5.1(a)'),
  strong: twoForms('l_sc', 'max((0.13 * f_y - 24) * d_b, 300)', 'max((0.0009 * f_y - 24) * d_b, 12)', '25.5.5.1(b)'),
  weak: formula('l_sc', '4 / 3 * l_sc', '25.5.5.1'),
};

/** Bars that lap at one level: all of them, or half of them with the others at least ld away. */
export type LapShare = 'all' | 'half';

/**
 * The lap of a column's bars by the stress of the furthest one, 10.7.5.2: in compression a compression lap; in tension up to half of fy class A
 * where no more than half of the bars lap at one level and the laps are staggered, else class B.
 */
export function columnLap(c: Calc, q: AnchorageQuestion, stress: BarStress, share: LapShare, form: Form): ColumnLap {
  if (stress === 'compression') return { name: 'in compression', length: compressionLap(c, q, form), clause: '10.7.5.2.1, 25.5.5' };
  if (stress === 'upToHalf' && share === 'half') {
    const l_d = length(c, { ...q, isBent: false }, form);
    return {
      name: 'class A, tension up to 0.5 fy, half of the bars',
      length: c.let(splices.splice, { k_B: c.given(symbols.k_B, 1, 'class A'), l_d }),
      clause: '10.7.5.2.2',
    };
  }
  const said = stress === 'upToHalf' ? 'tension up to 0.5 fy, all bars' : 'tension above 0.5 fy';
  return { name: `class B, ${said}`, length: lap(c, q, form), clause: '10.7.5.2.2' };
}

/** 25.5.5.1; bars above 80 ksi (550 MPa) lap at least as in tension. */
function compressionLap(c: Calc, q: AnchorageQuestion, form: Form): number {
  const { steelStrength: f_y, concreteStrength } = q.materials;
  const d_b = c.given(symbols.d_b, q.diameter);
  const [usual, strong] = form === 'SI' ? [420, 550] : [60_000 * PSI, 80_000 * PSI];
  const of = c.let((f_y <= usual * (1 + 1e-9) ? F.usual : F.strong)[form], { f_y, d_b });
  const l_sc = concreteStrength < (form === 'SI' ? 21 : 3000 * PSI) * (1 - 1e-9) ? c.let(F.weak, { l_sc: of }) : of;
  return f_y > strong * (1 + 1e-9) ? Math.max(l_sc, lap(c, q, form)) : l_sc;
}
