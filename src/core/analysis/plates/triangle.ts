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
  readonly bubble: readonly number[];
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
    const bubble = new Array<number>(UNKNOWNS).fill(0);
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

/** Writes curvatures (kx, ky, 2 kxy) by the unknowns at a place given by its area coordinates: three rows of nine. */
function writeCurvatures(into: Float64Array, row: number, { gx, gy, sides }: Shape, at: readonly [number, number, number]): void {
  const [x0, y0, t0] = [row * UNKNOWNS, (row + 1) * UNKNOWNS, (row + 2) * UNKNOWNS];
  for (let i = 0; i < 3; i += 1) {
    into[x0 + 3 * i + 1] = gx[i]!;
    into[y0 + 3 * i + 2] = gy[i]!;
    into[t0 + 3 * i + 1] = gy[i]!;
    into[t0 + 3 * i + 2] = gx[i]!;
  }
  for (const { from, to, c, s, bubble } of sides) {
    const px = 4 * (at[from]! * gx[to]! + at[to]! * gx[from]!);
    const py = 4 * (at[from]! * gy[to]! + at[to]! * gy[from]!);
    const [x, y, twist] = [px * c, py * s, py * c + px * s];
    for (let k = 0; k < UNKNOWNS; k += 1) {
      const b = bubble[k]!;
      into[x0 + k]! += x * b;
      into[y0 + k]! += y * b;
      into[t0 + k]! += twist * b;
    }
  }
}

/** Writes shear strains (gx, gy) by the unknowns at a place: at each corner those that give the strains along both of its sides, between them linear. */
function writeShearStrains(into: Float64Array, row: number, { sides }: Shape, at: readonly [number, number, number]): void {
  const [x0, y0] = [row * UNKNOWNS, (row + 1) * UNKNOWNS];
  for (let corner = 0; corner < 3; corner += 1) {
    const [p, q] = [sides[corner]!, sides[(corner + 2) % 3]!];
    const share = at[corner]! / (p.c * q.s - p.s * q.c);
    const [ofP, ofQ] = [share * p.shear, share * q.shear];
    for (let k = 0; k < UNKNOWNS; k += 1) {
      const gp = ofP * p.bubble[k]!;
      const gq = ofQ * q.bubble[k]!;
      into[x0 + k]! += gp * q.s - gq * p.s;
      into[y0 + k]! += gq * p.c - gp * q.c;
    }
  }
}

/** Places and shares of an integration that is exact for squares: the middles of the sides. */
const MIDDLES = [
  [0.5, 0.5, 0],
  [0, 0.5, 0.5],
  [0.5, 0, 0.5],
] as const;

const CENTRE = [1 / 3, 1 / 3, 1 / 3] as const;

/** Rows of strains: curvatures and shear strains at the middle of a side, curvatures in the middle of the triangle; and how many there are. */
const bentRow = (side: number): number => 3 * side;
const shearedRow = (side: number): number => 9 + 2 * side;
export const MIDDLE_ROW = 15;
const ROWS = 18;

/**
 * A triangle with what it strains by its nine unknowns, worked out once, row by row in one array (many small ones take longer to make than to fill):
 * curvatures (kx, ky, 2 kxy) at the middles of its sides, shear strains (gx, gy) there, curvatures in its middle. How much it shears is that of the rigidity
 * it is made with.
 */
export interface StrainedTriangle {
  readonly area: number;
  readonly strains: Float64Array;
}

export function strainedTriangle(at: Corners, rigidity: Rigidity): StrainedTriangle {
  const shape = shapeOf(at, rigidity);
  const strains = new Float64Array(ROWS * UNKNOWNS);
  MIDDLES.forEach((place, side) => {
    writeCurvatures(strains, bentRow(side), shape, place);
    writeShearStrains(strains, shearedRow(side), shape, place);
  });
  writeCurvatures(strains, MIDDLE_ROW, shape, CENTRE);
  return { area: shape.area, strains };
}

/** A triangle whose strains are those along a direction (a unit vector) and square to it, in the place of x and y. */
export function turnedTriangle({ area, strains }: StrainedTriangle, [c, s]: readonly [number, number]): StrainedTriangle {
  const turned = new Float64Array(strains.length);
  const bent = (row: number) => {
    for (let k = 0; k < UNKNOWNS; k += 1) {
      const [x, y, t] = [row * UNKNOWNS + k, (row + 1) * UNKNOWNS + k, (row + 2) * UNKNOWNS + k];
      const [kx, ky, kt] = [strains[x]!, strains[y]!, strains[t]!];
      turned[x] = c * c * kx + s * s * ky + c * s * kt;
      turned[y] = s * s * kx + c * c * ky - c * s * kt;
      turned[t] = 2 * c * s * (ky - kx) + (c * c - s * s) * kt;
    }
  };
  for (let side = 0; side < 3; side += 1) {
    bent(bentRow(side));
    for (let k = 0; k < UNKNOWNS; k += 1) {
      const [x, y] = [shearedRow(side) * UNKNOWNS + k, (shearedRow(side) + 1) * UNKNOWNS + k];
      [turned[x], turned[y]] = [c * strains[x]! + s * strains[y]!, c * strains[y]! - s * strains[x]!];
    }
  }
  bent(MIDDLE_ROW);
  return { area, strains: turned };
}

/** Numbers in the stiffness of a triangle. */
export const TRIANGLE_SIZE = UNKNOWNS * UNKNOWNS;

