import { formatQuantity, formatValue, unitLabel } from '../../units/format';
import type { UnitSystem } from '../../units/quantity';
import type { ProjectBasis } from '../member';
import { drawnLength, layerLabel, sizeNumber, sizeUnit } from '../parts/bar-labels';
import type { PanelPicture } from './drawing';
import type { PanelInput } from './input';
import type { PanelResult } from './result';

/** How a panel is labelled on its plan. */
export function panelLabels(project: ProjectBasis, member: PanelInput, result: PanelResult): PanelPicture['labels'] {
  const units = project.display;
  const share = result.moments?.share ?? member.share ?? 0;
  return {
    lx: formatValue(member.lx, 'span', units),
    ly: formatValue(member.ly, 'span', units),
    depth: `slab ${drawnLength(member.h, units)} deep`,
    bars: (bars) => layerLabel(bars, project),
    moment: (v) => formatQuantity(v, 'lineTorque', units),
    share: `${Math.round(100 * share)} % of the load along x${member.share === null ? '' : ', set'}`,
  };
}

/** "5.0 × 6.0 m, 180 deep". */
export const panelSize = ({ lx, ly, h }: PanelInput, system: UnitSystem): string =>
  `${formatValue(lx, 'station', system, 1)} × ${formatValue(ly, 'station', system, 1)} ${unitLabel('station', system)}, ${sizeNumber(h, system)}${sizeUnit(system)} deep`;
