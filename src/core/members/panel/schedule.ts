import type { DesignCode } from '../../codes/design-code';
import { directionOf, placeTitle, type PanelInput } from './input';
import type { PanelResult } from './result';
import { TOP_REACH } from './design-panel';
import { scheduleOf, type BarSchedule, type Draft } from '../../schedule/bar-schedule';
import type { BendSetting } from '../../schedule/bend-types';
import { layerDrafts } from '../strip/schedule';

/**
 * The bars of a panel as they are to be cut: those in the middle from far face to far face of the supports, those over an edge that goes on the
 * same length into both panels.
 */
export function panelSchedule(panel: PanelInput, code: DesignCode, { sections }: PanelResult, bends: BendSetting = 'byCode'): BarSchedule {
  const { lx, ly, supportWidth, cover } = panel;
  const drafts = sections.flatMap((s): Draft[] => {
    const [along, across] = directionOf(s.place) === 'x' ? [lx, ly] : [ly, lx];
    const isBelow = s.place === 'x' || s.place === 'y';
    const length = isBelow ? along + supportWidth - 2 * cover.bottom : 2 * TOP_REACH * Math.min(lx, ly);
    return layerDrafts(s.bars, across, placeTitle(s.place), 'straight', [length]);
  });
  return scheduleOf(drafts, panel.catalogue, code, bends);
}