/** Stiffness of a triangle between its nodes (N, mm, rad), added to a matrix of nothing. */
export function triangleStiffness(
  nodes: Int32Array,
  { area, strains }: StrainedTriangle,
  rigidity: Rigidity,
  matrix = new Float64Array(TRIANGLE_SIZE),
): Stiffness {
  const [xx, yy, tt, xy, xt, yt] = rigidity.bending;
  const weight = area / 3;
  for (let side = 0; side < 3; side += 1) {
    const bx = bentRow(side) * UNKNOWNS;
    const [by, bt] = [bx + UNKNOWNS, bx + 2 * UNKNOWNS];
    const gx = shearedRow(side) * UNKNOWNS;
    const gy = gx + UNKNOWNS;
    for (let j = 0; j < UNKNOWNS; j += 1) {
      const kx = weight * strains[bx + j]!;
      const ky = weight * strains[by + j]!;
      const kt = weight * strains[bt + j]!;
      const mx = xx * kx + xy * ky + xt * kt;
      const my = xy * kx + yy * ky + yt * kt;
      const mt = xt * kx + yt * ky + tt * kt;
      const vx = weight * rigidity.shear[0] * strains[gx + j]!;
      const vy = weight * rigidity.shear[1] * strains[gy + j]!;
      for (let i = 0; i < UNKNOWNS; i += 1)
        matrix[i * UNKNOWNS + j]! +=
          strains[bx + i]! * mx + strains[by + i]! * my + strains[bt + i]! * mt + strains[gx + i]! * vx + strains[gy + i]! * vy;
    }
  }
  return { nodes, matrix };
}

/** Moments of a triangle by the displacements of its corners (mm, rad), row by row: mx, my, mxy at each corner (N mm/mm, sagging positive, mxy as -D (1 - nu) w,xy). */
export function triangleMoments({ strains }: StrainedTriangle, { bending: [xx, yy, tt, xy, xt, yt] }: Rigidity): Float64Array {
  const rows = new Float64Array(9 * UNKNOWNS);
  for (let corner = 0; corner < 3; corner += 1) {
    // Curvatures are linear: at a corner those in the middles of its two sides less those of the side across.
    const [p, q, across] = [corner, (corner + 2) % 3, (corner + 1) % 3].map((side) => bentRow(side) * UNKNOWNS) as [number, number, number];
    const at = (k: number) => strains[p + k]! + strains[q + k]! - strains[across + k]!;
    for (let k = 0; k < UNKNOWNS; k += 1) {
      const [kx, ky, kt] = [at(k), at(UNKNOWNS + k), at(2 * UNKNOWNS + k)];
      const row = 3 * corner * UNKNOWNS + k;
      rows[row] = xx * kx + xy * ky + xt * kt;
      rows[row + UNKNOWNS] = xy * kx + yy * ky + yt * kt;
      rows[row + 2 * UNKNOWNS] = xt * kx + yt * ky + tt * kt;
    }
  }
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
  { area, strains }: StrainedTriangle,
  { bending: [xx, yy, tt, xy, xt, yt] }: Rigidity,
  [kx, ky, kt]: readonly [number, number, number],
): Float64Array {
  const [mx, my, mt] = [xx * kx + xy * ky + xt * kt, xy * kx + yy * ky + yt * kt, xt * kx + yt * ky + tt * kt];
  const loads = new Float64Array(UNKNOWNS);
  for (let side = 0; side < 3; side += 1) {
    const at = bentRow(side) * UNKNOWNS;
    for (let k = 0; k < UNKNOWNS; k += 1)
      loads[k]! += (area / 3) * (strains[at + k]! * mx + strains[at + UNKNOWNS + k]! * my + strains[at + 2 * UNKNOWNS + k]! * mt);
  }
  return loads;
}

/** Forces with which a triangle resists the movements of its corners, where it has curvatures (kx, ky) without moment: its stiffness times them, place by place. They are written into an array that can be used again. */
export function triangleForces(
  { area, strains }: StrainedTriangle,
  { bending: [xx, yy, tt, xy], shear }: Rigidity,
  moved: Float64Array,
  [freeX, freeY]: readonly [number, number],
  forces = new Float64Array(UNKNOWNS),
): Float64Array {
  forces.fill(0);
  const weight = area / 3;
  for (let side = 0; side < 3; side += 1) {
    const bx = bentRow(side) * UNKNOWNS;
    const [by, bt] = [bx + UNKNOWNS, bx + 2 * UNKNOWNS];
    const sx = shearedRow(side) * UNKNOWNS;
    const sy = sx + UNKNOWNS;
    let [kx, ky, kt, gx, gy] = [-freeX, -freeY, 0, 0, 0];
    for (let i = 0; i < UNKNOWNS; i += 1) {
      const u = moved[i]!;
      kx += strains[bx + i]! * u;
      ky += strains[by + i]! * u;
      kt += strains[bt + i]! * u;
      gx += strains[sx + i]! * u;
      gy += strains[sy + i]! * u;
    }
    const mx = weight * (xx * kx + xy * ky);
    const my = weight * (xy * kx + yy * ky);
    const mt = weight * tt * kt;
    const vx = weight * shear[0] * gx;
    const vy = weight * shear[1] * gy;
    for (let i = 0; i < UNKNOWNS; i += 1)
      forces[i]! += strains[bx + i]! * mx + strains[by + i]! * my + strains[bt + i]! * mt + strains[sx + i]! * vx + strains[sy + i]! * vy;
  }
  return forces;
}
