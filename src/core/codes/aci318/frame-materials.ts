import type { Materials } from '../basis';
import { PSI } from './materials';
import type { Form } from './symbols';

/** Grade 60 (420) and below, as chapter 18 tells grades apart. */
export const isGrade60 = (m: Materials, form: Form) => m.steelStrength <= (form === 'SI' ? 425 : 60_500 * PSI);

/** Why materials do not suit a special moment frame; null where they do. */
export function specialMaterialFault(m: Materials, form: Form): string | null {
  if (m.concreteStrength < (form === 'SI' ? 20.9 : 2995 * PSI))
    return 'A special moment frame needs f′c of at least 21 MPa, 3000 psi (18.2.5.1).';
  return m.steelStrength > (form === 'SI' ? 555 : 80_500 * PSI)
    ? 'A special moment frame has bars of grade 80 (550) at most (18.2.6, table 20.2.2.4).'
    : null;
}
