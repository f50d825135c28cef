import { silent, type Calc } from '../../calc/calc';
import type { LoadCase } from '../../analysis/combination';
import type { Materials } from '../basis';
import type { ColumnRules } from '../column-rules';
import type { BendingSection, DesignCode } from '../design-code';
import type { FrameCode, FrameEnd, FrameRules, FrameZone } from '../frame-rules';
import { frameColumns } from './frame-columns';
import { isGrade60, specialMaterialFault } from './frame-materials';
import { INCH, lightweightFactor, strengthReduction } from './materials';
import { countedStirrupStrength, PHI_SHEAR } from './shear';
import { formula, symbols, twoForms, type Form } from './symbols';

export const F = {
  intermediate: twoForms('s_max', 'min(d / 4, 8 * d_b, 24 * d_hoop, 300)', 'min(d / 4, 8 * d_b, 24 * d_hoop, 12)', '18.4.2.4'),
  special: twoForms('s_max', 'min(d / 4, k_b * d_b, 150)', 'min(d / 4, k_b * d_b, 6)', '18.6.4.4'),
  length: formula('l_hoop', '2 * h', '18.4.2.4, 18.6.4.1'),
  hoops: formula('phi_V_s', 'phi_v * A_v * f_yt * d / s', '18.6.5.2'),
  joint: formula('d_b_max', 'lambda * h_col / k_j', '18.8.2.3'),
};

interface FrameBasis {
  readonly form: Form;
  readonly code: Pick<DesignCode, 'bendingResistance' | 'shearResistance' | 'linkRequirement' | 'anchorageLength'>;
  readonly columnShear: ColumnRules['shear'];
  readonly epsTy: (m: Materials) => number;
  /** Factor on live load beside earthquake, 5.3.3. */
  readonly liveCompanion: number;
}

function hoopZone(c: Calc, q: FrameEnd, form: Form, isSpecial: boolean): FrameZone {
  const length = c.let(F.length, { h: q.h });
  const k_b = isGrade60(q.materials, form) ? 6 : 5;
  const spacing = c.let((isSpecial ? F.special : F.intermediate)[form], { d: q.d, d_b: q.smallestBar, d_hoop: q.link, k_b });
  return { length, spacing, first: form === 'SI' ? 50 : 2 * INCH, clause: isSpecial ? '18.6.4.4' : '18.4.2.4' };
}

/** Nominal moment strength (N mm): the design strength without its reduction. */
function nominalMoment(c: Calc, s: BendingSection, m: Materials, basis: FrameBasis): number {
  const r = basis.code.bendingResistance(c, s, m);
  return r ? r.moment / strengthReduction(silent, r.tensionStrain, basis.epsTy(m)) : 0;
}

function gravityFactor(kase: LoadCase, liveCompanion: number): number {
  if (kase.nature === 'permanent') return 1.2;
  if (kase.nature === 'imposed') return liveCompanion;
  return kase.nature === 'snow' ? 0.2 : 0;
}

const nothing = () => null;

/** 18.3.2: bars that run through. */
function ordinary(basis: FrameBasis): FrameRules {
  const { code } = basis;
  return {
    title: 'ordinary moment frame',
    materialFault: nothing,
    atFace: null,
    along: null,
    continuous: { value: 0.25, clause: '18.3.2' },
    leastRatio: nothing,
    mostRatio: nothing,
    slenderness: null,
    leastWidth: nothing,
    zone: nothing,
    beyond: nothing,
    gravityFactor: (k) => gravityFactor(k, basis.liveCompanion),
    endMoment: null,
    countsConcrete: () => true,
    shear: (c, s, links, m) => code.shearResistance(c, s, links, m).force,
    linkArea: (force, s, m) => code.linkRequirement(silent, force, s, m).areaPerLength,
    shearClause: '',
    jointBar: nothing,
    notCovered: [],
  };
}

