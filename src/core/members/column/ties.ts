import { silent, type Calc } from '../../calc/calc';
import type { TieQuestion, TieRules } from '../../codes/column-rules';
import type { DesignCode } from '../../codes/design-code';
import { boundsOf } from '../../geometry/polygon';
import { outlineOfShape } from '../../geometry/section-shapes';
import { catalogues, findBar } from '../../materials/bars';
import type { ColumnBar } from '../../reinforcement/column-bars';
import { betweenHeld, holdBars, type Holding, type TieLegs } from '../../reinforcement/tie-legs';
import { frameColumnOf, type FrameOfColumn } from './frame/frame-column';
import { isRound, type ColumnInput } from './input';

/** The ties of a column: what is asked of them, which bars they hold, and what a ductile frame asks besides. */
export interface ColumnTies {
  readonly diameter: number;
  readonly area: number;
  readonly question: TieQuestion;
  readonly rules: TieRules;
  readonly holding: Holding;
  readonly legs: TieLegs;
  readonly frame: FrameOfColumn | null;
  /** Distances from centre to centre of bars next to each other that are held, all round, and the largest of them (mm). */
  readonly between: readonly number[];
  readonly apart: number;
}

/** Ties of a column round its bars. */
export function columnTies(column: ColumnInput, code: DesignCode, bars: readonly ColumnBar[]): ColumnTies {
  const tie = findBar(catalogues[column.catalogue], column.ties.size)!;
  const { left, right, bottom, top } = boundsOf(outlineOfShape(column.shape).outer);
  const [width, depth] = [right - left, top - bottom];
  const diameters = bars.map((b) => b.diameter);
  const question: TieQuestion = {
    largestBar: Math.max(...diameters),
    smallestBar: Math.min(...diameters),
    tie: tie.diameter,
    leastDimension: leastDimension(column, width, depth),
    largestDimension: Math.max(width, depth),
    aggregate: column.materials.aggregateSize,
    isSpiral: column.transverse === 'spiral',
  };
  const usual = code.column.ties(silent, question);
  const frame = frameColumnOf(column, code, { width, depth, smallestBar: question.smallestBar, tie: tie.diameter });
  const held = frame?.rules.held(frame.column) ?? null;
  const holding: Holding = {
    reach: held?.holdsAll ? 0 : usual.unheldDistance.value,
    alternate: usual.holdsAlternate,
    apart: held?.apart.value ?? Infinity,
  };
  const legs = holdBars(bars, holding, column.ties.cross);
  const between = betweenHeld(bars, legs.held, isRound(column.shape)).map((b) => b.centres);
  const apart = Math.max(0, ...between);
  return {
    diameter: tie.diameter,
    area: tie.area,
    question,
    rules: withFrame(silent, usual, frame, apart),
    holding,
    legs,
    frame,
    between,
    apart,
  };
}

/** Rules of the ties, written down: the usual ones, with those of a ductile frame where they ask for more. */
export const tieRulesOf = (c: Calc, code: DesignCode, { question, frame, apart }: Pick<ColumnTies, 'question' | 'frame' | 'apart'>) =>
  withFrame(c, code.column.ties(c, question), frame, apart);

function withFrame(c: Calc, usual: TieRules, frame: FrameOfColumn | null, apart: number): TieRules {
  if (!frame) return usual;
  const { rules, column } = frame;
  const [zone, beyond, held] = [rules.zone(c, column, apart), rules.beyond(c, column), rules.held(column)];
  return {
    ...usual,
    ...(beyond && beyond.value < usual.spacing.value ? { spacing: beyond } : {}),
    ...(zone
      ? {
          spacingNearEnds: zone.spacing.value < usual.spacingNearEnds.value ? zone.spacing : usual.spacingNearEnds,
          nearEnds: Math.max(usual.nearEnds, zone.length.value),
        }
      : {}),
    ...(held?.holdsAll ? { unheldDistance: { value: 0, clause: held.apart.clause } } : {}),
  };
}

/** Least dimension for the spacing of ties: the thinnest part of a flanged shape. */
function leastDimension({ shape: s }: ColumnInput, width: number, depth: number): number {
  switch (s.kind) {
    case 'L':
    case 'cross':
      return Math.min(s.tx, s.ty);
    case 'T':
    case 'I':
      return Math.min(s.web, s.flange);
    case 'ring':
      return s.diameter;
    default:
      return Math.min(width, depth);
  }
}
