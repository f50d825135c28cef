import type { Calc } from '../../calc/calc';
import type { SpanDepth, SpanDepthQuestion, SpanLoads, SpanSystem } from '../service-rules';
import { elasticModulus } from './materials';
import { formula, symbols } from './symbols';

export const F = {
  total: formula('F_def', 'w_s + k_cs * w_l', '8.5.4'),
  after: formula('F_def', 'w_s + k_cs * w_l - w_g', '8.5.4'),
  kcs: formula('k_cs', 'max(0.8, 2 - 1.2 * r_sc)', '8.5.3.2'),
  beta: formula('beta_f', 'max(1, b_ef / b_w)', '8.5.4'),
  k1: formula('k_I', 'min((5 - 0.04 * f_c_prime) * p_t + 0.002, 0.1 / beta_f^(2 / 3))', '8.5.3.1', { empirical: 'SI' }),
  k1Low: formula('k_I', 'min(0.055 * f_c_prime^(1 / 3) / beta_f^(2 / 3) - 50 * p_t, 0.06 / beta_f^(2 / 3))', '8.5.3.1', {
    empirical: 'SI',
  }),
  pLow: formula('p_low', '0.001 * f_c_prime^(1 / 3) / beta_f^(2 / 3)', '8.5.3.1', { empirical: 'SI' }),
  beam: formula('l_d_lim', '(k_I * r_def * b_ef * E_c / (k_2s * F_def))^(1 / 3)', '8.5.4'),
  slab: formula('l_d_lim', 'k_3s * k_4s * (r_def * b_ef * E_c / F_def)^(1 / 3)', '9.4.4'),
};

/** k2 of beams, 8.5.4, by how the span is held. */
const BEAM: Readonly<Partial<Record<SpanSystem, number>>> = { simple: 5 / 384, oneEnd: 2.4 / 384, bothEnds: 1.5 / 384 };
/** k4 of one-way slabs, 9.4.4.1. */
const SLAB: Readonly<Partial<Record<SpanSystem, number>>> = { simple: 1.4, oneEnd: 1.75, bothEnds: 2.1 };

const LOADS = 'Span over depth needs uniform loads alone, with a deflection limit by the span';

/** Effective load per length (N/mm) and deflection over span that is allowed: of the two limits of 2.3.2 the one that asks for the greater depth. */
export function effectiveLoad(
  c: Calc,
  loads: SpanLoads,
  k_cs: number,
  hasPartitions: boolean,
): { readonly F_def: number; readonly r_def: number } {
  const values = { w_s: c.given(symbols.w_s, loads.service), w_l: c.given(symbols.w_l, loads.sustained), k_cs };
  const total = { F_def: F.total.evaluate(values), r_def: 1 / 250 };
  const after = { F_def: F.after.evaluate({ ...values, w_g: loads.permanent }), r_def: 1 / 500 };
  const isAfter = hasPartitions && after.F_def / after.r_def > total.F_def / total.r_def;
  const F_def = isAfter ? c.let(F.after, { ...values, w_g: c.given(symbols.w_g, loads.permanent) }) : c.let(F.total, values);
  return { F_def, r_def: c.given(symbols.r_def, (isAfter ? after : total).r_def, isAfter ? 'after partitions, 2.3.2' : 'total, 2.3.2') };
}

const refuse = (q: SpanDepthQuestion, clause: string, refusal: string): SpanDepth => ({
  actual: q.length / q.d,
  limit: NaN,
  clause,
  refusal,
});

/** Span over depth without a calculation of deflection: 8.5.4 for beams, 9.4.4.1 for one-way slabs; under uniform loads. */
export function spanDepth(c: Calc, q: SpanDepthQuestion): SpanDepth {
  const clause = q.isSlab ? '9.4.4.1' : '8.5.4';
  const factor = (q.isSlab ? SLAB : BEAM)[q.system];
  if (factor === undefined) return refuse(q, clause, 'The rule has no factor for cantilevers.');
  if (!q.loads) return refuse(q, clause, `${LOADS}.`);
  const k_cs = c.let(F.kcs, { r_sc: c.given(symbols.r_sc, q.ratio > 0 ? q.compressionRatio / (q.ratio * q.provided) : 0) });
  const { F_def, r_def } = effectiveLoad(c, q.loads, k_cs, q.hasPartitions);
  if (F_def <= 0) return refuse(q, clause, 'There is no load that bends the span.');
  const E_c = elasticModulus(c, q.materials.concreteStrength, q.materials.density);
  const b_ef = c.given(symbols.b_ef, q.loads.width);
  const actual = q.length / q.d;
  if (q.isSlab) {
    const k_3s = c.given(symbols.k_3s, 1, 'one-way slab');
    return { actual, limit: c.let(F.slab, { k_3s, k_4s: c.given(symbols.k_4s, factor, '9.4.4.1'), r_def, b_ef, E_c, F_def }), clause };
  }
  const k_I = inertiaFactor(c, q.materials.concreteStrength, q.ratio * q.provided, q.flange);
  const k_2s = c.given(symbols.k_2s, factor, '8.5.4');
  return { actual, limit: c.let(F.beam, { k_I, k_2s, r_def, b_ef, E_c, F_def }), clause };
}

/** Ief over bef d3, 8.5.3.1, from the tension steel over bef d and the flange over the web. */
export function inertiaFactor(c: Calc, f_c_prime: number, p: number, flange: number): number {
  const p_t = c.given(symbols.p_t, p, 'tension steel over bef d');
  const beta_f = c.let(F.beta, { b_ef: flange, b_w: 1 });
  const p_low = c.let(F.pLow, { f_c_prime, beta_f });
  return c.let(p_t >= p_low ? F.k1 : F.k1Low, { f_c_prime, beta_f, p_t });
}
