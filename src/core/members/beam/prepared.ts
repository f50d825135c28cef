import type { BendingSection, DesignCode } from '../../codes/design-code';
import { bandsFrom, grossProperties, outlinePoints, widthAt, type BeamOutline, type GrossProperties } from '../../geometry/beam-outline';
import { outlineProperties } from '../../geometry/polygon';
import { withFlanges } from './effective-flange';
import { spanOutline, supportPositions, type BeamInput } from './input';
import { compressionFace, tensionFace, type Sense } from './sense';

/** A span before any bar lies in it: its outline with its flange as it counts, and what bending makes of it. */
interface PreparedSpan {
  readonly outline: BeamOutline;
  readonly gross: GrossProperties;
  /** Perimeter exposed to drying (mm): of a strip cut from a slab its two faces. */
  readonly drying: number;
  readonly plain: Readonly<Record<Sense, BendingSection>>;
}

/** A beam with what follows from its input alone, worked out once: analysis, choice of steel and checks take it from here. */
export type PreparedBeam = BeamInput & {
  readonly prepared: readonly PreparedSpan[];
  /** Distances of the supports from the left end (mm). */
  readonly starts: readonly number[];
};

/** Makes a beam without faults ready for design. */
export function prepareBeam(given: BeamInput, code: DesignCode): PreparedBeam {
  const beam = withFlanges(given, code);
  // A section under known forces may have no span.
  const outlines = beam.spans.length > 0 ? beam.spans.map((_, i) => spanOutline(beam, i)) : [beam.section];
  return { ...beam, prepared: outlines.map((outline) => prepareSpan(outline, beam.isSlab === true)), starts: supportPositions(beam) };
}

const prepareSpan = (outline: BeamOutline, isSlab: boolean): PreparedSpan => ({
  outline,
  gross: grossProperties(outline),
  drying: isSlab ? 2 * outline.b : outlineProperties({ outer: outlinePoints(outline), holes: [] }).perimeter,
  plain: { sagging: plainSection(outline, 'sagging'), hogging: plainSection(outline, 'hogging') },
});

const spanOf = ({ prepared }: PreparedBeam, span: number): PreparedSpan => prepared[span] ?? prepared[0]!;
export const outlineOf = (beam: PreparedBeam, span: number): BeamOutline => spanOf(beam, span).outline;
export const grossOf = (beam: PreparedBeam, span: number): GrossProperties => spanOf(beam, span).gross;
export const dryingOf = (beam: PreparedBeam, span: number): number => spanOf(beam, span).drying;
/** The section of a span without bars, as bending sees it. */
export const plainOf = (beam: PreparedBeam, span: number, sense: Sense): BendingSection => spanOf(beam, span).plain[sense];

/** The section of an outline without bars, as bending sees it: measured from the compressed face. */
export function plainSection(outline: BeamOutline, sense: Sense): BendingSection {
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

/** Depth of the plain section that bending pulls before the first crack (mm). */
export function tensionDepthOf(outline: BeamOutline, sense: Sense): number {
  const { centroid } = grossProperties(outline);
  return sense === 'sagging' ? centroid : outline.h - centroid;
}

/** Mean width of the tension zone: of the gross section between its tension face and its centroid. */
function meanTensionWidth(outline: BeamOutline, sense: Sense): number {
  const depth = tensionDepthOf(outline, sense);
  const area = bandsFrom(tensionFace(sense), outline).reduce((sum, s) => sum + s.width * Math.max(0, Math.min(s.to, depth) - s.from), 0);
  return area / depth;
}

/** Depth and area of the web in tension before the first crack (mm, mm2). A flange in tension has the bars of its slab. */
export function pulledWeb(beam: PreparedBeam, span: number, sense: Sense): { readonly tensionDepth: number; readonly tensionArea: number } {
  const outline = outlineOf(beam, span);
  const tensionDepth = tensionDepthOf(outline, sense);
  return { tensionDepth, tensionArea: tensionDepth * outline.b };
}
