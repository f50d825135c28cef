import type { Drawing, Point, Shape } from './shapes';

/** Where things stand on an elevation, shared with the strips below it. */
export interface Frame {
  readonly width: number;
  /** Left and right end of the beam on the sheet. */
  readonly left: number;
  readonly right: number;
  /** Too little room beside the strips for the figures of their axes. */
  readonly isNarrow?: boolean;
}

/** The frame of drawings in a report. */
export const PAPER_FRAME: Frame = { width: 760, left: 60, right: 740 };

/** A drawing without what only serves to change it: handles, and marks where something can be added. */
export const onPaper = (drawing: Drawing): Drawing => ({
  ...drawing,
  shapes: drawing.shapes.filter((s) => !(s.kind === 'text' && s.text === '+') && !(s.kind === 'circle' && s.drag)),
});

/** Several drawings in a row as one. */
export function beside(title: string, drawings: readonly Drawing[], width?: number): Drawing {
  let x = 0;
  const shapes = drawings.flatMap((d) => {
    const from = x;
    x += d.width;
    return d.shapes.map((s): Shape => {
      const along = ([a, b]: Point): Point => [a + from, b];
      if (s.kind === 'path')
        return { ...s, points: s.points.map(along), ...(s.more ? { more: s.more.map((piece) => piece.map(along)) } : {}) };
      return { ...s, at: [s.at[0] + from, s.at[1]] };
    });
  });
  return { width: width ?? x, height: Math.max(...drawings.map((d) => d.height)), title, shapes };
}
