import type { Calc } from '../../calc/calc';
import type { WallQuestion } from '../column-rules';
import { formula, symbols } from './symbols';

export const F = {
  three: formula('beta_l', '1 / (1 + (l / (3 * b))^2)', 'table 12.1'),
  fourLong: formula('beta_l', '1 / (1 + (l / b)^2)', 'table 12.1'),
  fourShort: formula('beta_l', 'b / (2 * l)', 'table 12.1'),
  verticalMin: formula('A_s_v_min', '0.002 * A_c', '9.6.2(1)'),
  verticalMax: formula('A_s_max', '0.04 * A_c', '9.6.2(1)'),
  horizontalMin: formula('A_s_h_min', 'max(0.25 * A_s_v, 0.001 * A_c)', '9.6.3(1)'),
};

/** Least and most steel of a wall and its largest spacings, 9.6.2 and 9.6.3. Area of concrete mm2 for the same length as the steel. */
export function wallSteel(c: Calc, area: number, vertical: number, thickness: number) {
  return {
    leastVertical: { value: c.let(F.verticalMin, { A_c: area }), clause: '9.6.2(1)' },
    mostVertical: { value: c.let(F.verticalMax, { A_c: area }), clause: '9.6.2(1)' },
    leastHorizontal: { value: c.let(F.horizontalMin, { A_s_v: vertical, A_c: area }), clause: '9.6.3(1)' },
    verticalSpacing: { value: Math.min(3 * thickness, 400), clause: '9.6.2(3)' },
    horizontalSpacing: { value: 400, clause: '9.6.3(2)' },
  };
}

/**
 * Effective length over clear height of a wall by its lateral restraint, table 12.1. The table stands with plain concrete; its factors are
 * those of a plate held at its edges and are used for reinforced walls as well.
 */
export function wallFactor(c: Calc, { restraint, height, between }: WallQuestion): number {
  if (restraint === 'cantilever') return c.given(symbols.beta_l, 2, 'free at the top');
  if (restraint === 'twoSides') return c.given(symbols.beta_l, 1, 'held by the floors alone');
  const values = { l: height, b: between };
  if (restraint === 'threeSides') return Math.max(0.3, c.let(F.three, values));
  return c.let(between >= height ? F.fourLong : F.fourShort, values);
}
