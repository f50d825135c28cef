import type { PanelLoad, PanelMoments } from '../../analysis/panel';

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

/** Beams take this much of what the column strips carry where they are stiff, 8.10.5.7.1. */
const BEAM_SHARE = 0.85;

/**
 * Moments of the middle strips of a panel on stiff beams (alpha f1 l2 / l1 at least 1) along all its edges, per length. Undefined where a direction has
 * no inner support: the method is for three spans and more (8.10.2.1).
 */
export function panelByCoefficients({ lx, ly, w, edges }: PanelLoad, supportWidth: number): PanelMoments | undefined {
  const along = (l1: number, l2: number, a: 'simple' | 'continuous', b: 'simple' | 'continuous') => {
    if (a === 'simple' && b === 'simple') return undefined;
    const parts = momentParts(a === b ? 'inner' : 'beams');
    const M0 = staticMoment(w, l2, l1 - supportWidth, l1);
    const share = columnStripShares(l2 / l1, 1, 0);
    const width = l2 - Math.min(l1, l2) / 2;
    // What the middle strip carries: the rest of the column strips' share. At an outer beam of no torsional stiffness nothing is left for it.
    const middle = (part: number, of: number) => (part * (1 - of) * M0) / width;
    // The slab in the column strips carries what the beams leave.
    const columnStrip = (part: number, of: number) => (part * of * (1 - BEAM_SHARE) * M0) / (l2 - width);
    const at = (part: number, of: number) => Math.max(middle(part, of), columnStrip(part, of));
    const support = (hold: 'simple' | 'continuous') =>
      hold === 'continuous' ? at(parts.inner, share.inner) : at(parts.outer, share.outer);
    return { span: at(parts.span, share.span), start: support(a), end: support(b) };
  };
  const x = along(lx, ly, edges.left, edges.right);
  const y = along(ly, lx, edges.bottom, edges.top);
  if (!x || !y) return undefined;
  // Loads run to the beams within 45 degrees of the corners, 8.10.8.
  const shear = (w * Math.min(lx, ly)) / 2;
  return {
    x: x.span,
    y: y.span,
    support: { left: x.start, right: x.end, bottom: y.start, top: y.end },
    shear: { left: shear, right: shear, bottom: shear, top: shear },
    share: null,
  };
}

/** Why the coefficients do not serve a panel (318-14 8.10.2); undefined where they do. */
export function coefficientFault(load: PanelLoad, supportWidth: number): string | undefined {
  const { lx, ly } = load;
  if (Math.max(lx, ly) > 2 * Math.min(lx, ly)) return 'The coefficients are for sides that differ by no more than 2 to 1 (8.10.2.3).';
  return panelByCoefficients(load, supportWidth)
    ? undefined
    : 'The coefficients are for three spans and more: one of two opposite edges has to be continuous (8.10.2.1).';
}

export const COEFFICIENTS_NOTE = 'For three spans and more that differ by at most a third, on beams along all lines.';
