import { handCheck, type HandCheck } from '../../analysis/hand-check';
import { chordWidth } from '../../geometry/polygon';
import { strainAtLimit } from '../../section/critical-points';
import { parabolaStress, steelStress } from '../../section/laws';
import { bearing, type PolygonSection } from '../../section/polygon-section';
import type { SurfacePoint } from '../../section/resistance-surface';
import { emptyState, limitStrain, ultimateAt } from '../../section/ultimate';
import type { ColumnModel } from './section';

const STRIPS = 400;

/** What can be worked out beside the exact integration: the squash load, and the forces of a limit state summed over strips. */
export function columnHandChecks(model: ColumnModel, limit: SurfacePoint | undefined, name: string): HandCheck[] {
  const { section, basis } = model;
  const displaced = basis.deductsDisplaced ? section.steelArea : 0;
  const squash =
    (basis.squashLine?.concrete ?? basis.concrete.stress) * (section.gross.area - displaced) + basis.squashStress * section.steelArea;
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

interface StripSum {
  readonly N: number;
  readonly M: number;
}

/** Forces of a limit state before reduction, summed over strips across the direction of compression (N, N mm). */
export function stripSum(model: Pick<ColumnModel, 'section' | 'basis' | 'surface'>, p: SurfacePoint): StripSum {
  const { basis, section, surface } = model;
  const line = basis.squashLine;
  if (!line || p.t <= 1) return strainedSum(model, p);
  // Along the line to the squash load the forces are those of its two ends.
  const from = strainedSum(model, surface.point(p.theta, 1));
  const to = sumOf(
    section,
    p.theta,
    () => line.concrete,
    () => basis.squashStress,
    basis.deductsDisplaced,
  );
  return { N: (2 - p.t) * from.N + (p.t - 1) * to.N, M: (2 - p.t) * from.M + (p.t - 1) * to.M };
}

function strainedSum({ section, basis, surface }: Pick<ColumnModel, 'section' | 'basis' | 'surface'>, p: SurfacePoint): StripSum {
  const b = bearing(section, p.theta);
  const { e0, k } = limitStrain(b, p.x, basis);
  const { concrete } = basis;
  const share = basis.blockShare?.(section, b, p.x) ?? 1;
  const stressAt = (v: number) => {
    if (concrete.kind === 'parabola') return parabolaStress(e0 + k * v, concrete);
    return v >= b.vMax - concrete.depthFactor * p.x ? share * concrete.stress : 0;
  };
  const barStress = (x: number, y: number) => steelStress(strainAtLimit(surface, p, x, y), basis.steel);
  return sumOf(section, p.theta, stressAt, barStress, basis.deductsDisplaced);
}

/** Stress of concrete by the distance along the direction of compression, of bars by their place. */
function sumOf(
  section: PolygonSection,
  theta: number,
  stressAt: (v: number) => number,
  barStress: (x: number, y: number) => number,
  deductsDisplaced: boolean,
): StripSum {
  const b = bearing(section, theta);
  let [N, M] = [0, 0];
  for (let i = 0; i < STRIPS; i += 1) {
    const v = b.vMin + (b.h * (i + 0.5)) / STRIPS;
    const force = (chordWidth(section.outline, [b.cos, b.sin], v) * b.h * stressAt(v)) / STRIPS;
    N += force;
    M += force * v;
  }
  section.bars.forEach((bar, i) => {
    const stress = barStress(bar.x, bar.y);
    const displaced = deductsDisplaced && stress > 0 ? stressAt(b.bars[i]!) : 0;
    const force = bar.area * (stress - displaced);
    N += force;
    M += force * b.bars[i]!;
  });
  return { N, M };
}
