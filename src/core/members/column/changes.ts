import type { DesignCode } from '../../codes/design-code';
import type { SectionShape } from '../../geometry/section-shapes';
import { catalogues, findBar, type CatalogueId } from '../../materials/bars';
import { designColumn } from './design-column';
import type { ColumnInput } from './input';
import type { ColumnBars } from '../../reinforcement/column-bars';
import { usualSizes } from '../../reinforcement/usual-sizes';
import { buildability, decisiveSets } from './proposals';
import { leastTies, sizesOf, suitableTies } from './suitable-ties';
import { usualRates, type ProjectRates } from '../../advice/rates';
import { fromTo, lengthTitle, otherConcretes, singleChanges, trialOf, type Candidate, type Change } from '../../advice/single-changes';

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

type Titled<T> = readonly [title: string, value: T];

/** More bars of the same size, or fewer. */
function otherNumbers(bars: ColumnBars): Titled<ColumnBars>[] {
  if (bars.kind === 'ring')
    return [2, -2]
      .map((by) => bars.count + by)
      .filter((count) => count >= 6)
      .map((count) => [`${count} bars in the ring`, { ...bars, count }]);
  if (bars.kind === 'outline')
    return [-50, 50]
      .map((by) => bars.spacing + by)
      .filter((spacing) => spacing >= 100)
      .map((spacing) => [`bars ${spacing < bars.spacing ? 'closer' : 'wider apart'}`, { ...bars, spacing }]);
  if (bars.kind === 'list') return [];
  return (['alongX', 'alongY'] as const).flatMap((key) =>
    ([1, -1] as const)
      .filter((by) => bars[key] + by >= 0)
      .map((by): Titled<ColumnBars> => [
        `${by > 0 ? 'a bar more' : 'a bar less'} along ${key === 'alongX' ? 'x' : 'y'}`,
        { ...bars, [key]: bars[key] + by },
      ]),
  );
}

/** Each outer size of the section a step larger or smaller. A free outline is the engineer's to draw. */
function otherShapes(shape: SectionShape, catalogue: CatalogueId): Titled<SectionShape>[] {
  if (shape.kind === 'free') return [];
  const step = catalogue === 'us' ? 50.8 : 50;
  const sizes: Record<string, number> =
    shape.kind === 'circle' || shape.kind === 'ring' ? { diameter: shape.diameter } : { b: shape.b, h: shape.h };
  return Object.entries(sizes).flatMap(([key, now]) =>
    [step, 2 * step, -step]
      .map((by) => now + by)
      .filter((value) => value >= 200)
      .map((value): Titled<SectionShape> => [
        fromTo(key === 'diameter' ? 'ø' : key, now, value, catalogue),
        { ...shape, [key]: value } as SectionShape,
      ]),
  );
}

/** What becomes of the ties where a change of the bars or the section asks for others. */
function tiesTitle(column: ColumnInput, { ties }: Partial<ColumnInput>): string {
  const { ties: now, catalogue } = column;
  if (!ties || (ties.size === now.size && Math.abs(ties.spacing - now.spacing) < 1)) return '';
  const said = (t: ColumnInput['ties']) => `${t.size} @ ${lengthTitle(t.spacing, catalogue)}`;
  return `, ties ${said(now)} → ${said(ties)}`;
}

function candidates(column: ColumnInput, code: DesignCode): Candidate<Partial<ColumnInput>>[] {
  const { shape, bars, catalogue, materials } = column;
  // What a change also changes is said with it.
  const withTies = (title: string, about: string, own: { shape?: SectionShape; bars?: ColumnBars }): Candidate<Partial<ColumnInput>> => {
    const ties = suitableTies(column, code, own.shape ?? shape, own.bars ?? bars);
    const change = ties === column.ties ? own : { ...own, ties };
    return { title: `${title}${tiesTitle(column, change)}`, about, change };
  };
  const sizes = ([1, -1] as const).flatMap((by) => {
    const other = resized(bars, catalogue, by);
    return other ? [withTies(`bars ${sizesOf(bars).join(', ')} → ${sizesOf(other).join(', ')}`, 'size of bars', { bars: other })] : [];
  });
  const least = leastTies(column, code, shape, bars);
  const isOther = least.size !== column.ties.size || Math.abs(least.spacing - column.ties.spacing) > 1;
  return [
    ...sizes,
    ...otherNumbers(bars).map(([title, other]) => withTies(title, 'bars', { bars: other })),
    ...otherShapes(shape, catalogue).map(([title, other]) => withTies(title, 'shape', { shape: other })),
    ...otherConcretes(materials, code).map(({ change, ...c }) => ({
      ...c,
      change: { materials: { ...materials, concreteStrength: change } },
    })),
    ...(isOther ? [{ title: tiesTitle(column, { ties: least }).slice(2), about: 'ties', change: { ties: least } }] : []),
  ];
}

/** Single changes of a column, each designed in full for the sets that may govern, those that hold first. Empty with faults. */
export function proposeColumnSteps(column: ColumnInput, code: DesignCode, rates: ProjectRates = usualRates, most = 10): ColumnStep[] {
  const design = (c: ColumnInput) => designColumn(c, code, { derive: [], units: 'SI' });
  const result = design(column);
  if (result.faults.length > 0 || result.summaries.length === 0) return [];
  return singleChanges(
    trialOf(decisiveSets(column, result), rates, design, (r, c) => buildability(r, c, code)),
    (c) => candidates(c, code),
  ).slice(0, most);
}
