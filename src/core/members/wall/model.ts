import { catalogues } from '../../materials/bars';
import { barNamed, bentThrough, inRow, withMarks, type DraftSet } from '../../model/bar-set';
import type { Place } from '../../model/centre-line';
import type { MemberModel } from '../../model/member-model';
import { outlineOfShape } from '../../geometry/section-shapes';
import { uprights } from '../column/model';
import type { ColumnModel } from '../column/section';
import { barShare } from './as-column';
import { wallLength, type WallInput } from './input';

/** The wall, or its metre, as it is to be built, from its foot at z = 0. Bars without laps. */
export function wallInSpace(wall: WallInput, { bars }: Pick<ColumnModel, 'bars'>): MemberModel {
  const outline = outlineOfShape({ kind: 'rectangle', b: wallLength(wall), h: wall.thickness });
  return {
    concrete: [{ along: 'z', from: 0, to: wall.height, outline }],
    supports: [],
    bars: withMarks([
      ...uprights(wall, bars).map((set) => ({ ...set, share: barShare(wall), source: { of: 'vertical' } })),
      horizontals(wall),
    ]),
  };
}

/** Both faces are shuttered (mm2). */
export const wallFormwork = (wall: WallInput): number => 2 * wallLength(wall) * wall.height;

/** Horizontal bars of both faces: through a metre of a longer wall, within the end covers of a whole one. */
function horizontals(wall: WallInput): DraftSet {
  const catalogue = catalogues[wall.catalogue];
  const bar = barNamed(wall.horizontal.size, catalogue);
  const inset = wall.cover + (wall.horizontalOutside ? 0 : barNamed(wall.vertical.size, catalogue).diameter) + bar.diameter / 2;
  const [x, y] = [wallLength(wall) / 2 - (wall.isStrip ? 0 : wall.cover), wall.thickness / 2 - inset];
  const zs = inRow(0, wall.height, wall.horizontal.spacing);
  const z = zs[0]!;
  return {
    zone: 'horizontal',
    role: 'link',
    face: 'side',
    layer: wall.horizontalOutside ? 1 : 2,
    bar,
    bend: 'straight',
    corners: bentThrough(
      [
        [-x, y, z],
        [x, y, z],
      ],
      0,
    ),
    hook: 0,
    shifts: zs.flatMap((v): Place[] => [0, -2 * y].map((across) => [0, across, v - z])),
    spacing: wall.horizontal.spacing,
    source: { of: 'horizontal' },
  };
}
