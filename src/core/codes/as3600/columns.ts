import type { Calc } from '../../calc/calc';
import type { BiaxialQuestion, TieQuestion, TieRules } from '../column-rules';
import type { Limit } from '../design-code';
import { fitmentSpacing, leastFitment } from './confinement';
import { biaxialExponent } from './slenderness';
import { formula } from './symbols';

export const F = {
  least: formula('A_s_min', '0.01 * A_g', '10.7.1(a)'),
  most: formula('A_s_max', '0.04 * A_g', '10.7.1(b)'),
  spacing: formula('s_fit', 'min(D_c, 15 * d_b)', '10.7.4.3'),
  biaxial: formula('u_bi', '(M_star_x / phi_M_ux)^alpha_n + (M_star_y / phi_M_uy)^alpha_n', '10.6.4'),
};

export const leastSteel = (c: Calc, area: number): Limit => ({ value: c.let(F.least, { A_g: area }), clause: '10.7.1(a)' });
export const mostSteel = (c: Calc, area: number): Limit => ({ value: c.let(F.most, { A_g: area }), clause: '10.7.1(b)' });

/** Bars further apart than this (mm, centre to centre) are all held, 10.7.4.1; nearer ones every second. */
const ALL_HELD = 150;

/** Fitments and helices, 10.7.4: least size, spacing along the member, and which bars are held. */
export function tieRules(c: Calc, q: TieQuestion): TieRules {
  const spacing = { value: c.let(F.spacing, { D_c: q.leastDimension, d_b: q.smallestBar }), clause: fitmentSpacing(1, 1).clause };
  return {
    leastDiameter: leastFitment(q.largestBar),
    spacing,
    // The first fitment stands within 50 mm of the slab or footing (10.7.4.4); the spacing itself does not change.
    spacingNearEnds: spacing,
    nearEnds: 0,
    unheldDistance: q.isSpiral ? { value: Infinity, clause: '10.7.4.2' } : { value: ALL_HELD - q.largestBar, clause: '10.7.4.1' },
    holdsAlternate: !q.isSpiral,
  };
}

/** The sum of both bendings, 10.6.4; it is to be at most 1. `squash` is Nuo. */
export function biaxialRule(c: Calc, q: BiaxialQuestion): { readonly utilisation: number; readonly clause: string } {
  const alpha_n = biaxialExponent(c, Math.max(0, q.N), q.squash);
  const values = { M_star_x: Math.abs(q.Mx), M_star_y: Math.abs(q.My), phi_M_ux: q.capacityX, phi_M_uy: q.capacityY, alpha_n };
  return { utilisation: c.let(F.biaxial, values), clause: '10.6.4' };
}
