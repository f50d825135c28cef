import type { Calc } from '../../calc/calc';
import type { FlangeQuestion, FlangeRule } from '../flange-width';
import { formula, symbols } from './symbols';

export const F = {
  both: formula('b_eff_i', 'min(8 * h_f, s_w / 2, l_n / 8)', 'table 6.3.2.1'),
  one: formula('b_eff_i', 'min(6 * h_f, s_w / 2, l_n / 12)', 'table 6.3.2.1'),
  sum: formula('b_eff', 'b_w + b_eff_1 + b_eff_2', '6.3.2.1'),
};

/** Effective flange width of a span, 6.3.2.1. */
function width(c: Calc, q: FlangeQuestion): number {
  const l_n = c.given(symbols.l_n, q.clearSpan, 'between faces of supports');
  const sides = q.clear.map((clear, i) => {
    const s_w = c.given(symbols.s_w, clear, `clear distance to the next web, ${q.clear.length > 1 && i === 0 ? 'left' : 'right'}`);
    return c.let(q.clear.length > 1 ? F.both : F.one, { h_f: q.hf, s_w, l_n });
  });
  return c.let(F.sum, { b_w: q.bw, b_eff_1: sides[0] ?? 0, b_eff_2: sides[1] ?? 0 });
}

export const flangeRule: FlangeRule = { width, clause: '6.3.2.1' };
