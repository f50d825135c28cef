import { silent, type Calc } from '../../calc/calc';
import { perimeterSums, type ControlPerimeter, type Corners } from '../../geometry/control-perimeter';
import type { Point } from '../../geometry/polygon';
import type { Comparison, PunchingQuestion, PunchingRules, PunchingSteel } from '../punching-rules';
import { lightweightFactor } from './materials';
import { countedStirrupStrength, F as S, PHI_SHEAR } from './shear';
import { formula, symbols, twoForms, type Form } from './symbols';

export const F = {
  concrete: twoForms(
    'v_c',
    'min(0.33, 0.17 * (1 + 2 / beta_c), 0.083 * (2 + alpha_s * d / b_o)) * lambda_s * lambda * min(sqrt(f_c_prime), 8.3)',
    'min(4, 2 + 4 / beta_c, 2 + alpha_s * d / b_o) * lambda_s * lambda * min(sqrt(f_c_prime), 100)',
    'table 22.6.5.2',
  ),
  studs: twoForms(
    'v_c',
    'min(0.25, 0.17 * (1 + 2 / beta_c), 0.083 * (2 + alpha_s * d / b_o)) * lambda_s * lambda * min(sqrt(f_c_prime), 8.3)',
    'min(3, 2 + 4 / beta_c, 2 + alpha_s * d / b_o) * lambda_s * lambda * min(sqrt(f_c_prime), 100)',
    'table 22.6.6.1',
  ),
  low: twoForms(
    'v_c',
    '0.17 * lambda_s * lambda * min(sqrt(f_c_prime), 8.3)',
    '2 * lambda_s * lambda * min(sqrt(f_c_prime), 100)',
    'table 22.6.6.1',
  ),
  plain: formula('phi_v_n', 'phi_v * v_c', '22.6.1.2'),
  vs: formula('v_s', 'A_v_1 * f_yt / (b_o * s)', '22.6.7.2, 22.6.8.2'),
  reinforced: formula('phi_v_n', 'phi_v * (v_c + v_s)', '22.6.1.3'),
  mostStirrups: twoForms('phi_v_m', 'phi_v * 0.5 * sqrt(f_c_prime)', 'phi_v * 6 * sqrt(f_c_prime)', 'table 22.6.6.3'),
  mostStuds: twoForms('phi_v_m', 'phi_v * 0.66 * sqrt(f_c_prime)', 'phi_v * 8 * sqrt(f_c_prime)', 'table 22.6.6.3'),
  need: formula('A_v_1', 'max(0, (v_u / phi_v - v_c) * b_o * s / f_yt)', '22.6.7.2'),
  share: formula('gamma_v', '1 - 1 / (1 + 2/3 * sqrt(b_1 / b_2))', '8.4.4.2.2, (8.4.2.2.2)'),
  stress: formula('v_u', 'V_u / (b_o * d) + gamma_v_x * M_sc_x * y_v / J_x + gamma_v_y * M_sc_y * x_v / J_y', '8.4.4.2.3'),
  shearAlone: formula('v_uv', 'V_u / (b_o * d)', '8.4.4.2.3'),
  leastBars: formula('A_s_top', '5 * v_uv * b_slab * b_o / (phi_v * alpha_s * f_y)', '(8.6.1.2)'),
  leastStuds: twoForms('a_v_stud', '0.17 * sqrt(f_c_prime) * b_o / f_yt', '2 * sqrt(f_c_prime) * b_o / f_yt', '22.6.8.3'),
};

