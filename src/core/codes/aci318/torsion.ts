import type { Calc } from '../../calc/calc';
import { boundsOf, insetLoop, outlineProperties, signedArea } from '../../geometry/polygon';
import type { Choice, Materials } from '../design-code';
import type { TorsionAnswer, TorsionQuestion, TorsionRules, TorsionWall } from '../torsion-rules';
import { INCH, PSI } from './materials';
import { concreteStrength, PHI_SHEAR, type ShearBasis } from './shear';
import { formula, symbols, twoForms, type Form } from './symbols';

export const F = {
  threshold: twoForms('T_th', '0.083 * lambda * sqrt_fc * A_cp^2 / p_cp', 'lambda * sqrt_fc * A_cp^2 / p_cp', 'table 22.7.4.1(a)'),
  cracking: twoForms('T_cr', '0.33 * lambda * sqrt_fc * A_cp^2 / p_cp', '4 * lambda * sqrt_fc * A_cp^2 / p_cp', 'table 22.7.5.1'),
  root: twoForms('sqrt_fc', 'sqrt(f_c_prime)', 'sqrt(f_c_prime)', '19.2.1'),
  rootCapped: twoForms('sqrt_fc', 'min(sqrt(f_c_prime), 8.3)', 'min(sqrt(f_c_prime), 100)', '22.7.2.1'),
  stress: formula('v_TV', 'sqrt((V_u / (b_w * d))^2 + (T_u * p_h / (1.7 * A_oh^2))^2)', '(22.7.7.1a)'),
  most: twoForms('v_most', 'phi_v * (V_c / (b_w * d) + 0.66 * sqrt_fc)', 'phi_v * (V_c / (b_w * d) + 8 * sqrt_fc)', '(22.7.7.1a)'),
  one: formula('a_t', 'T_u / (phi_v * 2 * 0.85 * A_oh * f_yt)', '(22.7.6.1a)'),
  legs: formula('u_t', '(a_v / n_leg + a_t) / a_leg', '9.5.4.3'),
  need: formula('a_vt', 'max(a_v + n_leg * a_t, a_vt_min)', '9.6.4.2'),
  least: twoForms('a_vt_min', 'max(0.062 * sqrt_fc, 0.35) * b_w / f_yt', 'max(0.75 * sqrt_fc, 50) * b_w / f_yt', '9.6.4.2'),
  along: formula('A_l', 'a_t * p_h * f_yt / f_y', '(22.7.6.1b)'),
  alongLeast: twoForms(
    'A_l_min',
    'max(0, min(0.42 * sqrt_fc * A_cp / f_y - a_t * p_h * f_yt / f_y, 0.42 * sqrt_fc * A_cp / f_y - 0.175 * b_w / f_yt * p_h * f_yt / f_y))',
    'max(0, min(5 * sqrt_fc * A_cp / f_y - a_t * p_h * f_yt / f_y, 5 * sqrt_fc * A_cp / f_y - 25 * b_w / f_yt * p_h * f_yt / f_y))',
    '9.6.4.3',
  ),
};

/** What ACI 318-19 leaves to the engineer in torsion. */
export const torsionChoices: readonly Choice[] = [
  {
    key: 'torsionKind',
    title: 'Torsion is',
    clause: '22.7.3',
    topic: 'torsion',
    options: { equilibrium: 'needed for equilibrium', compatibility: 'from compatibility: at most that of cracking' },
  },
];

/** The axis of the outer stirrups, which encloses Aoh, 22.7.6.1.1. */
export function wall(q: Pick<TorsionQuestion, 'outline' | 'toLink'>): TorsionWall {
  const outer = signedArea(q.outline) > 0 ? q.outline : [...q.outline].reverse();
  return { axis: insetLoop(outer, q.toLink), inner: null, thickness: null };
}

/**
 * Area and perimeter of the outline, with the overhanging flanges that count: as far out as the beam projects beyond the slab, at most four
 * times its depth, 9.2.4.4(a); none where Acp^2/pcp would be less with them (b).
 */
function withFlanges({ outline, flanges }: TorsionQuestion): {
  readonly area: number;
  readonly perimeter: number;
  readonly counts: boolean;
} {
  const web = outlineProperties({ outer: outline, holes: [] });
  const { bottom, top } = boundsOf(outline);
  const { depth = 0, overhangs = [] } = flanges ?? {};
  const out = overhangs.reduce((sum, w) => sum + Math.min(w, top - bottom - depth, 4 * depth), 0);
  const whole = { area: web.area + out * depth, perimeter: web.perimeter + 2 * out };
  const counts = out > 0 && whole.area ** 2 / whole.perimeter > web.area ** 2 / web.perimeter;
  return counts ? { ...whole, counts } : { area: web.area, perimeter: web.perimeter, counts };
}

