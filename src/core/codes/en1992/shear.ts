import { remember, silent, type Calc } from '../../calc/calc';
import type { LinkRequirement, Links, Materials, ShearResistance, ShearSection } from '../design-code';
import { F as materials } from './materials';
import type { NationalAnnex } from './national';
import { formula, symbols } from './symbols';

export const F = {
  k: formula('k', 'min(1 + sqrt(200/d), 2)', '6.2.2(1)', { empirical: 'SI' }),
  rho: formula('rho_l', 'min(A_sl / (b_w * d), 0.02)', '6.2.2(1)'),
  crdc: formula('C_Rd_c', '0.18 / gamma_C', '6.2.2(1)'),
  vrdc: formula('v_Rd_c', 'C_Rd_c * k * (100 * rho_l * f_ck)^(1/3) + 0.15 * sigma_cp', '(6.2.a)', { empirical: 'SI' }),
  vmin: formula('v_min', '0.035 * k^(3/2) * sqrt(f_ck)', '(6.3N)', { empirical: 'SI' }),
  VRdc: formula('V_Rd_c', 'max(v_Rd_c, v_min + 0.15 * sigma_cp) * b_w * d', '(6.2)'),
  sigmaCp: formula('sigma_cp', 'min(N_Ed / A_c, 0.2 * f_cd)', '6.2.2(1)'),
  z: formula('z', '0.9 * d', '6.2.3(1)'),
  nu1: formula('nu_1', '0.6 * (1 - f_ck/250)', '(6.6N)', { empirical: 'SI' }),
  fywd: formula('f_ywd', 'f_ywk / gamma_S', '6.2.3(3)'),
  fywdLow: formula('f_ywd', '0.8 * f_ywk', '6.2.3(3)'),
  VRdmax: formula('V_Rd_max', 'alpha_cw * b_w * z * nu_1 * f_cd / (cot_theta + 1/cot_theta)', '(6.9)'),
  VRds: formula('V_Rd_s', 'A_sw / s * z * f_ywd * cot_theta', '(6.8)'),
  VRd: formula('V_Rd', 'min(V_Rd_s, V_Rd_max)', '6.2.1(5)'),
  theta: formula('theta', 'asin(2 * V_Ed / (alpha_cw * b_w * z * nu_1 * f_cd)) / 2', '(6.9)'),
  cot: formula('cot_theta', 'max(1, min(2.5, cot(theta)))', '(6.7N)'),
  cotEqual: formula('cot_theta_e', 'sqrt(alpha_cw * b_w * nu_1 * f_cd * s / (A_sw * f_ywd) - 1)', '(6.8) = (6.9)'),
  cotLimited: formula('cot_theta', 'max(1, min(2.5, cot_theta_e))', '(6.7N)'),
  asw: formula('a_sw', 'V_Ed / (z * f_ywd * cot_theta)', '(6.8)'),
  aswMin: formula('a_sw_min', '0.08 * sqrt(f_ck) / f_ywk * b_w', '(9.5N)', { empirical: 'SI' }),
  sMax: formula('s_max', '0.75 * d', '(9.6N)'),
  stMax: formula('s_t_max', 'min(0.75 * d, 600)', '(9.8N)', { empirical: 'SI' }),
  shift: formula('a_l', 'z * cot_theta / 2', '(9.2)'),
};

/** cot theta is a number between 1 and 2.5, or "best". */
export interface ShearBasis {
  readonly annex: NationalAnnex;
  readonly cotTheta: number | 'best';
  /** nu1 of 6.2.3(3) note 2, with links stressed to 0.8 fywk at most. */
  readonly lowLinkStress: boolean;
  /** What links need at a section whatever the force, for searches with one set of materials. */
  readonly known?: WeakMap<ShearSection, SectionNeeds>;
}

interface SectionNeeds {
  readonly v: StrutValues;
  readonly alone: number;
  /** Crushing of the struts at their flattest, and at their steepest or at the angle set. */
  readonly flattest: number;
  readonly crushing: number;
  readonly minimum: number;
  readonly maxAlong: number;
  readonly maxAcross: number;
}

interface StrutValues {
  readonly z: number;
  readonly nu_1: number;
  readonly f_cd: number;
  readonly f_ywd: number;
  readonly alpha_cw: number;
}

