import type { Calc } from '../../calc/calc';
import { bearing } from '../../section/polygon-section';
import { steelStress } from '../../section/laws';
import type { StrengthReduction, UltimateBasis } from '../../section/ultimate';
import type { ResistanceRecord } from '../column-rules';
import type { Materials } from '../design-code';
import { beta1, PSI, steelModulus, yieldStrain } from './materials';
import { formula, symbols, type Form } from './symbols';

/** Grade above which yield strength is not counted in the squash load, 22.4.2.1: 550 MPa or 80 ksi. */
const mostSquashYield = (form: Form) => (form === 'SI' ? 550 : 80_000 * PSI);

export interface AxialOptions {
  readonly isSpiral: boolean;
  readonly deductsDisplaced: boolean;
  readonly roundsYieldStrain: boolean;
}

/** phi from that of compression-controlled sections to 0.90, by the strain of the extreme tension bars (table 21.2.2). */
const phiByStrain =
  (compression: number, epsTy: number): StrengthReduction =>
  (strain) => {
    const t = Math.max(0, Math.min(1, (strain - epsTy) / 0.003));
    return t === 1 ? 0.9 : compression + (0.9 - compression) * t;
  };

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
    reduction: phiByStrain(o.isSpiral ? 0.75 : 0.65, epsTy),
    axialCap: o.isSpiral ? 0.85 : 0.8,
    squashStress: Math.min(m.steelStrength, mostSquashYield(form)),
  };
}

export const F = {
  strain: formula('epsilon_i', '0.003 * (c - d_i)/c', '22.2.2.1'),
  force: formula('F_i', 'A_i * f_i', '22.2.3'),
  moment: formula('M_u', 'sqrt(M_ux^2 + M_uy^2)', '22.4'),
  use: formula('u_P', 'M_u / phi_M_n', '22.4'),
};

/** Writes down a limit state: where the neutral axis lies, strain and force of each bar, phi, and the moment against its strength. */
export function recordResistance(c: Calc, q: ResistanceRecord): void {
  const { point, basis, section } = q;
  const b = bearing(section, point.theta);
  c.note(
    'Direction and depth of the neutral axis are solved so that the reduced forces balance P and the moments point the same way.',
    '22.2',
  );
  c.given(symbols.theta_c, point.theta);
  const depth = c.given(symbols.c, Math.min(point.x, 1e6), 'solved');
  section.bars.forEach((bar, i) => {
    const strain = c.let(F.strain, { c: depth, d_i: b.vMax - b.bars[i]! });
    c.let(F.force, { A_i: bar.area, f_i: steelStress(strain, basis.steel) });
  });
  c.given(symbols.epsilon_t, -point.barStrain, 'bars furthest from the compressed side');
  c.given(symbols.phi, point.factor, 'table 21.2.2, by that strain');
  const M_u = c.let(F.moment, { M_ux: c.given(symbols.M_ux, q.Mx), M_uy: c.given(symbols.M_uy, q.My) });
  const phi_M_n = c.given(symbols.phi_M_n, Math.hypot(point.Mx, point.My), 'reduced sum of forces times their distances from the centroid');
  c.let(F.use, { M_u, phi_M_n });
}
