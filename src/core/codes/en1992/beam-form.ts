import type { BeamFormRules } from '../beam-form-rules';
import { formula } from './symbols';

export const F = { lateral: formula('l_0t_max', '50 * b / (h / b)^(1/3)', '5.9(3)') };

/** 5.9(3): no second order sideways in permanent situations. */
export const beamForm: BeamFormRules = {
  lateral: (c, { b, h }) => ({ value: c.let(F.lateral, { b, h }), clause: '5.9(3)' }),
  mostAspect: { value: 2.5, clause: '5.9(3)' },
  integrity: null,
};
