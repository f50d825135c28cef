import type { Calc } from '../../calc/calc';
import type { AnchorageQuestion, AnchorageRules, EndSupport, EndSupportQuestion, SplittingQuestion } from '../anchorage-rules';
import { castingFactor, F as simple, gradeFactor } from './detailing';
import { INCH, lightweightFactor, PSI } from './materials';
import { twelveInches } from './shear';
import { formula, symbols, twoForms, type Form } from './symbols';

export const F = {
  transverse: formula('K_tr', '40 * A_tr / (s_tr * n_b)', '(25.4.2.4b)'),
  confinement: formula('c_K', 'min(2.5, (c_b + K_tr) / d_b)', '25.4.2.4'),
  general: twoForms(
    'l_d',
    'f_y * min(1.7, psi_t * psi_e) * psi_s * psi_g / (1.1 * lambda * sqrt_fc * c_K) * d_b',
    '3 / 40 * f_y * min(1.7, psi_t * psi_e) * psi_s * psi_g / (lambda * sqrt_fc * c_K) * d_b',
    '(25.4.2.4a)',
  ),
  hook: twoForms(
    'l_dh',
    'f_y * psi_e * psi_r * psi_o * psi_c / (23 * lambda * sqrt_fc) * d_b^1.5',
    'f_y * psi_e * psi_r * psi_o * psi_c / (55 * lambda * sqrt_fc) * d_b^1.5',
    '25.4.3.1(a)',
  ),
  strength: twoForms('psi_c', 'min(1, f_c_prime / 105 + 0.6)', 'min(1, f_c_prime / 15000 + 0.6)', 'table 25.4.3.2'),
  leastTransverse: formula('K_tr_min', '0.5 * d_b', '25.4.2.2'),
  splice: formula('l_st', 'k_B * l_d', 'table 25.5.2.1'),
  reach: formula('l_a_max', '1.3 * M_n / V_u + l_a', '9.7.3.8.3'),
};

const isSmall = (d: number, form: Form) => d <= (form === 'SI' ? 19.2 : 0.755 * INCH);

/** Development length of a straight bar (mm), 25.4.2.4 with confinement by cover, spacing and stirrups; before the least of 12 in. */
function general(c: Calc, q: AnchorageQuestion, form: Form, coating = 1): number {
  const m = q.materials;
  const d_b = c.given(symbols.d_b, q.diameter);
  const psi_t = castingFactor(c, q, form);
  const psi_e = c.given(symbols.psi_e, coating, coating === 1 ? 'uncoated' : 'coated');
  const psi_s = c.given(symbols.psi_s, isSmall(q.diameter, form) ? 0.8 : 1);
  const psi_g = c.given(symbols.psi_g, gradeFactor(m.steelStrength, form));
  const c_b = c.given(symbols.c_b, Math.min(q.cover + q.diameter / 2, (q.clear + q.diameter) / 2));
  const t = q.transverse;
  const K_tr = t ? c.let(F.transverse, { A_tr: t.area, s_tr: t.spacing, n_b: t.bars }) : 0;
  const c_K = c.let(F.confinement, { c_b, K_tr, d_b });
  const sqrt_fc = c.let(simple.root[form], { f_c_prime: m.concreteStrength });
  const lambda = lightweightFactor(c, m.density, form);
  return c.let(F.general[form], { f_y: m.steelStrength, psi_t, psi_e, psi_s, psi_g, lambda, sqrt_fc, c_K, d_b });
}

/**
 * Development length (mm): straight 25.4.2.4 and at least 12 in, or with a standard hook 25.4.3. Always for the full strength: at ends where
 * nothing goes on, and for hooks, more steel than is needed shortens nothing (25.4.10.2(a), (d)).
 */
export function length(c: Calc, q: AnchorageQuestion, form: Form, coating = 1): number {
  if (!q.isBent) return Math.max(general(c, q, form, coating), twelveInches(form));
  const m = q.materials;
  const d_b = c.given(symbols.d_b, q.diameter);
  const t = q.transverse;
  const psi_r = c.given(
    symbols.psi_r,
    t && t.area >= 0.4 * t.bars * ((Math.PI * d_b ** 2) / 4) ? 1 : 1.6,
    'ties around the hooks, or bars 6 db apart',
  );
  // Side cover normal to the hook, or a column core.
  const psi_o = c.given(symbols.psi_o, q.cover >= (form === 'SI' ? 65 : 2.5 * INCH) && isModerate(d_b, form) ? 1 : 1.25);
  const psi_c = c.let(F.strength[form], { f_c_prime: m.concreteStrength });
  const sqrt_fc = c.let(simple.root[form], { f_c_prime: m.concreteStrength });
  const l_dh = c.let(F.hook[form], {
    f_y: m.steelStrength,
    psi_e: c.given(symbols.psi_e, coating === 1 ? 1 : 1.2),
    psi_r,
    psi_o,
    psi_c,
    lambda: lightweightFactor(c, m.density, form),
    sqrt_fc,
    d_b,
  });
  return Math.max(l_dh, 8 * d_b, form === 'SI' ? 150 : 6 * INCH);
}

