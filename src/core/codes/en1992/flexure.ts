import type { Calc } from '../../calc/calc';
import { centroidDepth, tensionSteel, ultimateState } from '../../section/flexural-section';
import type { ConcreteLaw, SteelLaw } from '../../section/laws';
import type { BendingResistance, BendingSection, Ductility } from '../design-code';
import { meanTensileStrength } from './materials';
import type { NationalAnnex } from './national';
import { formula, symbols } from './symbols';

export const F = {
  strain: formula('epsilon_i', 'epsilon_cu * (x - d_i)/x', '6.1(2)'),
  layerForce: formula('F_i', 'A_i * sigma_i', '6.1'),
  xSingle: formula('x', 'A_s * f_yd / (eta * f_cd * lambda * b)', '3.1.7(3)'),
  zBlock: formula('z', 'd - lambda * x / 2', '6.1'),
  zCapped: formula('z', 'min(d - lambda * x / 2, 0.95 * d)', '6.1'),
  momentSingle: formula('M_Rd', 'A_s * f_yd * z', '6.1'),
  momentConcrete: formula('M_Rd', 'F_c * (d - z_c)', '6.1'),
  momentDouble: formula('M_Rd', 'F_c * (d - z_c) + F_s2 * (d - d_2)', '6.1'),
  momentAxial: formula('M_Rd', 'F_c * (d - z_c) + F_s2 * (d - d_2) - N_Ed * (d - y_0)', '6.1'),
  // Limits
  k2: formula('k_2', 'k_2a + k_2b / epsilon_cu2', '5.5(4)'),
  xiLim: formula('xi_lim', '(delta - k_1) / k_2', '(5.10)'),
  xi: formula('xi_u', 'x / d', '5.5(4)'),
  asMin: formula('A_s_min', 'max(0.26 * f_ctm / f_yk, 0.0013) * b_t * d', '(9.1N)'),
  asMax: formula('A_s_max', '0.04 * A_c', '9.2.1.1(3)'),
};

/** What flexure needs to know besides the section. */
export interface FlexureBasis {
  readonly concrete: ConcreteLaw;
  readonly steel: SteelLaw;
  /** fcd, lambda and eta apart, for the closed forms of the rectangular block. */
  readonly fcd: number;
  readonly lambda: number;
  readonly eta: number;
  readonly countCompressionBars: boolean;
  readonly capLeverArm: boolean;
}

function withoutCompressionBars(s: BendingSection, x: number): BendingSection {
  return { ...s, layers: s.layers.filter((layer) => layer.depth > x) };
}

/**
 * Moment resistance about the centroid of the plain section by strain compatibility (6.1, 3.1.7), with the axial force of the section.
 * Undefined when there is no tension steel, or the neutral axis would leave the section.
 */
export function bendingResistance(c: Calc, full: BendingSection, basis: FlexureBasis): BendingResistance | undefined {
  const { concrete, steel } = basis;
  const N = full.axial ?? 0;
  const solve = (section: BendingSection) => ultimateState(section, concrete, steel, false, () => N, N > 0 ? section.h : undefined);
  let s = full;
  let state = solve(s);
  if (!basis.countCompressionBars && state) {
    // Bars above the neutral axis are left out; the axis then lies deeper, so this settles in one or two passes.
    for (let i = 0; i < 4 && state && s.layers.some((layer) => layer.depth <= state!.x); i += 1) {
      s = withoutCompressionBars(s, state.x);
      state = solve(s);
    }
  }
  if (!state) return undefined;
  const tension = tensionSteel(s, state.x);
  if (tension.area === 0) return undefined;
  const result = {
    moment: state.moment + N * centroidDepth(s),
    x: state.x,
    d: tension.d,
    dt: tension.furthest,
    tensionArea: tension.area,
    tensionStrain: (concrete.ultimateStrain * (tension.furthest - state.x)) / state.x,
    compressionForce: state.concrete.force,
    compressionDepth: state.concrete.depth,
  };
  if (basis.capLeverArm && N === 0) {
    const force = tension.area * steel.yield;
    result.moment = Math.min(result.moment, force * 0.95 * tension.d);
  }
  if (c.recording) recordResistance(c, s, basis, result, state);
  return result;
}

type State = NonNullable<ReturnType<typeof ultimateState>>;