/**
 * Shear and torsion, 22.7 with struts at 45 degrees: stirrups of both added up, each outer leg with the torque and its part of the
 * shear; longitudinal bars all round; the section by the combined stress of a solid section.
 */
export function check(c: Calc, q: TorsionQuestion, form: Form, basis: ShearBasis, isCompatibility: boolean): TorsionAnswer {
  const m: Materials = q.materials;
  const { lambda, fyt } = basis;
  const gross = withFlanges(q);
  const outer = signedArea(q.outline) > 0 ? q.outline : [...q.outline].reverse();
  const within = outlineProperties({ outer: insetLoop(outer, q.toLink), holes: [] });
  const A_cp = c.given(symbols.A_cp, gross.area, gross.counts ? 'with the flanges that count, 9.2.4.4' : undefined);
  const p_cp = c.given(symbols.p_cp, gross.perimeter);
  const A_oh = c.given(symbols.A_oh, within.area, 'within the axis of the outer stirrups');
  const p_h = c.given(symbols.p_h, within.perimeter);
  const spacing = { value: Math.min(p_h / 8, form === 'SI' ? 300 : 12 * INCH), clause: '9.7.6.3.3' };
  const rest = { spacing, barSpacing: { value: form === 'SI' ? 300 : 12 * INCH, clause: '9.7.5.1' }, corePerimeter: p_h };
  // Capped where torques crack the concrete, and nowhere else.
  const capped = c.let(F.rootCapped[form], { f_c_prime: m.concreteStrength });
  const T_th = c.let(F.threshold[form], { lambda, sqrt_fc: capped, A_cp, p_cp });
  const T = c.given(symbols.T_u, q.T);
  if (T <= PHI_SHEAR * T_th) {
    c.note('The torque is below the threshold and may be neglected.', '9.5.4.1');
    return { ...rest, design: 0, concrete: 0, links: 0, linkArea: 0, longitudinal: 0 };
  }
  const T_cr = c.let(F.cracking[form], { lambda, sqrt_fc: capped, A_cp, p_cp });
  const isReduced = isCompatibility && T > PHI_SHEAR * T_cr;
  const T_u = isReduced ? c.given(symbols.T_u, PHI_SHEAR * T_cr, 'from compatibility: reduced to that of cracking, 22.7.3.2') : T;
  const sqrt_fc = c.let(F.root[form], { f_c_prime: m.concreteStrength });
  const V_u = c.given(symbols.V_u, q.V);
  const { bw: b_w, d } = q.section;
  const V_c = concreteStrength(c, q.section, basis, true);
  const v_TV = c.let(F.stress, { V_u, b_w, d, T_u, p_h, A_oh });
  const v_most = c.let(F.most[form], { phi_v: PHI_SHEAR, V_c, b_w, d, sqrt_fc });
  const a_v = c.given(symbols.a_v, Math.max(0, V_u / PHI_SHEAR - V_c) / (fyt * d), 'for shear');
  const a_t = c.let(F.one, { T_u, phi_v: PHI_SHEAR, A_oh, f_yt: fyt });
  const n_leg = c.given(symbols.n_leg, q.links.legs);
  const a_leg = c.given(symbols.a_leg, q.links.area / q.links.legs / q.links.spacing);
  const a_vt_min = c.let(F.least[form], { sqrt_fc, b_w, f_yt: fyt });
  const links = c.let(F.legs, { a_v, n_leg, a_t, a_leg });
  const most_fy = form === 'SI' ? 420 : 60_000 * PSI;
  const f_y = c.given(
    symbols.f_y,
    Math.min(m.steelStrength, most_fy),
    m.steelStrength > most_fy ? 'at most that for torsion, 20.2.2.4' : undefined,
  );
  const along = c.let(F.along, { a_t, p_h, f_yt: fyt, f_y });
  const least = c.let(F.alongLeast[form], { sqrt_fc, A_cp, f_y, a_t, p_h, f_yt: fyt, b_w });
  return {
    ...rest,
    design: T_u,
    concrete: v_TV / v_most,
    links: Math.max(links, a_vt_min / (a_leg * n_leg)),
    linkArea: c.let(F.need, { a_v, n_leg, a_t, a_vt_min }),
    longitudinal: Math.max(along, least),
  };
}

export function torsionRules(form: Form, basis: (m: Materials) => ShearBasis, choose: (key: string) => string): TorsionRules {
  return {
    wall,
    check: (c, q) => check(c, q, form, basis(q.materials), choose('torsionKind') === 'compatibility'),
    clauses: { concrete: '22.7.7.1', links: '22.7.6.1', longitudinal: '9.6.4.3' },
  };
}
