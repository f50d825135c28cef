import type { Point } from '../../geometry/polygon';
import type { PlateInput } from './input';

/** Where something on the plan comes to rest, and what it is in line with (guides to draw: from there to the place). */
export interface Rest {
  readonly at: Point;
  readonly guides: readonly Point[];
  /** What it came to rest on, in words; empty for the grid. */
  readonly on: string;
}

interface Mark {
  readonly at: Point;
  readonly name: string;
}

/** Places that things are drawn from: corners, middles of columns, corners of openings, ends of walls and beams. */
function marksOf({ outline, columns, openings, walls, beams }: PlateInput): Mark[] {
  const ends = (what: string, list: readonly { x1: number; y1: number; x2: number; y2: number }[]): Mark[] =>
    list.flatMap(({ x1, y1, x2, y2 }, i) => [
      { at: [x1, y1], name: `${what} ${i + 1}` },
      { at: [x2, y2], name: `${what} ${i + 1}` },
    ]);
  return [
    ...columns.map((c, i): Mark => ({ at: [c.x, c.y], name: `column ${c.name || i + 1}` })),
    ...outline.map((c, i): Mark => ({ at: [c.x, c.y], name: `corner ${i + 1}` })),
    ...openings.flatMap(({ corners }, i) => corners.map((at): Mark => ({ at, name: `opening ${i + 1}` }))),
    ...ends('wall', walls),
    ...ends('beam', beams),
  ];
}

/**
 * A place near the pointer to come to rest at: on a mark of the plan within `reach` (mm), else along x and along y each in line with a mark within reach,
 * else on multiples of `step` (mm). Marks at `but`, where the moved thing stands itself, do not count.
 */
export function restOnPlan(
  plate: PlateInput,
  at: Point,
  { step, reach }: { readonly step: number; readonly reach: number },
  but: readonly Point[] = [],
): Rest {
  const marks = marksOf(plate).filter((m) => but.every(([x, y]) => Math.hypot(m.at[0] - x, m.at[1] - y) > 1));
  const on = nearest(marks, (m) => Math.hypot(m.at[0] - at[0], m.at[1] - at[1]), reach);
  if (on) return { at: on.at, guides: [], on: `at ${on.name}` };
  const [inX, inY] = ([0, 1] as const).map((k) => nearest(marks, (m) => Math.abs(m.at[k] - at[k]), reach));
  const grid = (v: number) => Math.round(v / step) * step;
  const found = [inX, inY].filter((m) => m !== undefined);
  return {
    at: [inX ? inX.at[0] : grid(at[0]), inY ? inY.at[1] : grid(at[1])],
    guides: found.map((m) => m.at),
    on: found.length > 0 ? `in line with ${[...new Set(found.map((m) => m.name))].join(' and ')}` : '',
  };
}

function nearest(marks: readonly Mark[], far: (mark: Mark) => number, reach: number): Mark | undefined {
  const best = marks.reduce<Mark | undefined>((a, b) => (!a || far(b) < far(a) ? b : a), undefined);
  return best && far(best) <= reach ? best : undefined;
}
