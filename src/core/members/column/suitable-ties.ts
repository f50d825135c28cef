import { isBeyond } from '../../checks/check';
import type { TieRules } from '../../codes/column-rules';
import type { DesignCode } from '../../codes/design-code';
import type { SectionShape } from '../../geometry/section-shapes';
import { catalogues, findBar } from '../../materials/bars';
import { placeColumnBars, type ColumnBars } from '../../reinforcement/column-bars';
import { usualSizes } from '../../reinforcement/usual-sizes';
import type { ColumnInput } from './input';
import { columnTies } from './ties';

export const sizesOf = (bars: ColumnBars): string[] => [
  ...new Set(
    bars.kind === 'sides' ? [bars.corner, bars.sizeX, bars.sizeY] : bars.kind === 'list' ? bars.bars.map((b) => b.size) : [bars.size],
  ),
];

/** What is asked of ties of a size round these bars. */
function tieRules(column: ColumnInput, code: DesignCode, shape: SectionShape, bars: ColumnBars, size: string): TieRules {
  const catalogue = catalogues[column.catalogue];
  const placed = placeColumnBars(shape, bars, column.cover, findBar(catalogue, size)?.diameter ?? 8, catalogue);
  return columnTies({ ...column, shape, bars, ties: { ...column.ties, size } }, code, placed).rules;
}

/** Ties of the least size that the code wants for these bars, at a round spacing that it allows everywhere. Cross ties stay as they are. */
export function leastTies(column: ColumnInput, code: DesignCode, shape: SectionShape, bars: ColumnBars): ColumnInput['ties'] {
  const usual = usualSizes[column.catalogue];
  const diameter = (size: string) => findBar(catalogues[column.catalogue], size)!.diameter;
  const rules = (size: string) => tieRules(column, code, shape, bars, size);
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
  const rules = tieRules(column, code, shape, bars, ties.size);
  const fits = (spacing: number, limit: number) => !isBeyond(spacing, limit);
  const holds =
    tie >= rules.leastDiameter.value - 1e-6 &&
    fits(ties.spacing, rules.spacing.value) &&
    (rules.nearEnds === 0 || ties.spacingEnds === null || fits(ties.spacingEnds, rules.spacingNearEnds.value));
  return holds ? ties : leastTies(column, code, shape, bars);
}
