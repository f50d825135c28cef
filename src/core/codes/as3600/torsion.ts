import type { Calc } from '../../calc/calc';
import { boundsOf, insetLoop, outlineProperties, signedArea } from '../../geometry/polygon';
import type { TorsionAnswer, TorsionQuestion, TorsionRules, TorsionWall } from '../torsion-rules';
import { classOf, shearFactor } from './capacity-factors';
import { concreteAndAngle, type ShearMethod } from './shear-rules';
import { formula, symbols } from './symbols';

export const F = {
  cracking: formula('T_cr', '0.33 * sqrt(f_c_prime) * A_cp^2 / u_c', '8.2.1.2', { empirical: 'SI' }),
  threshold: formula('T_thr', '0.25 * phi * T_cr', '8.2.1.2'),
  area: formula('A_o', '0.85 * A_oh', '8.2.5.6'),
  stress: formula('v_TV', 'sqrt((V_star / (b_v * d_v))^2 + (T_star * u_h / (1.7 * A_oh^2))^2)', '8.2.3.3'),
  most: formula('v_most', 'phi * V_u_max / (b_v * d_v)', '8.2.3.3'),
  shear: formula('a_sv', 'max(0, V_star / phi - V_uc) / (f_syf * d_v * cot(theta_v))', '8.2.5.2'),
  one: formula('a_sw', 'T_star / (phi * 2 * A_o * f_syf * cot(theta_v))', '8.2.5.6'),
  least: formula('a_sw_min', '0.2 * y_1 / f_syf', '8.2.5.5', { empirical: 'SI' }),
  legs: formula('u_T', '(a_sv / n_leg + max(a_sw, a_sw_min)) / a_leg', '8.2.5'),
  need: formula('a_svw', 'a_sv + n_leg * max(a_sw, a_sw_min)', '8.2.5'),
  along: formula('A_l', 'T_star * u_h * cot(theta_v) / (phi * 2 * A_o * f_sy)', '8.2.7'),
  spacing: formula('s_T', 'min(0.12 * u_h, 300)', '8.3.3', { empirical: 'SI' }),
};

/** The centre line of the outer closed fitments, which encloses Aoh. */
function wall(q: Pick<TorsionQuestion, 'outline' | 'toLink'>): TorsionWall {
  const outer = signedArea(q.outline) > 0 ? q.outline : [...q.outline].reverse();
  return { axis: insetLoop(outer, q.toLink), inner: null, thickness: null };
}

/**
 * Shear and torsion, 8.2: closed fitments of both added up, each outer leg with the torque and its part of the shear; longitudinal bars all round by the
 * truss of the thin wall; crushing by the stress of both together. Flanges beside the outline do not count.
 */
export function check(c: Calc, q: TorsionQuestion, method: ShearMethod): TorsionAnswer {
  const { materials: m, section } = q;
  const gross = outlineProperties({ outer: q.outline, holes: [] });
  const { axis } = wall(q);
  const within = outlineProperties({ outer: axis, holes: [] });
  const box = boundsOf(axis);
  const u_h = c.given(symbols.u_h, within.perimeter, 'of the centre line of the outer fitments');
  const spacing = { value: c.let(F.spacing, { u_h }), clause: '8.3.3' };
  const rest = { spacing, barSpacing: { value: 300, clause: '8.3.3 (practice)' }, corePerimeter: u_h };
  const f_c_prime = c.given(symbols.f_c_prime, m.concreteStrength);
  const phi = shearFactor(c, true, classOf(m));
  const T_cr = c.let(F.cracking, { f_c_prime, A_cp: c.given(symbols.A_cp, gross.area), u_c: c.given(symbols.u_c, gross.perimeter) });
  const T_star = c.given(symbols.T_star, q.T);
  if (T_star <= c.let(F.threshold, { phi, T_cr })) {
    c.note('The torque is below a quarter of phi Tcr and may be neglected.', '8.2.1.2');
    return { ...rest, design: 0, concrete: 0, links: 0, linkArea: 0, longitudinal: 0 };
  }
  const A_oh = c.given(symbols.A_oh, within.area, 'within that line');
  const A_o = c.let(F.area, { A_oh });
  const { Vuc: V_uc, theta: theta_v, d_v, crushing } = concreteAndAngle(c, section, m, method);
  const V_star = c.given(symbols.V_star, q.V);
  const b_v = section.bw;
  const v_TV = c.let(F.stress, { V_star, b_v, d_v, T_star, u_h, A_oh });
  const v_most = c.let(F.most, { phi, V_u_max: crushing, b_v, d_v });
  const f_syf = m.linkStrength;
  const a_sv = c.let(F.shear, { V_star, phi, V_uc, f_syf, d_v, theta_v });
  const a_sw = c.let(F.one, { T_star, phi, A_o, f_syf, theta_v });
  const y_1 = c.given(symbols.y_1, Math.max(box.right - box.left, box.top - box.bottom), 'larger side of the fitments');
  const a_sw_min = c.let(F.least, { y_1, f_syf });
  const n_leg = c.given(symbols.n_leg, q.links.legs);
  const a_leg = c.given(symbols.a_leg, q.links.area / q.links.legs / q.links.spacing);
  return {
    ...rest,
    design: T_star,
    concrete: v_TV / v_most,
    links: c.let(F.legs, { a_sv, n_leg, a_sw, a_sw_min, a_leg }),
    linkArea: c.let(F.need, { a_sv, n_leg, a_sw, a_sw_min }),
    longitudinal: c.let(F.along, { T_star, u_h, theta_v, phi, A_o, f_sy: m.steelStrength }),
  };
}

export const torsionRules = (method: ShearMethod): TorsionRules => ({
  wall,
  check: (c, q) => check(c, q, method),
  clauses: { concrete: '8.2.3.3', links: '8.2.5.6', longitudinal: '8.2.7' },
});
