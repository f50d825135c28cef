import { valueAt } from '../../analysis/plates/locate';
import { columnStripShares, momentParts, staticMoment } from '../../analysis/direct-design';
import { boundsOf } from '../../geometry/polygon';
import type { PlateAnswer } from './analysis';
import { summed, summedField, type Arrangement } from './envelope';
import { columnSides, outlineOf } from './geometry';
import type { Along, PlateColumn, PlateInput } from './input';
import type { StripMoment } from './result';

/** Places across a strip at which a moment is read for its sum. */
const ACROSS = 160;
/** Columns nearer than this to one line stand in it (mm). */
const IN_LINE = 200;

interface Row {
  readonly at: number;
  readonly columns: readonly { readonly column: PlateColumn; readonly index: number }[];
}

/** Columns in lines along a direction, each line from its beginning; lines of a single column are left out. */
function rowsAlong({ columns }: PlateInput, along: Along): Row[] {
  const across = along === 'x' ? 'y' : 'x';
  const all = columns.map((column, index) => ({ column, index })).sort((a, b) => a.column[across] - b.column[across]);
  const rows: { at: number; columns: typeof all }[] = [];
  for (const entry of all) {
    const row = rows.at(-1);
    if (row && entry.column[across] - row.at < IN_LINE) row.columns.push(entry);
    else rows.push({ at: entry.column[across], columns: [entry] });
  }
  return rows
    .filter((r) => r.columns.length > 1)
    .map((r) => ({ at: r.at, columns: r.columns.sort((a, b) => a.column[along] - b.column[along]) }));
}

/** A design strip: a line of columns with half of the panels to both sides of it. */
interface DesignStrip extends Row {
  readonly from: number;
  readonly to: number;
  /** Spacing of the lines to both sides; none at the edge. */
  readonly before: number;
  readonly after: number;
}

function designStrips(plate: PlateInput, along: Along): DesignStrip[] {
  const { left, right, bottom, top } = boundsOf(outlineOf(plate).outer);
  const [low, high] = along === 'x' ? [bottom, top] : [left, right];
  const rows = rowsAlong(plate, along);
  return rows.map((row, i) => {
    const [last, next] = [rows[i - 1], rows[i + 1]];
    return {
      ...row,
      from: last ? (last.at + row.at) / 2 : low,
      to: next ? (next.at + row.at) / 2 : high,
      before: last ? row.at - last.at : Infinity,
      after: next ? next.at - row.at : Infinity,
    };
  });
}

/** A part of a line across a strip. */
type Stretch = readonly [from: number, to: number];

const widthOf = (stretches: readonly Stretch[]) => stretches.reduce((sum, [from, to]) => sum + Math.max(0, to - from), 0);

/**
 * Column strip and halves of middle strips of a design strip in a span l1: a quarter of the lesser of l1 and l2 to each side of the columns (ACI 318-19
 * 8.4.1.5, EN 1992-1-1 figure I.1), to the edge of the slab where it is nearer.
 */
function parts({ at, from, to, before, after }: DesignStrip, l1: number): { readonly column: Stretch[]; readonly middle: Stretch[] } {
  const [low, high] = [Math.max(from, at - Math.min(l1, before) / 4), Math.min(to, at + Math.min(l1, after) / 4)];
  return {
    column: [[low, high]],
    middle: [
      [from, low],
      [high, to],
    ],
  };
}

/** The slab under one arrangement of its loads: everything that is summed. */
interface Summed {
  readonly plate: PlateInput;
  readonly answer: PlateAnswer;
  readonly moments: Float64Array;
  /** Load over the slab (N/mm2). */
  readonly w: number;
}

/** The sum of a moment across a stretch of a line (N mm). */
function momentOver({ answer: { model, locate }, moments }: Summed, along: Along, v: number, stretches: readonly Stretch[]): number {
  return stretches.reduce((sum, [from, to]) => {
    let part = 0;
    for (let k = 0; k < ACROSS; k += 1) {
      const c = from + ((k + 0.5) / ACROSS) * (to - from);
      const found = locate(along === 'x' ? [v, c] : [c, v], model.bends);
      if (found) part += valueAt(model.mesh, found, moments, 3, along === 'x' ? 0 : 1);
    }
    return sum + (part * Math.max(0, to - from)) / ACROSS;
  }, 0);
}

