import { CalcError, type Calc } from '../../calc/calc';
import { centroidDepth, concreteResultant, depthForMoment } from '../../section/flexural-section';
import type { ConcreteLaw } from '../../section/laws';
import type { BendingSection, BendingTask, RequiredSteel } from '../design-code';
import { F as resistance, type FlexureBasis } from './flexure';
import { formula, symbols } from './symbols';

/** Forms with the moment itself, or beside an axial force with the moment about the tension steel. */
const formsWith = (M: 'M_Ed' | 'M_s') => ({
  mu: formula('mu', `${M} / (eta * f_cd * b * d^2)`, '3.1.7(3)'),
  muWeb: formula('mu', `(${M} - M_f) / (eta * f_cd * b_w * d^2)`, '3.1.7(3)'),
  zFlanged: formula('z', `${M} / (F_f + eta * f_cd * b_w * lambda * x)`, '6.1'),
  zFlangedCapped: formula('z', `min(${M} / (F_f + eta * f_cd * b_w * lambda * x), 0.95 * d)`, '6.1'),
  as: formula('A_s_req', `${M} / (f_yd * z)`, '6.1'),
  force: formula('F_c', `${M} / z`, '6.1'),
  as2: formula('A_s2', `(${M} - M_lim) / (sigma_s2 * (d - d_2))`, '6.1'),
});
const forms = { M_Ed: formsWith('M_Ed'), M_s: formsWith('M_s') };

const F = {
  aboutBars: formula('M_s', 'M_Ed + N_Ed * (d - y_0)', '6.1'),
  x: formula('x', 'd * (1 - sqrt(1 - 2*mu)) / lambda', '3.1.7(3)'),
  flangeForce: formula('F_f', 'eta * f_cd * (b - b_w) * h_f', '3.1.7(3)'),
  flangeMoment: formula('M_f', 'F_f * (d - h_f/2)', '6.1'),
  sigmaS: formula('sigma_s', 'min(f_yd, epsilon_cu * E_s * (d - x) / x)', '3.2.7'),
  balance: formula('A_s_req', 'max(0, F_c - N_Ed) / sigma_s', '6.1'),
  pulled: formula('A_s_req', '(M_Ed - N_Ed * (y_0 - d_2)) / (f_yd * (d - d_2))', '6.1'),
  xLim: formula('x_lim', 'xi_lim * d', '5.5(4)'),
  mLim: formula('M_lim', 'F_c_lim * (d - z_c)', '6.1'),
  sigmaS2: formula('sigma_s2', 'min(f_yd, epsilon_cu * E_s * (x_lim - d_2)/x_lim)', '3.2.7'),
  sigmaAtLimit: formula('sigma_s', 'min(f_yd, epsilon_cu * E_s * (d - x_lim) / x_lim)', '3.2.7'),
  asDouble: formula('A_s_req', 'max(0, F_c_lim + A_s2 * sigma_s2 - N_Ed) / sigma_s', '6.1'),
};

/** What the moment is about the tension steel, and the forms that name it so. */
interface Bent {
  readonly about: Readonly<Record<string, number>>;
  readonly value: number;
  readonly form: (typeof forms)['M_Ed'];
  readonly N: number;
}

/**
 * Steel for a moment (N mm) about the centroid, with the axial force of the section (N), with the rectangular stress block: tension steel at d,
 * and compression steel at d2 where x would pass its limit. `singlyOnly` refuses compression steel instead. 6.1, 3.1.7, 3.2.7. Bars that do
 * not yield at the neutral axis count with the stress of their strain. Under a tension that leaves no compression the face alone is answered for.
 */
export function bendingSteel(
  c: Calc,
  { moment, section: s, d, d2, singlyOnly }: Omit<BendingTask, 'materials' | 'delta'>,
  basis: FlexureBasis,
  xiLim: number,
): RequiredSteel {
  const { steel } = basis;
  const N = s.axial ?? 0;
  c.given(symbols.M_Ed, moment);
  const bent = aboutBars(c, moment, s, d, N);
  if (bent.value < 0) return pulledThrough(c, moment, s, d, d2, basis);
  const xLim = xiLim * d;
  const atLimit = concreteResultant(s.strips, xLim, blockOf(basis));
  const mLim = atLimit.force * (d - atLimit.depth);
  if (bent.value <= mLim) return { tension: singleSteel(c, bent, s, d, basis), compression: 0 };

  c.let(F.xLim, { xi_lim: xiLim, d });
  c.given(symbols.F_c_lim, atLimit.force, 'concrete with x at its limit');
  c.given(symbols.z_c, atLimit.depth, 'depth of that force');
  c.let(F.mLim, { F_c_lim: atLimit.force, d, z_c: atLimit.depth });
  if (singlyOnly) {
    return {
      tension: NaN,
      compression: NaN,
      refusal: `needs compression steel, which is switched off: x/d would pass ${xiLim.toFixed(3)}`,
    };
  }
  if (d2 >= xLim) {
    return { tension: NaN, compression: NaN, refusal: 'is too shallow: compression steel would lie below the neutral axis' };
  }
  const strains = { f_yd: steel.yield, epsilon_cu: basis.concrete.ultimateStrain, E_s: steel.modulus, x_lim: xLim, d, d_2: d2 };
  const sigma_s2 = c.let(F.sigmaS2, strains);
  const compression = c.let(bent.form.as2, { ...bent.about, M_lim: mLim, sigma_s2, d, d_2: d2 });
  const sigma_s = c.let(F.sigmaAtLimit, strains);
  return { tension: c.let(F.asDouble, { F_c_lim: atLimit.force, A_s2: compression, sigma_s2, N_Ed: N, sigma_s }), compression };
}

