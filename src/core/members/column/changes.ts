import { silent } from '../../calc/calc';
import { isBeyond } from '../../checks/check';
import type { DesignCode } from '../../codes/design-code';
import type { SectionShape } from '../../geometry/section-shapes';
import { catalogues, findBar, type CatalogueId } from '../../materials/bars';
import { designColumn } from './design-column';
import type { ColumnInput } from './input';
import type { ColumnBars } from '../../reinforcement/column-bars';
import { usualSizes } from '../../reinforcement/usual-sizes';
import { buildability, decisiveSets, leastSide, tiesFor } from './proposals';
import { usualRates, type ProjectRates } from '../../advice/rates';
import { fromTo, lengthTitle, otherConcretes, rankChanges, tryChanges, type Candidate, type Change } from '../../advice/single-changes';

export type ColumnStep = Change<Partial<ColumnInput>>;

/** The next usual size of bar, thicker or thinner; undefined at the end of the list. */
export function nextSize(size: string, catalogue: CatalogueId, by: 1 | -1): string | undefined {
  const { main } = usualSizes[catalogue];
  const diameter = (s: string) => findBar(catalogues[catalogue], s)?.diameter ?? 0;
  const others = main.filter((s) => by * (diameter(s) - diameter(size)) > 0.01);
  return by > 0 ? others[0] : others.at(-1);
}

/** All bars one size thicker or thinner; undefined where a size has no neighbour. */
function resized(bars: ColumnBars, catalogue: CatalogueId, by: 1 | -1): ColumnBars | undefined {
  const next = (size: string) => nextSize(size, catalogue, by);
  if (bars.kind === 'sides') {
    const [corner, sizeX, sizeY] = [next(bars.corner), next(bars.sizeX), next(bars.sizeY)];
    return corner && sizeX && sizeY ? { ...bars, corner, sizeX, sizeY } : undefined;
  }
  if (bars.kind === 'list') {
    const list = bars.bars.flatMap((b) => next(b.size) ?? []);
    return list.length === bars.bars.length ? { ...bars, bars: bars.bars.map((b, i) => ({ ...b, size: list[i]! })) } : undefined;
  }
  const size = next(bars.size);
  return size ? { ...bars, size } : undefined;
}

const sizesOf = (bars: ColumnBars): string[] => [
  ...new Set(
    bars.kind === 'sides' ? [bars.corner, bars.sizeX, bars.sizeY] : bars.kind === 'list' ? bars.bars.map((b) => b.size) : [bars.size],
  ),
];

/** More bars of the same size, or fewer. */
function otherNumbers(bars: ColumnBars): Candidate<ColumnBars>[] {
  if (bars.kind === 'ring')
    return [2, -2]
      .map((by) => bars.count + by)
      .filter((count) => count >= 6)
      .map((count) => ({ title: `${count} bars in the ring`, change: { ...bars, count } }));
  if (bars.kind === 'outline')
    return [-50, 50]
      .map((by) => bars.spacing + by)
      .filter((spacing) => spacing >= 100)
      .map((spacing) => ({ title: `bars ${spacing < bars.spacing ? 'closer' : 'wider apart'}`, change: { ...bars, spacing } }));
  if (bars.kind === 'list') return [];
  return (['alongX', 'alongY'] as const).flatMap((key) =>
    ([1, -1] as const)
      .filter((by) => bars[key] + by >= 0)
      .map((by) => ({
        title: `${by > 0 ? 'a bar more' : 'a bar less'} along ${key === 'alongX' ? 'x' : 'y'}`,
        change: { ...bars, [key]: bars[key] + by },
      })),
  );
}

/** Each outer size of the section a step larger or smaller. A free outline is the engineer's to draw. */
function otherShapes(shape: SectionShape, catalogue: CatalogueId): Candidate<SectionShape>[] {
  if (shape.kind === 'free') return [];
  const step = catalogue === 'us' ? 50.8 : 50;
  const sizes: Record<string, number> =
    shape.kind === 'circle' || shape.kind === 'ring' ? { diameter: shape.diameter } : { b: shape.b, h: shape.h };
  return Object.entries(sizes).flatMap(([key, now]) =>
    [step, 2 * step, -step]
      .map((by) => now + by)
      .filter((value) => value >= 200)
      .map((value) => ({
        title: fromTo(key === 'diameter' ? 'ø' : key, now, value, catalogue),
        change: { ...shape, [key]: value } as SectionShape,
      })),
  );
}

