import { perimeterSums } from '../../geometry/control-perimeter';
import type { Calc } from '../../calc/calc';
import type { ClosedTies, ClosedTieRules, Comparison, PunchingQuestion } from '../punching-rules';
import { critical, unfactored } from './punching-base';
import { formula, symbols } from './symbols';

export const F = {
  strip: formula('beta_T', '1 + u * M_vx / (2 * V_star * a_y^2) + u * M_vy / (2 * V_star * a_x^2)', '9.3.4(b)'),
  spandrelX: formula('beta_T', '1 + u * M_vy / (2 * V_star * a_x * b_w) + u * M_vx / (8 * V_star * a_y * d_om)', '9.3.4(c), (a)'),
  spandrelY: formula('beta_T', '1 + u * M_vx / (2 * V_star * a_y * b_w) + u * M_vy / (8 * V_star * a_x * d_om)', '9.3.4(c), (a)'),
  least: formula('a_sw_min', '0.2 * y_1 / f_syf', '9.3.5', { empirical: 'SI' }),
  there: formula('a_sw', 'A_sw_tie / s', '9.3.5'),
  minimum: formula('V_u_min', '1.2 * V_uo * r_D / beta_T', '9.3.4(b), (c)'),
  strength: formula('phi_V_u', 'phi * min(V_u_min * sqrt(a_sw / a_sw_min), 3 * V_u_min * sqrt(x_s / y_s))', '9.3.4(d)'),
};

const PHI = 0.7;

/** Sides of what the ties hold: the spandrel, or the torsion strip as wide as the critical perimeter, and the larger side of the ties in it (mm). */
function sidesOf(q: PunchingQuestion, ties: ClosedTies, widest: number) {
  const [b, h] = ties.beam ? [ties.beam.b, ties.beam.depth] : [widest, q.h];
  return { x_s: Math.min(b, h), y_s: Math.max(b, h), y_1: Math.max(b, h) - 2 * ties.cover };
}

const widths = (q: PunchingQuestion) => {
  const { box } = perimeterSums(q.withoutOpenings(critical(q.d)).pieces);
  return { a_x: box.right - box.left, a_y: box.top - box.bottom };
};

/** Least area of one leg over the spacing of the ties (mm2/mm), and that which is there. */
function areas(c: Calc, q: PunchingQuestion, ties: ClosedTies) {
  const { a_x, a_y } = widths(q);
  const { y_1 } = sidesOf(q, ties, Math.max(a_x, a_y));
  const f_syf = Math.min(q.materials.linkStrength, 500);
  return { needed: c.let(F.least, { y_1, f_syf }), there: c.let(F.there, { A_sw_tie: ties.area, s: ties.spacing }) };
}

/** Strength with closed ties in torsion strips, or in a spandrel along the edge, 9.3.4(b) to (d); with fewer than the least ones they do not count. */
function strength(c: Calc, q: PunchingQuestion, ties: ClosedTies): Comparison | null {
  if (ties.beam && q.across === null) return null;
  const { needed, there } = areas(c, q, ties);
  if (there < needed * (1 - 1e-9)) return null;
  const { a_x, a_y } = widths(q);
  const values = {
    u: q.around(critical(q.d)).length,
    V_star: Math.max(q.V, 1),
    d_om: q.d,
    b_w: ties.beam?.b ?? 0,
    M_vx: c.given(symbols.M_vx, Math.abs(q.Mx)),
    M_vy: c.given(symbols.M_vy, Math.abs(q.My)),
    a_x: c.given(symbols.a_x, a_x, 'width of the perimeter along x'),
    a_y: c.given(symbols.a_y, a_y, 'width of the perimeter along y'),
  };
  // The spandrel runs along the edge: it turns with the moment across it, the other one finds no ties.
  const beta_T = c.let(ties.beam ? (q.across === 'x' ? F.spandrelX : F.spandrelY) : F.strip, values);
  const r_D = c.given(
    symbols.r_D,
    ties.beam ? ties.beam.depth / q.h : 1,
    ties.beam ? 'depth of the spandrel over that of the slab' : 'a torsion strip',
  );
  const V_u_min = c.let(F.minimum, { V_uo: unfactored(c, q), r_D, beta_T });
  const { x_s, y_s } = sidesOf(q, ties, Math.max(a_x, a_y));
  const phi = c.given(symbols.phi, PHI, 'punching, table 2.2.2');
  return {
    title: ties.beam ? 'Punching with a spandrel' : 'Punching with torsion strips',
    clause: ties.beam ? '9.3.4(c), (d)' : '9.3.4(b), (d)',
    demand: c.given(symbols.V_star, q.V),
    capacity: c.let(F.strength, { phi, V_u_min, a_sw: there, a_sw_min: needed, x_s, y_s }),
    kind: 'force',
    words: 'The slab with its closed ties does not carry the shear: more ties, a thicker slab or a wider column',
  };
}

/** Closed ties along torsion strips and spandrels, 9.3.4 to 9.3.6. */
export const closedTies: ClosedTieRules = {
  strength,
  areas: (c, q, ties) => ({ ...areas(c, q, ties), clause: '9.3.5' }),
  spacing: (q, ties) => ({ value: Math.max(300, ties.beam?.depth ?? q.h), clause: '9.3.6' }),
};
