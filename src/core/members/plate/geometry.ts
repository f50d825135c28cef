import { box, outlineProperties, type Loop, type Outline, type Point } from '../../geometry/polygon';
import { columnLoop } from '../punching/input';
import type { PlateColumn, PlateInput } from './input';

/** Sides that a whole circle is drawn and worked out with. */
const SIDES = 96;

type WithArcs = { readonly outline: readonly Pick<PlateInput['outline'][number], 'x' | 'y' | 'rise'>[] };

/** Corners of an edge from its own corner to the next one; those of an arc are so near each other that its area is right to one in a thousand. */
export function edgePath({ outline }: WithArcs, i: number): Point[] {
  const [a, b] = [outline[i]!, outline[(i + 1) % outline.length]!];
  const chord = Math.hypot(b.x - a.x, b.y - a.y);
  const ends: [Point, Point] = [
    [a.x, a.y],
    [b.x, b.y],
  ];
  if (!(Math.abs(a.rise) > 1) || !(chord > 0)) return ends;
  // Outwards is to the right of an edge of an outline that runs counterclockwise.
  const rise = a.rise * (runsCounterclockwise(outline) ? 1 : -1);
  const quarter = Math.atan((2 * rise) / chord);
  const radius = chord / 2 / Math.sin(2 * quarter);
  const [ux, uy] = [(b.x - a.x) / chord, (b.y - a.y) / chord];
  const toCentre = radius - rise;
  const [cx, cy] = [(a.x + b.x) / 2 - uy * toCentre, (a.y + b.y) / 2 + ux * toCentre];
  const start = Math.atan2(a.y - cy, a.x - cx);
  const steps = Math.max(2, Math.round((Math.abs(4 * quarter) / (2 * Math.PI)) * SIDES));
  return Array.from({ length: steps + 1 }, (_, k): Point => {
    if (k === 0 || k === steps) return ends[k === 0 ? 0 : 1]!;
    const angle = start + (k / steps) * 4 * quarter;
    return [cx + Math.abs(radius) * Math.cos(angle), cy + Math.abs(radius) * Math.sin(angle)];
  });
}

function runsCounterclockwise(outline: WithArcs['outline']): boolean {
  return (
    outline.reduce((sum, a, i) => {
      const b = outline[(i + 1) % outline.length]!;
      return sum + a.x * b.y - b.x * a.y;
    }, 0) >= 0
  );
}

/** The slab from above, arcs as short straight pieces, its openings as holes. */
export const outlineOf = ({ outline, openings }: WithArcs & Pick<PlateInput, 'openings'>): Outline => ({
  outer: outline.flatMap((_, i) => edgePath({ outline }, i).slice(0, -1)),
  holes: openings.map((o) => o.corners),
});

/** Sides that a round column is worked out with in a plate; its area is kept. */
const COLUMN_SIDES = 24;

/** The outline of a column where it stands. */
export function columnAt({ x, y, shape }: PlateColumn): Loop {
  if (shape.kind === 'rectangle') return box(x - shape.b / 2, y - shape.h / 2, x + shape.b / 2, y + shape.h / 2);
  const angle = (2 * Math.PI) / COLUMN_SIDES;
  const radius = (shape.diameter / 2) * Math.sqrt(angle / Math.sin(angle));
  return Array.from({ length: COLUMN_SIDES }, (_, k): Point => [x + radius * Math.cos(k * angle), y + radius * Math.sin(k * angle)]);
}

/** Sizes of a column along x and along y (mm). */
export const columnSides = ({ shape }: PlateColumn): { readonly x: number; readonly y: number } =>
  shape.kind === 'circle' ? { x: shape.diameter, y: shape.diameter } : { x: shape.b, y: shape.h };

/** Resistance of a column to turning along x and along y (N mm/rad): 4EI/l of each storey where its far end is fixed, 3EI/l where it is pinned. */
export function columnTurning(column: PlateColumn, modulus: number): readonly [x: number, y: number] {
  const { Ix, Iy } = outlineProperties({ outer: columnLoop(column.shape), holes: [] });
  const storeys = [column.below, column.above].reduce((sum, height) => sum + (height > 0 ? 1 / height : 0), 0);
  const each = (column.farEnds === 'fixed' ? 4 : 3) * modulus * storeys;
  // Turning along x bends the column in the plane of x, about its axis y.
  return [each * Iy, each * Ix];
}

/** Two corners of a rectangle across from each other. */
export interface TwoCorners {
  readonly x1: number;
  readonly y1: number;
  readonly x2: number;
  readonly y2: number;
}

/** A rectangle by its sides (mm). */
export interface Span {
  readonly x: readonly [number, number];
  readonly y: readonly [number, number];
}

export const spanOf = ({ x1, y1, x2, y2 }: TwoCorners): Span => ({
  x: [Math.min(x1, x2), Math.max(x1, x2)],
  y: [Math.min(y1, y2), Math.max(y1, y2)],
});

export const isWithin = ([px, py]: Point, { x, y }: Span): boolean => px >= x[0] && px <= x[1] && py >= y[0] && py <= y[1];

/** The corners of a rectangle that two of them give. */
export const rectangleOf = (given: TwoCorners): Loop => {
  const { x, y } = spanOf(given);
  return box(x[0], y[0], x[1], y[1]);
};

/** Depth at a place: that of the last region over it, else the slab's. */
export const depthAt = ({ regions, h }: Pick<PlateInput, 'regions' | 'h'>, at: Point): number =>
  regions.findLast((r) => isWithin(at, spanOf(r)))?.h ?? h;

/** The sides of a slab that is a rectangle along the axes, first corner at its lower left, held along all edges and without anything inside; else undefined. */
export function plainRectangle(plate: PlateInput): { readonly lx: number; readonly ly: number } | undefined {
  const { outline, openings, walls, columns, beams, regions } = plate;
  const inside = openings.length + beams.length + walls.length + columns.length + regions.length;
  if (outline.length !== 4 || inside > 0 || outline.some((c) => c.edge === 'free' || c.edge === 'spring' || c.rise !== 0)) return undefined;
  const [a, , c] = outline as [PlateInput['outline'][number], unknown, PlateInput['outline'][number], unknown];
  const fits = box(a.x, a.y, c.x, c.y).every(([x, y], i) => Math.hypot(outline[i]!.x - x, outline[i]!.y - y) < 1);
  return fits && c.x > a.x && c.y > a.y ? { lx: c.x - a.x, ly: c.y - a.y } : undefined;
}
