import { silent, type Calc } from '../../calc/calc';
import type { ColumnRules } from '../column-rules';
import type { FrameColumn, FrameColumnRules, FrameConfinement, FrameCore } from '../frame-columns';
import { curvatureDuctility, materialFault } from './frame-materials';
import { designStrength, STEEL_MODULUS } from './materials';
import type { NationalAnnex } from './national';
import { formula, symbols } from './symbols';

export const F = {
  axial: formula('N_most', '0.65 * A_c * f_cd', 'EN 1998-1 5.4.3.2.1(3)'),
  depth: formula('h_least', 'l_v / 10', 'EN 1998-1 5.4.1.2.2(1)'),
  length: formula('l_cr', 'max(h_col, l_cl / 6, 450)', 'EN 1998-1 (5.14)', { empirical: 'SI' }),
  ties: formula('s_max', 'min(b_core / 2, 175, 8 * d_bL)', 'EN 1998-1 (5.18)', { empirical: 'SI' }),
  nu: formula('nu_d', 'N_Ed / (A_c * f_cd)', 'EN 1998-1 5.4.3.2.1(3)'),
  needed: formula('omega_need', 'max(0.08, (30 * mu_phi * nu_d * epsilon_syd * r_bc - 0.035) / alpha_conf)', 'EN 1998-1 (5.15)'),
  there: formula('omega_wd', 'A_sw_tie * l_hoops * f_ywd / (s * A_core * f_cd)', 'EN 1998-1 5.4.3.2.2(8)'),
  rectangle: formula(
    'alpha_conf',
    '(1 - S_b2 / (6 * b_o * h_o)) * (1 - s / (2 * b_o)) * (1 - s / (2 * h_o))',
    'EN 1998-1 (5.16a), (5.17a)',
  ),
  hoops: formula('alpha_conf', '(1 - s / (2 * D_o))^2', 'EN 1998-1 (5.16b), (5.17b)'),
  spiral: formula('alpha_conf', '1 - s / (2 * D_o)', 'EN 1998-1 (5.16c), (5.17c)'),
  end: formula('M_i_d', 'gamma_Rd * M_Rc * min(1, S_MRb / S_MRc)', 'EN 1998-1 (5.9)'),
  endAlone: formula('M_i_d', 'gamma_Rd * M_Rc', 'EN 1998-1 (5.9)'),
  shear: formula('V_cap', '(M_1d + M_2d) / l_cl', 'EN 1998-1 5.4.2.3'),
};

/** Over-strength of the bars in the ends of a column, class medium, 5.4.2.3(2). */
const OVERSTRENGTH = 1.1;
/** Force and behaviour factor up to which the usual ties are enough at the base, 5.4.3.2.2(12). */
const LITTLE = { nu: 0.2, behaviour: 2 };

interface Basis {
  readonly annex: NationalAnnex;
  readonly behaviour: number;
  readonly shear: ColumnRules['shear'];
}

const strengths = ({ materials: m }: FrameColumn, { annex }: Basis, c: Calc) => ({
  f_cd: designStrength(c, m.concreteStrength, annex.alphaCC, annex.gammaC),
  f_yd: m.steelStrength / annex.gammaS,
  f_ywd: m.linkStrength / annex.gammaS,
});

const relativeForce = (c: Calc, q: FrameColumn, f_cd: number) => c.let(F.nu, { N_Ed: Math.max(0, q.most), A_c: q.area, f_cd });

/** How well a core is confined by ties of this arrangement and spacing, (5.16) and (5.17); never less than nothing. */
function effectiveness(c: Calc, q: FrameColumn, { b_o, h_o, spacing: s, between }: FrameCore): number {
  if (q.isRound) return s >= 2 * b_o ? 0 : c.let(q.isSpiral ? F.spiral : F.hoops, { s, D_o: b_o });
  if (s >= 2 * Math.min(b_o, h_o)) return 0;
  const S_b2 = c.given(
    symbols.S_b2,
    between.reduce((sum, b) => sum + b * b, 0),
    'of the held bars as they stand',
  );
  return Math.max(0, c.let(F.rectangle, { S_b2, b_o, h_o, s }));
}

