import { CalcError } from '../calc/calc';
import { solveDense } from './dense';
import { panelEdges, type EdgeHold, type PanelEdge, type PanelEdges } from './panel';

/** Stiffness of a plate per width (N mm): along x and y, and of both together in twisting. */
export interface PlateStiffness {
  readonly x: number;
  readonly y: number;
  readonly twist: number;
}

/** A plate under a load of one (N/mm2): its largest deflection (mm) and moments per length (N mm/mm), sagging in the middle, hogging over held edges. */
export interface PlateAnswer {
  readonly deflection: number;
  readonly x: number;
  readonly y: number;
  readonly support: Readonly<Record<PanelEdge, number>>;
  /** The same as means over the middle three quarters of the width they act on: what bars of a middle strip share. */
  readonly means: { readonly x: number; readonly y: number; readonly support: Readonly<Record<PanelEdge, number>> };
  /** Largest shear at each edge (N/mm). */
  readonly shear: Readonly<Record<PanelEdge, number>>;
}

/** Shapes along each side. With eight the deflection is right to a thousandth for sides as 1 to 2, and to a hundredth for 1 to 4. */
const SHAPES = 8;
const LOOKS = 16;

const orders = [0, 1, 2, 3] as const;
type Order = (typeof orders)[number];

interface Shape {
  /** Value and its first three derivatives at a part of the side, over the length of one. */
  at(t: number): readonly [number, number, number, number];
}

/**
 * Deflection of a rectangular plate on four edges under a uniform load, with other stiffnesses in both directions: a sum of polynomials that keep to
 * the edges, of least energy (Ritz). Poisson's ratio is taken as zero. On straight edges without deflection the energy is that of
 * Dx wxx2 + 2 H wxx wyy + Dy wyy2 (N mm). Throws CalcError without stiffness.
 */
export function plateOnEdges(
  { lx, ly, edges }: { readonly lx: number; readonly ly: number; readonly edges: PanelEdges },
  d: PlateStiffness,
): PlateAnswer {
  const [ix, iy] = [sideOf(edges.left, edges.right), sideOf(edges.bottom, edges.top)];
  const pairs = ix.sum.flatMap((_, i) => iy.sum.map((__, j) => [i, j] as const));
  const matrix = pairs.map(([i, j]) =>
    pairs.map(
      ([k, l]) =>
        (d.x * ix.bend[i]![k]! * iy.value[j]![l]! * ly) / lx ** 3 +
        (2 * d.twist * ix.slope[i]![k]! * iy.slope[j]![l]!) / (lx * ly) +
        (d.y * ix.value[i]![k]! * iy.bend[j]![l]! * lx) / ly ** 3,
    ),
  );
  const load = pairs.map(([i, j]) => ix.sum[i]! * iy.sum[j]! * lx * ly);
  const found = solveDense(matrix, load);
  if (!found) throw new CalcError('deflection', 'the sections have no stiffness to speak of.');
  /** Of every shape along x: the sum over those along y, by the order of the derivative and the place in y. */
  const overY = orders.map((b) =>
    iy.looks.map((py) => ix.sum.map((_, i) => py.reduce((sum, p, j) => sum + found[i * py.length + j]! * p[b], 0))),
  );
  /** At one of the places that are looked at: a product of derivatives of both orders, of all shapes together. */
  const at = (tx: number, ty: number): PlatePlace => {
    const of = (a: Order, b: Order) => {
      const along = overY[b]![ty]!;
      return ix.looks[tx]!.reduce((sum, p, i) => sum + p[a] * along[i]!, 0) / (lx ** a * ly ** b);
    };
    return {
      w: of(0, 0),
      x: -d.x * of(2, 0),
      y: -d.y * of(0, 2),
      shearX: d.x * of(3, 0) + d.twist * of(1, 2),
      shearY: d.y * of(0, 3) + d.twist * of(2, 1),
    };
  };
  return largestOf(at, edges);
}

/** Deflection (mm), moments (N mm/mm, sagging positive) and shears (N/mm) at a place. */
interface PlatePlace {
  readonly w: number;
  readonly x: number;
  readonly y: number;
  readonly shearX: number;
  readonly shearY: number;
}

const places = Array.from({ length: LOOKS + 1 }, (_, k) => k);
/** Those of the middle three quarters of a side. */
const middle = places.filter((k) => k >= LOOKS / 8 && k <= (7 * LOOKS) / 8);
const mean = (values: readonly number[]) => values.reduce((a, b) => a + b, 0) / values.length;

