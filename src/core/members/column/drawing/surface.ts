import { areaOf, circleAt, pathThrough, textAt, type Drawing, type Point, type Shape } from '../../../drawing/shapes';

/** A point of space: My, Mx, N, each over the largest of its kind. */
export type SpacePoint = readonly [my: number, mx: number, n: number];

export interface SurfacePicture {
  /** Rings of the surface from the lowest axial force up, each with the same number of points. */
  readonly rings: readonly (readonly SpacePoint[])[];
  readonly points: readonly { readonly at: SpacePoint; readonly isOver: boolean; readonly isChosen: boolean }[];
  /** The slice through the chosen set, and the ring at its axial force. */
  readonly slice: readonly SpacePoint[];
  readonly level: readonly SpacePoint[];
  /** Turn about the axis of N, and tilt towards the eye (rad). */
  readonly turn: number;
  readonly tilt: number;
}

/** The resistance surface seen from a side: facets painted from the back to the front. N points up. */
export function surfaceDrawing(p: SurfacePicture, width: number, height: number): Drawing {
  const scale = Math.min(width, height) * 0.44;
  const [ct, st, cp, sp] = [Math.cos(p.turn), Math.sin(p.turn), Math.cos(p.tilt), Math.sin(p.tilt)];
  const see = ([my, mx, n]: SpacePoint): { at: Point; depth: number } => {
    const [a, b] = [my * ct - mx * st, my * st + mx * ct];
    return { at: [width / 2 + a * scale, height / 2 - (n * cp - b * sp) * scale], depth: b * cp + n * sp };
  };
  const facets: { depth: number; points: Point[] }[] = [];
  for (let r = 0; r + 1 < p.rings.length; r += 1) {
    const [low, high] = [p.rings[r]!, p.rings[r + 1]!];
    for (let i = 0; i < low.length; i += 1) {
      const k = (i + 1) % low.length;
      const corners = [low[i]!, low[k]!, high[k]!, high[i]!].map(see);
      facets.push({ depth: corners.reduce((sum, c) => sum + c.depth, 0), points: corners.map((c) => c.at) });
    }
  }
  facets.sort((a, b) => b.depth - a.depth);
  const shapes: Shape[] = facets.map((f): Shape => areaOf({ line: 'mesh', fill: 'resistanceWash' }, ...f.points));
  const curve = (points: readonly SpacePoint[], closed: boolean): Shape => ({
    kind: 'path',
    closed,
    points: points.map((q) => see(q).at),
    line: 'station',
  });
  if (p.level.length > 2) shapes.push(curve(p.level, true));
  if (p.slice.length > 2) shapes.push(curve(p.slice, false));
  shapes.push(...axis(see, [1.15, 0, 0], 'My'), ...axis(see, [0, 1.15, 0], 'Mx'), ...axis(see, [0, 0, 1.12], 'N'));
  for (const q of [...p.points].sort((a, b) => Number(a.isChosen) - Number(b.isChosen)))
    shapes.push(
      circleAt(see(q.at).at, q.isChosen ? 4.5 : 2.6, {
        line: q.isOver ? 'excess' : 'demand',
        fill: q.isChosen ? 'demandSolid' : 'surface',
      }),
    );
  return { width, height, title: 'Resistance surface', shapes };
}

function axis(see: (p: SpacePoint) => { at: Point }, end: SpacePoint, name: string): Shape[] {
  const [from, to] = [see([0, 0, 0]).at, see(end).at];
  return [pathThrough({ line: 'dim' }, from, to), textAt([to[0] + 4, to[1] - 3], name, 'symbol', { halo: true })];
}
