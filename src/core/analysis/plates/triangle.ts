import type { Stiffness } from './multifrontal';

/**
 * Stiffness of a plate at a place. `bending` ties moments per length (N mm/mm) to curvatures (1/mm): [xx, yy, twist, xy, x-twist, y-twist] of the
 * symmetric matrix that turns (kx, ky, 2 kxy) into (mx, my, mxy). `shear` ties shear forces per length (N/mm) to shear strains: [xx, yy].
 */
export interface Rigidity {
  readonly bending: readonly [number, number, number, number, number, number];
  readonly shear: readonly [number, number];
}

/** Rigidity of a slab of one material: E and G = E / (2 (1 + nu)) in MPa, depth in mm; shear area 5/6 of the depth. */
export function evenRigidity(modulus: number, poisson: number, depth: number): Rigidity {
  const d = (modulus * depth ** 3) / (12 * (1 - poisson ** 2));
  const s = ((5 / 6) * modulus * depth) / (2 * (1 + poisson));
  return { bending: [d, d, (d * (1 - poisson)) / 2, poisson * d, 0, 0], shear: [s, s] };
}

/** Corners of a triangle, counterclockwise (mm): x1, y1, x2, y2, x3, y3. */
export type Corners = readonly [number, number, number, number, number, number];

/** Unknowns of a triangle: deflection and rotations (bx, by) of each corner, with bx = -dw/dx where the plate is thin. */
const UNKNOWNS = 9;

/** One side of a triangle: from corner to corner, its direction, and how much the bubble of rotation along it answers its ends. */
interface Side {
  readonly from: number;
  readonly to: number;
  readonly c: number;
  readonly s: number;
  /** The bubble's amount by the nine unknowns. */
  readonly bubble: Float64Array;
  /** Shear strain along the side over the bubble's amount. */
  readonly shear: number;
}

interface Shape {
  readonly area: number;
  /** Slopes of the corners' area coordinates along x and y. */
  readonly gx: readonly [number, number, number];
  readonly gy: readonly [number, number, number];
  readonly sides: readonly [Side, Side, Side];
}

/**
 * A triangle of the discrete Kirchhoff-Mindlin kind (DKMT): rotations are linear with a bubble along each side, whose amount follows from the beam that the
 * side is (its shear force is the change of its moment). It is exact for constant curvature, does not lock when thin, and shears when thick.
 */
function shapeOf(at: Corners, { bending, shear }: Rigidity): Shape {
  const [x1, y1, x2, y2, x3, y3] = at;
  const double = (x2 - x1) * (y3 - y1) - (x3 - x1) * (y2 - y1);
  const gx = [(y2 - y3) / double, (y3 - y1) / double, (y1 - y2) / double] as const;
  const gy = [(x3 - x2) / double, (x1 - x3) / double, (x2 - x1) / double] as const;
  const side = (from: number, to: number): Side => {
    const [dx, dy] = [at[2 * to]! - at[2 * from]!, at[2 * to + 1]! - at[2 * from + 1]!];
    const length = Math.hypot(dx, dy);
    const [c, s] = [dx / length, dy / length];
    const along = stiffnessAlong(bending, c, s);
    const phi = (12 * along) / ((shear[0] * c * c + shear[1] * s * s) * length ** 2);
    const bubble = new Float64Array(UNKNOWNS);
    const share = -1.5 / (1 + phi);
    bubble[3 * from] = -share / length;
    bubble[3 * to] = share / length;
    for (const end of [from, to]) {
      bubble[3 * end + 1] = (share * c) / 2;
      bubble[3 * end + 2] = (share * s) / 2;
    }
    return { from, to, c, s, bubble, shear: (-2 / 3) * phi };
  };
  return { area: double / 2, gx, gy, sides: [side(0, 1), side(1, 2), side(2, 0)] };
}

/** Bending stiffness along a direction: the moment along it by a curvature along it alone. */
function stiffnessAlong([xx, yy, tt, xy, xt, yt]: Rigidity['bending'], c: number, s: number): number {
  const [a, b, t] = [c * c, s * s, 2 * c * s];
  return xx * a * a + yy * b * b + tt * t * t + 2 * (xy * a * b + xt * a * t + yt * b * t);
}

