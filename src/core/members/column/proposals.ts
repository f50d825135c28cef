import { isUnproven } from '../../checks/check';
import type { DesignCode } from '../../codes/design-code';
import type { SectionShape } from '../../geometry/section-shapes';
import { catalogues, findBar } from '../../materials/bars';
import { designColumn } from './design-column';
import { axialAt, type ColumnInput } from './input';
import type { ColumnResult } from './result';
import { areaOfShape, leastShapes, type SizeSearch } from './least-shapes';
import { suitableTies } from './suitable-ties';
import { leastClear, type ColumnBars } from '../../reinforcement/column-bars';
import { usualSizes } from '../../reinforcement/usual-sizes';
import { usualRates, weigh, type ProjectRates } from '../../advice/rates';
import type { Change } from '../../advice/single-changes';

/** What a proposal changes of a column. */
export type ColumnChange = Pick<ColumnInput, 'shape' | 'bars' | 'ties'>;

/** Bars for a column, or a size with its bars; designed in full for its load sets, and it holds. */
export interface ColumnProposal extends Omit<Change<ColumnChange>, 'title' | 'about' | 'holds'> {
  readonly steelRatio: number;
  readonly barCount: number;
}

export type Search = 'bars' | SizeSearch;

const MOST_SETS = 60;

/** The sets that may govern another layout: the worst today, and the ends of the range of axial force and moments. */
export function decisiveSets<M extends Pick<ColumnInput, 'mode' | 'sets' | 'selfWeight'>>(column: M, result: ColumnResult): M {
  const worst = [...result.summaries].sort((a, b) => (b.utilisation ?? 99) - (a.utilisation ?? 99)).slice(0, MOST_SETS);
  const keep = new Set(worst.map((s) => s.index));
  const extremes = [(i: number) => axialAt(result.sets[i]!, 'foot'), (i: number) => -axialAt(result.sets[i]!, 'foot')];
  for (const by of extremes) {
    const top = result.summaries.reduce((a, b) => (by(b.index) > by(a.index) ? b : a));
    keep.add(top.index);
  }
  // As typed, so that each trial adds its own weight; combined sets have that of the present size in them.
  const isTyped = column.mode === 'sets';
  const sets = (isTyped ? column.sets : result.sets).filter((s, i) => s.kind !== 'ultimate' || keep.has(i));
  return { ...column, mode: 'sets', sets, selfWeight: isTyped && column.selfWeight };
}

/** Layouts of usual bars for a shape, from the least steel up. */
export function layoutsFor(column: ColumnInput, shape: SectionShape): ColumnBars[] {
  const usual = usualSizes[column.catalogue];
  const catalogue = catalogues[column.catalogue];
  const sizes = [...new Set([...usual.main, usual.main[usual.main.length - 1]!])].filter(
    (s) => (findBar(catalogue, s)?.diameter ?? 0) > 11,
  );
  if (shape.kind === 'circle' || shape.kind === 'ring')
    return sizes.flatMap((size) => [6, 8, 10, 12, 14, 16].map((count): ColumnBars => ({ kind: 'ring', count, size })));
  if (shape.kind === 'rectangle') {
    const counts = [0, 1, 2, 3, 4];
    return sizes.flatMap((size) =>
      counts.flatMap((alongX) =>
        counts.map((alongY): ColumnBars => ({ kind: 'sides', corner: size, alongX, sizeX: size, alongY, sizeY: size })),
      ),
    );
  }
  return sizes.flatMap((size) => [150, 200, 250, 300].map((spacing): ColumnBars => ({ kind: 'outline', size, spacing })));
}

function areaOf(column: ColumnInput, bars: ColumnBars): number {
  const bar = (size: string) => findBar(catalogues[column.catalogue], size)?.area ?? 0;
  if (bars.kind === 'sides') return 4 * bar(bars.corner) + 2 * bars.alongX * bar(bars.sizeX) + 2 * bars.alongY * bar(bars.sizeY);
  return bars.kind === 'ring' ? bars.count * bar(bars.size) : 0;
}

/**
 * Designs a column with other bars, and perhaps another shape. Its ties stay where they suit; cross ties set by hand give way where the bars
 * do not hold with them. Undefined where it does not fit or does not hold.
 */
function tryOut(column: ColumnInput, code: DesignCode, shape: SectionShape, bars: ColumnBars, now: Base): ColumnProposal | undefined {
  const ties = suitableTies(column, code, shape, bars);
  const kept = tryWith(column, code, { shape, bars, ties }, now);
  return kept || ties.cross === null ? kept : tryWith(column, code, { shape, bars, ties: { ...ties, cross: null } }, now);
}

function tryWith(column: ColumnInput, code: DesignCode, change: ColumnChange, now: Base): ColumnProposal | undefined {
  const result = designColumn({ ...column, ...change }, code, { derive: [], units: 'SI' });
  const g = result.governing;
  const fails = result.faults.length > 0 || result.checks.some(isUnproven);
  if (fails || !g || g.utilisation === null || !result.quantities) return undefined;
  const strength = Math.max(...result.checks.filter((c) => c.family === 'bending').map((c) => c.utilisation ?? 0));
  return {
    change,
    utilisation: strength,
    governs: g.title,
    steelRatio: result.steelRatio,
    barCount: result.bars.length,
    cost: weigh(result.quantities, column.materials.concreteStrength, now.rates.cost) / now.cost,
    carbon: weigh(result.quantities, column.materials.concreteStrength, now.rates.carbon) / now.carbon,
    buildability: buildability(result, column, code),
  };
}

