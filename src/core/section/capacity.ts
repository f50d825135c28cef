import type { ResistanceSurface } from './resistance-surface';

/** Steps in which the ray is looked along. */
const STEPS = 24;

/**
 * Utilisation along the ray: the part of (N, Mx, My) that could be carried is 1 over this (all three grow together from the origin). The
 * outermost crossing counts, as for the moment at a given N.
 */
export function capacityAlongRay(surface: ResistanceSurface, N: number, Mx: number, My: number): number {
  const size = Math.hypot(Mx, My);
  const most = N > 0 ? surface.most / N : N < 0 ? surface.least / N : Infinity;
  if (size === 0) return 1 / most;
  // Surplus of resistance over the demand grown by s: positive inside.
  const surplus = (s: number): number => {
    const p = surface.capacity(s * N, Mx, My);
    return p ? (p.Mx * Mx + p.My * My) / size - s * size : -s * size;
  };
  if (N === 0) return size / (surplus(1) + size);
  // From the largest N inwards: the table says where the state comes inside, exact states to both sides of it say where it does.
  const at = (k: number) => most * Math.min(k / STEPS, 1 - 1e-9);
  let k = STEPS - 1;
  while (k > 0 && surface.roughCapacity(at(k) * N, Mx, My) <= at(k) * size) k -= 1;
  while (k > 0 && surplus(at(k)) <= 0) k -= 1;
  while (k < STEPS && surplus(at(k + 1)) > 0) k += 1;
  if (k === STEPS) return 1 / most;
  let [inner, outer] = [at(k), at(k + 1)];
  let [fIn, fOut] = [surplus(inner), surplus(outer)];
  let side = 0;
  for (let i = 0; i < 40 && outer - inner > 1e-10 * most; i += 1) {
    const s = i % 6 === 5 ? (inner + outer) / 2 : (fOut * inner - fIn * outer) / (fOut - fIn);
    const f = surplus(s);
    if (Math.abs(f) < 1e-9 * size) return 1 / s;
    if (f > 0) {
      [inner, fIn] = [s, f];
      if (side === 1) fOut /= 2;
      side = 1;
    } else {
      [outer, fOut] = [s, f];
      if (side === -1) fIn /= 2;
      side = -1;
    }
  }
  return 2 / (inner + outer);
}

/** The same from the table alone: quick, within some per cent. */
export function roughAlongRay(surface: ResistanceSurface, N: number, Mx: number, My: number): number {
  const size = Math.hypot(Mx, My);
  const most = N > 0 ? surface.most / N : N < 0 ? surface.least / N : Infinity;
  if (size === 0) return 1 / most;
  let [inner, outer] = [0, Math.min(most, 1e3)];
  for (let i = 0; i < 14; i += 1) {
    const s = (inner + outer) / 2;
    if (surface.roughCapacity(s * N, Mx, My) >= s * size) inner = s;
    else outer = s;
  }
  return 1 / outer;
}
