import type { Calc } from '../../calc/calc';
import type { Limit, Materials } from '../basis';
import type { ColumnRules, ColumnShear } from '../column-rules';
import type { DesignCode } from '../design-code';
import type { FrameColumn, FrameColumnRules, FrameConfinement, FrameCore } from '../frame-columns';
import { isGrade60, specialMaterialFault } from './frame-materials';
import { INCH, PSI } from './materials';
import { countedStirrupStrength, F as shearF, PHI_SHEAR } from './shear';
import { formula, symbols, twoForms, type Form } from './symbols';

export const F = {
  length: twoForms('l_o', 'max(h_most, l_u / 6, 450)', 'max(h_most, l_u / 6, 18)', '18.4.3.3, 18.7.5.1'),
  intermediate: formula('s_o', 'min(k_b * d_b, s_k, b_least / 2)', '18.4.3.3'),
  apart: twoForms('s_o', 'max(100, min(150, 100 + (350 - h_x) / 3))', 'max(4, min(6, 4 + (14 - h_x) / 3))', '(18.7.5.3)'),
  special: formula('s_max', 'min(b_least / 4, k_b * d_b, s_o)', '18.7.5.3'),
  beyond: twoForms('s_max', 'min(k_b * d_b, 150)', 'min(k_b * d_b, 6)', '18.7.5.5'),
  a: formula('r_a', '0.3 * (A_g / A_ch - 1) * f_c_prime / f_yt', 'table 18.7.5.4(a)'),
  b: formula('r_b', '0.09 * f_c_prime / f_yt', 'table 18.7.5.4(b)'),
  c: formula('r_c', '0.2 * k_f * k_n * P_u / (f_yt * A_ch)', 'table 18.7.5.4(c)'),
  kf: twoForms('k_f', 'max(1, f_c_prime / 175 + 0.6)', 'max(1, f_c_prime / 25000 + 0.6)', '(18.7.5.4a)'),
  kn: formula('k_n', 'n_l / (n_l - 2)', '(18.7.5.4b)'),
  needed: formula('r_sh_min', 'max(r_a, r_b, r_c)', 'table 18.7.5.4'),
  there: formula('r_sh', 'A_sh / (s * b_c)', 'table 18.7.5.4'),
  d: formula('r_a', '0.45 * (A_g / A_ch - 1) * f_c_prime / f_yt', 'table 18.7.5.4(d)'),
  e: formula('r_b', '0.12 * f_c_prime / f_yt', 'table 18.7.5.4(e)'),
  f: formula('r_c', '0.35 * k_f * P_u / (f_yt * A_ch)', 'table 18.7.5.4(f)'),
  round: formula('rho_s', '4 * A_sp / (D_ch * s)', '25.7.3.3'),
  end: formula('M_end', 'M_col * min(1, S_M_b / S_M_c)', '18.7.6.1.1'),
  shear: formula('V_e', '(M_end1 + M_end2) / l_u', '18.4.3.1(a), 18.7.6.1.1'),
  hoops: formula('phi_V_s', 'phi_v * min(A_v * f_yt * d / s, V_s_max)', '18.7.6.2.1'),
  bond: formula('l_bond', '1.25 * l_d', '18.7.4.3'),
};

interface Basis {
  readonly form: Form;
  readonly code: Pick<DesignCode, 'anchorageLength'>;
  readonly columnShear: ColumnRules['shear'];
}

const nothing = () => null;
const sides = (q: FrameColumn) => ({ h_most: Math.max(q.width, q.depth), b_least: Math.min(q.width, q.depth) });

/** A force beyond 0.3 Ag f'c, or concrete above 70 MPa (10,000 psi), 18.7.5.2(f) and table 18.7.5.4. */
function isHigh(q: FrameColumn, form: Form): boolean {
  const fc = q.materials.concreteStrength;
  return q.most > 0.3 * q.area * fc || fc > (form === 'SI' ? 70 : 10_000 * PSI) * (1 + 1e-9);
}

