import { copyResponse, momentAt, STRIDE, type LineBeam, type Mesh, type Response } from './line-beam';

/**
 * Scales the moments at supports by the ratios delta and keeps each span in equilibrium with its loads: a straight line of
 * moment is added between the ends of each span. Works on each response, so it stays linear. Spans that stand on one support
 * only are left alone, for their moments follow from statics.
 */
export function redistribute(beam: LineBeam, mesh: Mesh, response: Response, delta: readonly number[]): Response {
  if (delta.every((d) => d === 1)) return response;
  const moved = copyResponse(response);
  const { elements, reactions } = moved;
  const change = (support: number, element: number, s: number) =>
    hasTwoSpansSupported(beam, support) ? (delta[support]! - 1) * momentAt(response.elements, element, s) : 0;
  beam.spans.forEach((span, i) => {
    if (isCantilever(beam, i)) return;
    const first = mesh.supportNode[i]!;
    const last = mesh.supportNode[i + 1]! - 1;
    const left = change(i, first, 0);
    const right = change(i + 1, last, mesh.x[last + 1]! - mesh.x[last]!);
    if (left === 0 && right === 0) return;
    const slope = (right - left) / span.length;
    const start = mesh.x[first]!;
    for (let e = first; e <= last; e += 1) {
      elements[STRIDE * e]! += slope;
      elements[STRIDE * e + 1]! += left + slope * (mesh.x[e]! - start);
    }
    reactions[i]! += slope;
    reactions[i + 1]! -= slope;
  });
  return moved;
}

export function isCantilever(beam: LineBeam, span: number): boolean {
  return beam.supports[span]!.vertical === 'free' || beam.supports[span + 1]!.vertical === 'free';
}

/** A moment can be moved away from a support only when no cantilever hangs on it. */
function hasTwoSpansSupported(beam: LineBeam, support: number): boolean {
  const neighbours = [support - 1, support].filter((i) => i >= 0 && i < beam.spans.length);
  return neighbours.every((i) => !isCantilever(beam, i));
}
