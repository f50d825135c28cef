import type { MomentsBy } from '../../codes/punching-rules';
import type { Materials } from '../../codes/design-code';
import type { SlabSide } from '../../geometry/control-perimeter';
import { convexHull, type Loop, type Point } from '../../geometry/polygon';
import { outlineOfShape, type SectionShape } from '../../geometry/section-shapes';
import type { CatalogueId } from '../../materials/bars';
import { layerOf, type SlabBars } from '../../reinforcement/slab-bars';

/** Lengths mm, forces N, moments N mm. The column's centre is the origin, x to the right and y up on the plan. */

export type PunchingColumn = Extract<SectionShape, { kind: 'rectangle' | 'circle' | 'L' }>;

export type SlabOpening =
  | { readonly kind: 'rectangle'; readonly x: number; readonly y: number; readonly b: number; readonly h: number }
  | { readonly kind: 'circle'; readonly x: number; readonly y: number; readonly diameter: number };

/** Forces of one combination: the shear, and the moments that the slab brings to the column about x and y. */
export interface PunchingForces {
  readonly name: string;
  readonly V: number;
  readonly Mx: number;
  readonly My: number;
}

/** Legs in the slab: links on perimeters, each with so many legs, or rails of studs. */
export interface PunchingLegs {
  readonly kind: 'links' | 'studs';
  /** Perimeters of links: at one distance from the column all round, or with square corners. */
  readonly layout?: 'round' | 'rectangular';
  readonly size: string;
  /** Legs on the first perimeter, or rails around the column. */
  readonly legs: number;
  readonly perimeters: number;
  /** From the column to the first legs, and from each perimeter to the next. */
  readonly first: number;
  readonly spacing: number;
}

export interface PunchingInput {
  readonly materials: Materials;
  readonly catalogue: CatalogueId;
  readonly h: number;
  /** To the outer layer of the top bars. */
  readonly cover: number;
  readonly outer: 'x' | 'y';
  readonly barsX: SlabBars;
  readonly barsY: SlabBars;
  readonly column: PunchingColumn;
  /** From the faces of the column to the edges of the slab; null where it goes on. */
  readonly edges: Readonly<Record<SlabSide, number | null>>;
  /** Where a corner of the slab points inwards. */
  readonly corner: { readonly x: number; readonly y: number } | null;
  /** A thicker part of the slab around the column, below it. */
  readonly drop: { readonly cx: number; readonly cy: number; readonly depth: number } | null;
  /** Sizes of a footing on soil, with the column in its middle; null for a slab. */
  readonly base: { readonly b: number; readonly h: number } | null;
  readonly openings: readonly SlabOpening[];
  readonly sets: readonly PunchingForces[];
  readonly momentsBy: MomentsBy;
  readonly beta: number;
  /** Mean compression in the slab (MPa). */
  readonly inPlane: number;
  readonly legs: PunchingLegs | null;
}

/** Half extents of the column, to which distances from its faces are added. */
export function columnSize(column: PunchingColumn): { readonly cx: number; readonly cy: number } {
  return column.kind === 'circle' ? { cx: column.diameter, cy: column.diameter } : { cx: column.b, cy: column.h };
}

/** The convex outline that a perimeter goes round. A round column has so many sides that its length is right to one in ten thousand. */
export function columnLoop(column: PunchingColumn): Loop {
  if (column.kind !== 'circle') return convexHull(outlineOfShape(column).outer);
  const r = column.diameter / 2;
  return Array.from({ length: 180 }, (_, i): Point => [r * Math.cos((i * Math.PI) / 90), r * Math.sin((i * Math.PI) / 90)]);
}

export const rectangleLoop = (b: number, h: number, x = 0, y = 0): Loop => [
  [x - b / 2, y - h / 2],
  [x + b / 2, y - h / 2],
  [x + b / 2, y + h / 2],
  [x - b / 2, y + h / 2],
];

export function openingLoop(o: SlabOpening): Loop {
  if (o.kind === 'rectangle') return rectangleLoop(o.b, o.h, o.x, o.y);
  const r = o.diameter / 2;
  return Array.from({ length: 72 }, (_, i): Point => [o.x + r * Math.cos((i * Math.PI) / 36), o.y + r * Math.sin((i * Math.PI) / 36)]);
}

/** Effective depths of both layers with their mean, and the mean ratio of steel, for a slab of a depth. */
export function depthsOf(p: PunchingInput, h = p.h) {
  const [x, y] = [layerOf(p.barsX, p.catalogue), layerOf(p.barsY, p.catalogue)];
  const outer = p.outer === 'x' ? x : y;
  const inset = (layer: typeof x, isOuter: boolean) => h - p.cover - (isOuter ? 0 : outer.diameter) - layer.diameter / 2;
  const [dx, dy] = [inset(x, p.outer === 'x'), inset(y, p.outer === 'y')];
  return { dx, dy, d: (dx + dy) / 2, ratioX: x.area / dx, ratioY: y.area / dy, ratio: Math.sqrt((x.area / dx) * (y.area / dy)) };
}