/** 18.3.3: shear of short columns alone, as their ends come to their nominal moments. */
function ordinary({ columnShear }: Basis): FrameColumnRules {
  return {
    title: 'ordinary moment frame',
    materialFault: nothing,
    leastSide: null,
    leastAspect: null,
    leastDepth: nothing,
    asksDrift: false,
    mostAxial: nothing,
    leastRatio: null,
    mostRatio: null,
    leastRoundBars: null,
    betweenCorners: null,
    lapsWithin: null,
    bond: nothing,
    held: nothing,
    zone: nothing,
    beyond: nothing,
    asksConfinement: () => false,
    confinement: nothing,
    joint: null,
    isJointExempt: () => true,
    yielding: { of: 'nominal', steelFactor: 1, clause: '18.3.3(a)', isAsked: (clear, depth) => clear <= 5 * depth },
    beamsYield: null,
    // The moment of the column itself: beams that yield before it lower the shear of special frames alone.
    endMoment: (_c, q) => q.column,
    yieldShear: (c, one, other, clear) => c.let(F.shear, { M_end1: one, M_end2: other, l_u: clear }),
    shear: (c, q) => columnShear(c, q),
    notCovered: [],
  };
}

/** 18.4.3: close hoops next to the joints, and shear by (a), which the code lets be the lesser of two bounds; the other is left out, which never lowers it. */
function intermediate(basis: Basis): FrameColumnRules {
  const { form } = basis;
  return {
    ...ordinary(basis),
    title: 'intermediate moment frame',
    zone: (c, q) => {
      if (q.isSpiral) return null;
      const { h_most, b_least } = sides(q);
      const is60 = isGrade60(q.materials, form);
      const s_k = form === 'SI' ? (is60 ? 200 : 150) : (is60 ? 8 : 6) * INCH;
      const s_o = c.let(F.intermediate, { k_b: is60 ? 8 : 6, d_b: q.smallestBar, s_k, b_least });
      return {
        length: { value: c.let(F.length[form], { h_most, l_u: q.clear }), clause: '18.4.3.3' },
        spacing: { value: s_o, clause: '18.4.3.3' },
        first: s_o / 2,
      };
    },
    yielding: { of: 'nominal', steelFactor: 1, clause: '18.4.3.1(a)', isAsked: () => true },
    notCovered: [
      { title: 'Ties between the end zones where shear needs them', clause: '18.4.3.5' },
      { title: 'Columns below walls that end', clause: '18.4.3.6' },
    ],
  };
}

/** Spacing in the end zones of a special frame, 18.7.5.3. */
function closeHoops(c: Calc, q: FrameColumn, apart: number, form: Form): number {
  const s_o = c.let(F.apart[form], { h_x: apart });
  return c.let(F.special, { b_least: sides(q).b_least, k_b: isGrade60(q.materials, form) ? 6 : 5, d_b: q.smallestBar, s_o });
}

/** The hoops of a core, table 18.7.5.4: by their area in one way across, or by the volume of round ones. */
function confinement(c: Calc, q: FrameColumn, core: FrameCore, along: 'x' | 'y', form: Form): FrameConfinement {
  const { materials: m } = q;
  const f_yt = Math.min(m.linkStrength, 100_000 * PSI);
  const [b, h] = [core.b_o + q.tie, core.h_o + q.tie];
  const values = { A_g: q.area, A_ch: q.isRound ? (Math.PI * b * b) / 4 : b * h, f_c_prime: m.concreteStrength, f_yt };
  const high = isHigh(q, form) && q.most > 0 ? { ...values, k_f: c.let(F.kf[form], values), P_u: q.most } : null;
  if (q.isRound) {
    const r_c = high ? c.let(F.f, high) : 0;
    const needed = c.let(F.needed, { r_a: c.let(F.d, values), r_b: c.let(F.e, values), r_c });
    return { needed, there: c.let(F.round, { A_sp: core.tieArea, D_ch: b, s: core.spacing }), clause: 'table 18.7.5.4' };
  }
  const r_c = high ? c.let(F.c, { ...high, k_n: c.let(F.kn, { n_l: c.given(symbols.n_l, core.held, 'of the bars that are held') }) }) : 0;
  const needed = c.let(F.needed, { r_a: c.let(F.a, values), r_b: c.let(F.b, values), r_c });
  // Legs along x press across the width along y.
  const [A_sh, b_c] = along === 'x' ? [core.legsX * core.tieArea, h] : [core.legsY * core.tieArea, b];
  return { needed, there: c.let(F.there, { A_sh, s: core.spacing, b_c }), clause: 'table 18.7.5.4' };
}

