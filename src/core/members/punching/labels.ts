import type { ProjectBasis } from '../member';
import { drawnLength, layerLabel, sizeOf } from '../parts/bar-labels';
import type { PunchingPicture } from './drawing';
import type { PunchingInput } from './input';
import { inLines } from './legs';

/** "H16 @ 150, H16 @ 150, 12 legs H10 × 4". */
export function punchingLabel(project: ProjectBasis, { barsX, barsY, legs }: PunchingInput): string {
  const across = legs ? [`${legs.legs} ${unitOf(legs)} ${sizeOf(legs.size, project)} × ${legs.perimeters}`] : [];
  return [layerLabel(barsX, project), layerLabel(barsY, project), ...across].join(', ');
}

/** What legs are counted by. */
const unitOf = (legs: NonNullable<PunchingInput['legs']>): string => (legs.kind === 'studs' ? 'rails' : inLines(legs) ? 'lines' : 'legs');

/** How a slab at a column is labelled on its plan. */
export function punchingLabels(project: ProjectBasis, member: PunchingInput): PunchingPicture['labels'] {
  const length = (v: number) => drawnLength(v, project.display);
  const { legs, drop } = member;
  return {
    length,
    barsX: layerLabel(member.barsX, project),
    barsY: layerLabel(member.barsY, project),
    depth: `${member.base ? 'footing' : 'slab'} ${length(member.h)}${drop ? ` + ${length(drop.depth)}` : ''} deep`,
    legs: legs
      ? `${legs.legs} ${unitOf(legs)} of ${layerLabel({ ...legs, alternate: null }, project)}, ${legs.perimeters} ${inLines(legs) ? 'legs in each' : 'perimeters'}, first at ${length(legs.first)}`
      : 'no links: add some',
  };
}