/** The stress that a critical section has at its worst place (MPa), 8.4.4.2: moments are brought from the column's centre to its centroid. */
export function sectionStress(c: Calc, q: PunchingQuestion, at: ControlPerimeter, plain: ControlPerimeter): number {
  const { d } = q;
  const V_u = c.given(symbols.V_u, q.V);
  const s = perimeterSums(at.pieces);
  const b_o = c.given(symbols.b_o, s.length, 'from the plan');
  if (q.momentsBy === 'given') {
    c.note(`The stress of the shear alone is raised by a factor of ${q.beta.toFixed(2)} that was given in place of moments.`);
    return (q.beta * V_u) / (b_o * d);
  }
  const [gx, gy] = s.centroid;
  const M_sc_x = q.Mx - q.V * gy;
  const M_sc_y = q.My - q.V * gx;
  const J_x = d * s.yy + (d ** 3 / 12) * s.alongY;
  const J_y = d * s.xx + (d ** 3 / 12) * s.alongX;
  const { box } = perimeterSums(plain.pieces);
  const [bx, by] = [box.right - box.left, box.top - box.bottom];
  if (q.Mx === 0 && q.My === 0 && Math.hypot(gx, gy) > 1)
    c.note('The moment of the shear about the centroid of the critical section is counted.');
  const gamma_v_x = c.let(F.share, { b_1: by, b_2: bx });
  const gamma_v_y = c.let(F.share, { b_1: bx, b_2: by });
  const points = at.pieces.flatMap(({ a, b }) => [a, b]);
  const effect = ([x, y]: Point) => (gamma_v_x * M_sc_x * (y - gy)) / J_x + (gamma_v_y * M_sc_y * (x - gx)) / J_y;
  const worst = points.reduce((p, r) => (effect(r) > effect(p) ? r : p));
  const values = { V_u, b_o, d, gamma_v_x, gamma_v_y, M_sc_x, M_sc_y, J_x, J_y, x_v: worst[0] - gx, y_v: worst[1] - gy };
  for (const k of ['M_sc_x', 'M_sc_y', 'J_x', 'J_y', 'x_v', 'y_v'] as const) c.given(symbols[k], values[k], 'from the plan');
  return c.let(F.stress, values);
}

interface PunchingBasis {
  readonly form: Form;
}

const critical = (d: number) => d / 2;

/** Sides of the column that the critical section goes round: a re-entrant corner is taken as an edge. */
const alphaS = { internal: 40, edge: 30, corner: 20, reentrant: 30 } as const;

function factors(c: Calc, q: PunchingQuestion, form: Form, hasMuch: boolean) {
  const lambda_s = hasMuch ? 1 : c.let(S.size[form], { d: q.d });
  return {
    f_c_prime: q.materials.concreteStrength,
    lambda: lightweightFactor(c, q.materials.density, form),
    lambda_s,
    d: q.d,
    alpha_s: c.given(symbols.alpha_s, alphaS[q.position], `${q.position} column`),
    beta_c: c.given(symbols.beta_c, Math.max(q.cx, q.cy) / Math.min(q.cx, q.cy), 'long over short side'),
    b_o: q.around(critical(q.d)).length,
  };
}

const stressAt = (c: Calc, q: PunchingQuestion) => {
  const r = critical(q.d);
  return sectionStress(c, q, q.around(r), q.withoutOpenings(r));
};

/** Longest shaft of a stud that stops the size effect (mm): 10 in, 22.6.6.2(b). */
const LONGEST_STUD = 254;

/** Least effective depth for stirrups, beside 16 of their diameters (mm): 150 mm or 6 in, 22.6.7.1. */
const leastDepth: Record<Form, number> = { SI: 150, US: 152.4 };

/** Most stress with legs of a kind, table 22.6.6.3. */
const mostOf = (kind: PunchingSteel['kind']) => (kind === 'studs' ? F.mostStuds : F.mostStirrups);
const TOO_THIN = 'The slab is too thin for any reinforcement: a thicker slab, a wider column or stronger concrete';

