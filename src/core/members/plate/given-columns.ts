import { CalcError } from '../../calc/calc';
import type { DesignCode } from '../../codes/design-code';
import { noForces } from '../column/load-sets';
import type { ColumnInput, LoadSet } from '../column/input';
import { answerOf } from './analysis';
import { plateFaults } from './faults';
import type { PlateColumn, PlateInput } from './input';
import { plateCombinations } from './loading';
import { columnForces } from './reactions';
import type { ColumnForces } from './result';

/** What a column takes from the slab that stands on it. Bars, height, ends and what stands above are its own. */
export type GivenColumn = Pick<ColumnInput, 'shape' | 'mode' | 'sets'>;

/** A column below a slab, by its name, with the forces that the slab brings under every combination and arrangement of its loads; in words why there is none. */
export function columnBelow(plate: PlateInput, name: string, code: DesignCode): GivenColumn | string {
  const [fault] = plateFaults(plate, code);
  if (fault) return `The slab that it follows cannot be worked out: ${fault.reason}`;
  const index = plate.columns.findIndex((c, i) => (c.name || String(i + 1)) === name);
  const column = plate.columns[index];
  if (!column) return `The slab that it follows rests on no column called ${name}.`;
  if (!(column.below > 0)) return `The slab that it follows has no storey below column ${name}.`;
  try {
    const answer = answerOf(plate, code);
    const sets = plateCombinations(plate, code).flatMap((combination) => {
      const { kind } = combination;
      return kind === 'sustained' ? [] : columnForces(answer, index, [combination]).map((f) => setOf(f, kind, column));
    });
    return { shape: column.shape, mode: 'sets', sets };
  } catch (error) {
    if (error instanceof CalcError) return `The slab that it follows cannot be worked out: ${error.message}`;
    throw error;
  }
}

/**
 * Forces at the ends of the column below: its part of the moments at the joint, by the stiffness of the storeys (both have the same section and far ends:
 * as 1/l), and half of it at a fixed foot, turned the other way; shears are their slope over the storey.
 */
export function setOf({ name, V, Mx, My }: ColumnForces, kind: LoadSet['kind'], { below, above, farEnds }: PlateColumn): LoadSet {
  const share = above > 0 ? above / (above + below) : 1;
  const carried = farEnds === 'fixed' ? -0.5 : 0;
  const [mxTop, myTop] = [share * Mx, share * My];
  const [mxBottom, myBottom] = [carried * mxTop, carried * myTop];
  return {
    ...noForces,
    name,
    title: '',
    kind,
    sustained: null,
    sway: null,
    N: V,
    mxTop,
    mxBottom,
    myTop,
    myBottom,
    vx: (myTop - myBottom) / below,
    vy: (mxTop - mxBottom) / below,
  };
}
