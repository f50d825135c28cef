import type { BeamFormRules } from '../beam-form-rules';
import { formula } from './symbols';

export const F = {
  span: formula('L_l_max', 'min(180 * b_cf / D, 60) * b_cf', '8.9.2'),
  cantilever: formula('L_l_max', 'min(100 * b_cf / D, 25) * b_cf', '8.9.3'),
};

/** Slenderness of beams, 8.9: spans, and cantilevers that are held at their support alone. */
export const beamForm: BeamFormRules = {
  lateral: (c, { b, h, isCantilever }) => ({
    value: c.let(isCantilever ? F.cantilever : F.span, { b_cf: b, D: h }),
    clause: isCantilever ? '8.9.3' : '8.9.2',
  }),
  mostAspect: null,
  integrity: null,
};
