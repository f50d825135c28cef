import type { Calc } from '../../calc/calc';
import type { Comparison, PunchingQuestion, PunchingRules } from '../punching-rules';
import { perimeterSums } from '../../geometry/control-perimeter';
import { closedTies } from './closed-ties';
import { critical, unfactored } from './punching-base';
import { formula, symbols } from './symbols';

export const F = {
  factor: formula('beta_M', '1 + u * M_vx / (8 * V_star * a_y * d_om) + u * M_vy / (8 * V_star * a_x * d_om)', '9.3.4(a)'),
  strength: formula('phi_V_u', 'phi * V_uo / beta_M', '9.3.4(a)'),
  average: formula('v_star', 'beta_M * V_star / (u * d_om)', '9.3.4(a)'),
};

/** phi without fitments, table 2.2.2. */
const PHI = 0.7;

/**
 * What moments make of the shear, 9.3.4(a); `a` is the width of the critical perimeter along the direction of the moment's span. The clause has one moment; those
 * about both axes are added up.
 */
function momentFactor(c: Calc, q: PunchingQuestion): number {
  if (q.momentsBy === 'given') return c.given(symbols.beta_M, q.beta, 'given');
  const { box } = perimeterSums(q.withoutOpenings(critical(q.d)).pieces);
  const values = {
    u: q.around(critical(q.d)).length,
    V_star: Math.max(q.V, 1),
    d_om: q.d,
    M_vx: c.given(symbols.M_vx, Math.abs(q.Mx)),
    M_vy: c.given(symbols.M_vy, Math.abs(q.My)),
    a_x: c.given(symbols.a_x, box.right - box.left, 'width of the perimeter along x'),
    a_y: c.given(symbols.a_y, box.top - box.bottom, 'width of the perimeter along y'),
  };
  return c.let(F.factor, values);
}

/** Design strength of a slab without closed ties, 9.3.3, 9.3.4(a) (N). */
export function plainStrength(c: Calc, q: PunchingQuestion): number {
  const V_uo = unfactored(c, q);
  const phi = c.given(symbols.phi, PHI, 'without fitments, table 2.2.2');
  return c.let(F.strength, { phi, V_uo, beta_M: momentFactor(c, q) });
}

/** A footing: the soil within the critical perimeter takes its part of the load. */
function aboveSoil(c: Calc, q: PunchingQuestion): PunchingQuestion {
  if (!q.soil) return q;
  const share = Math.min(1, q.soil.within(critical(q.d)));
  c.note(`The soil within the critical perimeter takes ${(100 * share).toFixed(1)} % of the load.`, '9.3.1');
  return { ...q, V: q.V * (1 - share) };
}

function plain(c: Calc, given: PunchingQuestion): Comparison {
  const q = aboveSoil(c, given);
  return {
    title: 'Punching',
    clause: '9.3.3, 9.3.4(a)',
    demand: c.given(symbols.V_star, q.V),
    capacity: plainStrength(c, q),
    kind: 'force',
    words: 'The slab does not carry the shear: a thicker slab, a wider column or stronger concrete',
  };
}

const LEGS = 'Legs round the column do not count in this code: closed ties along torsion strips or a spandrel do';

const none = { value: Infinity, clause: '' };

/** Punching to AS 3600 9.3: without closed ties, and with them along torsion strips and spandrels. */
export const punchingRules: PunchingRules = {
  choices: [],
  usualMomentsBy: 'moments',
  momentsBy: ['moments', 'given'],
  leastAreaOf: () => 'line',
  usualLegs: { first: 0.5, spacing: 0.5 },
  corners: 'square',
  critical,
  // Openings within 2.5 of their own widths count, 9.3.1.5: here all of them, however far.
  openingReach: () => Infinity,
  clauses: { perimeter: '9.3.1.3', openings: '9.3.1.5' },
  stress: (c, q) => {
    const beta_M = momentFactor(c, q);
    const u = q.around(critical(q.d)).length;
    return { stress: c.let(F.average, { beta_M, V_star: q.V, u, d_om: q.d }), beta: beta_M };
  },
  face: () => null,
  plain,
  reinforced: (c, q) => ({ ...plain(c, q), words: LEGS }),
  outside: (c, q) => ({ ...plain(c, q), title: 'Punching outside the legs', words: LEGS }),
  closedTies,
  needed: () => ({ area: 0, last: 0, beyond: LEGS }),
  detailing: () => ({ first: { ...none, least: 0 }, spacing: none, across: none, acrossBeyond: none, area: { value: 0, clause: '' } }),
};
