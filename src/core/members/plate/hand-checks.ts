import type { Combination } from '../../analysis/combination';
import { handCheck, type HandCheck } from '../../analysis/hand-check';
import { plateOnEdges } from '../../analysis/plate';
import { PER_NODE } from '../../analysis/plates/multifrontal';
import type { PlateAnswer } from './analysis';
import { summed, summedField, wholeOf } from './envelope';
import { plainRectangle } from './geometry';
import type { PlateInput } from './input';

const deflections = (values: ArrayLike<number>): number[] => Array.from(values).filter((_, i) => i % PER_NODE === 0);

/** Reactions against loads, and for an evenly loaded rectangle on four edges the sum of polynomials of least energy beside the elements. */
export function plateHandChecks(plate: PlateInput, answer: PlateAnswer, combination: Combination): HandCheck[] {
  const whole = wholeOf(answer.parts, combination);
  const length = answer.model.unknowns;
  const held = summedField(whole, length, (part) => part.state.held);
  const checks = [
    handCheck(
      'Sum of loads and of reactions, largest ultimate load',
      'force',
      summed(whole, (part) => part.total),
      deflections(held).reduce((a, b) => a + b, 0),
      1e-6,
    ),
  ];
  const sides = plainRectangle(plate);
  if (!sides || plate.simpleEdges === 'soft' || plate.loads.some((l) => l.type !== 'uniform')) return checks;
  const [bottom, right, top, left] = plate.outline.map((c) => (c.edge === 'clamped' ? ('continuous' as const) : ('simple' as const)));
  const d = answer.model.rigidity(0).bending[0];
  const byHand = plateOnEdges({ ...sides, edges: { left: left!, right: right!, bottom: bottom!, top: top! } }, { x: d, y: d, twist: d });
  const w = summed(whole, (part) => part.total) / (sides.lx * sides.ly);
  const moved = deflections(summedField(whole, length, (part) => part.state.moved));
  return [
    ...checks,
    handCheck(
      'Largest elastic deflection at that load: thin plate, by a sum of polynomials',
      'smallLength',
      w * byHand.deflection,
      moved.reduce((a, b) => (Math.abs(b) > Math.abs(a) ? b : a), 0),
      0.03,
    ),
  ];
}
