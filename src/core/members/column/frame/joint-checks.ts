import type { Calc } from '../../../calc/calc';
import { checkInWords } from '../../../checks/check';
import { compareCheck } from '../../../checks/compare';
import { endStrengths, type EndStrengths } from './end-strength';
import { ends, frameCheck, swayAxes, type Axis, type Checks, type Ends, type FrameBasis } from './rules';

/** Columns that are stronger than the beams at their joints. */
export function jointChecks(basis: FrameBasis): Checks {
  const { code, column, model, frame } = basis;
  const { joint } = frame.rules;
  if (!joint) return [];
  const strengths = endStrengths(column, code, model, joint, frame.column);
  return swayAxes(basis).flatMap((axis) => ends.flatMap((end) => jointCheck(basis, strengths, axis, end)));
}

function jointCheck({ frame }: FrameBasis, strengths: EndStrengths, axis: Axis, end: Ends): Checks {
  const { rules, joints, column } = frame;
  const at = joints[end];
  const isLast = at.kind === 'last';
  if (at.kind === 'base') return [];
  const joint = rules.joint!;
  const base = {
    ...frameCheck,
    id: `frame-joint-${end}-${axis}`,
    family: 'bending' as const,
    title: `Columns over beams, ${end}, about ${axis}`,
    clause: joint.clause,
    place: { x: null, label: end },
  };
  if (rules.isJointExempt(column, isLast))
    return [checkInWords({ ...base, status: 'notApplicable', reason: 'No column stands above this joint: beams may be stronger there.' })];
  const { beams, beyond } = at[axis];
  if (beams === null)
    return [checkInWords({ ...base, status: 'asked', reason: `State the strength of the beams at the ${end} for bending about ${axis}.` })];
  return [
    compareCheck({
      ...base,
      kind: 'moment',
      compare: (c) => ({
        demand: joint.value * beams,
        demandIs: [`${joint.value} times the strength of the beams`, 'their sum as typed'],
        capacity: columnsAt(c, strengths, axis, isLast ? 0 : beyond),
        capacityIs: ['strength of the columns at the joint', 'the sum of both, with the axial force for which it is least'],
      }),
      fails: (needed, has) => `The columns come to ${has} at the ${end}, ${needed} is asked for: a stronger column, or weaker beams.`,
    }),
  ];
}

/** This column with the one beyond, which bends the other way; as this one where its strength is not known. */
function columnsAt(c: Calc, { least }: EndStrengths, axis: Axis, beyond: number | null): number {
  const [one, other] = [least(axis, 1), least(axis, -1)];
  c.state('strength of this column, one way', one, 'moment', 'of the section, for the axial force with which it is least');
  c.state('strength of this column, the other way', other, 'moment', 'of the section, for the axial force with which it is least');
  if (beyond === null) {
    c.note('The column beyond the joint is taken to be as this one.');
    return one + other;
  }
  c.state('strength of the column beyond', beyond, 'moment', 'as typed');
  return Math.min(one, other) + beyond;
}
