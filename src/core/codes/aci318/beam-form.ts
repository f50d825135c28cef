import type { BeamFormRules } from '../beam-form-rules';
import { formula } from './symbols';

export const F = { lateral: formula('l_brace', '50 * b', '9.2.3.1(a)') };

/** Bracing of beams, and the bars that run through those along the perimeter of a building; stirrups are closed here, which is enough for all others (9.7.7.2(b)). */
export const beamForm: BeamFormRules = {
  lateral: (c, { b }) => ({ value: c.let(F.lateral, { b }), clause: '9.2.3.1(a)' }),
  mostAspect: null,
  integrity: { bottom: { value: 1 / 4, clause: '9.7.7.1(a)' }, top: { value: 1 / 6, clause: '9.7.7.1(b)' }, bars: 2 },
};
