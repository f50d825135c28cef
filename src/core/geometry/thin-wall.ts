import { insetLoop, outlineProperties, signedArea, type Loop } from './polygon';

/** A section in torsion as a closed wall along its outline, EN 1992-1-1 6.3.2(1). Lengths mm. */
export interface ThinWall {
  /** Area within the outer outline, holes counted with it, and its perimeter. */
  readonly area: number;
  readonly perimeter: number;
  readonly thickness: number;
  /** Area within the centre line of the wall, and its length. */
  readonly coreArea: number;
  readonly corePerimeter: number;
  readonly centreLine: Loop;
}

/**
 * The wall of an outline: as thick as area over perimeter, at least twice the distance from the edge to the longitudinal bars, and at most
 * the real wall of a hollow section.
 */
export function thinWall(outline: Loop, toBar: number, realWall = Infinity): ThinWall {
  const outer = signedArea(outline) > 0 ? outline : [...outline].reverse();
  const { area, perimeter } = outlineProperties({ outer, holes: [] });
  const thickness = Math.min(Math.max(area / perimeter, 2 * toBar), realWall);
  const centreLine = insetLoop(outer, thickness / 2);
  const core = outlineProperties({ outer: centreLine, holes: [] });
  return { area, perimeter, thickness, coreArea: core.area, corePerimeter: core.perimeter, centreLine };
}
