import type { DesignCode } from '../codes/design-code';
import { catalogues, type Bar, type CatalogueId } from '../materials/bars';
import { barOf } from '../reinforcement/bar-groups';
import { bendPractice, type BarShape, type BendSetting } from './bend-types';

/** One mark of the schedule: bars that are all alike. Lengths mm, mass kg. */
export interface ScheduleItem {
  readonly mark: string;
  readonly place: string;
  readonly size: string;
  readonly count: number;
  readonly shape: BarShape;
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

const LONGEST = 12_000;

/**
 * Length to be cut for out-to-out dimensions. BS 8666: L = A + B - r/2 - d, U = A + B + C - r - 2d, closed link 2(A + B + C) - 2.5r - 5d with C the
 * hook's leg; other practice adds the outside dimensions and two hooks, without deductions.
 */
export function cuttingLength(shape: BarShape, dims: readonly number[], diameter: number, radius: number, deducts: boolean): number {
  const [A = 0, B = 0, C = 0] = dims;
  const [r, d] = deducts ? [radius, diameter] : [0, 0];
  if (shape === 'L') return A + B - 0.5 * r - d;
  if (shape === 'U') return A + B + C - r - 2 * d;
  if (shape === 'link') return 2 * (A + B + C) - 2.5 * r - 5 * d;
  return A;
}

/** Bars that are alike, before they have a mark. */
export interface Draft {
  readonly place: string;
  readonly size: string;
  readonly count: number;
  readonly shape: BarShape;
  readonly dimensions: readonly number[];
}

/** Bars that are alike get one mark, a shape by the practice of the project, and the length to be cut. */
export function scheduleOf(drafts: readonly Draft[], id: CatalogueId, code: DesignCode, bends: BendSetting): BarSchedule {
  const { codes, letters, deducts, note } = bendPractice(bends, code);
  const catalogue = catalogues[id];
  const step = id === 'us' ? 25.4 : deducts ? 25 : 10;
  const items = merged(drafts).map((d, i): ScheduleItem => {
    const bar = barOf({ count: 1, size: d.size }, catalogue);
    const { mandrel } = code.anchorage.bend(bar.diameter, d.shape === 'link');
    const exact = cuttingLength(d.shape, d.dimensions, bar.diameter, mandrel.value / 2, deducts);
    const length = Math.ceil(exact / step - 1e-6) * step;
    return {
      ...d,
      mark: String(i + 1).padStart(2, '0'),
      shapeCode: codes[d.shape],
      letters: letters[d.shape],
      length,
      mass: d.count * massOf(bar, length),
      isTooLong: length > LONGEST,
    };
  });
  return { items, mass: items.reduce((sum, k) => sum + k.mass, 0), note };
}

const massOf = (bar: Bar, length: number) => bar.massPerLength * length;

/** Equal bars of different places are one mark. */
function merged(list: readonly Draft[]): Draft[] {
  const byKey = new Map<string, Draft>();
  for (const d of list) {
    if (d.count <= 0) continue;
    const key = `${d.size} ${d.shape} ${d.dimensions.map((v) => Math.round(v)).join(' ')}`;
    const known = byKey.get(key);
    byKey.set(key, known ? { ...known, count: known.count + d.count, place: `${known.place}, ${d.place}` } : d);
  }
  return [...byKey.values()];
}
