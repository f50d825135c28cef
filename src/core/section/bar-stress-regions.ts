import { bearing } from './polygon-section';
import type { ResistanceSurface } from './resistance-surface';

/** Directions in which the regions are known; straight between them. */
const DIRECTIONS = 144;

/**
 * Where N and M that grow together until the section is used up leave the furthest bar without stress, and at half its yield strength. Both as
 * the angle of the ray (rad) from the axis of compression towards M: 0 is compression alone, pi tension alone.
 */
export interface BarStressRays {
  readonly none: number;
  readonly half: number;
}

export type BarStress = 'compression' | 'upToHalf' | 'aboveHalf';

/** Angle of a ray of axial force (N) and moment (N mm) in the plane of both; a moment of a millimetre counts as its force. */
export const rayAngle = (N: number, M: number): number => Math.atan2(M, N);

const known = new WeakMap<ResistanceSurface, { readonly direction: number; readonly rays: BarStressRays }[]>();

/** The rays for a direction of moment (rad from the My axis). */
export function barStressRays(surface: ResistanceSurface, direction: number): BarStressRays {
  let table = known.get(surface);
  if (!table) known.set(surface, (table = makeTable(surface)));
  const turn = 2 * Math.PI;
  const wanted = ((direction % turn) + turn) % turn;
  const next = table.findIndex((row) => row.direction > wanted);
  const b = table[next < 0 ? 0 : next]!;
  const a = table[next <= 0 ? table.length - 1 : next - 1]!;
  const width = (b.direction - a.direction + turn) % turn || turn;
  const part = ((wanted - a.direction + turn) % turn) / width;
  const between = (of: keyof BarStressRays) => a.rays[of] + (b.rays[of] - a.rays[of]) * part;
  return { none: between('none'), half: between('half') };
}

/** Which bars are the furthest, and at which depth of the neutral axis they have such a stress: by direction of the moment. */
function makeTable(surface: ResistanceSurface) {
  const { section, basis } = surface;
  const strain = (0.5 * basis.steel.yield) / basis.steel.modulus;
  const { ultimateStrain } = basis.concrete;
  const rows = Array.from({ length: DIRECTIONS }, (_, i) => {
    const theta = (2 * Math.PI * i) / DIRECTIONS;
    const b = bearing(section, theta);
    const d = b.vMax - b.vBarMin;
    const [none, half] = [d, (d * ultimateStrain) / (ultimateStrain + strain)].map((x) => surface.point(theta, x / b.h)) as [Point, Point];
    const angle = (p: Point) => rayAngle(p.N, Math.hypot(p.Mx, p.My));
    // The direction of the moment at half stress stands for both: they differ by little.
    const direction = (Math.atan2(half.Mx, half.My) + 2 * Math.PI) % (2 * Math.PI);
    return { direction, rays: { none: angle(none), half: angle(half) } };
  });
  return rows.sort((a, b) => a.direction - b.direction);
}
type Point = ReturnType<ResistanceSurface['point']>;

/** What the furthest bar has when N and M have grown together until the section is used up. */
export function barStressUnder(surface: ResistanceSurface, N: number, Mx: number, My: number): BarStress {
  const M = Math.hypot(Mx, My);
  const rays = barStressRays(surface, Math.atan2(Mx, My));
  const angle = rayAngle(N, M);
  return angle <= rays.none ? 'compression' : angle <= rays.half ? 'upToHalf' : 'aboveHalf';
}
