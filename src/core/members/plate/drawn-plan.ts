import type { Loop, Point } from '../../geometry/polygon';
import type { PlateColumn, PlateEdge, PlateInput } from './input';
import { newColumn, unusedName } from './plan-parts';

type Corner = PlateInput['outline'][number];

/** Corners of a new outline, each edge held as the one that began at the same place, or was the same in number; others as is said. */
export const heldAsBefore = (before: readonly Corner[], outer: Loop, edge: PlateEdge = 'simple'): Corner[] =>
  outer.map(([x, y], i) => {
    const same = before.find((c) => Math.hypot(c.x - x, c.y - y) < 1) ?? (before.length === outer.length ? before[i] : undefined);
    return { edge, rise: 0, sinks: null, turns: null, ...same, x, y };
  });

/** Outline and openings of a slab anew. */
export const outlineAndOpenings = (
  { outline }: Pick<PlateInput, 'outline'>,
  outer: Loop,
  holes: readonly Loop[],
  edge?: PlateEdge,
): Pick<PlateInput, 'outline' | 'openings'> => ({
  outline: heldAsBefore(outline, outer, edge),
  openings: holes.map((corners) => ({ corners: corners.map(([x, y]): [number, number] => [x, y]) })),
});

/** A plan as a drawing has it. */
export interface PlanAsDrawn {
  readonly outer: Loop;
  readonly holes: readonly Loop[];
  readonly columns: readonly { readonly at: Point; readonly shape: PlateColumn['shape'] | null }[];
}

/** So near to each other (mm), a column of the slab and one of a drawing are the same. */
const SAME_COLUMN = 500;

/**
 * A slab by a drawing. Outline and openings are those of the drawing where it has an outline, columns where it has some; a column at the place of one
 * that is there keeps its name, its storeys, and its shape where the drawing has none; new ones are as the last one.
 */
export function asDrawn(slab: PlateInput, { outer, holes, columns }: PlanAsDrawn, edge: PlateEdge): Partial<PlateInput> {
  const taken = new Set<PlateColumn>();
  const known = columns.map(({ at }) => {
    const far = (c: PlateColumn) => Math.hypot(c.x - at[0], c.y - at[1]);
    const near = slab.columns.filter((c) => !taken.has(c) && far(c) < SAME_COLUMN).sort((a, b) => far(a) - far(b))[0];
    if (near) taken.add(near);
    return near;
  });
  const made: PlateColumn[] = [...taken];
  const placed = columns.map(({ at: [x, y], shape }, i): PlateColumn => {
    const own = known[i] ?? { ...newColumn(slab), name: unusedName('C', made), x, y };
    if (!known[i]) made.push(own);
    return { ...own, x, y, shape: shape ?? own.shape };
  });
  return { ...(outer.length > 2 ? outlineAndOpenings(slab, outer, holes, edge) : {}), ...(placed.length > 0 ? { columns: placed } : {}) };
}
