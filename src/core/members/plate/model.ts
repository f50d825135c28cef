import type { DesignCode } from '../../codes/design-code';
import type { Point } from '../../geometry/polygon';
import { withMarks, type DraftSet } from '../../model/bar-set';
import type { MemberModel } from '../../model/member-model';
import type { SlabBars } from '../../reinforcement/slab-bars';
import { axesOf, layerTitle } from './bar-axes';
import { partOf } from './bar-parts';
import { edgePath, outlineOf, rectangleOf, type Span } from './geometry';
import { isLayer, layers, type Layer, type PlateBeam, type PlateInput } from './input';
import { insetOf } from './layers';
import type { LaidSteel } from './result';
import { ringSets } from './ring-bars';
import { straightSets } from './straight-bars';
import { barsOutside, meshIn } from './zones';

/** The slab as it is to be built; z is 0 at its upper face. Bars run from edge to edge less their covers, and end at openings. */
export function plateModelOf(plate: PlateInput, code: DesignCode, steel: LaidSteel): MemberModel {
  return {
    concrete: [
      { along: 'z', from: -plate.h, to: 0, outline: outlineOf(plate) },
      ...plate.regions
        .filter((r) => r.h > plate.h)
        .map((r) => ({ along: 'z' as const, from: -r.h, to: -plate.h, outline: { outer: rectangleOf(r), holes: [] } })),
      ...plate.beams.map((beam) => ({ along: 'z' as const, from: -beam.h, to: -plate.h, outline: { outer: webOf(beam), holes: [] } })),
    ],
    supports: plate.outline.flatMap(({ edge }, i) => {
      if (edge === 'free') return [];
      const path = edgePath(plate, i);
      const [a, b] = [path[0]!, path.at(-1)!];
      return [{ name: `edge ${i + 1}`, type: edge, at: Math.min(a[0], b[0]), width: Math.hypot(b[0] - a[0], b[1] - a[1]) }];
    }),
    bars: withMarks(layers.flatMap((layer) => setsOf(plate, code, steel, layer))),
  };
}

/** The web of a beam on the plan. */
function webOf({ x1, y1, x2, y2, b }: PlateBeam): Point[] {
  const length = Math.hypot(x2 - x1, y2 - y1);
  const [u, v] = [((y1 - y2) / length) * (b / 2), ((x2 - x1) / length) * (b / 2)];
  return [
    [x1 - u, y1 - v],
    [x2 - u, y2 - v],
    [x2 + u, y2 + v],
    [x1 + u, y1 + v],
  ];
}

/** The bars of a layer: those of its mesh from edge to edge, those beside over their parts. */
function setsOf(plate: PlateInput, code: DesignCode, steel: LaidSteel, layer: Layer): DraftSet[] {
  const axes = axesOf(plate);
  const inset = insetOf(plate, layer, barsOutside(plate, steel, layer));
  const laid = (bars: SlabBars, over: Span | null, source: object) => {
    const set = { zone: layerTitle(plate, layer), layer, bars, inset, source };
    return axes.ring ? ringSets(plate, code, set, over) : straightSets(plate, axes, set, over);
  };
  const mesh = meshIn(steel, layer);
  const { face, along } = layer;
  return [
    ...(mesh ? laid(mesh, null, { of: 'bars', face, along }) : []),
    ...steel.extra.flatMap((e, i) => (isLayer(e, layer) ? laid(e.bars, partOf(e, axes), { of: 'extra', index: i }) : [])),
  ];
}
