import { box, type Outline, type Point } from '../../geometry/polygon';
import type { MemberOf } from '../member';
import type { InputOf } from '../parts/schema-parts';
import type { plateFields } from './schema';

export type PlateInput = InputOf<typeof plateFields>;
/** A slab of any outline in a project, worked out as a plate. */
export type PlateMember = MemberOf<'plate', PlateInput>;
export type PlateEdge = PlateInput['outline'][number]['edge'];

export type Face = 'bottom' | 'top';
export type Along = 'x' | 'y';

/** A layer of bars: at which face, and along which direction. */
export interface Layer {
  readonly face: Face;
  readonly along: Along;
}

export const layers: readonly Layer[] = (['bottom', 'top'] as const).flatMap((face) =>
  (['x', 'y'] as const).map((along) => ({ face, along })),
);
export const layerTitle = ({ face, along }: Layer): string => `${face}, along ${along}`;
export const barsAt = ({ bars }: Pick<PlateInput, 'bars'>, { face, along }: Layer) => bars[face][along];

/** The slab from above, its openings as holes. */
export const outlineOf = ({ outline, openings }: Pick<PlateInput, 'outline' | 'openings'>): Outline => ({
  outer: outline.map(({ x, y }): Point => [x, y]),
  holes: openings.map((o) => o.corners),
});

/** An edge of the outline from its corner to the next one. */
export function edgeAt({ outline }: Pick<PlateInput, 'outline'>, i: number): readonly [Point, Point] {
  const [a, b] = [outline[i]!, outline[(i + 1) % outline.length]!];
  return [
    [a.x, a.y],
    [b.x, b.y],
  ];
}

/** The sides of a slab that is a rectangle along the axes, first corner at its lower left, held along all edges and without anything inside; else undefined. */
export function plainRectangle(plate: PlateInput): { readonly lx: number; readonly ly: number } | undefined {
  const { outline, openings, walls } = plate;
  if (outline.length !== 4 || openings.length > 0 || walls.length > 0 || outline.some((c) => c.edge === 'free')) return undefined;
  const [a, , c] = outline as [PlateInput['outline'][number], unknown, PlateInput['outline'][number], unknown];
  const fits = box(a.x, a.y, c.x, c.y).every(([x, y], i) => Math.hypot(outline[i]!.x - x, outline[i]!.y - y) < 1);
  return fits && c.x > a.x && c.y > a.y ? { lx: c.x - a.x, ly: c.y - a.y } : undefined;
}

/** Whether elastic moments have no limit somewhere: at corners that point inwards, at openings, at ends of walls. */
export function hasPeaks(plate: PlateInput): boolean {
  const turns = plate.outline.map((_, i) => {
    const [[ax, ay], [bx, by]] = edgeAt(plate, i);
    const [, [cx, cy]] = edgeAt(plate, (i + 1) % plate.outline.length);
    return (bx - ax) * (cy - by) - (by - ay) * (cx - bx);
  });
  const [left, right] = [turns.some((t) => t > 0), turns.some((t) => t < 0)];
  return plate.walls.length > 0 || plate.openings.length > 0 || (left && right);
}
