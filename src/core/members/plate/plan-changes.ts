import { boundsOf, type Point } from '../../geometry/polygon';
import { axesOf } from './bar-axes';
import type { PlateInput } from './input';
import { sorts, type ChosenParts, type Hold, type Lists, type PlanPart } from './plan-parts';
import { farthestOf } from './radial-layout';
import { restOnPlan, type Rest } from './snap';

export const partTitle = (of: PlanPart): string => sorts[of].many;
export const partName = (of: PlanPart): string => sorts[of].one;
export const laidBy = (of: PlanPart): 'place' | 'line' | 'rectangle' => sorts[of].laidBy;

/** What is held, in words: "opening 1, corner 3". */
export function holdTitle({ part: of, index, end }: Hold, plate: PlateInput, chosen: ChosenParts): string {
  const { one, laidBy: way, nameOf, list } = sorts[of];
  const item = list(plate, chosen)[index];
  const name = `${one} ${(item && nameOf?.(item)) || index + 1}`;
  if (way === 'place' || end === 'whole') return name;
  return `${name}, ${way === 'line' ? 'end' : 'corner'} ${end + 1}`;
}

/** The points by which all parts of a sort are held, where they are. */
export function holdsOf(of: PlanPart, plate: PlateInput, chosen: ChosenParts): readonly (Hold & { readonly at: Point })[] {
  const { list, isOne, points, laidBy: way } = sorts[of];
  return list(plate, chosen).flatMap((item, index) => {
    if (isOne && !isOne(item, chosen)) return [];
    const all = points(item, plate);
    const { left, right, bottom, top } = boundsOf(all);
    const whole = { part: of, index, end: 'whole', at: [(left + right) / 2, (bottom + top) / 2] } as const;
    return [...all.map((at, end) => ({ part: of, index, end, at })), ...(way === 'place' ? [] : [whole])];
  });
}

/** The item that is held, with its point at another place, and the points of it then. */
function shiftedItem({ part: of, index, end }: Hold, to: Point, plate: PlateInput, chosen: ChosenParts) {
  const { list, points, moved } = sorts[of];
  const item = list(plate, chosen)[index];
  if (item === undefined) return undefined;
  if (end !== 'whole') return moved(item, end, to, plate);
  const all = points(item, plate);
  const { left, right, bottom, top } = boundsOf(all);
  const [dx, dy] = [to[0] - (left + right) / 2, to[1] - (bottom + top) / 2];
  return all.reduce<unknown>((next, [x, y], k) => moved(next, k, [x + dx, y + dy], plate), item);
}

/** The outline on the plan of what is held, were its point at another place. */
export function pointsMoved(hold: Hold, to: Point, plate: PlateInput, chosen: ChosenParts): readonly Point[] {
  const item = shiftedItem(hold, to, plate, chosen);
  return item === undefined ? [] : sorts[hold.part].points(item, plate);
}

/** What changes of a slab when a point of a part is moved; bars and lines that were chosen are all set then. */
export function movedOnPlan(hold: Hold, to: Point, plate: PlateInput, chosen: ChosenParts): Partial<PlateInput> {
  const { list, put } = sorts[hold.part];
  const item = shiftedItem(hold, to, plate, chosen);
  if (item === undefined) return {};
  return withLists(plate, put(list(plate, chosen).map((old, i) => (i === hold.index ? item : old))));
}

/** What changes of a slab when a part is laid on it, between two places or at the second of them. */
export function laidOnPlan(of: PlanPart, from: Point, to: Point, plate: PlateInput, chosen: ChosenParts): Partial<PlateInput> {
  const { list, put, fresh, goes } = sorts[of];
  const all = list(plate, chosen);
  const at = goes?.(all, to) ?? all.length;
  return withLists(plate, put([...all.slice(0, at), fresh(plate, from, to, chosen), ...all.slice(at)]));
}

/** The points on the plan of a part that is being laid. */
export const pointsLaid = (of: PlanPart, from: Point, to: Point, plate: PlateInput, chosen: ChosenParts): readonly Point[] =>
  sorts[of].points(sorts[of].fresh(plate, from, to, chosen), plate);