/** Shear strength near an end, 18.7.6.2.1: no concrete where the ends bring half of the shear or more and the column is hardly pressed. */
function specialShear(c: Calc, q: Parameters<FrameColumnRules['shear']>[1], { form, columnShear }: Basis): number {
  const isPressed = q.N >= (q.area * q.materials.concreteStrength) / 20;
  if (!q.isNearEnd || isPressed || q.sway < q.V / 2) return columnShear(c, q);
  return hoopsAlone(c, q, form);
}

function hoopsAlone(c: Calc, q: ColumnShear, form: Form): number {
  c.note('The ends bring half of the shear or more, and the column is hardly pressed: concrete is not counted.', '18.7.6.2.1');
  const [b_w, d] = q.isRound ? [q.h, 0.8 * q.h] : [q.bw, q.d];
  const V_s_max = c.let(shearF.VsMax[form], { f_c_prime: q.materials.concreteStrength, b_w, d });
  const f_yt = countedStirrupStrength(q.materials.linkStrength, form);
  return c.let(F.hoops, { phi_v: PHI_SHEAR, A_v: q.tieArea, f_yt, d, s: q.tieSpacing, V_s_max });
}

/** 18.7. */
function special(basis: Basis): FrameColumnRules {
  const { form, code } = basis;
  const length = (SI: number, inches: number, clause: string): Limit => ({ value: form === 'SI' ? SI : inches * INCH, clause });
  const grade = (m: Materials) => (isGrade60(m, form) ? 6 : 5);
  return {
    ...ordinary(basis),
    title: 'special moment frame',
    materialFault: (m) => specialMaterialFault(m, form),
    leastSide: length(300, 12, '18.7.2.1(a)'),
    leastAspect: { value: 0.4, clause: '18.7.2.1(b)' },
    leastRatio: { value: 0.01, clause: '18.7.4.1' },
    mostRatio: { value: 0.06, clause: '18.7.4.1' },
    leastRoundBars: { value: 6, clause: '18.7.4.2' },
    lapsWithin: { value: 0.5, clause: '18.7.4.4' },
    bond: (c, q) => {
      const l_d = code.anchorageLength(c, q, { isTop: false, h: q.clear, cover: q.cover }, q.materials);
      return { value: c.let(F.bond, { l_d }), clause: '18.7.4.3' };
    },
    held: (q) =>
      q.isRound
        ? null
        : isHigh(q, form)
          ? { apart: length(200, 8, '18.7.5.2(f)'), holdsAll: true }
          : { apart: length(350, 14, '18.7.5.2(e)'), holdsAll: false },
    zone: (c, q, apart) => {
      const spacing = closeHoops(c, q, apart, form);
      const l_o = c.let(F.length[form], { h_most: sides(q).h_most, l_u: q.clear });
      // The first hoop stands within half a spacing of the joint, as in intermediate frames.
      return { length: { value: l_o, clause: '18.7.5.1' }, spacing: { value: spacing, clause: '18.7.5.3' }, first: spacing / 2 };
    },
    beyond: (c, q) => ({ value: c.let(F.beyond[form], { k_b: grade(q.materials), d_b: q.smallestBar }), clause: '18.7.5.5' }),
    asksConfinement: () => true,
    confinement: (c, q, core, along) => confinement(c, q, core, along, form),
    joint: { of: 'nominal', steelFactor: 1, value: 1.2, clause: '18.7.3.2' },
    isJointExempt: (q, isLast) => isLast && q.most < (q.area * q.materials.concreteStrength) / 10,
    yielding: { of: 'nominal', steelFactor: 1.25, clause: '18.7.6.1.1', isAsked: () => true },
    beamsYield: 'probable moments, bars at 1.25 fy',
    endMoment: (c, q) => (q.beams === null ? q.column : c.let(F.end, { M_col: q.column, S_M_b: q.beams, S_M_c: q.columns })),
    shear: (c, q) => specialShear(c, q, basis),
    notCovered: [
      { title: 'Shear of joints', clause: '18.8' },
      { title: 'Columns below walls that end', clause: '18.7.5.6' },
      { title: 'Bars in a cover of more than 100 mm (4 in)', clause: '18.7.5.7' },
    ],
  };
}

/** Columns of ordinary, intermediate and special moment frames: 18.3.3, 18.4.3 and 18.7. */
export function frameColumns(basis: Basis): Readonly<Record<string, FrameColumnRules>> {
  return { ordinary: ordinary(basis), intermediate: intermediate(basis), special: special(basis) };
}
