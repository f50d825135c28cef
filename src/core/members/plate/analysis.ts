import { barMoments } from '../../analysis/plates/design-moments';
import { meshOf } from '../../analysis/plates/mesh';
import type { Piece } from '../../analysis/plates/mesh-lines';
import { plateModel, type PlateModel, type PlateState } from '../../analysis/plates/plate-model';
import { supportsOf, type LineSupport } from '../../analysis/plates/supports';
import { evenRigidity } from '../../analysis/plates/triangle';
import { silent } from '../../calc/calc';
import type { DesignCode } from '../../codes/design-code';
import { outlineProperties } from '../../geometry/polygon';
import { edgeAt, outlineOf, type Layer, type PlateInput } from './input';

/** A slab as an elastic plate under a load of one (N/mm2) all over: everything else is in proportion. */
export interface PlateAnswer {
  readonly model: PlateModel;
  readonly unit: PlateState;
  /** mx, my, mxy node by node (mm2: N mm/mm over N/mm2). */
  readonly moments: Float64Array;
  /** vx, vy triangle by triangle (mm). */
  readonly shears: Float64Array;
  readonly supports: readonly LineSupport[];
}

/** A load all over (N/mm2) and the combination that brings it. */
export interface PlateLoad {
  readonly w: number;
  readonly combination: string;
}

/** About so many triangles lie along the side of a square of the slab's area. */
const ALONG = 26;

/** The length of sides that is chosen: a part of the slab, not much less than its depth. */
const usualSize = (plate: PlateInput, area: number): number => plate.meshSize ?? Math.max(Math.sqrt(area) / ALONG, plate.h / 2);

const wallLines = ({ walls }: PlateInput) =>
  walls.map(({ x1, y1, x2, y2 }): Piece => [
    [x1, y1],
    [x2, y2],
  ]);

/** Lines that hold a slab: its edges that are not free, and the walls below it. */
export const lineSupports = (plate: PlateInput): LineSupport[] => [
  ...plate.outline.flatMap(({ edge }, i) => (edge === 'free' ? [] : [{ piece: edgeAt(plate, i), how: edge }])),
  ...wallLines(plate).map((piece): LineSupport => ({ piece, how: 'simple' })),
];

/** Works a slab out as a plate. Throws CalcError where it can move without resistance. */
export function answerOf(plate: PlateInput, code: DesignCode): PlateAnswer {
  const outline = outlineOf(plate);
  const size = usualSize(plate, outlineProperties(outline).area);
  const supports = lineSupports(plate);
  const mesh = meshOf({ outline, lines: wallLines(plate), points: [], sizeAt: () => size });
  const rigidity = evenRigidity(code.elasticModulus(silent, plate.materials), plate.poisson, plate.h);
  const model = plateModel(mesh, () => rigidity, supportsOf(mesh, supports, [], rigidity.bending[0]));
  const unit = model.solve(model.pressure(() => 1));
  return { model, unit, moments: model.moments(unit), shears: model.shears(unit), supports };
}

/** The moment that the bars of a layer are to carry at a node under a load (N mm/mm). */
export function askedAt({ moments }: Pick<PlateAnswer, 'moments'>, { face, along }: Layer, node: number, w: number): number {
  const sign = face === 'bottom' ? w : -w;
  const { x, other } = barMoments(sign * moments[3 * node]!, sign * moments[3 * node + 1]!, sign * moments[3 * node + 2]!);
  return along === 'x' ? x : other;
}

/** Moments that the bars of a layer are to carry, node by node (N mm/mm): the largest of all loads. */
export const layerDemand = (answer: Pick<PlateAnswer, 'moments'>, layer: Layer, loads: readonly PlateLoad[]): Float64Array =>
  Float64Array.from({ length: answer.moments.length / 3 }, (_, n) => Math.max(0, ...loads.map(({ w }) => askedAt(answer, layer, n, w))));
