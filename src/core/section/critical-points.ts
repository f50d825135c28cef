import { bearing } from './polygon-section';
import { limitStrain } from './ultimate';
import type { ResistanceSurface, SurfacePoint } from './resistance-surface';

export interface CriticalPoint {
  readonly name:
    | 'squash'
    | 'axial cap'
    | 'decompression'
    | 'furthest bars without stress'
    | 'furthest bars at half of yield'
    | 'balance'
    | 'pure bending'
    | 'pure tension';
  readonly point: SurfacePoint;
}

/**
 * The points by which an interaction curve is known, for one direction of the neutral axis: uniform compression, the most compression that the
 * code allows where that is less, no strain at the far edge, the furthest bars without stress, at half of yield and just at yield, no axial force, and all bars at yield in tension.
 */
export function criticalPoints(surface: ResistanceSurface, theta: number): CriticalPoint[] {
  const { section, basis } = surface;
  const b = bearing(section, theta);
  const yieldStrain = basis.steel.yield / basis.steel.modulus;
  const ultimate = basis.concrete.ultimateStrain;
  /** Depth of the neutral axis with a tensile strain in the furthest bars. */
  const depthFor = (strain: number) => ((b.vMax - b.vBarMin) * ultimate) / (ultimate + strain);
  const bending = surface.atAngle(theta, 0);
  const squash = surface.point(theta, 2);
  const capped = surface.most < squash.N * (1 - 1e-6) ? surface.atAngle(theta, surface.most * (1 - 1e-9)) : undefined;
  return [
    { name: 'squash', point: squash },
    ...(capped ? [{ name: 'axial cap' as const, point: capped }] : []),
    { name: 'decompression', point: surface.point(theta, 1) },
    { name: 'furthest bars without stress', point: surface.point(theta, depthFor(0) / b.h) },
    { name: 'furthest bars at half of yield', point: surface.point(theta, depthFor(yieldStrain / 2) / b.h) },
    { name: 'balance', point: surface.point(theta, depthFor(yieldStrain) / b.h) },
    ...(bending ? [{ name: 'pure bending' as const, point: bending }] : []),
    { name: 'pure tension', point: surface.point(theta, 0) },
  ];
}

/** The curve of N and M in one direction of moment (rad, from the My axis): M at each of some axial forces, ends included. */
export function interactionSlice(surface: ResistanceSurface, direction: number, points = 44): { readonly N: number; readonly M: number }[] {
  const [dx, dy] = [Math.sin(direction), Math.cos(direction)];
  const { least, most } = surface;
  const curve: { N: number; M: number }[] = [{ N: least, M: 0 }];
  for (let i = 1; i < points; i += 1) {
    // Closer at both ends, where the curve bends.
    const f = (1 - Math.cos((Math.PI * i) / points)) / 2;
    const N = least + (most - least) * f;
    const p = surface.capacity(N, dx, dy);
    if (p) curve.push({ N, M: Math.max(0, p.Mx * dx + p.My * dy) });
  }
  // A cap cuts the curve with a flat top.
  const top = surface.capacity(most * (1 - 1e-9), dx, dy);
  if (top) curve.push({ N: most, M: Math.max(0, top.Mx * dx + top.My * dy) });
  curve.push({ N: most, M: 0 });
  return curve;
}

/** Strain of a point of the section at a limit state, compression positive; far in tension where all bars yield. */
export function strainAtLimit(surface: ResistanceSurface, p: SurfacePoint, x: number, y: number): number {
  if (p.x === 0) return -1;
  const b = bearing(surface.section, p.theta);
  const { e0, k } = limitStrain(b, Math.min(p.x, 1e9), surface.basis);
  return e0 + k * (x * b.cos + y * b.sin);
}
