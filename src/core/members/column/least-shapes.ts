import type { SectionShape } from '../../geometry/section-shapes';
import type { ColumnInput } from './input';

/** Sizes that are looked for. */
export type SizeSearch = 'square' | 'rectangle' | 'circle';

/** Largest side or diameter that is looked at (mm). */
const MOST = 3000;
const LEAST = 200;

/** Shapes that grow with a whole number. */
type Family = (k: number) => SectionShape;
type Rectangle = SectionShape & { kind: 'rectangle' };

const rectangle = (b: number, h: number): Rectangle => ({ kind: 'rectangle', b, h });

export function areaOfShape(s: SectionShape): number {
  if (s.kind === 'circle') return (Math.PI * s.diameter ** 2) / 4;
  return s.kind === 'rectangle' ? s.b * s.h : 0;
}

/** The smallest shapes of a search for which a column holds, least area first; of a square or a circle the next sizes follow. */
export function leastShapes(
  column: ColumnInput,
  search: SizeSearch,
  holds: (shape: SectionShape) => boolean,
  most: number,
): SectionShape[] {
  const step = column.catalogue === 'us' ? 50.8 : 25;
  if (search !== 'rectangle') {
    const family: Family = (k) => (search === 'circle' ? { kind: 'circle', diameter: k * step } : rectangle(k * step, k * step));
    const first = leastOf(family, Math.ceil(LEAST / step), Math.floor(MOST / step), holds);
    if (first === undefined) return [];
    const next = Array.from({ length: most }, (_, i) => family(first + i));
    return next.filter((shape, i) => i === 0 || holds(shape));
  }
  return leastRectangles(column, holds).slice(0, most);
}

/** Sides of rectangles go in these steps (mm); how much longer one side is than the other, in steps. */
const longerBy = [1, 2, 4, 6];

/**
 * Rectangles that keep a present side, as walls beside a column often want; and those of every width, one side longer by a few steps, each made
 * narrower and shallower as far as it holds.
 */
function leastRectangles({ shape: now, catalogue }: ColumnInput, holds: (shape: SectionShape) => boolean): SectionShape[] {
  const step = catalogue === 'us' ? 50.8 : 50;
  const kept: Family[] = now.kind === 'rectangle' ? [(k) => rectangle(now.b, k * step), (k) => rectangle(k * step, now.h)] : [];
  const free = longerBy.flatMap((d): Family[] => [(k) => rectangle(k * step, (k + d) * step), (k) => rectangle((k + d) * step, k * step)]);
  const [from, to] = [Math.ceil(LEAST / step), Math.floor(MOST / step)];
  const least = (family: Family) => {
    const k = leastOf(family, from, to, holds);
    return k === undefined ? [] : [family(k) as Rectangle];
  };
  const all = [...kept.flatMap(least), ...free.flatMap(least).map((r) => trimmed(r, step, holds))];
  const unlike = new Map(all.map((r) => [`${r.b} ${r.h}`, r]));
  return [...unlike.values()].sort((a, b) => areaOfShape(a) - areaOfShape(b));
}

/** A rectangle with each side as short as the other allows. */
function trimmed(r: Rectangle, step: number, holds: (shape: SectionShape) => boolean): Rectangle {
  for (const shorter of [rectangle(r.b - step, r.h), rectangle(r.b, r.h - step)])
    if (Math.min(shorter.b, shorter.h) >= LEAST && shorter.b !== shorter.h && holds(shorter)) return trimmed(shorter, step, holds);
  return r;
}

/** The first member of a family that holds: doubled until one does, then halved between. Undefined where none does. */
function leastOf(family: Family, from: number, to: number, holds: (shape: SectionShape) => boolean): number | undefined {
  let [low, high] = [from - 1, from];
  while (!holds(family(high))) {
    if (high >= to) return undefined;
    [low, high] = [high, Math.min(to, 2 * high)];
  }
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (holds(family(middle))) high = middle;
    else low = middle;
  }
  return high;
}
