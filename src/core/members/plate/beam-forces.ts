import { ribForces, ribLine, type Rib, type RibLine } from '../../analysis/plates/ribs';
import type { Combination } from '../../analysis/combination';
import type { PartAnswer, PlateAnswer } from './analysis';
import { flangeOf } from './beams';
import { extremesOf } from './envelope';
import type { PlateInput } from './input';
import type { BeamForces } from './result';

interface Beams {
  readonly lines: readonly RibLine[];
  readonly ribs: readonly Rib[];
}

/** Moment of the T, that of the rib and of the slab over its flange, at the nodes along a beam; and the shear of the rib between them. */
function forcesOf({ lines, ribs }: Beams, plate: PlateInput, i: number, part: PartAnswer) {
  const line = lines[i]!;
  const { moments, shears } = ribForces(line, ribs[i]!.bending, part.state.moved);
  const [c, s] = line.along;
  const flange = flangeOf(plate.beams[i]!);
  const whole = moments.map((m, k) => {
    const n = 3 * line.nodes[k]!;
    const [mx, my, mxy] = [part.moments[n]!, part.moments[n + 1]!, part.moments[n + 2]!];
    return m + flange * (mx * c * c + my * s * s + 2 * mxy * c * s);
  });
  return { moments: whole, shears };
}

/** The largest and least moments and the largest shear of every beam under combinations, variable loads where they add. */
export function beamForces(plate: PlateInput, { model, parts, ribs }: PlateAnswer, combinations: readonly Combination[]): BeamForces[] {
  const beams: Beams = { ribs, lines: ribs.map((rib) => ribLine(model.mesh, rib)) };
  return plate.beams.map((beam, i): BeamForces => {
    const known = new Map(parts.map((part) => [part, forcesOf(beams, plate, i, part)]));
    const field = (of: 'moments' | 'shears', sense: 1 | -1) =>
      extremesOf(parts, combinations, sense, (part) => known.get(part)![of]).values;
    const extreme = (values: Float64Array, sense: 1 | -1) => values.reduce((a, v, k) => (sense * v > sense * values[a]! ? k : a), 0);
    const [most, least] = [field('moments', 1), field('moments', -1)];
    const [up, down] = [extreme(most, 1), extreme(least, -1)];
    const shears = [...field('shears', 1), ...field('shears', -1)].map(Math.abs);
    const { at } = beams.lines[i]!;
    return {
      name: beam.name || String(i + 1),
      flange: flangeOf(beam),
      sagging: { moment: Math.max(0, most[up] ?? 0), at: at[up] ?? 0 },
      hogging: { moment: Math.min(0, least[down] ?? 0), at: at[down] ?? 0 },
      shear: Math.max(0, ...shears),
    };
  });
}
