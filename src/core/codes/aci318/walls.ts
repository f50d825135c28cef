import type { Calc } from '../../calc/calc';
import type { WallQuestion } from '../column-rules';
import { INCH } from './materials';
import { formula, symbols, type Form } from './symbols';

export const F = { vertical: formula('A_s_min', '0.0015 * A_g', '11.6.1'), horizontal: formula('A_h_min', '0.0025 * A_g', '11.6.1') };

/**
 * Minimum reinforcement of a cast-in-place wall with deformed bars larger than No. 16 (#5), table 11.6.1, and its largest spacings (11.7.2, 11.7.3). Area of
 * concrete mm2. Smaller bars of Grade 420 / 60 may have 0.0012 and 0.0020: not used here: never less steel than the table asks for.
 */
export function wallSteel(c: Calc, area: number, _vertical: number, thickness: number, form: Form) {
  const most = Math.min(3 * thickness, form === 'SI' ? 450 : 18 * INCH);
  return {
    leastVertical: { value: c.let(F.vertical, { A_g: area }), clause: '11.6.1' },
    mostVertical: { value: Infinity, clause: '' },
    leastHorizontal: { value: c.let(F.horizontal, { A_g: area }), clause: '11.6.1' },
    verticalSpacing: { value: most, clause: '11.7.2.1' },
    horizontalSpacing: { value: most, clause: '11.7.3.1' },
  };
}

/** Effective length factor of a wall, table 11.5.3.2: braced top and bottom and free to turn 1.0, not braced 2.0. Edges that hold it do not count. */
export function wallFactor(c: Calc, { restraint }: WallQuestion): number {
  const isFree = restraint === 'cantilever';
  return c.given(symbols.k, isFree ? 2 : 1, isFree ? 'not braced at the top' : 'braced at top and bottom, free to turn');
}
