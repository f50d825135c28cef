import type { ColumnInput } from '../column/input';

/** How the floors and cross walls hold a wall along its edges, for its effective length out of plane. */
export type WallRestraint = 'given' | 'twoSides' | 'threeSides' | 'fourSides' | 'cantilever';

export interface WallMesh {
  readonly size: string;
  /** Between the bars of one face (mm). */
  readonly spacing: number;
}

/**
 * A wall drawn with its length along x and its thickness along y: Mx bends it out of plane, My in plane; V along x lies in its plane. A strip
 * is a metre of a longer wall, its forces given for a metre. Lengths mm.
 */
export interface WallInput extends Omit<ColumnInput, 'shape' | 'bars' | 'ties' | 'transverse' | 'isStrip' | 'tiesAcross'> {
  readonly thickness: number;
  readonly isStrip: boolean;
  /** Not used by a strip. */
  readonly length: number;
  /** Bars of each face. */
  readonly vertical: WallMesh;
  readonly horizontal: WallMesh;
  /** Whether the horizontal bars lie outside; the cover is to the outer bars. */
  readonly horizontalOutside: boolean;
  readonly restraint: WallRestraint;
  /** Between the walls that hold the vertical edges, or from one to the free edge. */
  readonly between: number;
}

export const STRIP = 1000;

export const wallLength = (w: Pick<WallInput, 'isStrip' | 'length'>): number => (w.isStrip ? STRIP : w.length);
