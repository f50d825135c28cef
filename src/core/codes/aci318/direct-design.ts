import type { PanelLoad, PanelMoments } from '../../analysis/panel';
import { columnStripShares, momentParts, staticMoment } from '../../analysis/direct-design';

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
