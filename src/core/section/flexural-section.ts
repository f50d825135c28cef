import { parabolaStress, steelStress, type ConcreteLaw, type ParabolaLaw, type SteelLaw } from './laws';

/**
 * A section bent about one axis, measured from its most compressed face. Lengths mm, areas mm2, stresses MPa, forces N.
 */
export interface FlexuralSection {
  readonly h: number;
  /** Horizontal strips of constant width, from the compressed face down, without gaps. */
  readonly strips: readonly Strip[];
  readonly layers: readonly SteelLayer[];
}

export interface Strip {
  readonly from: number;
  readonly to: number;
  readonly width: number;
}

export interface SteelLayer {
  /** From the compressed face to the bar centres. */
  readonly depth: number;
  readonly area: number;
}

/** A force and its distance from the compressed face. Compression is positive. */
export interface Resultant {
  readonly force: number;
  readonly depth: number;
}

/** Stress of concrete at a distance `depth` from the compressed face when the neutral axis lies at x. */
export function concreteStress(depth: number, x: number, law: ConcreteLaw): number {
  if (law.kind === 'block') return depth <= law.depthFactor * x ? law.stress : 0;
  return parabolaStress((law.ultimateStrain * (x - depth)) / x, law);
}

/** Resultant of concrete in compression with the neutral axis at x and the edge at its ultimate strain. */
export function concreteResultant(strips: readonly Strip[], x: number, law: ConcreteLaw): Resultant {
  let force = 0;
  let moment = 0;
  for (const strip of strips) {
    if (law.kind === 'block') {
      const to = Math.min(strip.to, law.depthFactor * x);
      if (to <= strip.from) break;
      const f = (to - strip.from) * strip.width * law.stress;
      force += f;
      moment += (f * (to + strip.from)) / 2;
    } else {
      const to = Math.min(strip.to, x);
      if (to <= strip.from) break;
      const plateau = Math.min(to, Math.max(strip.from, x * (1 - law.peakStrain / law.ultimateStrain)));
      const full = (plateau - strip.from) * strip.width * law.stress;
      const curved = underParabola(plateau, to, x, law);
      force += full + curved.force * strip.width * law.stress;
      moment += (full * (plateau + strip.from)) / 2 + curved.moment * strip.width * law.stress;
    }
  }
  return { force, depth: force > 0 ? moment / force : 0 };
}

/** Depth of the neutral axis at which concrete alone carries a moment about bars at d (N mm); undefined where it cannot. */
export function depthForMoment(strips: readonly Strip[], d: number, moment: number, law: ConcreteLaw): number | undefined {
  const carried = (x: number) => {
    const { force, depth } = concreteResultant(strips, x, law);
    return force * (d - depth);
  };
  // Up to a block that reaches the bars the moment grows with x.
  let [low, high] = [0, law.kind === 'block' ? d / law.depthFactor : d];
  if (moment > carried(high)) return undefined;
  for (let i = 0; i < 60; i += 1) {
    const x = (low + high) / 2;
    if (carried(x) < moment) low = x;
    else high = x;
  }
  return high;
}

/**
 * Area and first moment under 1 - u^n between two depths, with u = 1 - strain / peak strain. Since u is linear in the depth y
 * (du/dy = k), both integrals are powers of u.
 */
function underParabola(from: number, to: number, x: number, law: ParabolaLaw): { readonly force: number; readonly moment: number } {
  if (to <= from) return { force: 0, moment: 0 };
  const n = law.exponent;
  const k = law.ultimateStrain / (x * law.peakStrain);
  const u = (y: number) => Math.max(0, 1 - k * (x - y));
  const [a, b] = [u(from), u(to)];
  const first = (b ** (n + 1) - a ** (n + 1)) / (n + 1);
  const second = (b ** (n + 2) - a ** (n + 2)) / (n + 2);
  return { force: to - from - first / k, moment: (to ** 2 - from ** 2) / 2 - ((x - 1 / k) * first + second / k) / k };
}

