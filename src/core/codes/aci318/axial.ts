import type { Calc } from '../../calc/calc';
import type { UltimateBasis } from '../../section/ultimate';
import type { Materials } from '../design-code';
import { beta1, PSI, steelModulus, yieldStrain } from './materials';
import type { Form } from './symbols';

/** Grade above which yield strength is not counted in the squash load, 22.4.2.1: 550 MPa or 80 ksi. */
const mostSquashYield = (form: Form) => (form === 'SI' ? 550 : 80_000 * PSI);

export interface AxialOptions {
  readonly isSpiral: boolean;
  readonly deductsDisplaced: boolean;
  readonly roundsYieldStrain: boolean;
}

/**
 * Strength of a section under axial force and moment, 22.2 and 22.4: edge strain 0.003, rectangular block, phi by the strain of the
 * extreme tension bars (table 21.2.2), and at most 0.80 (ties) or 0.85 (spirals) of Po (table 22.4.2.1).
 */
export function ultimateBasis(c: Calc, m: Materials, form: Form, o: AxialOptions): UltimateBasis {
  const epsTy = yieldStrain(c, m.steelStrength, form, o.roundsYieldStrain);
  return {
    concrete: { kind: 'block', depthFactor: beta1(c, m.concreteStrength, form), stress: 0.85 * m.concreteStrength, ultimateStrain: 0.003 },
    steel: { yield: m.steelStrength, modulus: steelModulus(form) },
    uniformStrain: null,
    deductsDisplaced: o.deductsDisplaced,
    reduction: { compression: o.isSpiral ? 0.75 : 0.65, tension: 0.9, from: epsTy, over: 0.003 },
    axialCap: o.isSpiral ? 0.85 : 0.8,
    squashStress: Math.min(m.steelStrength, mostSquashYield(form)),
  };
}
