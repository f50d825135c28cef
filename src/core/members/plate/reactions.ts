import type { Combination } from '../../analysis/combination';
import { PER_NODE } from '../../analysis/plates/multifrontal';
import type { PartAnswer, PlateAnswer } from './analysis';
import { arrangementFor, summed, wholeOf } from './envelope';
import { onceFor } from './last-answers';
import type { ColumnForces } from './result';

type Component = 'V' | 'Mx' | 'My';
const place: Readonly<Record<Component, number>> = { V: 0, My: 1, Mx: 2 };

/**
 * Forces at a column under combinations: with all loads on, and with those that make the shear or a moment largest or least, each with the other two that
 * act with it. Arrangements that are alike are said once.
 */
export const columnForces = (answer: PlateAnswer, column: number, combinations: readonly Combination[]): ColumnForces[] =>
  onceFor(answer, 'column', [column, combinations], () => forcesAt(answer, column, combinations));

function forcesAt(answer: PlateAnswer, column: number, combinations: readonly Combination[]): ColumnForces[] {
  const head = answer.heads[column]!;
  if (head < 0) return [];
  const effect = (of: Component) => (part: PartAnswer) => part.state.held[PER_NODE * head + place[of]]!;
  const found = combinations.flatMap((combination) => {
    const ways = [
      { name: combination.id, parts: wholeOf(answer.parts, combination) },
      ...(['V', 'Mx', 'My'] as const).flatMap((of) =>
        ([1, -1] as const).map((sense) => ({
          name: `${combination.id}, ${sense === 1 ? 'most' : 'least'} ${of}`,
          parts: arrangementFor(answer.parts, combination, sense, effect(of)),
        })),
      ),
    ];
    return ways.map(({ name, parts }) => ({
      name,
      V: summed(parts, effect('V')),
      Mx: summed(parts, effect('Mx')),
      My: summed(parts, effect('My')),
    }));
  });
  const seen = new Set<string>();
  return found.filter(({ V, Mx, My }) => {
    const key = [V, Mx / 1000, My / 1000].map(Math.round).join(' ');
    return seen.has(key) ? false : seen.add(key);
  });
}
