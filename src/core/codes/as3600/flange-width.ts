import type { FlangeRule } from '../flange-width';
import { formula, symbols } from './symbols';

export const F = {
  apart: formula('a_zero', '0.7 * L_span', '8.8.2'),
  width: formula('b_ef', 'b_w + w_1 + w_2', '8.8.2'),
  side: formula('w_side', 'min(0.1 * a_zero, w_half)', '8.8.2'),
};

/** Effective width of a flange, 8.8.2: to each side a tenth of the distance between points of zero moment, at most half way to the next web. */
export const flangeRule: FlangeRule = {
  width: (c, { bw, clear, span, position }) => {
    const isContinuous = position === 'end' || position === 'inner';
    const a_zero = isContinuous ? c.let(F.apart, { L_span: span }) : c.given(symbols.a_zero, span, 'the span, 8.8.2');
    const [w_1 = 0, w_2 = 0] = clear.map((w) => c.let(F.side, { a_zero, w_half: w / 2 }));
    return c.let(F.width, { b_w: bw, w_1, w_2 });
  },
  clause: '8.8.2',
};
