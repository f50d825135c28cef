import { silent } from '../calc/calc';
import type { DesignCode } from '../codes/design-code';
import { catalogues, type Bar, type CatalogueId } from '../materials/bars';
import type { Check } from '../members/check';
import { outlineOf, supportName, supportPositions, type BeamInput } from '../members/beam/input';
import type { BeamResult } from '../members/beam/result';
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

/** The bars of a beam as they are to be cut and bent. Bottom bars of neighbouring spans lap over the support between them. */
export function barSchedule(beam: BeamInput, code: DesignCode, result: BeamResult, bends: BendSetting = 'byCode'): BarSchedule {
  const hasBars = result.steel && beam.mode !== 'forces';
  const drafts = hasBars
    ? [...bottomBars(beam, code, result), ...topBars(beam, result), ...sideBars(beam, result), ...links(beam, code, result)]
    : [];
  return scheduleOf(drafts, beam.catalogue, code, bends);
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

const isBentAt = (checks: readonly Check[], id: string) => checks.some((c) => c.id === id && c.warnings.length > 0);

/** How far bars run beyond the centre of an end support, and over an inner support to lap. */
function endReach(beam: BeamInput, support: number, lap: number): number {
  const s = beam.supports[support]!;
  if (support > 0 && support < beam.spans.length) return lap / 2;
  return s.type === 'free' ? -beam.cover.side : Math.max(0, s.width / 2 - beam.cover.side);
}

function bottomBars(beam: BeamInput, code: DesignCode, { steel, checks }: BeamResult): Draft[] {
  const catalogue = catalogues[beam.catalogue];
  return beam.spans.flatMap((span, i): Draft[] => {
    const { main, extra } = steel!.bottom[i]!;
    const bar = barOf(main, catalogue);
    const { h } = outlineOf(beam, i);
    const lap = code.anchorage.lap(
      silent,
      {
        materials: beam.materials,
        diameter: bar.diameter,
        isTop: false,
        h,
        cover: beam.cover.bottom,
        clear: 2 * bar.diameter,
        isBent: false,
      },
      1,
    );
    const bent = [i, i + 1].filter((s) => (s === 0 || s === beam.spans.length) && isBentAt(checks, `anchorage-${supportName(s)}`)).length;
    const leg = h - beam.cover.top - beam.cover.bottom;
    const A = span.length + endReach(beam, i, lap) + endReach(beam, i + 1, lap);
    const shape: BarShape = bent === 2 ? 'U' : bent === 1 ? 'L' : 'straight';
    const dimensions = bent === 2 ? [leg, A, leg] : bent === 1 ? [A, leg] : [A];
    return [
      { place: `bottom, span ${i + 1}`, size: main.size, count: main.count, shape, dimensions },
      ...(extra && extra.bars.count > 0
        ? [
            {
              place: `bottom extra, span ${i + 1}`,
              size: extra.bars.size,
              count: extra.bars.count,
              shape: 'straight' as const,
              dimensions: [extra.to - extra.from],
            },
          ]
        : []),
    ];
  });
}

function topBars(beam: BeamInput, { steel, checks }: BeamResult): Draft[] {
  const starts = supportPositions(beam);
  const end = starts.at(-1)!;
  const hangers = beam.spans.map((span, i): Draft => {
    const { main } = steel!.top[i]!;
    return { place: `top, span ${i + 1}`, size: main.size, count: main.count, shape: 'straight', dimensions: [span.length] };
  });
  const runs = steel!.support.flatMap((run, j): Draft[] => {
    if (!run) return [];
    const beyond = (run.from <= 1 ? endReach(beam, 0, 0) : 0) + (run.to >= end - 1 ? endReach(beam, beam.spans.length, 0) : 0);
    const A = run.to - run.from + beyond;
    const isBent = isBentAt(checks, `anchorage-top-${supportName(j)}`);
    const { h } = outlineOf(beam, Math.min(j, beam.spans.length - 1));
    return [
      {
        place: `top, support ${supportName(j)}`,
        size: run.bars.size,
        count: run.bars.count,
        shape: isBent ? 'L' : 'straight',
        dimensions: isBent ? [A, h - beam.cover.top - beam.cover.bottom] : [A],
      },
    ];
  });
  return [...hangers, ...runs];
}

function sideBars(beam: BeamInput, { steel }: BeamResult): Draft[] {
  const { side } = steel!;
  if (!side || side.count === 0) return [];
  return beam.spans.map((span, i) => ({
    place: `sides, span ${i + 1}`,
    size: side.size,
    count: 2 * side.count,
    shape: 'straight' as const,
    dimensions: [span.length],
  }));
}

/** Closed links; more than two legs as links one inside the other, over neighbouring bars. */
function links(beam: BeamInput, code: DesignCode, { steel }: BeamResult): Draft[] {
  const catalogue = catalogues[beam.catalogue];
  return steel!.links.flatMap((zones, span) => {
    let from = 0;
    return zones.flatMap((zone): Draft[] => {
      const bar = barOf({ count: 1, size: zone.size }, catalogue);
      const { b, h } = outlineOf(beam, span);
      const count = Math.ceil((zone.to - from) / zone.spacing) + (from === 0 ? 1 : 0);
      from = zone.to;
      const hook = code.anchorage.bend(bar.diameter, true).straight135 + 3 * bar.diameter;
      const height = h - beam.cover.top - beam.cover.bottom;
      const width = b - 2 * beam.cover.side;
      const inner = Math.max(0, Math.floor(zone.legs / 2) - 1);
      const draft = (wide: number, n: number, what: string): Draft => ({
        place: `${what}, span ${span + 1}`,
        size: zone.size,
        count: n,
        shape: 'link',
        dimensions: [height, wide, hook],
      });
      return [
        draft(width, count, code.linkWord),
        ...(inner > 0 ? [draft(width / (inner + 1), count * inner, `inner ${code.linkWord}`)] : []),
      ];
    });
  });
}
