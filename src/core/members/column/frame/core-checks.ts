import { silent, type Calc } from '../../../calc/calc';
import { checkInWords } from '../../../checks/check';
import { compareCheck } from '../../../checks/compare';
import { largestOf } from '../../../checks/largest';
import type { FrameConfinement, FrameCore } from '../../../codes/frame-columns';
import { spacingNearEnds } from '../section';
import { ends, frameCheck, type Axis, type Checks, type Ends, type FrameBasis } from './rules';

/** The core inside the ties next to an end; null for outlines whose core the rules do not know. */
export function frameCore({ column, model, frame }: FrameBasis): FrameCore | null {
  const { width, depth, inset, isRound } = frame.column;
  const { legs, between, area } = model.ties;
  if (column.shape.kind !== 'rectangle' && column.shape.kind !== 'circle') return null;
  const [b_o, h_o] = [width - 2 * inset, depth - 2 * inset];
  return {
    b_o,
    h_o,
    spacing: spacingNearEnds(column, model),
    tieArea: area,
    tieLength: isRound ? Math.PI * b_o : legs.legsX * b_o + legs.legsY * h_o,
    legsX: legs.legsX,
    legsY: legs.legsY,
    between,
    held: legs.held.size,
  };
}

/** How far the ties next to each end confine the core against what the class asks. */
export function coreChecks(basis: FrameBasis): Checks {
  const { frame } = basis;
  const { rules, column, joints } = frame;
  const core = frameCore(basis);
  return ends.flatMap((end) => {
    if (!rules.asksConfinement(column, joints[end].kind === 'base')) return [];
    return [confinementAt(basis, end, core)];
  });
}

function confinementAt({ code, frame: { rules, column } }: FrameBasis, end: Ends, core: FrameCore | null) {
  const base = {
    ...frameCheck,
    id: `frame-core-${end}`,
    title: `Confinement of the core, ${end}`,
    clause: '',
    place: { x: null, label: end },
  };
  const at = (axis: Axis, c: Calc = silent): FrameConfinement | null => core && rules.confinement(c, column, core, axis);
  const found = (['x', 'y'] as const).map((axis) => ({ axis, is: at(axis) }));
  const worst = largestOf(found, ({ is }) => (is ? is.needed / is.there : Infinity))!;
  if (!worst.is)
    return checkInWords({ ...base, status: 'notCovered', reason: 'Ties that confine a core of this outline are not worked out here.' });
  return compareCheck({
    ...base,
    clause: worst.is.clause,
    assumptions: code.choices.filter((k) => k.topic === 'frames').map((k) => k.key),
    kind: 'percent',
    compare: (c) => {
      const { needed, there } = at(worst.axis, c)!;
      return { demand: needed, capacity: there };
    },
    fails: (needed, has) => `The ties at the ${end} come to ${has}, ${needed} is asked for: closer ties there, more legs or thicker ones.`,
  });
}
