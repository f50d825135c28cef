import type { Calc } from '../../calc/calc';
import type { Choice, LinkRequirement, Links, Materials, ShearResistance, ShearSection } from '../design-code';
import { classOf, shearFactor } from './capacity-factors';
import { F as strength, generalMethod, leastFitments, shearStrength, simplifiedMethod, type ShearPlace } from './shear';
import { formula, symbols } from './symbols';

export const F = {
  limit: formula('phi_V_u_max', 'phi * V_u_max', '8.2.3.3'),
  shift: formula('a_sh', 'max(D, d_v * cot(theta_v) * (1 - 0.5 * V_us / (V_uc + V_us)))', '8.2.7, 8.1.12.2'),
  shiftBare: formula('a_sh', 'max(D, d_v * cot(theta_v))', '8.2.7, 8.1.12.2'),
  need: formula('a_sv', 'max(0, V_star / phi - V_uc) / (f_syf * d_v * cot(theta_v))', '8.2.5.2'),
  threshold: formula('V_thr', '0.5 * phi * V_uc', '8.2.1.6'),
  along: formula('s_max', 'min(0.5 * D, 300)', '8.3.2.2', { empirical: 'SI' }),
  across: formula('s_w_max', 'min(D, 600)', '8.3.2.2', { empirical: 'SI' }),
};

/** How k_v and the angle of the compression in the web are found, 8.2.4.2 and 8.2.4.3. */
export type ShearMethod = 'simplified' | 'general';

export const shearChoices: readonly Choice[] = [
  {
    key: 'shearMethod',
    title: 'kv and the angle of the struts',
    clause: '8.2.4.2, 8.2.4.3',
    topic: 'shear',
    options: {
      simplified: 'simplified where it is allowed: up to 65 MPa, no axial tension',
      general: 'general method: by the strain at mid-depth',
    },
  },
  {
    key: 'shearPlace',
    title: 'Shear near supports',
    clause: '8.2.3.2',
    topic: 'shear',
    only: 'beams',
    options: { atD: 'at d from the face', atFace: 'at the face' },
  },
];

/** Strongest concrete and smallest aggregate of the simplified method, 8.2.4.3. */
const [MOST_SIMPLE_FC, LEAST_AGGREGATE] = [65, 10];

/** Largest strain at mid-depth of the general method, 8.2.4.2.2, with the angles of the struts at its ends (rad). */
const MOST_STRAIN = 0.003;
const FLATTEST = (29 * Math.PI) / 180;

/** Below this depth no fitments are asked of a beam for its depth alone (mm), 8.2.1.6. */
const DEEP = 750;

const placeOf = (s: ShearSection, m: Materials): ShearPlace => ({
  bv: s.bw,
  D: s.h,
  d: s.d,
  fc: m.concreteStrength,
  Ast: s.tensionArea,
  aggregate: m.aggregateSize,
});

interface Struts {
  readonly kv: number;
  readonly theta: number;
  /** The angle at which crushing is looked at, where it is not the same. */
  readonly crushingAngle: number;
}

/**
 * k_v and theta of a section. Where the simplified method is not allowed and nobody has said what acts, the general method is taken with the largest strain it
 * knows: k_v and cot theta fall as the strain grows, and crushing is looked at with the flattest strut, so that neither strength is above that of any strain.
 */
function struts(c: Calc, s: ShearSection, m: Materials, method: ShearMethod, hasLeast: boolean): Struts {
  const place = placeOf(s, m);
  const N = s.axial ?? 0;
  const isSimple = m.concreteStrength <= MOST_SIMPLE_FC && m.aggregateSize >= LEAST_AGGREGATE && N >= 0;
  const acts = s.actions;
  if (isSimple && (method === 'simplified' || !acts)) {
    const found = simplifiedMethod(c, place, hasLeast);
    return { ...found, crushingAngle: found.theta };
  }
  if (!acts) c.note('The moment that goes with the shear is not known: the largest strain of the general method is taken.', '8.2.4.2.2');
  // Steel that is not there cannot bound the strain; nor can an unknown moment.
  if (!acts || place.Ast <= 0) return { ...atMostStrain(c, place, hasLeast), crushingAngle: FLATTEST };
  const found = generalMethod(c, place, { M: acts.M, V: acts.V, N: -N }, hasLeast);
  return { ...found, crushingAngle: found.theta };
}

