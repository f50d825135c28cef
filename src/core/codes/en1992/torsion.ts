import type { Calc } from '../../calc/calc';
import { thinWall } from '../../geometry/thin-wall';
import type { Choice } from '../design-code';
import type { TorsionAnswer, TorsionQuestion, TorsionRules, TorsionWall } from '../torsion-rules';
import { F as materials, meanTensileStrength } from './materials';
import { concreteAlone, F as shearFormulas, shearStrength, type ShearBasis } from './shear';
import { formula, symbols } from './symbols';

export const F = {
  crackTorque: formula('T_Rd_c', '2 * A_k * t_ef * f_ctd', '6.3.2(5)'),
  least: formula('u_c', 'T_Ed / T_Rd_c + V_Ed / V_Rd_c', '(6.31)'),
  strut: formula('q_TV', '(V_Ed / (b_w * z) + T_Ed / (2 * A_k * t_ef)) / (nu_1 * f_cd)', '(6.29)'),
  legs: formula('q_sw', '(V_Ed / (n_leg * z) + T_Ed / (2 * A_k)) / (a_leg * f_ywd)', '(6.8), 6.3.2(2)'),
  cot: formula('cot_theta', 'max(1, min(2.5, sqrt(q_sw / q_TV - 1)))', '6.3.2(2)'),
  cotNeed: formula('cot_theta', 'max(1, min(2.5, (1 + sqrt(1 - 4 * q_TV^2)) / (2 * q_TV)))', '(6.29)'),
  concrete: formula('u_TV', 'q_TV * (cot_theta + 1 / cot_theta)', '(6.29)'),
  links: formula('u_sw', 'q_sw / cot_theta', '6.3.2(2)'),
  need: formula('a_sw', '(V_Ed / z + n_leg * T_Ed / (2 * A_k)) / (f_ywd * cot_theta)', '6.3.2(2)'),
  along: formula('A_sl_T', 'T_Ed * u_k * cot_theta / (2 * A_k * f_yd)', '(6.28)'),
};

/** What EN 1992-1-1 leaves open in torsion. */
export const torsionChoices: readonly Choice[] = [
  {
    key: 'torsionKind',
    title: 'Torsion is',
    clause: '6.3.1(1), (2)',
    topic: 'torsion',
    options: { equilibrium: 'needed for equilibrium', compatibility: 'from compatibility alone: minimum reinforcement' },
  },
];

const none = (spacing: number): TorsionAnswer => ({
  design: 0,
  concrete: 0,
  links: 0,
  linkArea: 0,
  spacing: { value: spacing, clause: '9.2.3(3)' },
  longitudinal: 0,
  barSpacing: { value: 350, clause: '9.2.3(4)' },
  corePerimeter: 1,
});

/** The equivalent wall, 6.3.2(1): its axis encloses Ak; no inside is left where the walls of both sides meet. */
export function wall(q: Pick<TorsionQuestion, 'outline' | 'toBar' | 'realWall'>): TorsionWall {
  const { thickness, centreLine, inner } = thinWall(q.outline, q.toBar, q.realWall);
  return { axis: centreLine, inner, thickness };
}

/**
 * Shear and torsion with one strut angle, 6.3.2: the angle at which concrete and links are used alike, within 1 and 2.5. Each outer leg
 * carries the torque and its part of the shear.
 */
