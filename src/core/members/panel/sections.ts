import type { DesignCode } from '../../codes/design-code';
import type { PanelMoments } from '../../analysis/panel';
import { layerOf, type SlabBars } from '../../reinforcement/slab-bars';
import { chooseMesh, needAt, plainMetre, reinforced, resistanceOf, WIDTH, type SlabMetre } from '../parts/slab-metre';
import { directionOf, panelPlaces, type PanelInput, type PanelPlace } from './input';
import type { PanelSection } from './result';

/** A panel with a metre of it without bars, worked out once. */
export type PreparedPanel = PanelInput & SlabMetre;

/** Makes a panel without faults ready for design. */
export const preparePanel = (panel: PanelInput): PreparedPanel => ({ ...panel, plain: plainMetre(panel.h) });

/** The moment at a place (N mm/mm). */
export const momentAt = (m: PanelMoments, place: PanelPlace): number => (place === 'x' || place === 'y' ? m[place] : m.support[place]);

/** From the face of the slab to the bars of a place (mm): those of the other direction may lie outside. */
function insetOf(panel: PreparedPanel, place: PanelPlace, outside: SlabBars | null): number {
  const cover = place === 'x' || place === 'y' ? panel.cover.bottom : panel.cover.top;
  if (directionOf(place) === panel.outer) return cover;
  return cover + (outside ? layerOf(outside, panel.catalogue).diameter : 12);
}

/** Bars at every place that has a moment, set or chosen, with what they carry: the outer direction first, since the inner bars lie on it. */
export function panelSections(panel: PreparedPanel, code: DesignCode, moments: PanelMoments): PanelSection[] {
  const made = new Map<PanelPlace, PanelSection>();
  const order = [...panelPlaces].sort((a, b) => Number(directionOf(a) !== panel.outer) - Number(directionOf(b) !== panel.outer));
  for (const place of order) {
    const moment = momentAt(moments, place);
    if (moment <= 0 && !panel.bars[place]) continue;
    const isBelow = place === 'x' || place === 'y';
    const outside = isBelow ? (made.get(panel.outer)?.bars ?? null) : null;
    const inset = insetOf(panel, place, outside);
    const bars = panel.bars[place] ?? chooseMesh(panel, code, moment, inset);
    const { d, area, section } = reinforced(panel, bars, inset);
    const needed = needAt(panel, code, moment, d);
    made.set(place, {
      place,
      bars,
      d,
      moment,
      resistance: (resistanceOf(panel, code, section)?.moment ?? 0) / WIDTH,
      required: Number.isFinite(needed) ? needed / WIDTH : null,
      provided: area / WIDTH,
    });
  }
  return panelPlaces.flatMap((p) => made.get(p) ?? []);
}
