import { silent, type Calc } from '../../calc/calc';
import { bearing, widthAcross, type Bearing, type PolygonSection } from '../../section/polygon-section';
import { steelStress } from '../../section/laws';
import { emptyState, ultimateAt, type StrengthReduction, type UltimateBasis } from '../../section/ultimate';
import type { ResistanceRecord } from '../column-rules';
import type { Materials } from '../design-code';
import { axialFactor, bendingFactor, classOf, LEAST, tensionFactor, type Ductility } from './capacity-factors';
import { squashFactor, STEEL_MODULUS, stressBlock, ULTIMATE_STRAIN } from './materials';
import { formula, symbols } from './symbols';

/** Strain at which the squash load is reached, 10.6.2.2: it bounds the stress of the bars. */
export const SQUASH_STRAIN = 0.0025;

export const F = {
  strain: formula('epsilon_i', '0.003 * (d_n - d_i) / d_n', '10.6.1'),
  force: formula('F_i', 'A_i * sigma_i', '10.6.1'),
  moment: formula('M_star', 'sqrt(M_star_x^2 + M_star_y^2)', '10.6.1'),
  use: formula('u_M', 'M_star / phi_M_u', '10.6.1'),
};

/** How the shape of what is compressed counts, 8.1.3, 10.6.2.5: less of alpha2 where the width falls towards the compressed edge, or not. */
export type Narrowing = 'reduce' | 'keep';

/** What is left of alpha2: in circles and rings, and where the width falls from the neutral axis towards the compressed edge. */
const [ROUND, NARROWING] = [0.95, 0.9];

/** So near the compressed edge (parts of the depth) the width is that of the edge: a rectangle turned by less than about half a degree is none that narrows. */
const AT_EDGE = 0.01;

/** Whether all corners of a section lie on one circle round its centroid, as those of a round column do. */
function isRound({ outline }: PolygonSection): boolean {
  const radii = outline.outer.map(([x, y]) => Math.hypot(x, y));
  return radii.length >= 16 && Math.max(...radii) - Math.min(...radii) < 1e-3 * Math.max(...radii);
}

/** The depth from the compressed edge at which the section becomes wider than at that edge (mm); Infinity where it never does. */
export function narrowsFrom(b: Bearing): number {
  const least = widthAcross(b, b.vMax - AT_EDGE * b.h) * (1 + 1e-3);
  const corners = new Set<number>();
  for (let i = 1; i < b.edges.length; i += 2) corners.add(b.edges[i]!);
  const places = [...corners].filter((v) => v < b.vMax - AT_EDGE * b.h).sort((p, q) => q - p);
  const beside = 1e-7 * b.h;
  let above = b.vMax - AT_EDGE * b.h;
  for (const v of places) {
    const [from, to] = [widthAcross(b, above - beside), widthAcross(b, v + beside)];
    if (from > least) return b.vMax - above;
    if (to > least) return b.vMax - (above + ((v - above) * (least - from)) / (to - from));
    above = v;
  }
  return Infinity;
}

/** What counts of alpha2 with the neutral axis at a depth, kept for each direction. */
function blockShare(): NonNullable<UltimateBasis['blockShare']> {
  const round = new WeakMap<PolygonSection, boolean>();
  const from = byDirection((_section, b) => narrowsFrom(b));
  return (section, b, x) => {
    let is = round.get(section);
    if (is === undefined) round.set(section, (is = isRound(section)));
    if (is) return ROUND;
    return x > from(section, b) ? NARROWING : 1;
  };
}

/** Directions that are kept for a section. */
const MOST_KEPT = 4096;

/** Keeps what depends on a section and the direction in which it is compressed. */
function byDirection<T>(find: (section: PolygonSection, b: Bearing) => T): (section: PolygonSection, b: Bearing) => T {
  const known = new WeakMap<PolygonSection, Map<number, T>>();
  return (section, b) => {
    let of = known.get(section);
    if (!of) known.set(section, (of = new Map()));
    let value = of.get(b.theta);
    if (value === undefined) {
      if (of.size >= MOST_KEPT) of.clear();
      of.set(b.theta, (value = find(section, b)));
    }
    return value;
  };
}

/** Nominal axial force at balance along a bearing (N): the neutral axis at 0.003 / (0.003 + fsy / Es) of do. */
export function balancedForce(section: PolygonSection, b: Bearing, plain: UltimateBasis): number {
  const x = (ULTIMATE_STRAIN / (ULTIMATE_STRAIN + plain.steel.yield / plain.steel.modulus)) * (b.vMax - b.vBarMin);
  return axialAt(section, b, x, plain);
}

