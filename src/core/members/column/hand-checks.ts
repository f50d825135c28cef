import { handCheck, type HandCheck } from '../../analysis/hand-check';
import { chordWidth } from '../../geometry/polygon';
import { strainAtLimit } from '../../section/critical-points';
import { parabolaStress, steelStress } from '../../section/laws';
import { bearing } from '../../section/polygon-section';
import type { SurfacePoint } from '../../section/resistance-surface';
import { emptyState, limitStrain, ultimateAt } from '../../section/ultimate';
import type { ColumnModel } from './section';

const STRIPS = 400;

/** What can be worked out beside the exact integration: the squash load, and the forces of a limit state summed over strips. */
export function columnHandChecks(model: ColumnModel, limit: SurfacePoint | undefined, name: string): HandCheck[] {
  const { section, basis } = model;
  const displaced = basis.deductsDisplaced ? section.steelArea : 0;
  const squash = basis.concrete.stress * (section.gross.area - displaced) + basis.squashStress * section.steelArea;
  const state = emptyState();
  ultimateAt(section, bearing(section, 0), 2, { ...basis, reduction: null }, state);
  const list = [handCheck('Squash load before reduction, concrete and bars added up', 'force', squash, state.N, 0.03)];
  if (!limit || !Number.isFinite(limit.x) || limit.x <= 0) return list;
  const strips = stripSum(model, limit);
  const along = (limit.Mx * Math.sin(limit.theta) + limit.My * Math.cos(limit.theta)) / limit.factor;
  const at = `at the resistance under ${name}, by ${STRIPS} strips`;
  return [
    ...list,
    handCheck(`Axial force ${at}`, 'force', strips.N, limit.N / limit.factor, 0.01),
    handCheck(`Moment across the neutral axis ${at}`, 'moment', strips.M, along, 0.01),
  ];
}

/** Forces of a limit state before reduction, summed over strips across the direction of compression (N, N mm). */
export function stripSum({ section, basis, surface }: ColumnModel, p: SurfacePoint): { readonly N: number; readonly M: number } {
  const b = bearing(section, p.theta);
  const { e0, k } = limitStrain(b, p.x, basis);
  const { concrete } = basis;
  const stressAt = (v: number) => {
    if (concrete.kind === 'parabola') return parabolaStress(e0 + k * v, concrete);
    return v >= b.vMax - concrete.depthFactor * p.x ? concrete.stress : 0;
  };
  let [N, M] = [0, 0];
  for (let i = 0; i < STRIPS; i += 1) {
    const v = b.vMin + (b.h * (i + 0.5)) / STRIPS;
    const force = (chordWidth(section.outline, [b.cos, b.sin], v) * b.h * stressAt(v)) / STRIPS;
    N += force;
    M += force * v;
  }
  section.bars.forEach((bar, i) => {
    const strain = strainAtLimit(surface, p, bar.x, bar.y);
    const displaced = basis.deductsDisplaced && strain > 0 ? stressAt(b.bars[i]!) : 0;
    const force = bar.area * (steelStress(strain, basis.steel) - displaced);
    N += force;
    M += force * b.bars[i]!;
  });
  return { N, M };
}
