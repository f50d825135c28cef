import { silent } from '../../calc/calc';
import type { BendingResistance, BendingTask, BendingSection, DesignCode } from '../../codes/design-code';
import type { PanelMoments } from '../../analysis/panel';
import { layerOf, layingScore, slabOptions, type SlabBars } from '../../reinforcement/slab-bars';
import { directionOf, panelPlaces, type PanelInput, type PanelPlace } from './input';
import type { PanelSection } from './result';
import { plainSection } from '../beam/prepared';

/** The width on which sections of a panel are worked out (mm). */
export const WIDTH = 1000;

/** A panel with a metre of it without bars, worked out once. */
export type PreparedPanel = PanelInput & { readonly plain: BendingSection };

/** Makes a panel without faults ready for design. */
export const preparePanel = (panel: PanelInput): PreparedPanel => ({
  ...panel,
  plain: plainSection({ shape: 'rectangular', b: WIDTH, h: panel.h, flangeWidth: WIDTH, flangeDepth: panel.h }, 'sagging'),
});

/** The moment at a place (N mm/mm). */
export const momentAt = (m: PanelMoments, place: PanelPlace): number => (place === 'x' || place === 'y' ? m[place] : m.support[place]);

/** From the face of the slab to the bars of a place (mm): those of the other direction may lie outside. */
function insetOf(panel: PreparedPanel, place: PanelPlace, outside: SlabBars | null): number {
  const cover = place === 'x' || place === 'y' ? panel.cover.bottom : panel.cover.top;
  if (directionOf(place) === panel.outer) return cover;
  return cover + (outside ? layerOf(outside, panel.catalogue).diameter : 12);
}

/** The reinforced metre at a place. */
export function reinforced(
  panel: PreparedPanel,
  bars: SlabBars,
  inset: number,
): { readonly section: BendingSection; readonly d: number; readonly area: number } {
  const { area, diameter } = layerOf(bars, panel.catalogue);
  const d = panel.h - inset - diameter / 2;
  return { d, area: area * WIDTH, section: { ...panel.plain, layers: [{ depth: d, area: area * WIDTH }] } };
}

/** Steel of a metre for a moment per length of slab, in tension alone. */
export const panelTask = (panel: PreparedPanel, moment: number, d: number): BendingTask => ({
  moment: moment * WIDTH,
  section: panel.plain,
  d,
  d2: panel.cover.top + 6,
  materials: panel.materials,
  delta: 1,
  singlyOnly: true,
});

/** Steel that a moment needs (mm2 on a metre), least steel included; Infinity where no steel would do. */
export function needAt(panel: PreparedPanel, code: DesignCode, moment: number, d: number): number {
  const { tension, refusal } = code.bendingSteel(silent, panelTask(panel, moment, d));
  return refusal ? Infinity : Math.max(tension, code.slab.leastSteel(silent, panel.plain, d, panel.materials));
}

export const resistanceOf = (panel: PreparedPanel, code: DesignCode, section: BendingSection): BendingResistance | null =>
  code.bendingResistance(silent, section, panel.materials) ?? null;

/** The lightest usual bars for a moment; the heaviest that are allowed where none will do. */
function choose(panel: PreparedPanel, code: DesignCode, moment: number, inset: number): SlabBars {
  const most = code.slab.spacing(panel.h, 'peak').value;
  const fits = slabOptions(panel).filter((o) => {
    const { diameter } = layerOf(o, panel.catalogue);
    return o.spacing <= most + 1e-6 && o.spacing - diameter >= code.clearSpacing(diameter, panel.materials.aggregateSize).value;
  });
  const area = (o: SlabBars) => layerOf(o, panel.catalogue).area;
  const enough = fits.filter((o) => {
    const { d, area: has } = reinforced(panel, o, inset);
    return has >= needAt(panel, code, moment, d);
  });
  const worth = (o: SlabBars) => layingScore(area(o), o.spacing);
  const lighter = (a: SlabBars, b: SlabBars) => (worth(b) < worth(a) ? b : a);
  if (enough.length > 0) return enough.reduce(lighter);
  return (fits.length > 0 ? fits : slabOptions(panel)).reduce((a, b) => (area(b) > area(a) ? b : a));
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
    const bars = panel.bars[place] ?? choose(panel, code, moment, inset);
    const { d, area, section } = reinforced(panel, bars, inset);
    made.set(place, {
      place,
      bars,
      d,
      moment,
      resistance: (resistanceOf(panel, code, section)?.moment ?? 0) / WIDTH,
      required: needAt(panel, code, moment, d) / WIDTH,
      provided: area / WIDTH,
    });
  }
  return panelPlaces.flatMap((p) => made.get(p) ?? []);
}
