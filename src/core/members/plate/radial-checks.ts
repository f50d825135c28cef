import { silent } from '../../calc/calc';
import type { DerivableCheck } from '../../checks/check';
import { compareCheck } from '../../checks/compare';
import { isInArc, WHOLE } from '../../geometry/arcs';
import { layerOf } from '../../reinforcement/slab-bars';
import { axesOf, layerTitle } from './bar-axes';
import { partOf } from './bar-parts';
import type { PlateBasis } from './checks';
import type { Face } from './input';
import { densityAt, radialLayout } from './radial-layout';
import { extrasIn, meshIn } from './zones';

/** Where radial bars of a face stand nearest: their clear distance there beside what the code asks. */
export function radialChecks(basis: PlateBasis): DerivableCheck[] {
  const { plate, code, steel } = basis;
  const axes = axesOf(plate);
  if (!axes.ring) return [];
  return (['bottom', 'top'] as const).flatMap((face) => {
    const layer = { face, along: 'x' } as const;
    const mesh = meshIn(steel, layer);
    const laid = [
      ...(mesh ? [{ bars: mesh, over: null }] : []),
      ...extrasIn(steel, layer).map((extra) => ({ bars: extra.bars, over: partOf(extra, axes) })),
    ].flatMap(({ bars, over }) => {
      const layout = radialLayout(plate, code, face, bars, over);
      return layout ? [{ layout, turn: over?.y ?? WHOLE, diameter: layerOf(bars, plate.catalogue).diameter }] : [];
    });
    const radii = laid.flatMap(({ layout }) => [layout.last, ...layout.stops.map((r) => Math.max(r, layout.last))]).filter((r) => r > 0);
    // Most parts lie over each other where one of them begins.
    const places = radii.flatMap((r) => laid.map(({ turn: [angle] }) => ({ r, angle })));
    const clearAt = ({ r, angle }: { readonly r: number; readonly angle: number }) => {
      const there = laid.filter(({ layout, turn }) => isInArc(angle, turn) && densityAt(layout, r) > 0);
      const density = there.reduce((sum, { layout }) => sum + densityAt(layout, r), 0);
      const thickest = Math.max(0, ...there.map((t) => t.diameter));
      return { r, apart: r / density, thickest, clear: r / density - thickest };
    };
    const worst = places.map(clearAt).reduce<ReturnType<typeof clearAt> | null>((a, b) => (!a || b.clear < a.clear ? b : a), null);
    return worst ? [clearCheck(basis, face, worst)] : [];
  });
}

function clearCheck(
  { plate, code }: PlateBasis,
  face: Face,
  { r, apart, thickest, clear }: { readonly r: number; readonly apart: number; readonly thickest: number; readonly clear: number },
): DerivableCheck {
  const title = layerTitle(plate, { face, along: 'x' });
  const { aggregateSize } = plate.materials;
  return compareCheck({
    id: `radial-clear-${face}`,
    family: 'detailing',
    title: `Clear distance, ${title}`,
    clause: code.clearSpacing(thickest, aggregateSize, silent).clause,
    place: { x: null, label: title },
    kind: 'length',
    compare: (c) => {
      c.state('radius at which they stand nearest', r, 'length', 'where bars stop, their anchorage included');
      c.state('from bar to bar there', apart, 'length', 'all bars of this layer, evenly');
      return {
        demand: code.clearSpacing(thickest, aggregateSize, c).value,
        capacity: clear,
        capacityIs: ['clear distance', 'less the thickest of them'],
      };
    },
    fails: (needed, has) =>
      `Radial bars of the ${face} have ${has} between them where they stand nearest, ${needed} are asked for: a wider mesh at the middle, or fewer and thicker bars.`,
  });
}
