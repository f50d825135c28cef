import { solveBanded } from './banded';
import type { LineBeam, Mesh, TorqueLoad } from './line-beam';

/**
 * Torque along a straight beam whose supports hold it against twisting or not: T at the left end of each element and its growth per
 * length, two numbers an element (N mm, N). `stiffness` is GJ by span, where only the ratios matter. Undefined when nothing holds it.
 */
export function torqueDiagram(
  beam: LineBeam,
  mesh: Mesh,
  holds: readonly boolean[],
  stiffness: readonly number[],
  loads: readonly TorqueLoad[],
): Float64Array | undefined {
  const n = mesh.x.length;
  const [growth, applied] = [new Float64Array(n - 1), new Float64Array(n)];
  for (const load of loads) {
    const [first, last] = [mesh.supportNode[load.span]!, mesh.supportNode[load.span + 1]!];
    const start = mesh.x[first]!;
    if (load.kind === 'point') {
      let best = first;
      for (let i = first; i <= last; i += 1)
        if (Math.abs(mesh.x[i]! - start - load.at) < Math.abs(mesh.x[best]! - start - load.at)) best = i;
      applied[best]! += load.torque;
    } else
      for (let e = first; e < last; e += 1) {
        const middle = (mesh.x[e]! + mesh.x[e + 1]!) / 2 - start;
        if (middle > load.from && middle < load.to) growth[e]! += load.value;
      }
  }
  const k = new Float64Array(2 * n);
  const f = applied.slice();
  const stiff = Float64Array.from(mesh.spanOf, (span, e) => stiffness[span]! / (mesh.x[e + 1]! - mesh.x[e]!));
  stiff.forEach((s, e) => {
    k[2 * e]! += s;
    k[2 * e + 2]! += s;
    k[2 * e + 3]! -= s;
    const half = (growth[e]! * (mesh.x[e + 1]! - mesh.x[e]!)) / 2;
    f[e]! += half;
    f[e + 1]! += half;
  });
  const held = beam.supports.flatMap((_, i) => (holds[i] ? [mesh.supportNode[i]!] : []));
  if (held.length === 0) return undefined;
  for (const node of held) {
    // A held node does not twist: its row becomes an identity.
    k[2 * node] = 1;
    k[2 * node + 1] = 0;
    if (node + 1 < n) k[2 * node + 3] = 0;
    f[node] = 0;
  }
  if (!solveBanded(k, n, 1, [f])) return undefined;
  const out = new Float64Array(2 * (n - 1));
  stiff.forEach((s, e) => {
    out[2 * e] = s * (f[e]! - f[e + 1]!) - (growth[e]! * (mesh.x[e + 1]! - mesh.x[e]!)) / 2;
    out[2 * e + 1] = growth[e]!;
  });
  return out;
}

/** Torque at a distance from the left end of an element. */
export const torqueAt = (diagram: Float64Array, e: number, s: number): number => diagram[2 * e]! + s * diagram[2 * e + 1]!;
