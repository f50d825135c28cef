import type { Calc } from '../../calc/calc';
import type { ConcreteLaw, SteelLaw } from '../../section/laws';
import type { Materials } from '../design-code';
import type { NationalAnnex } from './national';
import { formula, symbols } from './symbols';

/** The strength classes of table 3.1: fck and fck,cube; with C28/35 and C32/40, which are ordered in the UK (BS 8500-1). */
export const strengthClasses: readonly (readonly [fck: number, cube: number])[] = [
  [12, 15],
  [16, 20],
  [20, 25],
  [25, 30],
  [28, 35],
  [30, 37],
  [32, 40],
  [35, 45],
  [40, 50],
  [45, 55],
  [50, 60],
  [55, 67],
  [60, 75],
  [70, 85],
  [80, 95],
  [90, 105],
];

export const F = {
  fcm: formula('f_cm', 'f_ck + 8', 'table 3.1', { empirical: 'SI' }),
  fctmNormal: formula('f_ctm', '0.30 * f_ck^(2/3)', 'table 3.1', { empirical: 'SI' }),
  fctmHigh: formula('f_ctm', '2.12 * ln(1 + f_cm/10)', 'table 3.1', { empirical: 'SI' }),
  // The table gives Ecm in GPa; here it comes out in the working unit, MPa.
  Ecm: formula('E_cm', '22000 * (f_cm/10)^0.3', 'table 3.1', { empirical: 'SI' }),
  fctk: formula('f_ctk_005', '0.7 * f_ctm', 'table 3.1'),
  fctd: formula('f_ctd', 'f_ctk_005 / gamma_C', '(3.16)'),
  fcd: formula('f_cd', 'alpha_cc * f_ck / gamma_C', '(3.15)'),
  fyd: formula('f_yd', 'f_yk / gamma_S', '3.2.7'),
  ec2High: formula('epsilon_c2', '(2.0 + 0.085 * (f_ck - 50)^0.53) / 1000', 'table 3.1', { empirical: 'SI' }),
  ecu2High: formula('epsilon_cu2', '(2.6 + 35 * ((90 - f_ck)/100)^4) / 1000', 'table 3.1', { empirical: 'SI' }),
  ec3High: formula('epsilon_c3', '(1.75 + 0.55 * (f_ck - 50)/40) / 1000', 'table 3.1', { empirical: 'SI' }),
  nHigh: formula('n', '1.4 + 23.4 * ((90 - f_ck)/100)^4', 'table 3.1', { empirical: 'SI' }),
  lambdaHigh: formula('lambda', '0.8 - (f_ck - 50)/400', '(3.20)', { empirical: 'SI' }),
  etaHigh: formula('eta', '1.0 - (f_ck - 50)/200', '(3.22)', { empirical: 'SI' }),
};

/** Up to C50/60 the constants of table 3.1; the formulas of the high range begin above 50 MPa. */
const isHigh = (fck: number) => fck > 50;

export function meanStrength(c: Calc, fck: number): number {
  return c.let(F.fcm, { f_ck: fck });
}

/** fctm (MPa), table 3.1. */
export function meanTensileStrength(c: Calc, fck: number): number {
  return isHigh(fck) ? c.let(F.fctmHigh, { f_cm: meanStrength(c, fck) }) : c.let(F.fctmNormal, { f_ck: fck });
}

/** Ecm (MPa), table 3.1, quartzite aggregate. */
export function secantModulus(c: Calc, fck: number): number {
  return c.let(F.Ecm, { f_cm: meanStrength(c, fck) });
}

/** fcd (MPa), 3.1.6(1). */
export function designStrength(c: Calc, fck: number, alphaCC: number, gammaC: number): number {
  c.given(symbols.f_ck, fck);
  return c.let(F.fcd, { alpha_cc: alphaCC, f_ck: fck, gamma_C: gammaC });
}

/** Strains and exponent of table 3.1 for design: eps_c2, eps_cu2, n, eps_c3 (as plain ratios). */
export function designStrains(c: Calc, fck: number) {
  if (!isHigh(fck)) return { ec2: 0.002, ecu2: 0.0035, n: 2, ec3: 0.00175 };
  return {
    ec2: c.let(F.ec2High, { f_ck: fck }),
    ecu2: c.let(F.ecu2High, { f_ck: fck }),
    n: c.let(F.nHigh, { f_ck: fck }),
    ec3: c.let(F.ec3High, { f_ck: fck }),
  };
}

/** lambda and eta of the rectangular stress block, (3.19) to (3.22). */
export function blockFactors(c: Calc, fck: number) {
  if (!isHigh(fck)) return { lambda: 0.8, eta: 1 };
  return { lambda: c.let(F.lambdaHigh, { f_ck: fck }), eta: c.let(F.etaHigh, { f_ck: fck }) };
}

/** The concrete law of a section in bending, 3.1.7. */
export function concreteLaw(c: Calc, m: Materials, annex: NationalAnnex, diagram: string): ConcreteLaw {
  const fck = m.concreteStrength;
  const fcd = designStrength(c, fck, annex.alphaCC, annex.gammaC);
  const { ec2, ecu2, n } = designStrains(c, fck);
  if (diagram === 'parabola') return { kind: 'parabola', exponent: n, peakStrain: ec2, stress: fcd, ultimateStrain: ecu2 };
  const { lambda, eta } = blockFactors(c, fck);
  return { kind: 'block', depthFactor: lambda, stress: eta * fcd, ultimateStrain: ecu2 };
}

export const STEEL_MODULUS = 200_000; // MPa, 3.2.7(4)

/** Concretes that are usually ordered: the classes of table 3.1, in the UK with those of BS 8500-1. */
export const concreteGrades = (annex: NationalAnnex): number[] =>
  strengthClasses.map(([fck]) => fck).filter((fck) => annex.id === 'uk' || (fck !== 28 && fck !== 32));

/** Steel with a horizontal upper branch and no strain limit, 3.2.7(2)b. */
export function steelLaw(c: Calc, m: Materials, annex: NationalAnnex): SteelLaw {
  c.given(symbols.f_yk, m.steelStrength);
  return { yield: c.let(F.fyd, { f_yk: m.steelStrength, gamma_S: annex.gammaS }), modulus: STEEL_MODULUS };
}

export function concreteLabel(strength: number): string {
  const cube = strengthClasses.find(([fck]) => Math.abs(fck - strength) < 1e-6)?.[1];
  return cube ? `C${strength}/${cube}` : `fck ${Number(strength.toFixed(1))} MPa`;
}
