import type { Quantities } from '../checks/result';
import { outlineProperties, type Outline } from '../geometry/polygon';
import { massOfSet, type BarSet } from './bar-set';

/** Concrete of one cross section along an axis (mm): across x an outline in y and z, across z one in x and y. */
export interface Prism {
  readonly along: 'x' | 'z';
  readonly from: number;
  readonly to: number;
  readonly outline: Outline;
}

/** What holds a member: at a place along it, as wide as it is. */
export interface ModelSupport {
  readonly name: string;
  readonly type: string;
  readonly at: number;
  readonly width: number;
}

/**
 * A member as it is to be built: concrete with its openings, supports, and every bar in its place. Schedule, amounts, cage and drawings are taken
 * from it. Bars that lap lie on one line here; on site they lie side by side.
 */
export interface MemberModel {
  readonly concrete: readonly Prism[];
  readonly supports: readonly ModelSupport[];
  readonly bars: readonly BarSet[];
  /** What stands there and is not the member's own, to be drawn with it: a column within its slab. */
  readonly beside?: readonly Outline[];
}

export const emptyModel: MemberModel = { concrete: [], supports: [], bars: [] };

/** Volume (mm3) and steel (kg) of a model, beside its formwork (mm2). */
export function quantitiesOf({ concrete, bars }: MemberModel, formwork: number): Quantities {
  const steel = (isBar: boolean) => bars.reduce((sum, set) => sum + ((set.role === 'bar') === isBar ? massOfSet(set) : 0), 0);
  return {
    concrete: concrete.reduce((sum, p) => sum + outlineProperties(p.outline).area * (p.to - p.from), 0),
    bars: steel(true),
    links: steel(false),
    formwork,
  };
}
