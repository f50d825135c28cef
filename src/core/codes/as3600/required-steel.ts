import { CalcError, silent, type Calc } from '../../calc/calc';
import { centroidDepth, concreteResultant, depthForMoment } from '../../section/flexural-section';
import type { BendingSection, BendingTask, RequiredSteel } from '../design-code';
import { bendingFactor, tensionFactor } from './capacity-factors';
import { bendingResistance, blockOf, mostDepth, type FlexureBasis } from './flexure';
import { formula, symbols } from './symbols';

export const F = {
  needed: formula('M_u', 'M_star / phi', '2.2.2'),
  about: formula('M_u', '(M_star + N_d * (d - y_c)) / phi', '2.2.2'),
  a: formula('a_block', 'd - sqrt(d^2 - 2 * M_u / (sigma_b * b_ef))', '8.1.3'),
  single: formula('A_st_req', 'sigma_b * b_ef * a_block / f_sy', '8.1.3'),
  flange: formula('C_f', 'sigma_b * (b_ef - b_w) * D_s', '8.1.3'),
  aWeb: formula('a_block', 'd - sqrt(d^2 - 2 * (M_u - C_f * (d - D_s / 2)) / (sigma_b * b_w))', '8.1.3'),
  flanged: formula('A_st_req', '(C_f + sigma_b * b_w * a_block) / f_sy', '8.1.3'),
  free: formula('A_st_req', 'C_c / f_sy', '8.1.3'),
  limit: formula('d_n_lim', 'k_uo_max * d', '8.1.5, 6.2.7.2'),
  atLimit: formula('M_u_lim', 'C_c * (d - y_C)', '8.1.3'),
  stress: formula('sigma_sc', 'min(f_sy, 0.003 * E_s * (d_n_lim - d_sc) / d_n_lim) - sigma_b', '8.1.2'),
  compression: formula('A_sc', '(M_u - M_u_lim) / (sigma_sc * (d - d_sc))', '8.1.2'),
  double: formula('A_st_req', '(C_c + A_sc * sigma_sc) / f_sy', '8.1.2'),
  pulled: formula('A_st_req', '(M_star - N_d * (y_c - d_sc)) / (phi * f_sy * (d - d_sc))', '10.6'),
};

/** Most depth of the neutral axis in bending over that of the tension bars, 8.1.5. */
export const MOST_KUO = 0.36;

type Task = Omit<BendingTask, 'materials' | 'delta'>;

/**
 * Steel for a design moment (N mm) about the centroid, with the axial force of the section (N): tension steel at d, and compression steel at d2 where the
 * neutral axis in bending alone would pass 0.36 d (8.1.2, 8.1.3, 8.1.5). Beside an axial force phi rests on the steel itself: it is found by trial with the
 * strength of the section.
 */
export function bendingSteel(c: Calc, task: Task, basis: FlexureBasis, delta: number): RequiredSteel {
  const most = mostDepth(delta, MOST_KUO);
  const N = task.section.axial ?? 0;
  const M_star = c.given(symbols.M_star, task.moment);
  if (M_star <= 0 && N === 0) return { tension: 0, compression: 0 };
  if (N !== 0) return besideAxial(c, task, basis, N, most);
  // Up to the limit of kuo phi is that of table 2.2.2(b) at its most.
  const M_u = c.let(F.needed, { M_star, phi: bendingFactor(c, c.given(symbols.k_uo, most, 'at most, 8.1.5, 6.2.7.2'), basis.ductility) });
  const limit = atLimit(task.section, task.d, basis, most);
  if (M_u <= limit.moment) return { tension: singleSteel(c, M_u, task, basis), compression: 0 };
  if (task.singlyOnly) return refuse('needs compression steel, which is switched off: kuo would pass its limit');
  c.let(F.limit, { d: task.d, k_uo_max: c.given(symbols.k_uo_max, most) });
  c.given(symbols.C_c, limit.force, 'concrete at that depth');
  c.let(F.atLimit, { C_c: limit.force, d: task.d, y_C: c.given(symbols.y_C, limit.depth, 'depth of that force') });
  const sigma_sc = compressionStress(silent, task, basis, most);
  if (!(sigma_sc > 0)) return refuse('is too shallow: compression steel would do no work');
  const common = { sigma_sc: compressionStress(c, task, basis, most), d: task.d, d_sc: task.d2, f_sy: basis.steel.yield };
  const A_sc = c.let(F.compression, { ...common, M_u, M_u_lim: limit.moment });
  return { tension: c.let(F.double, { ...common, C_c: limit.force, A_sc }), compression: A_sc };
}

const refuse = (refusal: string): RequiredSteel => ({ tension: NaN, compression: NaN, refusal });

/** The concrete with the neutral axis at its limit (N, mm), and its moment about the tension bars (N mm). */
function atLimit(s: BendingSection, d: number, basis: FlexureBasis, most: number) {
  const d_n = most * d;
  const { force, depth } = concreteResultant(s.strips, d_n, blockOf(s, basis, d_n));
  return { force, depth, moment: force * (d - depth) };
}