function recordResistance(c: Calc, s: BendingSection, basis: FlexureBasis, r: BendingResistance, state: State): void {
  const { concrete, steel, lambda, eta, fcd } = basis;
  const allYield = state.layers.every((layer, i) => s.layers[i]!.depth <= r.x || layer.stress <= -steel.yield + 1e-9);
  const N = s.axial ?? 0;
  const isSingle = N === 0 && s.layers.every((layer) => layer.depth > r.x) && allYield;
  c.given(symbols.A_s, r.tensionArea, 'bars in tension at this place');
  c.given(symbols.d, r.d, 'from the section and the bars');
  if (isSingle && concrete.kind === 'block' && !s.isFree && (s.hf === 0 || lambda * r.x <= s.hf)) {
    const x = c.let(F.xSingle, { A_s: r.tensionArea, f_yd: steel.yield, eta, f_cd: fcd, lambda, b: s.b });
    const z = c.let(basis.capLeverArm ? F.zCapped : F.zBlock, { d: r.d, lambda, x });
    c.let(F.momentSingle, { A_s: r.tensionArea, f_yd: steel.yield, z });
    return;
  }
  c.note(
    'The neutral axis is found where the forces of concrete and of all bars balance; the strains are those of a plane section.',
    '6.1(2)',
  );
  c.given(symbols.x, r.x, 'solved for balance of forces');
  state.layers.forEach((layer, i) => {
    const { depth, area } = s.layers[i]!;
    c.let(F.strain, { epsilon_cu: concrete.ultimateStrain, x: r.x, d_i: depth });
    c.let(F.layerForce, { A_i: area, sigma_i: layer.stress });
  });
  c.given(symbols.F_c, state.concrete.force, 'resultant of the compressed concrete');
  c.given(symbols.z_c, state.concrete.depth, 'depth of that resultant');
  const compression = state.layers.map((layer, i) => ({ ...layer, depth: s.layers[i]!.depth })).filter((l) => l.depth <= r.x);
  const force = compression.reduce((sum, l) => sum + l.force, 0);
  // Moments are taken about the resultant of the bars in tension, so that only compression enters.
  const tensile = state.layers.map((layer, i) => ({ ...layer, depth: s.layers[i]!.depth })).filter((l) => l.depth > r.x);
  const d = tensile.reduce((sum, l) => sum + l.force * l.depth, 0) / tensile.reduce((sum, l) => sum + l.force, 0);
  if (N !== 0) {
    const d_2 = force !== 0 ? compression.reduce((sum, l) => sum + l.force * l.depth, 0) / force : 0;
    const N_Ed = c.given(symbols.N_Ed, N, 'at the centroid of the section');
    const y_0 = c.given(symbols.y_0, centroidDepth(s), 'from the section');
    c.let(F.momentAxial, { F_c: state.concrete.force, d, z_c: state.concrete.depth, F_s2: force, d_2, N_Ed, y_0 });
  } else if (force > 0) {
    const depth = compression.reduce((sum, l) => sum + l.force * l.depth, 0) / force;
    c.let(F.momentDouble, { F_c: state.concrete.force, d, z_c: state.concrete.depth, F_s2: force, d_2: depth });
  } else c.let(F.momentConcrete, { F_c: state.concrete.force, d, z_c: state.concrete.depth });
}

/** The limit of x/d: 5.5(4) with the redistribution ratio, and 0.45 (0.35 above C50/60) of 5.6.3(2) when that is chosen. */
export function depthLimit(c: Calc, delta: number, ecu2: number, fck: number, annex: NationalAnnex, rule: string): number {
  const { redistribution: k } = annex;
  const high = fck > 50;
  const k_2 = c.let(F.k2, { k_2a: high ? k.k4a : k.k2a, k_2b: high ? k.k4b : k.k2b, epsilon_cu2: ecu2 });
  const byRatio = c.let(F.xiLim, { delta, k_1: high ? k.k3 : k.k1, k_2 });
  if (rule === 'redistribution') return byRatio;
  const plastic = high ? 0.35 : 0.45;
  if (plastic < byRatio) c.note(`x/d is kept within ${plastic}, as for sections that may have to rotate.`, '5.6.3(2)');
  return Math.min(byRatio, plastic);
}

/** x/d of the section as reinforced against its limit. */
export function ductility(c: Calc, r: BendingResistance, limit: number): Ductility {
  const xi = c.let(F.xi, { x: r.x, d: r.d });
  return { title: 'Depth of neutral axis', clause: '5.5(4)', demand: xi, capacity: limit, utilisation: xi / limit, kind: 'ratio' };
}

/** Least tension steel of a beam, 9.2.1.1(1). bt is the width of the tension zone; for a T-beam with the flange in compression only the web. */
export function minimumSteel(c: Calc, s: BendingSection, d: number, fck: number, fyk: number): number {
  const f_ctm = meanTensileStrength(c, fck);
  return c.let(F.asMin, { f_ctm, f_yk: fyk, b_t: s.tensionWidth, d });
}

export function maximumSteel(c: Calc, s: BendingSection): number {
  return c.let(F.asMax, { A_c: s.grossArea });
}