/** Moments of the strips of a slab on lines of columns, all loads on, beside those of the direct design method where nothing but the even load stands on it. */
export function stripMoments(plate: PlateInput, answer: PlateAnswer, whole: Arrangement, area: number): StripMoment[] {
  const nodes = answer.model.mesh.at.length / 2;
  const sums: Summed = {
    plate,
    answer,
    moments: summedField(whole, 3 * nodes, (part) => part.moments),
    w: summed(whole, (part) => part.total) / area,
  };
  const isEven = plate.walls.length + plate.beams.length + plate.regions.length === 0 && plate.loads.every((l) => l.type === 'uniform');
  return (['x', 'y'] as const).flatMap((along) =>
    designStrips(plate, along).flatMap((strip) =>
      strip.columns.slice(1).flatMap((_, span) => spanMoments(sums, along, strip, span, isEven && isWhole(plate, along, strip))),
    ),
  );
}

/** Whether no opening lies in a design strip: its panels are whole. */
const isWhole = ({ openings }: PlateInput, along: Along, { from, to }: DesignStrip): boolean =>
  openings.every(({ corners }) => {
    const { left, right, bottom, top } = boundsOf(corners);
    const [low, high] = along === 'x' ? [bottom, top] : [left, right];
    return high <= from || low >= to;
  });

function spanMoments(sums: Summed, along: Along, strip: DesignStrip, span: number, hasMethod: boolean): StripMoment[] {
  const [a, b] = [strip.columns[span]!, strip.columns[span + 1]!];
  const half = ({ column }: typeof a) => columnSides(column)[along] / 2;
  const [start, end] = [a.column[along] + half(a), b.column[along] - half(b)];
  const l1 = b.column[along] - a.column[along];
  const { column, middle } = parts(strip, l1);
  const known = hasMethod && strip.columns.length > 2 ? directDesign(sums.w, strip, span, l1, end - start) : null;
  const cut = (at: StripMoment['at'], momentOf: (stretches: readonly Stretch[]) => number): StripMoment => ({
    along,
    row: strip.at,
    span: span + 1,
    at,
    column: { width: widthOf(column), moment: momentOf(column), byHand: known?.[at].column ?? null },
    middle: { width: widthOf(middle), moment: momentOf(middle), byHand: known?.[at].middle ?? null },
  });
  return [
    cut('start', (stretches) => atFace(sums, along, start, half(a), stretches)),
    cut('span', (stretches) => momentOver(sums, along, (start + end) / 2, stretches)),
    cut('end', (stretches) => atFace(sums, along, end, -half(b), stretches)),
  ];
}

/**
 * The moment of a strip at the face of a column, `half` its size into the span. The corners of a stiff head are felt as far as that, so it is read from
 * there on, at three places, and continued to the face as a parabola.
 */
function atFace(sums: Summed, along: Along, face: number, half: number, stretches: readonly Stretch[]): number {
  const [first, second, third] = [1, 2, 3].map((k) => momentOver(sums, along, face + k * half, stretches)) as [number, number, number];
  return 3 * first - 3 * second + third;
}

/**
 * ACI 318-14 8.10, which 318-19 8.2.1 still allows: parts of the static moment of a span, and what the column strip takes of them. The method is for three
 * spans and more (8.10.2.1); of two both are end spans.
 */
function directDesign(w: number, { from, to, columns }: DesignStrip, span: number, l1: number, ln: number) {
  const l2 = to - from;
  const M0 = staticMoment(w, l2, ln, l1);
  const isFirst = span === 0;
  const isLast = span === columns.length - 2;
  const { outer, span: middle, inner } = momentParts(isFirst || isLast ? 'noEdgeBeam' : 'inner');
  const share = columnStripShares(l2 / l1, 0, 0);
  const split = (part: number, of: number) => ({ column: part * of * M0, middle: part * (1 - of) * M0 });
  return {
    start: isFirst ? split(-outer, share.outer) : split(-inner, share.inner),
    span: split(middle, share.span),
    end: isLast ? split(-outer, share.outer) : split(-inner, share.inner),
  };
}