const isModerate = (d: number, form: Form) => d <= (form === 'SI' ? 36 : 1.41 * INCH);

/** Lap splice (mm): class A where half the bars or less are spliced with twice the steel that is needed, which is not counted on: class B. */
export function lap(c: Calc, q: AnchorageQuestion, form: Form): number {
  const l_d = general(c, { ...q, isBent: false }, form);
  const k_B = c.given(symbols.k_B, 1.3, 'class B');
  return Math.max(c.let(F.splice, { k_B, l_d }), twelveInches(form));
}

/**
 * A third (simple ends) or a quarter of the positive steel runs into the support; bars at simple supports are limited in size, 9.7.3.8: there the
 * moment is zero at the centre of the support, so shear and reach are both taken there.
 */
export function endSupport(c: Calc, q: EndSupportQuestion, form: Form): EndSupport {
  const share = q.isContinuous ? 1 / 4 : 1 / 3;
  const straight = length(c, { ...q, isBent: false }, form);
  const beyond = Math.max(0, q.available - q.width / 2);
  const l_a = c.given(symbols.l_a, Math.min(beyond, Math.max(q.d, 12 * q.diameter)), 'beyond the centre of the support');
  const reach = q.isContinuous ? Infinity : c.let(F.reach, { M_n: q.moment, V_u: Math.max(q.centreV, 1), l_a });
  const leastBars = (share * q.spanArea) / Math.max(q.area, 1);
  if (!Number.isFinite(reach) || straight <= reach)
    return { needed: straight, available: Number.isFinite(reach) ? reach : straight, isBent: false, leastBars };
  c.note('Straight bars are too thick for the moment there: a standard hook beyond the centre of the support.', '9.7.3.8.3');
  return { needed: length(c, { ...q, isBent: true }, form), available: q.available, isBent: true, leastBars };
}

/** Bars of 80 ksi (550 MPa) and more that stand less than 6 in (150 mm) apart: Ktr of at least half their diameter, 25.4.2.2. */
function splitting(c: Calc, { strength, diameter, apart, transverse: t }: SplittingQuestion, form: Form) {
  const isStrong = strength >= (form === 'SI' ? 549.9 : 79_990 * PSI);
  if (!isStrong || apart >= (form === 'SI' ? 150 : 6 * INCH)) return null;
  const needed = c.let(F.leastTransverse, { d_b: c.given(symbols.d_b, diameter) });
  const there = c.let(F.transverse, { A_tr: t.area, s_tr: t.spacing, n_b: t.bars });
  return { needed, there, clause: '25.4.2.2' };
}

export function anchorageRules(form: Form): AnchorageRules {
  return {
    length: (c, q) => length(c, q, form),
    lap: (c, q) => lap(c, q, form),
    endSupport: (c, q) => endSupport(c, q, form),
    splitting: (c, q) => splitting(c, q, form),
    legCounts: false,
    // Bars that reach an end are tension-controlled there: phi is 0.9 (table 21.2.2).
    fullMoment: (design) => design / 0.9,
    clauses: { anchorage: '25.4', lap: '25.5.2', end: '9.7.3.8.3', leastBars: '9.7.3.8' },
    bend: (d, isLink) => bend(d, isLink, form),
  };
}

/** Tables 25.3.1 and 25.3.2: inside diameter of bends and straight extensions. */
export function bend(d: number, isLink: boolean, form: Form) {
  const inch = (mm: number, value: number) => (form === 'SI' ? mm : value * INCH);
  const factor = isLink ? (d <= inch(16.2, 0.63) ? 4 : 6) : d <= inch(26, 1.01) ? 6 : d <= inch(36, 1.42) ? 8 : 10;
  return {
    mandrel: { value: factor * d, clause: isLink ? '25.3.2' : '25.3.1' },
    straight90: isLink ? (d <= inch(16.2, 0.63) ? Math.max(6 * d, inch(75, 3)) : 12 * d) : 12 * d,
    straight135: Math.max(6 * d, inch(75, 3)),
  };
}
