import { catalogues, findBar } from '../../materials/bars';
import { placeColumnBars } from '../../reinforcement/column-bars';
import type { Way } from '../kind';
import type { ProjectBasis } from '../member';
import { linkLabel, shapeLabel, sizeUnit } from '../parts/bar-labels';
import type { Work } from '../work';
import { proposeColumnSteps } from './changes';
import { columnSteps } from './design-column';
import type { ColumnMember } from './input';
import { columnBarsLabel } from './labels';
import { proposeColumn, type ColumnProposal, type Search } from './proposals';
import type { ColumnResult } from './result';

export const columnWork: Work<ColumnMember, ColumnResult> = {
  type: 'column',
  design: columnSteps,
  propose: (column, search, { project, code, rates }) =>
    search === 'steps'
      ? proposeColumnSteps(column, code, rates)
      : proposeColumn(column, code, search as Search, rates).map((p) => asWay(p, column, project)),
};

/** Bars or a size with its bars, under the name of what they are. */
function asWay(p: ColumnProposal, column: ColumnMember, project: ProjectBasis): Way<ColumnMember> {
  const { shape, bars: laid, ties } = p.change;
  const catalogue = catalogues[column.catalogue];
  const bars = placeColumnBars(shape, laid, column.cover, findBar(catalogue, ties.size)?.diameter ?? 8, catalogue);
  const isSameShape = JSON.stringify(shape) === JSON.stringify(column.shape);
  const size = isSameShape ? '' : `${shapeLabel(shape, project.display)}${sizeUnit(project.display)}, `;
  const layout = laid.kind === 'sides' && laid.alongX !== laid.alongY ? ` in ${laid.alongX + 2} × ${laid.alongY + 2}` : '';
  const tiesLabel = (t: ColumnMember['ties']) => `${linkLabel({ ...t, legs: 2 }, project)}${t.cross === null ? '' : `, ${t.cross} across`}`;
  const [tiesNow, tiesThen] = [tiesLabel(column.ties), tiesLabel(ties)];
  return {
    ...p,
    title: `${size}${columnBarsLabel(project, bars)}${layout}, ${tiesNow === tiesThen ? tiesThen : `ties ${tiesNow} → ${tiesThen}`}`,
    about: 'bars',
    // Only what holds is proposed.
    holds: true,
    detail: `${(100 * p.steelRatio).toFixed(1)} %, ${p.barCount} bars`,
  };
}
