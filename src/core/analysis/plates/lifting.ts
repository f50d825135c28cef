import { CalcError } from '../../calc/calc';
import { PER_NODE } from './multifrontal';
import type { PlateModel } from './plate-model';

/** Rounds in which nodes are let go or come to rest again. */
const ROUNDS = 40;
/** Less than this part of the largest reaction of a node pulls at nothing, and less than this part of the largest deflection is no sinking. */
const NOTHING = 1e-9;

/** A plate on lines that press but do not pull, with the nodes that have lifted off them. */
export interface LiftingPlate {
  readonly model: PlateModel;
  readonly lifted: ReadonlySet<number>;
}

/**
 * Finds where a plate lifts off lines that cannot hold it down, under loads that keep their share: nodes whose line would pull are let go, those that would
 * sink through it come to rest again, until neither is left. `make` gives the plate held everywhere but at some nodes; `resting` are the nodes that may
 * lift. Throws CalcError where it does not come to rest.
 */
export function liftingPlate(
  make: (lifted: ReadonlySet<number>) => PlateModel,
  resting: readonly number[],
  loadsOn: (model: PlateModel) => Float64Array,
): LiftingPlate {
  let lifted: ReadonlySet<number> = new Set();
  for (let round = 0; round < ROUNDS; round += 1) {
    const model = make(lifted);
    const { moved, held } = model.solve(loadsOn(model));
    const most = (values: Float64Array) => values.reduce((a, v, i) => (i % PER_NODE === 0 ? Math.max(a, Math.abs(v)) : a), 0);
    const [force, sinking] = [NOTHING * most(held), NOTHING * most(moved)];
    const next = new Set(resting.filter((n) => (lifted.has(n) ? moved[PER_NODE * n]! < -sinking : held[PER_NODE * n]! < -force)));
    const isSame = next.size === lifted.size && [...next].every((n) => lifted.has(n));
    if (isSame) return { model, lifted };
    lifted = next;
  }
  throw new CalcError(
    'supports',
    'where the slab lifts off its supports did not come to rest: hold its corners down, or support it otherwise.',
  );
}
