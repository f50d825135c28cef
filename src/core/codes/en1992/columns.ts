import type { Calc } from '../../calc/calc';
import type { BiaxialQuestion, TieQuestion, TieRules } from '../column-rules';
import type { Limit, Materials } from '../design-code';
import { F as materials } from './materials';
import type { NationalAnnex } from './national';
import { formula } from './symbols';

export const F = {
  tieSize: formula('phi_w', 'max(6, phi_big / 4)', '9.5.3(1)', { empirical: 'SI' }),
  tieSpacing: formula('s_cl_tmax', 'min(20 * phi_small, b_least, 400)', '9.5.3(3)', { empirical: 'SI' }),
  tieEnds: formula('s_end', '0.6 * s_cl_tmax', '9.5.3(4)'),
  asMin: formula('A_s_min', 'max(0.10 * N_Ed / f_yd, 0.002 * A_c)', '(9.12N)'),
  asMax: formula('A_s_max', '0.04 * A_c', '9.5.2(3)'),
  biaxial: formula('u_bi', '(M_Edx / M_Rdx)^a_exp + (M_Edy / M_Rdy)^a_exp', '(5.39)'),
};

/** Least longitudinal steel of a column, 9.5.2(2). */
export function leastSteel(c: Calc, N: number, area: number, m: Materials, annex: NationalAnnex): Limit {
  const f_yd = c.let(materials.fyd, { f_yk: m.steelStrength, gamma_S: annex.gammaS });
  return { value: c.let(F.asMin, { N_Ed: Math.max(0, N), f_yd, A_c: area }), clause: '9.5.2(2)' };
}

/** Most longitudinal steel outside laps, 9.5.2(3). */
export function mostSteel(c: Calc, area: number): Limit {
  return { value: c.let(F.asMax, { A_c: area }), clause: '9.5.2(3)' };
}

/** Maximum reinforcement where bars lap, 9.5.2(3): 8 %. */
export const MOST_AT_LAPS = 0.08;

/** Exponent of (5.39) by NEd / NRd; constant below 0.1. Circular and elliptical sections take 2. */
export function biaxialExponent(ratio: number, isCircular: boolean): number {
  if (isCircular) return 2;
  const points = [
    [0.1, 1],
    [0.7, 1.5],
    [1, 2],
  ] as const;
  if (ratio <= 0.1) return 1;
  for (let i = 0; i + 1 < points.length; i += 1) {
    const [[r1, a1], [r2, a2]] = [points[i]!, points[i + 1]!];
    if (ratio <= r2) return a1 + ((a2 - a1) * (ratio - r1)) / (r2 - r1);
  }
  return 2;
}

/** The sum of both uniaxial ratios, 5.8.9(4); its root by the exponent would grow with the load, so this is the sum as the clause has it. */
export function biaxialRule(c: Calc, q: BiaxialQuestion): { readonly utilisation: number; readonly clause: string } {
  const a_exp = biaxialExponent(Math.max(0, q.N) / q.squash, q.isCircular);
  const values = { M_Edx: Math.abs(q.Mx), M_Edy: Math.abs(q.My), M_Rdx: q.capacityX, M_Rdy: q.capacityY, a_exp };
  return { utilisation: c.let(F.biaxial, values), clause: '5.8.9(4)' };
}

/** Links of columns, 9.5.3: diameter, spacing, closer near beams and laps, and bars within 150 mm of one that is held. */
export function tieRules(c: Calc, q: TieQuestion): TieRules {
  const leastDiameter = c.let(F.tieSize, { phi_big: q.largestBar });
  const s_cl_tmax = c.let(F.tieSpacing, { phi_small: q.smallestBar, b_least: q.leastDimension });
  return {
    leastDiameter: { value: leastDiameter, clause: '9.5.3(1)' },
    spacing: { value: s_cl_tmax, clause: '9.5.3(3)' },
    spacingNearEnds: { value: c.let(F.tieEnds, { s_cl_tmax }), clause: '9.5.3(4)' },
    nearEnds: q.largestDimension,
    unheldDistance: { value: 150, clause: '9.5.3(6)' },
    holdsAlternate: false,
  };
}
