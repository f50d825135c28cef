import { largestOf } from '../../checks/largest';
import type { BarGroup } from '../../reinforcement/bar-groups';
import type { ProjectBasis } from '../member';
import { barLabel, drawnLength, linkLabel } from '../parts/bar-labels';
import type { SectionLabels } from './drawing/section-picture';
import type { BeamSteel } from './steel';

export const sectionLabels = (project: ProjectBasis): SectionLabels => ({
  bars: (g) => barLabel(g, project),
  links: (zone) => linkLabel(zone, project),
  length: (v) => drawnLength(v, project.display),
});

/** The bars of a beam in a few words: most bottom bars, most top bars, closest links. */
export function beamSteelLabel(project: ProjectBasis, steel: BeamSteel): string {
  const bottom = steel.bottom.map((b) => [b.main, ...(b.extra ? [b.extra.bars] : [])].filter((g) => g.count > 0));
  const count = (groups: readonly BarGroup[]) =>
    groups.reduce((sum, g) => sum + g.count * (parseFloat(g.size.replace(/\D+/g, '')) || 0) ** 2, 0);
  const lower = largestOf(bottom, count);
  const upper = largestOf([...steel.support.flatMap((s) => (s ? [[s.bars]] : [])), ...steel.top.map((t) => [t.main])], count);
  const links = largestOf(steel.links.flat(), (z) => 1 / z.spacing);
  const join = (groups: readonly BarGroup[] | undefined) => (groups ?? []).map((g) => barLabel(g, project)).join('+');
  return `${join(upper)} / ${join(lower)}${links ? `, ${linkLabel(links, project)}` : ''}`;
}
