import { ribStiffness, type Rib } from '../../analysis/plates/ribs';
import type { Stiffness } from '../../analysis/plates/multifrontal';
import type { PlateMesh } from '../../analysis/plates/mesh';
import { isInsideLoop, type Point } from '../../geometry/polygon';
import { columnAt, depthAt } from './geometry';
import type { PlateBeam, PlateInput } from './input';

/** Without one the flange of a T is this part of its length wider than the web. */
const FLANGE = 0.2;
/** Places along a beam that are looked at lie so far apart (mm). */
const STEP = 50;

const lengthOf = ({ x1, y1, x2, y2 }: PlateBeam) => Math.hypot(x2 - x1, y2 - y1);
const middleOf = ({ x1, y1, x2, y2 }: PlateBeam): Point => [(x1 + x2) / 2, (y1 + y2) / 2];

/** Width of the slab that bends with a beam as its flange (mm): as set, or its width and a fifth of its length; its own width where it counts as a rib. */
export const flangeOf = (beam: PlateBeam): number => (beam.counts === 'rib' ? beam.b : (beam.flange ?? beam.b + FLANGE * lengthOf(beam)));

/**
 * Second moment of area of a beam beyond that of the slab (mm4): the T about its own axis less its flange about that of the slab, or the rectangle about the
 * middle of the slab less the slab in it.
 */
export function ribInertia(beam: PlateBeam, hs: number): number {
  const { b, h } = beam;
  if (beam.counts === 'rib') return (b * (h ** 3 - hs ** 3)) / 12;
  const flange = flangeOf(beam);
  const [top, web] = [flange * hs, b * (h - hs)];
  const [atTop, atWeb] = [hs / 2, (h + hs) / 2];
  const axis = (top * atTop + web * atWeb) / (top + web);
  const own = (flange * hs ** 3 + b * (h - hs) ** 3) / 12;
  return own + top * (axis - atTop) ** 2 + web * (axis - atWeb) ** 2 - (flange * hs ** 3) / 12;
}

/** The beams of a slab as ribs of its plate. */
export const ribsOf = (plate: PlateInput, modulus: number): Rib[] =>
  plate.beams.map((beam) => ({
    piece: [
      [beam.x1, beam.y1],
      [beam.x2, beam.y2],
    ],
    bending: modulus * ribInertia(beam, depthAt(plate, middleOf(beam))),
  }));

export const ribParts = (mesh: PlateMesh, ribs: readonly Rib[]): Stiffness[] => ribs.flatMap((rib) => ribStiffness(mesh, rib));

/** Weight of a beam below the slab (N/mm). */
export const beamWeight = (plate: PlateInput, beam: PlateBeam): number =>
  beam.b * Math.max(0, beam.h - depthAt(plate, middleOf(beam))) * plate.unitWeight;

/** Whether a beam runs into a column, by its index, so that its shear comes by the beam. */
export function isOnBeam({ beams, columns }: PlateInput, i: number): boolean {
  const head = columnAt(columns[i]!);
  return beams.some((beam) => {
    const steps = Math.max(1, Math.ceil(lengthOf(beam) / STEP));
    const at = (t: number): Point => [beam.x1 + t * (beam.x2 - beam.x1), beam.y1 + t * (beam.y2 - beam.y1)];
    return Array.from({ length: steps + 1 }, (_, k) => at(k / steps)).some((p) => isInsideLoop(p, head));
  });
}