/** 18.4.2: shear by (a), the moments of the ends as they yield; the code takes the lesser of two bounds; the other, twice the earthquake, is left out, which never lowers it. */
function intermediate(basis: FrameBasis): FrameRules {
  return {
    ...ordinary(basis),
    title: 'intermediate moment frame',
    atFace: { value: 1 / 3, clause: '18.4.2.2', by: 'strength' },
    along: { value: 1 / 5, clause: '18.4.2.2' },
    continuous: { value: 0.25, clause: '18.4.2.1' },
    zone: (c, q) => hoopZone(c, q, basis.form, false),
    beyond: (d) => ({ value: d / 2, clause: '18.4.2.5' }),
    endMoment: (c, s, m) => nominalMoment(c, s, m, basis),
    shearClause: '18.4.2.3(a)',
  };
}

/** 18.6 and 18.8.2.3. */
function special(basis: FrameBasis): FrameRules {
  const { form } = basis;
  const fyt = (m: Materials) => countedStirrupStrength(m.linkStrength, form);
  const base = intermediate(basis);
  return {
    ...base,
    title: 'special moment frame',
    materialFault: (m) => specialMaterialFault(m, form),
    atFace: { value: 1 / 2, clause: '18.6.3.2', by: 'strength' },
    along: { value: 1 / 4, clause: '18.6.3.2' },
    continuous: null,
    mostRatio: (_c, m) => ({ value: isGrade60(m, form) ? 0.025 : 0.02, clause: '18.6.3.1' }),
    slenderness: { value: 4, clause: '18.6.2.1(a)' },
    leastWidth: (h) => ({ value: Math.min(0.3 * h, form === 'SI' ? 250 : 10 * INCH), clause: '18.6.2.1(b)' }),
    zone: (c, q) => hoopZone(c, q, form, true),
    beyond: (d) => ({ value: d / 2, clause: '18.6.4.6' }),
    // 18.6.5.1: probable strength, bars at 1.25 fy and no reduction.
    endMoment: (c, s, m) => nominalMoment(c, s, { ...m, steelStrength: 1.25 * m.steelStrength }, basis),
    // 18.6.5.2: no concrete where the sway brings half of the shear or more; beams have no axial force here.
    countsConcrete: (sway, whole) => sway < whole / 2,
    shear: (c, s, links, m, withConcrete) =>
      withConcrete
        ? base.shear(c, s, links, m, true)
        : c.let(F.hoops, { phi_v: PHI_SHEAR, A_v: links.area, f_yt: fyt(m), d: s.d, s: links.spacing }),
    linkArea: (force, s, m, withConcrete) => (withConcrete ? base.linkArea(force, s, m, true) : force / (PHI_SHEAR * fyt(m) * s.d)),
    shearClause: '18.6.5',
    // Table 18.8.2.3 for bars through a joint; a bar that ends in one is hooked by 18.8.5.
    jointBar: (c, q) => {
      if (!q.isInner) return null;
      const k_j = c.given(symbols.k_j, isGrade60(q.materials, form) ? 20 : 26, 'by grade');
      const lambda = lightweightFactor(silent, q.materials.density, form) < 1 ? 0.75 : 1;
      return { value: c.let(F.joint, { lambda, h_col: q.depth, k_j }), clause: '18.8.2.3' };
    },
    notCovered: [
      { title: 'Hoops around every held bar', clause: '18.6.4.2' },
      { title: 'Columns stronger than beams: at the columns', clause: '18.7.3.2' },
      { title: 'Hooks in end joints', clause: '18.8.5' },
    ],
  };
}

/** Ordinary, intermediate and special moment frames: 18.3, 18.4.2 and 18.6. */
export function frameCode(basis: FrameBasis): FrameCode {
  const rules: Record<string, FrameRules> = { ordinary: ordinary(basis), intermediate: intermediate(basis), special: special(basis) };
  const columns = frameColumns(basis);
  return {
    classes: {
      none: 'none, or not for earthquakes',
      ordinary: 'ordinary moment frame',
      intermediate: 'intermediate moment frame',
      special: 'special moment frame',
    },
    choices: [],
    rules: (frame) => rules[frame] ?? null,
    columns: (frame) => columns[frame] ?? null,
  };
}