/** Curvatures (kx, ky, 2 kxy) by the unknowns at a place given by its area coordinates: three rows of nine. */
function curvatures({ gx, gy, sides }: Shape, at: readonly [number, number, number]): Float64Array {
  const rows = new Float64Array(3 * UNKNOWNS);
  for (let i = 0; i < 3; i += 1) {
    rows[3 * i + 1] = gx[i]!;
    rows[UNKNOWNS + 3 * i + 2] = gy[i]!;
    rows[2 * UNKNOWNS + 3 * i + 1] = gy[i]!;
    rows[2 * UNKNOWNS + 3 * i + 2] = gx[i]!;
  }
  for (const { from, to, c, s, bubble } of sides) {
    const px = 4 * (at[from]! * gx[to]! + at[to]! * gx[from]!);
    const py = 4 * (at[from]! * gy[to]! + at[to]! * gy[from]!);
    const [x, y, twist] = [px * c, py * s, py * c + px * s];
    for (let k = 0; k < UNKNOWNS; k += 1) {
      const b = bubble[k]!;
      rows[k]! += x * b;
      rows[UNKNOWNS + k]! += y * b;
      rows[2 * UNKNOWNS + k]! += twist * b;
    }
  }
  return rows;
}

/** Shear strains (gx, gy) by the unknowns at a place: at each corner those that give the strains along both of its sides, between them linear. */
function shearStrains({ sides }: Shape, at: readonly [number, number, number]): Float64Array {
  const rows = new Float64Array(2 * UNKNOWNS);
  for (let corner = 0; corner < 3; corner += 1) {
    const [p, q] = [sides[corner]!, sides[(corner + 2) % 3]!];
    const share = at[corner]! / (p.c * q.s - p.s * q.c);
    const [ofP, ofQ] = [share * p.shear, share * q.shear];
    for (let k = 0; k < UNKNOWNS; k += 1) {
      const gp = ofP * p.bubble[k]!;
      const gq = ofQ * q.bubble[k]!;
      rows[k]! += gp * q.s - gq * p.s;
      rows[UNKNOWNS + k]! += gq * p.c - gp * q.c;
    }
  }
  return rows;
}

/** Places and shares of an integration that is exact for squares: the middles of the sides. */
const MIDDLES = [
  [0.5, 0.5, 0],
  [0, 0.5, 0.5],
  [0.5, 0, 0.5],
] as const;

const CORNERS = [
  [1, 0, 0],
  [0, 1, 0],
  [0, 0, 1],
] as const;
const CENTRE = [1 / 3, 1 / 3, 1 / 3] as const;

/**
 * A triangle with what it strains by its nine unknowns, worked out once: curvatures and shear strains at the middles of its sides (three rows of nine and two
 * for each), curvatures at its corners and in its middle. How much it shears is that of the rigidity it is made with.
 */
export interface StrainedTriangle {
  readonly area: number;
  readonly bent: readonly Float64Array[];
  readonly sheared: readonly Float64Array[];
  readonly corners: readonly Float64Array[];
  readonly middle: Float64Array;
}

export function strainedTriangle(at: Corners, rigidity: Rigidity): StrainedTriangle {
  const shape = shapeOf(at, rigidity);
  return {
    area: shape.area,
    bent: MIDDLES.map((place) => curvatures(shape, place)),
    sheared: MIDDLES.map((place) => shearStrains(shape, place)),
    corners: CORNERS.map((place) => curvatures(shape, place)),
    middle: curvatures(shape, CENTRE),
  };
}

/** Stiffness of a triangle between its nodes (N, mm, rad). */
export function triangleStiffness(nodes: Int32Array, triangle: StrainedTriangle, rigidity: Rigidity): Stiffness {
  const matrix = new Float64Array(UNKNOWNS * UNKNOWNS);
  const [xx, yy, tt, xy, xt, yt] = rigidity.bending;
  const weight = triangle.area / 3;
  for (let place = 0; place < 3; place += 1) {
    const k = triangle.bent[place]!;
    const g = triangle.sheared[place]!;
    for (let j = 0; j < UNKNOWNS; j += 1) {
      const kx = weight * k[j]!;
      const ky = weight * k[UNKNOWNS + j]!;
      const kt = weight * k[2 * UNKNOWNS + j]!;
      const mx = xx * kx + xy * ky + xt * kt;
      const my = xy * kx + yy * ky + yt * kt;
      const mt = xt * kx + yt * ky + tt * kt;
      const vx = weight * rigidity.shear[0] * g[j]!;
      const vy = weight * rigidity.shear[1] * g[UNKNOWNS + j]!;
      for (let i = 0; i < UNKNOWNS; i += 1)
        matrix[i * UNKNOWNS + j]! += k[i]! * mx + k[UNKNOWNS + i]! * my + k[2 * UNKNOWNS + i]! * mt + g[i]! * vx + g[UNKNOWNS + i]! * vy;
    }
  }
  return { nodes, matrix };
}

