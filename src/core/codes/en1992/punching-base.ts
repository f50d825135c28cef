import type { Calc } from '../../calc/calc';
import { staticMoment } from '../../geometry/control-perimeter';
import type { Comparison, PunchingQuestion, SoilBelow } from '../punching-rules';
import { formula, symbols } from './symbols';

export const F = {
  reduced: formula('V_Ed_red', 'V_Ed * (1 - s_a)', '(6.48)'),
  moments: formula('beta_V', '1 + k_x * M_x * u_a / (V_Ed_red * W_x) + k_y * M_y * u_a / (V_Ed_red * W_y)', '(6.51)'),
  stress: formula('v_Ed_a', 'beta_V * V_Ed_red / (u_a * d)', '(6.49), (6.51)'),
  strength: formula('v_Rd_a', 'v_Rd_c * 2 * d / a_p', '(6.50)'),
};

/** Perimeters are tried in steps of this part of the effective depth. */
const STEP = 0.05;

/** Stress and strength of a footing at a perimeter a from the column, 6.4.4(2): the soil within it takes its part of the load. */
export function baseAt(c: Calc, q: PunchingQuestion, soil: SoilBelow, a: number, plain: number, share: (ratio: number) => number) {
  const at = q.withoutOpenings(a);
  const a_p = c.given(symbols.a_p, a, 'the worst within 2d and within the footing');
  const s_a = c.given(symbols.s_a, Math.min(1, soil.within(a)), 'area within the perimeter over that of the footing');
  const V_Ed_red = c.let(F.reduced, { V_Ed: c.given(symbols.V_Ed, q.V), s_a });
  const u_a = c.given(symbols.u_a, at.length, 'from the plan');
  const W_x = c.given(symbols.W_x, staticMoment(at.pieces, 'y', 0), 'about x, as (6.41) at this perimeter');
  const W_y = c.given(symbols.W_y, staticMoment(at.pieces, 'x', 0), 'about y, as (6.41) at this perimeter');
  const beta_V =
    q.momentsBy === 'given'
      ? c.given(symbols.beta_V, q.beta, 'given')
      : c.let(F.moments, {
          k_x: share(q.cy / q.cx),
          k_y: share(q.cx / q.cy),
          M_x: Math.abs(q.Mx),
          M_y: Math.abs(q.My),
          u_a,
          V_Ed_red: Math.max(V_Ed_red, 1),
          W_x,
          W_y,
        });
  return {
    reduced: V_Ed_red,
    stress: c.let(F.stress, { beta_V, V_Ed_red, u_a, d: q.d }),
    strength: c.let(F.strength, { v_Rd_c: plain, d: q.d, a_p }),
  };
}

/** The worst perimeter of a footing. `plain` is the strength of 6.4.4(1), `share` table 6.1. */
export function basePunching(
  c: Calc,
  silent: Calc,
  q: PunchingQuestion,
  soil: SoilBelow,
  plain: (c: Calc) => number,
  share: (ratio: number) => number,
): Comparison {
  const most = Math.min(2 * q.d, soil.room);
  const strength = plain(silent);
  let worst = { a: most, ratio: -1 };
  for (let k = 1; k * STEP * q.d <= most + 1e-6; k += 1) {
    const a = k * STEP * q.d;
    const at = baseAt(silent, q, soil, a, strength, share);
    if (at.stress / at.strength > worst.ratio) worst = { a, ratio: at.stress / at.strength };
  }
  const at = baseAt(c, q, soil, worst.a, plain(c), share);
  return {
    title: 'Punching of the footing',
    clause: '6.4.4(2)',
    demand: at.stress,
    capacity: at.strength,
    kind: 'shearStress',
    words: 'The footing does not carry the shear: deeper, or more bars',
  };
}
