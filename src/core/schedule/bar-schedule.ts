import type { DesignCode } from '../codes/design-code';
import type { CatalogueId } from '../materials/bars';
import { countOf, dimensionsOf, type BarSet, type BendType } from '../model/bar-set';
import { lengthAlong } from '../model/centre-line';
import { bendPractice, type BendSetting } from './bend-types';
import { STOCK } from './stock';

/** One mark of the schedule: bars that are all alike. Lengths mm, mass kg. */
export interface ScheduleItem {
  readonly mark: string;
  readonly place: string;
  readonly size: string;
  readonly count: number;
  readonly shape: BendType;
  readonly shapeCode: string;
  /** Out-to-out dimensions of the shape, and their letters. */
  readonly dimensions: readonly number[];
  readonly letters: readonly string[];
  /** Length to be cut for one bar, rounded up. */
  readonly length: number;
  readonly mass: number;
  /** Longer than the longest stock: to be lapped on site. */
  readonly isTooLong: boolean;
}

export interface BarSchedule {
  readonly items: readonly ScheduleItem[];
  readonly mass: number;
  /** What the names of shapes mean, and how lengths are measured. */
  readonly note: string;
}

/**
 * Length to be cut for out-to-out dimensions. BS 8666: L = A + B - r/2 - d, U = A + B + C - r - 2d, closed link 2(A + B + C) - 2.5r - 5d with C the
 * hook's leg; other practice adds the outside dimensions and two hooks, without deductions. Undefined for shapes without a rule of their own: they
 * are measured along their centre line.
 */
export function cuttingLength(
  shape: BendType,
  dims: readonly number[],
  diameter: number,
  radius: number,
  deducts: boolean,
): number | undefined {
  const [A = 0, B = 0, C = 0] = dims;
  const [r, d] = deducts ? [radius, diameter] : [0, 0];
  if (shape === 'L') return A + B - 0.5 * r - d;
  if (shape === 'U') return A + B + C - r - 2 * d;
  if (shape === 'link') return 2 * (A + B + C) - 2.5 * r - 5 * d;
  return shape === 'straight' ? A : undefined;
}

/** The bars of a member as they are to be cut and bent, mark by mark: shapes by the practice of the project, and the length to be cut. */
export function scheduleOf(bars: readonly BarSet[], id: CatalogueId, code: DesignCode, bends: BendSetting): BarSchedule {
  const { codes, letters, deducts, note } = bendPractice(bends, code);
  const step = id === 'us' ? 25.4 : deducts ? 25 : 10;
  const items = byMark(bars).map((sets): ScheduleItem => {
    const set = sets[0]!;
    const { bar, bend: shape, mark } = set;
    const dimensions = dimensionsOf(set);
    const { mandrel } = code.anchorage.bend(bar.diameter, set.role !== 'bar');
    const exact = cuttingLength(shape, dimensions, bar.diameter, mandrel.value / 2, deducts) ?? lengthAlong(set.corners);
    const length = Math.ceil(exact / step - 1e-6) * step;
    // A metre of wall need not hold a whole number of bars.
    const count = Number(sets.reduce((sum, s) => sum + (s.share ?? 1) * countOf(s), 0).toFixed(2));
    return {
      mark,
      place: [...new Set(sets.map((s) => s.zone))].join(', '),
      size: bar.name,
      count,
      shape,
      shapeCode: codes[shape],
      dimensions,
      letters: letters[shape],
      length,
      mass: count * bar.massPerLength * length,
      isTooLong: length > STOCK,
    };
  });
  return { items, mass: items.reduce((sum, k) => sum + k.mass, 0), note };
}

function byMark(bars: readonly BarSet[]): BarSet[][] {
  const marks = [...new Set(bars.map((b) => b.mark))];
  return marks.map((mark) => bars.filter((b) => b.mark === mark));
}