/** Stress of compressed bars at the limit, less the concrete that they displace (MPa). */
function compressionStress(c: Calc, { d, d2 }: Task, { steel, concrete }: FlexureBasis, most: number): number {
  const d_n_lim = most * d;
  return d2 < d_n_lim ? c.let(F.stress, { f_sy: steel.yield, E_s: steel.modulus, d_n_lim, d_sc: d2, sigma_b: concrete.stress }) : NaN;
}

function singleSteel(c: Calc, M_u: number, { section: s, d }: Task, basis: FlexureBasis): number {
  const f_sy = basis.steel.yield;
  if (s.isFree) return c.let(F.free, { C_c: freeForce(c, M_u, s, d, basis), f_sy });
  const common = { sigma_b: basis.concrete.stress, f_sy, d, b_ef: s.b, b_w: s.bw, D_s: s.hf };
  const flange = s.hf > 0 ? basis.concrete.stress * s.b * s.hf * (d - s.hf / 2) : Infinity;
  if (M_u <= flange) return c.let(F.single, { ...common, a_block: c.let(F.a, { ...common, M_u }) });
  const C_f = c.let(F.flange, common);
  return c.let(F.flanged, { ...common, C_f, a_block: c.let(F.aWeb, { ...common, C_f, M_u }) });
}

/** Force of the compressed concrete that carries a moment about the bars (N), for any outline: less of alpha2 where the width falls to the edge. */
function freeForce(c: Calc, M_u: number, s: BendingSection, d: number, basis: FlexureBasis): number {
  const solve = (x: number) => depthForMoment(s.strips, d, M_u, blockOf(s, basis, x));
  // Whether the width falls towards the edge may depend on the depth: the reduced block is the deeper one.
  const first = solve(0);
  const x = first === undefined || blockOf(s, basis, first).stress !== basis.concrete.stress ? solve(d) : first;
  if (x === undefined) throw new CalcError('d_n', 'the moment is more than the section can carry at all');
  c.given(symbols.d_n, x, 'solved for the moment');
  return c.given(symbols.C_c, concreteResultant(s.strips, x, blockOf(s, basis, x)).force, 'resultant of the compressed concrete');
}

/** First step of the search for bars in both faces, in parts of the gross area. */
const FIRST_STEP = 0.001;

/** Steel beside an axial force, by trial: tension bars up to the limit of kuo in bending alone, then both faces together. */
function besideAxial(c: Calc, task: Task, basis: FlexureBasis, N: number, mostDepthRatio: number): RequiredSteel {
  const { section, d, d2, moment } = task;
  const y_c = centroidDepth(section);
  c.given(symbols.N_d, N, 'at the centroid of the section, compression positive');
  if (moment + N * (d - y_c) < 0) {
    c.note('The tension lies between the bars of both faces: no concrete is compressed, and the other face is pulled as well.', '10.6');
    const phi = tensionFactor(basis.ductility);
    return { tension: c.let(F.pulled, { M_star: moment, N_d: N, y_c, d_sc: d2, d, phi, f_sy: basis.steel.yield }), compression: 0 };
  }
  const most = atLimit(section, d, basis, mostDepthRatio).force / basis.steel.yield;
  const stress = compressionStress(silent, task, basis, mostDepthRatio);
  const ratio = stress > 0 ? stress / basis.steel.yield : NaN;
  const layers = (area: number) =>
    area <= most
      ? [{ depth: d, area }]
      : [
          { depth: d2, area: area - most },
          { depth: d, area: most + ratio * (area - most) },
        ];
  const carries = (area: number) => {
    const r = bendingResistance(silent, { ...section, layers: layers(area) }, basis);
    return r !== undefined && r.moment >= moment;
  };
  const least = 1e-6 * section.grossArea;
  if (carries(least)) return { tension: 0, compression: 0 };
  const isSingle = carries(most);
  if (!isSingle && task.singlyOnly) return refuse('needs compression steel, which is switched off: kuo would pass its limit');
  if (!isSingle && !(ratio > 0)) return refuse('is too shallow: compression steel would do no work');
  let [low, high] = isSingle ? [least, most] : [most, most + FIRST_STEP * section.grossArea];
  // Step by step to what carries it: beyond all reason more bars need not carry more.
  while (!carries(high)) {
    if (high > section.grossArea) return refuse('is too small for this axial force with this moment');
    [low, high] = [high, most + 2 * (high - most)];
  }
  for (let i = 0; i < 60 && high - low > 1e-4; i += 1) {
    const middle = (low + high) / 2;
    if (carries(middle)) high = middle;
    else low = middle;
  }
  const [compression, tension] = isSingle ? [0, high] : [high - most, most + ratio * (high - most)];
  c.given(symbols.A_sc, compression, 'in the compressed face');
  return { tension: c.given(symbols.A_st_req, tension, 'so that phi Mu with this axial force is M*, solved'), compression };
}
