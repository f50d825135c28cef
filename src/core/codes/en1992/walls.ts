import type { Calc } from '../../calc/calc';
import { formula } from './symbols';

export const F = {
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
