import { silent } from '../../calc/calc';
import type { SlabRules } from '../slab-rules';
import { coefficientFault, COEFFICIENTS_NOTE, panelByCoefficients } from './direct-design';
import { concreteStrength, F as shear, PHI_SHEAR, runOn, type ShearBasis } from './shear';
import { formula, symbols, twoForms, type Form } from './symbols';
import type { Materials } from '../design-code';

export const F = {
  depthSoft: twoForms(
    'h_min',
    'max(l_n * (0.8 + f_y/1400) / (36 + 5 * beta_l * (alpha_fm - 0.2)), 125)',
    'max(l_n * (0.8 + f_y/200000) / (36 + 5 * beta_l * (alpha_fm - 0.2)), 5)',
    '8.3.1.2',
  ),
  depth: twoForms(
    'h_min',
    'max(l_n * (0.8 + f_y/1400) / (36 + 9 * beta_l), 90)',
    'max(l_n * (0.8 + f_y/200000) / (36 + 9 * beta_l), 3.5)',
    '8.3.1.2',
  ),
  spacing: twoForms('s_slab', 'min(3 * h, 450)', 'min(3 * h, 18)', '7.7.2.3'),
  spacingPeak: twoForms('s_slab', 'min(2 * h, 450)', 'min(2 * h, 18)', '8.7.2.2'),
  spacingElsewhere: twoForms('s_slab', 'min(3 * h, 450)', 'min(3 * h, 18)', '8.7.2.2'),
  spacingAcross: twoForms('s_slab', 'min(5 * h, 450)', 'min(5 * h, 18)', '24.4.3.3'),
  least: formula('A_s_min', '0.0018 * A_g', '7.6.1.1'),
  across: formula('A_s_across', '0.0018 * A_g', '24.4.3.2'),
};

/** One-way slabs to ACI 318-19, chapter 7. */
export function slabRules(form: Form, shearBasis: (m: Materials) => ShearBasis): SlabRules {
  return {
    // Table 22.5.5.1(c): less than the least stirrups, with the size effect.
    plainShear: (c, s, m) => {
      const V_c = concreteStrength(c, s, shearBasis(m), false);
      const phi_v = c.given(symbols.phi_v, PHI_SHEAR, '21.2.1');
      const force = c.let(shear.phiVn, { phi_v, V_c, V_s: 0, V_s_max: 0 });
      return { force, limit: Infinity, shift: runOn(s) };
    },
    shearOver: 'bay',
    leastSteel: (c, s) => c.let(F.least, { A_g: s.grossArea }),
    spacing: (h, _place, c = silent) => ({ value: c.let(F.spacing[form], { h }), clause: '7.7.2.3' }),
    acrossSpacing: (h, _place, c = silent) => ({ value: c.let(F.spacingAcross[form], { h }), clause: '24.4.3.3' }),
    twoWaySpacing: (h, place, c = silent) => ({
      value: c.let((place === 'peak' ? F.spacingPeak : F.spacingElsewhere)[form], { h }),
      clause: '8.7.2.2',
    }),
    oneWayCracks: {
      reason:
        'The spacing that controls cracks is ruled for bars in one direction; those of slabs that span two ways are bound by 8.7.2.2.',
      clause: '24.3.1',
    },
    leastAcross: (c, _main, gross) => c.let(F.across, { A_g: gross }),
    shareToSupport: (isContinuous) => (isContinuous ? 1 / 4 : 1 / 3),
    heldEnd: null,
    crackFreeDepth: null,
    // 8.3.1.2 measures clear spans.
    panelSpan: (length, supportWidth) => length - supportWidth,
    usesBeamStiffness: true,
    // The code gives no range of its own: that of EN 1992-1-1 is taken.
    yieldLineClause: 'EN 1992-1-1 5.6.2(2)',
    twoWayDepth: (c, q) => {
      const beta_l = c.given(symbols.beta_l, q.long / q.length);
      const common = { l_n: q.long, f_y: q.materials.steelStrength, beta_l };
      const alpha_fm = q.beamStiffness ?? null;
      const h_min =
        alpha_fm !== null && alpha_fm <= 2
          ? c.let(F.depthSoft[form], { ...common, alpha_fm: c.given(symbols.alpha_fm, alpha_fm) })
          : c.let(F.depth[form], common);
      return { actual: q.long / q.h, limit: q.long / h_min, clause: '8.3.1.2' };
    },
    plasticDepth: () => null,
    panelCoefficients: panelByCoefficients,
    coefficientLimits: { fault: coefficientFault, loadRatio: { value: 2, clause: '318-14 8.10.2.6' }, note: COEFFICIENTS_NOTE },
    corners: { text: 'bars for the largest sagging moment, above and below both ways over a fifth of the longer side', clause: '8.7.3' },
    clauses: { shear: '22.5.5.1', crushing: '22.5.1.2', least: '7.6.1.1', across: '24.4.3.2', toSupport: '7.7.3.8' },
  };
}