/** The ties as they are where the code allows them for these bars and this section, else the least that it allows. */
function suitableTies(column: ColumnInput, code: DesignCode, shape: SectionShape, bars: ColumnBars): ColumnInput['ties'] {
  const diameters = sizesOf(bars).map((s) => findBar(catalogues[column.catalogue], s)?.diameter ?? 0);
  const { ties } = column;
  const tie = findBar(catalogues[column.catalogue], ties.size)?.diameter ?? 0;
  const rules = code.column.ties(silent, {
    largestBar: Math.max(...diameters),
    smallestBar: Math.min(...diameters),
    tie,
    leastDimension: leastSide(shape),
    largestDimension: leastSide(shape),
    aggregate: column.materials.aggregateSize,
    isSpiral: column.transverse === 'spiral',
  });
  const fits = (spacing: number, limit: number) => !isBeyond(spacing, limit);
  const holds =
    tie >= rules.leastDiameter.value - 1e-6 &&
    fits(ties.spacing, rules.spacing.value) &&
    (rules.nearEnds === 0 || ties.spacingEnds === null || fits(ties.spacingEnds, rules.spacingNearEnds.value));
  return holds ? ties : { ...tiesFor(column, code, Math.max(...diameters), leastSide(shape)), cross: ties.cross };
}

function candidates(column: ColumnInput, code: DesignCode): Candidate<Partial<ColumnInput>>[] {
  const { shape, bars, catalogue, materials } = column;
  const withTies = (change: { shape?: SectionShape; bars?: ColumnBars }) => ({
    ...change,
    ties: suitableTies(column, code, change.shape ?? shape, change.bars ?? bars),
  });
  const sizes = ([1, -1] as const).flatMap((by) => {
    const other = resized(bars, catalogue, by);
    return other ? [{ title: `bars ${sizesOf(bars).join(', ')} → ${sizesOf(other).join(', ')}`, change: withTies({ bars: other }) }] : [];
  });
  const least = suitableTies({ ...column, ties: { ...column.ties, spacing: Infinity } }, code, shape, bars);
  const isOther = least.size !== column.ties.size || Math.abs(least.spacing - column.ties.spacing) > 1;
  return [
    ...sizes,
    ...otherNumbers(bars).map(({ title, change }) => ({ title, change: withTies({ bars: change }) })),
    ...otherShapes(shape, catalogue).map(({ title, change }) => ({ title, change: withTies({ shape: change }) })),
    ...otherConcretes(materials, catalogue, code).map(({ title, change }) => ({
      title,
      change: { materials: { ...materials, concreteStrength: change } },
    })),
    ...(isOther ? [{ title: `ties ${least.size} @ ${lengthTitle(least.spacing, catalogue)}`, change: { ties: least } }] : []),
  ];
}

/** Single changes of a column, each designed in full for the sets that may govern, those that hold first; none that changes nothing. Empty with faults. */
export function proposeColumnSteps(column: ColumnInput, code: DesignCode, rates: ProjectRates = usualRates, most = 10): ColumnStep[] {
  const design = (c: ColumnInput) => designColumn(c, code, { derive: [], units: 'SI' });
  const result = design(column);
  if (result.faults.length > 0 || result.summaries.length === 0) return [];
  return rankChanges(
    tryChanges(
      {
        now: decisiveSets(column, result),
        rates,
        design,
        applied: (c, change: Partial<ColumnInput>) => ({ ...c, ...change }),
        strength: (c) => c.materials.concreteStrength,
        buildability: (r, c) => buildability(r, c, code),
      },
      candidates(column, code),
    ),
  )
    .filter((p) => p.cost !== 1 || p.carbon !== 1)
    .slice(0, most);
}
