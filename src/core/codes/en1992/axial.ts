import type { Calc } from '../../calc/calc';
import type { ConcreteLaw } from '../../section/laws';
import type { UltimateBasis } from '../../section/ultimate';
import type { Materials } from '../design-code';
import { concreteLaw, designStrains, designStrength, steelLaw, STEEL_MODULUS } from './materials';
import type { NationalAnnex } from './national';

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