const ALPHA_CW = 1; // 6.2.3(3): not prestressed, axial force not counted

/** The strength that concrete is counted with in shear: some annexes cap it. */
export function shearStrength(fck: number, annex: NationalAnnex): number {
  return Math.min(fck, annex.shearStrengthCap);
}

/** Resistance without links (N), 6.2.2(1). `sigma` is the mean compression (MPa, tension negative). */
export function resistanceWithoutLinks(c: Calc, s: ShearSection, fck: number, annex: NationalAnnex, sigma = 0): number {
  const f_ck = c.given(symbols.f_ck, shearStrength(fck, annex));
  const k = c.let(F.k, { d: s.d });
  const rho_l = c.let(F.rho, { A_sl: s.tensionArea, b_w: s.bw, d: s.d });
  const C_Rd_c = c.let(F.crdc, { gamma_C: annex.gammaC });
  const v_Rd_c = c.let(F.vrdc, { C_Rd_c, k, rho_l, f_ck, sigma_cp: sigma });
  const v_min = c.let(F.vmin, { k, f_ck });
  return c.let(F.VRdc, { v_Rd_c, v_min, sigma_cp: sigma, b_w: s.bw, d: s.d });
}

/** Mean compression of a section that counts for the concrete in shear (MPa): at most 0.2 fcd, tension negative (6.2.2(1)). */
function meanCompression(c: Calc, s: ShearSection, m: Materials, annex: NationalAnnex): number {
  if (!s.axial) return 0;
  const f_cd = materials.fcd.evaluate({ alpha_cc: annex.alphaCCShear, f_ck: m.concreteStrength, gamma_C: annex.gammaC });
  return c.let(F.sigmaCp, { N_Ed: s.axial, A_c: s.grossArea, f_cd });
}

/** What the concrete alone carries with the axial force of the section (N); nothing where tension uses it up. */
export function concreteAlone(c: Calc, s: ShearSection, m: Materials, annex: NationalAnnex): number {
  return Math.max(0, resistanceWithoutLinks(c, s, m.concreteStrength, annex, meanCompression(c, s, m, annex)));
}

function strutValues(c: Calc, s: ShearSection, m: Materials, basis: ShearBasis): StrutValues {
  const { annex } = basis;
  const f_ck = shearStrength(m.concreteStrength, annex);
  const z = c.let(F.z, { d: s.d });
  const f_cd = c.let(materials.fcd, { alpha_cc: annex.alphaCCShear, f_ck, gamma_C: annex.gammaC });
  // Note 2: with link stress kept below 0.8 fywk the struts are less disturbed.
  const low = basis.annex.lowLinkStress;
  const nu_1 = basis.lowLinkStress ? (f_ck <= 60 ? low.usual : Math.max(0.5, low.high - f_ck / 200)) : c.let(F.nu1, { f_ck });
  if (basis.lowLinkStress) c.given(symbols.nu_1, nu_1, 'links stressed to 0.8 fywk at most, 6.2.3(3) note 2');
  const f_ywd = basis.lowLinkStress
    ? c.let(F.fywdLow, { f_ywk: m.linkStrength })
    : c.let(F.fywd, { f_ywk: m.linkStrength, gamma_S: annex.gammaS });
  return { z, nu_1, f_cd, f_ywd, alpha_cw: ALPHA_CW };
}

/**
 * Shear resistance of a beam with its links (N): that of the links and struts, or of the concrete alone where it is larger
 * (6.2.1(3): then least links do).
 */
export function beamResistance(c: Calc, s: ShearSection, links: Links, m: Materials, basis: ShearBasis): ShearResistance {
  const withLinks = resistanceWithLinks(c, s, links, m, basis);
  const alone = concreteAlone(silent, s, m, basis.annex);
  if (alone <= withLinks.force) return withLinks;
  c.note('The concrete alone carries more than these links; the minimum of links is still needed.', '6.2.1(3), (4)');
  return { ...withLinks, force: concreteAlone(c, s, m, basis.annex) };
}

