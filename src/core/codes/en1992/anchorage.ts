import type { Calc } from '../../calc/calc';
import type { AnchorageQuestion, AnchorageRules, EndSupport, EndSupportQuestion } from '../anchorage-rules';
import { F as bond, hasGoodBond } from './detailing';
import { F as materials, meanTensileStrength } from './materials';
import type { NationalAnnex } from './national';
import { formula, symbols } from './symbols';

export const F = {
  required: formula('l_b_rqd', 'phi * sigma_sd / (4 * f_bd)', '(8.3)'),
  cover: formula('alpha_2c', 'max(0.7, min(1, 1 - 0.15 * (c_d - phi) / phi))', 'table 8.2'),
  coverBent: formula('alpha_2c', 'max(0.7, min(1, 1 - 0.15 * (c_d - 3 * phi) / phi))', 'table 8.2'),
  pressure: formula('alpha_5', 'max(0.7, min(1, 1 - 0.04 * p_t))', 'table 8.2', { empirical: 'SI' }),
  length: formula('l_bd', 'max(alpha_1b * max(0.7, alpha_2c * alpha_5) * l_b_rqd, l_b_min)', '(8.4)'),
  least: formula('l_b_min', 'max(0.3 * l_b_rqd, 10 * phi, 100)', '(8.6)', { empirical: 'SI' }),
  share: formula('alpha_6', 'max(1, min(1.5, sqrt(rho_1 / 25)))', '8.7.3(1)'),
  lap: formula('l_0_lap', 'max(alpha_1b * max(0.7, alpha_2c * alpha_5) * alpha_6 * l_b_rqd, l_0_min)', '(8.10)'),
  lapLeast: formula('l_0_min', 'max(0.3 * alpha_6 * l_b_rqd, 15 * phi, 200)', '(8.11)', { empirical: 'SI' }),
  force: formula('F_E', 'V_Ed * a_l / z', '(9.3)'),
  stress: formula('sigma_sd', 'F_E / A_s', '9.2.1.4(2)'),
  spread: formula('p_t', 'V_Ed / (b_w * w_s)', 'table 8.2'),
};

type Factors = {
  readonly phi: number;
  readonly l_b_rqd: number;
  readonly alpha_1b: number;
  readonly alpha_2c: number;
  readonly alpha_5: number;
};

/** Factors of table 8.2 for bars in tension: bend, cover, and pressure; transverse bars (alpha 3, 4) are not counted. */
function factors(c: Calc, q: AnchorageQuestion, annex: NationalAnnex): Factors {
  const phi = c.given(symbols.phi, q.diameter);
  const fck = Math.min(q.materials.concreteStrength, 60);
  const f_ctk_005 = c.let(materials.fctk, { f_ctm: meanTensileStrength(c, fck) });
  const f_ctd = c.let(materials.fctd, { f_ctk_005, gamma_C: annex.gammaC });
  const isGood = hasGoodBond(q.isTop, q.h);
  const eta_1 = c.given(symbols.eta_1, isGood ? 1 : 0.7, isGood ? 'good bond' : 'poor bond: top bars');
  const eta_2 = phi > 32 ? c.let(bond.eta2Large, { phi }) : 1;
  const f_bd = c.let(bond.fbd, { eta_1, eta_2, f_ctd });
  const sigma_sd = c.given(symbols.sigma_sd, ((q.use ?? 1) * q.materials.steelStrength) / annex.gammaS);
  const l_b_rqd = c.let(F.required, { phi, sigma_sd, f_bd });
  const c_d = c.given(symbols.c_d, Math.min(q.clear / 2, q.cover), 'half the clear distance, or the cover');
  const alpha_1b = c.given(
    symbols.alpha_1b,
    q.isBent && c_d > 3 * phi ? 0.7 : 1,
    q.isBent ? 'bent; 0.7 only with c_d above 3 φ' : 'straight',
  );
  const alpha_2c = c.let(q.isBent ? F.coverBent : F.cover, { c_d, phi });
  const alpha_5 = q.pressure ? c.let(F.pressure, { p_t: q.pressure }) : 1;
  return { phi, l_b_rqd, alpha_1b, alpha_2c, alpha_5 };
}

/** Design anchorage length (mm), 8.4.4, with the factors of table 8.2. */
export function length(c: Calc, q: AnchorageQuestion, annex: NationalAnnex): number {
  const f = factors(c, q, annex);
  return c.let(F.length, { ...f, l_b_min: c.let(F.least, f) });
}

/** Lap length (mm), 8.7.3; `share` of the bars lap within 0.65 l0. */
export function lap(c: Calc, q: AnchorageQuestion, share: number, annex: NationalAnnex): number {
  const f = factors(c, q, annex);
  const alpha_6 = c.let(F.share, { rho_1: c.given(symbols.rho_1, 100 * share, 'per cent of the bars') });
  return c.let(F.lap, { ...f, alpha_6, l_0_min: c.let(F.lapLeast, { ...f, alpha_6 }) });
}

/** A quarter of the span's bottom steel reaches an end support, anchored there for the shifted force, 9.2.1.4. */
const SHARE_AT_ENDS = 0.25;

export function endSupport(c: Calc, q: EndSupportQuestion, annex: NationalAnnex): EndSupport {
  const leastBars = (SHARE_AT_ENDS * q.spanArea) / Math.max(q.area, 1);
  if (q.isContinuous) {
    c.note('Where the end is held the bottom bars run in by ten diameters.', '9.2.1.5(2)');
    return { needed: 10 * q.diameter, available: q.available, isBent: false, leastBars };
  }
  const F_E = c.let(F.force, { V_Ed: q.V, a_l: q.shift, z: q.z });
  const use = Math.min(1, (c.let(F.stress, { F_E, A_s: Math.max(q.area, 1) }) * annex.gammaS) / q.materials.steelStrength);
  c.note('Measured from the face of the support; a bend only where straight bars are too long.', '9.2.1.4(3)');
  const straight = length(c, { ...q, use, isBent: false }, annex);
  const isBent = straight > q.available;
  const needed = isBent ? length(c, { ...q, use, isBent: true }, annex) : straight;
  // The length of a bent bar is measured along it, 8.4.3(3).
  return { needed, available: q.available + (isBent ? q.leg : 0), isBent, leastBars };
}

export function anchorageRules(annex: NationalAnnex): AnchorageRules {
  return {
    length: (c, q) => length(c, q, annex),
    lap: (c, q, share) => lap(c, q, share, annex),
    endSupport: (c, q) => endSupport(c, q, annex),
    legCounts: true,
    // Partial factors stand on the materials: nothing is taken off the moment.
    fullMoment: (design) => design,
    clauses: { anchorage: '8.4.4', lap: '8.7.3', end: '9.2.1.4(3)', leastBars: '9.2.1.4(1)' },
    // Table 8.1N; 8.5(1) for links.
    bend: (diameter, isLink) => ({
      mandrel: { value: (diameter <= 16 ? 4 : 7) * diameter, clause: '8.3' },
      straight90: isLink ? Math.max(10 * diameter, 70) : Math.max(5 * diameter, 0),
      straight135: Math.max(5 * diameter, 50),
    }),
  };
}