/** Moments of a triangle by the displacements of its corners (mm, rad), row by row: mx, my, mxy at each corner (N mm/mm, sagging positive, mxy as -D (1 - nu) w,xy). */
export function triangleMoments({ corners }: StrainedTriangle, { bending: [xx, yy, tt, xy, xt, yt] }: Rigidity): Float64Array {
  const rows = new Float64Array(9 * UNKNOWNS);
  corners.forEach((curved, corner) => {
    for (let k = 0; k < UNKNOWNS; k += 1) {
      const [kx, ky, kt] = [curved[k]!, curved[UNKNOWNS + k]!, curved[2 * UNKNOWNS + k]!];
      const row = 3 * corner * UNKNOWNS + k;
      rows[row] = xx * kx + xy * ky + xt * kt;
      rows[row + UNKNOWNS] = xy * kx + yy * ky + yt * kt;
      rows[row + 2 * UNKNOWNS] = xt * kx + yt * ky + tt * kt;
    }
  });
  return rows;
}

/** One row of an answer: its sum over the nine unknowns. */
export function rowTimes(rows: Float64Array, row: number, moved: ArrayLike<number>): number {
  let sum = 0;
  for (let k = 0; k < UNKNOWNS; k += 1) sum += rows[row * UNKNOWNS + k]! * moved[k]!;
  return sum;
}

/** Loads on the nine unknowns that bend a free triangle to given curvatures (kx, ky, 2 kxy), as shrinkage would. */
export function curvatureLoads(
  { area, bent }: StrainedTriangle,
  { bending: [xx, yy, tt, xy, xt, yt] }: Rigidity,
  [kx, ky, kt]: readonly [number, number, number],
): Float64Array {
  const [mx, my, mt] = [xx * kx + xy * ky + xt * kt, xy * kx + yy * ky + yt * kt, xt * kx + yt * ky + tt * kt];
  const loads = new Float64Array(UNKNOWNS);
  for (const rows of bent)
    for (let k = 0; k < UNKNOWNS; k += 1)
      loads[k]! += (area / 3) * (rows[k]! * mx + rows[UNKNOWNS + k]! * my + rows[2 * UNKNOWNS + k]! * mt);
  return loads;
}

/** Forces with which a triangle resists the movements of its corners, where it has curvatures (kx, ky) without moment: its stiffness times them, place by place. */
export function triangleForces(
  { area, bent, sheared }: StrainedTriangle,
  { bending: [xx, yy, tt, xy], shear }: Rigidity,
  moved: Float64Array,
  [freeX, freeY]: readonly [number, number],
): Float64Array {
  const forces = new Float64Array(UNKNOWNS);
  const weight = area / 3;
  for (let place = 0; place < 3; place += 1) {
    const k = bent[place]!;
    const g = sheared[place]!;
    let [kx, ky, kt, gx, gy] = [-freeX, -freeY, 0, 0, 0];
    for (let i = 0; i < UNKNOWNS; i += 1) {
      const u = moved[i]!;
      kx += k[i]! * u;
      ky += k[UNKNOWNS + i]! * u;
      kt += k[2 * UNKNOWNS + i]! * u;
      gx += g[i]! * u;
      gy += g[UNKNOWNS + i]! * u;
    }
    const mx = weight * (xx * kx + xy * ky);
    const my = weight * (xy * kx + yy * ky);
    const mt = weight * tt * kt;
    const vx = weight * shear[0] * gx;
    const vy = weight * shear[1] * gy;
    for (let i = 0; i < UNKNOWNS; i += 1)
      forces[i]! += k[i]! * mx + k[UNKNOWNS + i]! * my + k[2 * UNKNOWNS + i]! * mt + g[i]! * vx + g[UNKNOWNS + i]! * vy;
  }
  return forces;
}