function largestOf(at: (tx: number, ty: number) => PlatePlace, edges: PanelEdges): PlateAnswer {
  const grid = places.map((tx) => places.map((ty) => at(tx, ty)));
  const all = grid.flat();
  const most = (values: readonly number[]) => Math.max(0, ...values);
  const alongEdge = (edge: PanelEdge): readonly PlatePlace[] => {
    const end = edge === 'left' || edge === 'bottom' ? 0 : LOOKS;
    return edge === 'left' || edge === 'right' ? grid[end]! : places.map((tx) => grid[tx]![end]!);
  };
  const isSide = (edge: PanelEdge) => edge === 'left' || edge === 'right';
  const byEdge = (of: (edge: PanelEdge) => number) =>
    Object.fromEntries(panelEdges.map((edge) => [edge, of(edge)])) as Record<PanelEdge, number>;
  const hogging = (edge: PanelEdge) => alongEdge(edge).map((p) => (edges[edge] === 'continuous' ? -(isSide(edge) ? p.x : p.y) : 0));
  return {
    deflection: most(all.map((p) => p.w)),
    x: most(all.map((p) => p.x)),
    y: most(all.map((p) => p.y)),
    support: byEdge((edge) => most(hogging(edge))),
    means: {
      x: most(places.map((tx) => mean(middle.map((ty) => grid[tx]![ty]!.x)))),
      y: most(places.map((ty) => mean(middle.map((tx) => grid[tx]![ty]!.y)))),
      support: byEdge((edge) => Math.max(0, mean(middle.map((k) => hogging(edge)[k]!)))),
    },
    shear: byEdge((edge) => most(alongEdge(edge).map((p) => Math.abs(isSide(edge) ? p.shearX : p.shearY)))),
  };
}

const sides = new Map<string, ReturnType<typeof makeSide>>();

/** All that belongs to a side by how its ends are held, worked out once. */
function sideOf(start: EdgeHold, end: EdgeHold) {
  const key = `${start} ${end}`;
  let side = sides.get(key);
  if (!side) sides.set(key, (side = makeSide(start, end)));
  return side;
}

function makeSide(start: EdgeHold, end: EdgeHold) {
  // Between ends that are alike the load bends the side alike to both sides: the odd shapes have no part in it.
  const shapes = shapesOf(start, end).filter((_, i) => start !== end || i % 2 === 0);
  return { ...integralsOf(shapes), looks: places.map((k) => shapes.map((s) => s.at(k / LOOKS))) };
}

/** Polynomials that vanish at both ends, and turn nowhere at a held one: t^a (1 - t)^b times those of Legendre. */
function shapesOf(start: EdgeHold, end: EdgeHold): Shape[] {
  const [a, b] = [start, end].map((hold) => (hold === 'continuous' ? 2 : 1)) as [number, number];
  const ends: Polynomial = times(power([0, 1], a), power([1, -1], b));
  return legendre(SHAPES).map((p) => {
    const value = times(ends, p);
    const slope = derivative(value);
    const bend = derivative(slope);
    const third = derivative(bend);
    return { at: (t) => [valueOf(value, t), valueOf(slope, t), valueOf(bend, t), valueOf(third, t)] };
  });
}

/** Coefficients from the constant up. */
type Polynomial = readonly number[];

function times(p: Polynomial, q: Polynomial): Polynomial {
  const product = Array.from({ length: p.length + q.length - 1 }, () => 0);
  p.forEach((a, i) => q.forEach((b, j) => (product[i + j]! += a * b)));
  return product;
}
const power = (p: Polynomial, n: number): Polynomial => (n === 0 ? [1] : times(p, power(p, n - 1)));
const derivative = (p: Polynomial): Polynomial => p.slice(1).map((c, i) => c * (i + 1));
const valueOf = (p: Polynomial, t: number): number => p.reduceRight((sum, c) => sum * t + c, 0);

/** Legendre's polynomials on the part from 0 to 1: (n + 1) P(n+1) = (2n + 1) (2t - 1) P(n) - n P(n-1). */
function legendre(count: number): Polynomial[] {
  const list: Polynomial[] = [[1], [-1, 2]];
  for (let n = 1; list.length < count; n += 1) {
    const next = times([-1, 2], list[n]!).map((c) => ((2 * n + 1) * c) / (n + 1));
    list.push(next.map((c, i) => c - (n * (list[n - 1]![i] ?? 0)) / (n + 1)));
  }
  return list.slice(0, count);
}

/** Integrals over a side of length one: of the shapes themselves, and of products of their values, slopes and curvatures. */
function integralsOf(shapes: readonly Shape[]) {
  const table = GAUSS.map(([t, weight]) => ({ weight, at: shapes.map((s) => s.at(t)) }));
  const product = (of: 0 | 1 | 2) =>
    shapes.map((_, i) => shapes.map((__, j) => table.reduce((sum, { weight, at }) => sum + weight * at[i]![of] * at[j]![of], 0)));
  const sum = shapes.map((_, i) => table.reduce((s, { weight, at }) => s + weight * at[i]![0], 0));
  return { sum, value: product(0), slope: product(1), bend: product(2) };
}

/** Points and weights of Gauss between 0 and 1, exact up to the 23rd power. */
const GAUSS: readonly (readonly [number, number])[] = (
  [
    [0.1252334085114689, 0.2491470458134028],
    [0.3678314989981802, 0.2334925365383548],
    [0.5873179542866175, 0.2031674267230659],
    [0.7699026741943047, 0.1600783285433462],
    [0.9041172563704749, 0.1069393259953184],
    [0.9815606342467192, 0.0471753363865118],
  ] as const
).flatMap(([x, w]): (readonly [number, number])[] => [
  [(1 - x) / 2, w / 2],
  [(1 + x) / 2, w / 2],
]);