const blockOf = ({ lambda, eta, fcd, concrete }: FlexureBasis): ConcreteLaw => ({
  kind: 'block',
  depthFactor: lambda,
  stress: eta * fcd,
  ultimateStrain: concrete.ultimateStrain,
});

function aboutBars(c: Calc, M_Ed: number, s: BendingSection, d: number, N: number): Bent {
  if (N === 0) return { about: { M_Ed }, value: M_Ed, form: forms.M_Ed, N };
  const N_Ed = c.given(symbols.N_Ed, N, 'at the centroid of the section');
  const M_s = c.let(F.aboutBars, { M_Ed, N_Ed, d, y_0: c.given(symbols.y_0, centroidDepth(s), 'from the section') });
  return { about: { M_s }, value: M_s, form: forms.M_s, N };
}

/** Steel of the face that is pulled more, where the axial tension lies between the bars of both faces. */
function pulledThrough(c: Calc, M_Ed: number, s: BendingSection, d: number, d_2: number, { steel }: FlexureBasis): RequiredSteel {
  c.note('The tension lies between the bars of both faces: no concrete is compressed, and the other face is pulled as well.', '6.1');
  return { tension: c.let(F.pulled, { M_Ed, N_Ed: s.axial!, y_0: centroidDepth(s), d_2, f_yd: steel.yield, d }), compression: 0 };
}

function singleSteel(c: Calc, bent: Bent, s: BendingSection, d: number, basis: FlexureBasis): number {
  const { steel, concrete } = basis;
  if (bent.value === 0 && bent.N === 0) return 0;
  const { x, z } = leverArm(c, bent, s, d, basis);
  // Asked in plain arithmetic: searches come here at every station.
  const yields = concrete.ultimateStrain * steel.modulus * (d - x) >= steel.yield * x;
  if (bent.N === 0 && yields) return c.let(bent.form.as, { ...bent.about, z, f_yd: steel.yield });
  const F_c = c.let(bent.form.force, { ...bent.about, z });
  const sigma_s = c.let(F.sigmaS, { f_yd: steel.yield, epsilon_cu: concrete.ultimateStrain, E_s: steel.modulus, d, x });
  return c.let(F.balance, { F_c, N_Ed: bent.N, sigma_s });
}

/** Neutral axis and lever arm for a moment about the tension steel (mm). The cap on the arm, where it is chosen, is one of bending without axial force. */
function leverArm(c: Calc, bent: Bent, s: BendingSection, d: number, basis: FlexureBasis): { readonly x: number; readonly z: number } {
  const { lambda, eta, fcd } = basis;
  const isCapped = basis.capLeverArm && bent.N === 0;
  if (s.isFree) return freeLeverArm(c, bent, s, d, basis, isCapped);
  // One object for all formulas, since searches come here at every station.
  const v = { ...bent.about, eta, f_cd: fcd, d, lambda, b: s.b, b_w: s.bw, h_f: s.hf, mu: 0, x: 0, F_f: 0, M_f: 0 };
  const solve = () => {
    if (v.mu >= 0.5) throw new CalcError('mu', 'the moment is more than the section can carry at all');
    v.x = c.let(F.x, v);
  };
  const flangeForce = s.hf > 0 ? eta * fcd * s.b * s.hf : Infinity;
  if (bent.value <= flangeForce * (d - s.hf / 2)) {
    v.mu = c.let(bent.form.mu, v);
    solve();
    return { x: v.x, z: c.let(isCapped ? resistance.zCapped : resistance.zBlock, v) };
  }
  v.F_f = c.let(F.flangeForce, v);
  v.M_f = c.let(F.flangeMoment, v);
  v.mu = c.let(bent.form.muWeb, v);
  solve();
  return { x: v.x, z: c.let(isCapped ? bent.form.zFlangedCapped : bent.form.zFlanged, v) };
}

/** The same for any outline: the neutral axis is found by trial, with the rectangular block. */
function freeLeverArm(c: Calc, bent: Bent, s: BendingSection, d: number, basis: FlexureBasis, isCapped: boolean) {
  const block = blockOf(basis);
  const x = depthForMoment(s.strips, d, bent.value, block);
  if (x === undefined) throw new CalcError('x', 'the moment is more than the section can carry at all');
  c.given(symbols.x, x, 'solved for the moment');
  const { depth } = concreteResultant(s.strips, x, block);
  const z = isCapped ? Math.min(d - depth, 0.95 * d) : d - depth;
  return { x, z: c.given(symbols.z, z, isCapped ? 'to the resultant of concrete, at most 0.95 d' : 'to the resultant of concrete') };
}
