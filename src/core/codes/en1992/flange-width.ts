import type { Calc } from '../../calc/calc';
import type { FlangeQuestion, FlangeRule } from '../flange-width';
import { formula, symbols } from './symbols';

export const F = {
  zero: formula('l_z', 'k_l * l_s', 'figure 5.2'),
  zeroCantilever: formula('l_z', '0.15 * l_2 + l_s', 'figure 5.2'),
  side: formula('b_eff_i', 'min(0.2 * b_i + 0.1 * l_z, 0.2 * l_z, b_i)', '(5.7a), (5.7b)'),
  both: formula('b_eff', 'b_w + b_eff_1 + b_eff_2', '(5.7)'),
};

/** Distance between points of zero moment over the span (figure 5.2). */
const ratios = { single: 1, end: 0.85, inner: 0.7 } as const;

/** Effective flange width of a span, 5.3.2.1; one width along the span (5.3.2.1(4)). */
function width(c: Calc, q: FlangeQuestion): number {
  const l_s = c.given(symbols.l_s, q.span);
  const l_z =
    q.position === 'cantilever'
      ? c.let(F.zeroCantilever, { l_2: c.given(symbols.l_2, q.next, 'the span beyond the support'), l_s })
      : c.let(F.zero, { k_l: c.given(symbols.k_l, ratios[q.position], `${q.position} span`), l_s });
  const sides = q.clear.map((clear, i) => {
    const b_i = c.given(
      symbols.b_i,
      clear / 2,
      `half the clear distance to the next web, ${q.clear.length > 1 && i === 0 ? 'left' : 'right'}`,
    );
    return c.let(F.side, { b_i, l_z });
  });
  return c.let(F.both, { b_w: q.bw, b_eff_1: sides[0] ?? 0, b_eff_2: sides[1] ?? 0 });
}

export const flangeRule: FlangeRule = { width, clause: '5.3.2.1' };
