import { silent, type Calc } from '../../calc/calc';
import type { DesignCode } from '../../codes/design-code';
import type { FlangeQuestion, SpanPosition } from '../../codes/flange-width';
import { type BeamInput, spanOutline } from './input';

/** Whether the flange is found by code: it needs a compressed flange and the distances to the next webs. */
export const hasFlangeByCode = (beam: BeamInput): boolean =>
  beam.slab !== null && beam.mode !== 'forces' && (beam.section.shape === 'T' || beam.section.shape === 'L');

const isFree = (beam: BeamInput, j: number) => beam.supports[j]?.type === 'free';
/** Whether the beam goes on, or is held against turning, at a support of a span. */
const isHeldOn = (beam: BeamInput, j: number) => (j > 0 && j < beam.spans.length) || beam.supports[j]?.type === 'fixed';

function positionOf(beam: BeamInput, span: number): SpanPosition {
  if (isFree(beam, span) || isFree(beam, span + 1)) return 'cantilever';
  const ends = [span, span + 1].filter((j) => isHeldOn(beam, j)).length;
  return (['single', 'end', 'inner'] as const)[ends]!;
}

export function flangeQuestion(beam: BeamInput, span: number): FlangeQuestion {
  const o = spanOutline(beam, span);
  const { left, right } = beam.slab!;
  const { length } = beam.spans[span]!;
  const half = (j: number) => (isFree(beam, j) ? 0 : (beam.supports[j]?.width ?? 0) / 2);
  const neighbour = isFree(beam, span) ? span + 1 : span - 1;
  return {
    bw: o.b,
    hf: o.flangeDepth,
    clear: o.shape === 'L' ? [right] : [left, right],
    span: length,
    clearSpan: length - half(span) - half(span + 1),
    position: positionOf(beam, span),
    next: beam.spans[neighbour]?.length ?? 0,
  };
}

/** The effective width of a span's flange, with its steps (mm). */
export const flangeWidth = (c: Calc, beam: BeamInput, code: DesignCode, span: number): number =>
  code.flange.width(c, flangeQuestion(beam, span));

/** The beam with its flange widths by code in each span, where they are asked for; else the beam itself. */
export function withFlanges<B extends BeamInput>(beam: B, code: DesignCode): B {
  if (!hasFlangeByCode(beam) || beam.supports.length !== beam.spans.length + 1) return beam;
  const spans = beam.spans.map((s, i) => ({ ...s, section: { ...s.section, flangeWidth: flangeWidth(silent, beam, code, i) } }));
  return { ...beam, spans };
}
