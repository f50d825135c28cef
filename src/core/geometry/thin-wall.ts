import { insetLoop, ofEdge, outlineProperties, signedArea, type Loop, type PerEdge } from './polygon';

/** A section in torsion as a closed wall along its outline, EN 1992-1-1 6.3.2(1). Lengths mm. */
export interface ThinWall {
  /** Area within the outer outline, holes counted with it, and its perimeter. */
  readonly area: number;
  readonly perimeter: number;
  /** Of each edge, and of the thinnest. */
  readonly thicknesses: readonly number[];
  readonly thickness: number;
  /** Area within the centre line of the wall, and its length. */
  readonly coreArea: number;
  readonly corePerimeter: number;
  readonly centreLine: Loop;
  /** The inside of the wall; null where the walls of both sides meet. */
  readonly inner: Loop | null;
}

/**
 * The wall of an outline: at each edge as thick as area over perimeter, at least twice the distance from there to the longitudinal bars, and at
 * most the real wall of a hollow section. Distances that differ from edge to edge are those of an anticlockwise outline.
 */
export function thinWall(outline: Loop, toBar: PerEdge, realWall = Infinity): ThinWall {
  const outer = signedArea(outline) > 0 ? outline : [...outline].reverse();
  const { area, perimeter } = outlineProperties({ outer, holes: [] });
  const thicknesses = outer.map((_, i) => Math.min(Math.max(area / perimeter, 2 * ofEdge(toBar, i)), realWall));
  const centreLine = insetLoop(
    outer,
    thicknesses.map((t) => t / 2),
  );
  const inner = insetLoop(outer, thicknesses);
  const core = outlineProperties({ outer: centreLine, holes: [] });
  return {
    area,
    perimeter,
    thicknesses,
    thickness: Math.min(...thicknesses),
    coreArea: core.area,
    corePerimeter: core.perimeter,
    centreLine,
    inner: keepsItsWay(outer, inner) ? inner : null,
  };
}

/** Whether every edge still runs the way it ran before the loop was moved inwards: else sides have passed each other. */
function keepsItsWay(outer: Loop, inner: Loop): boolean {
  return outer.every(([x, y], i) => {
    const k = (i + 1) % outer.length;
    const [[x2, y2], [u, v], [u2, v2]] = [outer[k]!, inner[i]!, inner[k]!];
    return (x2 - x) * (u2 - u) + (y2 - y) * (v2 - v) > 0;
  });
}
