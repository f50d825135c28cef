import type { BendingSection, BendingTask } from '../../codes/design-code';
import type { SteelLayer } from '../../section/flexural-section';
import type { Placement } from '../../reinforcement/bar-groups';
import { compressionFace, tensionFace, type Sense } from './sense';
import type { BarsHere, SteelAlong } from './steel';
import { type PreparedBeam, plainOf } from './prepared';

/** Steel of a span for a moment with bars where they are, by the rules of the beam for compression steel. */
export const bendingTask = (
  beam: PreparedBeam,
  span: number,
  sense: Sense,
  place: Pick<BendingTask, 'moment' | 'd' | 'd2' | 'delta'>,
): BendingTask => ({
  ...place,
  section: plainOf(beam, span, sense),
  materials: beam.materials,
  singlyOnly: beam.barRules.singlyReinforced,
});

/** Bars of a face as layers measured from the compressed face. */
export function layersOf(placement: Placement, shares: readonly number[], h: number, isTension: boolean): SteelLayer[] {
  const byDepth = new Map<number, number>();
  for (const bar of placement.bars) {
    const depth = Math.round((isTension ? h - bar.fromFace : bar.fromFace) * 100) / 100;
    byDepth.set(depth, (byDepth.get(depth) ?? 0) + bar.area * (shares[bar.group] ?? 1));
  }
  return [...byDepth].map(([depth, area]) => ({ depth, area })).sort((a, b) => a.depth - b.depth);
}

export interface SectionHere {
  readonly section: BendingSection;
  readonly tension: BarsHere;
  readonly compression: BarsHere;
}

/** The reinforced section at a place, for one sense of bending. */
export function sectionAt(beam: PreparedBeam, map: SteelAlong, span: number, x: number, sense: Sense): SectionHere {
  const tension = map.barsAt(tensionFace(sense), span, x);
  const compression = map.barsAt(compressionFace(sense), span, x);
  return { tension, compression, section: sectionWith(beam, map, span, sense, tension, compression) };
}

/** The section of a span with given bars in both faces. */
export function sectionWith(
  beam: PreparedBeam,
  map: SteelAlong,
  span: number,
  sense: Sense,
  tension: BarsHere,
  compression: BarsHere,
): BendingSection {
  const plain = plainOf(beam, span, sense);
  const inTension = layersOf(map.placement(tension), tension.shares, plain.h, true);
  const inCompression = layersOf(map.placement(compression), compression.shares, plain.h, false);
  return { ...plain, layers: [...inCompression, ...inTension] };
}