/** What changes of a slab when a part is taken away; nothing where the slab needs it. */
export function takenOffPlan({ part: of, index }: Hold, plate: PlateInput, chosen: ChosenParts): Partial<PlateInput> {
  const { list, put, least } = sorts[of];
  const all = list(plate, chosen);
  if (all.length <= (least ?? 0)) return {};
  return withLists(plate, put(all.filter((_, i) => i !== index)));
}

/** Bars over parts are one of the lists of bars. */
const withLists = ({ bars }: PlateInput, { bars: extra, ...lists }: Lists): Partial<PlateInput> =>
  extra ? { ...lists, bars: { ...bars, ...extra } } : lists;

/** Where the point that is held comes to rest; what is moved as a whole rests by its first point. What is held is not in line with itself. */
export function restOf(
  hold: Hold,
  to: Point,
  plate: PlateInput,
  chosen: ChosenParts,
  by: { readonly step: number; readonly reach: number },
): Rest {
  const { list, points } = sorts[hold.part];
  const item = list(plate, chosen)[hold.index];
  const now = item === undefined ? [] : points(item, plate);
  if (hold.end !== 'whole') return restOnPlan(plate, to, by, now.slice(hold.end, hold.end + 1));
  const then = pointsMoved(hold, to, plate, chosen)[0] ?? to;
  const rest = restOnPlan(plate, then, by, now);
  return { ...rest, at: [to[0] + rest.at[0] - then[0], to[1] + rest.at[1] - then[1]] };
}

/** Of bars that run round a quarter of a turn, over the outer half of what lies beyond the mesh at the middle. */
function usualBars(plate: PlateInput): readonly [Point, Point] | undefined {
  const { ring, pointAt } = axesOf(plate);
  const far = ring ? farthestOf(plate) : 0;
  return ring && far > ring.inner ? [pointAt([(ring.inner + far) / 2, 0]), pointAt([far, Math.PI / 2])] : undefined;
}

/** Where a part is laid when no place is said. */
function usualPlace(of: PlanPart, plate: PlateInput): readonly [Point, Point] {
  const { outline: given, columns } = plate;
  const outline = given.length > 0 ? given : [{ x: 0, y: 0 }];
  const { left, right, bottom, top } = boundsOf(outline.map(({ x, y }): Point => [x, y]));
  const [x, y] = [(left + right) / 2, (bottom + top) / 2];
  const about = (at: Point, half: number) =>
    [
      [at[0] - half, at[1] - half],
      [at[0] + half, at[1] + half],
    ] as const;
  const [first, second] = columns.map((c): Point => [c.x, c.y]);
  switch (of) {
    case 'corners': {
      const [a, b] = [outline.at(-1)!, outline[0]!];
      const middle: Point = [(a.x + b.x) / 2, (a.y + b.y) / 2];
      return [middle, middle];
    }
    case 'columns': {
      const isFree = (shift: number) => columns.every((c) => Math.hypot(c.x - x - shift, c.y - y) > 1000);
      const at: Point = [x + (Array.from({ length: 40 }, (_, k) => 1000 * k).find(isFree) ?? 0), y];
      return [at, at];
    }
    case 'walls':
      return [
        [x, bottom],
        [x, top],
      ];
    case 'beams':
      return first && second
        ? [first, second]
        : [
            [left, y],
            [right, y],
          ];
    case 'lines':
    case 'lineLoads':
      return [
        [left, y],
        [right, y],
      ];
    case 'depths':
      return about(first ?? [left, bottom], 1000);
    case 'openings':
      return about([x, y], Math.min(right - left, top - bottom) / 10);
    case 'bars':
      return usualBars(plate) ?? about([x, y], 1000);
    case 'areaLoads':
      return about([x, y], 1000);
    case 'pointLoads':
      return [
        [x, y],
        [x, y],
      ];
  }
}

/** What changes of a slab when a part is laid where such parts usually go. */
export const addedToPlan = (of: PlanPart, plate: PlateInput, chosen: ChosenParts): Partial<PlateInput> =>
  laidOnPlan(of, ...usualPlace(of, plate), plate, chosen);
