import { silent, type Calc } from '../../calc/calc';
import type { Materials } from '../basis';
import type { DesignCode } from '../design-code';
import type { ColumnRules } from '../column-rules';
import type { FrameCode, FrameRules } from '../frame-rules';
import { mediumColumns } from './frame-columns';
import { curvatureDuctility, materialFault } from './frame-materials';
import { meanTensileStrength, STEEL_MODULUS } from './materials';
import { psiOf, type NationalAnnex } from './national';
import { formula } from './symbols';

export const F = {
  least: formula('rho_min', '0.5 * f_ctm / f_yk', 'EN 1998-1 (5.12)'),
  most: formula('rho_most', 'rho_c2 + 0.0018 / (mu_phi * epsilon_syd) * f_cd / f_yd', 'EN 1998-1 (5.11)'),
  hoops: formula('s_max', 'min(h / 4, 24 * d_bw, 225, 8 * d_bL)', 'EN 1998-1 (5.13)', { empirical: 'SI' }),
  inner: formula('d_bL_max', '7.5 * f_ctm / f_yd / (1 + 0.75 * 2 / 3 * rho_c2 / rho_most) * h_col', 'EN 1998-1 (5.50a)'),
  outer: formula('d_bL_max', '7.5 * f_ctm / f_yd * h_col', 'EN 1998-1 (5.50b)'),
};

interface FrameBasis {
  readonly annex: NationalAnnex;
  /** Basic behaviour factor, from which the curvature ductility comes. */
  readonly behaviour: number;
  readonly code: Pick<DesignCode, 'bendingResistance' | 'shearResistance' | 'linkRequirement'>;
  readonly columnShear: ColumnRules['shear'];
}

const CLAUSE = 'EN 1998-1 5.4.3.1.2';

/** The most steel of (5.11). */
function mostRatio(c: Calc, m: Materials, compression: number, { annex, behaviour }: FrameBasis): number {
  const mu_phi = curvatureDuctility(c, m, behaviour);
  const f_yd = m.steelStrength / annex.gammaS;
  const f_cd = (annex.alphaCC * m.concreteStrength) / annex.gammaC;
  return c.let(F.most, { rho_c2: compression, mu_phi, epsilon_syd: f_yd / STEEL_MODULUS, f_cd, f_yd });
}

/** Ductility class medium of EN 1998-1:2004, 5.4 and 5.6: beams that do not carry columns. */
function medium(basis: FrameBasis): FrameRules {
  const { annex, code } = basis;
  return {
    title: 'ductility class medium',
    materialFault,
    atFace: { value: 0.5, clause: `${CLAUSE}(4)a`, by: 'area' },
    along: null,
    continuous: null,
    leastRatio: (c, m) => ({
      value: c.let(F.least, { f_ctm: meanTensileStrength(c, m.concreteStrength), f_yk: m.steelStrength }),
      clause: `${CLAUSE}(5)`,
    }),
    mostRatio: (c, m, compression) => ({ value: mostRatio(c, m, compression, basis), clause: `${CLAUSE}(4)b` }),
    slenderness: null,
    leastWidth: () => null,
    zone: (c, q) => ({
      length: q.h,
      spacing: c.let(F.hoops, { h: q.h, d_bw: q.link, d_bL: q.smallestBar }),
      first: 50,
      clause: `${CLAUSE}(6)`,
    }),
    beyond: () => null,
    gravityFactor: (k) => (k.nature === 'permanent' ? 1 : k.nature === 'earthquake' ? 0 : psiOf(annex, k.nature, k.category)[2]),
    // 5.4.2.2: gamma_Rd is 1.0 in this class; the columns are taken as stronger than the beam.
    endMoment: (c, s, m) => code.bendingResistance(c, s, m)?.moment ?? 0,
    countsConcrete: () => true,
    shear: (c, s, links, m) => code.shearResistance(c, s, links, m).force,
    linkArea: (force, s, m) => code.linkRequirement(silent, force, s, m).areaPerLength,
    shearClause: 'EN 1998-1 5.4.2.2',
    jointBar: (c, q) => {
      const values = {
        f_ctm: meanTensileStrength(c, q.materials.concreteStrength),
        f_yd: q.materials.steelStrength / annex.gammaS,
        h_col: q.depth,
      };
      return q.isInner
        ? { value: c.let(F.inner, { ...values, rho_c2: q.bottomRatio, rho_most: q.mostRatio }), clause: 'EN 1998-1 5.6.2.2(2)a' }
        : { value: c.let(F.outer, values), clause: 'EN 1998-1 5.6.2.2(2)b' };
    },
    notCovered: [
      { title: 'Width against the column, eccentricity', clause: 'EN 1998-1 5.4.1.2.1' },
      { title: 'Columns stronger than beams: at the columns', clause: 'EN 1998-1 4.4.2.3' },
    ],
  };
}

export function frameCode(basis: FrameBasis): FrameCode {
  const rules = medium(basis);
  const columns = mediumColumns({ annex: basis.annex, behaviour: basis.behaviour, shear: basis.columnShear });
  return {
    classes: { none: 'none, or ductility class low', medium: 'ductility class medium' },
    choices: frameChoices,
    rules: (frame) => (frame === 'medium' ? rules : null),
    columns: (frame) => (frame === 'medium' ? columns : null),
  };
}

/** What EN 1998-1 leaves open in frames. */
export const frameChoices: FrameCode['choices'] = [
  {
    key: 'behaviour',
    title: 'Basic behaviour factor q0',
    clause: 'EN 1998-1 table 5.1, (5.4)',
    topic: 'frames',
    only: 'frames',
    options: { min: 1.5, max: 6, usual: 3.9 },
  },
];
