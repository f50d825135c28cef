import { silent } from '../../../calc/calc';
import { compareCheck } from '../../../checks/compare';
import type { Limit } from '../../../codes/basis';
import { largestOf } from '../../../checks/largest';
import { sideRows } from '../../../reinforcement/tie-legs';
import type { QuantityKind } from '../../../units/quantity';
import { inBendingSense } from '../load-sets';
import { ASKED, frameCheck, LAID, swayAxes, type Axis, type Checks, type FrameBasis } from './rules';

/** Something that has to be at least, or at most, what a class asks for. */
function limitCheck(
  id: string,
  title: string,
  kind: QuantityKind,
  limit: Limit | null,
  sense: 'least' | 'most',
  there: number,
  fails: (asked: string, has: string) => string,
): Checks {
  if (!limit) return [];
  return [
    compareCheck({
      ...frameCheck,
      id,
      title,
      clause: limit.clause,
      kind,
      compare: () =>
        sense === 'least'
          ? { demand: limit.value, demandIs: ASKED, capacity: there, capacityIs: LAID }
          : { demand: there, demandIs: LAID, capacity: limit.value, capacityIs: ASKED },
      fails: (demand, capacity) => (sense === 'least' ? fails(demand, capacity) : fails(capacity, demand)),
    }),
  ];
}

/** Sides, bars and axial force of a column in a ductile frame. */
export function formChecks(basis: FrameBasis): Checks {
  const { frame, model } = basis;
  const { rules, column } = frame;
  const [less, more] = [Math.min(column.width, column.depth), Math.max(column.width, column.depth)];
  const ratio = model.section.steelArea / column.area;
  const isRectangle = basis.column.shape.kind === 'rectangle';
  return [
    ...limitCheck(
      'frame-side',
      'Least side of a frame column',
      'smallLength',
      rules.leastSide,
      'least',
      less,
      (asked, has) => `The smaller side is ${has}, at least ${asked} is asked for.`,
    ),
    ...limitCheck(
      'frame-aspect',
      'Shorter over longer side',
      'ratio',
      rules.leastAspect,
      'least',
      less / more,
      (asked, has) => `The shorter side is ${has} of the longer one, at least ${asked} is asked for.`,
    ),
    ...depthChecks(basis),
    ...axialCheck(basis),
    ...limitCheck(
      'frame-least-steel',
      'Minimum reinforcement, ductile frame',
      'percent',
      rules.leastRatio,
      'least',
      ratio,
      (asked, has) => `${has} of steel, at least ${asked} is asked for.`,
    ),
    ...limitCheck(
      'frame-most-steel',
      'Maximum reinforcement, ductile frame',
      'percent',
      rules.mostRatio,
      'most',
      ratio,
      (asked, has) => `${has} of steel, at most ${asked} is allowed.`,
    ),
    ...limitCheck(
      'frame-bars',
      'Bars inside round hoops',
      'number',
      column.isRound ? rules.leastRoundBars : null,
      'least',
      model.bars.length,
      (asked, has) => `${has} bars, at least ${asked} are asked for.`,
    ),
    ...limitCheck(
      'frame-between',
      'Bars between the corners',
      'number',
      isRectangle ? rules.betweenCorners : null,
      'least',
      Math.min(...sideRows(model.bars).map((row) => row.length - 2)),
      (asked, has) => `A side has ${has} bars between its corners, at least ${asked} is asked for.`,
    ),
    ...heldCheck(basis),
    ...bondCheck(basis),
  ];
}

/** From an end to where the moment is zero, the larger of both distances, in the sets in which the column bends about an axis; the clear height where it is bent one way (mm). */
function toZero({ column, results }: FrameBasis, axis: Axis): number {
  const clear = column.axes[axis].clear ?? column.height;
  const distances = results.flatMap(({ set }) => {
    const f = inBendingSense(set, column.signs);
    const [top, foot] = axis === 'x' ? [f.mxTop, f.mxBottom] : [f.myTop, f.myBottom];
    if (top === 0 && foot === 0) return [];
    return [top * foot < 0 ? (clear * Math.max(Math.abs(top), Math.abs(foot))) / (Math.abs(top) + Math.abs(foot)) : clear];
  });
  return distances.length > 0 ? Math.max(...distances) : clear;
}

/** Depth in the plane of bending against the distance to where the moment is zero. */
function depthChecks(basis: FrameBasis): Checks {
  const { rules, joints, column } = basis.frame;
  return swayAxes(basis).flatMap((axis) => {
    const distance = toZero(basis, axis);
    const limit = rules.leastDepth(silent, distance, joints.drift);
    if (!limit) return [];
    return [
      compareCheck({
        ...frameCheck,
        id: `frame-depth-${axis}`,
        title: `Depth for bending about ${axis}`,
        clause: limit.clause,
        kind: 'smallLength',
        compare: (c) => ({
          demand: rules.leastDepth(c, distance, joints.drift)!.value,
          capacity: axis === 'x' ? column.depth : column.width,
          capacityIs: LAID,
        }),
        fails: (needed, has) =>
          `The column is ${has} deep for bending about ${axis}, at least ${needed} is asked for, or a storey that drifts less.`,
      }),
    ];
  });
}

function axialCheck({ frame: { rules, column, joints } }: FrameBasis): Checks {
  const limit = rules.mostAxial(silent, column);
  if (!limit) return [];
  return [
    compareCheck({
      ...frameCheck,
      id: 'frame-axial',
      title: 'Axial force in an earthquake',
      clause: limit.clause,
      kind: 'force',
      compare: (c) => ({
        demand: Math.max(0, column.most),
        demandIs: ['largest axial force', joints.most === null ? 'of all ultimate load sets' : 'as typed'],
        capacity: rules.mostAxial(c, column)!.value,
      }),
      fails: (force, most) => `An axial force of ${force}; a frame of this class may have ${most}: a larger section, or stronger concrete.`,
    }),
  ];
}

/** How far apart the bars stand that are held. */
function heldCheck({ frame: { rules, column }, model }: FrameBasis): Checks {
  const held = rules.held(column);
  if (!held) return [];
  return limitCheck(
    'frame-held',
    'Distance of bars that are held',
    'smallLength',
    held.apart,
    'most',
    model.ties.apart,
    (most, has) => `Bars that are held stand ${has} apart, at most ${most} is allowed: more cross ties, or more bars.`,
  );
}

/** The length in which bars come to their strength against half of the clear height. */
function bondCheck({ frame: { rules, column }, model, column: input }: FrameBasis): Checks {
  const thickest = largestOf(model.bars, (b) => b.diameter)!;
  const question = { ...column, diameter: thickest.diameter, cover: input.cover + model.ties.diameter };
  const limit = rules.bond(silent, question);
  if (!limit) return [];
  return [
    compareCheck({
      ...frameCheck,
      id: 'frame-bond',
      title: `Bond of ${thickest.size} along the column`,
      clause: limit.clause,
      kind: 'length',
      compare: (c) => ({
        demand: rules.bond(c, question)!.value,
        capacity: input.height / 2,
        capacityIs: ['half of the clear height', 'as typed'],
      }),
      fails: (needed, has) => `Bars of this size need ${needed} to come to their strength, half of the height is ${has}: thinner bars.`,
    }),
  ];
}
