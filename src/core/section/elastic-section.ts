import type { FlexuralSection } from './flexural-section';

/** An elastic state of a section bent about one axis, as concrete of one modulus. Lengths from the most compressed face. */
export interface ElasticState {
  /** Depth of the neutral axis (mm) and second moment of area about it (mm4). */
  readonly x: number;
  readonly inertia: number;
  /** First moment of the bars about the neutral axis, positive towards the tension face (mm3): what shrinkage bends the section with. */
  readonly steelMoment: number;
}

/** Sums of b dy, b y dy and b y2 dy over the strips down to a depth. */
function concreteSums({ strips }: FlexuralSection, to: number): readonly [number, number, number] {
  let [area, first, second] = [0, 0, 0];
  for (const s of strips) {
    const end = Math.min(s.to, to);
    if (end <= s.from) break;
    area += s.width * (end - s.from);
    first += (s.width * (end ** 2 - s.from ** 2)) / 2;
    second += (s.width * (end ** 3 - s.from ** 3)) / 3;
  }
  return [area, first, second];
}

/** Weight of a layer as concrete: alpha, less the concrete that it displaces. */
const weight = (alpha: number, displaces: boolean) => alpha - (displaces ? 1 : 0);

/** The uncracked section with its bars, all concrete acting; `deducts` takes off the concrete that bars displace. */
export function uncracked(section: FlexuralSection, alpha: number, deducts: boolean): ElasticState {
  const [area, first, second] = concreteSums(section, section.h);
  let [A, S, I] = [area, first, second];
  for (const { depth, area: bars } of section.layers) {
    const w = weight(alpha, deducts) * bars;
    A += w;
    S += w * depth;
    I += w * depth ** 2;
  }
  const x = S / A;
  return { x, inertia: I - A * x ** 2, steelMoment: steelMoment(section, x) };
}

/** The cracked section, concrete without tension; undefined when no bar is in tension. */
export function cracked(section: FlexuralSection, alpha: number, deducts: boolean): ElasticState | undefined {
  const firstAt = (x: number): number => {
    const [area, first] = concreteSums(section, x);
    return section.layers.reduce((sum, l) => sum + weight(alpha, deducts && l.depth < x) * l.area * (x - l.depth), x * area - first);
  };
  if (firstAt(section.h) <= 0 || !section.layers.some((l) => l.area > 0)) return undefined;
  const x = quadraticRoot(firstAt, [...section.strips.map((s) => s.to), ...section.layers.map((l) => l.depth)], section.h);
  if (x <= 1e-9 * section.h) return undefined;
  const [area, first, second] = concreteSums(section, x);
  const concrete = second - 2 * x * first + x ** 2 * area;
  const inertia = section.layers.reduce((sum, l) => sum + weight(alpha, deducts && l.depth < x) * l.area * (x - l.depth) ** 2, concrete);
  return { x, inertia, steelMoment: steelMoment(section, x) };
}

/** The root of a growing function that is a quadratic between the given points, by three values of the piece in which it lies. */
function quadraticRoot(f: (x: number) => number, points: readonly number[], end: number): number {
  let [a, fa] = [0, f(0)];
  for (const b of [...points.filter((p) => p < end), end].sort((p, q) => p - q)) {
    const fb = f(b);
    if (fb <= 0) {
      [a, fa] = [b, fb];
      continue;
    }
    const fm = f((a + b) / 2);
    const [first, second] = [-3 * fa + 4 * fm - fb, 2 * fa - 4 * fm + 2 * fb];
    // f = fa + first t + second t2, written so that a vanishing square does no harm.
    const t = (-2 * fa) / (first + Math.sqrt(Math.max(0, first ** 2 - 4 * second * fa)));
    return a + Math.min(1, Math.max(0, t)) * (b - a);
  }
  return end;
}

const steelMoment = ({ layers }: FlexuralSection, x: number): number => layers.reduce((sum, l) => sum + l.area * (l.depth - x), 0);
