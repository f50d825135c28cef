import { scaled, withoutEndSpaces, type Face, type FormulaBox } from './formula-boxes';

/** Families under which the faces of formulas are given to the page maker. */
export const faceFamilies: Record<Face, string> = {
  upright: 'Formula',
  italic: 'Formula',
  greek: 'FormulaGreek',
  greekItalic: 'FormulaGreek',
  other: 'Roboto',
};
/** Height of a line of text above its baseline, by face, in em: where the page maker puts a text's top. */
const ABOVE: Record<Face, number> = { upright: 0.894, italic: 0.894, greek: 0.894, greekItalic: 0.894, other: 0.927 };

/** A formula at a size (points), as text and lines at their places; made smaller where it would be wider than there is room. */
export function formulaContent(box: FormulaBox, size: number, most: number): Record<string, unknown> {
  const em = box.width * size > most ? most / box.width : size;
  const { ascent, descent, runs, strokes } = scaled(box, em);
  const lines = strokes.map(({ points, width }) => ({
    type: 'polyline',
    lineWidth: width,
    points: points.map(([x, y]) => ({ x, y: y + ascent })),
  }));
  return {
    stack: [
      ...runs
        .map(withoutEndSpaces)
        .map(({ x, y, size: own, face, text }) => ({
          text: text.replace(/ /g, '\u00a0'),
          font: faceFamilies[face],
          italics: face === 'italic' || face === 'greekItalic',
          fontSize: own,
          lineHeight: 1,
          noWrap: true,
          relativePosition: { x, y: ascent + y - ABOVE[face] * own },
        })),
      ...(lines.length > 0 ? [{ canvas: lines, relativePosition: { x: 0, y: 0 } }] : []),
      // What takes the room.
      { canvas: [{ type: 'rect', x: 0, y: 0, w: 0.01, h: ascent + descent, strokeOpacity: 0 }] },
    ],
  };
}