/** Resistance of a section with given vertical links (N), 6.2.3. The strut angle is the one that gives most, unless it is set. */
export function resistanceWithLinks(c: Calc, s: ShearSection, links: Links, m: Materials, basis: ShearBasis): ShearResistance {
  const v = strutValues(c, s, m, basis);
  const common = { ...v, b_w: s.bw, s: links.spacing, A_sw: links.area };
  const cot_theta = basis.cotTheta === 'best' ? bestAngle(c, common) : c.given(symbols.cot_theta, basis.cotTheta, 'chosen by the engineer');
  const V_Rd_s = c.let(F.VRds, { ...common, cot_theta });
  const V_Rd_max = c.let(F.VRdmax, { ...common, cot_theta });
  const force = c.let(F.VRd, { V_Rd_s, V_Rd_max });
  const steepest = F.VRdmax.evaluate({ ...common, cot_theta: basis.cotTheta === 'best' ? 1 : basis.cotTheta });
  return { force, limit: steepest, shift: c.let(F.shift, { z: v.z, cot_theta }) };
}

/** The angle at which links and struts are used up together, within its limits: there the resistance is largest. */
function bestAngle(c: Calc, values: StrutValues & { readonly b_w: number; readonly s: number; readonly A_sw: number }): number {
  const ratio = (values.alpha_cw * values.b_w * values.nu_1 * values.f_cd * values.s) / (values.A_sw * values.f_ywd);
  if (ratio <= 2) return c.given(symbols.cot_theta, 1, 'steepest strut: the links are strong');
  return c.let(F.cotLimited, { cot_theta_e: c.let(F.cotEqual, { ...values }) });
}

/** Links needed for a shear force (N): the flattest strut that the concrete carries, unless the angle is set; not less than the minimum. */
export function linkRequirement(
  c: Calc,
  force: number,
  s: ShearSection,
  m: Materials,
  basis: ShearBasis,
): LinkRequirement & { readonly cotTheta: number } {
  const known = basis.known ?? new WeakMap<ShearSection, SectionNeeds>();
  const needs = remember(known, s, c, () => sectionNeeds(c, s, m, basis));
  const { v, minimum, maxAlong, maxAcross } = needs;
  const V_Ed = c.given(symbols.V_Ed, force);
  const isCrushed = force > needs.crushing;
  const answer = (areaPerLength: number, cotTheta: number) => ({ minimum, maxAlong, maxAcross, isCrushed, areaPerLength, cotTheta });
  if (force <= needs.alone) {
    c.note('The concrete alone carries this shear; the minimum of links governs.', '6.2.1(3), (4)');
    return answer(minimum, FLATTEST);
  }
  const cot_theta = isCrushed ? STEEPEST : requiredAngle(c, V_Ed, s, needs, basis);
  const strength = c.let(F.asw, { V_Ed, z: v.z, f_ywd: v.f_ywd, cot_theta });
  return answer(Math.max(strength, minimum), cot_theta);
}

const FLATTEST = 2.5;
const STEEPEST = 1;

/** The flattest strut that the concrete carries under a force, unless the angle is set. */
function requiredAngle(c: Calc, V_Ed: number, s: ShearSection, { v, flattest }: SectionNeeds, basis: ShearBasis): number {
  if (basis.cotTheta !== 'best') return c.given(symbols.cot_theta, basis.cotTheta, 'chosen by the engineer');
  if (V_Ed <= flattest) return c.given(symbols.cot_theta, FLATTEST, 'the flattest strut carries the force');
  return c.let(F.cot, { theta: c.let(F.theta, { alpha_cw: v.alpha_cw, z: v.z, nu_1: v.nu_1, f_cd: v.f_cd, b_w: s.bw, V_Ed }) });
}

function sectionNeeds(c: Calc, s: ShearSection, m: Materials, basis: ShearBasis): SectionNeeds {
  const v = strutValues(c, s, m, basis);
  const crushing = (cot_theta: number) => F.VRdmax.evaluate({ ...v, b_w: s.bw, cot_theta });
  return {
    v,
    flattest: crushing(FLATTEST),
    crushing: crushing(basis.cotTheta === 'best' ? STEEPEST : basis.cotTheta),
    alone: concreteAlone(silent, s, m, basis.annex),
    minimum: c.let(F.aswMin, { f_ck: m.concreteStrength, f_ywk: m.linkStrength, b_w: s.bw }),
    maxAlong: c.let(F.sMax, { d: s.d }),
    maxAcross: c.let(F.stMax, { d: s.d }),
  };
}
