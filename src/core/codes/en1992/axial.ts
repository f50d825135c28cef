import type { Calc } from '../../calc/calc';
import { bearing } from '../../section/polygon-section';
import { steelStress } from '../../section/laws';
import type { ConcreteLaw } from '../../section/laws';
import type { UltimateBasis } from '../../section/ultimate';
import type { ResistanceRecord } from '../column-rules';
import type { Materials } from '../design-code';
import { concreteLaw, designStrains, designStrength, steelLaw, STEEL_MODULUS } from './materials';
import type { NationalAnnex } from './national';
import { formula, symbols } from './symbols';

export type Diagram = 'parabola' | 'bilinear' | 'block';

/** The concrete law for axial force with bending, 3.1.7: parabola-rectangle, bilinear or rectangular block. */
function law(c: Calc, m: Materials, annex: NationalAnnex, diagram: Diagram): ConcreteLaw {
  if (diagram !== 'bilinear') return concreteLaw(c, m, annex, diagram);
  const { ec3, ecu2 } = designStrains(c, m.concreteStrength);
  const stress = designStrength(c, m.concreteStrength, annex.alphaCC, annex.gammaC);
  return { kind: 'parabola', exponent: 1, peakStrain: ec3, stress, ultimateStrain: ecu2 };
}

/**
 * The ultimate state of a section, 6.1: the edge at eps_cu2 (eps_cu3) while the neutral axis lies in the section, eps_c2 (eps_c3) at uniform
 * compression; steel with a horizontal branch and no limit of strain. In the squash load steel is strained to eps_c2.
 */
export function ultimateBasis(c: Calc, m: Materials, annex: NationalAnnex, diagram: Diagram, deductsDisplaced: boolean): UltimateBasis {
  const { ec2, ec3 } = designStrains(c, m.concreteStrength);
  const uniformStrain = diagram === 'bilinear' ? ec3 : ec2;
  const steel = steelLaw(c, m, annex);
  return {
    concrete: law(c, m, annex, diagram),
    steel,
    uniformStrain,
    deductsDisplaced,
    reduction: null,
    axialCap: null,
    squashStress: Math.min(steel.yield, uniformStrain * STEEL_MODULUS),
  };
}

export const F = {
  strain: formula('epsilon_i', 'epsilon_cu * (x - d_i)/x', '6.1(3)'),
  strainFull: formula('epsilon_i', 'epsilon_c2 * (x - d_i)/(x - (1 - epsilon_c2/epsilon_cu) * h)', '6.1(5)'),
  force: formula('F_i', 'A_i * sigma_i', '6.1'),
  moment: formula('M_Ed', 'sqrt(M_Edx^2 + M_Edy^2)', '6.1'),
  use: formula('u_N', 'M_Ed / M_R', '6.1'),
};

/** Writes down a limit state: where the neutral axis lies, strain and force of each bar, and the moment against its resistance. */
export function recordResistance(c: Calc, q: ResistanceRecord): void {
  const { point, basis, section } = q;
  const b = bearing(section, point.theta);
  c.note('Direction and depth of the neutral axis are solved so that the forces balance N and the moments point the same way.', '6.1(2)');
  c.given(symbols.theta_c, point.theta);
  const x = c.given(symbols.x, Math.min(point.x, 1e6), 'solved');
  section.bars.forEach((bar, i) => {
    const d_i = b.vMax - b.bars[i]!;
    const strain =
      x <= b.h || basis.uniformStrain === null
        ? c.let(F.strain, { epsilon_cu: basis.concrete.ultimateStrain, x, d_i })
        : c.let(F.strainFull, { epsilon_c2: basis.uniformStrain, epsilon_cu: basis.concrete.ultimateStrain, x, d_i, h: b.h });
    c.let(F.force, { A_i: bar.area, sigma_i: steelStress(strain, basis.steel) });
  });
  const M_Ed = c.let(F.moment, { M_Edx: c.given(symbols.M_Edx, q.Mx), M_Edy: c.given(symbols.M_Edy, q.My) });
  const M_R = c.given(symbols.M_R, Math.hypot(point.Mx, point.My), 'sum of all forces times their distances from the centroid');
  c.let(F.use, { M_Ed, M_R });
}
