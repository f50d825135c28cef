import { largestOf } from '../../../checks/largest';
import type { Calc, StepColumn } from '../../../calc/calc';
import type { DeflectionStage, DeflectionSum } from '../../../codes/service-rules';
import type { Arrangement } from '../../../analysis/envelope';
import { deflectedShape, shapeBySpans, type DeflectedShape, type DeflectionBasis } from './deflection';
import { serviceArrangements, STEPS } from './service-moments';

/** Stations of a span that are written down, one in so many steps. */
const EVERY = STEPS / 8;

const COLUMNS: readonly StepColumn[] = [
  { name: 'x', kind: 'station' },
  { name: 'moment', kind: 'moment' },
  { name: 'curvature', kind: 'curvature' },
  { name: 'slope', kind: 'rotation' },
  { name: 'deflection', kind: 'smallLength' },
];

const stageNames: Readonly<Record<DeflectionStage['age'], string>> = {
  immediate: 'at once',
  partitions: 'when partitions are built',
  end: 'at the end',
};

/**
 * Writes down the integration that a sum of deflections comes from: for each of its stages the arrangement that governs at a station of the span, with
 * curvature, slope and deflection along it. `wants` is the extreme that is looked for, downwards or upwards.
 */
export function stationSteps(c: Calc, basis: DeflectionBasis, sum: DeflectionSum, span: number, at: number, wants: 'max' | 'min'): void {
  let bySpans = 0;
  for (const { stage: id, factor } of sum.terms) {
    const stage = basis.code.service.stages.find((s) => s.id === id)!;
    const found = governingShape(basis, stage, span * (STEPS + 1) + at, factor > 0 === (wants === 'max'));
    if (!found) continue;
    const when = `${stageNames[stage.age]}, ${found.name}`;
    c.table(`Integrated along span ${span + 1}: ${when}`, COLUMNS, rowsOf(basis, found.shape, span));
    bySpans += factor * shapeBySpans(basis, stage, found.arrangement).deflection[span * (STEPS + 1) + at]!;
    c.state(`deflection ${stageNames[stage.age]}`, found.shape.deflection[span * (STEPS + 1) + at]!, 'smallLength', counted(factor));
  }
  c.state('hand check: span by span', bySpans, 'smallLength', 'with the moments of the uncracked beam');
}

const counted = (factor: number) => (factor === 1 ? 'added' : factor === -1 ? 'taken off' : `counted ${factor.toFixed(2)} times`);

/** The arrangement of a stage that moves a place furthest down, or least. */
function governingShape(
  basis: DeflectionBasis,
  stage: DeflectionStage,
  place: number,
  isLargest: boolean,
): { readonly name: string; readonly arrangement: Arrangement; readonly shape: DeflectedShape } | undefined {
  const all = serviceArrangements(basis.beam, basis.code, basis.analysis, stage.loads).map((a) => ({
    name: [a.combination.id, a.label].filter(Boolean).join(', '),
    arrangement: a,
    shape: deflectedShape(basis, stage, a),
  }));
  return largestOf(all, ({ shape }) => (isLargest ? 1 : -1) * shape.deflection[place]!);
}

/** Moment and curvature are those of the step beside a station. */
function rowsOf({ beam }: DeflectionBasis, { moments, curvature, slope, deflection }: DeflectedShape, span: number): number[][] {
  const { length } = beam.spans[span]!;
  return Array.from({ length: STEPS / EVERY + 1 }, (_, r) => {
    const k = r * EVERY;
    const step = span * STEPS + Math.min(k, STEPS - 1);
    const end = span * (STEPS + 1) + k;
    return [(k * length) / STEPS, moments[step]!, curvature[step]!, slope[end]!, deflection[end]!];
  });
}
