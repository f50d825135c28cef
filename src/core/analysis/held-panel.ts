import { panelEdges, yieldLineMoment, type PanelEdge, type PanelLoad, type PanelMoments } from './panel';
import { plateOnEdges } from './plate';

const even = { x: 1, y: 1, twist: 1 };

/**
 * Moments of strips whose twisting takes part, made safe: with `byPlate` never below the means of the elastic plate over the middle three quarters
 * of their width, nor its shears at the edges; and never so small that yield lines would form under the load. Bars carry uniform moments, the
 * twisting of the corners does not help them where folds cross.
 */
export function heldPanel(load: PanelLoad, strips: PanelMoments, byPlate: boolean): PanelMoments {
  const { w } = load;
  if (!(w > 0)) return strips;
  const plate = plateOnEdges(load, even);
  const byEdge = (of: (edge: PanelEdge) => number) =>
    Object.fromEntries(panelEdges.map((edge) => [edge, of(edge)])) as Record<PanelEdge, number>;
  const support = byEdge((e) => (byPlate ? Math.max(strips.support[e], w * plate.means.support[e]) : strips.support[e]));
  const [x, y] = byPlate ? [Math.max(strips.x, w * plate.means.x), Math.max(strips.y, w * plate.means.y)] : [strips.x, strips.y];
  const factor = Math.max(1, yieldLineMoment(load, { x, y, support }) / x);
  return {
    ...strips,
    x: factor * x,
    y: factor * y,
    support: byEdge((e) => factor * support[e]),
    shear: byEdge((e) => Math.max(strips.shear[e], w * plate.shear[e])),
  };
}
