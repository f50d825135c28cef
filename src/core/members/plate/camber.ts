import type { PlateAnswer } from './analysis';
import type { PlateInput } from './input';

/**
 * How far the formwork stands above level, node by node (mm): in the shape of the elastic deflection under all permanent loads (under all loads where none is
 * permanent), as high as the camber where that is largest. Null without a camber.
 */
export function camberOver({ camber }: Pick<PlateInput, 'camber'>, { parts, model }: PlateAnswer): Float64Array | null {
  if (camber === 0) return null;
  const permanent = parts.filter((p) => !p.isVariable);
  const shape = new Float64Array(model.mesh.at.length / 2);
  for (const { state } of permanent.length > 0 ? permanent : parts)
    for (let n = 0; n < shape.length; n += 1) shape[n]! += state.moved[3 * n]!;
  const most = shape.reduce((a, b) => Math.max(a, b), 0);
  return most > 0 ? shape.map((w) => (camber * w) / most) : null;
}

/** Deflections with the camber taken off: what is left below level. */
export const belowLevel = (values: Float64Array, camber: Float64Array | null): Float64Array =>
  camber ? values.map((v, n) => v - camber[n]!) : values;