function atMostStrain(c: Calc, place: ShearPlace, hasLeast: boolean): { readonly kv: number; readonly theta: number } {
  const d_v = strength.dv.evaluate({ D: place.D, d: place.d });
  const epsilon_x = c.given(symbols.epsilon_x, MOST_STRAIN, 'the most, 8.2.4.2.2');
  const theta = c.let(strength.angle, { epsilon_x });
  if (hasLeast) return { kv: c.let(strength.kv, { epsilon_x }), theta };
  const k_dg = place.fc > MOST_SIMPLE_FC ? 2 : c.let(strength.kdg, { d_g: place.aggregate });
  return { kv: c.let(strength.kvBare, { epsilon_x, k_dg, d_v }), theta };
}

/** Design shear strength with given fitments, or without (N), 8.2. */
export function shearResistance(c: Calc, s: ShearSection, links: Links | null, m: Materials, method: ShearMethod): ShearResistance {
  const place = placeOf(s, m);
  const least = links ? leastFitments(c, place, m.linkStrength) : 0;
  const hasLeast = links !== null && links.area / links.spacing >= least * (1 - 1e-9);
  const { kv, theta, crushingAngle } = struts(c, s, m, method, hasLeast);
  const fitments = links ? { area: links.area, spacing: links.spacing, fsy: m.linkStrength } : null;
  const { Vuc, Vus, crushing } = shearStrength(c, place, { kv, theta }, fitments);
  const d_v = strength.dv.evaluate({ D: s.h, d: s.d });
  const web = { f_c_prime: m.concreteStrength, b_v: s.bw, d_v };
  const flat = crushingAngle === theta ? crushing : Math.min(crushing, c.let(strength.crushing, { ...web, theta_v: crushingAngle }));
  const phi = shearFactor(c, hasLeast, classOf(m));
  const V_u = c.let(strength.Vu, { V_uc: Vuc, V_us: Vus, V_u_max: flat });
  const forces = { D: s.h, d_v, theta_v: theta, V_us: Vus, V_uc: Vuc };
  return {
    force: c.let(strength.phiVu, { phi, V_u }),
    limit: c.let(F.limit, { phi, V_u_max: flat }),
    shift: Vus > 0 ? c.let(F.shift, forces) : c.let(F.shiftBare, forces),
  };
}

/** Fitments needed for a design shear (N), with their least area and largest spacings: 8.2.1.6, 8.2.1.7, 8.2.5.2, 8.3.2.2. */
export function linkRequirement(c: Calc, force: number, s: ShearSection, m: Materials, method: ShearMethod): LinkRequirement {
  const place = placeOf(s, m);
  const ductility = classOf(m);
  const V_star = c.given(symbols.V_star, force);
  const bare = struts(c, s, m, method, false);
  const alone = shearStrength(c, place, bare, null);
  const threshold = c.let(F.threshold, { phi: shearFactor(c, false, ductility), V_uc: alone.Vuc });
  const isAsked = V_star > threshold || (s.h >= DEEP && V_star > 0);
  const minimum = isAsked ? leastFitments(c, place, m.linkStrength) : 0;
  const { kv, theta, crushingAngle } = struts(c, s, m, method, true);
  const { Vuc } = shearStrength(c, place, { kv, theta }, null);
  const phi = shearFactor(c, true, ductility);
  const d_v = strength.dv.evaluate({ D: s.h, d: s.d });
  const a_sv = isAsked ? c.let(F.need, { V_star, phi, V_uc: Vuc, f_syf: m.linkStrength, d_v, theta_v: theta }) : 0;
  const web = { f_c_prime: m.concreteStrength, b_v: s.bw, d_v };
  const most = Math.min(...[theta, crushingAngle].map((theta_v) => strength.crushing.evaluate({ ...web, theta_v })));
  return {
    areaPerLength: Math.max(a_sv, minimum),
    minimum,
    maxAlong: c.let(F.along, { D: s.h }),
    maxAcross: c.let(F.across, { D: s.h }),
    isCrushed: V_star > phi * most,
  };
}

/** Concrete's part of the strength, and the angle, that torsion is added to (N, rad). */
export function concreteAndAngle(c: Calc, s: ShearSection, m: Materials, method: ShearMethod) {
  const { kv, theta, crushingAngle } = struts(c, s, m, method, true);
  const { Vuc } = shearStrength(c, placeOf(s, m), { kv, theta }, null);
  const d_v = strength.dv.evaluate({ D: s.h, d: s.d });
  const web = { f_c_prime: m.concreteStrength, b_v: s.bw, d_v };
  const crushing = Math.min(...[theta, crushingAngle].map((theta_v) => strength.crushing.evaluate({ ...web, theta_v })));
  return { Vuc, theta, d_v, crushing };
}
