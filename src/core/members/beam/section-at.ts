import type { BendingSection, BendingTask } from '../../codes/design-code';
import { bandsFrom, grossProperties, widthAt, type BeamOutline } from '../../geometry/beam-outline';
import type { SteelLayer } from '../../section/flexural-section';
import type { Placement } from '../../reinforcement/bar-groups';
import { outlineOf, type BeamInput } from './input';
import type { BarsHere, Face, SteelAlong } from './steel';

/** Sagging stretches the bottom, hogging the top. */
export type Sense = 'sagging' | 'hogging';

export const tensionFace = (sense: Sense): Face => (sense === 'sagging' ? 'bottom' : 'top');
export const compressionFace = (sense: Sense): Face => (sense === 'sagging' ? 'top' : 'bottom');

const plainKnown = { sagging: new WeakMap<BeamOutline, BendingSection>(), hogging: new WeakMap<BeamOutline, BendingSection>() };

/** The section of an outline without bars, as bending sees it: measured from the compressed face. */
export function plainSection(outline: BeamOutline, sense: Sense): BendingSection {
  let known = plainKnown[sense].get(outline);
  if (!known) plainKnown[sense].set(outline, (known = makePlain(outline, sense)));
  return known;
}

/** Steel of a span for a moment with bars where they are, by the rules of the beam for compression steel. */
export const bendingTask = (
  beam: BeamInput,
  span: number,
  sense: Sense,
  place: Pick<BendingTask, 'moment' | 'd' | 'd2' | 'delta'>,
): BendingTask => ({
  ...place,
  section: plainSection(outlineOf(beam, span), sense),
  materials: beam.materials,
  singlyOnly: beam.barRules.singlyReinforced,
});

function makePlain(outline: BeamOutline, sense: Sense): BendingSection {
  const strips = bandsFrom(compressionFace(sense), outline);
  const b = widthAt(compressionFace(sense), outline);
  return {
    h: outline.h,
    strips,
    b,
    bw: outline.b,
    hf: outline.shape !== 'free' && b > outline.b ? strips[0]!.to : 0,
    isFree: outline.shape === 'free',
    tensionWidth: meanTensionWidth(outline, sense),
    grossArea: grossProperties(outline).area,
    layers: [],
  };
}

/** Mean width of the tension zone: of the gross section between its tension face and its centroid. */
function meanTensionWidth(outline: BeamOutline, sense: Sense): number {
  const { centroid } = grossProperties(outline);
  const depth = sense === 'sagging' ? centroid : outline.h - centroid;
  const area = bandsFrom(tensionFace(sense), outline).reduce((sum, s) => sum + s.width * Math.max(0, Math.min(s.to, depth) - s.from), 0);
  return area / depth;
}

/** Depth and area of the web in tension before the first crack (mm, mm2). A flange in tension has the bars of its slab. */
export function pulledWeb(outline: BeamOutline, sense: Sense): { readonly tensionDepth: number; readonly tensionArea: number } {
  const { centroid } = grossProperties(outline);
  const tensionDepth = sense === 'sagging' ? centroid : outline.h - centroid;
  return { tensionDepth, tensionArea: tensionDepth * outline.b };
}

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
export function sectionAt(beam: BeamInput, map: SteelAlong, span: number, x: number, sense: Sense): SectionHere {
  const tension = map.barsAt(tensionFace(sense), span, x);
  const compression = map.barsAt(compressionFace(sense), span, x);
  return { tension, compression, section: sectionWith(beam, map, span, sense, tension, compression) };
}

/** The section of a span with given bars in both faces. */
export function sectionWith(
  beam: BeamInput,
  map: SteelAlong,
  span: number,
  sense: Sense,
  tension: BarsHere,
  compression: BarsHere,
): BendingSection {
  const outline = outlineOf(beam, span);
  const inTension = layersOf(map.placement(tension), tension.shares, outline.h, true);
  const inCompression = layersOf(map.placement(compression), compression.shares, outline.h, false);
  return { ...plainSection(outline, sense), layers: [...inCompression, ...inTension] };
}
