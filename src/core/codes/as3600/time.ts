import type { Calc } from '../../calc/calc';
import { formula, symbols } from './symbols';

const SI = { empirical: 'SI' } as const;

export const F = {
  th: formula('t_h', '2 * A_g / u_e', '3.1.7.2, 3.1.8.3'),
  autogenousFinal: formula('eps_cse_f', '(0.07 * f_c_prime - 0.5) * 0.00005', '3.1.7.2', SI),
  autogenous: formula('eps_cse', 'max(0, eps_cse_f) * (1 - exp(-0.07 * t_days))', '3.1.7.2', SI),
  alpha1: formula('alpha_s1', '0.8 + 1.2 * exp(-0.005 * t_h)', '3.1.7.2', SI),
  k1: formula('k_s1', 'alpha_s1 * t_days^0.8 / (t_days^0.8 + 0.15 * t_h)', '3.1.7.2', SI),
  dryingBasic: formula('eps_csd_b', '(0.9 - 0.005 * f_c_prime) * eps_base', '3.1.7.2', SI),
  drying: formula('eps_csd', 'k_s1 * k_s4 * eps_csd_b', '3.1.7.2'),
  shrinkage: formula('eps_cs', 'eps_cse + eps_csd', '3.1.7.2'),
  alpha2: formula('alpha_c2', '1.0 + 1.12 * exp(-0.008 * t_h)', '3.1.8.3', SI),
  k2: formula('k_c2', 'alpha_c2 * t_days^0.8 / (t_days^0.8 + 0.15 * t_h)', '3.1.8.3', SI),
  k3: formula('k_c3', '2.7 / (1 + ln(tau_days) / ln(10))', '3.1.8.3', SI),
  alpha3: formula('alpha_c3', '0.7 / (k_s4 * alpha_c2)', '3.1.8.3'),
  k5: formula('k_c5', '(2.0 - alpha_c3) - 0.02 * (1.0 - alpha_c3) * f_c_prime', '3.1.8.3', SI),
  creep: formula('phi_cc', 'k_c2 * k_c3 * k_s4 * k_c5 * phi_cc_b', '3.1.8.3'),
};

/** Environments with k4, 3.1.7.2. */
export const environments: Readonly<Record<string, readonly [title: string, k4: number]>> = {
  interior: ['interior', 0.65],
  arid: ['arid', 0.7],
  temperate: ['temperate inland', 0.6],
  coastal: ['tropical, near-coastal or coastal', 0.5],
};

/** Final basic drying shrinkage by the place where the concrete comes from, 3.1.7.2 (microstrain). */
export const places: Readonly<Record<string, readonly [title: string, base: number]>> = {
  elsewhere: ['1000 microstrain: elsewhere', 1000],
  melbourne: ['900 microstrain: Melbourne', 900],
  sydney: ['800 microstrain: Sydney, Brisbane', 800],
};

/** What creep and shrinkage rest on beside strength and size. */
export interface Exposure {
  readonly environment: string;
  readonly place: string;
}

/** Basic creep coefficients of table 3.1.8.2 by strength (MPa). */
const basicCreep: readonly (readonly [fc: number, coefficient: number])[] = [
  [20, 5.2],
  [25, 4.2],
  [32, 3.4],
  [40, 2.8],
  [50, 2.4],
  [65, 2.0],
  [80, 1.7],
  [100, 1.5],
];

/** Basic creep coefficient, table 3.1.8.2; straight lines between its strengths. */
export function basicCreepOf(fc: number): number {
  const above = basicCreep.findIndex(([grade]) => grade >= fc - 1e-9);
  if (above <= 0) return (above === 0 ? basicCreep[0]! : basicCreep.at(-1)!)[1];
  const [[f1, c1], [f2, c2]] = [basicCreep[above - 1]!, basicCreep[above]!];
  return c1 + ((c2 - c1) * (fc - f1)) / (f2 - f1);
}

/** Thirty years (days): what is called final. */
export const FINAL = 10_950;

const daysOf = (t: number) => Math.min(t, FINAL);

/** Twice the area over the perimeter that dries (mm). */
const thickness = (c: Calc, area: number, perimeter: number) => c.let(F.th, { A_g: area, u_e: perimeter });

/** Design shrinkage strain at an age (days; Infinity: final), 3.1.7.2. Area mm2, perimeter that dries mm. */
export function shrinkage(c: Calc, fc: number, area: number, perimeter: number, days: number, o: Exposure): number {
  const f_c_prime = c.given(symbols.f_c_prime, fc);
  const t_h = thickness(c, area, perimeter);
  const t_days = c.given(symbols.t_days, daysOf(days));
  const eps_cse = c.let(F.autogenous, { eps_cse_f: c.let(F.autogenousFinal, { f_c_prime }), t_days });
  const k_s1 = c.let(F.k1, { alpha_s1: c.let(F.alpha1, { t_h }), t_days, t_h });
  const k_s4 = c.given(symbols.k_s4, environments[o.environment]![1], environments[o.environment]![0]);
  const eps_base = c.given(symbols.eps_base, places[o.place]![1] * 1e-6, '3.1.7.2');
  const eps_csd = c.let(F.drying, { k_s1, k_s4, eps_csd_b: c.let(F.dryingBasic, { f_c_prime, eps_base }) });
  return c.let(F.shrinkage, { eps_cse, eps_csd });
}

/** Design creep coefficient (3.1.8.3) at an age (days; Infinity: final) of concrete loaded at another. */
export function creep(c: Calc, fc: number, area: number, perimeter: number, loaded: number, days: number, o: Exposure): number {
  const since = daysOf(days) - loaded;
  if (since <= 0) return c.given(symbols.phi_cc, 0, 'not loaded yet');
  const f_c_prime = c.given(symbols.f_c_prime, fc);
  const t_h = thickness(c, area, perimeter);
  const t_days = c.given(symbols.t_days, since, 'since the loading');
  const alpha_c2 = c.let(F.alpha2, { t_h });
  const k_c2 = c.let(F.k2, { alpha_c2, t_days, t_h });
  const k_c3 = c.let(F.k3, { tau_days: c.given(symbols.tau_days, loaded) });
  const k_s4 = c.given(symbols.k_s4, environments[o.environment]![1], environments[o.environment]![0]);
  const k_c5 =
    fc <= 50 ? c.given(symbols.k_c5, 1, 'up to 50 MPa') : c.let(F.k5, { alpha_c3: c.let(F.alpha3, { k_s4, alpha_c2 }), f_c_prime });
  const phi_cc_b = c.given(symbols.phi_cc_b, basicCreepOf(fc), 'table 3.1.8.2');
  return c.let(F.creep, { k_c2, k_c3, k_s4, k_c5, phi_cc_b });
}
