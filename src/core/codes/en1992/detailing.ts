import { silent, type Calc } from '../../calc/calc';
import type { Limit, Materials } from '../design-code';
import { F as materials, meanTensileStrength } from './materials';
import type { NationalAnnex } from './national';
import { formula, symbols } from './symbols';

export const F = {
  clear: formula('s_cl', 'max(phi, d_g + 5, 20)', '8.2(2)', { empirical: 'SI' }),
  hold: formula('s_hold', '15 * phi_2', '9.2.1.2(3)'),
  fbd: formula('f_bd', '2.25 * eta_1 * eta_2 * f_ctd', '(8.2)'),
  eta2Large: formula('eta_2', '(132 - phi)/100', '8.4.2(2)', { empirical: 'SI' }),
  lbrqd: formula('l_b_rqd', 'phi * f_yd / (4 * f_bd)', '(8.3)'),
};

/** Clear distance between bars, 8.2(2): k1 = 1, k2 = 5 mm. */
export function clearSpacing(diameter: number, aggregate: number, c: Calc = silent): Limit {
  return { value: c.let(F.clear, { phi: diameter, d_g: aggregate }), clause: '8.2(2)' };
}

/** Links that hold a bar in compression, 9.2.1.2(3). */
export function compressionLinkSpacing(diameter: number, c: Calc = silent): Limit {
  return { value: c.let(F.hold, { phi_2: diameter }), clause: '9.2.1.2(3)' };
}

/** Bond is poor for top bars of members deeper than 600 mm in their upper 300 mm, and of members over 250 mm above 250 mm (figure 8.2). */
export function hasGoodBond(isTop: boolean, h: number): boolean {
  return !isTop || h <= 250;
}

/**
 * Basic anchorage length (mm), 8.4.3, with the bar stressed to fyd and all alpha at 1.0; eta1 is 0.7 for top bars.
 * fctk,0.05 is limited to that of C60/75 (8.4.2(2)).
 */
export function anchorageLength(c: Calc, diameter: number, isTop: boolean, h: number, m: Materials, annex: NationalAnnex): number {
  const fck = Math.min(m.concreteStrength, 60);
  const f_ctm = meanTensileStrength(c, fck);
  const f_ctk_005 = c.let(materials.fctk, { f_ctm });
  const f_ctd = c.let(materials.fctd, { f_ctk_005, gamma_C: annex.gammaC });
  const good = hasGoodBond(isTop, h);
  const eta_1 = c.given(symbols.eta_1, good ? 1 : 0.7, good ? 'good bond' : 'poor bond: top bars');
  const eta_2 = diameter > 32 ? c.let(F.eta2Large, { phi: diameter }) : 1;
  const f_bd = c.let(F.fbd, { eta_1, eta_2, f_ctd });
  const f_yd = m.steelStrength / annex.gammaS;
  return c.let(F.lbrqd, { phi: diameter, f_yd, f_bd });
}
