import type { BendingSection } from '../../codes/design-code';
import { bandsFrom, grossProperties, widthAt, type BeamOutline } from '../../geometry/beam-outline';
import type { SteelLayer } from '../../section/flexural-section';
import type { Placement } from '../../reinforcement/bar-groups';
import { outlineOf, type BeamInput } from './input';
import type { BarsHere, Face, SteelMap } from './steel';

/** Sagging stretches the bottom, hogging the top. */
export type Sense = 'sagging' | 'hogging';

export const tensionFace = (sense: Sense): Face => (sense === 'sagging' ? 'bottom' : 'top');
export const compressionFace = (sense: Sense): Face => (sense === 'sagging' ? 'top' : 'bottom');

/** The plain concrete of a span as bending sees it, measured from the compressed face. */
export function concreteOf(outline: BeamOutline, sense: Sense): Omit<BendingSection, 'layers'> {
  const strips = bandsFrom(compressionFace(sense), outline);
  const b = widthAt(compressionFace(sense), outline);
  return {
    h: outline.h,
    strips,
    b,
    bw: outline.b,
    hf: b > outline.b ? strips[0]!.to : 0,
    tensionWidth: meanTensionWidth(outline, sense),
    grossArea: grossProperties(outline).area,
  };
}

/** Mean width of the tension zone: of the gross section between its tension face and its centroid. */
function meanTensionWidth(outline: BeamOutline, sense: Sense): number {
  const { centroid } = grossProperties(outline);
  const depth = sense === 'sagging' ? centroid : outline.h - centroid;
  const area = bandsFrom(tensionFace(sense), outline).reduce((sum, s) => sum + s.width * Math.max(0, Math.min(s.to, depth) - s.from), 0);
  return area / depth;
}

/** Bars of a face as layers measured from the compressed face. */
function layersOf(placement: Placement, shares: readonly number[], h: number, isTension: boolean): SteelLayer[] {
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
  readonly key: string;
}

/** The reinforced section at a place, for one sense of bending. */
export function sectionAt(beam: BeamInput, map: SteelMap, span: number, x: number, sense: Sense): SectionHere {
  const tension = map.barsAt(tensionFace(sense), span, x);
  const compression = map.barsAt(compressionFace(sense), span, x);
  const key = `${sense} ${span} ${describe(tension)} / ${describe(compression)}`;
  return {
    key,
    tension,
    compression,
    get section() {
      const outline = outlineOf(beam, span);
      const inTension = layersOf(map.placement(tensionFace(sense), span, tension.groups), tension.shares, outline.h, true);
      const inCompression = layersOf(map.placement(compressionFace(sense), span, compression.groups), compression.shares, outline.h, false);
      return { ...concreteOf(outline, sense), layers: [...inCompression, ...inTension] };
    },
  };
}

const describe = (bars: BarsHere) => bars.groups.map((g, i) => `${g.count}x${g.size}@${bars.shares[i]}`).join('+');
