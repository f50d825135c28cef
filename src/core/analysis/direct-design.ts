/**
 * The direct design method for two-way slabs, ACI 318-14 8.10, which 318-19 8.10 and 8.2.1 still allow by reference: the static moment of a
 * span, its parts in the span, and what of them the column strips carry.
 */

/** Static moment of a span (N mm), (8.10.3.2): load N/mm2, widths and spans mm; the clear span counts with at least 0.65 of the span. */
export const staticMoment = (w: number, l2: number, ln: number, l1: number): number => (w * l2 * Math.max(ln, 0.65 * l1) ** 2) / 8;

/** How the outer edge of an end span is held, by the rows of table 8.10.4.2. */
export type OuterEdge = 'unrestrained' | 'beams' | 'noEdgeBeam' | 'edgeBeam' | 'fullyRestrained';

const endSpans: Readonly<Record<OuterEdge, readonly [outer: number, span: number, inner: number]>> = {
  unrestrained: [0, 0.63, 0.75],
  beams: [0.16, 0.57, 0.7],
  noEdgeBeam: [0.26, 0.52, 0.7],
  edgeBeam: [0.3, 0.5, 0.7],
  fullyRestrained: [0.65, 0.35, 0.65],
};

/** Parts of the static moment: at the outer and the inner support and in the span, table 8.10.4.2; an inner span has 0.65 and 0.35 (8.10.4.1). */
export function momentParts(outer: OuterEdge | 'inner'): { readonly outer: number; readonly span: number; readonly inner: number } {
  const [a, span, inner] = outer === 'inner' ? ([0.65, 0.35, 0.65] as const) : endSpans[outer];
  return { outer: a, span, inner };
}

const between = (x: number, xs: readonly number[], ys: readonly number[]): number => {
  const at = Math.max(xs[0]!, Math.min(xs[xs.length - 1]!, x));
  const i = Math.max(
    1,
    xs.findIndex((v) => v >= at),
  );
  const t = (at - xs[i - 1]!) / (xs[i]! - xs[i - 1]!);
  return ys[i - 1]! + t * (ys[i]! - ys[i - 1]!);
};

/** The row of tables 8.10.5 for stiff beams: 0.90, 0.75, 0.45 for l2 / l1 of 0.5, 1, 2. */
const stiff = (ratio: number) => between(ratio, [0.5, 1, 2], [0.9, 0.75, 0.45]);

/**
 * Shares of the column strip, tables 8.10.5.1, 8.10.5.2, 8.10.5.5: `ratio` l2 / l1, `beam` alpha f1 l2 / l1 (0 to 1), `torsion` beta t of the edge.
 */
export function columnStripShares(ratio: number, beam: number, torsion: number) {
  const mixed = (without: number) => without + Math.min(1, beam) * (stiff(ratio) - without);
  return { inner: mixed(0.75), span: mixed(0.6), outer: between(torsion, [0, 2.5], [1, mixed(0.75)]) };
}
