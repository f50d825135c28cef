import type { Combination } from '../../analysis/combination';
import { handCheck, type HandCheck } from '../../analysis/hand-check';
import { plateOnEdges } from '../../analysis/plate';
import { PER_NODE } from '../../analysis/plates/multifrontal';
import type { PlateAnswer } from './analysis';
import { valueAt } from '../../analysis/plates/locate';
import { boundsOf } from '../../geometry/polygon';
import { summed, summedField, wholeOf, type Arrangement } from './envelope';
import { columnSides, outlineOf, plainRectangle } from './geometry';
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
  checks.push(...staticMoments(plate, answer, whole));
  const sides = plainRectangle(plate);
  if (!sides || plate.simpleEdges === 'soft' || plate.corners === 'lift' || plate.loads.some((l) => l.type !== 'uniform')) return checks;
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

/** Places across the slab at which a moment is read for its sum. */
const ACROSS = 400;

/**
 * The static moment of every span of a rectangular flat slab over its whole width: the moment in the middle and the mean of those at its ends are together
 * w l2 ln2 / 8, however it is shared. Only where nothing but the even load stands between: no walls, openings, other depths or single loads.
 */
function staticMoments(plate: PlateInput, { model, locate }: PlateAnswer, whole: Arrangement): HandCheck[] {
  const { outline, openings, walls, beams, regions, loads, columns } = plate;
  const isPlain = walls.length + beams.length + openings.length + regions.length === 0 && loads.every((l) => l.type === 'uniform');
  if (!isPlain || columns.length < 2 || outline.length !== 4 || outline.some((c) => c.rise !== 0 || c.edge !== 'free')) return [];
  const { left, right, bottom, top } = boundsOf(outlineOf(plate).outer);
  if (Math.abs((right - left) * (top - bottom) - areaOf(outline)) > 1) return [];
  const moments = summedField(whole, (model.mesh.at.length / 2) * 3, (part) => part.moments);
  const w = summed(whole, (part) => part.total) / ((right - left) * (top - bottom));
  return (['x', 'y'] as const).flatMap((along) => {
    const [from, to] = along === 'x' ? [bottom, top] : [left, right];
    const sum = (v: number) => {
      let total = 0;
      for (let k = 0; k < ACROSS; k += 1) {
        const c = from + ((k + 0.5) / ACROSS) * (to - from);
        const found = locate(along === 'x' ? [v, c] : [c, v], model.bends);
        if (found) total += valueAt(model.mesh, found, moments, 3, along === 'x' ? 0 : 1);
      }
      return (total * (to - from)) / ACROSS;
    };
    const lines = columnLines(plate, along);
    return lines.slice(1).map((b, i) => {
      const a = lines[i]!;
      // A quarter of a column away from its faces, where the corners of its stiff head are no longer felt.
      const [start, end] = [a.at + 1.5 * a.half, b.at - 1.5 * b.half];
      return handCheck(
        `Static moment along ${along}, span ${i + 1}, w l2 ln2 / 8; middle and mean of the ends, a quarter of a column off its faces`,
        'moment',
        (w * (to - from) * (end - start) ** 2) / 8,
        sum((start + end) / 2) - (sum(start) + sum(end)) / 2,
        0.06,
      );
    });
  });
}

const areaOf = (outline: PlateInput['outline']): number =>
  Math.abs(
    outline.reduce((sum, a, i) => {
      const b = outline[(i + 1) % outline.length]!;
      return sum + (a.x * b.y - b.x * a.y) / 2;
    }, 0),
  );

/** Lines of columns across a direction, with half the size of the widest column on each. */
function columnLines(plate: PlateInput, along: 'x' | 'y'): { readonly at: number; readonly half: number }[] {
  const places = [...new Set(plate.columns.map((c) => c[along]))].sort((a, b) => a - b);
  return places.map((at) => ({
    at,
    half: Math.max(...plate.columns.filter((c) => c[along] === at).map((c) => columnSides(c)[along])) / 2,
  }));
}