/** The volume of the ties that the curvature at the base asks for, (5.15), and that which is there. */
function confinement(c: Calc, q: FrameColumn, core: FrameCore, basis: Basis): FrameConfinement {
  const clause = 'EN 1998-1 5.4.3.2.2(8)';
  const { f_cd, f_yd, f_ywd } = strengths(q, basis, c);
  const alpha_conf = effectiveness(c, q, core);
  const A_core = q.isRound ? (Math.PI * core.b_o ** 2) / 4 : core.b_o * core.h_o;
  const there = c.let(F.there, { A_sw_tie: core.tieArea, l_hoops: core.tieLength, f_ywd, s: core.spacing, A_core, f_cd });
  if (alpha_conf <= 0) return { needed: Infinity, there, clause };
  const mu_phi = curvatureDuctility(c, q.materials, basis.behaviour);
  const needed = c.let(F.needed, {
    mu_phi,
    nu_d: relativeForce(c, q, f_cd),
    epsilon_syd: f_yd / STEEL_MODULUS,
    // The width that loses the larger part outside the ties.
    r_bc: Math.max(q.width / core.b_o, q.depth / core.h_o),
    alpha_conf,
  });
  return { needed, there, clause };
}

/** Columns of ductility class medium: EN 1998-1:2004, 5.4.1.2.2, 5.4.2.3, 5.4.3.2 and 4.4.2.3. */
export function mediumColumns(basis: Basis): FrameColumnRules {
  return {
    title: 'ductility class medium',
    materialFault,
    leastSide: null,
    leastAspect: null,
    // Only where second order counts: a sensitivity to drift above 0.1.
    leastDepth: (c, distance, drift) =>
      drift !== null && drift <= 0.1 ? null : { value: c.let(F.depth, { l_v: distance }), clause: 'EN 1998-1 5.4.1.2.2(1)' },
    asksDrift: true,
    mostAxial: (c, q) => ({ value: c.let(F.axial, { A_c: q.area, f_cd: strengths(q, basis, c).f_cd }), clause: 'EN 1998-1 5.4.3.2.1(3)' }),
    leastRatio: { value: 0.01, clause: 'EN 1998-1 5.4.3.2.1(1)' },
    mostRatio: { value: 0.04, clause: 'EN 1998-1 5.4.3.2.1(1)' },
    leastRoundBars: null,
    betweenCorners: { value: 1, clause: 'EN 1998-1 5.4.3.2.1(2)' },
    lapsWithin: null,
    bond: () => null,
    held: () => ({ apart: { value: 200, clause: 'EN 1998-1 5.4.3.2.2(11)b' }, holdsAll: false }),
    zone: (c, q) => {
      const h_col = Math.max(q.width, q.depth);
      const l_cr = c.let(F.length, { h_col, l_cl: q.clear });
      return {
        // A short column is one critical region, 5.4.3.2.2(5).
        length: q.clear < 3 * h_col ? { value: q.clear, clause: 'EN 1998-1 5.4.3.2.2(5)' } : { value: l_cr, clause: 'EN 1998-1 (5.14)' },
        spacing: {
          value: c.let(F.ties, { b_core: Math.min(q.width, q.depth) - 2 * q.inset, d_bL: q.smallestBar }),
          clause: 'EN 1998-1 (5.18)',
        },
        first: 50,
      };
    },
    beyond: () => null,
    asksConfinement: (q, isBase) => {
      if (!isBase) return false;
      const { f_cd } = strengths(q, basis, silent);
      return q.most / (q.area * f_cd) > LITTLE.nu || basis.behaviour > LITTLE.behaviour;
    },
    confinement: (c, q, core) => confinement(c, q, core, basis),
    joint: { of: 'design', steelFactor: 1, value: 1.3, clause: 'EN 1998-1 (4.29)' },
    // 4.4.2.3(6): not at the top of the building.
    isJointExempt: (_q, isLast) => isLast,
    yielding: { of: 'design', steelFactor: 1, clause: 'EN 1998-1 5.4.2.3', isAsked: () => true },
    beamsYield: null,
    endMoment: (c, { column, columns, beams }) =>
      beams === null
        ? c.let(F.endAlone, { gamma_Rd: OVERSTRENGTH, M_Rc: column })
        : c.let(F.end, { gamma_Rd: OVERSTRENGTH, M_Rc: column, S_MRb: beams, S_MRc: columns }),
    yieldShear: (c, one, other, clear) => c.let(F.shear, { M_1d: one, M_2d: other, l_cl: clear }),
    shear: (c, q) => basis.shear(c, q),
    notCovered: [
      { title: 'Ties of joints', clause: 'EN 1998-1 5.4.3.3' },
      { title: 'Ties along laps', clause: 'EN 1998-1 5.6.3' },
    ],
  };
}