/** With reinforcement the concrete counts less; so much of it as 22.6.6.2 asks stops the size effect. */
function withSteel(c: Calc, q: PunchingQuestion, form: Form, steel: PunchingSteel) {
  const f_yt = countedStirrupStrength(q.materials.linkStrength, form);
  const b_o = q.around(critical(q.d)).length;
  const least = F.leastStuds[form].evaluate({ f_c_prime: q.materials.concreteStrength, b_o, f_yt });
  const isLong = steel.kind === 'studs' && steel.height > LONGEST_STUD;
  const values = factors(c, q, form, !isLong && steel.area / steel.spacing >= least * (1 - 1e-9));
  return { f_yt, b_o, least, v_c: c.let((steel.kind === 'studs' ? F.studs : F.low)[form], values) };
}

/** A footing: the soil within the critical section takes its part of the load, 13.2.7.2. */
function aboveSoil(c: Calc, q: PunchingQuestion): PunchingQuestion {
  if (!q.soil) return q;
  const share = Math.min(1, q.soil.within(critical(q.d)));
  c.note(`The soil within the critical section takes ${(100 * share).toFixed(1)} % of the load.`, '13.2.7.2');
  return { ...q, V: q.V * (1 - share) };
}

export function punchingRules({ form }: PunchingBasis): PunchingRules {
  const corners: Corners = 'square';
  const plainStrength = (c: Calc, q: PunchingQuestion) =>
    c.let(F.plain, { phi_v: PHI_SHEAR, v_c: c.let(F.concrete[form], factors(c, q, form, false)) });
  const result = (title: string, clause: string, demand: number, capacity: number, words: string): Comparison => ({
    title,
    clause,
    demand,
    capacity,
    kind: 'shearStress',
    words,
  });
  return {
    choices: [],
    usualMomentsBy: 'moments',
    momentsBy: ['moments', 'given'],
    // 22.6.8.3 asks it of all the studs of a line.
    leastAreaOf: (kind) => (kind === 'studs' ? 'line' : 'leg'),
    usualLegs: { first: 0.5, spacing: 0.5 },
    corners,
    critical,
    openingReach: (_d, h) => 4 * h,
    clauses: { perimeter: '22.6.4', openings: '22.6.4.3' },
    stress: (c, q) => ({ stress: stressAt(c, q), beta: q.momentsBy === 'given' ? q.beta : null }),
    face: (c, q) => {
      if (!q.reinforcement) return null;
      const capacity = c.let(mostOf(q.reinforcement.kind)[form], { phi_v: PHI_SHEAR, f_c_prime: q.materials.concreteStrength });
      return result('Maximum stress with reinforcement', 'table 22.6.6.3', stressAt(c, q), capacity, TOO_THIN);
    },
    plain: (c, q) =>
      result(
        q.soil ? 'Punching of the footing' : 'Punching without reinforcement',
        '22.6.5',
        stressAt(c, aboveSoil(c, q)),
        plainStrength(c, q),
        'Without reinforcement the slab does not carry the shear',
      ),
    reinforced: (c, q, steel) => {
      const { f_yt, b_o, v_c } = withSteel(c, q, form, steel);
      const v_s = c.let(F.vs, { A_v_1: c.given(symbols.A_v_1, steel.area, 'legs of one line'), f_yt, b_o, s: steel.spacing });
      const capacity = c.let(F.reinforced, { phi_v: PHI_SHEAR, v_c, v_s });
      return result('Punching with reinforcement', '22.6.6', stressAt(c, q), capacity, 'The reinforcement is too little');
    },
    outside: (c, q, steel) => {
      c.note('The critical section half the effective depth outside the outermost legs.', '22.6.4.2');
      const values = factors(c, { ...q, around: () => steel.outside }, form, false);
      const capacity = c.let(F.plain, { phi_v: PHI_SHEAR, v_c: c.let(F.low[form], values) });
      const demand = sectionStress(c, q, steel.outside, steel.outside);
      return result(
        'Outside the reinforcement',
        '22.6.4.2',
        demand,
        capacity,
        'Outside the reinforcement the slab does not carry the shear: more lines of it',
      );
    },
    // 8.6.1.2 with the width of 8.4.2.2.3: one and a half depths beyond each side.
    barsWithin: 1.5,
    leastBars: (c, q, width) => {
      const values = factors(c, q, form, false);
      const v_uv = c.let(F.shearAlone, { V_u: q.V, b_o: values.b_o, d: q.d });
      if (v_uv <= PHI_SHEAR * F.low[form].evaluate(values)) return null;
      const b_slab = c.given(symbols.b_slab, width, 'one and a half depths beyond each side of the column');
      const f_y = q.materials.steelStrength;
      return {
        value: c.let(F.leastBars, { v_uv, b_slab, b_o: values.b_o, phi_v: PHI_SHEAR, alpha_s: values.alpha_s, f_y }),
        clause: '8.6.1.2',
      };
    },
    needed: (c, q, spacing) => {
      const guess: PunchingSteel = q.reinforcement ?? noSteel(q);
      const { f_yt, b_o, v_c } = withSteel(silent, q, form, { ...guess, area: 0 });
      const v_u = stressAt(c, q);
      const area = c.let(F.need, { v_u, phi_v: PHI_SHEAR, v_c, b_o, s: spacing, f_yt });
      const most = mostOf(guess.kind)[form].evaluate({ phi_v: PHI_SHEAR, f_c_prime: q.materials.concreteStrength });
      return { area, last: lastLine(q, form), beyond: v_u > most ? TOO_THIN : null };
    },
    detailing: (c, q, steel) => {
      const { d } = q;
      const isStud = steel.kind === 'studs';
      const v_u = stressAt(silent, q);
      const isClose = v_u > PHI_SHEAR * F.mostStirrups[form].evaluate({ phi_v: 1, f_c_prime: q.materials.concreteStrength });
      const { f_yt, b_o } = withSteel(silent, q, form, steel);
      const least = isStud ? c.let(F.leastStuds[form], { f_c_prime: q.materials.concreteStrength, b_o, f_yt }) * steel.spacing : 0;
      return {
        first: { value: 0.5 * d, least: 0, clause: isStud ? 'table 8.7.7.1.2' : 'table 8.7.6.3' },
        spacing: { value: isStud && !isClose ? 0.75 * d : 0.5 * d, clause: isStud ? 'table 8.7.7.1.2' : 'table 8.7.6.3' },
        across: { value: 2 * d, clause: isStud ? 'table 8.7.7.1.2' : 'table 8.7.6.3' },
        acrossBeyond: { value: Infinity, clause: '' },
        area: { value: least, clause: '22.6.8.3' },
        ...(isStud ? {} : { depth: { value: Math.max(leastDepth[form], 16 * steel.diameter), clause: '22.6.7.1' } }),
      };
    },
  };
}

const noSteel = (q: PunchingQuestion): PunchingSteel => ({
  kind: 'links',
  diameter: 10,
  height: q.h,
  area: 0,
  spacing: q.d / 2,
  first: q.d / 2,
  last: 0,
  across: 0,
  acrossBeyond: 0,
  outside: q.around(critical(q.d)),
});

/** How far out the last line must be: where the section half a depth beyond carries the shear without reinforcement. */
function lastLine(q: PunchingQuestion, form: Form): number {
  const carries = (last: number) => {
    const at = q.around(last + q.d / 2);
    const capacity = PHI_SHEAR * F.low[form].evaluate(factors(silent, { ...q, around: () => at }, form, false));
    return sectionStress(silent, q, at, q.withoutOpenings(last + q.d / 2)) <= capacity;
  };
  if (!carries(30 * q.d)) return Infinity;
  let [low, high] = [0, 30 * q.d];
  if (carries(0)) return 0;
  for (let i = 0; i < 24; i += 1) {
    const mid = (low + high) / 2;
    if (carries(mid)) high = mid;
    else low = mid;
  }
  return high;
}
