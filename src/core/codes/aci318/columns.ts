import { silent, type Calc } from '../../calc/calc';
import type { SpiralQuestion, TieQuestion, TieRules } from '../column-rules';
import type { Limit } from '../design-code';
import { INCH, PSI } from './materials';
import { formula, twoForms, type Form } from './symbols';

export const F = {
  clear: twoForms('s_clear', 'max(40, 1.5 * d_b, 4/3 * d_agg)', 'max(1.5, 1.5 * d_b, 4/3 * d_agg)', '25.2.3'),
  ties: formula('s_tie', 'min(16 * d_b, 48 * d_tie, b_least)', '25.7.2.1'),
  pitch: twoForms('s_tie', '75 + d_tie', '3 + d_tie', '25.7.3.1'),
  pitchLeast: twoForms('s_tie_min', 'max(25, 4/3 * d_agg) + d_tie', 'max(1, 4/3 * d_agg) + d_tie', '25.7.3.1'),
  least: formula('A_s_min', '0.01 * A_g', '10.6.1.1'),
  most: formula('A_s_max', '0.08 * A_g', '10.6.1.1'),
  core: formula('A_ch', 'pi * D_ch^2 / 4', '25.7.3.3'),
  spiralNeeded: formula('rho_s_min', '0.45 * (A_g / A_ch - 1) * f_c_prime / f_yt', '25.7.3.3'),
  spiralThere: formula('rho_s', '4 * A_sp / (D_ch * s)', '25.7.3.3'),
};

export function leastSteel(c: Calc, area: number): Limit {
  return { value: c.let(F.least, { A_g: area }), clause: '10.6.1.1' };
}

export function mostSteel(c: Calc, area: number): Limit {
  return { value: c.let(F.most, { A_g: area }), clause: '10.6.1.1' };
}

/** Clear distance between longitudinal bars of columns, 25.2.3: 1.5 in (40 mm), 1.5 db, 4/3 of the aggregate. */
export function clearSpacing(diameter: number, aggregate: number, form: Form, c: Calc = silent): Limit {
  return { value: c.let(F.clear[form], { d_b: diameter, d_agg: aggregate }), clause: '25.2.3' };
}

/**
 * Ties and spirals, 25.7.2 and 25.7.3. Ties: No. 10 (#3) for bars up to No. 32 (#10), else No. 13 (#4); spacing 16 db, 48 tie diameters and the
 * least dimension; no bar further than 150 mm (6 in) clear from one that is held. Spirals: clear spacing of 25 to 75 mm (1 to 3 in).
 */
export function tieRules(c: Calc, q: TieQuestion, form: Form): TieRules {
  const six = form === 'SI' ? 150 : 6 * INCH;
  if (q.isSpiral) {
    const pitch = c.let(F.pitch[form], { d_tie: q.tie });
    return {
      leastDiameter: { value: form === 'SI' ? 9.5 : 0.375 * INCH, clause: '25.7.3.2' },
      spacing: { value: pitch, clause: '25.7.3.1' },
      leastSpacing: { value: c.let(F.pitchLeast[form], { d_agg: q.aggregate, d_tie: q.tie }), clause: '25.7.3.1' },
      spacingNearEnds: { value: pitch, clause: '25.7.3.1' },
      nearEnds: 0,
      unheldDistance: { value: Infinity, clause: '25.7.3' },
      holdsAlternate: false,
    };
  }
  const large = q.largestBar > (form === 'SI' ? 32.5 : 1.28 * INCH);
  const spacing = c.let(F.ties, { d_b: q.smallestBar, d_tie: q.tie, b_least: q.leastDimension });
  return {
    leastDiameter: { value: large ? (form === 'SI' ? 12.7 : 0.5 * INCH) : form === 'SI' ? 9.5 : 0.375 * INCH, clause: '25.7.2.2' },
    spacing: { value: spacing, clause: '25.7.2.1' },
    // The first tie stands within half a spacing of the slab or footing (10.7.6.2); the spacing itself does not change.
    spacingNearEnds: { value: spacing, clause: '10.7.6.2' },
    nearEnds: 0,
    unheldDistance: { value: six, clause: '25.7.2.3' },
    holdsAlternate: true,
  };
}

/** Ratio of a spiral, 25.7.3.3: what confinement of the core needs, fyt at most 700 MPa (100 ksi), and 4 Asp / (Dch s) that is there. */
export function spiralRatio(c: Calc, q: SpiralQuestion): { readonly needed: number; readonly there: number; readonly clause: string } {
  const A_ch = c.let(F.core, { D_ch: q.core });
  const f_yt = Math.min(q.materials.linkStrength, 100_000 * PSI);
  const needed = c.let(F.spiralNeeded, { A_g: q.gross, A_ch, f_c_prime: q.materials.concreteStrength, f_yt });
  const there = c.let(F.spiralThere, { A_sp: q.barArea, D_ch: q.core, s: q.pitch });
  return { needed, there, clause: '25.7.3.3' };
}
