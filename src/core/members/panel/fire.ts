import type { Calc } from '../../calc/calc';
import type { DerivableCheck } from '../../checks/check';
import type { FireSlab } from '../../codes/fire-rules';
import { layerOf } from '../../reinforcement/slab-bars';
import { fireChecks } from '../parts/fire-check';
import type { PanelBasis } from './checks';

/** Fire resistance of a panel on four edges by the bars of its shorter span, exposed from below. */
export function panelFire({ panel, code, sections }: PanelBasis): DerivableCheck[] {
  const short = panel.lx <= panel.ly ? 'x' : 'y';
  const main = sections.find((s) => s.place === short) ?? sections.find((s) => s.place === 'x' || s.place === 'y');
  if (!main) return fireChecks(panel.fire, code, []);
  const { diameter } = layerOf(main.bars, panel.catalogue);
  const q: FireSlab = {
    materials: panel.materials,
    depth: panel.h,
    axis: panel.h - main.d,
    cover: panel.h - main.d - diameter / 2,
    use: main.resistance > 0 ? Math.min(1, main.moment / main.resistance) : 1,
    kind: 'twoWay',
    ratio: Math.max(panel.lx, panel.ly) / Math.min(panel.lx, panel.ly),
  };
  return fireChecks(panel.fire, code, [{ label: `middle, along ${short}`, ways: (c: Calc) => code.fire.slab(c, q) }]);
}
