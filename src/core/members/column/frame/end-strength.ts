import type { DesignCode } from '../../../codes/design-code';
import type { FrameStrength } from '../../../codes/frame-columns';
import { ResistanceSurface } from '../../../section/resistance-surface';
import type { ColumnInput } from '../input';
import type { ColumnModel } from '../section';

type Axis = 'x' | 'y';
type Way = 1 | -1;

const known = new WeakMap<ColumnModel, Map<string, ResistanceSurface>>();

/** Resistance by which strengths of ends are found: of design or nominal, with bars stronger than specified. */
function surfaceFor(column: ColumnInput, code: DesignCode, model: ColumnModel, { of, steelFactor }: FrameStrength): ResistanceSurface {
  if (of === 'design' && steelFactor === 1) return model.surface;
  let own = known.get(model);
  if (!own) known.set(model, (own = new Map()));
  const key = `${of} ${steelFactor}`;
  let surface = own.get(key);
  if (!surface) {
    const materials = { ...column.materials, steelStrength: steelFactor * column.materials.steelStrength };
    const { basis } = code.column.nominal(materials, column.transverse);
    own.set(key, (surface = new ResistanceSurface(model.section, basis)));
  }
  return surface;
}

/** Bending strength of a column about an axis in one sense over a range of axial force: the least and the most (N mm). */
export interface EndStrengths {
  least(axis: Axis, way: Way): number;
  most(axis: Axis, way: Way): number;
}

/** Golden section. */
const GOLDEN = (Math.sqrt(5) - 1) / 2;

export function endStrengths(
  column: ColumnInput,
  code: DesignCode,
  model: ColumnModel,
  strength: FrameStrength,
  range: { readonly least: number; readonly most: number },
): EndStrengths {
  const surface = surfaceFor(column, code, model, strength);
  const at = (axis: Axis, way: Way) => (N: number) => {
    const p = surface.capacity(N, axis === 'x' ? way : 0, axis === 'y' ? way : 0);
    return p ? Math.max(0, way * (axis === 'x' ? p.Mx : p.My)) : 0;
  };
  return {
    // The strength is concave along N: it is least at an end of a range.
    least: (axis, way) => Math.min(...[range.least, range.most].map(at(axis, way))),
    most: (axis, way) => {
      const inside = (N: number) => Math.max(surface.least, Math.min(surface.most, N));
      return mostBetween(at(axis, way), inside(range.least), inside(range.most));
    },
  };
}

/** The largest value of a concave function between two places. */
function mostBetween(f: (v: number) => number, from: number, to: number): number {
  let [a, b] = [from, to];
  let [c, d] = [b - GOLDEN * (b - a), a + GOLDEN * (b - a)];
  let [fc, fd] = [f(c), f(d)];
  let most = Math.max(f(a), f(b), fc, fd);
  for (let i = 0; i < 24 && b - a > 1; i += 1) {
    if (fc >= fd) {
      [b, d, fd] = [d, c, fc];
      c = b - GOLDEN * (b - a);
      fc = f(c);
    } else {
      [a, c, fc] = [c, d, fd];
      d = a + GOLDEN * (b - a);
      fd = f(d);
    }
    most = Math.max(most, fc, fd);
  }
  return most;
}
