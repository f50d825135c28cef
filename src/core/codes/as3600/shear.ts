import type { Calc } from '../../calc/calc';
import { STEEL_MODULUS } from './materials';
import { formula, symbols } from './symbols';

const SI = { empirical: 'SI' } as const;

export const F = {
  dv: formula('d_v', 'max(0.72 * D, 0.9 * d)', '8.2.1.9'),
  root: formula('sqrt_fc', 'min(9.0, sqrt(f_c_prime))', '8.2.4.1', SI),
  kdg: formula('k_dg', 'max(0.80, 32 / (16 + d_g))', '8.2.4.2', SI),
  strain: formula('epsilon_x', 'max(0, min(0.003, (M_star / d_v + V_star + 0.5 * N_star) / (2 * E_s * A_st)))', '8.2.4.2.2'),
  kvBare: formula('k_v', '0.4 / (1 + 1500 * epsilon_x) * 1300 / (1000 + k_dg * d_v)', '8.2.4.2.1', SI),
  kv: formula('k_v', '0.4 / (1 + 1500 * epsilon_x)', '8.2.4.2.1'),
  angle: formula('theta_v', '(29 + 7000 * epsilon_x) * pi / 180', '8.2.4.2.3'),
  kvSimpleBare: formula('k_v', 'min(0.10, 200 / (1000 + 1.3 * d_v))', '8.2.4.3', SI),
  Vuc: formula('V_uc', 'k_v * b_v * d_v * sqrt_fc', '8.2.4.1', SI),
  Vus: formula('V_us', 'A_sv * f_syf * d_v / s * cot(theta_v)', '8.2.5.2'),
  Vu: formula('V_u', 'min(V_uc + V_us, V_u_max)', '8.2.3.1'),
  crushing: formula('V_u_max', '0.55 * f_c_prime * b_v * d_v * cot(theta_v) / (1 + cot(theta_v)^2)', '8.2.3.3'),
  least: formula('a_sv_min', '0.08 * sqrt(f_c_prime) * b_v / f_syf', '8.2.1.7', SI),
  phiVu: formula('phi_V_u', 'phi * V_u', '8.2.3.1'),
};

/** A section in shear: its web, the steel on the side that bending stretches; mm, MPa. */
export interface ShearPlace {
  readonly bv: number;
  readonly D: number;
  readonly d: number;
  readonly fc: number;
  readonly Ast: number;
  readonly aggregate: number;
}

/** Design actions at the section: absolute values of M and V, and N with tension positive (N, N mm). */
export interface ShearActions {
  readonly M: number;
  readonly V: number;
  readonly N: number;
}

/** Fitments across the section; null where there are none. */
export type Fitments = { readonly area: number; readonly spacing: number; readonly fsy: number } | null;

/** Area of fitments over spacing that counts as the least (mm2/mm), 8.2.1.7. */
export const leastFitments = (c: Calc, { fc, bv }: Pick<ShearPlace, 'fc' | 'bv'>, f_syf: number): number =>
  c.let(F.least, { f_c_prime: fc, b_v: bv, f_syf });

/** k_v and the angle of the compression in the web (rad) by the general method, 8.2.4.2, for actions at the section. */
export function generalMethod(
  c: Calc,
  place: ShearPlace,
  { M, V, N }: ShearActions,
  hasLeast: boolean,
): { readonly kv: number; readonly theta: number; readonly strain: number } {
  const d_v = c.let(F.dv, { D: place.D, d: place.d });
  const V_star = c.given(symbols.V_star, Math.abs(V));
  // The moment counts at least as the shear times dv.
  const M_star = c.given(symbols.M_star, Math.max(Math.abs(M), V_star * d_v), 'at least V* dv, 8.2.4.2.2');
  const strain = c.let(F.strain, { M_star, V_star, N_star: N, d_v, E_s: STEEL_MODULUS, A_st: place.Ast });
  const theta = c.let(F.angle, { epsilon_x: strain });
  if (hasLeast) return { kv: c.let(F.kv, { epsilon_x: strain }), theta, strain };
  // Above 65 MPa cracks run through the aggregate, and its size does not help.
  const k_dg = place.fc > 65 ? c.given(symbols.k_dg, 2, 'above 65 MPa, 8.2.4.2') : c.let(F.kdg, { d_g: place.aggregate });
  return { kv: c.let(F.kvBare, { epsilon_x: strain, k_dg, d_v }), theta, strain };
}

/** The same by the simplified method, 8.2.4.3: up to 65 MPa, without tension along the member. */
export function simplifiedMethod(c: Calc, place: ShearPlace, hasLeast: boolean): { readonly kv: number; readonly theta: number } {
  const d_v = c.let(F.dv, { D: place.D, d: place.d });
  const theta = c.given(symbols.theta_v, (36 * Math.PI) / 180, '8.2.4.3');
  if (hasLeast) return { kv: c.given(symbols.k_v, 0.15, 'with the least fitments, 8.2.4.3'), theta };
  return { kv: c.let(F.kvSimpleBare, { d_v }), theta };
}

/** Shear strength of a section (N), 8.2.3: concrete with fitments, not more than the web carries before it is crushed. */
export function shearStrength(
  c: Calc,
  place: ShearPlace,
  { kv, theta }: { readonly kv: number; readonly theta: number },
  fitments: Fitments,
): { readonly Vu: number; readonly Vuc: number; readonly Vus: number; readonly crushing: number } {
  const d_v = c.let(F.dv, { D: place.D, d: place.d });
  const web = { b_v: place.bv, d_v, f_c_prime: place.fc };
  const Vuc = c.let(F.Vuc, { ...web, k_v: kv, sqrt_fc: c.let(F.root, web) });
  const Vus = fitments
    ? c.let(F.Vus, { A_sv: fitments.area, f_syf: fitments.fsy, d_v, s: fitments.spacing, theta_v: theta })
    : c.given(symbols.V_us, 0, 'no fitments');
  const crushing = c.let(F.crushing, { ...web, theta_v: theta });
  return { Vu: c.let(F.Vu, { V_uc: Vuc, V_us: Vus, V_u_max: crushing }), Vuc, Vus, crushing };
}
