import type { Calc } from '../../calc/calc';
import type { Limit } from '../basis';
import type { SimpleWall, WallQuestion } from '../column-rules';
import { formula, symbols } from './symbols';

export const F = {
  vertical: formula('A_v_min', '0.0025 * A_g', '11.7.1'),
  horizontal: formula('A_h_min', '0.0025 * A_g', '11.7.1'),
  spacing: formula('s_wall', 'min(2.5 * t_w, 350)', '11.7.3', { empirical: 'SI' }),
  beside: formula('e_a', 'H_we^2 / (2500 * t_w)', '11.5.1'),
  simple: formula('phi_N_uw', 'phi * (t_w - 1.2 * e_w - 2 * e_a) * 0.6 * f_c_prime * L_w', '11.5.1'),
  three: formula('k_e_len', 'min(1.0, max(0.3, 1 / (1 + (H_w / (3 * L_1))^2)))', '11.4(b)'),
  four: formula('k_e_len', '1 / (1 + (H_w / L_1)^2)', '11.4(c)'),
  fourTall: formula('k_e_len', 'L_1 / (2 * H_w)', '11.4(c)'),
};

/** Minimum reinforcement of a wall, 11.7.1, and its largest spacings, 11.7.3. Area of concrete mm2. Horizontal shrinkage is taken as restrained. */
export function wallSteel(c: Calc, area: number, _vertical: number, thickness: number) {
  const spacing = { value: c.let(F.spacing, { t_w: thickness }), clause: '11.7.3' };
  return {
    leastVertical: { value: c.let(F.vertical, { A_g: area }), clause: '11.7.1' },
    mostVertical: { value: Infinity, clause: '' },
    leastHorizontal: { value: c.let(F.horizontal, { A_g: area }), clause: '11.7.1' },
    verticalSpacing: spacing,
    horizontalSpacing: spacing,
  };
}

/** Slenderness up to which the short rule holds with bars in both faces, 11.5.2. */
const MOST_SLENDER = 30;

/** Axial strength of a braced wall by the short rule, 11.5.1 (N): eccentricity at least 0.05 of the thickness, bars in both faces. */
export function simpleWall(c: Calc, { materials, thickness, length, height, e }: SimpleWall): Limit | null {
  if (height / thickness > MOST_SLENDER) return null;
  const e_a = c.let(F.beside, { H_we: height, t_w: thickness });
  const e_w = c.given(symbols.e_w, Math.max(e, 0.05 * thickness), 'of the load, at least 0.05 of the thickness');
  if (thickness - 1.2 * e_w - 2 * e_a <= 0) return null;
  const phi = c.given(symbols.phi, 0.65, 'table 2.2.2');
  const values = { phi, t_w: thickness, e_w, e_a, f_c_prime: materials.concreteStrength, L_w: length };
  return { value: c.let(F.simple, values), clause: '11.5.1' };
}

/** Effective height over height of a wall, 11.4: ends that are free to turn, held at top and foot, at three or at four edges. */
export function wallFactor(c: Calc, { restraint, height: H_w, between: L_1 }: WallQuestion): number {
  if (restraint === 'cantilever') return c.given(symbols.k_e_len, 2.2, 'not held at the top, figure 10.5.3');
  if (restraint === 'twoSides') return c.given(symbols.k_e_len, 1, 'held at top and foot, free to turn, 11.4(a)');
  if (restraint === 'threeSides') return c.let(F.three, { H_w, L_1 });
  return c.let(H_w <= L_1 ? F.four : F.fourTall, { H_w, L_1 });
}
