import type { Calc } from '../../calc/calc';
import type { FlangeShear } from '../design-code';
import { F as strength, meanTensileStrength } from './materials';
import type { NationalAnnex } from './national';
import { F as shear, shearStrength } from './shear';
import { formula } from './symbols';

export const F = {
  v: formula('v_Ed', 'Delta_F_d / (h_f * Delta_x)', '(6.20)'),
  vMax: formula('v_Rd_max', 'nu * f_cd * cot_theta_f / (1 + cot_theta_f^2)', '(6.22)'),
  asf: formula('a_sf', 'v_Ed * h_f / (f_yd * cot_theta_f)', '(6.21)'),
};

/** Flattest strut in a flange: cot theta f is 2.0 in a compressed flange, 1.25 in a stretched one (6.2.4(4)). */
const FLATTEST = { compressed: 2, stretched: 1.25 };

/** Shear between web and flange, 6.2.4. No steel beyond that for bending is needed while vEd is at most 0.4 fctd (6.2.4(6)). */
export function flangeShear(c: Calc, { force, length, hf, flange, materials: m }: FlangeShear, annex: NationalAnnex) {
  const f_ck = shearStrength(m.concreteStrength, annex);
  const v_Ed = c.let(F.v, { Delta_F_d: force, h_f: hf, Delta_x: length });
  const nu = c.let(shear.nu1, { f_ck });
  const f_cd = c.let(strength.fcd, { alpha_cc: annex.alphaCCShear, f_ck, gamma_C: annex.gammaC });
  const cot_theta_f = FLATTEST[flange];
  const limit = c.let(F.vMax, { nu, f_cd, cot_theta_f });
  const f_yd = c.let(strength.fyd, { f_yk: m.steelStrength, gamma_S: annex.gammaS });
  const areaPerLength = c.let(F.asf, { v_Ed, h_f: hf, f_yd, cot_theta_f });
  const f_ctk_005 = c.let(strength.fctk, { f_ctm: meanTensileStrength(c, m.concreteStrength) });
  const f_ctd = c.let(strength.fctd, { f_ctk_005, gamma_C: annex.gammaC });
  return { stress: v_Ed, limit, cotTheta: cot_theta_f, areaPerLength, needsSteel: v_Ed > 0.4 * f_ctd };
}