/** The ultimate state of a section in bending, all values by strain compatibility. */
export interface FlexuralState {
  /** Depth of the neutral axis. */
  readonly x: number;
  readonly concrete: Resultant;
  /** In the order of the section's layers; compression positive. Force includes the deduction of displaced concrete. */
  readonly layers: readonly { readonly strain: number; readonly stress: number; readonly force: number }[];
  /** Moment of all forces about the compressed face: the resistance when they are in equilibrium with N = 0. */
  readonly moment: number;
}

function layerForce(layer: SteelLayer, x: number, law: ConcreteLaw, steel: SteelLaw, deductDisplaced: boolean) {
  const strain = (law.ultimateStrain * (x - layer.depth)) / x;
  const stress = steelStress(strain, steel);
  const displaced = deductDisplaced && strain > 0 ? concreteStress(layer.depth, x, law) : 0;
  return { strain, stress, force: layer.area * (stress - displaced) };
}

/** Sum of all forces with the neutral axis at x (N, compression positive). */
export function axialForceAt(section: FlexuralSection, x: number, law: ConcreteLaw, steel: SteelLaw, deduct = false): number {
  let force = concreteResultant(section.strips, x, law).force;
  for (const layer of section.layers) force += layerForce(layer, x, law, steel, deduct).force;
  return force;
}

/** Depth of the centroid of the plain concrete section from the compressed face (mm): axial forces act there. */
export function centroidDepth({ strips }: FlexuralSection): number {
  const area = strips.reduce((sum, s) => sum + s.width * (s.to - s.from), 0);
  return strips.reduce((sum, s) => sum + (s.width * (s.to ** 2 - s.from ** 2)) / 2, 0) / area;
}

const noAxialForce = () => 0;

/**
 * Finds the neutral axis at which the section carries the axial force asked for (compression positive, N; it may depend on the neutral
 * axis, where strength is reduced by strain), by bisection with false position. Returns undefined when there is no such neutral axis within
 * `deepest`, as without tension steel.
 */
export function ultimateState(
  section: FlexuralSection,
  law: ConcreteLaw,
  steel: SteelLaw,
  deduct = false,
  axial: (x: number) => number = noAxialForce,
  deepest = section.h * 4,
): FlexuralState | undefined {
  if (!section.layers.some((layer) => layer.area > 0)) return undefined;
  const surplus = (x: number) => axialForceAt(section, x, law, steel, deduct) - axial(x);
  let low = section.h * 1e-6;
  let high = deepest;
  let atLow = surplus(low);
  let atHigh = surplus(high);
  if (atLow > 0 || atHigh < 0) return undefined;
  for (let i = 0; i < 200 && high - low > 1e-10 * section.h; i += 1) {
    // False position gets close quickly; every third step halves, so that it cannot stall at a jump.
    const x = i % 3 === 2 ? (low + high) / 2 : low - (atLow * (high - low)) / (atHigh - atLow);
    const force = surplus(x);
    if (force === 0) {
      low = high = x;
    } else if (force < 0) {
      low = x;
      atLow = force;
    } else {
      high = x;
      atHigh = force;
    }
  }
  return stateAt(section, (low + high) / 2, law, steel, deduct);
}

/** Stresses and forces of a section with the neutral axis at x. */
export function stateAt(section: FlexuralSection, x: number, law: ConcreteLaw, steel: SteelLaw, deduct = false): FlexuralState {
  const concrete = concreteResultant(section.strips, x, law);
  const layers = section.layers.map((layer) => layerForce(layer, x, law, steel, deduct));
  let moment = -concrete.force * concrete.depth;
  layers.forEach((layer, i) => (moment -= layer.force * section.layers[i]!.depth));
  return { x, concrete, layers, moment };
}

/** Total area and depth of the centroid of those layers that lie beyond a depth. */
export function tensionSteel(
  section: FlexuralSection,
  beyond: number,
): { readonly area: number; readonly d: number; readonly furthest: number } {
  let area = 0;
  let sum = 0;
  let furthest = 0;
  for (const layer of section.layers) {
    if (layer.depth <= beyond) continue;
    area += layer.area;
    sum += layer.area * layer.depth;
    furthest = Math.max(furthest, layer.depth);
  }
  return { area, d: area > 0 ? sum / area : 0, furthest };
}