export function check(c: Calc, q: TorsionQuestion, basis: ShearBasis, isCompatibility: boolean): TorsionAnswer {
  const { annex } = basis;
  const wall = thinWall(q.outline, q.toBar, q.realWall);
  const most = Math.min(wall.perimeter / 8, 0.75 * q.section.d, q.section.bw, q.section.h);
  const T_Ed = c.given(symbols.T_Ed, q.T);
  if (isCompatibility) {
    c.note('Torsion from compatibility alone is left out of the strength; links and bars keep their minimum.', '6.3.1(2)');
    return none(most);
  }
  const m = q.materials;
  const V_Ed = c.given(symbols.V_Ed, q.V);
  if (!wall.inner) {
    const [thick] = [...wall.thicknesses].sort((a, b) => b - a);
    const refusal = `Twice the distance to the bars makes a wall of ${thick!.toFixed(0)} mm, and the walls of both sides meet: no tube is left to carry a torque (6.3.2(1)).`;
    return { ...none(most), design: q.T, concrete: Infinity, refusal };
  }
  const t_ef = c.given(symbols.t_ef, wall.thickness, 'area over perimeter, at least twice the distance to the bars; the thinnest');
  const A_k = c.given(symbols.A_k, wall.coreArea);
  const u_k = c.given(symbols.u_k, wall.corePerimeter);
  const f_ck = shearStrength(m.concreteStrength, annex);
  const f_ctk_005 = c.let(materials.fctk, { f_ctm: meanTensileStrength(c, m.concreteStrength) });
  const f_ctd = c.let(materials.fctd, { f_ctk_005, gamma_C: annex.gammaC });
  const T_Rd_c = c.let(F.crackTorque, { A_k, t_ef, f_ctd });
  const V_Rd_c = c.given(symbols.V_Rd_c, concreteAlone(c, q.section, m, annex), '6.2.2');
  if (c.let(F.least, { T_Ed, T_Rd_c, V_Ed, V_Rd_c }) <= 1) {
    c.note('Minimum links and bars are enough for both together.', '6.3.2(5)');
    return none(most);
  }
  const z = c.let(shearFormulas.z, { d: q.section.d });
  const f_cd = c.let(materials.fcd, { alpha_cc: annex.alphaCCShear, f_ck, gamma_C: annex.gammaC });
  const nu_1 = c.let(shearFormulas.nu1, { f_ck });
  const f_ywd = c.let(shearFormulas.fywd, { f_ywk: m.linkStrength, gamma_S: annex.gammaS });
  const f_yd = c.let(materials.fyd, { f_yk: m.steelStrength, gamma_S: annex.gammaS });
  const n_leg = c.given(symbols.n_leg, q.links.legs);
  const a_leg = c.given(symbols.a_leg, q.links.area / q.links.legs / q.links.spacing);
  const q_TV = c.let(F.strut, { V_Ed, b_w: q.section.bw, z, T_Ed, A_k, t_ef, nu_1, f_cd });
  const q_sw = c.let(F.legs, { V_Ed, n_leg, z, T_Ed, A_k, a_leg, f_ywd });
  const set = basis.cotTheta;
  const cot_theta =
    set !== 'best'
      ? c.given(symbols.cot_theta, set, 'chosen by the engineer')
      : q_sw <= 2 * q_TV
        ? c.given(symbols.cot_theta, 1, 'steepest strut: the links are strong')
        : c.let(F.cot, { q_sw, q_TV });
  const concrete = c.let(F.concrete, { q_TV, cot_theta });
  const links = c.let(F.links, { q_sw, cot_theta });
  c.note('Steel that would do, with the flattest strut that the concrete carries:');
  const flat = set !== 'best' ? set : q_TV >= 0.5 ? 1 : c.let(F.cotNeed, { q_TV });
  const linkArea = c.let(F.need, { V_Ed, z, n_leg, T_Ed, A_k, f_ywd, cot_theta: flat });
  // Bars go with the strut angle that the links there make: flatter struts pull more along the beam.
  const longitudinal = c.let(F.along, { T_Ed, u_k, cot_theta, A_k, f_yd });
  return { ...none(most), design: q.T, concrete, links, linkArea, longitudinal, corePerimeter: u_k };
}

export function torsionRules(basis: ShearBasis, choose: (key: string) => string): TorsionRules {
  return {
    wall,
    check: (c, q) => check(c, q, basis, choose('torsionKind') === 'compatibility'),
    clauses: { concrete: '6.3.2(4)', links: '6.3.2(2)', longitudinal: '6.3.2(3)' },
  };
}
