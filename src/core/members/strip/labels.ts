import type { SlabBars } from '../../reinforcement/slab-bars';
import type { ProjectBasis } from '../member';
import { layerLabel } from '../parts/bar-labels';
import type { StripSteel } from './steel';

/** The bars of a slab in a few words: most top bars, most bottom bars, those across. */
export function stripSteelLabel(project: ProjectBasis, steel: StripSteel): string {
  const closest = (list: readonly SlabBars[]) => list.reduce<SlabBars | null>((a, b) => (!a || b.spacing < a.spacing ? b : a), null);
  const top = closest([...steel.support.flatMap((r) => (r ? [r.bars] : [])), ...steel.top.flatMap((t) => (t.main ? [t.main] : []))]);
  const bottom = closest(steel.bottom.map((b) => b.main));
  const name = (bars: SlabBars | null) => (bars ? layerLabel(bars, project) : 'none');
  return `${name(top)} / ${name(bottom)}, across ${name(steel.across.bottom)}`;
}
