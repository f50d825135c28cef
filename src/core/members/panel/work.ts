import type { Work } from '../work';
import { proposePanel } from './changes';
import { designPanel } from './design-panel';
import type { PanelMember } from './input';
import type { PanelResult } from './result';

export const panelWork: Work<PanelMember, PanelResult> = {
  type: 'panel',
  design: designPanel,
  propose: (panel, _search, { code, rates }) => proposePanel(panel, code, rates),
};
