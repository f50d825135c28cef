import { silent } from '../../calc/calc';
import { isBeyond } from '../../checks/check';
import type { DesignCode } from '../../codes/design-code';
import type { SectionShape } from '../../geometry/section-shapes';
import { catalogues, findBar } from '../../materials/bars';
import type { ColumnBars } from '../../reinforcement/column-bars';
import { usualSizes } from '../../reinforcement/usual-sizes';
import type { ColumnInput } from './input';

export const sizesOf = (bars: ColumnBars): string[] => [
  ...new Set(
    bars.kind === 'sides' ? [bars.corner, bars.sizeX, bars.sizeY] : bars.kind === 'list' ? bars.bars.map((b) => b.size) : [bars.size],
  ),
];

const leastSide = (s: SectionShape): number =>
  s.kind === 'circle' || s.kind === 'ring'
    ? s.diameter
    : s.kind === 'rectangle'
      ? Math.min(s.b, s.h)
      : 'tx' in s
        ? Math.min(s.tx, s.ty)
        : 'web' in s
          ? Math.min(s.web, s.flange)
          : 400;

/** What the code wants of ties of a diameter (mm) round these bars. */
function tieRules(column: ColumnInput, code: DesignCode, shape: SectionShape, bars: ColumnBars, tie: number) {
  const diameters = sizesOf(bars).map((s) => findBar(catalogues[column.catalogue], s)?.diameter ?? 0);
  return code.column.ties(silent, {
    largestBar: Math.max(...diameters),
    smallestBar: Math.min(...diameters),
    tie,
    leastDimension: leastSide(shape),
    largestDimension: leastSide(shape),
    aggregate: column.materials.aggregateSize,
    isSpiral: column.transverse === 'spiral',
  });
}

/** Ties of the least size that the code wants for these bars, at a round spacing that it allows everywhere. Cross ties stay as they are. */
export function leastTies(column: ColumnInput, code: DesignCode, shape: SectionShape, bars: ColumnBars): ColumnInput['ties'] {
  const usual = usualSizes[column.catalogue];
  const diameter = (size: string) => findBar(catalogues[column.catalogue], size)!.diameter;
  const rules = (size: string) => tieRules(column, code, shape, bars, diameter(size));
  const size = usual.links.find((s) => diameter(s) >= rules(s).leastDiameter.value - 1e-6) ?? usual.links.at(-1)!;
  const r = rules(size);
  const round = (spacing: number) => Math.floor(spacing / usual.spacingStep + 1e-9) * usual.spacingStep;
  const spacing = Math.max(usual.leastSpacing, round(r.spacing.value));
  const ends = round(r.spacingNearEnds.value);
  const spacingEnds = r.nearEnds > 0 && ends < spacing ? ends : null;
  return { ...column.ties, size, spacing: Math.min(spacing, usual.mostSpacing), spacingEnds };
}

/** The ties as they are where the code allows them for these bars and this section, else the least that it allows. */
export function suitableTies(column: ColumnInput, code: DesignCode, shape: SectionShape, bars: ColumnBars): ColumnInput['ties'] {
  const { ties } = column;
  const tie = findBar(catalogues[column.catalogue], ties.size)?.diameter ?? 0;
  const rules = tieRules(column, code, shape, bars, tie);
  const fits = (spacing: number, limit: number) => !isBeyond(spacing, limit);
  const holds =
    tie >= rules.leastDiameter.value - 1e-6 &&
    fits(ties.spacing, rules.spacing.value) &&
    (rules.nearEnds === 0 || ties.spacingEnds === null || fits(ties.spacingEnds, rules.spacingNearEnds.value));
  return holds ? ties : leastTies(column, code, shape, bars);
}
