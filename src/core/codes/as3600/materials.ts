import { CalcError, type Calc } from '../../calc/calc';
import type { ConcreteLaw, SteelLaw } from '../../section/laws';
import { getUnit } from '../../units/unit';
import { formula, symbols } from './symbols';

const SI = { empirical: 'SI' } as const;

export const F = {
  fctf: formula('f_ctf', '0.6 * sqrt(f_c_prime)', '3.1.1.3(a)', SI),
  fct: formula('f_ct', '0.36 * sqrt(f_c_prime)', '3.1.1.3(b)', SI),
  Ec: formula('E_c', 'rho^1.5 * 0.043 * sqrt(f_cmi)', '3.1.2(a)', SI),
  EcHigh: formula('E_c', 'rho^1.5 * (0.024 * sqrt(f_cmi) + 0.12)', '3.1.2(a)', SI),
  alpha1: formula('alpha_1', 'max(0.72, min(0.85, 1.0 - 0.003 * f_c_prime))', '10.6.2.2', SI),
  alpha2: formula('alpha_2', 'max(0.67, 0.85 - 0.0015 * f_c_prime)', '8.1.3(b)', SI),
  gamma: formula('gamma', 'max(0.67, 0.97 - 0.0025 * f_c_prime)', '8.1.3(b)', SI),
};

/** Strain of the compressed edge, 8.1.3(a); modulus of bars, 3.2.2 (MPa). */
export const ULTIMATE_STRAIN = 0.003;
export const STEEL_MODULUS = 200_000;

/**
 * Standard grades, 3.1.1.1, with the mean in situ strength and the modulus (MPa) of table 3.1.2. The table rounds: its moduli differ from the
 * formula by up to 1.3 %.
 */
const grades: readonly (readonly [fc: number, fcmi: number, Ec: number])[] = [
  [20, 22, 24_000],
  [25, 28, 26_700],
  [32, 35, 30_100],
  [40, 43, 32_800],
  [50, 53, 34_800],
  [65, 68, 37_400],
  [80, 82, 39_600],
  [100, 99, 42_200],
];

export const concreteGrades: readonly number[] = grades.map(([fc]) => fc);

/** Mean in situ strength (MPa), table 3.1.2; between its grades along straight lines. Throws CalcError beyond 20 to 100. */
export function meanStrength(fc: number): number {
  const above = grades.findIndex(([grade]) => grade >= fc - 1e-9);
  if (above < 0 || fc < grades[0]![0] - 1e-9) throw new CalcError('f_cmi', 'grades are from 20 to 100 MPa');
  const [fc2, mean2] = grades[above]!;
  const [fc1, mean1] = grades[Math.max(0, above - 1)]!;
  return fc2 === fc1 ? mean2 : mean1 + ((mean2 - mean1) * (fc - fc1)) / (fc2 - fc1);
}

/** Density of normal-weight concrete (kg/mm3) for which table 3.1.2 holds. */
const NORMAL = 2400 * getUnit('kg/m3').factor;

/** Mean modulus (MPa), 3.1.2: by the table for a standard grade of normal weight, else by its formula. `density` in kg/mm3. */
export function elasticModulus(c: Calc, fc: number, density: number): number {
  const row = grades.find(([grade]) => Math.abs(grade - fc) < 1e-9);
  if (row && Math.abs(density / NORMAL - 1) < 0.01) return c.given(symbols.E_c, row[2], 'of this grade, table 3.1.2');
  const f_cmi = c.given(symbols.f_cmi, meanStrength(fc), 'table 3.1.2');
  return c.let(f_cmi <= 40 ? F.Ec : F.EcHigh, { rho: density, f_cmi });
}

export const flexuralTension = (c: Calc, f_c_prime: number): number => c.let(F.fctf, { f_c_prime });
export const directTension = (c: Calc, f_c_prime: number): number => c.let(F.fct, { f_c_prime });

/** The stress block of bending, 8.1.3(b): alpha2 f'c over gamma ku d, with 0.003 at the edge. */
export function stressBlock(c: Calc, f_c_prime: number): ConcreteLaw & { readonly kind: 'block' } {
  c.given(symbols.f_c_prime, f_c_prime);
  const stress = c.let(F.alpha2, { f_c_prime }) * f_c_prime;
  return { kind: 'block', depthFactor: c.let(F.gamma, { f_c_prime }), stress, ultimateStrain: ULTIMATE_STRAIN };
}

/** Factor on the strength in the squash load, 10.6.2.2. */
export const squashFactor = (c: Calc, f_c_prime: number): number => c.let(F.alpha1, { f_c_prime });

export function steelLaw(c: Calc, f_sy: number): SteelLaw {
  return { yield: c.given(symbols.f_sy, f_sy), modulus: STEEL_MODULUS };
}

export const concreteLabel = (strength: number): string => `f′c ${Number(strength.toFixed(1))} MPa`;
