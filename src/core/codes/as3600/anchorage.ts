import type { Calc } from '../../calc/calc';
import type { AnchorageQuestion, AnchorageRules, EndSupport, EndSupportQuestion } from '../anchorage-rules';
import type { Materials } from '../design-code';
import { developmentLength, tensionLap } from './development';
import { formula, symbols } from './symbols';

export const F = {
  part: formula('L_st', 'max(12 * d_b, u_s * L_syt)', '13.1.2.4'),
  bent: formula('L_hook', '0.5 * L_syt', '13.1.2.5'),
  bentPart: formula('L_hook', '0.5 * L_st', '13.1.2.5'),
  force: formula('F_end', 'V_star * cot(theta_v) / phi', '8.1.11.4'),
  share: formula('u_s', 'F_end / (A_st * f_sy)', '8.1.11.4'),
};

/** Depth of fresh concrete below a bar beyond which it counts as a top bar (mm), 13.1.2.2. */
const MUCH_BELOW = 300;

/** Whether more than 300 mm of concrete were cast below a bar, 13.1.2.2. */
const liesHigh = ({ isTop, h, cover, diameter }: { isTop: boolean; h: number; cover: number; diameter: number }) =>
  isTop && h - cover - diameter > MUCH_BELOW + 1e-6;

/** Length in which a bar comes to its yield strength (mm), 13.1.2.2, where the distance to the next bar is not known: k3 at its most. */
export const plainLength = (
  c: Calc,
  diameter: number,
  place: { readonly isTop: boolean; readonly h: number; readonly cover: number },
  m: Materials,
): number =>
  developmentLength(
    c,
    { d_b: diameter, c_d: Math.min(place.cover, diameter), isTop: liesHigh({ ...place, diameter }) },
    m.concreteStrength,
    m.steelStrength,
  );

function yieldLength(c: Calc, q: AnchorageQuestion): number {
  const bar = { d_b: q.diameter, c_d: Math.min(q.cover, q.clear / 2), isTop: liesHigh(q) };
  return developmentLength(c, bar, q.materials.concreteStrength, q.materials.steelStrength);
}

/** Anchorage length (mm): straight for the part of the yield strength that is used, 13.1.2.2, 13.1.2.4; half of it to the outside of a hook or cog, 13.1.2.5. */
export function length(c: Calc, q: AnchorageQuestion): number {
  const L_syt = yieldLength(c, q);
  if (q.use === undefined || q.use >= 1) return q.isBent ? c.let(F.bent, { L_syt }) : L_syt;
  const L_st = c.let(F.part, { d_b: q.diameter, u_s: c.given(symbols.u_s, q.use), L_syt });
  return q.isBent ? c.let(F.bentPart, { L_st }) : L_st;
}

/** A lap in tension (mm), 13.2.2. Steel beyond what is needed is not counted on, so k7 is 1.25 whatever share of the bars laps; webs and columns are narrow. */
export function lap(c: Calc, q: AnchorageQuestion): number {
  const L_syt = yieldLength(c, { ...q, isBent: false });
  const bar = { d_b: q.diameter, isTop: liesHigh(q) };
  return tensionLap(c, bar, L_syt, q.materials.steelStrength, { isHalfSpliced: false, narrow: q.isWide ? null : q.clear });
}

/** Struts of the simplified method, 8.2.4.3: the force that bars have at a support by them; the flattest the general method has would ask for more. */
const STRUT = (36 * Math.PI) / 180;

/**
 * Bottom bars at an end support: half of the span's bars (a quarter where moments can stand), anchored beyond the face for the force that the shear brings,
 * and at least 12 diameters: 8.1.11.4.
 */
export function endSupport(c: Calc, q: EndSupportQuestion): EndSupport {
  const leastBars = ((q.isContinuous ? 1 / 4 : 1 / 2) * q.spanArea) / Math.max(q.area, 1);
  const phi = c.given(symbols.phi, 0.7, 'shear, the least of table 2.2.2');
  const F_end = c.let(F.force, { V_star: q.V, theta_v: c.given(symbols.theta_v, STRUT, '8.2.4.3'), phi });
  const u_s = c.let(F.share, { F_end, A_st: Math.max(q.area, 1), f_sy: q.materials.steelStrength });
  const L_syt = yieldLength(c, { ...q, isBent: false });
  const straight = c.let(F.part, { d_b: q.diameter, u_s, L_syt });
  if (straight <= q.available) return { needed: straight, available: q.available, isBent: false, leastBars };
  c.note('Straight bars are too long for the support: a hook or cog.', '13.1.2.5');
  return { needed: c.let(F.bentPart, { L_st: straight }), available: q.available, isBent: true, leastBars };
}

/** Bends, 17.2.3.2, and the straight parts of hooks and cogs, 13.1.2.6: a cog is as long as a half-circle hook. */
export function bend(d: number, isLink: boolean) {
  const factor = isLink ? 4 : 5;
  const straight = Math.max(4 * d, 70);
  return {
    mandrel: { value: factor * d, clause: '17.2.3.2' },
    straight90: straight + (Math.PI * (factor + 1) * d) / 4,
    straight135: straight,
  };
}

export const anchorageRules: AnchorageRules = {
  length,
  lap,
  endSupport,
  legCounts: false,
  // Bars that reach an end have a low neutral axis there: phi is 0.85 (table 2.2.2(b)).
  fullMoment: (design) => design / 0.85,
  clauses: { anchorage: '13.1.2', lap: '13.2.2', end: '8.1.11.4', leastBars: '8.1.11.4' },
  bend,
};
