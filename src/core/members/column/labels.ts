import { countBySize, type ColumnBar } from '../../reinforcement/column-bars';
import type { ProjectBasis } from '../member';
import { barLabel, linkLabel } from '../parts/bar-labels';
import type { ColumnInput } from './input';

/** "4H25 + 4H20". */
export function columnBarsLabel(project: Pick<ProjectBasis, 'code'>, bars: readonly ColumnBar[]): string {
  return countBySize(bars)
    .map((g) => barLabel(g, project))
    .join(' + ');
}

/** "H8 @ 200". */
export const tieLabel = (project: ProjectBasis, { ties }: Pick<ColumnInput, 'ties'>): string =>
  linkLabel({ size: ties.size, spacing: ties.spacing, legs: 2 }, project);

/** What is written beside its section. */
export const columnLabels = (project: ProjectBasis, column: Pick<ColumnInput, 'ties'>, bars: readonly ColumnBar[]) => ({
  bars: columnBarsLabel(project, bars),
  ties: tieLabel(project, column),
});
