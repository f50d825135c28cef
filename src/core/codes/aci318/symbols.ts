import { defineSymbols, formulary } from '../../calc/formula';
import { punchingSymbols } from './punching-symbols';
import { frameSymbols } from './frame-symbols';
import { torsionSymbols } from './torsion-symbols';
import { columnSymbols } from './column-symbols';
import { serviceSymbols } from './service-symbols';

/** The symbols of ACI 318-19 that are used here, each with its meaning and unit. */
export const symbols = defineSymbols({
  f_c_prime: ['specified compressive strength of concrete', 'MPa'],
  w_c: ['density of concrete', 'kg/m3'],
  E_c: ['modulus of concrete', 'GPa'],
  f_r: ['modulus of rupture', 'MPa'],
  lambda: ['factor for lightweight concrete', ''],
  beta_1: ['depth of the stress block over c', ''],
  f_y: ['specified yield strength of reinforcement', 'MPa'],
  f_yt: ['specified yield strength of stirrups', 'MPa'],
  E_s: ['modulus of reinforcement', 'GPa'],
  epsilon_ty: ['yield strain', ''],
  epsilon_t: ['strain of the extreme tension bars', ''],
  epsilon_t_min: ['least strain of the extreme tension bars', ''],
  epsilon_i: ['strain of the layer, compression positive', ''],
  phi: ['strength reduction factor', ''],
  phi_v: ['strength reduction factor for shear', ''],
  M_u: ['factored moment', 'kNm'],
  M_n: ['nominal moment strength', 'kNm'],
  phi_M_n: ['design moment strength', 'kNm'],
  M_n_lim: ['nominal moment at the strain limit', 'kNm'],
  M_nf: ['nominal moment of the flange outstands', 'kNm'],
  a: ['depth of the stress block', 'mm'],
  c: ['depth of the neutral axis', 'mm'],
  c_lim: ['depth of the neutral axis at the strain limit', 'mm'],
  b: ['width of the compressed face', 'mm'],
  b_w: ['width of the web', 'mm'],
  b_min: ['width for the least steel', 'mm'],
  h: ['overall depth', 'mm'],
  h_f: ['depth of the flange', 'mm'],
  d: ['effective depth', 'mm'],
  d_t: ['depth of the extreme tension bars', 'mm'],
  d_prime: ['depth of the compression steel', 'mm'],
  d_i: ['depth of the layer', 'mm'],
  y_c: ['depth of the resultant of concrete', 'mm'],
  y_0: ['depth of the centroid of the section', 'mm'],
  P_n: ['nominal axial force', 'kN'],
  A_s: ['area of tension steel', 'mm2'],
  A_s_req: ['tension steel required', 'mm2'],
  A_s_prime: ['compression steel required', 'mm2'],
  A_s_min: ['least tension steel', 'mm2'],
  A_i: ['area of the layer', 'mm2'],
  f_i: ['stress of the layer, compression positive', 'MPa'],
  f_s_prime: ['stress in the compression steel', 'MPa'],
  F_i: ['force of the layer, compression positive', 'kN'],
  C_c: ['force in concrete', 'kN'],
  C_c_lim: ['force in concrete at the strain limit', 'kN'],
  C_f: ['force in the flange outstands', 'kN'],
  C_s: ['force in the compression steel', 'kN'],
  V_u: ['factored shear force', 'kN'],
  V_c: ['shear strength of concrete', 'kN'],
  V_c_max: ['most shear strength of concrete', 'kN'],
  V_s: ['shear strength of stirrups', 'kN'],
  V_s_req: ['shear strength required of stirrups', 'kN'],
  V_s_max: ['most shear strength of stirrups', 'kN'],
  V_s_close: ['shear of stirrups above which they stand closer', 'kN'],
  phi_V_n: ['design shear strength', 'kN'],
  V_threshold: ['shear below which no stirrups are needed', 'kN'],
  rho_w: ['ratio of longitudinal steel', ''],
  lambda_s: ['size effect factor', ''],
  sqrt_fc: ['root of the strength, as limited', 'MPa'],
  sigma_N: ['axial term, Nu / 6 Ag', 'MPa'],
  N_u: ['factored axial force, compression positive', 'kN'],
  A_g: ['gross area', 'mm2'],
  A_v: ['area of stirrup legs in a section', 'mm2'],
  s: ['spacing of stirrups', 'mm'],
  a_v: ['area of stirrups over spacing', 'mm2/mm'],
  a_v_min: ['least area of stirrups over spacing', 'mm2/mm'],
  s_max: ['largest spacing of stirrups', 'mm'],
  s_w_max: ['largest spacing of legs across', 'mm'],
  d_b: ['diameter of the bar', 'mm'],
  psi_t: ['casting position', ''],
  psi_g: ['grade of reinforcement', ''],
  l_d: ['development length', 'mm'],
  psi_e: ['coating', ''],
  psi_s: ['size of the bar', ''],
  psi_r: ['confining reinforcement', ''],
  psi_o: ['location', ''],
  psi_c: ['strength of concrete', ''],
  c_b: ['cover or half the spacing of the bars', 'mm'],
  A_tr: ['area of stirrups across the splitting plane', 'mm2'],
  s_tr: ['spacing of these stirrups', 'mm'],
  n_b: ['bars that split there', ''],
  K_tr: ['index of transverse reinforcement', 'mm'],
  c_K: ['confinement', ''],
  l_dh: ['development length of a hook', 'mm'],
  k_B: ['class of splice', ''],
  l_st: ['length of a lap splice', 'mm'],
  l_a: ['length beyond the centre of the support', 'mm'],
  l_a_max: ['largest development length', 'mm'],
  delta: ['moment after over moment before redistribution', ''],
  l_n: ['clear span', 'mm'],
  s_w: ['clear distance to the next web', 'mm'],
  b_eff_i: ['effective width of one side', 'mm'],
  b_eff_1: ['effective width of the first side', 'mm'],
  b_eff_2: ['effective width of the second side', 'mm'],
  b_eff: ['effective flange width', 'mm'],
  ...columnSymbols,
  ...torsionSymbols,
  ...frameSymbols,
  ...punchingSymbols,
  ...serviceSymbols,
});

export const formula = formulary(symbols);

/** A pair of formulas whose numbers carry units: the SI form and the US customary form of the standard. */
export interface TwoForms {
  readonly SI: ReturnType<typeof formula>;
  readonly US: ReturnType<typeof formula>;
}

export function twoForms(result: string, si: string, us: string, clause: string): TwoForms {
  return { SI: formula(result, si, clause, { empirical: 'SI' }), US: formula(result, us, clause, { empirical: 'US' }) };
}

export type Form = 'SI' | 'US';