interface Base {
  readonly cost: number;
  readonly carbon: number;
  readonly rates: ProjectRates;
}

/** How easily bars are placed: half by the gap against twice the least, a quarter by the steel against 4 %, a quarter by cross ties and bars. */
export function buildability(result: ColumnResult, column: ColumnInput, code: DesignCode): number {
  const gap = leastClear(result.bars);
  const needed = code.column.clearSpacing(result.bars[0]!.diameter, column.materials.aggregateSize).value;
  const sizes = new Set(result.bars.map((b) => b.size)).size;
  const cross = result.checks.find((c) => c.id === 'bars-held')?.demand?.value ?? 0;
  const room = Math.min(1, gap.clear / (3 * needed));
  const steel = Math.max(0, 1 - result.steelRatio / 0.04);
  const pieces = Math.max(0, 1 - (cross * 2 + Math.max(0, result.bars.length - 8) + 2 * (sizes - 1)) / 16);
  return 0.5 * room + 0.25 * steel + 0.25 * pieces;
}

/** Few of the many that hold: cheap and easy to build, and not one like another. */
function rank(found: readonly ColumnProposal[], most: number): ColumnProposal[] {
  const score = (p: ColumnProposal) => p.cost + 0.35 * (1 - p.buildability) + 0.15 * p.carbon;
  const seen = new Set<string>();
  const isNew = (p: ColumnProposal) => {
    const key = `${p.barCount} ${JSON.stringify('size' in p.change.bars ? p.change.bars.size : p.change.bars)}`;
    return !seen.has(key) && seen.add(key);
  };
  return [...found]
    .sort((a, b) => score(a) - score(b))
    .filter(isNew)
    .slice(0, most);
}

/** Bars for the outline as it is, or the least size with bars, ranked; each has been designed in full. */
export function proposeColumn(
  column: ColumnInput,
  code: DesignCode,
  search: Search,
  rates: ProjectRates = usualRates,
  most = 5,
): ColumnProposal[] {
  const result = designColumn(column, code, { derive: [], units: 'SI' });
  if (result.faults.length > 0 || result.summaries.length === 0 || !result.quantities) return [];
  const now: Base = {
    cost: weigh(result.quantities, column.materials.concreteStrength, rates.cost),
    carbon: weigh(result.quantities, column.materials.concreteStrength, rates.carbon),
    rates,
  };
  const trimmed = decisiveSets(column, result);
  const gross = result.quantities.concrete / column.height;
  if (search === 'bars') {
    const layouts = layoutsFor(column, column.shape)
      .map((bars) => ({ bars, area: areaOf(column, bars) }))
      .filter(({ area }) => area === 0 || (area > 0.002 * gross && area <= column.steelLimit * gross))
      .sort((a, b) => a.area - b.area);
    const found: ColumnProposal[] = [];
    let least = Infinity;
    for (const { bars, area } of layouts) {
      // Layouts with much more steel than one that holds are not looked at.
      if (area > 1.5 * least) break;
      const p = tryOut(trimmed, code, column.shape, bars, now);
      if (!p) continue;
      found.push(p);
      if (area > 0) least = Math.min(least, area);
    }
    return rank(found, most);
  }
  const holds = (shape: SectionShape) => {
    const layouts = layoutsWithin(trimmed, shape);
    // When even the most steel does not hold, the size is too small. The very fullest layout may be too crowded.
    return [layouts.at(-1), layouts.at(-3)].some((l) => l && tryOut(trimmed, code, shape, l.bars, now));
  };
  return leastShapes(column, search, holds, most).flatMap(
    (shape) => firstThatHolds(layoutsWithin(trimmed, shape), (bars) => tryOut(trimmed, code, shape, bars, now)) ?? [],
  );
}

/** Layouts for a shape between the least steel to speak of and the office's most, by their steel. */
function layoutsWithin(column: ColumnInput, shape: SectionShape) {
  const area = areaOfShape(shape);
  return layoutsFor(column, shape)
    .map((bars) => ({ bars, steel: areaOf(column, bars) }))
    .filter(({ steel }) => steel > 0.004 * area && steel <= column.steelLimit * area)
    .sort((a, b) => a.steel - b.steel);
}

/** The layout of least steel that holds, by halving the range first and then stepping. */
function firstThatHolds(
  layouts: readonly { bars: ColumnBars }[],
  attempt: (bars: ColumnBars) => ColumnProposal | undefined,
): ColumnProposal | undefined {
  let [low, high] = [0, layouts.length - 1];
  while (high - low > 6) {
    const middle = (low + high) >> 1;
    if (attempt(layouts[middle]!.bars) || attempt(layouts[middle + 1]!.bars)) high = middle + 1;
    else low = middle;
  }
  for (let i = low; i < layouts.length && i <= high + 2; i += 1) {
    const p = attempt(layouts[i]!.bars);
    if (p) return p;
  }
  return undefined;
}
