import { silent } from '../../calc/calc';
import type { Materials } from '../../codes/basis';
import type { BendingResistance, BendingTask, BendingSection, DesignCode } from '../../codes/design-code';
import type { CatalogueId } from '../../materials/bars';
import { layerOf, layingScore, slabOptions, type SlabBarRules, type SlabBars } from '../../reinforcement/slab-bars';
import { plainSection } from '../beam/prepared';

/** The width on which sections of a slab are worked out (mm). */
export const WIDTH = 1000;

/** What a metre of a slab is made of, and that metre without bars, worked out once. */
export interface SlabMetre {
  readonly h: number;
  readonly cover: { readonly top: number; readonly bottom: number };
  readonly materials: Materials;
  readonly catalogue: CatalogueId;
  readonly barRules: SlabBarRules;
  readonly plain: BendingSection;
}

/** The metre of a slab without bars. */
export const plainMetre = (h: number): BendingSection =>
  plainSection({ shape: 'rectangular', b: WIDTH, h, flangeWidth: WIDTH, flangeDepth: h }, 'sagging');

/** The reinforced metre at a place. */
export function reinforced(
  slab: SlabMetre,
  bars: SlabBars,
  inset: number,
): { readonly section: BendingSection; readonly d: number; readonly area: number } {
  const { area, diameter } = layerOf(bars, slab.catalogue);
  const d = slab.h - inset - diameter / 2;
  return { d, area: area * WIDTH, section: { ...slab.plain, layers: [{ depth: d, area: area * WIDTH }] } };
}

/** Steel of a metre for a moment per length of slab, in tension alone. */
export const metreTask = (slab: SlabMetre, moment: number, d: number): BendingTask => ({
  moment: moment * WIDTH,
  section: slab.plain,
  d,
  d2: slab.cover.top + 6,
  materials: slab.materials,
  delta: 1,
  singlyOnly: true,
});

/** Steel that a moment needs (mm2 on a metre), least steel included; Infinity where no steel would do. */
export function needAt(slab: SlabMetre, code: DesignCode, moment: number, d: number): number {
  const { tension, refusal } = code.bendingSteel(silent, metreTask(slab, moment, d));
  return refusal ? Infinity : Math.max(tension, code.slab.leastSteel(silent, slab.plain, d, slab.materials));
}

export const resistanceOf = (slab: SlabMetre, code: DesignCode, section: BendingSection): BendingResistance | null =>
  code.bendingResistance(silent, section, slab.materials) ?? null;

/** Usual bars that stand neither too far apart nor too close for a slab of this depth that spans two ways; all that are usual where none does. */
export function allowedLayers(slab: Omit<SlabMetre, 'plain'>, code: DesignCode): SlabBars[] {
  const most = code.slab.twoWaySpacing(slab.h, 'peak').value;
  const usual = slabOptions(slab);
  const fits = usual.filter((o) => {
    const { diameter } = layerOf(o, slab.catalogue);
    return o.spacing <= most + 1e-6 && o.spacing - diameter >= code.clearSpacing(diameter, slab.materials.aggregateSize).value;
  });
  return fits.length > 0 ? fits : usual;
}

/** The lightest usual bars for a moment; the heaviest that are allowed where none will do. */
export function chooseMesh(slab: SlabMetre, code: DesignCode, moment: number, inset: number): SlabBars {
  const fits = allowedLayers(slab, code);
  const area = (o: SlabBars) => layerOf(o, slab.catalogue).area;
  const enough = fits.filter((o) => {
    const { d, area: has } = reinforced(slab, o, inset);
    return has >= needAt(slab, code, moment, d);
  });
  const worth = (o: SlabBars) => layingScore(area(o), o.spacing);
  const lighter = (a: SlabBars, b: SlabBars) => (worth(b) < worth(a) ? b : a);
  if (enough.length > 0) return enough.reduce(lighter);
  return fits.reduce((a, b) => (area(b) > area(a) ? b : a));
}
