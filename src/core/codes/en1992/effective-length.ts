import type { Calc } from '../../calc/calc';
import type { ColumnEnd, EffectiveLengthInput } from '../column-rules';
import { formula, symbols } from './symbols';

export const F = {
  braced: formula('beta_l', '0.5 * sqrt((1 + k_top/(0.45 + k_top)) * (1 + k_bot/(0.45 + k_bot)))', '(5.15)'),
  unbracedSum: formula('beta_l', 'sqrt(1 + 10 * k_top * k_bot / (k_top + k_bot))', '(5.16)'),
  unbracedProduct: formula('beta_l', '(1 + k_top/(1 + k_top)) * (1 + k_bot/(1 + k_bot))', '(5.16)'),
  length: formula('l_0', 'beta_l * l', '5.8.3.2(3)'),
};

/** Least relative flexibility, 5.8.3.2(3): no end is rigid in practice. */
const LEAST = 0.1;
/** M / theta of a beam over E I / l, by how its far end is held. */
const farEnd = { fixed: 4, pinned: 3, continuous: 2 } as const;

/**
 * Relative flexibility of an end, (theta / M)(E I / l): the stiffness of all columns at the joint over that of the beams that hold it. The
 * beams count with a part of their stiffness, for cracking (5.8.3.2(5)). One modulus for all.
 */
export function relativeFlexibility(end: ColumnEnd, inertia: number, clear: number, crackedPart: number): number {
  if (end.kind === 'fixed') return LEAST;
  if (end.kind !== 'framed') return Infinity;
  const columns = inertia / clear + (end.column ? (end.column.b * end.column.h ** 3) / 12 / end.column.length : 0);
  const beams = end.beams.reduce((sum, b) => sum + (crackedPart * farEnd[b.far] * ((b.b * b.h ** 3) / 12)) / b.length, 0);
  return beams === 0 ? Infinity : Math.max(LEAST, columns / beams);
}

/** A hinge is a flexibility without end; this is near enough and keeps the arithmetic finite. */
const HINGE = 1e6;

/** Effective length (mm) from the ends, 5.8.3.2: (5.15) braced, (5.16) unbraced. A free end is that of a cantilever. */
export function effectiveLength(c: Calc, q: EffectiveLengthInput, crackedPart: number): number {
  const { top, bottom, isBraced, clear, inertia } = q;
  const k = (end: ColumnEnd) => Math.min(HINGE, relativeFlexibility(end, inertia, clear, crackedPart));
  const l = c.given(symbols.l, clear);
  const say = (end: ColumnEnd) => (end.kind === 'framed' ? 'columns over beams at the joint' : end.kind);
  const k_top = c.given(symbols.k_top, k(top), say(top));
  const k_bot = c.given(symbols.k_bot, k(bottom), say(bottom));
  if (isBraced) return c.let(F.length, { beta_l: c.let(F.braced, { k_top, k_bot }), l });
  const bySum = F.unbracedSum.evaluate({ k_top, k_bot });
  const byProduct = F.unbracedProduct.evaluate({ k_top, k_bot });
  return c.let(F.length, { beta_l: c.let(bySum >= byProduct ? F.unbracedSum : F.unbracedProduct, { k_top, k_bot }), l });
}