/** kuo along a bearing: the depth of the neutral axis in bending alone over that of the outermost bars. */
export function bendingDepth(section: PolygonSection, b: Bearing, plain: UltimateBasis): number {
  const axial = (x: number) => axialAt(section, b, x, plain);
  let [low, high] = [1e-6 * b.h, b.h];
  let [atLow, atHigh] = [axial(low), axial(high)];
  for (let i = 0; i < 100 && high - low > 1e-9 * b.h && atLow < 0 && atHigh > 0; i += 1) {
    const x = i % 3 === 2 ? (low + high) / 2 : low - (atLow * (high - low)) / (atHigh - atLow);
    const N = axial(x);
    if (N < 0) [low, atLow] = [x, N];
    else [high, atHigh] = [x, N];
  }
  return high / (b.vMax - b.vBarMin);
}

function axialAt(section: PolygonSection, b: Bearing, x: number, plain: UltimateBasis): number {
  const state = emptyState();
  ultimateAt(section, b, Math.min(x / b.h, 1), plain, state);
  return state.N;
}

/** phi by table 2.2.2 for every state of a section; each direction has its own balance and its own bending alone. */
function strengthReduction(plain: UltimateBasis, ductility: Ductility): StrengthReduction {
  const balance = byDirection((section, b) => balancedForce(section, b, plain));
  const bending = byDirection((section, b) => bendingFactor(silent, bendingDepth(section, b, plain), ductility));
  const phiTension = tensionFactor(ductility);
  return (_strain, _depth, Nu, section, b) => {
    if (!b) return Nu < 0 ? phiTension : LEAST;
    const Nub = balance(section, b);
    // From balance on what bending alone would be does not matter.
    if (Nu >= 0 && Nu >= Nub) return LEAST;
    return axialFactor(silent, { Nu, Nub, Nuot: section.steelArea * plain.steel.yield, phiBending: bending(section, b), phiTension });
  };
}

/** The states of a section without phi, 10.6.1, 10.6.2: edge strain 0.003, the block of 8.1.3, and a straight line from decompression to the squash load. */
export function nominalBasis(c: Calc, m: Materials, narrowing: Narrowing, deductsDisplaced: boolean): UltimateBasis {
  return {
    concrete: stressBlock(c, m.concreteStrength),
    steel: { yield: m.steelStrength, modulus: STEEL_MODULUS },
    uniformStrain: null,
    deductsDisplaced,
    reduction: null,
    axialCap: null,
    squashStress: Math.min(m.steelStrength, SQUASH_STRAIN * STEEL_MODULUS),
    squashLine: { concrete: squashFactor(c, m.concreteStrength) * m.concreteStrength, strain: SQUASH_STRAIN },
    ...(narrowing === 'reduce' ? { blockShare: blockShare() } : {}),
  };
}

/** The design strength under axial force and moment: the nominal states with phi of table 2.2.2. */
export function ultimateBasis(c: Calc, m: Materials, narrowing: Narrowing, deductsDisplaced: boolean): UltimateBasis {
  const plain = nominalBasis(c, m, narrowing, deductsDisplaced);
  return { ...plain, reduction: strengthReduction(plain, classOf(m)) };
}

/** Writes down a limit state: where the neutral axis lies, strain and force of each bar, phi, and the moment against its strength. */
export function recordResistance(c: Calc, q: ResistanceRecord): void {
  const { point, basis, section } = q;
  const b = bearing(section, point.theta);
  c.note(
    'Direction and depth of the neutral axis are solved so that the reduced forces balance N and the moments point the same way.',
    '10.6.1',
  );
  c.given(symbols.theta_n, point.theta);
  if (point.t > 1 && basis.squashLine) {
    c.note('Beyond decompression the strength lies on a straight line to the squash load.', '10.6.2.4');
    c.given(symbols.part_sq, point.t - 1);
  } else recordBars(c, q, b);
  const share = basis.blockShare?.(section, b, Math.min(point.x, b.h)) ?? 1;
  if (share < 1) c.note(`alpha2 counts with ${share}: the width falls towards the compressed edge, or the section is round.`, '8.1.3');
  const plain = { ...basis, reduction: null };
  c.given(symbols.k_uo, bendingDepth(section, b, plain), 'in bending alone, this direction');
  c.given(symbols.N_ub, balancedForce(section, b, plain), 'at balance, this direction');
  c.given(symbols.N_u, point.N / point.factor, 'before reduction');
  c.given(symbols.phi, point.factor, 'table 2.2.2');
  const M_star = c.let(F.moment, { M_star_x: c.given(symbols.M_star_x, q.Mx), M_star_y: c.given(symbols.M_star_y, q.My) });
  const phi_M_u = c.given(symbols.phi_M_u, Math.hypot(point.Mx, point.My), 'reduced sum of forces times their distances from the centroid');
  c.let(F.use, { M_star, phi_M_u });
}

function recordBars(c: Calc, { point, basis, section }: ResistanceRecord, b: Bearing): void {
  const d_n = c.given(symbols.d_n, Math.min(point.x, 1e6), 'solved');
  section.bars.forEach((bar, i) => {
    const strain = c.let(F.strain, { d_n, d_i: b.vMax - b.bars[i]! });
    c.let(F.force, { A_i: bar.area, sigma_i: steelStress(strain, basis.steel) });
  });
}
